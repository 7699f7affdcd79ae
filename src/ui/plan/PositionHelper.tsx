'use client'

import { Box, Button, HStack, Stack, Text } from '@chakra-ui/react'
import { useState } from 'react'
import type { DeviceAssessment } from '@/core/assess'
import type { Sight, ThingOf } from '@/core/job'
import { SIGHT_LIMITS, type Position } from '@/core/sight'
import { print } from '@/core/units'
import { useCatalogue } from '../job/JobProvider'
import { Choose } from '../kit/Choose'
import { Tick } from '../kit/Tick'
import { Asking } from './Asking'
import type { Editor } from './editor'
import { useAsked } from './worker'
import { nameOf } from '@/core/plan'

/**
 * Where a device could stand to see an area: ranked spots along the edges it may be fixed to. It proposes;
 * the person decides.
 */
export function PositionHelper({
  area,
  editor,
  assessed,
}: {
  area: ThingOf<'area'>
  editor: Editor
  assessed: readonly DeviceAssessment[]
}) {
  const catalogue = useCatalogue()
  const { job, floor, commit, attempt } = editor
  const [deviceId, setDevice] = useState(job.devices[0]?.id ?? '')
  const edges = job.things.filter(
    (thing) =>
      thing.floor === floor &&
      (thing.kind === 'wall' || thing.kind === 'soffit' || thing.kind === 'obstacle'),
  )
  const [barred, setBarred] = useState<ReadonlySet<string>>(new Set())
  const { result, progress, failed, ask, cancel, forget } = useAsked('positions')
  const device = job.devices.find(({ id }) => id === deviceId)
  const state = assessed.find((one) => one.deviceId === deviceId)?.stages?.sight
  if (job.devices.length === 0 || edges.length === 0)
    return <Text color="soft">It needs a device, and walls, soffit edges or obstacles to fix it to.</Text>
  const sightAt = ({ x, y, heightM, panDeg, tiltDeg, focalMm }: Position): Sight => ({
    ...state!.input,
    heightM,
    tiltDeg: Math.round(tiltDeg * 2) / 2,
    focalMm: Math.round(focalMm * 10) / 10,
    place: {
      floor,
      x: Math.round(x * 1000) / 1000,
      y: Math.round(y * 1000) / 1000,
      panDeg: Math.round(panDeg * 2) / 2,
      rollDeg: 0,
      locked: false,
    },
  })
  const start = () => {
    const camera = device && catalogue.cameras.get(device.cameraId)
    if (!camera || !state) return
    const headEnd = job.things.find((thing) => thing.kind === 'head end' && thing.floor === floor)
    ask({
      area,
      edges: edges.filter(({ id }) => !barred.has(id)),
      things: job.things,
      floorHeightsM: job.floorHeightsM,
      site: job.site,
      camera,
      heightM: state.input.heightM,
      portrait: state.input.portrait,
      tiltRangeDeg: state.result.drawing.tiltRangeDeg,
      headEnd: headEnd?.kind === 'head end' ? headEnd.at : null,
    })
  }
  const { coveredWeight, faceWeight, sunWeight, cableWeight } = SIGHT_LIMITS
  return (
    <Stack gap={2}>
      <Choose
        label="Device"
        value={deviceId}
        options={job.devices.map(({ id, mark, name }) => ({ value: id, label: `${mark} ${name}` }))}
        onChoose={(id) => {
          setDevice(id)
          forget()
        }}
      />
      <Box as="details">
        <Box as="summary" cursor="pointer" minH="44px" display="flex" alignItems="center">
          May be fixed to {edges.length - barred.size} of {edges.length}
        </Box>
        {edges.map((edge) => (
          <Tick
            key={edge.id}
            checked={!barred.has(edge.id)}
            onTick={(allowed) =>
              setBarred(
                (now) => new Set(allowed ? [...now].filter((id) => id !== edge.id) : [...now, edge.id]),
              )
            }
          >
            {nameOf(edge)}
          </Tick>
        ))}
      </Box>
      <Asking
        words="Find positions"
        label="Trying positions"
        broke="The search stopped with an error."
        progress={progress}
        failed={failed}
        onAsk={start}
        onCancel={cancel}
      />
      {result?.length === 0 ? (
        <Text>No spot on these edges sees any of it at its level with this camera.</Text>
      ) : null}
      <Box as="ol" aria-label="Positions">
        {result?.map((position, i) => (
          <Box as="li" listStyleType="none" key={i} py={2} borderTopWidth="1px" borderColor="rule">
            <Text className="figures">
              <strong>
                {i + 1}. {position.on}: {Math.floor(position.covered * 100)} % covered
              </strong>
              , lens {print({ value: position.focalMm, kind: 'focal' }, job.units)}, faces from{' '}
              {print({ value: position.faceAngleDeg, kind: 'angle' }, job.units)} above
              {position.sunHours === null ? '' : `, sun ${Math.round(position.sunHours)} h a year`}
              {position.cableM === null
                ? ''
                : `, ${print({ value: position.cableM, kind: 'length' }, job.units)} to the head end`}
              .
            </Text>
            <HStack mt={1}>
              <Button
                size="sm"
                minH="44px"
                variant="ghost"
                colorPalette="inky"
                onPointerEnter={() =>
                  attempt({ type: 'setPlan', deviceId, plan: { sight: sightAt(position) } })
                }
                onPointerLeave={() => attempt()}
                onFocus={() => attempt({ type: 'setPlan', deviceId, plan: { sight: sightAt(position) } })}
                onBlur={() => attempt()}
                onClick={() => {
                  void commit({ type: 'setPlan', deviceId, plan: { sight: sightAt(position) } })
                  editor.select({ is: 'device', id: deviceId })
                }}
              >
                Put {device?.mark} there
              </Button>
            </HStack>
          </Box>
        ))}
      </Box>
      <Text fontSize="xs" color="soft">
        Ranked by what is covered ({coveredWeight.value} %), steepness to faces ({faceWeight.value} %), sun (
        {sunWeight.value} %) and cable ({cableWeight.value} %). Common practice, no source.
      </Text>
    </Stack>
  )
}
