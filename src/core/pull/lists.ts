import { PLANNED_STAGES } from '../findings'
import { neighboursIn } from '../derive/neighbours'
import { SPACES } from '../job/spaces'
import type { Job } from '../job/job'
import { tapeCodes, tapeWords } from '../labels'
import { VAN_LIMITS } from '../mount'
import {
  conduitPulls,
  conduitsIn,
  edgesOn,
  fittedFor,
  hasWays,
  ledOn,
  pullsOf,
  reachesOn,
  strungFor,
  wallHoles,
  type ConduitPull,
  type ConduitUse,
  type Edge,
  type Fitted,
  type PullPlan,
  type Reach,
  type Strung,
  type WallHole,
} from '../pathway'
import { neighboursOf, resolve, withOwn, type Catalogue, type DeviceContext } from '../parts'
import { runContext, runLoad } from '../run'
import { sealantOf } from '../seal'
import { pulledIn } from './pulled'
import { STAGE_TABLE } from '../stages'
import {
  LOADED,
  type CutLine,
  type DrillLine,
  type Hole,
  type Load,
  type LoadItem,
  type VanLine,
} from '../stages/load'

export interface PullSheet {
  /** Of the spaces that cables go through. */
  readonly cautions: readonly string[]
  /** With the bands of tape on both ends, in words. */
  readonly cuts: readonly (CutLine & { readonly tape: string })[]
  /** What is pulled, together or alone, in the order of the work. */
  readonly pulls: PullPlan
  /** What lies in conduits and ducts on the plan, and how it is drawn through them. */
  readonly conduits: readonly ConduitUse[]
  readonly conduitPulls: readonly ConduitPull[]
  /** What cables are brought through closed spaces with. */
  readonly reaches: readonly Reach[]
  /** Wires that cables hang on. */
  readonly strung: readonly Strung[]
  /** Where cables leave a covered pathway. */
  readonly edges: readonly Edge[]
  /** Holes in walls that pathways lead through. */
  readonly wallHoles: readonly WallHole[]
  readonly drills: readonly DrillLine[]
  readonly van: readonly VanLine[]
}

/** What comes with spares: lost in the grass, or spoilt in the making. */
const WITH_SPARES = new Set<VanLine['kind']>(['fixing', 'connector', 'seal'])

/**
 * Cut list, drill list and van list of a job, from what every stage takes along, and what is pulled together.
 * Devices with unknown parts are passed over.
 */
export function pullSheet(job: Job, shipped: Catalogue): PullSheet {
  const catalogue = withOwn(shipped, job.ownParts)
  const cuts: CutLine[] = []
  const drills = new Map<string, Gathered<DrillLine>>()
  const van = new Map<string, Gathered<VanLine>>()
  const longBits = new Map<string, Gathered<VanLine>>()
  for (const { mark, load } of loadsOf(job, catalogue)) {
    cuts.push(...(load.cuts ?? []))
    for (const hole of load.holes ?? []) addHole(drills, hole, mark)
    for (const item of load.items) addItem(van, item, mark)
  }
  for (const { mark, partId, state } of job.equipment) {
    const part = catalogue.equipment.get(partId)
    if (state !== 'new' || !part || part.kind === 'circuit') continue
    addItem(van, { kind: 'equipment', item: part.name, count: 1 }, mark)
  }
  const holes = [...drills.values()].map(listed)
  const pulled = pulledIn(job)
  // What lies in a conduit already fills it all the same.
  const led = hasWays(job) ? ledOn(job, catalogue) : []
  const cables = led.filter(({ mark }) => !pulled.has(mark))
  const holesThrough = wallHoles(job.things, cables, catalogue, job.units)
  for (const { bit, passMm, marks } of holesThrough) {
    if (bit === null || passMm === null) continue
    // A bead round the hole on both sides of the wall, shared by its cables.
    const sealant = sealantOf((2 * Math.PI * passMm) / marks.length)
    for (const mark of marks) {
      addItem(longBits, { kind: 'bit', item: `Long bit ${bit}`, count: 0 }, mark)
      addItem(van, sealant, mark)
    }
  }
  /** What several cables share counts once. */
  const forAll = (item: LoadItem, marks: readonly string[]) =>
    marks.forEach((mark, i) => addItem(van, i === 0 ? item : { ...item, count: 0 }, mark))
  const [strung, reaches] = [strungFor(cables), reachesOn(job.things, cables)]
  for (const fitted of fittedFor(cables, catalogue))
    for (const item of fittingsOf(fitted)) forAll(item, fitted.marks)
  for (const wire of strung.filter(({ yetToPut }) => yetToPut))
    for (const item of wireOf(wire)) forAll(item, wire.marks)
  for (const { throughM, marks } of reaches) forAll({ ...STRING, count: Math.ceil(throughM) }, marks)
  const lines = [
    ...[...van.values()].map(listed).map(wholeTubes).map(withSpares),
    ...bits(holes),
    ...[...longBits.values()].map((line) => ({ ...listed(line), count: 1 })),
  ]
  const codes = tapeCodes(job)
  const tapes = new Map(
    [...job.devices, ...job.runs].map(({ id, mark }) => [mark, tapeWords(codes.get(id) ?? [])]),
  )
  const laid = [
    ...job.devices.map(({ state, route }) => ({ state, segments: route?.segments ?? [] })),
    ...job.runs,
  ]
  const spaces = new Set(
    laid.flatMap(({ state, segments }) => (state === 'new' ? segments.map(({ space }) => space) : [])),
  )
  return {
    cautions: [...spaces].map((space) => `${SPACES[space].name}. ${SPACES[space].caution}`),
    cuts: cuts.map((cut) => ({ ...cut, tape: tapes.get(cut.mark) ?? '' })),
    pulls: pullsOf(cables, neighboursIn(job, catalogue).first),
    conduits: conduitsIn(job, catalogue, led),
    conduitPulls: conduitPulls(cables),
    reaches,
    strung,
    edges: edgesOn(cables),
    wallHoles: holesThrough,
    drills: holes.sort((a, b) => a.surface.localeCompare(b.surface) || a.bitMm - b.bitMm),
    van: lines.sort(
      (a, b) => LOADED.indexOf(a.kind) - LOADED.indexOf(b.kind) || a.item.localeCompare(b.item),
    ),
  }
}

/** What a conduit that is yet to be put up takes, item by item. */
function fittingsOf({ conduit: { name }, lengthM, couplings, elbows, straps }: Fitted): readonly LoadItem[] {
  const items = [
    { kind: 'support', item: name, count: Math.ceil(lengthM), unit: 'm' },
    { kind: 'support', item: `Couplings of ${name}`, count: couplings },
    { kind: 'support', item: `Elbows of ${name}`, count: elbows },
    { kind: 'support', item: `Straps of ${name}`, count: straps },
  ] as const
  return items.filter(({ count }) => count > 0)
}

/** What a wire that is yet to be put up takes: an eye at every turn, three grips at both its ends. */
const wireOf = ({ wireM, spans }: Strung): readonly LoadItem[] => [
  { kind: 'support', item: 'Steel wire, 4 mm, for a catenary', count: Math.ceil(wireM), unit: 'm' },
  { kind: 'support', item: 'Eye bolts for a catenary wire', count: spans + 1 },
  { kind: 'support', item: 'Turnbuckles for a catenary wire', count: 1 },
  { kind: 'support', item: 'Wire grips, 4 mm', count: 6 },
]
/** Drawn in with the cables of a closed space, and left there. */
const STRING = { kind: 'support', item: 'Pull string, to stay behind', unit: 'm' } as const

/** What every stage of every device, and every run, takes along. */
function* loadsOf(job: Job, catalogue: Catalogue): Generator<{ readonly mark: string; readonly load: Load }> {
  for (const device of job.devices) {
    // What was there before is not cut for, drilled for or loaded.
    if (device.state !== 'new') continue
    const context = resolve(device, job, catalogue)
    if ('missing' in context) continue
    const { mark } = device
    yield { mark, load: partsOf(context) }
    for (const stage of PLANNED_STAGES) yield { mark, load: STAGE_TABLE[stage].load(context, device) }
  }
  const neighbours = neighboursOf(job, catalogue)
  for (const run of job.runs) {
    const context = runContext(run, job, catalogue, null, neighbours)
    if (!('missing' in context)) yield { mark: run.mark, load: runLoad(context) }
  }
}

/** Every length that is cut, of the devices and then of the runs. */
export const cutsOf = (job: Job, catalogue: Catalogue): readonly CutLine[] =>
  [...loadsOf(job, catalogue)].flatMap(({ load }) => load.cuts ?? [])

/** What is put up, whatever is planned of it. */
const partsOf = ({ camera, mounts, partsKept, accessories }: DeviceContext): Load => ({
  items: [
    { kind: 'camera', item: camera.name, count: 1 },
    ...mounts.slice(partsKept).map(({ name }) => ({ kind: 'mount' as const, item: name, count: 1 })),
    ...accessories.map(({ name }) => ({ kind: 'accessory' as const, item: name, count: 1 })),
  ],
})

/** A line that is still being put together. */
type Gathered<T extends { readonly marks: readonly string[] }> = Omit<T, 'marks'> & {
  readonly marks: Set<string>
}
const listed = <T extends object>({ marks, ...line }: T & { readonly marks: Set<string> }) => ({
  ...line,
  marks: [...marks],
})

function addHole(drills: Map<string, Gathered<DrillLine>>, hole: Hole, mark: string): void {
  const key = `${hole.surface}:${hole.purpose}:${hole.bit}`
  const old = drills.get(key)
  const marks = (old?.marks ?? new Set()).add(mark)
  drills.set(key, { ...hole, count: (old?.count ?? 0) + hole.count, marks })
}

function addItem(van: Map<string, Gathered<VanLine>>, load: LoadItem, mark: string): void {
  const { kind, item, count, spare = 0, unit = 'pieces' } = load
  const key = `${kind}:${item}`
  const old = van.get(key)
  van.set(key, {
    kind,
    item,
    unit,
    count: (old?.count ?? 0) + count,
    spare: Math.max(old?.spare ?? 0, spare),
    marks: (old?.marks ?? new Set()).add(mark),
  })
}

/** Sealant adds up over the devices and is loaded in whole tubes. */
const wholeTubes = (line: VanLine): VanLine =>
  line.kind === 'sealant' ? { ...line, count: Math.ceil(line.count), spare: 1 } : line

function withSpares(line: VanLine): VanLine {
  if (!WITH_SPARES.has(line.kind)) return line
  return { ...line, spare: Math.max(line.spare, Math.ceil((line.count * VAN_LIMITS.spares.value) / 100)) }
}

/** One bit of each size, small ones twice. */
function bits(drills: readonly DrillLine[]): VanLine[] {
  const found = new Map<string, Gathered<VanLine>>()
  for (const { bit, bitMm: mm, marks } of drills) {
    const old = found.get(bit)
    found.set(bit, {
      kind: 'bit',
      item: `Bit ${bit}`,
      count: 1,
      spare: mm <= VAN_LIMITS.smallBitMm.value ? 1 : 0,
      unit: 'pieces',
      marks: new Set([...(old?.marks ?? []), ...marks]),
    })
  }
  return [...found.values()].map(listed)
}
