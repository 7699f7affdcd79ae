'use client'

import { Box, Button, HStack, SimpleGrid, Text } from '@chakra-ui/react'
import { useCallback, useMemo, useState } from 'react'
import { CATALOGUE } from '@/catalogue'
import { foundOfRun, type RunAssessment } from '@/core/assess'
import { RunChoice, SPACES, thingsOf, type Run, type Segment, type Way } from '@/core/job'
import { cablesToLead, isAlong } from '@/core/pathway'
import { portWords } from '@/core/parts'
import { CARRIES, RUN_JUDGED, type Carried } from '@/core/run'
import { print } from '@/core/units'
import { routeDrawing } from '@/drawings'
import { MarkedLog, MarkedSheet, NotThere, StandingChoices, TakeOut } from '../equipment/Marked'
import { replaceable } from '../equipment/replaceable'
import { useCatalogue, useJob, useRun } from '../job/JobProvider'
import { Choose, NOT_CHOSEN, optionsOf, type Option } from '../kit/Choose'
import { DrawingView, Sized } from '../kit/DrawingView'
import { FigureList } from '../kit/Findings'
import { Fold } from '../kit/Fold'
import { LineField, refusalOf } from '../kit/LineField'
import { Part, Refusal } from '../kit/Page'
import { editOf, type Edit, type Editing } from '../kit/PlanQuantity'
import { cablesFor, connectorsFor } from './choices'
import { WayChoices } from './WayChoices'
import { WayEditor } from './WayEditor'

/** The log of one run. */
export function RunLog({ runId }: { runId: string }) {
  const { job } = useJob()
  const found = useRun(runId)
  if (!found) return <NotThere what="run" />
  return <MarkedLog marked={found.run} assessed={found.assessed} home={`/jobs/${job.id}/runs/${runId}`} />
}

/** One run: what it carries, both its ends, its way, and what is wrong with it. */
export function RunSheet({ runId }: { runId: string }) {
  const { job, send } = useJob()
  const found = useRun(runId)
  if (!found) return <NotThere what="run" />
  const { run, assessed } = found
  return (
    <MarkedSheet
      assessed={assessed}
      home={`/jobs/${job.id}/runs/${runId}`}
      question="Does it reach, and does it fit at both ends"
      figures={assessed.way ? <FigureList figures={assessed.way.figures} units={job.units} /> : null}
      judged={RUN_JUDGED}
    >
      <Ends run={run} assessed={assessed} />
      {run.state === 'taken away' ? null : <TheWay run={run} assessed={assessed} />}
      <About run={run} />
      <TakeOut marked={run} onRemove={() => send({ type: 'removeRun', runId })} />
    </MarkedSheet>
  )
}

/** Keeps fields of a run, and says why they were refused. */
function useKeep(run: Run) {
  const { send } = useJob()
  const [refused, setRefused] = useState<string | null>(null)
  const keep = (change: Partial<RunChoice>) => send({ type: 'putRun', runId: run.id, change })
  const choose = (change: Partial<RunChoice>) => void refusalOf(keep(change)).then(setRefused)
  return { keep, choose, refused }
}

function Ends({ run, assessed }: { run: Run; assessed: RunAssessment }) {
  const { job } = useJob()
  const catalogue = useCatalogue()
  const { choose, refused } = useKeep(run)
  const things = thingsOf(job).map(({ id, mark, name }) => ({ value: id, label: `${mark} ${name}` }))
  const ports = (at: string, offered: readonly string[]): Option[] => {
    const piece = job.equipment.find(({ id }) => id === at)
    const part = piece && catalogue.equipment.get(piece.partId)
    return [NOT_CHOSEN, ...offered.map((port) => ({ value: port, label: portWords(port, part) }))]
  }
  const markOf = (at: string) => thingsOf(job).find(({ id }) => id === at)?.mark ?? '?'
  const [from, to] = [markOf(run.fromId), markOf(run.toId)]
  const made = [NOT_CHOSEN, ...connectorsFor(run.carries, run.cableId, catalogue)]
  return (
    <Part title="From where to where">
      <SimpleGrid columns={{ base: 1, md: 3 }} gap={4}>
        <Choose
          label="From"
          value={run.fromId}
          options={things}
          onChoose={(fromId) => choose({ fromId, fromPort: null })}
        />
        <Choose
          label={`Port at ${from}`}
          value={run.fromPort ?? ''}
          options={ports(run.fromId, assessed.ports[0])}
          onChoose={(port) => choose({ fromPort: port || null })}
        />
        <Choose
          label={`Ends at ${from} with`}
          value={run.fromEndId ?? ''}
          options={made}
          onChoose={(end) => choose({ fromEndId: end || null })}
        />
        <Choose
          label="To"
          value={run.toId}
          options={things}
          onChoose={(toId) => choose({ toId, toPort: null })}
        />
        <Choose
          label={`Port at ${to}`}
          value={run.toPort ?? ''}
          options={ports(run.toId, assessed.ports[1])}
          onChoose={(port) => choose({ toPort: port || null })}
        />
        <Choose
          label={`Ends at ${to} with`}
          value={run.toEndId ?? ''}
          options={made}
          onChoose={(end) => choose({ toEndId: end || null })}
        />
      </SimpleGrid>
      <Refusal>{refused}</Refusal>
    </Part>
  )
}

function TheWay({ run, assessed }: { run: Run; assessed: RunAssessment }) {
  const { job, send, latest, preview, trial } = useJob()
  const change = (edit: Edit<Way>) => {
    const now = latest().runs.find(({ id }) => id === run.id) ?? run
    return { type: 'putRun', runId: run.id, change: editOf(edit, now) } as const
  }
  const plan: Editing<Way> = {
    units: job.units,
    draft: (field) => `${job.id}:${run.id}:way:${field}`,
    attempt: (way) => preview(change(way)),
    keep: async (way) => {
      const ended = trial()
      const said = await send(change(way))
      ended()
      return said
    },
    giveUp: () => preview(),
  }
  return (
    <Part title="Its way, told from where it comes">
      {assessed.way ? (
        <Box bg="sheet" borderWidth="1px" borderColor="rule" px={{ base: 1, md: 3 }} py={3} mb={3}>
          <Sized>
            {(width) => <DrawingView drawing={routeDrawing(assessed.way!.drawing, job.units, width)} />}
          </Sized>
        </Box>
      ) : null}
      <OnPlanWay run={run} onPlan={assessed.onPlan} onTake={(goes) => void plan.keep(goes)} />
      <WayEditor way={run} plan={plan} lead={assessed.way?.drawing.lead ?? null} />
    </Part>
  )
}

/** What the plan says of the way, to be taken, and which others there are. */
function OnPlanWay({
  run,
  onPlan,
  onTake,
}: {
  run: Run
  onPlan: RunAssessment['onPlan']
  onTake: (goes: Pick<Way, 'segments' | 'forced'>) => void
}) {
  const { job } = useJob()
  const catalogue = useCatalogue()
  const lead = useMemo(() => {
    const { devices, equipment, things } = job
    return cablesToLead({ devices, equipment, things, runs: [run] }, catalogue).find(
      ({ id }) => id === run.id,
    )
  }, [job, run, catalogue])
  const found = useCallback(
    (goes: Pick<Way, 'segments' | 'forced'>) => foundOfRun(run, goes, job, CATALOGUE),
    [run, job],
  )
  if (!onPlan || !lead) return null
  return (
    <Box mb={3}>
      {'none' in onPlan ? (
        <Text>▲ On the plan: {onPlan.none}</Text>
      ) : (
        <Led
          run={run}
          segments={onPlan.segments}
          onTake={(segments) => onTake({ segments, forced: run.forced })}
        />
      )}
      <Fold title="Other ways over the plan">
        <WayChoices key={run.id} lead={lead} now={run} found={found} onTake={onTake} />
      </Fold>
    </Box>
  )
}

function Led({
  run,
  segments,
  onTake,
}: {
  run: Run
  segments: readonly Segment[]
  onTake: (segments: Segment[]) => void
}) {
  const { job } = useJob()
  const lengthM = segments.reduce((sum, one) => sum + one.lengthM + Math.abs(one.riseM), 0)
  const through = segments.map(({ space }) => SPACES[space].name.toLowerCase())
  return (
    <HStack gap={3} flexWrap="wrap">
      <Text className="figures">
        On the plan {print({ value: lengthM, kind: 'length' }, job.units)}:{' '}
        {through.filter((name, i) => name !== through[i - 1]).join(', ')}.
      </Text>
      {isAlong(run, segments) ? (
        <Text color="soft">It is planned this way.</Text>
      ) : (
        <Button variant="outline" colorPalette="inky" minH="44px" onClick={() => onTake([...segments])}>
          Take its way on the plan
        </Button>
      )}
    </HStack>
  )
}

function About({ run }: { run: Run }) {
  const { job } = useJob()
  const catalogue = useCatalogue()
  const { keep, choose, refused } = useKeep(run)
  const line = (key: 'mark' | 'name') => async (words: string) => {
    const parsed = RunChoice.shape[key].safeParse(words)
    return parsed.success ? refusalOf(keep({ [key]: parsed.data })) : parsed.error.issues[0]!.message
  }
  const old = replaceable(job.runs, run.id)
  const { mark, name, carries, cableId, state, replaces } = run
  return (
    <Part title="What it is">
      <SimpleGrid columns={{ base: 1, md: 2 }} gap={4}>
        <LineField
          label="Mark"
          mono
          value={mark}
          draftKey={`mark:${job.id}:${run.id}`}
          onKeep={line('mark')}
        />
        <LineField label="Name" value={name} draftKey={`name:${job.id}:${run.id}`} onKeep={line('name')} />
        <Choose
          label="What it carries"
          value={carries}
          options={optionsOf(CARRIES)}
          onChoose={(value) => choose({ carries: value as Carried, fromPort: null, toPort: null })}
        />
        <Choose
          label="Cable"
          value={cableId}
          options={cablesFor(carries, catalogue)}
          onChoose={(value) => choose({ cableId: value })}
        />
        <StandingChoices state={state} replaces={replaces} old={old} onChoose={choose} />
      </SimpleGrid>
      <Refusal>{refused}</Refusal>
    </Part>
  )
}
