import { Id } from '../fields'
import { Outcome, Photo, PhotoFacts, StepRecord, type Job } from '../job'
import { unhanded } from './handing'
import { changed, kind, refuse, type Applied, type Envelope } from './kind'
import { everyOne, isMarked } from './marked'

/** Commands of the install log: steps and photos. */

const StepId = StepRecord.shape.stepId

/** Many steps recorded one after the other: the same as one by one, in one pass. */
export function recordedAll(job: Job, commands: readonly (Recorded & Envelope)[]): Applied {
  const known = new Set(everyOne(job).map(({ id }) => id))
  const records = [...job.records]
  const at = new Map(records.map((record, index) => [keyOf(record), index]))
  for (const command of commands) {
    const wrong = wrongIn(command, known.has(command.deviceId))
    if (wrong) return wrong
    const record = recordOf(command)
    const index = at.get(keyOf(record))
    if (index !== undefined) records[index] = record
    else at.set(keyOf(record), records.push(record) - 1)
  }
  const said = new Set(commands.map(keyOf))
  return changed(job, { records, handed: unhanded(job.handed, (step) => said.has(keyOf(step))) })
}

interface Recorded {
  readonly deviceId: string
  readonly stepId: string
  readonly title: string
  readonly outcome: Outcome
}

const keyOf = ({ deviceId, stepId }: { deviceId: string; stepId: string }): string =>
  `${deviceId}\u001f${stepId}`

const recordOf = ({ deviceId, stepId, title, outcome, at, by }: Recorded & Envelope): StepRecord => ({
  deviceId,
  stepId,
  title,
  ...outcome,
  at,
  by,
})

function wrongIn({ outcome }: Recorded, deviceIsThere: boolean): Applied | null {
  if (!deviceIsThere) return refuse('/deviceId', 'There is no device with this id.')
  if (outcome.state !== 'left out' || outcome.note !== '') return null
  return refuse('/outcome/note', 'Say why the step is left out.')
}

export const recordStep = kind({
  shape: { deviceId: Id, stepId: StepId, title: StepRecord.shape.title, outcome: Outcome },
  called: 'a recorded step',
  apply: (job, command) => {
    const { deviceId, stepId } = command
    const wrong = wrongIn(command, isMarked(job, deviceId))
    if (wrong) return wrong
    const record = recordOf(command)
    const index = job.records.findIndex((one) => one.stepId === stepId && one.deviceId === deviceId)
    return changed(job, {
      records: index < 0 ? [...job.records, record] : job.records.with(index, record),
      handed: unhanded(job.handed, (one) => keyOf(one) === keyOf(command)),
    })
  },
  touches: ({ deviceId, stepId, outcome }) => [[`step/${deviceId}/${stepId}`, outcome]],
})

export const clearStep = kind({
  shape: { deviceId: Id, stepId: StepId },
  called: 'a record taken out',
  apply: (job, { deviceId, stepId }) => {
    if (!isMarked(job, deviceId)) {
      return refuse('/deviceId', 'There is no device with this id.')
    }
    return changed(job, {
      records: job.records.filter((record) => record.deviceId !== deviceId || record.stepId !== stepId),
    })
  },
})

export const addPhoto = kind({
  shape: { photoId: Id, facts: PhotoFacts },
  called: 'a photo',
  apply: (job, { photoId, facts, at, by }) => {
    const { deviceId, faultId } = facts
    if (job.photos.some(({ id }) => id === photoId)) {
      return refuse('/photoId', 'This photo is in the job already.')
    }
    if (deviceId !== null && !isMarked(job, deviceId)) {
      return refuse('/facts/deviceId', 'There is no device with this id.')
    }
    if (faultId !== null && !job.faults.some(({ id }) => id === faultId)) {
      return refuse('/facts/faultId', 'There is no fault with this id.')
    }
    return changed(job, { photos: [...job.photos, { id: photoId, ...facts, marks: [], at, by }] })
  },
})

export const markPhoto = kind({
  shape: { photoId: Id, marks: Photo.shape.marks },
  called: 'marks on a photo',
  apply: (job, { photoId, marks }) => {
    const index = job.photos.findIndex(({ id }) => id === photoId)
    if (index < 0) return refuse('/photoId', 'There is no photo with this id.')
    return changed(job, { photos: job.photos.with(index, { ...job.photos[index]!, marks }) })
  },
  touches: ({ photoId, marks }) => [[`photo/${photoId}/marks`, marks]],
})

export const removePhoto = kind({
  shape: { photoId: Id },
  called: 'a photo taken out',
  apply: (job, { photoId }) => {
    const photo = job.photos.find(({ id }) => id === photoId)
    if (job.faults.some(({ id, state }) => id === photo?.faultId && state === 'closed')) {
      return refuse('/photoId', 'It is evidence of a closed fault: it stays in the record.')
    }
    return changed(job, { photos: job.photos.filter(({ id }) => id !== photoId) })
  },
})
