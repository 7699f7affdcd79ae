import { z } from 'zod'
import type { PlannedStage } from '../../findings'
import { supplyOf, type Catalogue } from '../../parts'
import { PLANS, type PlanChange, type Plans } from '../../stages/plans'
import { Id } from '../fields'
import { Details, DeviceChoice, NO_PLANS, type Device, type Job } from '../job'
import { NO_DETAILS } from '../usual'
import { isMarked, isUsed, wrongMark, wrongReplaced } from './marked'
import { changed, fieldsOf, kind, put, reasonsOf, refuse, type Applied, type Reason } from './kind'
import { known, wrongWay } from './planned'

/** Commands about a device: its parts, what is planned of it, and what stands on its label. */

export const addDevice = kind({
  shape: { deviceId: Id, choice: DeviceChoice },
  called: 'a new device',
  apply: (job, { deviceId, choice }, catalogue) => {
    if (isMarked(job, deviceId)) return refuse('/deviceId', 'This device exists already.')
    const wrong = choiceReasons(job, deviceId, choice, catalogue, '/choice')
    if (wrong.length > 0) return { ok: false, reasons: wrong }
    const device: Device = { id: deviceId, ...choice, ...NO_PLANS, details: NO_DETAILS }
    return changed(job, { devices: [...job.devices, device] })
  },
})

/** Applies a change to one device of the job. */
export function onDevice(job: Job, deviceId: string, change: (device: Device) => Partial<Device>): Applied {
  const device = job.devices.find(({ id }) => id === deviceId)
  if (!device) return refuse('/deviceId', 'There is no device with this id.')
  return changed(job, { devices: put(job.devices, { ...device, ...change(device) }) })
}

export const editDevice = kind({
  shape: { deviceId: Id, change: DeviceChoice.partial() },
  called: 'a device’s parts',
  apply: (job, { deviceId, change }, catalogue) => {
    const wrong = choiceReasons(job, deviceId, change, catalogue, '/change')
    return wrong.length > 0 ? { ok: false, reasons: wrong } : onDevice(job, deviceId, () => change)
  },
  touches: ({ deviceId, change }) => fieldsOf(`device/${deviceId}`, change),
})

export const removeDevice = kind({
  shape: { deviceId: Id },
  called: 'a device taken out',
  apply: (job, { deviceId }) => {
    if (!job.devices.some(({ id }) => id === deviceId)) {
      return refuse('/deviceId', 'There is no device with this id.')
    }
    const used = isUsed(job, deviceId)
    if (used) return refuse('/deviceId', used)
    return changed(job, { devices: job.devices.filter(({ id }) => id !== deviceId) })
  },
})

const PlanFields = z
  .strictObject(
    Object.fromEntries(
      Object.entries(PLANS).map(([stage, schema]) => [stage, (schema as z.ZodObject).partial().optional()]),
    ),
  )
  .refine((plan) => Object.keys(plan).length > 0, 'Say what changes.') as unknown as z.ZodType<PlanChange>

export const setPlan = kind({
  shape: {
    deviceId: Id,
    /** The fields that change, by stage; a stage that nobody has planned yet comes whole. */
    plan: PlanFields,
  },
  called: 'a plan',
  apply: (job, { deviceId, plan }, catalogue) => {
    const device = job.devices.find(({ id }) => id === deviceId)
    if (!device) return refuse('/deviceId', 'There is no device with this id.')
    let next = device
    for (const stage of Object.keys(plan) as PlannedStage[]) {
      const planned = PLANS[stage].safeParse({ ...device[stage], ...plan[stage] })
      if (!planned.success) return { ok: false, reasons: reasonsOf(planned.error, `/plan/${stage}`) }
      const wrong = unknownIn(stage, planned.data, job, catalogue)
      if (wrong) return refuse(`/plan/${stage}${wrong.path}`, wrong.message)
      next = { ...next, [stage]: planned.data }
    }
    return changed(job, { devices: put(job.devices, next) })
  },
  touches: ({ deviceId, plan }) =>
    Object.entries(plan).flatMap(([stage, fields]) => fieldsOf(`device/${deviceId}/${stage}`, fields)),
})

export const editDetails = kind({
  shape: { deviceId: Id, change: Details.partial() },
  called: 'what stands on a label',
  apply: (job, { deviceId, change }) => {
    const equipment = job.equipment.find(({ id }) => id === deviceId)
    if (!equipment) return onDevice(job, deviceId, ({ details }) => ({ details: { ...details, ...change } }))
    const details = { ...equipment.details, ...change }
    return changed(job, { equipment: put(job.equipment, { ...equipment, details }) })
  },
  touches: ({ deviceId, change }) => fieldsOf(`device/${deviceId}/details`, change),
})

type Unknown = {
  readonly [S in PlannedStage]?: (plan: Plans[S], job: Job, catalogue: Catalogue) => Reason | null
}

/** What a plan names that is not there, or holds twice. */
const UNKNOWN: Unknown = {
  mount: ({ fixingId, woodId }, _, { fixings, woods }) =>
    known('/fixingId', fixingId, fixings) ?? known('/woodId', woodId, woods),
  route: (route, _, catalogue) => wrongWay(route, catalogue),
  terminate: ({ cameraEndId, headEndId, recorderId }, { equipment }, { connectors }) =>
    known('/cameraEndId', cameraEndId, connectors) ??
    known('/headEndId', headEndId, connectors) ??
    (recorderId === null || equipment.some(({ id }) => id === recorderId)
      ? null
      : { path: '/recorderId', message: 'There is no equipment with this id in the job.' }),
  seal: ({ choices }, _, { seals }) => {
    for (const [index, { sealId }] of choices.entries()) {
      const wrong = known(`/choices/${index}/sealId`, sealId, seals)
      if (wrong) return wrong
    }
    return null
  },
  power: ({ supplyId }, { equipment }, catalogue) =>
    equipment.some(({ id, partId }) => id === supplyId && supplyOf(catalogue, partId))
      ? null
      : { path: '/supplyId', message: 'There is no supply with this id in the job.' },
}

function unknownIn(stage: PlannedStage, plan: object, job: Job, catalogue: Catalogue): Reason | null {
  const check = UNKNOWN[stage] as
    | ((plan: object, job: Job, catalogue: Catalogue) => Reason | null)
    | undefined
  return check?.(plan, job, catalogue) ?? null
}

function choiceReasons(
  job: Job,
  deviceId: string,
  choice: Partial<DeviceChoice>,
  catalogue: Catalogue,
  under: string,
): Reason[] {
  const { cameraId, surfaceId, cableId, mountIds = [], accessoryIds = [], mark } = choice
  const reasons = [
    known(`${under}/cameraId`, cameraId ?? null, catalogue.cameras),
    known(`${under}/surfaceId`, surfaceId ?? null, catalogue.surfaces),
    known(`${under}/cableId`, cableId ?? null, catalogue.cables),
    ...mountIds.map((id, index) => known(`${under}/mountIds/${index}`, id, catalogue.mounts)),
    ...accessoryIds.map((id, index) => known(`${under}/accessoryIds/${index}`, id, catalogue.accessories)),
  ].filter((reason) => reason !== null)
  const before = job.devices.find(({ id }) => id === deviceId)
  const { state = before?.state ?? 'new', replaces = before?.replaces ?? null } = choice
  const wrong = [
    wrongMark(job, deviceId, mark, under),
    wrongReplaced(job, { id: deviceId, state, replaces }, under),
    wrongKept({ ...before, ...choice }, under),
  ]
  return [...reasons, ...wrong.filter((reason) => reason !== null)]
}

/** What stays is part of the stack. */
function wrongKept({ partsKept = 0, mountIds = [] }: Partial<DeviceChoice>, under: string): Reason | null {
  if (partsKept <= mountIds.length) return null
  const there = mountIds.length === 1 ? 'one part' : `${mountIds.length} parts`
  return { path: `${under}/partsKept`, message: `The stack has ${there}: no more can stay.` }
}
