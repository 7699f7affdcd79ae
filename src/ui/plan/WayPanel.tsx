'use client'

import { Box, Button, Stack, Text } from '@chakra-ui/react'
import { useMemo, useState } from 'react'
import type { DeviceAssessment } from '@/core/assess'
import type { Device } from '@/core/job'
import {
  cablesToLead,
  endsOnSite,
  finderOver,
  goesApart,
  isAlong,
  legName,
  segmentsOf,
  type Laid,
  type Lead,
  type Way,
  type WayFinder,
} from '@/core/pathway'
import { nameOf } from '@/core/plan'
import { print, type UnitSystem } from '@/core/units'
import { useCatalogue } from '../job/JobProvider'
import { Choose } from '../kit/Choose'
import type { Editor } from './editor'

const metres = (value: number, units: UnitSystem) => print({ value, kind: 'length' }, units)

/** The ways that a device's cable can take over the pathways, the least labour first, to choose from. */
export function WayPanel({
  device,
  assessed,
  editor: { job, commit },
}: {
  device: Device
  assessed: DeviceAssessment
  editor: Editor
}) {
  const catalogue = useCatalogue()
  const finder = finderOver(job)
  const cable = catalogue.cables.get(device.cableId)
  const route = assessed.stages?.route
  const lead = useMemo(() => {
    const of = { devices: [device], equipment: job.equipment, runs: [], things: job.things }
    return cablesToLead(of, catalogue).at(0) ?? null
  }, [device, job.equipment, job.things, catalogue])
  const asked = useMemo(
    () => lead && { found: finder.find(lead.from, laidAs(lead)), ways: finder.ways(lead.from, laidAs(lead)) },
    [finder, lead],
  )
  const [through, setThrough] = useState('')
  const [around, setAround] = useState('')
  const forced = useMemo(
    () => lead && askedFor(finder, lead, through, around),
    [finder, lead, through, around],
  )
  const pathways = useMemo(
    () => finder.network.lanes.map(({ pathway }) => ({ value: pathway.id, label: nameOf(pathway) })),
    [finder],
  )
  if (cable && goesApart(cable))
    return <Text>Mains and earth go a way of their own, apart from data. Local rules decide.</Text>
  const end = endsOnSite(device, job, catalogue)
  if (end)
    return (
      <Text>
        Its cable ends out on site, at {end.mark} {end.name}: put that on the plan too.
      </Text>
    )
  if (!device.sight?.place || !route) return <Text>Put it on the plan first.</Text>
  if (route.input.laid === 'kept') return <Text>Its cable is there already, and stays.</Text>
  if (!asked) return <Text>No cable is to be led to it.</Text>
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
        <OneWay
          key={i}
          way={way}
          taken={isAlong(device.route, segmentsOf(way))}
          words={i === 0 ? 'Take this way' : 'Take this one instead'}
          onTake={() => void take(way)}
          units={job.units}
        />
      ))}
      <Box borderTopWidth="1px" borderColor="rule" pt={2}>
        <Choose
          label="Through"
          value={through}
          options={[{ value: '', label: 'Any pathway' }, ...pathways]}
          onChoose={setThrough}
        />
        <Choose
          label="Around"
          value={around}
          options={[{ value: '', label: 'None' }, ...pathways]}
          onChoose={setAround}
        />
        {forced === null ? null : (
          <Box mt={2}>
            {'none' in forced ? (
              <Text>▲ {forced.none}</Text>
            ) : (
              <OneWay
                way={forced.way}
                taken={isAlong(device.route, segmentsOf(forced.way))}
                words="Take the way that was asked for"
                onTake={() => void take(forced.way)}
                units={job.units}
              />
            )}
          </Box>
        )}
      </Box>
      <Text fontSize="sm" color="soft">
        Slacks and loops come on top, on its route sheet. Not judged here: room in what is no conduit, walls
        on the short way from the device to it.
      </Text>
    </Stack>
  )
}

const laidAs = ({ cable: { stands }, to }: Lead): Laid => ({ stands, to })

/** What a person asked for: through one pathway, around another; null where nothing was. */
function askedFor(
  finder: WayFinder,
  lead: Lead,
  through: string,
  around: string,
): { readonly way: Way } | { readonly none: string } | null {
  if (through === '' && around === '') return null
  const bans = new Set(around === '' ? [] : [around])
  if (through === '') return finder.find(lead.from, laidAs(lead), bans)
  const way = finder.findThrough(lead.from, laidAs(lead), through, bans)
  return way ? { way } : { none: 'No way to where it ends goes through it.' }
}

function OneWay({
  way,
  taken,
  words,
  onTake,
  units,
}: {
  way: Way
  taken: boolean
  words: string
  onTake: () => void
  units: UnitSystem
}) {
  return (
    <Box data-way>
      <Text className="figures" fontWeight={600}>
        {metres(way.lengthM, units)}, {Math.round(way.minutes)} min of work
      </Text>
      {way.legs.map((leg, at) => (
        <Text key={at} className="figures" fontSize="sm">
          {legName(leg)}: {legWords(leg, units)}
        </Text>
      ))}
      {way.besideMainsM > 0 ? (
        <Text fontSize="sm" color="check">
          ▲ {metres(way.besideMainsM, units)} beside mains: keep it apart.
        </Text>
      ) : null}
      {taken ? (
        <Text fontSize="sm" color="soft">
          It is planned this way.
        </Text>
      ) : (
        <Button size="sm" minH="44px" mt={1} variant="outline" colorPalette="inky" onClick={onTake}>
          {words}
        </Button>
      )}
    </Box>
  )
}

function legWords({ lengthM, riseM }: Way['legs'][number], units: UnitSystem): string {
  const along = lengthM > 0 ? [metres(lengthM, units)] : []
  if (riseM === 0) return along.join('')
  return [...along, `${riseM > 0 ? 'up' : 'down'} ${metres(Math.abs(riseM), units)}`].join(', ')
}
