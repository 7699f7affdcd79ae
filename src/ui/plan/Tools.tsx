'use client'

import { Box, Button, HStack, Input, NativeSelect, Text } from '@chakra-ui/react'
import { Redo2, Undo2 } from 'lucide-react'
import { useState } from 'react'
import { along, bearingDeg, distanceM } from '@/core/geometry'
import { FLOORS, type Floor } from '@/core/job'
import { parse } from '@/core/units'
import type { Editor } from './editor'
import { SURVEY_LAYERS, type SurveyLayer } from './GroundLayer'
import { DRAWN, handlingOf, type DrawnKind } from './tools'
import { Wrong } from '../kit/Wrong'

/** Which floor, what to draw, undo and redo. Drawing is for a larger screen; a phone views and moves. */
export function Tools({ editor }: { editor: Editor }) {
  const { tool, setTool, undo, redo } = editor
  return (
    <HStack gap={{ base: 2, md: 0.5 }} flexWrap="wrap" role="toolbar" aria-label="Drawing">
      <FloorChoice editor={editor} />
      <Pick label="Select" on={tool.does === 'select'} onPick={() => setTool({ does: 'select' })} />
      <Box display={{ base: 'none', md: 'contents' }}>
        {(Object.keys(DRAWN) as DrawnKind[]).map((kind) => (
          <Pick
            key={kind}
            label={DRAWN[kind].label}
            name={DRAWN[kind].name}
            on={tool.does === 'draw' && tool.kind === kind}
            onPick={() => setTool({ does: 'draw', kind })}
          />
        ))}
      </Box>
      <Button
        size="sm"
        minH="44px"
        variant="ghost"
        colorPalette="inky"
        aria-label="Undo"
        title="Undo (Ctrl Z)"
        disabled={!undo}
        onClick={() => undo?.()}
      >
        <Undo2 size={18} />
      </Button>
      <Button
        size="sm"
        minH="44px"
        variant="ghost"
        colorPalette="inky"
        aria-label="Redo"
        title="Redo (Ctrl Y)"
        disabled={!redo}
        onClick={() => redo?.()}
      >
        <Redo2 size={18} />
      </Button>
    </HStack>
  )
}

function Pick({
  label,
  name = label,
  on,
  onPick,
}: {
  label: string
  name?: string
  on: boolean
  onPick: () => void
}) {
  return (
    <Button
      size="sm"
      minH={{ base: '44px', md: '36px' }}
      px={2}
      variant={on ? 'solid' : 'ghost'}
      colorPalette="inky"
      aria-pressed={on}
      aria-label={name}
      title={name}
      onClick={onPick}
    >
      {label}
    </Button>
  )
}

function FloorChoice({ editor: { floor, setFloor, job } }: { editor: Editor }) {
  const used = (id: Floor) =>
    job.things.some((thing) => thing.floor === id) ||
    job.backgrounds.some((one) => one.floor === id) ||
    job.devices.some(({ sight }) => sight?.place?.floor === id)
  return (
    <NativeSelect.Root w="112px" size="sm">
      <NativeSelect.Field
        aria-label="Floor"
        minH={{ base: '44px', md: '36px' }}
        bg="sheet"
        borderColor="ink"
        fontWeight={500}
        value={floor}
        onChange={(event) => setFloor(event.target.value as Floor)}
      >
        {(Object.keys(FLOORS) as Floor[]).map((id) => (
          <option key={id} value={id}>
            {FLOORS[id]}
            {used(id) ? '' : ' (empty)'}
          </option>
        ))}
      </NativeSelect.Field>
      <NativeSelect.Indicator />
    </NativeSelect.Root>
  )
}

/** What to do next with the tool in hand, and the exact length of the side that is being drawn. */
export function ToolHelp({
  editor,
  lengthField,
}: {
  editor: Editor
  lengthField: React.RefObject<HTMLInputElement | null>
}) {
  const { tool, draft, setDraft, finish, setTool, job, refused } = editor
  const [words, setWords] = useState('')
  const [error, setError] = useState<string | null>(null)
  if (tool.does === 'select') {
    return (
      <Text minH="44px" pt={2} {...(refused ? { role: 'alert', color: 'stop' } : { color: 'soft' })}>
        {refused ?? handlingOf(tool).how(tool)}
      </Text>
    )
  }
  const clicks = tool.does === 'draw' ? DRAWN[tool.kind].clicks : null
  const sided = clicks !== null && clicks !== 1 && draft.length > 0
  // The side goes on square to the one before; the first goes to the right.
  const take = () => {
    const parsed = parse(words, 'length', job.units)
    if (!parsed.ok || parsed.value <= 0) return setError(parsed.ok ? 'A side has a length.' : parsed.message)
    const from = draft.at(-1)!
    const before = draft.at(-2)
    const bearing = before ? bearingDeg(before, from) + 90 : 90
    const points = [...draft, along(from, bearing, parsed.value)]
    setWords('')
    setError(null)
    if (clicks === 2) void finish(points)
    else setDraft(points)
  }
  const turn = () => {
    const [before, last] = [draft.at(-2), draft.at(-1)]
    if (before && last)
      setDraft([...draft.slice(0, -1), along(before, bearingDeg(before, last) + 90, distanceM(before, last))])
  }
  return (
    <HStack gap={3} flexWrap="wrap" minH="44px">
      <Text color="soft" flex="1" minW="200px">
        {handlingOf(tool).how(tool)}
      </Text>
      <Wrong>{refused}</Wrong>
      {sided ? (
        <HStack gap={1}>
          <Input
            ref={lengthField}
            aria-label="Length of the next side"
            placeholder="length"
            size="sm"
            w="110px"
            bg="sheet"
            borderColor="ink"
            value={words}
            onChange={(event) => setWords(event.target.value)}
            onKeyDown={(event) => {
              event.stopPropagation()
              if (event.key === 'Enter') take()
              if (event.key === 'Escape') setTool({ does: 'select' })
            }}
          />
          <Button size="sm" variant="outline" colorPalette="inky" onClick={take}>
            Draw it
          </Button>
          {draft.length > 1 ? (
            <Button size="sm" variant="ghost" colorPalette="inky" onClick={turn}>
              Turn the last side
            </Button>
          ) : null}
        </HStack>
      ) : null}
      <Wrong>{error}</Wrong>
      {clicks === 'until ended' && draft.length > 1 ? (
        <Button size="sm" minH="44px" colorPalette="copper" onClick={() => finish()}>
          Done
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

/** Which layer of the survey lies over the plan, and at which height it is looked at. */
export function LayerChoice({
  layer,
  onLayer,
  planeM,
  faceM,
  onPlane,
}: {
  layer: SurveyLayer
  onLayer: (layer: SurveyLayer) => void
  planeM: number
  faceM: number
  onPlane: (planeM: number) => void
}) {
  return (
    <HStack gap={{ base: 2, md: 1 }} flexWrap="wrap" role="group" aria-label="Layer">
      {(Object.keys(SURVEY_LAYERS) as SurveyLayer[]).map((id) => (
        <Pick key={id} label={SURVEY_LAYERS[id]} on={layer === id} onPick={() => onLayer(id)} />
      ))}
      <Box w="1px" h="24px" bg="rule" mx={1} />
      <Pick label="On the ground" on={planeM === 0} onPick={() => onPlane(0)} />
      <Pick label="At faces" on={planeM !== 0} onPick={() => onPlane(faceM)} />
    </HStack>
  )
}
