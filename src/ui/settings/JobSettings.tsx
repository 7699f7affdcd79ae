'use client'

import { Box, Button, Text } from '@chakra-ui/react'
import { useState } from 'react'
import { factsOf } from '@/core/job'
import { useJob } from '../job/JobProvider'
import { GoLink } from '../kit/go'
import { OnThisDevice } from '../kept/OnThisDevice'
import { Part, Sentence } from '../kit/Page'
import { JobFactsForm } from './JobFactsForm'

/** The job's own facts. */
export function JobSettings() {
  const { job, send } = useJob()
  const [saved, setSaved] = useState(false)
  return (
    <Box px={{ base: 3, md: 5 }} py={5} maxW="900px">
      <Sentence next="Units, habits and allowances change every figure at once.">{job.name}</Sentence>
      <Part title="Facts and habits">
        <JobFactsForm
          key={job.units}
          start={factsOf(job)}
          draftKey={`job:${job.id}`}
          action="Keep these"
          unfolded
          onSay={async (facts) => {
            const said = await send({ type: 'editJob', change: facts })
            setSaved(said.ok)
            return said.ok ? [] : said.reasons
          }}
        />
        {saved ? (
          <Text mt={2} role="status" color="good">
            ✓ Kept.
          </Text>
        ) : null}
      </Part>
      <OnThisDevice />
      <Part title="Own parts">
        <Text color="soft">
          {job.ownParts.length === 0
            ? 'Generic parts are used throughout.'
            : `${job.ownParts.length} entered from makers’ sheets.`}
        </Text>
        <Button asChild variant="outline" colorPalette="inky" minH="44px" mt={2}>
          <GoLink href={`/jobs/${job.id}/parts`}>To the own parts</GoLink>
        </Button>
      </Part>
    </Box>
  )
}
