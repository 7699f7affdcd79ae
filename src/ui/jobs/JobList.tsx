'use client'

import { Box, Button, HStack, Text } from '@chakra-ui/react'
import NextLink from 'next/link'
import { useRouter } from 'next/navigation'
import { useEffect, useState } from 'react'
import { formatDistanceToNow } from 'date-fns'
import type { ListedJob } from '@/core/assess'
import { PickFile } from '../kit/PickFile'
import { Nothing, Sentence } from '../kit/Page'
import { Find } from '../find/Find'
import { WhereYouWere } from '../kept/WhereYouWere'
import { Frame } from '../kit/Frame'
import { Listed } from '../kit/Listed'

/** How often the list is asked for again while something in it is still being computed, ms. */
const ASK_AGAIN_MS = 1000

/** All jobs: what is on, how far, what is stuck. */
export function JobList({ jobs }: { jobs: readonly ListedJob[] }) {
  const router = useRouter()
  const stuck = jobs.filter(({ summary }) => summary && summary.stopped > 0).length
  const pending = jobs.some((job) => job.pending)
  useEffect(() => {
    if (!pending) return
    const again = setInterval(() => router.refresh(), ASK_AGAIN_MS)
    return () => clearInterval(again)
  }, [pending, router])
  return (
    <>
      <Find
        places={[
          ...jobs.map(({ id, name }) => ({ value: `/jobs/${id}`, label: name, kind: 'job' })),
          { value: '/jobs/new', label: 'New job', kind: 'screen' },
        ]}
        onGo={(href) => router.push(href)}
      />
      <Frame home={false}>
        <WhereYouWere />
        <Sentence next="Open a job, or start a new one.">
          {jobs.length === 0
            ? 'No jobs yet.'
            : `${jobs.length} job${jobs.length === 1 ? '' : 's'}, ${standingOf(stuck, pending)}.`}
        </Sentence>
        <HStack gap={3} mb={5} flexWrap="wrap">
          <Button asChild minH="44px" colorPalette="copper">
            <NextLink href="/jobs/new">New job</NextLink>
          </Button>
          <ImportButton />
          <Button asChild minH="44px" variant="ghost" colorPalette="inky">
            <NextLink href="/phones">Phones</NextLink>
          </Button>
        </HStack>
        {jobs.length === 0 ? <Nothing>Start with name, address and units; devices come next.</Nothing> : null}
        <Box as="ul" listStyleType="none">
          {jobs.map((job) => (
            <Listed key={job.id}>
              <Box
                asChild
                display="grid"
                gridTemplateColumns={{ base: '1fr', md: '2fr 3fr 170px' }}
                gap={{ base: 0.5, md: 4 }}
                py={3.5}
                px={1}
                _hover={{ bg: 'sheet' }}
              >
                <NextLink href={`/jobs/${job.id}`}>
                  <Box>
                    <Text fontFamily="heading" fontWeight={600} fontSize="lg">
                      {job.name}
                    </Text>
                    <Text color="soft" fontSize="sm">
                      {job.address}
                    </Text>
                  </Box>
                  <Box>
                    {job.pending ? <Text color="soft">Changed: being computed…</Text> : null}
                    {job.summary ? <Text>{job.summary.sentence}</Text> : null}
                    {job.summary && job.summary.openFaults > 0 ? (
                      <Text color="check" fontWeight={500}>
                        ▲ {job.summary.openFaults} on the punch list
                      </Text>
                    ) : null}
                  </Box>
                  <Box textAlign={{ md: 'right' }}>
                    {job.summary ? (
                      <Text className="figures" fontWeight={600}>
                        {job.summary.stepsDone} of {job.summary.steps} steps
                      </Text>
                    ) : null}
                    <Text color="soft" fontSize="sm" suppressHydrationWarning>
                      {formatDistanceToNow(new Date(job.lastChange), { addSuffix: true })}
                    </Text>
                  </Box>
                </NextLink>
              </Box>
            </Listed>
          ))}
        </Box>
      </Frame>
    </>
  )
}

function standingOf(stuck: number, pending: boolean): string {
  if (stuck > 0) return `${stuck} with something stopped`
  return pending ? 'some still being computed' : 'nothing stopped'
}

interface Problem {
  readonly status: number
  readonly title: string
  readonly detail: string
}

/** Brings a job file in; offers a copy when the job is here already. */
function ImportButton() {
  const router = useRouter()
  const [busy, setBusy] = useState(false)
  const [problem, setProblem] = useState<{ of: Problem; file: File } | null>(null)
  const bring = async (file: File, asCopy: boolean) => {
    setBusy(true)
    setProblem(null)
    try {
      const response = await fetch(`/api/import${asCopy ? '?as=copy' : ''}`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: file,
      })
      const body: unknown = await response.json()
      if (response.ok) router.push(`/jobs/${(body as { jobId: string }).jobId}`)
      else setProblem({ of: body as Problem, file })
    } catch {
      setProblem({
        of: {
          status: 0,
          title: 'No signal',
          detail: 'The file was not sent. Try again where there is signal.',
        },
        file,
      })
    } finally {
      setBusy(false)
    }
  }
  return (
    <>
      <PickFile
        accept=".json,application/json"
        inputId="job-file"
        loading={busy}
        loadingText="Reading the file"
        onFile={(file) => void bring(file, false)}
      >
        Import a job file
      </PickFile>
      {problem ? (
        <Box role="alert" w="100%" borderLeftWidth="4px" borderColor="stop" pl={3}>
          <Text fontWeight={600}>{problem.of.title}</Text>
          <Text>{problem.of.detail}</Text>
          {problem.of.status === 409 ? (
            <Button mt={2} size="sm" onClick={() => void bring(problem.file, true)}>
              Import as a copy
            </Button>
          ) : null}
        </Box>
      ) : null}
    </>
  )
}
