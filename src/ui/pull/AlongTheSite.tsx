'use client'

import { Box, Heading, Text } from '@chakra-ui/react'
import { useMemo } from 'react'
import { isBundled, treesOf, type PullPlan } from '@/core/pathway'
import { ALONG_NOTE, endWords } from '@/core/pull'
import { bundleDrawings } from '@/drawings'
import { useJob } from '../job/JobProvider'
import { DrawingView, Sized } from '../kit/DrawingView'
import { Part } from '../kit/Page'

/** Narrower than this a drawing is moved sideways: its pieces would be too short for their numbers. */
const LEAST_PX = 640

/** Bundles drawn along the site, from what they end at outwards. */
export function AlongTheSite({ plan }: { plan: PullPlan }) {
  const { job } = useJob()
  const trees = useMemo(() => treesOf(plan).filter(isBundled), [plan])
  const called = useMemo(() => endWords(job), [job])
  if (trees.length === 0) return null
  return (
    <Part title="Bundles along the site">
      <Sized most={980}>
        {(width) =>
          bundleDrawings(trees, called, job.units, Math.max(LEAST_PX, width)).map(({ title, drawing }, i) => (
            <Box key={i} mb={4} css={{ breakInside: 'avoid' }}>
              <Heading as="h3" fontSize="sm">
                {title}
              </Heading>
              <Box overflowX="auto" tabIndex={0} role="region" aria-label={title}>
                <Box minW={`${LEAST_PX}px`}>
                  <DrawingView drawing={drawing} />
                </Box>
              </Box>
            </Box>
          ))
        }
      </Sized>
      <Text fontSize="sm" color="soft">
        {ALONG_NOTE}
      </Text>
    </Part>
  )
}
