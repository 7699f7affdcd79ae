'use client'

import {
  Box,
  Button,
  Combobox,
  Dialog,
  HStack,
  IconButton,
  Portal,
  Text,
  useFilter,
  useListCollection,
} from '@chakra-ui/react'
import { Search } from 'lucide-react'
import { useEffect, useState, type ReactNode } from 'react'
import { Scan } from './Scan'

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
  /** It has a button where it stands, for hands without keys. */
  readonly button?: boolean
  /** Goes to what a label says; answers what is wrong with it. Without it no label is read. */
  readonly onLabel?: (words: string) => string | null
}

const SHOWN = 40

type Shown = 'find' | 'label' | 'keys'

/**
 * Find by its button or `/` and the list of keys by `?`, on every screen; never while typing in a field.
 */
export function Find({ places, keys = [], onGo, onLabel, button = false }: FindProps) {
  const [open, setOpen] = useState<Shown | null>(null)
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
  // A dialog that goes takes along what opened over it: the next one waits until it has gone.
  const [following, follow] = useState<Shown | null>(null)
  const giveWay = (to: Shown) => {
    follow(to)
    shut()
  }
  const gone = () => {
    if (following) setOpen(following)
    follow(null)
  }
  return (
    <>
      {button ? (
        <IconButton
          aria-label="Find"
          title="Find: /"
          variant="ghost"
          colorPalette="inky"
          minW="48px"
          minH="48px"
          className="no-print"
          onClick={() => setOpen('find')}
        >
          <Search size={20} />
        </IconButton>
      ) : null}
      <Over title="Find" open={open === 'find'} top onShut={shut} onGone={gone}>
        {onLabel ? <Instead onPress={() => giveWay('label')}>Read a label</Instead> : null}
        <Places
          places={places}
          onGo={(href) => {
            shut()
            onGo(href)
          }}
        />
      </Over>
      <Over title="Read a label" open={open === 'label'} top onShut={shut} onGone={gone}>
        <Instead onPress={() => giveWay('find')}>Type it instead</Instead>
        <Scan
          onRead={(words) => {
            const wrong = onLabel?.(words) ?? null
            if (wrong === null) shut()
            return wrong
          }}
        />
      </Over>
      <Over title="Keys" open={open === 'keys'} onShut={shut} onGone={gone}>
        {[...keys, ['/', 'find'] as const, ['?', 'this list'] as const].map(([key, does]) => (
          <HStack key={key} py={1} borderBottomWidth="1px" borderColor="rule">
            <Text fontFamily="mono" w="70px">
              {key}
            </Text>
            <Text>{does}</Text>
          </HStack>
        ))}
      </Over>
    </>
  )
}

interface OverProps {
  readonly title: string
  readonly open: boolean
  /** At the top, where a keyboard leaves room for it. */
  readonly top?: boolean
  readonly onShut: () => void
  readonly onGone: () => void
  readonly children: ReactNode
}

function Over({ title, open, top = false, onShut, onGone, children }: OverProps) {
  return (
    <Dialog.Root
      open={open}
      onOpenChange={(details) => !details.open && onShut()}
      onExitComplete={onGone}
      placement={top ? 'top' : 'center'}
      lazyMount
      unmountOnExit
    >
      <Portal>
        <Dialog.Backdrop />
        <Dialog.Positioner>
          <Dialog.Content bg="sheet" mx={3} p={3}>
            <Dialog.Title fontSize="md" mb={2}>
              {title}
            </Dialog.Title>
            {children}
          </Dialog.Content>
        </Dialog.Positioner>
      </Portal>
    </Dialog.Root>
  )
}

const Instead = ({ onPress, children }: { onPress: () => void; children: ReactNode }) => (
  <Button minH="48px" w="100%" mb={2} variant="outline" colorPalette="inky" onClick={onPress}>
    {children}
  </Button>
)

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
      {/* The list counts as a layer under its dialog, which would keep a finger off it. */}
      <Combobox.Content
        position="static"
        boxShadow="none"
        bg="sheet"
        mt={2}
        maxH="50vh"
        css={{ pointerEvents: 'auto !important' }}
      >
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
