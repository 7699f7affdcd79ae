'use client'

import { Button, HStack, Input, Text } from '@chakra-ui/react'
import { useState, type KeyboardEvent, type RefObject } from 'react'
import { along, bearingDeg, distanceM } from '@/core/geometry'
import { parse, print } from '@/core/units'
import { Wrong } from '../kit/Wrong'
import type { Editor } from './editor'
import { DRAWN, leastOf, handlingOf } from './tools'

/** What to do next with the tool in hand, and the exact length and bearing of the side that is drawn. */
export function ToolHelp({
  editor,
  lengthField,
}: {
  editor: Editor
  lengthField: RefObject<HTMLInputElement | null>
}) {
  const { tool, draft, finish, setTool, begin, refused, job } = editor
  if (tool.does === 'select')
    return refused ? (
      <HStack {...STRIP}>
        <Wrong>{refused}</Wrong>
      </HStack>
    ) : null
  const clicks = tool.does === 'draw' ? DRAWN[tool.kind].clicks : null
  const sided = clicks !== null && clicks !== 1 && draft.length > 0
  const total = draft.slice(1).reduce((sum, point, i) => sum + distanceM(draft[i]!, point), 0)
  return (
    <HStack {...STRIP}>
      <Text color="soft" flex="1" minW="200px">
        {handlingOf(tool).how(tool)}
      </Text>
      <Wrong>{refused}</Wrong>
      {tool.does === 'measure' && draft.length > 1 ? (
        <Text role="status" className="figures" fontWeight={600}>
          {print({ value: total, kind: 'length' }, job.units)}
        </Text>
      ) : null}
      {sided ? <NextSide editor={editor} lengthField={lengthField} /> : null}
      {tool.does === 'draw' && clicks === 'until ended' && draft.length >= leastOf(tool.kind) ? (
        <Button size="sm" minH="44px" colorPalette="copper" onClick={() => finish()}>
          Done
        </Button>
      ) : null}
      {draft.length > 0 ? (
        <Button size="sm" minH="44px" variant="ghost" colorPalette="inky" onClick={begin}>
          Begin anew
        </Button>
      ) : null}
      <Button
        size="sm"
        minH="44px"
        variant="ghost"
        colorPalette="inky"
        onClick={() => setTool({ does: 'select' })}
      >
        Stop
      </Button>
    </HStack>
  )
}

const STRIP = {
  gap: 3,
  flexWrap: 'wrap',
  minH: '44px',
  px: 3,
  bg: 'sheet',
  borderBottomWidth: '1px',
  borderColor: 'rule',
} as const

/**
 * The next side by its length, and by its bearing where one is typed: else it goes on square to the one
 * before, the first to the right.
 */
function NextSide({
  editor: { tool, draft, setDraft, finish, setTool, job },
  lengthField,
}: {
  editor: Editor
  lengthField: RefObject<HTMLInputElement | null>
}) {
  const [length, setLength] = useState('')
  const [bearing, setBearing] = useState('')
  const [error, setError] = useState<string | null>(null)
  const from = draft.at(-1)!
  const before = draft.at(-2)
  const square = before ? (bearingDeg(before, from) + 90) % 360 : 90
  const take = () => {
    const long = parse(length, 'length', job.units)
    if (!long.ok || long.value <= 0) return setError(long.ok ? 'A side has a length.' : long.message)
    const way = bearing.trim() === '' ? null : parse(bearing, 'angle', job.units)
    if (way && !way.ok) return setError(way.message)
    const points = [...draft, along(from, way ? way.value : square, long.value)]
    setLength('')
    setBearing('')
    setError(null)
    if (tool.does === 'draw' && DRAWN[tool.kind].clicks === 2) void finish(points)
    else setDraft(points)
  }
  const turn = () => {
    if (before) setDraft([...draft.slice(0, -1), along(before, square, distanceM(before, from))])
  }
  const onKeyDown = (event: KeyboardEvent) => {
    event.stopPropagation()
    if (event.key === 'Enter') take()
    if (event.key === 'Escape') setTool({ does: 'select' })
  }
  const look = { size: 'sm', bg: 'sheet', borderColor: 'ink', minH: '44px', onKeyDown } as const
  return (
    <HStack gap={1} flexWrap="wrap">
      <Input
        {...look}
        ref={lengthField}
        aria-label="Length of the next side"
        placeholder="length"
        w="100px"
        value={length}
        onChange={(event) => setLength(event.target.value)}
      />
      <Input
        {...look}
        aria-label="Its bearing on the sheet"
        placeholder={print({ value: square, kind: 'angle' }, job.units)}
        w="80px"
        value={bearing}
        onChange={(event) => setBearing(event.target.value)}
      />
      <Button size="sm" minH="44px" variant="outline" colorPalette="inky" onClick={take}>
        Draw it
      </Button>
      {draft.length > 1 ? (
        <Button size="sm" minH="44px" variant="ghost" colorPalette="inky" onClick={turn}>
          Turn the last side
        </Button>
      ) : null}
      <Wrong>{error}</Wrong>
    </HStack>
  )
}
