import 'server-only'
import type { Device, Fault, Job, JobSupply, Photo, StepRecord } from '@/core/job'
import type { Db } from './open'

/** Loading a job from its tables and saving what a batch changed; plain SQL, one statement a purpose. */

type Row = Record<string, string | number | null>

export interface Stored {
  readonly revision: number
  readonly job: Job
}

const json = <T>(words: unknown): T => JSON.parse(words as string) as T
const jsonOrNull = (words: unknown) => (words === null ? null : json<never>(words))

/** Reads a job whole; null when there is none. */
export function loadJob(db: Db, id: string): Stored | null {
  const row = db.prepare('SELECT * FROM job WHERE id = ?').get(id) as Row | undefined
  if (!row) return null
  const all = (
    table: 'supply' | 'background' | 'plan_thing' | 'device' | 'step_record' | 'fault' | 'photo',
  ) => db.prepare(`SELECT * FROM ${table} WHERE job_id = ? ORDER BY position`).all(id) as Row[]
  const job = {
    id: row.id,
    name: row.name,
    address: row.address,
    units: row.units,
    headEnd: row.head_end,
    windMS: row.wind_ms,
    terrain: row.terrain,
    mainsV: row.mains_v,
    keepPhotoPlace: row.keep_photo_place === 1,
    policies: json(row.policies),
    allowances: json(row.allowances),
    createdAt: row.created_at,
    createdBy: row.created_by,
    site: jsonOrNull(row.site),
    backgrounds: all('background').map((r) => ({
      floor: r.floor,
      name: r.name,
      sha256: r.sha256,
      widthPx: r.width_px,
      heightPx: r.height_px,
      at: { x: r.x, y: r.y },
      metresPerPx: r.metres_per_px,
      turnDeg: r.turn_deg,
    })),
    things: all('plan_thing').map((r) => json(r.thing)),
    supplies: all('supply').map((r) => ({ id: r.id, name: r.name, partId: r.part_id })),
    devices: all('device').map((r) => ({
      id: r.id,
      mark: r.mark,
      name: r.name,
      cameraId: r.camera_id,
      mountIds: json(r.mount_ids),
      surfaceId: r.surface_id,
      exposure: r.exposure,
      cableId: r.cable_id,
      accessoryIds: json(r.accessory_ids),
      sight: jsonOrNull(r.sight),
      mount: jsonOrNull(r.mount),
      route: jsonOrNull(r.route),
      terminate: jsonOrNull(r.terminate),
      seal: jsonOrNull(r.seal),
      power: jsonOrNull(r.power),
      details: json(r.details),
    })),
    records: all('step_record').map((r) => ({
      deviceId: r.device_id,
      stepId: r.step_id,
      state: r.state,
      value: r.value,
      choice: r.choice,
      note: r.note,
      at: r.at,
      by: r.by,
    })),
    photos: all('photo').map((r) => ({
      id: r.id,
      sha256: r.sha256,
      deviceId: r.device_id,
      stepId: r.step_id,
      faultId: r.fault_id,
      caption: r.caption,
      at: r.at,
      by: r.by,
    })),
    faults: all('fault').map((r) => ({
      id: r.id,
      deviceId: r.device_id,
      stage: r.stage,
      origin: r.origin,
      title: r.title,
      severity: r.severity,
      cause: r.cause,
      note: r.note,
      due: r.due,
      state: r.state,
      raisedAt: r.raised_at,
      raisedBy: r.raised_by,
      events: json(r.events),
    })),
  }
  return { revision: row.revision as number, job: job as unknown as Job }
}

/** The revision a job stands at; null when there is none. */
export function revisionOf(db: Db, id: string): number | null {
  return (db.prepare('SELECT revision FROM job WHERE id = ?').pluck().get(id) as number | undefined) ?? null
}

/** Writes what differs between two states of a job. Runs inside the caller's transaction. */
export function saveJob(db: Db, before: Job | null, after: Job, revision: number): void {
  db.prepare(
    `INSERT INTO job (id, revision, name, address, units, head_end, wind_ms, terrain, mains_v, keep_photo_place, policies, allowances, site, created_at, created_by)
     VALUES (@id, @revision, @name, @address, @units, @headEnd, @windMS, @terrain, @mainsV, @keepPhotoPlace, @policies, @allowances, @site, @createdAt, @createdBy)
     ON CONFLICT (id) DO UPDATE SET revision = @revision, name = @name, address = @address, units = @units, head_end = @headEnd, wind_ms = @windMS, terrain = @terrain, mains_v = @mainsV, keep_photo_place = @keepPhotoPlace, policies = @policies, allowances = @allowances, site = @site`,
  ).run({
    id: after.id,
    revision,
    name: after.name,
    address: after.address,
    units: after.units,
    headEnd: after.headEnd,
    windMS: after.windMS,
    terrain: after.terrain,
    mainsV: after.mainsV,
    keepPhotoPlace: after.keepPhotoPlace ? 1 : 0,
    policies: JSON.stringify(after.policies),
    allowances: JSON.stringify(after.allowances),
    site: after.site === null ? null : JSON.stringify(after.site),
    createdAt: after.createdAt,
    createdBy: after.createdBy,
  })
  // Devices and faults stand before what refers to them, and go after it.
  saveSupplies(db, before, after)
  saveList(
    db,
    after.id,
    before?.backgrounds ?? [],
    after.backgrounds,
    (b) => b.floor,
    PUT_BACKGROUND,
    ({ at, ...b }) => ({ ...b, ...at }),
    'DELETE FROM background WHERE job_id = ? AND floor = ?',
  )
  saveList(
    db,
    after.id,
    before?.things ?? [],
    after.things,
    (t) => t.id,
    PUT_THING,
    (t) => ({ id: t.id, floor: t.floor, kind: t.kind, thing: JSON.stringify(t) }),
    'DELETE FROM plan_thing WHERE job_id = ? AND id = ?',
  )
  saveList(db, after.id, before?.devices ?? [], after.devices, (d) => d.id, PUT_DEVICE, deviceRow, null)
  saveList(db, after.id, before?.faults ?? [], after.faults, (f) => f.id, PUT_FAULT, faultRow, null)
  saveList(
    db,
    after.id,
    before?.records ?? [],
    after.records,
    stepKey,
    PUT_STEP,
    stepRow,
    'DELETE FROM step_record WHERE job_id = ? AND device_id || char(31) || step_id = ?',
  )
  saveList(
    db,
    after.id,
    before?.photos ?? [],
    after.photos,
    (p) => p.id,
    PUT_PHOTO,
    photoRow,
    'DELETE FROM photo WHERE job_id = ? AND id = ?',
  )
  removeGone(
    db,
    after.id,
    before?.devices ?? [],
    after.devices,
    (d) => d.id,
    'DELETE FROM device WHERE job_id = ? AND id = ?',
  )
}

function saveSupplies(db: Db, before: Job | null, after: Job): void {
  saveList(
    db,
    after.id,
    before?.supplies ?? [],
    after.supplies,
    (s: JobSupply) => s.id,
    PUT_SUPPLY,
    ({ id, name, partId }) => ({ id, name, partId }),
    'DELETE FROM supply WHERE job_id = ? AND id = ?',
  )
}

function saveList<T extends object>(
  db: Db,
  jobId: string,
  before: readonly T[],
  after: readonly T[],
  key: (item: T) => string,
  put: string,
  row: (item: T) => Row,
  remove: string | null,
): void {
  if (before === after) return
  const old = new Map(before.map((item, position) => [key(item), { item, position }]))
  let statement: ReturnType<Db['prepare']> | null = null
  for (const [position, item] of after.entries()) {
    const was = old.get(key(item))
    if (was?.item === item && was.position === position) continue
    statement ??= db.prepare(put)
    statement.run({ jobId, position, ...row(item) })
  }
  if (remove) removeGone(db, jobId, before, after, key, remove)
}

function removeGone<T>(
  db: Db,
  jobId: string,
  before: readonly T[],
  after: readonly T[],
  key: (item: T) => string,
  remove: string,
): void {
  if (before === after || before.length === 0) return
  const kept = new Set(after.map(key))
  for (const item of before) if (!kept.has(key(item))) db.prepare(remove).run(jobId, key(item))
}

const PUT_SUPPLY = `INSERT INTO supply (job_id, id, position, name, part_id) VALUES (@jobId, @id, @position, @name, @partId)
  ON CONFLICT (job_id, id) DO UPDATE SET position = @position, name = @name, part_id = @partId`

const PUT_BACKGROUND = `INSERT INTO background (job_id, floor, position, name, sha256, width_px, height_px, x, y, metres_per_px, turn_deg) VALUES (@jobId, @floor, @position, @name, @sha256, @widthPx, @heightPx, @x, @y, @metresPerPx, @turnDeg)
  ON CONFLICT (job_id, floor) DO UPDATE SET position = @position, name = @name, sha256 = @sha256, width_px = @widthPx, height_px = @heightPx, x = @x, y = @y, metres_per_px = @metresPerPx, turn_deg = @turnDeg`

const PUT_THING = `INSERT INTO plan_thing (job_id, id, position, floor, kind, thing) VALUES (@jobId, @id, @position, @floor, @kind, @thing)
  ON CONFLICT (job_id, id) DO UPDATE SET position = @position, floor = @floor, kind = @kind, thing = @thing`

const PUT_DEVICE = `INSERT INTO device (job_id, id, position, mark, name, camera_id, mount_ids, surface_id, exposure, cable_id, accessory_ids, sight, mount, route, terminate, seal, power, details)
  VALUES (@jobId, @id, @position, @mark, @name, @cameraId, @mountIds, @surfaceId, @exposure, @cableId, @accessoryIds, @sight, @mount, @route, @terminate, @seal, @power, @details)
  ON CONFLICT (job_id, id) DO UPDATE SET position = @position, mark = @mark, name = @name, camera_id = @cameraId, mount_ids = @mountIds, surface_id = @surfaceId, exposure = @exposure, cable_id = @cableId,
    accessory_ids = @accessoryIds, sight = @sight, mount = @mount, route = @route, terminate = @terminate, seal = @seal, power = @power, details = @details`

function deviceRow(device: Device): Row {
  const { id, mark, name, cameraId, surfaceId, exposure, cableId } = device
  const plan = (stage: 'sight' | 'mount' | 'route' | 'terminate' | 'seal' | 'power') =>
    device[stage] === null ? null : JSON.stringify(device[stage])
  return {
    id,
    mark,
    name,
    cameraId,
    surfaceId,
    exposure,
    cableId,
    mountIds: JSON.stringify(device.mountIds),
    accessoryIds: JSON.stringify(device.accessoryIds),
    sight: plan('sight'),
    mount: plan('mount'),
    route: plan('route'),
    terminate: plan('terminate'),
    seal: plan('seal'),
    power: plan('power'),
    details: JSON.stringify(device.details),
  }
}

const PUT_STEP = `INSERT INTO step_record (job_id, device_id, step_id, position, state, value, choice, note, at, by) VALUES (@jobId, @deviceId, @stepId, @position, @state, @value, @choice, @note, @at, @by)
  ON CONFLICT (job_id, device_id, step_id) DO UPDATE SET position = @position, state = @state, value = @value, choice = @choice, note = @note, at = @at, by = @by`

const stepKey = ({ deviceId, stepId }: StepRecord): string => `${deviceId}\u001f${stepId}`
const stepRow = ({ deviceId, stepId, state, value, choice, note, at, by }: StepRecord): Row => ({
  deviceId,
  stepId,
  state,
  value,
  choice,
  note,
  at,
  by,
})

const PUT_FAULT = `INSERT INTO fault (job_id, id, position, device_id, stage, origin, title, severity, cause, note, due, state, raised_at, raised_by, events)
  VALUES (@jobId, @id, @position, @deviceId, @stage, @origin, @title, @severity, @cause, @note, @due, @state, @raisedAt, @raisedBy, @events)
  ON CONFLICT (job_id, id) DO UPDATE SET position = @position, device_id = @deviceId, stage = @stage, origin = @origin, title = @title, severity = @severity, cause = @cause, note = @note, due = @due,
    state = @state, events = @events`

function faultRow({
  id,
  deviceId,
  stage,
  origin,
  title,
  severity,
  cause,
  note,
  due,
  state,
  raisedAt,
  raisedBy,
  events,
}: Fault): Row {
  return {
    id,
    deviceId,
    stage,
    origin,
    title,
    severity,
    cause,
    note,
    due,
    state,
    raisedAt,
    raisedBy,
    events: JSON.stringify(events),
  }
}

const PUT_PHOTO = `INSERT INTO photo (job_id, id, position, sha256, device_id, step_id, fault_id, caption, at, by) VALUES (@jobId, @id, @position, @sha256, @deviceId, @stepId, @faultId, @caption, @at, @by)
  ON CONFLICT (job_id, id) DO UPDATE SET position = @position, caption = @caption`

const photoRow = ({ id, sha256, deviceId, stepId, faultId, caption, at, by }: Photo): Row => ({
  id,
  sha256,
  deviceId,
  stepId,
  faultId,
  caption,
  at,
  by,
})
