'use client'

import { Box, Button, Stack, Text } from '@chakra-ui/react'
import { useMemo } from 'react'
import type { DeviceAssessment } from '@/core/assess'
import type { Device } from '@/core/job'
import {
  endsOnSite,
  goesApart,
  isAlong,
  legName,
  segmentsOf,
  spotOf,
  type Way,
  type WayFinder,
} from '@/core/pathway'
import { print, type UnitSystem } from '@/core/units'
import { useCatalogue } from '../job/JobProvider'
import type { Editor } from './editor'

const metres = (value: number, units: UnitSystem) => print({ value, kind: 'length' }, units)

/** The ways that a device's cable can take over the pathways, the least labour first, to choose from. */
export function WayPanel({
  device,
  assessed,
  finder,
  editor: { job, commit },
}: {
  device: Device
  assessed: DeviceAssessment
  finder: WayFinder
  editor: Editor
}) {
  const catalogue = useCatalogue()
  const spot = spotOf(device)
  const cable = catalogue.cables.get(device.cableId)
  const route = assessed.stages?.route
  const asked = useMemo(() => {
    const from = spotOf(device)
    return from && cable ? { found: finder.find(from, cable), ways: finder.ways(from, cable) } : null
  }, [finder, device, cable])
  if (cable && goesApart(cable))
    return <Text>Mains and earth go a way of their own, apart from data. Local rules decide.</Text>
  const end = endsOnSite(device, job.equipment, catalogue)
  if (end)
    return (
      <Text>
        Its cable ends out on site, at {end.mark} {end.name}, which has no place on the plan.
      </Text>
    )
  if (!spot || !cable || !asked || !route) return <Text>Put it on the plan first.</Text>
  if (route.input.laid === 'kept') return <Text>Its cable is there already, and stays.</Text>
  if ('none' in asked.found) return <Text>▲ {asked.found.none}</Text>
  const take = (way: Way) =>
    commit({
      type: 'setPlan',
      deviceId: device.id,
      plan: { route: { ...route.input, segments: segmentsOf(way, route.input.segments) } },
    })
  return (
    <Stack gap={3}>
      {asked.ways.map((way, i) => (
        <Box key={i} data-way>
          <Text className="figures" fontWeight={600}>
            {metres(way.lengthM, job.units)}, {Math.round(way.minutes)} min of work
          </Text>
          {way.legs.map((leg, at) => (
            <Text key={at} className="figures" fontSize="sm">
              {legName(leg)}: {legWords(leg, job.units)}
            </Text>
          ))}
          {way.besideMainsM > 0 ? (
            <Text fontSize="sm" color="check">
              ▲ {metres(way.besideMainsM, job.units)} beside mains: keep it apart.
            </Text>
          ) : null}
          {isAlong(device.route, way) ? (
            <Text fontSize="sm" color="soft">
              It is planned this way.
            </Text>
          ) : (
            <Button
              size="sm"
              minH="44px"
              mt={1}
              variant="outline"
              colorPalette="inky"
              onClick={() => void take(way)}
            >
              {i === 0 ? 'Take this way' : 'Take this one instead'}
            </Button>
          )}
        </Box>
      ))}
      <Text fontSize="sm" color="soft">
        Slacks and loops come on top, on its route sheet. Not judged here: room in the pathway, walls on the
        short way from the device to it.
      </Text>
    </Stack>
  )
}

function legWords({ lengthM, riseM }: Way['legs'][number], units: UnitSystem): string {
  const along = lengthM > 0 ? [metres(lengthM, units)] : []
  if (riseM === 0) return along.join('')
  return [...along, `${riseM > 0 ? 'up' : 'down'} ${metres(Math.abs(riseM), units)}`].join(', ')
}
