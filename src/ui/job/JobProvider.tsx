'use client'

import { useQuery, useQueryClient } from '@tanstack/react-query'
import {
  createContext,
  useCallback,
  useContext,
  useEffect,
  useMemo,
  useRef,
  useState,
  useSyncExternalStore,
  type ReactNode,
} from 'react'
import { CATALOGUE } from '@/catalogue'
import { assessAgain, type Assessed, type Assessment, type DeviceAssessment } from '@/core/assess'
import type { Change, Device, Job } from '@/core/job'
import { envelope, say, withCommands, type Said } from './commands'
import { NOTHING_WAITING, outbox, type OutboxState } from '../outbox/outbox'

interface StoredJob {
  readonly revision: number
  readonly job: Job
}

interface JobView {
  readonly job: Job
  readonly assessment: Assessment
  readonly outbox: OutboxState
  /** Says a change for good; answered once it is kept on this device. */
  readonly send: (change: Change) => Promise<Said>
  /**
   * The job with everything said in it, also what is only now being kept: what the next change starts from.
   */
  readonly latest: () => Job
  /** Shows a change without saying it: what-if while dragging and typing. Null ends it. */
  readonly preview: (change: Change | null) => void
}

const View = createContext<JobView | null>(null)
const subscribe = (listener: () => void) => outbox().subscribe(listener)
const snapshot = () => outbox().snapshot()

/** Assesses a job again and again, taking over what did not change since the last time. */
function rememberingAssess(): (job: Job) => Assessment {
  let last: Assessed | null = null
  return (job) => {
    last = { job, assessment: assessAgain(last, job, CATALOGUE) }
    return last.assessment
  }
}

/** Useful outside a job too: what waits to be sent. */
export function useOutbox(): OutboxState {
  return useSyncExternalStore(subscribe, snapshot, NOTHING_WAITING)
}

/**
 * Holds one job: what the server has, what waits in the outbox, what is being tried, and everything
 * computed from it.
 */
export function JobProvider({ stored, children }: { stored: StoredJob; children: ReactNode }) {
  const jobId = stored.job.id
  const queries = useQueryClient()
  const waiting = useOutbox()
  const [tried, preview] = useState<Change | null>(null)
  const { data } = useQuery<StoredJob>({
    queryKey: ['job', jobId],
    queryFn: async () => {
      const response = await fetch(`/api/jobs/${jobId}`)
      if (!response.ok) throw new Error('The job could not be read.')
      return (await response.json()) as StoredJob
    },
    initialData: stored,
  })

  useEffect(
    () =>
      outbox().onApplied((commands, revisions) => {
        const revision = revisions[jobId]
        const own = commands.filter((command) => command.jobId === jobId)
        if (revision === undefined || own.length === 0) return
        const held = queries.getQueryData<StoredJob>(['job', jobId])
        const job = held ? withCommands(held.job, own) : null
        if (job && held?.revision === revision - 1)
          queries.setQueryData<StoredJob>(['job', jobId], { revision, job })
        else void queries.invalidateQueries({ queryKey: ['job', jobId] })
      }),
    [jobId, queries],
  )

  const own = useMemo(
    () =>
      waiting.waiting
        .filter((one) => one.jobId === jobId && one.reasons === null)
        .map(({ command }) => command),
    [waiting.waiting, jobId],
  )
  const said = useMemo(() => withCommands(data.job, own) ?? data.job, [data.job, own])
  const shown = useMemo(
    () => (tried ? (withCommands(said, [envelope(jobId, tried)]) ?? said) : said),
    [said, tried, jobId],
  )

  const [assessShown] = useState(rememberingAssess)
  const assessment = useMemo(() => assessShown(shown), [assessShown, shown])

  const served = useRef(data.job)
  useEffect(() => {
    served.current = data.job
  }, [data.job])
  const latest = useCallback(
    () => withCommands(served.current, outbox().unsent(jobId)) ?? served.current,
    [jobId],
  )
  const send = useCallback((change: Change) => say(latest(), jobId, change), [latest, jobId])
  const view = useMemo(
    () => ({ job: shown, assessment, outbox: waiting, send, latest, preview }),
    [shown, assessment, waiting, send, latest],
  )
  return <View.Provider value={view}>{children}</View.Provider>
}

export function useJob(): JobView {
  const view = useContext(View)
  if (!view) throw new Error('useJob stands inside a JobProvider.')
  return view
}

/** One device of the job with its assessment; null when the job has none with this id. */
export function useDevice(
  deviceId: string,
): { readonly device: Device; readonly assessed: DeviceAssessment } | null {
  const { job, assessment } = useJob()
  const index = job.devices.findIndex(({ id }) => id === deviceId)
  return index < 0 ? null : { device: job.devices[index]!, assessed: assessment.devices[index]! }
}
