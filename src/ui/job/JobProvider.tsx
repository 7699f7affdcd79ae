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
import { Button, Text } from '@chakra-ui/react'
import type { Assessment, DeviceAssessment, EquipmentAssessment, RunAssessment } from '@/core/assess'
import { CATALOGUE } from '@/catalogue'
import { withOwn, type Catalogue } from '@/core/parts'
import type { Change, Device, Equipment, Job, Run } from '@/core/job'
import { useWay } from '../kit/go'
import { copies } from '../kept/copies'
import { NOTHING_WAITING, outbox, type OutboxState } from '../outbox/outbox'
import { say, type Said } from './commands'
import { wholeJob, type GivenJob, type LargeJob, type WholeJob } from './given'
import { Replica } from './replica'
import { useLed, warm } from './cables'
import { useAssessment } from './useAssessment'

interface JobView {
  readonly job: Job
  /** Says a change for good; answered once it is kept on this device. */
  readonly send: (change: Change) => Promise<Said>
  /**
   * The job with everything said in it, also what is only now being kept: what the next change starts from.
   */
  readonly latest: () => Job
  /** Shows changes without saying them: what-if while dragging and typing. None ends it. */
  readonly preview: (...changes: readonly Change[]) => void
  /** Answers with what ends the preview that is shown now: what is typed meanwhile stays shown. */
  readonly trial: () => () => void
}

const View = createContext<JobView | null>(null)
/** Apart, so that a screen that asks for no figure is not drawn again while they come in. */
const Assessed = createContext<Assessment | null>(null)
const subscribe = (listener: () => void) => outbox().subscribe(listener)
const snapshot = () => outbox().snapshot()

/** Useful outside a job too: what waits to be sent. */
export function useOutbox(): OutboxState {
  return useSyncExternalStore(subscribe, snapshot, NOTHING_WAITING)
}

/** Holds one job and everything computed from it. */
export function JobProvider({ given, children }: { given: GivenJob; children: ReactNode }) {
  return 'job' in given ? <Live stored={given}>{children}</Live> : <Fetched given={given}>{children}</Fetched>
}

/** A large job does not travel inside the page: it is fetched beside it, and the browser computes it. */
function Fetched({ given: { id, name, devices }, children }: { given: LargeJob; children: ReactNode }) {
  const [stored, setStored] = useState<WholeJob | null>(null)
  const [wrong, setWrong] = useState(false)
  useEffect(warm, [])
  useEffect(() => {
    if (stored || wrong) return
    const ended = new AbortController()
    fetch(wholeJob(id), { signal: ended.signal })
      .then((response) => (response.ok ? response.json() : Promise.reject(new Error(response.statusText))))
      .catch(() => (ended.signal.aborted ? null : keptCopy(id)))
      .then((job) => (job ? setStored(job as WholeJob) : setWrong(!ended.signal.aborted)))
      .catch(() => setWrong(true))
    return () => ended.abort()
  }, [id, stored, wrong])
  if (stored) return <Live stored={stored}>{children}</Live>
  return wrong ? (
    <Text p={5} role="alert">
      {name} could not be read: no word from the server.{' '}
      <Button minH="44px" onClick={() => setWrong(false)}>
        Try again
      </Button>
    </Text>
  ) : (
    <Text p={5} color="soft" role="status">
      Opening {name}: {devices} devices…
    </Text>
  )
}

/** A job as it is kept on this device; null when it is not. */
export async function keptCopy(jobId: string): Promise<WholeJob | null> {
  const kept = await copies()
    .open(jobId)
    .catch(() => null)
  return kept && { ...kept.stored, landed: kept.landed }
}

function Live({ stored, children }: { stored: WholeJob; children: ReactNode }) {
  const [replica] = useState(() => new Replica(stored, stored.landed))
  useEffect(() => replica.follow(), [replica])
  const job = useSyncExternalStore(replica.subscribe, replica.job, replica.job)
  // What is dragged on the plan is shown at once; what it comes to is reckoned when the hand lets go.
  const judged = useSyncExternalStore(replica.subscribe, replica.judged, replica.judged)
  const led = useLed(judged, sameDevices)
  const [screen, deviceId] = useWay(job.id)
  const [drawn] = useState(stored.landed === undefined)
  const assessment = useAssessment(led, screen === 'devices' ? (deviceId ?? null) : null, drawn)
  const view = useMemo<JobView>(
    () => ({
      job,
      send: (change) => say(replica.latest(), replica.jobId, change, replica.revision),
      latest: replica.latest,
      preview: replica.preview,
      trial: replica.trial,
    }),
    [job, replica],
  )
  return (
    <View.Provider value={view}>
      <Assessed.Provider value={assessment}>{children}</Assessed.Provider>
    </View.Provider>
  )
}

/** What is judged is looked up beside the job: it is of the same devices, equipment and runs. */
const sameDevices = (a: Job, b: Job): boolean =>
  a.devices === b.devices && a.equipment === b.equipment && a.runs === b.runs

export function useJob(): JobView {
  const view = useContext(View)
  if (!view) throw new Error('useJob stands inside a JobProvider.')
  return view
}

/** All parts that the job may name: those that ship, and its own. */
export function useCatalogue(): Catalogue {
  return withOwn(CATALOGUE, useJob().job.ownParts)
}

/** Everything computed from the job. */
export function useAssessed(): Assessment {
  const assessment = useContext(Assessed)
  if (!assessment) throw new Error('useAssessed stands inside a JobProvider.')
  return assessment
}

/** One piece of equipment with what it comes to; null when there is none. */
export function useEquipment(
  equipmentId: string,
): { readonly equipment: Equipment; readonly assessed: EquipmentAssessment } | null {
  const { job } = useJob()
  const assessment = useAssessed()
  const index = job.equipment.findIndex(({ id }) => id === equipmentId)
  return index < 0 ? null : { equipment: job.equipment[index]!, assessed: assessment.equipment[index]! }
}

/** One run with what it comes to; null when there is none. */
export function useRun(runId: string): { readonly run: Run; readonly assessed: RunAssessment } | null {
  const { job } = useJob()
  const assessment = useAssessed()
  const index = job.runs.findIndex(({ id }) => id === runId)
  return index < 0 ? null : { run: job.runs[index]!, assessed: assessment.runs[index]! }
}

/** One device of the job with its assessment; null when the job has none with this id. */
export function useDevice(
  deviceId: string,
): { readonly device: Device; readonly assessed: DeviceAssessment } | null {
  const { job } = useJob()
  const assessment = useAssessed()
  const index = job.devices.findIndex(({ id }) => id === deviceId)
  return index < 0 ? null : { device: job.devices[index]!, assessed: assessment.devices[index]! }
}
