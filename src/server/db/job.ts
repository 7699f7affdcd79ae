import 'server-only'
import { PLANNED_STAGES, type PlannedStage } from '@/core/findings'
import type {
  CableBox,
  Conflict,
  Device,
  Equipment,
  Fault,
  FloorBackground,
  HandedStep,
  Job,
  JobFacts,
  Photo,
  PlanThing,
  Run,
  SignedRecord,
  StepRecord,
} from '@/core/job'
import type { OwnPart } from '@/core/parts'
import type { Db } from './open'
import { prepared } from './prepared'
import {
  itemOf,
  putList,
  putSql,
  readList,
  removeGone,
  rowOf,
  type Column,
  type List,
  type Row,
} from './table'

/** Loading a job from its tables and saving what a batch changed. A table is one map of columns. */

export interface Stored {
  readonly revision: number
  readonly job: Job
}

/** A column for every property: one that is forgotten does not compile. */
type ColumnsOf<T> = { readonly [P in keyof T]-?: Column }

const JOB: ColumnsOf<JobFacts & Pick<Job, 'id' | 'createdAt' | 'createdBy' | 'site'>> = {
  id: 'plain',
  name: 'plain',
  address: 'plain',
  units: 'plain',
  headEnd: 'plain',
  windMS: 'plain',
  terrain: 'plain',
  mainsV: 'plain',
  keepPhotoPlace: 'flag',
  floorHeightsM: 'json',
  policies: 'json',
  allowances: 'json',
  createdAt: 'plain',
  createdBy: 'plain',
  site: 'json',
}

const list = <T extends object>(of: List<T> & { readonly columns: ColumnsOf<T> }): List<T> => of

const equipment = list<Equipment>({
  name: 'equipment',
  key: ['id'],
  columns: {
    id: 'plain',
    mark: 'plain',
    name: 'plain',
    state: 'plain',
    replaces: 'plain',
    partId: 'plain',
    stands: 'plain',
    exposure: 'plain',
    details: 'json',
  },
})
const backgrounds = list<FloorBackground>({
  name: 'background',
  key: ['floor'],
  columns: {
    floor: 'plain',
    name: 'plain',
    sha256: 'plain',
    widthPx: 'plain',
    heightPx: 'plain',
    at: 'point',
    metresPerPx: 'plain',
    turnDeg: 'plain',
  },
})
/** Things differ from kind to kind: each stands whole in one column. */
const things: List<PlanThing> = {
  name: 'plan_thing',
  key: ['id'],
  columns: { id: 'plain', floor: 'plain', kind: 'plain', thing: 'json' },
  flat: (thing) => ({ id: thing.id, floor: thing.floor, kind: thing.kind, thing }),
  whole: ({ thing }) => thing,
}
/** Parts differ from kind to kind: each stands whole in one column. */
const ownParts: List<OwnPart> = {
  name: 'own_part',
  key: ['id'],
  columns: { id: 'plain', kind: 'plain', name: 'plain', part: 'json' },
  flat: (own) => ({ id: own.id, kind: own.table, name: own.part.name, part: own }),
  whole: ({ part }) => part,
}
const devices = list<Device>({
  name: 'device',
  key: ['id'],
  columns: {
    id: 'plain',
    mark: 'plain',
    name: 'plain',
    state: 'plain',
    replaces: 'plain',
    cameraId: 'plain',
    mountIds: 'json',
    partsKept: 'plain',
    surfaceId: 'plain',
    exposure: 'plain',
    cableId: 'plain',
    accessoryIds: 'json',
    ...(Object.fromEntries(PLANNED_STAGES.map((stage) => [stage, 'json'])) as Record<PlannedStage, 'json'>),
    details: 'json',
  },
})
const runs = list<Run>({
  name: 'run',
  key: ['id'],
  columns: {
    id: 'plain',
    mark: 'plain',
    name: 'plain',
    state: 'plain',
    replaces: 'plain',
    carries: 'plain',
    cableId: 'plain',
    fromId: 'plain',
    fromPort: 'plain',
    fromEndId: 'plain',
    toId: 'plain',
    toPort: 'plain',
    toEndId: 'plain',
    segments: 'json',
    cordsM: 'plain',
    lead: 'json',
    forced: 'json',
  },
})
const boxes = list<CableBox>({
  name: 'cable_box',
  key: ['id'],
  columns: { id: 'plain', name: 'plain', cableId: 'plain', leftM: 'plain' },
})
const faults = list<Fault>({
  name: 'fault',
  key: ['id'],
  columns: {
    id: 'plain',
    deviceId: 'plain',
    stage: 'plain',
    origin: 'plain',
    title: 'plain',
    severity: 'plain',
    cause: 'plain',
    note: 'plain',
    due: 'plain',
    state: 'plain',
    raisedAt: 'plain',
    raisedBy: 'plain',
    events: 'json',
  },
})
const records = list<StepRecord>({
  name: 'step_record',
  key: ['deviceId', 'stepId'],
  columns: {
    deviceId: 'plain',
    stepId: 'plain',
    title: 'plain',
    state: 'plain',
    value: 'plain',
    choice: 'plain',
    note: 'plain',
    at: 'plain',
    by: 'plain',
  },
})
const handed = list<HandedStep>({
  name: 'handed_step',
  key: ['deviceId', 'stepId'],
  columns: {
    deviceId: 'plain',
    stepId: 'plain',
    title: 'plain',
    colleague: 'plain',
    note: 'plain',
    at: 'plain',
    by: 'plain',
  },
})
const photos = list<Photo>({
  name: 'photo',
  key: ['id'],
  columns: {
    id: 'plain',
    sha256: 'plain',
    deviceId: 'plain',
    stepId: 'plain',
    faultId: 'plain',
    caption: 'plain',
    marks: 'json',
    at: 'plain',
    by: 'plain',
  },
})
const conflicts = list<Conflict>({
  name: 'conflict',
  key: ['id'],
  columns: { id: 'plain', path: 'plain', newer: 'json', older: 'json' },
})
const signed = list<SignedRecord>({
  name: 'signed_record',
  key: ['id'],
  columns: {
    id: 'plain',
    deviceId: 'plain',
    signedBy: 'plain',
    versions: 'json',
    body: 'plain',
    sha256: 'plain',
    at: 'plain',
    by: 'plain',
  },
})

/** In an order in which what is referred to stands before what refers to it. */
const LISTS = {
  ownParts,
  equipment,
  backgrounds,
  things,
  devices,
  runs,
  boxes,
  faults,
  records,
  handed,
  photos,
  conflicts,
  signed,
}
type ListName = keyof typeof LISTS
const NAMES = Object.keys(LISTS) as ListName[]

/** Reads a job whole; null when there is none. */
export function loadJob(db: Db, id: string): Stored | null {
  const row = prepared(db, 'SELECT * FROM job WHERE id = ?').get(id) as Row | undefined
  if (!row) return null
  const lists = NAMES.map((name) => [name, readList(db, LISTS[name] as List<object>, id)] as const)
  const job = { ...itemOf(JOB, row), ...Object.fromEntries(lists) }
  return { revision: row.revision as number, job: job as unknown as Job }
}

/** The revision a job stands at; null when there is none. */
export function revisionOf(db: Db, id: string): number | null {
  const read = prepared(db, 'SELECT revision FROM job WHERE id = ?').pluck()
  return (read.get(id) as number | undefined) ?? null
}

const PUT_JOB = putSql('job', ['id'], { ...JOB, revision: 'plain' }, [])

/** Writes what differs between two states of a job. Runs inside the caller's transaction. */
export function saveJob(db: Db, before: Job | null, after: Job, revision: number): void {
  prepared(db, PUT_JOB).run({ ...rowOf(JOB, after), revision })
  const each = (does: typeof putList, names: readonly ListName[]) => {
    for (const name of names)
      does(db, LISTS[name] as List<object>, after.id, before?.[name] ?? [], after[name])
  }
  each(putList, NAMES)
  each(removeGone, [...NAMES].reverse())
}
