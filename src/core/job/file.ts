import { z } from 'zod'
import { reasonsOf, type Reason } from './command'
import { Job, USUAL_MAINS_V, USUAL_WIND_MS } from './job'

export const JOB_FILE_VERSION = 4

/**
 * The open file of one job: the record, and the bytes of its photos, so that it imports again without loss.
 */
export const JobFile = z.strictObject({
  format: z.literal('neat-bracket-job'),
  version: z.literal(JOB_FILE_VERSION),
  job: Job,
  /** Photos by content, base64; one entry a distinct photo. */
  photos: z.array(z.strictObject({ sha256: z.string().regex(/^[0-9a-f]{64}$/), base64: z.base64() })),
})
export type JobFile = z.infer<typeof JobFile>

export type Opened =
  | { readonly ok: true; readonly file: JobFile }
  | { readonly ok: false; readonly reasons: readonly Reason[] }

/** Reads a job file from its text. Says in words what is wrong; never throws. */
export function openJobFile(words: string): Opened {
  let data: unknown
  try {
    data = JSON.parse(words)
  } catch {
    return { ok: false, reasons: [{ path: '', message: 'This is not a JSON file.' }] }
  }
  const heading = z.object({ format: z.literal('neat-bracket-job'), version: z.number() }).safeParse(data)
  if (!heading.success)
    return { ok: false, reasons: [{ path: '/format', message: 'This is not a Neat Bracket job file.' }] }
  const { version } = heading.data
  if (version > JOB_FILE_VERSION)
    return {
      ok: false,
      reasons: [
        {
          path: '/version',
          message: `Version ${version} is newer than this program reads (${JOB_FILE_VERSION}).`,
        },
      ],
    }
  if (!Number.isInteger(version) || version < 1)
    return { ok: false, reasons: [{ path: '/version', message: `There is no version ${version}.` }] }
  const parsed = JobFile.safeParse(UPGRADES.slice(version - 1).reduce((file, upgrade) => upgrade(file), data))
  return parsed.success ? { ok: true, file: parsed.data } : { ok: false, reasons: reasonsOf(parsed.error) }
}

type Rough = Record<string, unknown>
const isRough = (value: unknown): value is Rough =>
  typeof value === 'object' && value !== null && !Array.isArray(value)

/**
 * One step a version, oldest first: each turns a file of its version into one of the next. What is
 * malformed stays so, for the schema to name.
 */
const UPGRADES: readonly ((file: unknown) => unknown)[] = [withPlan, withWind, withMains]

/** Version 2 knows the plan: site, backgrounds, things, and where each device and wish stands on it. */
function withPlan(file: unknown): unknown {
  if (!isRough(file) || !isRough(file.job)) return file
  const { devices } = file.job
  const placed = (device: unknown) =>
    isRough(device) && isRough(device.sight)
      ? {
          ...device,
          sight: {
            ...device.sight,
            place: null,
            wish: isRough(device.sight.wish) ? { ...device.sight.wish, at: null } : device.sight.wish,
          },
        }
      : device
  return {
    ...file,
    version: 2,
    job: {
      ...file.job,
      site: null,
      backgrounds: [],
      things: [],
      devices: Array.isArray(devices) ? devices.map(placed) : devices,
    },
  }
}

/** Version 3 knows the wind, poles, and what stands near the holes. */
function withWind(file: unknown): unknown {
  if (!isRough(file) || !isRough(file.job)) return file
  const { devices } = file.job
  const mounted = (device: unknown) =>
    isRough(device) && isRough(device.mount)
      ? { ...device, mount: { ...device.mount, edgeMm: null, slotMm: null, pole: null } }
      : device
  return {
    ...file,
    version: 3,
    job: {
      ...file.job,
      windMS: USUAL_WIND_MS,
      devices: Array.isArray(devices) ? devices.map(mounted) : devices,
    },
  }
}

/** Steps on the bench no longer carry the name of a stage. */
const RENAMED_STEPS: Readonly<Record<string, string>> = {
  'test/unpack': 'bench/unpack',
  'test/bench': 'bench/power-up',
}

/**
 * Version 4 knows terrain, mains volts, shared conduits, and whether photos keep their place; the all-round
 * lens is f-theta.
 */
function withMains(file: unknown): unknown {
  if (!isRough(file) || !isRough(file.job)) return file
  const { job } = file
  const each = (list: unknown, change: (one: Rough) => Rough) =>
    Array.isArray(list) ? list.map((one: unknown) => (isRough(one) ? change(one) : one)) : list
  const renamed = (stepId: unknown) =>
    typeof stepId === 'string' ? (RENAMED_STEPS[stepId] ?? stepId) : stepId
  const routed = (device: Rough): Rough =>
    isRough(device.route)
      ? {
          ...device,
          route: {
            ...device.route,
            segments: each(device.route.segments, (segment) => ({ ...segment, conduitName: '' })),
          },
        }
      : device
  const sighted = (device: Rough): Rough =>
    device.cameraId === 'panoramic-12mp' && isRough(device.sight) && device.sight.focalMm === 1.6
      ? { ...device, sight: { ...device.sight, focalMm: 2.36 } }
      : device
  const origin = (fault: Rough): Rough =>
    typeof fault.origin === 'string' && fault.origin.startsWith('step:')
      ? { ...fault, origin: `step:${String(renamed(fault.origin.slice(5)))}` }
      : fault
  return {
    ...file,
    version: 4,
    job: {
      ...job,
      terrain: 'open',
      mainsV: job.units === 'imperial' ? USUAL_MAINS_V.imperial : USUAL_MAINS_V.metric,
      keepPhotoPlace: false,
      devices: each(job.devices, (device) => sighted(routed(device))),
      records: each(job.records, (record) => ({ ...record, stepId: renamed(record.stepId) })),
      photos: each(job.photos, (photo) => ({ ...photo, stepId: renamed(photo.stepId) })),
      faults: each(job.faults, origin),
    },
  }
}

/** The JSON Schema (2020-12) of the job file: its published contract. */
export function jobFileSchema(): object {
  return {
    $id: `neat-bracket-job-${JOB_FILE_VERSION}`,
    title: 'Neat Bracket job file',
    ...z.toJSONSchema(JobFile, { target: 'draft-2020-12' }),
  }
}
