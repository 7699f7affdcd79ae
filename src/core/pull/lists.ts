import type { Job } from '../job/job'
import { bandLengthMm, bitMm, mountFacts, VAN_LIMITS } from '../mount'
import { resolve, type Catalogue, type DeviceContext } from '../parts'
import { runLengths, supports } from '../route'
import { closedOpenings, needsPart } from '../seal'

/** One run to cut: from which kind of cable, how much. */
export interface CutLine {
  readonly mark: string
  readonly name: string
  readonly cable: string
  /** Metres to cut; null for a ready-made lead, whose length is `installedM`. */
  readonly cutM: number | null
  readonly installedM: number
}

/** Holes of one bit in one kind of surface. */
export interface DrillLine {
  readonly surface: string
  readonly purpose: 'pilot' | 'fixing hole' | 'cable hole'
  readonly bit: string
  readonly bitMm: number
  readonly count: number
  readonly marks: readonly string[]
}

/** One thing to load. `spare` comes on top of `count`; cable is counted in metres. */
export interface VanLine {
  readonly kind:
    | 'camera'
    | 'mount'
    | 'fixing'
    | 'bit'
    | 'cable'
    | 'support'
    | 'connector'
    | 'seal'
    | 'sealant'
    | 'accessory'
  readonly item: string
  readonly count: number
  readonly spare: number
  readonly unit: 'pieces' | 'm'
  readonly marks: readonly string[]
}

export interface PullSheet {
  readonly cuts: readonly CutLine[]
  readonly drills: readonly DrillLine[]
  readonly van: readonly VanLine[]
}

/**
 * Cut list, drill list and van list of a job, from what is planned. Devices with unknown parts are passed
 * over.
 */
export function pullSheet(job: Job, catalogue: Catalogue): PullSheet {
  const cuts: CutLine[] = []
  const drills = new Map<string, DrillLine>()
  const van = new Map<string, VanLine>()
  const load = (
    kind: VanLine['kind'],
    item: string,
    count: number,
    spare: number,
    mark: string,
    unit: VanLine['unit'] = 'pieces',
  ) => {
    const key = `${kind}:${item}`
    const old = van.get(key)
    van.set(key, {
      kind,
      item,
      unit,
      count: (old?.count ?? 0) + count,
      spare: Math.max(old?.spare ?? 0, spare),
      marks: withMark(old?.marks, mark),
    })
  }
  for (const device of job.devices) {
    const context = resolve(device, job, catalogue)
    if ('missing' in context) continue
    const { mark } = device
    load('camera', context.camera.name, 1, 0, mark)
    for (const part of context.mounts) load('mount', part.name, 1, 0, mark)
    for (const part of context.accessories) load('accessory', part.name, 1, 0, mark)
    drill(context, drills, load)
    route(context, cuts, load)
    ends(context, load)
  }
  const lines = [...van.values()]
    .map(wholeTubes)
    .map((line) =>
      WITH_SPARES.has(line.kind)
        ? { ...line, spare: Math.max(line.spare, Math.ceil((line.count * VAN_LIMITS.spares.value) / 100)) }
        : line,
    )
  return {
    cuts,
    drills: [...drills.values()].sort((a, b) => a.surface.localeCompare(b.surface) || a.bitMm - b.bitMm),
    van: [...lines, ...bits([...drills.values()])].sort(
      (a, b) => ORDER.indexOf(a.kind) - ORDER.indexOf(b.kind) || a.item.localeCompare(b.item),
    ),
  }
}

/** Sealant adds up over the devices and is loaded in whole tubes. */
const wholeTubes = (line: VanLine): VanLine =>
  line.kind === 'sealant' ? { ...line, count: Math.ceil(line.count), spare: 1 } : line

type Load = (
  kind: VanLine['kind'],
  item: string,
  count: number,
  spare: number,
  mark: string,
  unit?: VanLine['unit'],
) => void

const WITH_SPARES = new Set<VanLine['kind']>(['fixing', 'connector', 'seal'])
const ORDER: readonly VanLine['kind'][] = [
  'camera',
  'mount',
  'fixing',
  'bit',
  'cable',
  'support',
  'connector',
  'seal',
  'sealant',
  'accessory',
]
const withMark = (marks: readonly string[] | undefined, mark: string): readonly string[] =>
  marks?.includes(mark) ? marks : [...(marks ?? []), mark]

function drill(context: DeviceContext, drills: Map<string, DrillLine>, load: Load): void {
  const { device, surface, units } = context
  const { mount } = device
  if (!mount) return
  const facts = mountFacts(context, mount)
  const hole = (purpose: DrillLine['purpose'], bit: string, mm: number, count: number) => {
    const key = `${surface.id}:${purpose}:${bit}`
    const old = drills.get(key)
    drills.set(key, {
      surface: surface.name,
      purpose,
      bit,
      bitMm: mm,
      count: (old?.count ?? 0) + count,
      marks: withMark(old?.marks, device.mark),
    })
  }
  if (facts.pilotBit !== null && facts.pilotMm !== null)
    hole('pilot', facts.pilotBit, bitMm(facts.pilotMm, 'pilot', units), mount.fixingCount)
  if (facts.fixingBit !== null && facts.fixingHoleMm !== null)
    hole('fixing hole', facts.fixingBit, facts.fixingHoleMm, mount.fixingCount)
  if (surface.holding !== 'pole' && surface.holding !== 'box')
    hole('cable hole', facts.cableBit, facts.cableHoleMm, 1)
  const band =
    facts.fixing.bandMm && mount.pole
      ? `, ${context.say(bandLengthMm(mount.pole.diameterMm), 'size')} each`
      : ''
  load('fixing', facts.fixing.name + band, mount.fixingCount, 0, device.mark)
}

function route(context: DeviceContext, cuts: CutLine[], load: Load): void {
  const { device, cable } = context
  if (!device.route) return
  const run = runLengths(context, device.route)
  const lead = device.route.leadLengthM
  cuts.push({
    mark: device.mark,
    name: device.name,
    cable: cable.name,
    cutM: lead === null ? run.cutM : null,
    installedM: lead ?? run.installedM,
  })
  if (lead === null) load('cable', cable.name, run.cutM, 0, device.mark, 'm')
  else load('cable', `${cable.name}, ${lead} m`, 1, 0, device.mark)
  for (const { name, count } of supports(device.route)) load('support', name, count, 0, device.mark)
}

function ends(context: DeviceContext, load: Load): void {
  const { device, catalogue, mounts, camera } = context
  if (device.terminate && device.route?.leadLengthM == null) {
    for (const id of [device.terminate.cameraEndId, device.terminate.headEndId])
      load('connector', catalogue.connectors.get(id)!.name, 1, 2, device.mark)
  }
  if (!device.seal) return
  let beadMm = 0
  for (const { seal, opening, ref } of closedOpenings(context, device.seal)) {
    if (!seal || !needsPart(opening)) continue
    if (seal.kind !== 'sealant') load('seal', seal.name, 1, 1, device.mark)
    else
      beadMm +=
        3 *
        (ref.startsWith('mount-')
          ? (mounts[Number(ref.slice(6).split('/')[0])]?.baseMm ?? camera.baseMm)
          : camera.baseMm) // top and both sides
  }
  if (beadMm > 0)
    load(
      'sealant',
      'Silicone, tubes',
      (beadMm * VAN_LIMITS.beadMm2.value) / 1000 / VAN_LIMITS.tubeMl.value,
      0,
      device.mark,
    )
}

/** One bit of each size, small ones twice. */
function bits(drills: readonly DrillLine[]): VanLine[] {
  const found = new Map<string, VanLine>()
  for (const { bit, bitMm: mm, marks } of drills) {
    const old = found.get(bit)
    found.set(bit, {
      kind: 'bit',
      item: `Bit ${bit}`,
      count: 1,
      spare: mm <= VAN_LIMITS.smallBitMm.value ? 1 : 0,
      unit: 'pieces',
      marks: marks.reduce((all, mark) => withMark(all, mark), old?.marks ?? []),
    })
  }
  return [...found.values()]
}
