'use client'

import { Box, IconButton, Stack } from '@chakra-ui/react'
import { MousePointer2, Redo2, Ruler, Undo2, type LucideIcon } from 'lucide-react'
import type { Again, Editor } from './editor'
import { DRAWN, handlingOf, type DrawnKind } from './tools'

/** The tools, undo and redo, one below the other. Drawing is for a larger screen; a phone views and moves. */
export function Rail({ editor }: { editor: Editor }) {
  const { tool, setTool, undo, redo } = editor
  return (
    <Stack
      role="toolbar"
      aria-label="Drawing"
      aria-orientation="vertical"
      display={{ base: 'none', md: 'flex' }}
      gap={0}
      w="52px"
      flexShrink={0}
      overflowY="auto"
      bg="sheet"
      borderRightWidth="1px"
      borderColor="rule"
      p="3px"
    >
      <Pick
        name="Select"
        how={handlingOf({ does: 'select' }).how({ does: 'select' })}
        icon={MousePointer2}
        letter="v"
        on={tool.does === 'select'}
        onPick={() => setTool({ does: 'select' })}
      />
      {(Object.keys(DRAWN) as DrawnKind[]).map((kind) => (
        <Pick
          key={kind}
          name={DRAWN[kind].name}
          how={DRAWN[kind].how}
          icon={DRAWN[kind].icon}
          letter={DRAWN[kind].key}
          on={tool.does === 'draw' && tool.kind === kind}
          onPick={() => setTool({ does: 'draw', kind })}
        />
      ))}
      <Pick
        name="Measure"
        how={handlingOf({ does: 'measure' }).how({ does: 'measure' })}
        icon={Ruler}
        letter="m"
        on={tool.does === 'measure'}
        onPick={() => setTool({ does: 'measure' })}
      />
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
  return all.map(([word, key, Icon, step]) => (
    <IconButton
      key={word}
      size="sm"
      minH="44px"
      minW="44px"
      variant="ghost"
      colorPalette="inky"
      aria-label={word}
      title={`${word}${step.doing === null ? '' : ` ${step.doing}`} (${key})`}
      disabled={step.doing === null}
      onClick={step.run}
    >
      <Icon size={18} />
    </IconButton>
  ))
}

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
      minH="44px"
      minW="44px"
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
