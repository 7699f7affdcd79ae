import type { Catalogue } from '../parts'
import type { Command, Reason } from './command'
import {
  MOST_THINGS,
  NO_DETAILS,
  type Device,
  type DeviceChoice,
  type Fault,
  type FaultFacts,
  type Job,
} from './job'

export type Applied =
  | { readonly ok: true; readonly job: Job }
  | { readonly ok: false; readonly reasons: readonly Reason[] }

const refuse = (path: string, message: string): Applied => ({ ok: false, reasons: [{ path, message }] })

/**
 * Applies one command to a job and returns the new job, sharing whatever did not change, or the reasons for
 * refusing it. Pure: the server persists what differs, the page shows it before the server has answered.
 */
export function apply(job: Job | null, command: Command, catalogue: Catalogue): Applied {
  if (command.type === 'createJob') {
    if (job) return refuse('/jobId', 'This job exists already.')
    return {
      ok: true,
      job: {
        id: command.jobId,
        ...command.facts,
        createdAt: command.at,
        createdBy: command.by,
        site: null,
        backgrounds: [],
        things: [],
        supplies: [],
        devices: [],
        records: [],
        photos: [],
        faults: [],
      },
    }
  }
  if (!job) return refuse('/jobId', 'There is no job with this id.')
  const done = (change: Partial<Job>): Applied => ({ ok: true, job: { ...job, ...change } })

  switch (command.type) {
    case 'editJob':
      return done(command.facts)
    case 'putSupply':
      if (!catalogue.supplies.has(command.supply.partId))
        return unknownPart('/supply/partId', command.supply.partId)
      return done({ supplies: put(job.supplies, command.supply) })
    case 'removeSupply': {
      const user = job.devices.find((device) => device.power?.supplyId === command.supplyId)
      if (user)
        return refuse(
          '/supplyId',
          `Device ${user.mark} is powered from it: choose another supply there first.`,
        )
      return done({ supplies: job.supplies.filter(({ id }) => id !== command.supplyId) })
    }
    case 'setSite':
      return done({ site: command.site })
    case 'setBackground': {
      const others = job.backgrounds.filter(({ floor }) => floor !== command.floor)
      return done({
        backgrounds: command.background
          ? [...others, { floor: command.floor, ...command.background }]
          : others,
      })
    }
    case 'putThing':
      if (job.things.length >= MOST_THINGS && !job.things.some(({ id }) => id === command.thing.id))
        return refuse('/thing', `A job holds at most ${MOST_THINGS} things on its plans.`)
      return done({ things: put(job.things, command.thing) })
    case 'removeThing':
      return done({ things: job.things.filter(({ id }) => id !== command.thingId) })
    case 'addDevice': {
      if (job.devices.some(({ id }) => id === command.deviceId))
        return refuse('/deviceId', 'This device exists already.')
      const wrong = choiceReasons(job, command.deviceId, command.choice, catalogue)
      if (wrong.length > 0) return { ok: false, reasons: wrong }
      const device: Device = {
        id: command.deviceId,
        ...command.choice,
        sight: null,
        mount: null,
        route: null,
        terminate: null,
        seal: null,
        power: null,
        details: NO_DETAILS,
      }
      return done({ devices: [...job.devices, device] })
    }
    case 'addPhoto': {
      if (job.photos.some(({ id }) => id === command.photoId))
        return refuse('/photoId', 'This photo is in the job already.')
      const { deviceId, faultId } = command.facts
      if (deviceId !== null && !job.devices.some(({ id }) => id === deviceId))
        return refuse('/facts/deviceId', 'There is no device with this id.')
      if (faultId !== null && !job.faults.some(({ id }) => id === faultId))
        return refuse('/facts/faultId', 'There is no fault with this id.')
      return done({
        photos: [...job.photos, { id: command.photoId, ...command.facts, at: command.at, by: command.by }],
      })
    }
    case 'removePhoto': {
      const photo = job.photos.find(({ id }) => id === command.photoId)
      if (job.faults.some(({ id, state }) => id === photo?.faultId && state === 'closed'))
        return refuse('/photoId', 'It is evidence of a closed fault: it stays in the record.')
      return done({ photos: job.photos.filter(({ id }) => id !== command.photoId) })
    }
    case 'raiseFault': {
      if (job.faults.some(({ id }) => id === command.faultId))
        return refuse('/faultId', 'This fault exists already.')
      const wrong = factsReason(job, command.facts)
      if (wrong) return wrong
      const fault: Fault = {
        id: command.faultId,
        ...command.facts,
        state: 'open',
        raisedAt: command.at,
        raisedBy: command.by,
        events: [],
      }
      return done({ faults: [...job.faults, fault] })
    }
    case 'editFault':
    case 'fixFault':
    case 'recheckFault':
      return applyToFault(job, command)
    default:
      return applyToDevice(job, command, catalogue)
  }
}

type OnFault = Extract<Command, { type: 'editFault' | 'fixFault' | 'recheckFault' }>

function applyToFault(job: Job, command: OnFault): Applied {
  const fault = job.faults.find(({ id }) => id === command.faultId)
  if (!fault) return refuse('/faultId', 'There is no fault with this id.')
  const done = (change: Partial<Fault>): Applied => ({
    ok: true,
    job: { ...job, faults: put(job.faults, { ...fault, ...change }) },
  })
  const { at, by } = command
  switch (command.type) {
    case 'editFault':
      return factsReason(job, command.facts) ?? done(command.facts)
    case 'fixFault':
      if (fault.state === 'closed') return refuse('/faultId', 'This fault is closed; raise a new one.')
      return done({
        state: command.fix.kind === 'temporary' ? 'temporary fix' : 'fixed',
        events: [...fault.events, { event: 'fix', at, by, fix: command.fix }],
      })
    case 'recheckFault':
      if (fault.state !== 'fixed')
        return refuse('/faultId', 'Only a lasting fix can be re-checked; record the fix first.')
      return done({
        state: command.passed ? 'closed' : 'open',
        events: [...fault.events, { event: 're-check', at, by, passed: command.passed, note: command.note }],
      })
  }
}

type OnDevice = Extract<Command, { deviceId: string }>

function applyToDevice(
  job: Job,
  command: Exclude<OnDevice, { type: 'addDevice' }>,
  catalogue: Catalogue,
): Applied {
  const device = job.devices.find(({ id }) => id === command.deviceId)
  if (!device) return refuse('/deviceId', 'There is no device with this id.')
  const done = (change: Partial<Device>): Applied => ({
    ok: true,
    job: { ...job, devices: put(job.devices, { ...device, ...change }) },
  })
  switch (command.type) {
    case 'editDevice': {
      const wrong = choiceReasons(job, device.id, command.choice, catalogue)
      return wrong.length > 0 ? { ok: false, reasons: wrong } : done(command.choice)
    }
    case 'removeDevice': {
      const kept =
        job.records.some(({ deviceId }) => deviceId === device.id) ||
        job.photos.some(({ deviceId }) => deviceId === device.id) ||
        job.faults.some(({ deviceId }) => deviceId === device.id)
      if (kept)
        return refuse(
          '/deviceId',
          'Work, photos or faults are recorded on this device; it stays in the record.',
        )
      return { ok: true, job: { ...job, devices: job.devices.filter(({ id }) => id !== device.id) } }
    }
    case 'setSight':
      return done({ sight: command.sight })
    case 'setMount':
      if (!catalogue.fixings.has(command.mount.fixingId))
        return unknownPart('/mount/fixingId', command.mount.fixingId)
      if (command.mount.woodId !== null && !catalogue.woods.has(command.mount.woodId))
        return unknownPart('/mount/woodId', command.mount.woodId)
      return done({ mount: command.mount })
    case 'setRoute': {
      const { segments } = command.route
      for (const [index, { conduitId }] of segments.entries()) {
        if (conduitId !== null && !catalogue.conduits.has(conduitId))
          return unknownPart(`/route/segments/${index}/conduitId`, conduitId)
      }
      if (new Set(segments.map(({ id }) => id)).size < segments.length)
        return refuse('/route/segments', 'Two segments have the same id.')
      return done({ route: command.route })
    }
    case 'setTerminate':
      if (!catalogue.connectors.has(command.terminate.cameraEndId))
        return unknownPart('/terminate/cameraEndId', command.terminate.cameraEndId)
      if (!catalogue.connectors.has(command.terminate.headEndId))
        return unknownPart('/terminate/headEndId', command.terminate.headEndId)
      return done({ terminate: command.terminate })
    case 'setSeal':
      for (const [index, { sealId }] of command.seal.choices.entries()) {
        if (sealId !== null && !catalogue.seals.has(sealId))
          return unknownPart(`/seal/choices/${index}/sealId`, sealId)
      }
      return done({ seal: command.seal })
    case 'setPower':
      if (!job.supplies.some(({ id }) => id === command.power.supplyId))
        return refuse('/power/supplyId', 'There is no supply with this id in the job.')
      return done({ power: command.power })
    case 'setDetails':
      return done({ details: command.details })
    case 'recordStep': {
      const { deviceId, stepId, outcome, at, by } = command
      if (outcome.state === 'left out' && outcome.note === '')
        return refuse('/outcome/note', 'Say why the step is left out.')
      const again = job.records.some((record) => record.stepId === stepId && record.deviceId === deviceId)
      const others = again
        ? job.records.filter((record) => record.deviceId !== deviceId || record.stepId !== stepId)
        : job.records
      return { ok: true, job: { ...job, records: [...others, { deviceId, stepId, ...outcome, at, by }] } }
    }
    case 'clearStep':
      return {
        ok: true,
        job: {
          ...job,
          records: job.records.filter(
            (record) => record.deviceId !== command.deviceId || record.stepId !== command.stepId,
          ),
        },
      }
  }
}

function factsReason(job: Job, facts: FaultFacts): Applied | null {
  if (facts.deviceId !== null && !job.devices.some(({ id }) => id === facts.deviceId))
    return refuse('/facts/deviceId', 'There is no device with this id.')
  return null
}

function choiceReasons(job: Job, deviceId: string, choice: DeviceChoice, catalogue: Catalogue): Reason[] {
  const reasons: Reason[] = []
  const known = (path: string, id: string, table: ReadonlyMap<string, unknown>) => {
    if (!table.has(id)) reasons.push({ path, message: `The catalogue has no part "${id}".` })
  }
  known('/choice/cameraId', choice.cameraId, catalogue.cameras)
  known('/choice/surfaceId', choice.surfaceId, catalogue.surfaces)
  known('/choice/cableId', choice.cableId, catalogue.cables)
  choice.mountIds.forEach((id, index) => known(`/choice/mountIds/${index}`, id, catalogue.mounts))
  choice.accessoryIds.forEach((id, index) =>
    known(`/choice/accessoryIds/${index}`, id, catalogue.accessories),
  )
  if (job.devices.some(({ id, mark }) => mark === choice.mark && id !== deviceId)) {
    reasons.push({ path: '/choice/mark', message: `Another device is marked ${choice.mark} already.` })
  }
  return reasons
}

const unknownPart = (path: string, id: string): Applied => refuse(path, `The catalogue has no part "${id}".`)

/** Replaces the item with the same id in its place, or appends it. */
function put<T extends { id: string }>(items: readonly T[], item: T): T[] {
  return items.some(({ id }) => id === item.id)
    ? items.map((old) => (old.id === item.id ? item : old))
    : [...items, item]
}
