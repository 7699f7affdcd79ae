'use client'

import { Box, Button, Stack, Text } from '@chakra-ui/react'
import { useMemo } from 'react'
import { v4 as uuid } from 'uuid'
import type { Job, PlanThing, ThingOf } from '@/core/job'
import {
  conduitPulls,
  conduitsIn,
  isWanting,
  type ConduitPull,
  type ConduitUse,
  type CableWithPulls,
} from '@/core/pathway'
import { fillWords, fittingWords, inConduitWords, pointWords } from '@/core/pull'
import { wantsExpansion } from '@/core/route'
import { print, type QuantityKind } from '@/core/units'
import { useCatalogue } from '../job/JobProvider'
import type { Editor } from './editor'

/** What lies in a conduit, how full that makes it, and how its cables are drawn through. */
export function ConduitPanel({
  pathway,
  led,
  cables,
  editor,
}: {
  pathway: ThingOf<'pathway'>
  /** The state of the job that the cables are of. */
  led: Job
  cables: readonly CableWithPulls[]
  editor: Editor
}) {
  const catalogue = useCatalogue()
  const uses = useMemo(() => conduitsIn(led, catalogue, cables), [led, cables, catalogue])
  const pulls = useMemo(() => conduitPulls(cables), [cables])
  const use = uses.find(({ pathwayIds }) => pathwayIds.includes(pathway.id))
  if (!use) return <Text>No cable is led through it.</Text>
  return (
    <Stack gap={3}>
      <Fill use={use} editor={editor} />
      <Growth use={use} editor={editor} />
      {pulls
        .filter(({ pathwayIds }) => pathwayIds.includes(pathway.id))
        .map((pull, i) => (
          <PullWords key={i} pull={pull} editor={editor} />
        ))}
      <Text fontSize="sm" color="soft">
        Friction and the weight of cable are guesses of the trade. Not counted: runs whose ends have no place
        on the plan, and what cables that lie there already add to the friction.
      </Text>
    </Stack>
  )
}

function Fill({ use, editor: { job, commit } }: { use: ConduitUse; editor: Editor }) {
  const { fill, fitting, fittingExpands, limitPercent } = use
  const share = (value: number) => print({ value, kind: 'share' }, job.units)
  const tight = fill !== null && (!fill.goesIn || fill.jams)
  const take = () => {
    const sized = job.things.filter(({ id }) => use.pathwayIds.includes(id))
    const change = { conduitId: fitting!.id, ...(fittingExpands ? { expansionFitted: true } : {}) }
    return commit(...sized.map(({ id }) => ({ type: 'editThing' as const, thingId: id, change })))
  }
  return (
    <Box>
      <Text className="figures">
        Through it {inConduitWords(use)}.{' '}
        {fill ? `${share(fill.percent)} full, at most ${share(limitPercent)}.` : ''}
      </Text>
      <Text fontWeight={600}>
        {isWanting(use) ? '▲ ' : ''}
        {fillWords(use)}.
      </Text>
      {fitting && (tight || !fill) ? (
        <Mend words={`Take ${fittingWords(use)}`} onPress={() => void take()} />
      ) : null}
    </Box>
  )
}

/** What it grows in its longest straight piece, and that it has fittings which take that. */
function Growth({ use: { growth }, editor: { job, commit } }: { use: ConduitUse; editor: Editor }) {
  if (!growth) return null
  const said = (value: number, kind: QuantityKind) => print({ value, kind }, job.units)
  const { pathwayId, straightM, coldestC, warmestC, growsMm } = growth
  const fitted = { type: 'editThing', thingId: pathwayId, change: { expansionFitted: true } } as const
  return (
    <Box>
      <Text className="figures">
        Its longest straight piece, {said(straightM, 'length')}, grows {said(growsMm, 'size')} from{' '}
        {said(coldestC, 'temperature')} to {said(warmestC, 'temperature')}.
      </Text>
      {wantsExpansion(growth) ? <Mend words="It has a fitting" onPress={() => void commit(fitted)} /> : null}
    </Box>
  )
}

function PullWords({ pull, editor: { job, commit } }: { pull: ConduitPull; editor: Editor }) {
  const said = (value: number, kind: QuantityKind) => print({ value, kind }, job.units)
  const { pointsAt } = pull
  const put = () => {
    const made = (pointsAt ?? []).map(
      ({ floor, at, heightM }): PlanThing => ({
        ...{ id: uuid(), floor, name: '', locked: false },
        ...{ kind: 'pull point', at: { x: at.x, y: at.y }, is: 'pull box', heightM },
      }),
    )
    return commit(...made.map((thing) => ({ type: 'putThing' as const, thing })))
  }
  return (
    <Box data-pull>
      <Text className="figures">
        {pull.through.join(', ')}: {said(pull.lengthM, 'cut')} in one pull, {said(pull.bendsDeg, 'angle')} of
        bends. Pulled out towards {pull.outTowards}, {said(pull.pullN, 'force')} on each; it stands{' '}
        {said(pull.standsN, 'force')}.
      </Text>
      {pointsAt?.length === 0 ? null : <Text fontWeight={600}>▲ {pointWords(pull, job.units)}.</Text>}
      {pointsAt && pointsAt.length > 0 ? (
        <Mend
          words={pointsAt.length === 1 ? 'Put a pull box there' : `Put ${pointsAt.length} pull boxes there`}
          onPress={() => void put()}
        />
      ) : null}
    </Box>
  )
}

/** A press that mends what was said above it. */
const Mend = ({ words, onPress }: { words: string; onPress: () => void }) => (
  <Button size="sm" minH="44px" mt={1} variant="outline" colorPalette="inky" onClick={onPress}>
    {words}
  </Button>
)
