'use client'

import { Button, Dialog, HStack, IconButton, Portal } from '@chakra-ui/react'
import { Trash2 } from 'lucide-react'
import { useState } from 'react'

interface RemovalProps {
  /** What the button says, or is called where it shows a bin only. */
  readonly label: string
  readonly icon?: boolean
  /** The question that is asked first. */
  readonly asks: string
  readonly onRemove: () => Promise<unknown>
}

/** Takes something away for good: never by one tap. */
export function Removal({ label, icon = false, asks, onRemove }: RemovalProps) {
  const [open, setOpen] = useState(false)
  const remove = () => void onRemove().then(() => setOpen(false))
  return (
    <Dialog.Root
      role="alertdialog"
      open={open}
      onOpenChange={(details) => setOpen(details.open)}
      lazyMount
      unmountOnExit
    >
      <Dialog.Trigger asChild>
        {icon ? (
          <IconButton
            aria-label={label}
            variant="ghost"
            colorPalette="inky"
            minH="44px"
            minW="44px"
            className="no-print"
          >
            <Trash2 size={18} />
          </IconButton>
        ) : (
          <Button variant="outline" colorPalette="inky" minH="44px" className="no-print">
            {label}
          </Button>
        )}
      </Dialog.Trigger>
      <Portal>
        <Dialog.Backdrop />
        <Dialog.Positioner>
          <Dialog.Content bg="sheet" mx={4}>
            <Dialog.Header>
              <Dialog.Title>{asks}</Dialog.Title>
            </Dialog.Header>
            <Dialog.Footer>
              <HStack gap={3} w="100%" justify="flex-end">
                <Dialog.CloseTrigger asChild position="static">
                  <Button variant="outline" colorPalette="inky" minH="48px">
                    Keep it
                  </Button>
                </Dialog.CloseTrigger>
                <Button bg="stop" color="sheet" minH="48px" onClick={remove}>
                  Remove
                </Button>
              </HStack>
            </Dialog.Footer>
          </Dialog.Content>
        </Dialog.Positioner>
      </Portal>
    </Dialog.Root>
  )
}
