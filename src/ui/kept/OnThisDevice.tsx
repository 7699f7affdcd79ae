'use client'

import { Button, HStack, Progress, Text } from '@chakra-ui/react'
import { useQuery } from '@tanstack/react-query'
import { useEffect, useRef, useState } from 'react'
import { useJob } from '../job/JobProvider'
import { Part } from '../kit/Page'
import { copies } from './copies'
import { opensWithoutSignal } from './serviceWorker'

const PHOTO_CACHE = 'neat-bracket-photos'
/** Under so much room left the device is nearly full, bytes. */
const LITTLE_ROOM = 200_000_000

interface Room {
  readonly usedMb: number
  readonly leftMb: number
  readonly little: boolean
  readonly lasting: boolean
}

async function roomHere(): Promise<Room | null> {
  const { usage, quota } = (await navigator.storage?.estimate?.()) ?? {}
  if (usage === undefined || quota === undefined) return null
  const left = Math.max(0, quota - usage)
  return {
    usedMb: Math.round(usage / 1e6),
    leftMb: Math.round(left / 1e6),
    little: left < LITTLE_ROOM,
    lasting: (await navigator.storage.persisted?.()) ?? false,
  }
}

interface Here {
  /** Addresses of photos that are kept here; null where the browser keeps none. */
  readonly here: ReadonlySet<string> | null
  /** Whether the record of the job itself is. */
  readonly record: boolean
  readonly room: Room | null
}

async function lookHere(jobId: string): Promise<Here> {
  const room = await roomHere().catch(() => null)
  if (!opensWithoutSignal()) return { here: null, record: false, room }
  const jobs = await copies()
    .list()
    .catch(() => [])
  const kept = await (await caches.open(PHOTO_CACHE)).keys()
  const here = new Set(kept.map(({ url }) => url.slice(window.location.origin.length)))
  return { here, record: jobs.some(({ id }) => id === jobId), room }
}

/** Whether it is kept now: the service worker keeps what it brings too, in its own time. */
async function keepHere(photos: Cache, url: string, signal: AbortSignal): Promise<boolean> {
  try {
    const answer = await fetch(url, { signal })
    if (answer.ok) await photos.put(url, answer)
    return answer.ok
  } catch {
    return false
  }
}

function standing({ here, record }: Pick<Here, 'here' | 'record'>): string {
  if (!here) return 'This browser keeps no pages: without signal this job goes on while the page stays open.'
  if (record) return 'This job opens here without signal: board, plan, sheets, log and punch list.'
  return (
    '▲ This job could not be kept here: without signal it goes on only while the page stays open. ' +
    'Make room, and open it again.'
  )
}

/** What of this job is on the device, and what can be taken along before one leaves the signal. */
export function OnThisDevice() {
  const { job } = useJob()
  const look = useQuery({
    queryKey: ['on this device', job.id],
    queryFn: () => lookHere(job.id),
    networkMode: 'always',
  })
  const [fetching, setFetching] = useState<{ done: number; of: number } | null>(null)
  const [failed, setFailed] = useState(0)
  const ended = useRef<AbortController>(null)
  const { here = null, record = false, room = null } = look.data ?? {}
  const wanted = addressesOf(job)
  const lacking = here ? wanted.filter((url) => !here.has(url)) : []
  useEffect(() => () => ended.current?.abort(), [])
  const takeAlong = async () => {
    const { signal } = (ended.current = new AbortController())
    let done = 0
    let lost = 0
    setFailed(0)
    const photos = await caches.open(PHOTO_CACHE)
    for (const url of lacking) {
      setFetching({ done, of: lacking.length })
      if (!(await keepHere(photos, url, signal))) lost++
      if (signal.aborted) break
      done++
    }
    setFetching(null)
    setFailed(lost)
    await look.refetch()
  }
  return (
    <Part title="On this device">
      {look.data ? <Text>{standing({ here, record })}</Text> : null}
      {here && wanted.length > 0 ? (
        <Text>
          {lacking.length === 0
            ? 'All its photos and drawings are here.'
            : `${wanted.length - lacking.length} of ${wanted.length} photos and drawings are here.`}
        </Text>
      ) : null}
      {room ? (
        <Text color={room.little ? 'check' : 'soft'}>
          {room.little ? '▲ This device is nearly full. ' : ''}
          {room.usedMb} MB used, {room.leftMb} MB left
          {room.lasting
            ? '; the browser does not clear it.'
            : '; the browser may clear it when room gets short.'}
        </Text>
      ) : null}
      {fetching ? (
        <HStack mt={3} gap={3} role="status">
          <Progress.Root value={fetching.done} max={fetching.of} flex="1" maxW="360px" colorPalette="inky">
            <Progress.Track>
              <Progress.Range />
            </Progress.Track>
          </Progress.Root>
          <Text className="figures">
            {fetching.done} of {fetching.of}
          </Text>
          <Button minH="48px" variant="outline" onClick={() => ended.current?.abort()}>
            Stop
          </Button>
        </HStack>
      ) : null}
      {failed > 0 && !fetching ? (
        <Text role="alert" color="check">
          ▲ {failed} could not be kept here. Try again where there is signal.
        </Text>
      ) : null}
      {lacking.length > 0 && !fetching ? (
        <Button mt={3} minH="48px" colorPalette="copper" onClick={() => void takeAlong()}>
          Take the photos along
        </Button>
      ) : null}
    </Part>
  )
}

/** The small versions of photos, and the drawings under the plan. */
function addressesOf({ photos, backgrounds }: ReturnType<typeof useJob>['job']): string[] {
  const small = photos.map(({ sha256 }) => `/api/photos/${sha256}?size=small`)
  const drawn = backgrounds.map(({ sha256 }) => `/api/photos/${sha256}?size=original`)
  return [...new Set([...small, ...drawn])]
}
