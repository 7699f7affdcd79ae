'use client'

import { Box, Button, Text } from '@chakra-ui/react'
import { useSearchParams } from 'next/navigation'
import { useMemo, useState, type ReactNode } from 'react'
import { jobRound, type JobRound, type LeftStep } from '@/core/assess'
import { ladder } from '@/core/mount'
import { PLACES } from '@/core/order'
import { calledPlace, type Here, type Stint, type Visit } from '@/core/round'
import { inSentence, print, type UnitSystem } from '@/core/units'
import { useAuthor } from '../job/author'
import { useAssessed, useJob } from '../job/JobProvider'
import { Choose } from '../kit/Choose'
import { go, GoLink } from '../kit/go'
import { Growing } from '../kit/Growing'
import { Nothing, Part, Sentence } from '../kit/Page'
import { hereIn, wordOf } from './here'

/** What is left to do, not device by device but going by going. */
export function RoundPage() {
  const { job } = useJob()
  const assessment = useAssessed()
  const word = useSearchParams().get('here')
  const here = useMemo(() => hereIn(word), [word])
  const me = useAuthor()
  const round = useMemo(() => jobRound(job, assessment, here, me), [job, assessment, here, me])
  const [first, ...later] = round.visits
  const ready = first && (here === null || isAt(first, here))
  const waysOf = useWays()
  const waiting = round.waiting.length > 0 ? <WaitingHere round={round} /> : null
  return (
    <Box px={{ base: 3, md: 5 }} py={5} maxW="900px">
      <Sentence next={round.next}>{round.sentence}</Sentence>
      {round.leftToMe.length > 0 ? (
        <LeftList title="Left to you" list={round.leftToMe} waysOf={waysOf} />
      ) : null}
      {first ? (
        <Box maxW="420px" mb={5} className="no-print">
          <Choose
            label="You stand"
            value={word ?? ''}
            options={optionsOf(round)}
            onChoose={(value) =>
              go(`/jobs/${job.id}/round${value ? `?here=${encodeURIComponent(value)}` : ''}`, {
                replace: true,
              })
            }
          />
        </Box>
      ) : (
        <Nothing>
          {round.leftToOthers.length > 0
            ? 'Every step that is yours is recorded.'
            : 'Every step of what can be installed is recorded.'}
        </Nothing>
      )}
      {first && !ready ? (
        <Text mb={4} color="check" role="status">
          ▲ Nothing can be done there yet. The round begins elsewhere.
        </Text>
      ) : null}
      {ready ? null : waiting}
      {first ? <Going visit={first} number={1} units={job.units} waysOf={waysOf} open /> : null}
      {ready && waiting ? <Box mt={5}>{waiting}</Box> : null}
      <Growing
        items={later}
        draw={(visit, i) => <Going key={i} visit={visit} number={i + 2} units={job.units} waysOf={waysOf} />}
      />
      {round.leftToOthers.length > 0 ? (
        <Box mt={7}>
          <LeftList title="Left to others" list={round.leftToOthers} waysOf={waysOf} />
        </Box>
      ) : null}
      {round.left.length > 0 ? <LeftOut round={round} waysOf={waysOf} /> : null}
    </Box>
  )
}

const hereOf = ({ place, spot }: Visit): Here => (spot ? { spot: spot.id } : place)
const isAt = (visit: Visit, here: Here): boolean => wordOf(hereOf(visit)) === wordOf(here)

/** Where everything with steps has its log and its sheet. */
interface Ways {
  readonly log: string
  readonly sheet: string
}

function useWays(): (id: string) => Ways {
  const { job } = useJob()
  return useMemo(() => {
    const of = (folder: string, list: readonly { readonly id: string }[], sheet = '') =>
      list.map(({ id }): [string, Ways] => {
        const home = `/jobs/${job.id}/${folder}/${id}`
        return [id, { log: `${home}/log`, sheet: `${home}${sheet}` }]
      })
    const ways = new Map([
      ...of('devices', job.devices, '/device'),
      ...of('equipment', job.equipment),
      ...of('runs', job.runs),
    ])
    return (id) => ways.get(id)!
  }, [job.id, job.devices, job.equipment, job.runs])
}

/** Everywhere the round goes to. */
function optionsOf({ visits }: JobRound) {
  const places = new Map(visits.map((visit) => [wordOf(hereOf(visit)), calledPlace(visit)] as const))
  return [
    { value: '', label: 'Anywhere: begin where it is best' },
    ...[...places].map(([value, label]) => ({ value, label })),
  ]
}

interface GoingProps {
  readonly visit: Visit
  readonly number: number
  readonly units: UnitSystem
  readonly waysOf: (id: string) => Ways
  readonly open?: boolean
}

function Going({ visit, number, units, waysOf, open = false }: GoingProps) {
  const [shown, setShown] = useState(open)
  const steps = visit.stints.reduce((sum, stint) => sum + stint.steps.length, 0)
  const { spot } = visit
  const reach =
    spot?.heightM != null
      ? `ladder ${print({ value: ladder(spot.heightM).workingLengthM, kind: 'length' }, units)}, `
      : ''
  return (
    <Box as="section" borderTopWidth="1.5px" borderColor="ink">
      <details open={open} onToggle={({ currentTarget }) => setShown(currentTarget.open)}>
        <Box
          as="summary"
          cursor="pointer"
          minH="48px"
          py={2}
          display="flex"
          flexWrap="wrap"
          columnGap={3}
          alignItems="baseline"
        >
          <Text as="span" fontFamily="heading" fontWeight={600} fontSize="lg" flex="1" minW="180px">
            <Box as="span" className="figures" color="soft" mr={2}>
              {number}
            </Box>
            {calledPlace(visit)}
          </Text>
          <Text as="span" color="soft" className="figures">
            {reach}
            {visit.stints.length > 1 ? `${visit.stints.length} things, ` : ''}
            {steps} {steps === 1 ? 'step' : 'steps'}
          </Text>
        </Box>
        <Box pb={3}>
          {shown ? (
            <Growing
              items={visit.stints}
              draw={(stint) => (
                <StintRow
                  key={stint.of.id}
                  stint={stint}
                  named={visit.spot === null || visit.stints.length > 1}
                  log={waysOf(stint.of.id).log}
                  here={hereOf(visit)}
                />
              )}
            />
          ) : null}
        </Box>
      </details>
    </Box>
  )
}

interface StintRowProps {
  readonly stint: Stint
  /** Whether it says on what: not where the heading does. */
  readonly named: boolean
  readonly log: string
  readonly here: Here
}

/** One thing's steps there: a tap leads to the first, in its log. */
function StintRow({ stint, named, log, here }: StintRowProps) {
  const { of, steps } = stint
  return (
    <RowLink
      href={`${log}?step=${encodeURIComponent(steps[0]!.id)}&round=${encodeURIComponent(wordOf(here))}`}
    >
      {named ? (
        <Text fontWeight={600}>
          {of.mark} {of.name}
        </Text>
      ) : null}
      <Text color="soft">{steps.map(({ title }) => title).join(' · ')}</Text>
    </RowLink>
  )
}

/** A row that leads to a step in its log. */
function RowLink({ href, children }: { href: string; children: ReactNode }) {
  return (
    <Box
      asChild
      display="block"
      borderTopWidth="1px"
      borderColor="rule"
      py={2.5}
      px={1}
      _hover={{ bg: 'sheet' }}
    >
      <GoLink href={href} style={{ minHeight: 48 }}>
        {children}
      </GoLink>
    </Box>
  )
}

/** What is to be done where one stands, but waits for something elsewhere. */
function WaitingHere({ round }: { round: JobRound }) {
  return (
    <Part title="To be done there too, later">
      {round.waiting.map(({ of, steps, first, on, onAt }) => (
        <Text key={of.id} py={1}>
          <strong>{of.mark}</strong> {first}
          {steps > 1 ? ` and ${steps - 1} more` : ''}: after “{on}”, {inSentence(PLACES[onAt].name)}.
        </Text>
      ))}
    </Part>
  )
}

interface LeftListProps {
  readonly title: string
  readonly list: readonly LeftStep[]
  readonly waysOf: (id: string) => Ways
}

/** Steps that somebody is left with: each leads to it in its log. */
function LeftList({ title, list, waysOf }: LeftListProps) {
  const { send } = useJob()
  return (
    <Part title={title}>
      {list.map((one) => (
        <Box key={`${one.deviceId} ${one.stepId}`}>
          <RowLink href={`${waysOf(one.deviceId).log}?step=${encodeURIComponent(one.stepId)}`}>
            <Text>
              <strong>{one.mark}</strong> {one.title}
              {one.note ? `: ${one.note}` : ''}
            </Text>
            <Text color="soft" fontSize="sm">
              {one.by} to {one.colleague}, {one.at.slice(0, 16).replace('T', ' ')}
              {waits(one.holdsUp)}
            </Text>
          </RowLink>
          {one.holdsUp === null ? (
            <Button
              variant="outline"
              colorPalette="inky"
              minH="48px"
              mb={2}
              onClick={() => void send({ type: 'takeStepBack', deviceId: one.deviceId, stepId: one.stepId })}
            >
              Take it back
            </Button>
          ) : null}
        </Box>
      ))}
    </Part>
  )
}

function waits(holdsUp: number | null): string {
  if (holdsUp === null) return ' · no longer among its steps'
  if (holdsUp === 0) return ''
  return holdsUp === 1 ? ' · a step waits for it' : ` · ${holdsUp} steps wait for it`
}

function LeftOut({ round, waysOf }: { round: JobRound; waysOf: (id: string) => Ways }) {
  return (
    <Box mt={7}>
      <Part title="Not in the round">
        <Text color="soft">
          Their steps may become others: put right what stops them, or plan them through.
        </Text>
        {round.left.map(({ id, mark, why }) => (
          <Box key={id} asChild display="inline-flex" alignItems="center" minH="56px" mr={4}>
            <GoLink href={waysOf(id).sheet}>
              <strong>{mark}</strong>&nbsp;{why}
            </GoLink>
          </Box>
        ))}
      </Part>
    </Box>
  )
}
