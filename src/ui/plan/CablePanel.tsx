'use client'

import { Stack, Text } from '@chakra-ui/react'
import { useMemo } from 'react'
import type { Job } from '@/core/job'
import { conduitPulls, conduitsIn, isWanting, shutOn, totalsOf, type CableWithPulls } from '@/core/pathway'
import { nameOf } from '@/core/plan'
import { fillWords, pointWords } from '@/core/pull'
import { print } from '@/core/units'
import { useCatalogue } from '../job/JobProvider'

/** What the ways of all cables come to, whose is not found, and which pathway nobody can pass. */
export function CablePanel({
  cables,
  led: job,
}: {
  cables: readonly CableWithPulls[]
  /** The state of the job that they are of. */
  led: Job
}) {
  const catalogue = useCatalogue()
  const { found, lengthM, minutes, without } = useMemo(() => totalsOf(cables), [cables])
  const wanting = useMemo(() => {
    const tight = conduitsIn(job, catalogue, cables).filter(isWanting)
    const long = conduitPulls(cables).filter(({ pointsAt }) => pointsAt?.length !== 0)
    return [
      ...tight.map((use) => `${use.name}: ${fillWords(use)}`),
      ...long.map((pull) => `${pull.through.join(', ')}: ${pointWords(pull, job.units)}`),
    ]
  }, [job, cables, catalogue])
  return (
    <Stack gap={1}>
      <Text className="figures">
        Cables with a way: {found} of {cables.length}; {print({ value: lengthM, kind: 'length' }, job.units)}{' '}
        in all, {Math.round(minutes / 6) / 10} h of work.
      </Text>
      {without.map(({ mark, why }) => (
        <Text key={mark} fontSize="sm">
          ▲ {mark}: {why}
        </Text>
      ))}
      {wanting.map((words) => (
        <Text key={words} fontSize="sm">
          ▲ {words}
        </Text>
      ))}
      {shutOn(job).map(({ pathway, why }) => (
        <Text key={pathway.id} fontSize="sm">
          ▲ {nameOf(pathway)}: {why}
        </Text>
      ))}
    </Stack>
  )
}
