'use client'

import { Button, Flex, Stack, Table, Text } from '@chakra-ui/react'
import { useState } from 'react'
import type { DeviceAssessment } from '@/core/assess'
import type { Device, Sight } from '@/core/job'
import { placeFigures, type PlaceFigures, type Survey } from '@/core/sight'
import type { Editor } from './editor'

interface Kept {
  readonly sight: Sight
  readonly figures: readonly PlaceFigures[]
}

/**
 * Two places of one camera beside each other: one is kept with its figures, the other is tried on the plan;
 * going back swaps the two.
 */
export function ComparePlaces({
  device,
  assessed,
  survey,
  settled,
  editor,
}: {
  device: Device
  assessed: DeviceAssessment
  survey: Survey | null
  /** Whether what is said is said of how things stand now, not of a moment ago. */
  settled: boolean
  editor: Editor
}) {
  const [kept, keep] = useState<ReadonlyMap<string, Kept>>(new Map())
  const state = assessed.stages?.sight
  if (!state?.planned || !device.sight?.place || !survey) return <Text>Put it on the plan first.</Text>
  const figures = placeFigures(state.result, survey, editor.job.units)
  const now: Kept = { sight: device.sight, figures }
  const other = kept.get(device.id)
  const put = (one: Kept | null) => {
    const rest = [...kept].filter(([id]) => id !== device.id)
    keep(new Map(one ? [...rest, [device.id, one]] : rest))
  }
  const goBack = async ({ sight }: Kept) => {
    const said = await editor.commit({ type: 'setPlan', deviceId: device.id, plan: { sight } })
    if (said.ok) put(now)
  }
  if (!other)
    return (
      <Stack gap={2} align="start">
        <Text color="soft">
          Keep how it stands now, try another place, lens or tilt, and see both beside each other.
        </Text>
        <Button
          size="sm"
          minH="44px"
          variant="outline"
          colorPalette="inky"
          disabled={!settled}
          onClick={() => put(now)}
        >
          Keep this place
        </Button>
      </Stack>
    )
  const labels = [...new Set([...other.figures, ...figures].map(({ label }) => label))]
  const says = (of: Kept, label: string) => of.figures.find((one) => one.label === label)?.says ?? '–'
  return (
    <Stack gap={2}>
      <Table.Root size="sm" bg="transparent" aria-label="Two places" aria-busy={!settled}>
        <Table.Header>
          <Table.Row bg="transparent">
            {['', 'Kept', 'Now'].map((head) => (
              <Table.ColumnHeader key={head} color="ink" ps={0}>
                {head}
              </Table.ColumnHeader>
            ))}
          </Table.Row>
        </Table.Header>
        <Table.Body className="figures">
          {labels.map((label) => (
            <Table.Row key={label} bg="transparent">
              <Table.Cell ps={0} color="soft">
                {label}
              </Table.Cell>
              <Table.Cell ps={0}>{says(other, label)}</Table.Cell>
              <Table.Cell ps={0} fontWeight={600}>
                {settled ? says(now, label) : '…'}
              </Table.Cell>
            </Table.Row>
          ))}
        </Table.Body>
      </Table.Root>
      <Flex gap={2} flexWrap="wrap">
        <Button
          size="sm"
          minH="44px"
          colorPalette="copper"
          disabled={!settled}
          onClick={() => void goBack(other)}
        >
          Back to the kept one
        </Button>
        <Button size="sm" minH="44px" variant="ghost" colorPalette="inky" onClick={() => put(null)}>
          Forget it
        </Button>
      </Flex>
    </Stack>
  )
}
