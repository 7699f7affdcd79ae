'use client'

import { Box, Button, Text } from '@chakra-ui/react'
import { formatDistanceToNow } from 'date-fns'
import { useEffect, useState } from 'react'
import type { Job } from '@/core/job'
import { Sentence } from '../kit/Page'
import { Wrong } from '../kit/Wrong'
import { copies } from './copies'
import { jobToPutBack, putBack } from './putBack'

interface Here {
  readonly job: Job
  readonly keptAt: string
}

async function look(path: string): Promise<Here | null> {
  const id = /^\/jobs\/([^/]+)/.exec(path)?.[1]
  if (id === undefined) return null
  const job = await jobToPutBack(decodeURIComponent(id))
  const kept = (await copies().list()).find((one) => one.id === job?.id)
  return job && kept ? { job, keptAt: kept.keptAt } : null
}

/** A job that the server lacks, restored from a back-up from before it was made, while this device has it. */
export function StillHere() {
  const [here, setHere] = useState<Here | null>(null)
  const [busy, setBusy] = useState(false)
  const [wrong, setWrong] = useState<string | null>(null)
  const [left, setLeft] = useState<number | null>(null)
  useEffect(() => {
    look(window.location.pathname)
      .then(setHere)
      .catch(() => undefined)
  }, [])
  if (!here) return null
  const { job, keptAt } = here
  const put = async () => {
    setBusy(true)
    setWrong(null)
    const made = await putBack(job)
    setBusy(false)
    if (!made.ok) return setWrong(made.says)
    setLeft(made.left)
  }
  return (
    <Box as="section" px={6} pb={6} maxW="640px" aria-label="On this device">
      {left === null ? (
        <>
          <Sentence next="Work that waits here is sent after it.">
            The server does not have {job.name}, but this device does, as it was{' '}
            {formatDistanceToNow(new Date(keptAt), { addSuffix: true })}.
          </Sentence>
          <Button minH="48px" colorPalette="copper" loading={busy} onClick={() => void put()}>
            Put it back on the server
          </Button>
          <Wrong>{wrong}</Wrong>
        </>
      ) : (
        <>
          <Text role="status" mb={3}>
            ✓ {job.name} is on the server again.{' '}
            {left > 0
              ? `▲ ${left} of its pictures ${left === 1 ? 'is' : 'are'} neither there nor here: left out.`
              : ''}
          </Text>
          <Button asChild minH="48px" colorPalette="copper">
            <a href={`/jobs/${job.id}`}>Open it</a>
          </Button>
        </>
      )}
    </Box>
  )
}
