'use client'

import { Box, Combobox, Dialog, HStack, Portal, Text, useFilter, useListCollection } from '@chakra-ui/react'
import { useEffect, useState } from 'react'

/** A place one can go to, by its name. */
export interface Place {
  readonly value: string
  readonly label: string
  readonly kind: string
}

interface FindProps {
  readonly places: readonly Place[]
  /** Keys beside `/` and `?`, for the list of keys. */
  readonly keys?: readonly (readonly [key: string, does: string])[]
  readonly onGo: (href: string) => void
}

const SHOWN = 40

/** Find by `/` and the list of keys by `?`, on every screen; never while typing in a field. */
export function Find({ places, keys = [], onGo }: FindProps) {
  const [open, setOpen] = useState<'find' | 'keys' | null>(null)
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      if (isTyping(event)) return
      if (event.key !== '/' && event.key !== '?') return
      event.preventDefault()
      setOpen(event.key === '/' ? 'find' : 'keys')
    }
    window.addEventListener('keydown', press)
    return () => window.removeEventListener('keydown', press)
  }, [])
  const shut = () => setOpen(null)
  return (
    <>
      <Dialog.Root
        open={open === 'find'}
        onOpenChange={(details) => !details.open && shut()}
        lazyMount
        unmountOnExit
        placement="top"
      >
        <Portal>
          <Dialog.Backdrop />
          <Dialog.Positioner>
            <Dialog.Content bg="sheet" mx={3} p={3}>
              <Dialog.Title fontSize="md" mb={2}>
                Find
              </Dialog.Title>
              <Places
                places={places}
                onGo={(href) => {
                  shut()
                  onGo(href)
                }}
              />
            </Dialog.Content>
          </Dialog.Positioner>
        </Portal>
      </Dialog.Root>
      <Dialog.Root
        open={open === 'keys'}
        onOpenChange={(details) => !details.open && shut()}
        lazyMount
        unmountOnExit
      >
        <Portal>
          <Dialog.Backdrop />
          <Dialog.Positioner>
            <Dialog.Content bg="sheet">
              <Dialog.Header>
                <Dialog.Title>Keys</Dialog.Title>
              </Dialog.Header>
              <Dialog.Body pb={6}>
                {[...keys, ['/', 'find'] as const, ['?', 'this list'] as const].map(([key, does]) => (
                  <HStack key={key} py={1} borderBottomWidth="1px" borderColor="rule">
                    <Text fontFamily="mono" w="70px">
                      {key}
                    </Text>
                    <Text>{does}</Text>
                  </HStack>
                ))}
              </Dialog.Body>
            </Dialog.Content>
          </Dialog.Positioner>
        </Portal>
      </Dialog.Root>
    </>
  )
}

/** Whether a key belongs to a field, or to a command of the browser. */
export function isTyping(event: KeyboardEvent): boolean {
  if (event.ctrlKey || event.metaKey || event.altKey) return true
  return (
    event.target instanceof HTMLElement &&
    event.target.closest('input, textarea, select, [contenteditable], [role=slider], [role=alertdialog]') !==
      null
  )
}

function Places({ places, onGo }: Pick<FindProps, 'places' | 'onGo'>) {
  const words = useFilter({ sensitivity: 'base' })
  const { collection, filter } = useListCollection<Place>({
    initialItems: [...places],
    filter: (label, typed) => words.contains(label, typed),
    limit: SHOWN,
    itemToString: ({ label }) => label,
    itemToValue: ({ value }) => value,
  })
  return (
    <Combobox.Root
      collection={collection}
      open
      openOnClick
      inputBehavior="autohighlight"
      selectionBehavior="clear"
      onInputValueChange={({ inputValue }) => filter(inputValue)}
      onValueChange={({ value }) => value[0] !== undefined && onGo(value[0])}
    >
      <Combobox.Control>
        <Combobox.Input
          aria-label="Find a device, a fault or a screen"
          placeholder="Mark, name or screen"
          minH="48px"
          bg="sheet"
          borderColor="ink"
          autoFocus
        />
      </Combobox.Control>
      <Combobox.Content position="static" boxShadow="none" bg="sheet" mt={2} maxH="50vh">
        <Combobox.Empty>Nothing is called that.</Combobox.Empty>
        {collection.items.map((place) => (
          <Combobox.Item item={place} key={place.value} minH="44px">
            <Combobox.ItemText flex="1">{place.label}</Combobox.ItemText>
            <Box color="soft" fontSize="sm">
              {place.kind}
            </Box>
          </Combobox.Item>
        ))}
      </Combobox.Content>
    </Combobox.Root>
  )
}
