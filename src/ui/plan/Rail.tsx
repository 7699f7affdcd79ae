'use client'

import { Box, IconButton, Stack } from '@chakra-ui/react'
import { MousePointer2, Redo2, Ruler, Undo2, type LucideIcon } from 'lucide-react'
import type { Again, Editor } from './editor'
import { IconPress } from './IconPress'
import { DRAWN, handlingOf, keyOf, type DrawnKind, type Tool } from './tools'

const TOOLS: readonly (readonly [tool: Tool, name: string, icon: LucideIcon, letter: string])[] = [
  [{ does: 'select' }, 'Select', MousePointer2, 'v'],
  ...(Object.keys(DRAWN) as DrawnKind[]).map(
    (kind) => [{ does: 'draw', kind }, DRAWN[kind].name, DRAWN[kind].icon, DRAWN[kind].key] as const,
  ),
  [{ does: 'measure' }, 'Measure', Ruler, 'm'],
]

/**
 * The tools, one below the other, and undo and redo, which always show. Drawing is for a larger screen; a
 * phone views and moves.
 */
export function Rail({ editor }: { editor: Editor }) {
  const { setTool, undo, redo } = editor
  return (
    <Stack
      role="toolbar"
      aria-label="Drawing"
      aria-orientation="vertical"
      display={{ base: 'none', md: 'flex' }}
      gap={0}
      w="52px"
      flexShrink={0}
      bg="sheet"
      borderRightWidth="1px"
      borderColor="rule"
      p="3px"
    >
      <Stack gap={0} flex="1" minH={0} overflowY="auto" scrollbarWidth="none">
        {TOOLS.map(([tool, name, icon, letter]) => (
          <Pick
            key={name}
            name={name}
            how={handlingOf(tool).how(tool)}
            icon={icon}
            letter={letter}
            on={keyOf(editor.tool) === keyOf(tool)}
            onPick={() => setTool(tool)}
          />
        ))}
      </Stack>
      <Box h="1px" bg="rule" my={1} flexShrink={0} />
      <Undoing undo={undo} redo={redo} />
    </Stack>
  )
}

/** Undo and redo; each names what it takes back or does again. */
export function Undoing({ undo, redo }: Pick<Editor, 'undo' | 'redo'>) {
  const all = [
    ['Undo', 'Ctrl Z', Undo2, undo],
    ['Redo', 'Ctrl Y', Redo2, redo],
  ] as const satisfies readonly (readonly [string, string, LucideIcon, Again])[]
  return all.map(([word, key, icon, { doing, run }]) => (
    <IconPress
      key={word}
      name={word}
      hint={`${doing === null ? '' : ` ${doing}`} (${key})`}
      icon={icon}
      disabled={doing === null}
      onPress={run}
    />
  ))
}

/** On a low screen with a mouse all tools show at once: what has to be scrolled to is not found. */
const ALL_SEEN = { '@media (pointer: fine) and (max-height: 940px)': { minHeight: '35px', height: '35px' } }

interface PickProps {
  readonly name: string
  readonly how: string
  readonly icon: LucideIcon
  readonly letter: string
  readonly on: boolean
  readonly onPick: () => void
}

function Pick({ name, how, icon: Icon, letter, on, onPick }: PickProps) {
  const key = letter.toUpperCase()
  return (
    <IconButton
      size="sm"
      minH="42px"
      minW="44px"
      css={ALL_SEEN}
      flexShrink={0}
      position="relative"
      variant={on ? 'solid' : 'ghost'}
      colorPalette="inky"
      aria-pressed={on}
      aria-label={name}
      aria-keyshortcuts={key}
      title={`${name} (${key}). ${how}`}
      onClick={onPick}
    >
      <Icon size={19} strokeWidth={1.7} />
      <Box
        as="span"
        aria-hidden
        position="absolute"
        right="3px"
        bottom="1px"
        fontSize="10px"
        lineHeight="12px"
        fontWeight={600}
      >
        {key}
      </Box>
    </IconButton>
  )
}
