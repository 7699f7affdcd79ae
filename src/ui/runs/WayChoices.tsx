'use client'

import { Box, Button, Stack, Text } from '@chakra-ui/react'
import { useCallback, useMemo, useState } from 'react'
import type { Finding } from '@/core/findings'
import { FREELY, MOST_AROUND, type Forced, type Way as Planned } from '@/core/job'
import {
  finderOver,
  isAlong,
  legName,
  segmentsOf,
  type Choice,
  type Laid,
  type Lead,
  type Way,
} from '@/core/pathway'
import { nameOf } from '@/core/plan'
import { print, printReading, type UnitSystem } from '@/core/units'
import { useJob } from '../job/JobProvider'
import { Choose, type Option } from '../kit/Choose'
import { VerdictLine } from '../kit/Verdict'

/** What of a plan says where its cable goes. */
type Goes = Pick<Planned, 'segments' | 'forced'>

/** A way with what is found along it. */
interface Tried {
  readonly way: Way
  readonly goes: Goes
  readonly findings: readonly Finding[]
}

interface WayChoicesProps {
  readonly lead: Lead
  /** How it is planned to go. */
  readonly now: Goes
  /** What would be found of its route and power, were it to go so: the same function for the same job. */
  readonly found: (goes: Goes) => readonly Finding[]
  readonly onTake: (goes: Goes) => void
}

/** The ways that a cable can take over the pathways, the least labour first, to choose from or to force. */
export function WayChoices({ lead, now, found, onTake }: WayChoicesProps) {
  const { job } = useJob()
  const finder = finderOver(job)
  const { from, turned } = lead
  const laid = useMemo((): Laid => ({ stands: lead.cable.stands, to: lead.to }), [lead])
  // What nobody chose here shows how it is planned, also when that was said elsewhere.
  const [chosen, choose] = useState<Partial<Forced>>({})
  const { through, around } = { ...(now.forced ?? FREELY), ...chosen }
  const asItStands = useMemo(
    () => finder.findForced(from, { ...laid, forced: now.forced }),
    [finder, from, laid, now.forced],
  )
  const forced = useMemo(() => {
    const wanted = { through, around }
    const free = through === null && around.length === 0
    return free ? null : { wanted, found: finder.findForced(from, { ...laid, forced: wanted }) }
  }, [finder, from, laid, through, around])
  // To try a way is to assess the job with it: not at every draw.
  const tryWay = useCallback(
    (choice: Choice): Tried => {
      const goes = { segments: segmentsOf(choice.way, now.segments, turned), forced: choice.forced }
      return { way: choice.way, goes, findings: found(goes) }
    },
    [now.segments, turned, found],
  )
  const ways = useMemo(() => finder.ways(from, laid).map(tryWay), [finder, from, laid, tryWay])
  const asked = useMemo(
    () => (forced && 'way' in forced.found ? tryWay({ way: forced.found.way, forced: forced.wanted }) : null),
    [forced, tryWay],
  )
  const pathways = useMemo(
    () => finder.network.lanes.map(({ pathway }) => ({ value: pathway.id, label: nameOf(pathway) })),
    [finder],
  )
  const shown = ({ way, goes, findings }: Tried, words: string) => (
    <OneWay
      key={JSON.stringify(goes.forced)}
      way={way}
      findings={findings}
      isTaken={isAlong(now, goes.segments) && JSON.stringify(now.forced) === JSON.stringify(goes.forced)}
      words={words}
      onTake={() => onTake(goes)}
      units={job.units}
    />
  )
  return (
    <Stack gap={3}>
      {'none' in asItStands ? <Text>▲ {asItStands.none}</Text> : null}
      {ways.map((one) => shown(one, one.goes.forced === null ? 'Take this way' : 'Take this one instead'))}
      {ways.length > 0 ? (
        <Box borderTopWidth="1px" borderColor="rule" pt={2}>
          <Choose
            label="Through"
            value={through ?? ''}
            options={[{ value: '', label: 'Any pathway' }, ...pathways]}
            onChoose={(id) => choose({ ...chosen, through: id || null })}
          />
          <Around
            pathways={pathways}
            around={around}
            onChoose={(others) => choose({ ...chosen, around: others })}
          />
          <Box mt={2}>
            {forced && 'none' in forced.found ? <Text>▲ {forced.found.none}</Text> : null}
            {asked ? shown(asked, 'Take the way that was asked for') : null}
          </Box>
        </Box>
      ) : null}
      <Text fontSize="sm" color="soft">
        Slacks and loops come on top, on its route. Not judged here: room in what is no conduit and was not
        measured, walls on the short way from it to the pathways.
      </Text>
    </Stack>
  )
}

/** The pathways that it is to go around, one after the other, and a place for one more. */
function Around({
  pathways,
  around,
  onChoose,
}: {
  pathways: readonly Option[]
  around: readonly string[]
  onChoose: (around: string[]) => void
}) {
  const places = around.length < MOST_AROUND ? [...around, ''] : around
  return places.map((id, at) => (
    <Choose
      key={at}
      label={at === 0 ? 'Around' : `And around (${at + 1})`}
      value={id}
      options={[
        { value: '', label: 'None' },
        ...pathways.filter(({ value }) => value === id || !around.includes(value)),
      ]}
      onChoose={(other) => onChoose(around.toSpliced(at, 1, ...(other === '' ? [] : [other])))}
    />
  ))
}

interface OneWayProps {
  readonly way: Way
  readonly findings: readonly Finding[]
  readonly isTaken: boolean
  readonly words: string
  readonly onTake: () => void
  readonly units: UnitSystem
}

function OneWay({ way, findings, isTaken, words, onTake, units }: OneWayProps) {
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
      {findings.map(({ id, verdict, title, figure, limit }) => (
        <VerdictLine key={id} verdict={verdict} fontSize="sm">
          {title}: {printReading(figure, units)}
          {limit ? ` against ${printReading(limit, units)}` : ''}
        </VerdictLine>
      ))}
      {findings.length === 0 ? (
        <Text fontSize="sm">Nothing is found against its route and power.</Text>
      ) : null}
      {isTaken ? (
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

const metres = (value: number, units: UnitSystem) => print({ value, kind: 'length' }, units)

function legWords({ lengthM, riseM }: Way['legs'][number], units: UnitSystem): string {
  const along = lengthM > 0 ? [metres(lengthM, units)] : []
  if (riseM === 0) return along.join('')
  return [...along, `${riseM > 0 ? 'up' : 'down'} ${metres(Math.abs(riseM), units)}`].join(', ')
}
