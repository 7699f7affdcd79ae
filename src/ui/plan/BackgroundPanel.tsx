'use client'

import { Box, Button, HStack, Input, Stack, Text } from '@chakra-ui/react'
import { useState } from 'react'
import { z } from 'zod'
import { along, bearingDeg, distanceM, type PlanPoint } from '@/core/geometry'
import type { FloorBackground } from '@/core/job'
import { PickFile } from '../kit/PickFile'
import { QuantityField } from '../kit/QuantityField'
import type { Said } from '../job/commands'
import { refusal } from '../kit/LineField'
import type { Editor } from './editor'
import { Wrong } from '../kit/Wrong'

const Answer = z.object({
  sha256: z.string(),
  widthPx: z.number(),
  heightPx: z.number(),
  metresPerPx: z.number().nullable(),
  pages: z.number(),
})
const Problem = z.object({ detail: z.string() })

/** Metres across a drawing is laid until it is scaled: about a building site. */
const UNSCALED_M = 40

/** The drawing under the plan: fetch it, scale it by two points, turn it. */
export function BackgroundPanel({
  editor,
  scaling,
  onScaled,
}: {
  editor: Editor
  scaling: readonly [PlanPoint, PlanPoint] | null
  onScaled: () => void
}) {
  const { job, floor, commit } = editor
  const background = job.backgrounds.find((one) => one.floor === floor) ?? null
  const [page, setPage] = useState('1')
  const [state, setState] = useState<{
    readonly busy: boolean
    readonly error: string | null
    readonly note: string | null
  }>({ busy: false, error: null, note: null })

  const fetchDrawing = async (file: File) => {
    setState({ busy: true, error: null, note: null })
    const failed = (error: string) => setState({ busy: false, error, note: null })
    let response: Response
    try {
      response = await fetch(`/api/backgrounds?page=${encodeURIComponent(page.trim() || '1')}`, {
        method: 'POST',
        headers: { 'content-type': 'application/octet-stream' },
        body: file,
      })
    } catch {
      return failed(
        'There is no connection: a drawing is fetched in when there is one. Nothing else is lost.',
      )
    }
    const body: unknown = await response.json().catch(() => null)
    const answer = Answer.safeParse(body)
    if (!response.ok || !answer.success)
      return failed(Problem.safeParse(body).data?.detail ?? 'The drawing could not be read.')
    const { sha256, widthPx, heightPx, metresPerPx, pages } = answer.data
    const scale = metresPerPx ?? UNSCALED_M / Math.max(widthPx, heightPx)
    const said = await commit({
      type: 'setBackground',
      floor,
      background: {
        name: file.name.slice(0, 80),
        sha256,
        widthPx,
        heightPx,
        at: { x: 0, y: heightPx * scale },
        metresPerPx: scale,
        turnDeg: 0,
      },
    })
    setState({
      busy: false,
      error: refusal(said),
      note:
        metresPerPx === null
          ? 'Not to scale yet: scale it by two ' +
            `points.${pages > 1 ? ` It has ${pages} pages; this is page ${page}.` : ''}`
          : 'It knows its own scale.',
    })
  }

  const lay = async (change: Partial<FloorBackground>): Promise<Said> => {
    if (!background) return { ok: true }
    const { floor: _, ...rest } = { ...background, ...change }
    return commit({ type: 'setBackground', floor, background: rest })
  }
  const scaleTo = (knownM: number) => {
    if (!background || !scaling) return
    const [from, to] = scaling
    const factor = knownM / distanceM(from, to)
    // The first point stays where it is; everything else grows or shrinks about it.
    const at = along(from, bearingDeg(from, background.at), distanceM(from, background.at) * factor)
    void lay({ metresPerPx: background.metresPerPx * factor, at })
    onScaled()
    setState({ busy: false, error: null, note: 'Scaled. Measure something else on it to be sure.' })
  }
  return (
    <Stack gap={2}>
      {background ? (
        <Text truncate title={background.name}>
          {background.name}
        </Text>
      ) : (
        <Text color="soft">A picture, an SVG, a page of a PDF, or a DXF. Or none: draw on the grid.</Text>
      )}
      <HStack flexWrap="wrap">
        <PickFile
          size="sm"
          accept=".png,.jpg,.jpeg,.webp,.svg,.pdf,.dxf,image/*,application/pdf"
          inputId="drawing-input"
          loading={state.busy}
          loadingText="Reading"
          onFile={(file) => void fetchDrawing(file)}
        >
          {background ? 'Another drawing' : 'Fetch a drawing'}
        </PickFile>
        <HStack gap={1}>
          <Text as="label" id="page-label" color="soft">
            Page
          </Text>
          <Input
            aria-labelledby="page-label"
            w="56px"
            minH="44px"
            bg="sheet"
            borderColor="ink"
            inputMode="numeric"
            value={page}
            onChange={(event) => setPage(event.target.value)}
          />
        </HStack>
      </HStack>
      <Wrong>{state.error}</Wrong>
      {state.note ? <Text role="status">{state.note}</Text> : null}
      {background ? (
        <>
          <HStack flexWrap="wrap">
            <Button
              size="sm"
              minH="44px"
              variant="outline"
              colorPalette="inky"
              onClick={() => editor.setTool({ does: 'scale' })}
            >
              Scale by two points
            </Button>
            <Button
              size="sm"
              minH="44px"
              variant="ghost"
              colorPalette="inky"
              onClick={() => commit({ type: 'setBackground', floor, background: null })}
            >
              Remove it
            </Button>
          </HStack>
          {editor.tool.does === 'scale' ? (
            <Text>Click two points on the drawing whose distance you know.</Text>
          ) : null}
          {scaling ? (
            <QuantityField
              label="How far apart are the two points?"
              kind="length"
              units={job.units}
              value={distanceM(...scaling)}
              least={0.05}
              most={5000}
              draftKey={`${job.id}:scale:${floor}`}
              onKeep={(m) => m !== null && scaleTo(m)}
            />
          ) : null}
          <Box maxW="200px">
            <QuantityField
              label="Turned clockwise"
              kind="angle"
              units={job.units}
              value={background.turnDeg}
              least={-360}
              most={360}
              draftKey={`${job.id}:turn:${floor}`}
              onKeep={(turnDeg) => turnDeg !== null && lay({ turnDeg })}
            />
          </Box>
        </>
      ) : null}
    </Stack>
  )
}
