import { randomUUID } from 'node:crypto'
import { CATALOGUE } from '@/catalogue'
import { assessDevice } from '@/core/assess'
import {
  NO_DETAILS,
  RECORD_VERSION,
  UNKNOWN_HEIGHTS,
  USUAL_ALLOWANCES,
  USUAL_EQUIPMENT,
  USUAL_POLICIES,
  USUAL_RUN,
  type Change,
  type Command,
  type Device,
  type Equipment,
  type Fault,
  type Job,
  type Photo,
  type Run,
  type StepRecord,
} from '@/core/job'

/** Jobs for tests: one plain device and one plain switch to vary. */

export const NOW = '2026-03-02T09:30:00.000Z'

export function device(change: Partial<Device> = {}): Device {
  return {
    id: 'device-1',
    mark: '01',
    name: 'Workshop doors',
    state: 'new',
    replaces: null,
    cameraId: 'bullet-4mp-vf',
    mountIds: ['junction-box'],
    partsKept: 0,
    surfaceId: 'timber-wall',
    exposure: 'open weather',
    cableId: 'cat6-outdoor',
    accessoryIds: [],
    sight: null,
    mount: null,
    route: null,
    terminate: null,
    seal: null,
    power: null,
    details: NO_DETAILS,
    ...change,
  }
}

export function equipment(change: Partial<Equipment> = {}): Equipment {
  return {
    id: 'switch',
    mark: 'E1',
    name: 'Switch',
    partId: 'switch-8',
    ...USUAL_EQUIPMENT,
    details: NO_DETAILS,
    ...change,
  }
}

/** A run from the recorder to the switch, of which only the way is planned. */
export function run(change: Partial<Run> = {}): Run {
  return {
    id: 'run-1',
    mark: 'R1',
    name: 'Uplink',
    ...USUAL_RUN,
    carries: 'network',
    cableId: 'cat6',
    fromId: 'recorder',
    toId: 'switch',
    segments: [
      {
        id: 'way-1',
        space: 'trunking indoors',
        lengthM: 12,
        riseM: 0,
        temperatureC: 20,
        conduitId: null,
        conduitName: '',
      },
    ],
    ...change,
  }
}

export function job(change: Partial<Job> = {}): Job {
  return {
    id: 'job-1',
    name: 'Test yard',
    address: '',
    units: 'metric',
    headEnd: 'Office',
    windMS: 45,
    terrain: 'open',
    mainsV: 230,
    keepPhotoPlace: false,
    floorHeightsM: UNKNOWN_HEIGHTS,
    policies: USUAL_POLICIES,
    allowances: USUAL_ALLOWANCES,
    createdAt: NOW,
    createdBy: 'Lead',
    site: null,
    backgrounds: [],
    things: [],
    ownParts: [],
    equipment: [equipment()],
    devices: [],
    runs: [],
    boxes: [],
    records: [],
    handed: [],
    photos: [],
    faults: [],
    conflicts: [],
    signed: [],
    ...change,
  }
}

/** A change as somebody says it: in its envelope, each time with an id of its own. */
export const said = (change: Change, envelope: Partial<Envelope> = {}): Command => ({
  ...change,
  id: randomUUID(),
  jobId: 'job-1',
  at: NOW,
  by: 'Lead',
  version: RECORD_VERSION,
  madeOn: '',
  base: null,
  ...envelope,
})
type Envelope = Pick<Command, 'id' | 'jobId' | 'at' | 'by' | 'madeOn' | 'base'>

/** A device planned throughout: what its stages propose, kept one after the other, seals before the ends. */
export function plannedThrough(of: Device, on: Job = job()): Device {
  return (['sight', 'mount', 'route', 'seal', 'terminate', 'power'] as const).reduce((planned, stage) => {
    const state = assessDevice(planned, on, CATALOGUE).stages?.[stage]
    return planned[stage] === null && state ? { ...planned, [stage]: state.input } : planned
  }, of)
}

/** Plans everything by the proposals, as a person who agrees with each would. */
export function planned(change: Parameters<typeof device>[0], pieces: Job['equipment'] = job().equipment) {
  const on = job({ equipment: pieces })
  const d = plannedThrough(device(change), on)
  return { device: d, assessment: assessDevice(d, on, CATALOGUE) }
}

/** A step that was recorded as done, with nothing to it. */
export const stepRecord = (change: Partial<StepRecord> = {}): StepRecord => ({
  deviceId: 'device-1',
  stepId: 'mount/fix',
  title: '',
  state: 'done',
  value: null,
  choice: null,
  note: '',
  at: NOW,
  by: 'Lead',
  ...change,
})

/** A photo of nothing in particular. */
export const photo = (change: Partial<Photo> = {}): Photo => ({
  id: 'p',
  sha256: 'a'.repeat(64),
  deviceId: null,
  stepId: null,
  faultId: null,
  caption: '',
  marks: [],
  at: NOW,
  by: 'Lead',
  ...change,
})

/** A fault that was raised and no more. */
export const fault = (change: Partial<Fault> = {}): Fault => ({
  id: 'f',
  deviceId: null,
  stage: null,
  origin: null,
  title: 'Loose',
  severity: 'looks',
  cause: 'loose',
  note: '',
  due: null,
  state: 'open',
  raisedAt: NOW,
  raisedBy: 'Lead',
  events: [],
  ...change,
})
