'use client'

import { Box, Button, Flex, Stack, Text } from '@chakra-ui/react'
import { useState } from 'react'
import type { LeftOut } from '@/core/exchange'
import type { PlanThing } from '@/core/job'
import { nameOf, wordOf } from '@/core/plan'
import { PickFile } from '../kit/PickFile'
import { Growing } from '../kit/Growing'
import { refusal } from '../kit/LineField'
import { Wrong } from '../kit/Wrong'
import type { Editor } from './editor'
import { thingsIn } from './foreign'

interface Found {
  readonly name: string
  readonly things: readonly PlanThing[]
  readonly leftOut: readonly LeftOut[]
}

/** Takes things in from a file that another program wrote: shows first what comes and what does not. */
export function TakeInPanel({ editor: { job, floor, commit } }: { editor: Editor }) {
  const [found, setFound] = useState<Found | null>(null)
  const [wrong, setWrong] = useState<string | null>(null)
  const [taken, setTaken] = useState<string | null>(null)
  const [busy, setBusy] = useState(false)
  const read = async (file: File) => {
    setTaken(null)
    const answer = await thingsIn(file, job, floor).catch(() => null)
    setWrong(answer?.ok ? null : (answer?.message ?? 'The file could not be read.'))
    setFound(answer?.ok ? { name: file.name, things: answer.things, leftOut: answer.leftOut } : null)
  }
  const take = async ({ things }: Found) => {
    setBusy(true)
    const said = await commit(...things.map((thing) => ({ type: 'putThing' as const, thing })))
    setBusy(false)
    setWrong(refusal(said))
    if (!said.ok) return
    setFound(null)
    setTaken(`${things.length} taken in. Undo takes them all back.`)
  }
  return (
    <Stack gap={2}>
      <Text color="soft">
        GeoJSON, or a CSV of points with the headings name, kind, height and either x and y in metres (x_ft
        and y_ft in feet) or latitude and longitude.
      </Text>
      <Box>
        <PickFile
          size="sm"
          accept=".geojson,.json,.csv,application/geo+json,text/csv"
          inputId="foreign-input"
          onFile={(file) => void read(file)}
        >
          Read a file
        </PickFile>
      </Box>
      <Wrong>{wrong}</Wrong>
      {taken ? <Text role="status">{taken}</Text> : null}
      {found ? (
        <Box>
          <Text fontWeight={600}>
            {found.name}: {countsOf(found.things)}
          </Text>
          <Listed title="Left out" rows={found.leftOut.map(({ what, why }) => `${what}: ${why}`)} />
          <Listed title="What comes" rows={found.things.map((one) => `${wordOf(one)}: ${nameOf(one)}`)} />
          <Flex gap={2} mt={2}>
            <Button
              minH="44px"
              colorPalette="inky"
              loading={busy}
              loadingText="Taking in"
              disabled={found.things.length === 0}
              onClick={() => void take(found)}
            >
              Take in {found.things.length}
            </Button>
            <Button minH="44px" variant="ghost" colorPalette="inky" onClick={() => setFound(null)}>
              Leave it
            </Button>
          </Flex>
        </Box>
      ) : null}
    </Stack>
  )
}

function Listed({ title, rows }: { title: string; rows: readonly string[] }) {
  if (rows.length === 0) return null
  return (
    <Box as="details">
      <Text as="summary" cursor="pointer" minH="44px" display="flex" alignItems="center">
        {title}: {rows.length}
      </Text>
      <Growing items={rows} draw={(words, i) => <Text key={i}>{words}</Text>} />
    </Box>
  )
}

/** How many of each kind. */
function countsOf(things: readonly PlanThing[]): string {
  if (things.length === 0) return 'nothing that can be drawn'
  const counts = new Map<string, number>()
  for (const thing of things) counts.set(wordOf(thing), (counts.get(wordOf(thing)) ?? 0) + 1)
  return [...counts].map(([word, count]) => `${count} × ${word.toLowerCase()}`).join(', ')
}
