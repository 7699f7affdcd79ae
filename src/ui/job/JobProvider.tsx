'use client'

import {
  createContext,
  useContext,
  useEffect,
  useMemo,
  useState,
  useSyncExternalStore,
  type ReactNode,
} from 'react'
import { Text } from '@chakra-ui/react'
import { CATALOGUE } from '@/catalogue'
import { assessAgain, type Assessed, type Assessment, type DeviceAssessment } from '@/core/assess'
import type { Change, Device, Job } from '@/core/job'
import { useMounted } from '../kit/ink'
import { NOTHING_WAITING, outbox, type OutboxState } from '../outbox/outbox'
import { say, type Said } from './commands'
import { Replica, type StoredJob } from './replica'

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

/** Above so many devices the server leaves the screens to the browser: others are served meanwhile. */
const MOST_SERVED = 60

/** Holds one job and everything computed from it. */
export function JobProvider({ stored, children }: { stored: StoredJob; children: ReactNode }) {
  const mounted = useMounted()
  if (mounted || stored.job.devices.length <= MOST_SERVED) return <Live stored={stored}>{children}</Live>
  return (
    <Text p={5} color="soft">
      Opening {stored.job.name}: {stored.job.devices.length} devices…
    </Text>
  )
}

function Live({ stored, children }: { stored: StoredJob; children: ReactNode }) {
  const [replica] = useState(() => new Replica(stored))
  useEffect(() => replica.follow(), [replica])
  const job = useSyncExternalStore(replica.subscribe, replica.job, replica.job)
  // What is dragged on the plan is shown at once; what it comes to is reckoned when the hand lets go.
  const judged = useSyncExternalStore(replica.subscribe, replica.judged, replica.judged)
  const waiting = useOutbox()
  const [assessShown] = useState(rememberingAssess)
  const assessment = useMemo(() => assessShown(judged), [assessShown, judged])
  const view = useMemo<JobView>(
    () => ({
      job,
      assessment,
      outbox: waiting,
      send: (change) => say(replica.latest(), replica.jobId, change, replica.revision),
      latest: replica.latest,
      preview: replica.preview,
    }),
    [job, assessment, waiting, replica],
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
