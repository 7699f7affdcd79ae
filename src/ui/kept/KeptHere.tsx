'use client'

import { Box, Button, Text } from '@chakra-ui/react'
import { formatDistanceToNow } from 'date-fns'
import { useEffect, useState } from 'react'
import { keptCopy, JobProvider, useOutbox } from '../job/JobProvider'
import { JobShell } from '../job/JobShell'
import type { WholeJob } from '../job/given'
import { Nothing, Sentence } from '../kit/Page'
import { Frame } from '../kit/Frame'
import { Listed } from '../kit/Listed'
import { JobScreens } from '../screens/JobScreens'
import { copies, type KeptJob } from './copies'
import { endLastSeen } from './lastSeen'
import { WhereYouWere } from './WhereYouWere'

/** What stands at the address, out of what is kept on this device. */
type Found = { readonly job: WholeJob } | { readonly jobs: readonly KeptJob[]; readonly lacks: boolean }

async function find(path: string): Promise<Found> {
  const id = /^\/jobs\/([^/]+)/.exec(path)?.[1]
  const job = id === undefined ? null : await keptCopy(decodeURIComponent(id))
  if (job) return { job }
  const jobs = await copies()
    .list()
    .catch(() => [])
  return { jobs: jobs.sort((a, b) => b.keptAt.localeCompare(a.keptAt)), lacks: path !== '/' }
}

/** The application without a server: a job that is kept on this device, or the list of those that are. */
export function KeptHere() {
  const [found, setFound] = useState<Found | null>(null)
  useEffect(() => {
    void find(window.location.pathname).then(setFound)
  }, [])
  useEffect(() => {
    if (found && 'jobs' in found) endLastSeen()
  }, [found])
  if (!found)
    return (
      <Text p={5} color="soft" role="status">
        Opening what is kept on this device…
      </Text>
    )
  if ('jobs' in found) return <KeptJobs {...found} />
  return (
    <JobProvider given={found.job}>
      <JobShell>
        <JobScreens kept />
      </JobShell>
    </JobProvider>
  )
}

function KeptJobs({ jobs, lacks }: { jobs: readonly KeptJob[]; lacks: boolean }) {
  const { waiting } = useOutbox()
  const told = ({ id, address, keptAt }: KeptJob): string => {
    const left = waiting.filter(({ jobId }) => jobId === id).length
    return [
      address,
      `as of ${formatDistanceToNow(new Date(keptAt), { addSuffix: true })}`,
      left > 0 ? `${left} to be sent` : '',
    ]
      .filter(Boolean)
      .join(' · ')
  }
  return (
    <Frame home={false}>
      <WhereYouWere />
      <Sentence next="A job is kept here once it has been open on this device with signal.">
        {lacks ? 'No signal, and this page is not on this device.' : 'No signal.'}{' '}
        {jobs.length === 0 ? 'No job is kept here.' : 'These jobs are here:'}
      </Sentence>
      {jobs.length === 0 ? (
        <Nothing>Where there is signal again, open the jobs of the day once.</Nothing>
      ) : null}
      <Box as="ul" listStyleType="none" mb={5}>
        {jobs.map((job) => (
          <Listed key={job.id}>
            <a href={`/jobs/${job.id}`}>
              <Box py={3.5} px={1} _hover={{ bg: 'sheet' }}>
                <Text fontFamily="heading" fontWeight={600} fontSize="lg">
                  {job.name}
                </Text>
                <Text color="soft" fontSize="sm">
                  {told(job)}
                </Text>
              </Box>
            </a>
          </Listed>
        ))}
      </Box>
      <Button minH="48px" variant="outline" colorPalette="inky" onClick={() => window.location.reload()}>
        Try again
      </Button>
    </Frame>
  )
}
