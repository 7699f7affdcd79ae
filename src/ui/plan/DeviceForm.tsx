'use client'

import { Box, Button, Fieldset, HStack, Heading, SimpleGrid, Stack, Text } from '@chakra-ui/react'
import { GoLink } from '../kit/go'
import type { DeviceAssessment } from '@/core/assess'
import type { Device, Place, Sight } from '@/core/job'
import { WhyMoved } from '../device/WhyMoved'
import { FigureList, FindingList } from '../kit/Findings'
import { QuantityField } from '../kit/QuantityField'
import { Tick } from '../kit/Tick'
import type { Editor } from './editor'
import { LockPress } from './LockPress'

/**
 * The selected device on the plan: where it stands, where it looks, what the plan says of it, the
 * customer's wish.
 */
export function DeviceForm({
  device,
  assessed,
  editor,
}: {
  device: Device
  assessed: DeviceAssessment
  editor: Editor
}) {
  const { job, commit, attempt } = editor
  const state = assessed.stages?.sight
  if (!state) return <Text>{assessed.sentence}</Text>
  const sight = state.input
  const { place, wish } = sight
  const keep = (change: Partial<Sight>) =>
    commit({ type: 'setPlan', deviceId: device.id, plan: { sight: { ...sight, ...change } } })
  const show = (change: Partial<Sight>) =>
    attempt({ type: 'setPlan', deviceId: device.id, plan: { sight: { ...sight, ...change } } })
  const draft = (field: string) => `${job.id}:plan:${device.id}:${field}`
  const common = { units: job.units, onGiveUp: () => attempt() }
  const field = (
    label: string,
    kind: 'length' | 'angle' | 'focal',
    value: number,
    least: number,
    most: number,
    to: (value: number) => Partial<Sight>,
  ) => (
    <QuantityField
      label={label}
      kind={kind}
      value={value}
      least={least}
      most={most}
      draftKey={draft(label)}
      {...common}
      onTry={(v) => show(to(v))}
      onKeep={(v) => v !== null && keep(to(v))}
    />
  )
  const placed = (change: Partial<Place>) => ({ place: { ...place!, ...change } })
  return (
    <Stack gap={3}>
      <HStack justify="space-between" align="start">
        <Heading as="h2" fontSize="md">
          {device.mark} {device.name}
        </Heading>
        <HStack>
          {place ? (
            <LockPress picked={{ is: 'device', id: device.id }} locked={place.locked} editor={editor} />
          ) : null}
          <Button asChild size="sm" minH="44px" variant="outline" colorPalette="inky">
            <GoLink href={`/jobs/${job.id}/devices/${device.id}/sight`}>Its sheet</GoLink>
          </Button>
        </HStack>
      </HStack>
      {place ? (
        <Fieldset.Root disabled={place.locked}>
          <Stack gap={3}>
            <SimpleGrid columns={2} gap={3}>
              {field('Looks towards', 'angle', place.panDeg, -360, 360, (panDeg) => placed({ panDeg }))}
              {field('Tilt below level', 'angle', sight.tiltDeg, -90, 90, (tiltDeg) => ({ tiltDeg }))}
              {field('Lens height', 'length', sight.heightM, 0.3, 60, (heightM) => ({ heightM }))}
              {field('Lens', 'focal', sight.focalMm, 0.5, 300, (focalMm) => ({ focalMm }))}
              {field('Right', 'length', place.x, -5000, 5000, (x) => placed({ x }))}
              {field('Up', 'length', place.y, -5000, 5000, (y) => placed({ y }))}
              {field('Roll', 'angle', place.rollDeg, -180, 180, (rollDeg) => placed({ rollDeg }))}
              <Box pt={{ base: 0, md: 6 }}>
                <Tick checked={sight.portrait} onTick={(portrait) => keep({ portrait })}>
                  Portrait picture
                </Tick>
              </Box>
            </SimpleGrid>
            <HStack flexWrap="wrap">
              <Button
                size="sm"
                minH="44px"
                variant="outline"
                colorPalette="inky"
                onClick={() => editor.setTool({ does: 'wish', deviceId: device.id })}
              >
                {wish.at ? 'Move the wish' : 'Mark the customer’s wish'}
              </Button>
              {wish.at ? (
                <Button
                  size="sm"
                  minH="44px"
                  variant="ghost"
                  colorPalette="inky"
                  onClick={() => keep({ wish: { ...wish, at: null } })}
                >
                  Remove the wish
                </Button>
              ) : null}
              <Button
                size="sm"
                minH="44px"
                variant="ghost"
                colorPalette="inky"
                onClick={() => keep({ place: null })}
              >
                Take it off the plan
              </Button>
            </HStack>
            {wish.at ? (
              <Stack gap={1}>
                <Tick
                  checked={!wish.kept}
                  onTick={(elsewhere) => keep({ wish: { ...wish, kept: !elsewhere } })}
                >
                  It stands elsewhere, agreed
                </Tick>
                {wish.kept ? null : <WhyMoved wish={wish} draft={draft} keep={keep} />}
              </Stack>
            ) : null}
          </Stack>
        </Fieldset.Root>
      ) : (
        <Button
          minH="44px"
          colorPalette="copper"
          onClick={() => editor.setTool({ does: 'place', deviceId: device.id })}
        >
          Put it on the plan
        </Button>
      )}
      <FigureList figures={state.result.figures} units={job.units} />
      <FindingList findings={state.result.findings} units={job.units} />
    </Stack>
  )
}
