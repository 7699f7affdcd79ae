'use client'

import { Box, Button, HStack, Stack, Text } from '@chakra-ui/react'
import { useState } from 'react'
import type { Device, Sight } from '@/core/job'
import { lensesFor, lensQuestion } from '@/core/sight'
import { print } from '@/core/units'
import { useJob, useCatalogue } from '../job/JobProvider'
import { Choose } from '../kit/Choose'
import { Tick } from '../kit/Tick'

/** Which lens shows what was asked: this camera first, then every camera of the catalogue that does. */
export function LensFinder({
  device,
  sight,
  tiltRangeDeg,
  onSet,
}: {
  device: Device
  sight: Sight
  tiltRangeDeg: readonly [min: number, max: number]
  onSet: (change: Partial<Sight>) => void
}) {
  const catalogue = useCatalogue()
  const { job } = useJob()
  const [whatId, setWhat] = useState('')
  const [all, showAll] = useState(false)
  const asked = job.things
    .filter((thing) => thing.kind === 'area' || thing.kind === 'target')
    .filter((thing) => thing.floor === sight.place?.floor)
  const what = asked.find(({ id }) => id === whatId) ?? null
  const answers = lensesFor(
    catalogue.cameras.values(),
    device.cameraId,
    lensQuestion(sight, tiltRangeDeg, job.units, what, job),
  )
  const [first, ...others] = answers
  const shown = others.filter(({ verdict }) => all || verdict === 'good')
  return (
    <Stack gap={2}>
      {asked.length > 0 ? (
        <Choose
          label="What it must show"
          value={whatId}
          options={[
            { value: '', label: 'Its own target' },
            ...asked.map(({ id, name, kind }) => ({ value: id, label: name || kind })),
          ]}
          onChoose={setWhat}
        />
      ) : null}
      {first ? (
        <Box borderTopWidth="1px" borderColor="rule" pt={2}>
          <Text>
            <strong>{first.name}</strong> {first.verdict === 'good' ? '✓' : '■'} {first.says}
          </Text>
          {first.setMm !== null ? (
            <HStack mt={1} flexWrap="wrap">
              <Button
                size="sm"
                minH="44px"
                variant="outline"
                colorPalette="inky"
                onClick={() =>
                  onSet({
                    focalMm: first.setMm!,
                    tiltDeg: Math.round(first.tiltDeg * 2) / 2,
                    ...(sight.place
                      ? { place: { ...sight.place, panDeg: Math.round(first.panDeg * 2) / 2 } }
                      : {}),
                  })
                }
              >
                Set {print({ value: first.setMm, kind: 'focal' }, job.units)} and aim at it
              </Button>
            </HStack>
          ) : null}
        </Box>
      ) : null}
      <Box as="ul" aria-label="Other cameras">
        {shown.map((answer) => (
          <Text
            as="li"
            listStyleType="none"
            key={answer.cameraId}
            py={1}
            borderTopWidth="1px"
            borderColor="rule"
          >
            <strong>{answer.name}</strong> {answer.verdict === 'good' ? '✓' : '■'} {answer.says}
          </Text>
        ))}
      </Box>
      <Tick checked={all} onTick={showAll}>
        Show those that do not serve, and why
      </Tick>
    </Stack>
  )
}
