import { z } from 'zod'
import type { Assessment, DeviceAssessment, EquipmentAssessment, RunAssessment } from '../assess'
import { PLANNED_STAGES, type Finding } from '../findings'
import { RECORD_VERSION, hashOf } from '../job'
import type { Device, Equipment, Job, Run, SignedFacts, SignedRecord } from '../job/job'
import { withOwn, type Catalogue } from '../parts'
import { SOURCES } from '../sources'
import { REGISTER } from '../stages'
import { printReading } from '../units'
import { usesInWords } from './record'

/**
 * What is signed: the record as it was computed on the day, in words and figures that no later limit or part
 * changes.
 */

const FrozenFinding = z.object({
  verdict: z.string(),
  title: z.string(),
  figure: z.string(),
  limit: z.string(),
  reason: z.string(),
  source: z.string(),
  advice: z.string(),
})

const FrozenDevice = z.object({
  id: z.string(),
  mark: z.string(),
  name: z.string(),
  /** The parts as the catalogue had them, each by its id. */
  parts: z.record(z.string(), z.unknown()),
  stages: z.record(
    z.string(),
    z.object({ figures: z.record(z.string(), z.string()), findings: z.array(FrozenFinding) }),
  ),
  /** What was planned, measured, photographed: the record itself. */
  record: z.unknown(),
  steps: z.array(z.object({ id: z.string(), title: z.string(), verdict: z.string(), says: z.string() })),
})

export const FrozenRecord = z.object({
  name: z.string(),
  address: z.string(),
  sentence: z.string(),
  devices: z.array(FrozenDevice),
  /** Absent in what was signed before equipment was known. */
  equipment: z.array(FrozenDevice).optional(),
  /** Absent in what was signed before runs were known. */
  runs: z.array(FrozenDevice).optional(),
  faults: z.array(z.unknown()),
})
export type FrozenRecord = z.infer<typeof FrozenRecord>
type FrozenDevice = z.infer<typeof FrozenDevice>

/** The record of a job, or of one device of it, as it is computed now. */
export function frozenRecord(
  job: Job,
  { sentence, devices, equipment, runs }: Assessment,
  shipped: Catalogue,
  deviceId: string | null,
): FrozenRecord {
  const catalogue = withOwn(shipped, job.ownParts)
  const ofIt = (one: { readonly deviceId: string | null }) => deviceId === null || one.deviceId === deviceId
  return {
    name: job.name,
    address: job.address,
    sentence,
    devices: job.devices.flatMap((device, index) =>
      ofIt({ deviceId: device.id }) ? [frozenDevice(job, device, devices[index]!, catalogue)] : [],
    ),
    equipment: job.equipment.flatMap((piece, index) =>
      ofIt({ deviceId: piece.id }) ? [frozenEquipment(job, piece, equipment[index]!, catalogue)] : [],
    ),
    runs: job.runs.flatMap((run, index) =>
      ofIt({ deviceId: run.id }) ? [frozenRun(job, run, runs[index]!, catalogue)] : [],
    ),
    faults: job.faults.filter(ofIt),
  }
}

function frozenDevice(
  job: Job,
  device: Device,
  assessed: DeviceAssessment,
  catalogue: Catalogue,
): FrozenDevice {
  const { stages } = assessed
  const planned = PLANNED_STAGES.flatMap((name) => {
    const state = stages?.[name]
    return state?.planned ? [{ name, ...state.result }] : []
  })
  return {
    id: device.id,
    mark: device.mark,
    name: device.name,
    parts: partsOf(device, catalogue),
    stages: Object.fromEntries(
      planned.map(({ name, figures, findings }) => [
        name,
        {
          figures: Object.fromEntries(
            figures.map(({ label, reading }) => [label, printReading(reading, job.units)]),
          ),
          findings: findings.map((finding) => frozenFinding(finding, job.units)),
        },
      ]),
    ),
    record: { ...device, photos: job.photos.filter(({ deviceId }) => deviceId === device.id) },
    steps: recordedSteps(assessed),
  }
}

function frozenEquipment(
  job: Job,
  piece: Equipment,
  assessed: EquipmentAssessment,
  catalogue: Catalogue,
): FrozenDevice {
  const uses = usesInWords(assessed)
  const findings = assessed.findings.map((finding) => frozenFinding(finding, job.units))
  return {
    id: piece.id,
    mark: piece.mark,
    name: piece.name,
    parts: partsOf(piece, catalogue),
    stages: { equipment: { figures: { 'Runs by port': uses.join('; ') }, findings } },
    record: { ...piece, photos: job.photos.filter(({ deviceId }) => deviceId === piece.id) },
    steps: recordedSteps(assessed),
  }
}

function frozenRun(job: Job, run: Run, assessed: RunAssessment, catalogue: Catalogue): FrozenDevice {
  const { way, ends } = assessed
  const figures = way?.figures.map(({ label, reading }) => [label, printReading(reading, job.units)]) ?? []
  return {
    id: run.id,
    mark: run.mark,
    name: run.name,
    parts: partsOf(run, catalogue),
    stages: {
      run: {
        figures: { 'From where to where': ends, ...(Object.fromEntries(figures) as Record<string, string>) },
        findings: assessed.findings.map((finding) => frozenFinding(finding, job.units)),
      },
    },
    record: { ...run, photos: job.photos.filter(({ deviceId }) => deviceId === run.id) },
    steps: recordedSteps(assessed),
  }
}

const recordedSteps = ({ steps }: Pick<DeviceAssessment, 'steps'>): FrozenDevice['steps'] =>
  steps.flatMap(({ step, record, verdict, says }) =>
    record ? [{ id: step.id, title: record.title || step.title, verdict: verdict ?? '', says }] : [],
  )

const frozenFinding = (
  { verdict, title, figure, limit, reason, source, advice }: Finding,
  units: Job['units'],
): z.infer<typeof FrozenFinding> => ({
  verdict,
  title,
  figure: printReading(figure, units),
  limit: limit === null ? '' : printReading(limit, units),
  reason,
  source: SOURCES[source].cite,
  advice: advice ?? '',
})

/** Every part that a device names, as the catalogue has it. */
function partsOf(device: Device | Equipment | Run, catalogue: Catalogue): Record<string, unknown> {
  const named = new Set(
    JSON.stringify(device)
      .match(/"[^"]+"/g)
      ?.map((word) => word.slice(1, -1)),
  )
  const found: Record<string, unknown> = {}
  for (const table of Object.values(catalogue) as ReadonlyMap<string, unknown>[]) {
    for (const [id, part] of table) if (named.has(id)) found[id] = part
  }
  return found
}

/** What is signed, with the versions it was computed by and the hash that seals it. */
export function sealed(
  record: FrozenRecord,
  catalogue: Catalogue,
  signedBy: string,
  deviceId: string | null,
): SignedFacts {
  const body = JSON.stringify(record)
  const tables = Object.entries(catalogue).map(([name, table]) => [
    name,
    ...(table as ReadonlyMap<string, unknown>),
  ])
  const versions = {
    record: RECORD_VERSION,
    limits: hashOf(JSON.stringify(REGISTER)).slice(0, 12),
    catalogue: hashOf(JSON.stringify(tables)).slice(0, 12),
  }
  return { deviceId, signedBy, versions, body, sha256: hashOf(body) }
}

/** What was signed, read back; null where it is not what its hash says. */
export function unsealed({ body, sha256 }: SignedRecord): FrozenRecord | null {
  if (hashOf(body) !== sha256) return null
  const read = FrozenRecord.safeParse(JSON.parse(body))
  return read.success ? read.data : null
}

/** What is computed otherwise now than when it was signed, a line each. */
export function differences(signed: FrozenRecord, now: FrozenRecord): string[] {
  const all = ({ devices, equipment = [], runs = [] }: FrozenRecord) => [...devices, ...equipment, ...runs]
  const today = new Map(all(now).map((device) => [device.id, device]))
  const before = new Set(all(signed).map(({ id }) => id))
  return [
    ...all(signed).flatMap((device) => {
      const other = today.get(device.id)
      return other ? differencesOf(device, other) : [`${device.mark} ${device.name} is no longer in the job.`]
    }),
    ...known(signed, now)
      .filter(({ id }) => !before.has(id))
      .map(({ mark, name }) => `${mark} ${name} has come since.`),
  ]
}

/** What is there now of the sorts that a signed record knew. */
const known = (signed: FrozenRecord, now: FrozenRecord): FrozenDevice[] => [
  ...now.devices,
  ...(signed.equipment ? (now.equipment ?? []) : []),
  ...(signed.runs ? (now.runs ?? []) : []),
]

function differencesOf(signed: FrozenDevice, now: FrozenDevice): string[] {
  const lines: string[] = []
  for (const stage of new Set([...Object.keys(signed.stages), ...Object.keys(now.stages)])) {
    const [was, is] = [signed.stages[stage], now.stages[stage]]
    const labels = new Set([...Object.keys(was?.figures ?? {}), ...Object.keys(is?.figures ?? {})])
    for (const label of labels) {
      const [a, b] = [was?.figures[label] ?? 'nothing', is?.figures[label] ?? 'nothing']
      if (a !== b) lines.push(`${now.mark} ${stage}, ${label.toLowerCase()}: signed ${a}, now ${b}.`)
    }
    const found = (of: typeof was) => of?.findings.map(({ verdict, title }) => `${verdict}: ${title}`) ?? []
    const [had, has] = [found(was), found(is)]
    for (const one of has) if (!had.includes(one)) lines.push(`${now.mark} ${stage}: now ${one}.`)
    for (const one of had) if (!has.includes(one)) lines.push(`${now.mark} ${stage}: no longer ${one}.`)
  }
  const steps = new Map(signed.steps.map(({ id, says }) => [id, says]))
  for (const { id, title, says } of now.steps) {
    const was = steps.get(id) ?? 'not recorded'
    if (was !== says) lines.push(`${now.mark} ${title}: signed ${was}, now ${says}.`)
  }
  return lines
}
