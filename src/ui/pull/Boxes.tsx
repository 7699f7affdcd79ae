'use client'

import { Box, Button, HStack, Text } from '@chakra-ui/react'
import { useMemo } from 'react'
import { boxTable } from '@/core/pull'
import type { CableNeed, CablePlan } from '@/core/reels'
import { print } from '@/core/units'
import { useJob } from '../job/JobProvider'
import { Part } from '../kit/Page'
import { WorkingBar } from '../kit/WorkingBar'
import { BegunBoxes } from './BegunBoxes'
import { BoxChart } from './BoxChart'
import { Rows } from './Rows'
import { useBoxPlans } from './worker'

/** Lengths are planned in tenths of a metre. */
const NEAR_M = 0.05
const counted = (count: number, one: string, more = `${one}s`) => `${count} ${count === 1 ? one : more}`

const ENDED = {
  failed: 'The boxes could not be planned here.',
  stopped: 'The plan of boxes was stopped.',
}

/** Which run is cut from which box: no joints, the fewest new boxes, then the least of what is begun. */
export function Boxes({ needs: listed }: { needs: readonly CableNeed[] }) {
  const { job } = useJob()
  // Most of what changes in a job cuts nothing: the same needs are not planned again.
  const asked = useMemo(() => JSON.stringify(listed), [listed])
  const needs = useMemo(() => JSON.parse(asked) as readonly CableNeed[], [asked])
  const { plans, of, solved, progress, ended, cancel, again } = useBoxPlans(needs)
  const usual = needs[0]?.cable.id ?? 'cat6'
  if (needs.length === 0 && job.boxes.length === 0) return null
  return (
    <Part
      title="Boxes and drums"
      aside={
        <Button asChild size="sm" minH="44px" variant="outline" colorPalette="inky" className="no-print">
          <a href={`/api/jobs/${job.id}/lists/box-plan`} download>
            CSV
          </a>
        </Button>
      }
    >
      {progress === null ? null : (
        <WorkingBar share={progress} label="Planning boxes" stop="Stop" onStop={cancel} />
      )}
      {ended ? (
        <HStack mb={2}>
          <Text>{ENDED[ended]}</Text>
          <Button size="sm" minH="44px" variant="outline" colorPalette="inky" onClick={again}>
            Plan them again
          </Button>
        </HStack>
      ) : null}
      {plans && of !== needs ? <Text color="soft">As it was before the last change.</Text> : null}
      {plans && !solved ? (
        <Text mb={2}>
          The solver is not on this device: no signal since the job was opened. These plans were put together
          without it.
        </Text>
      ) : null}
      {plans?.map((plan) => (
        <OfCable key={plan.cable.id} plan={plan} />
      ))}
      <Text color="soft" mb={3}>
        What is pulled already, was there before or is a ready-made lead is cut from no box. Each cut is
        measured out in whole tenths of a metre, upwards.
      </Text>
      <BegunBoxes key={usual} usual={usual} />
    </Part>
  )
}

function OfCable({ plan }: { plan: CablePlan }) {
  const { job } = useJob()
  const { cable, boxes, untouched, tooLong } = plan
  const { title, heads, shares, rows } = boxTable(plan, job.units)
  const cut = (m: number) => print({ value: m, kind: 'cut' }, job.units)
  return (
    <Box mb={5}>
      <Text mb={1}>
        <strong>{cable.name}.</strong> {saidOf(plan, cut)}
      </Text>
      {tooLong.length > 0 ? (
        <Text color="stop" mb={1}>
          Stop: longer than any box, and a run has no joint:{' '}
          {tooLong.map(({ mark, cutM }) => `${mark} (${cut(cutM)})`).join(', ')}.
        </Text>
      ) : null}
      {boxes.length > 0 ? (
        <>
          <Box className="no-print">
            <BoxChart boxes={boxes} units={job.units} />
          </Box>
          <Rows
            title={title}
            heads={heads}
            shares={shares}
            rows={rows.map((row, at) => [`${boxes[at]!.boxId ?? 'new'}${at}`, row])}
          />
        </>
      ) : null}
      {untouched.length > 0 ? (
        <Text color="soft">
          Stays whole: {untouched.map(({ name, leftM }) => `${name} (${cut(leftM)})`).join(', ')}.
        </Text>
      ) : null}
    </Box>
  )
}

/** How many boxes there are, and what no plan gets below. */
function saidOf(plan: CablePlan, cut: (m: number) => string): string {
  const { boxes, newBoxes, fewestNew, begunM, leastBegunM } = plan
  const runs = boxes.reduce((sum, box) => sum + box.cuts.length, 0)
  if (runs === 0) return 'Nothing can be cut.'
  const ofNew = (count: number) => counted(count, 'new box', 'new boxes')
  const begunBoxes = boxes.length - newBoxes
  const from = [
    ...(begunBoxes > 0 ? [counted(begunBoxes, 'begun box', 'begun boxes')] : []),
    ...(newBoxes > 0 ? [ofNew(newBoxes)] : []),
  ]
  const words = [`${counted(runs, 'run')} from ${from.join(' and ')}.`]
  const near = begunM - leastBegunM < NEAR_M
  if (newBoxes > fewestNew)
    words.push(`Fewer than ${ofNew(fewestNew)} will not do; whether fewer than these will is not proved.`)
  else if (newBoxes > 0) words.push('No plan has fewer new boxes.')
  if (newBoxes === fewestNew && begunBoxes > 0)
    words.push(
      near
        ? 'None opens less of the begun ones.'
        : `It opens ${cut(begunM)} of begun ones: less than ${cut(leastBegunM)} will not do, more is not proved.`,
    )
  return words.join(' ')
}
