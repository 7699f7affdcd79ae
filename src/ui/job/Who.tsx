'use client'

import { Box, Button, Dialog, Field, Input, Portal, Text } from '@chakra-ui/react'
import { UserRound } from 'lucide-react'
import { useState } from 'react'
import { HandsFields } from '../hands/HandsFields'
import { isPaired, setAuthor, useAuthor } from './author'

/** Who works with this device: shown on every size of screen, and changed by a tap. */
export function Who() {
  const name = useAuthor()
  const [words, setWords] = useState<string | null>(null)
  const keep = () => {
    if (words !== null) setAuthor(words)
    setWords(null)
  }
  return (
    <Dialog.Root
      open={words !== null}
      onOpenChange={({ open }) => setWords(open ? name : null)}
      lazyMount
      unmountOnExit
    >
      <Dialog.Trigger asChild>
        <Button
          variant="ghost"
          colorPalette="inky"
          minH="44px"
          px={2}
          fontWeight={400}
          aria-label={`Working as ${name}. Change it`}
          title="Written into everything you record"
        >
          <UserRound size={18} aria-hidden />
          {name}
        </Button>
      </Dialog.Trigger>
      <Portal>
        <Dialog.Backdrop />
        <Dialog.Positioner>
          <Dialog.Content bg="sheet" mx={4}>
            <Dialog.Header>
              <Dialog.Title>Who is working here?</Dialog.Title>
            </Dialog.Header>
            <Dialog.Body pb={5}>
              {isPaired() ? (
                <Text>
                  This phone is paired to {name}: that stands in everything recorded with it. Pair it again at
                  the laptop for somebody else.
                </Text>
              ) : (
                <>
                  <Field.Root>
                    <Field.Label fontWeight={400} color="soft">
                      Working as
                    </Field.Label>
                    <Input
                      value={words ?? ''}
                      minH="48px"
                      bg="sheet"
                      borderColor="ink"
                      maxLength={80}
                      onChange={(event) => setWords(event.target.value)}
                      onKeyDown={(event) => event.key === 'Enter' && keep()}
                    />
                    <Field.HelperText>
                      It is written into everything recorded with this device from now on.
                    </Field.HelperText>
                  </Field.Root>
                  <Button mt={4} minH="48px" colorPalette="copper" onClick={keep}>
                    That is me
                  </Button>
                </>
              )}
              <Box borderTopWidth="1px" borderColor="rule" mt={5} pt={4}>
                <HandsFields />
              </Box>
            </Dialog.Body>
          </Dialog.Content>
        </Dialog.Positioner>
      </Portal>
    </Dialog.Root>
  )
}
