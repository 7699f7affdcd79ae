import { calledIn, hasBox } from '../assembly'
import type { Figure, Finding, StageAssessment } from '../findings'
import { PASSAGES } from '../job/choices'
import type { Mount } from '../job/job'
import { DRILLED } from './plan'
import { IMPACT_J, type Catalogue, type DeviceContext, type Holding } from '../parts'
import { quantity, text, type Reading } from '../units'
import { smallestChange } from './change'
import { mountFacts, type MountFacts } from './facts'
import { holeFindings } from './findings/holes'
import { countFindings, loadFindings, woodFinding } from './findings/load'
import { onPole, poleFigures, poleFindings } from './findings/pole'
import { reachFindings } from './findings/reach'
import { surfaceFindings } from './findings/surface'
import { leastThreadMm } from './hold'
import { passingWords } from './lead'
import { MOUNT_LIMITS } from './limits'
import { climb } from './reach'
import { basePart, drillsForCable, stackMassKg, sumOf } from './stack'
import { LOWEST_WIND_M } from './wind'

/** What the mount section draws; millimetres, newtons. */
export interface MountSection {
  readonly facing: 'wall' | 'down'
  readonly holding: Holding
  readonly surfaceName: string
  readonly parts: readonly {
    readonly name: string
    readonly baseMm: number
    readonly depthMm: number
    readonly reachMm: number
    readonly turns: 'same' | 'down'
    readonly before: string | null
  }[]
  /** How many of the parts were there before and stay. */
  readonly stays: number
  readonly fixingName: string
  readonly fixingCount: number
  readonly spacingMm: number
  readonly threadMm: number
  readonly holeMm: number
  /** It is drilled, or measured: nobody has to guess its width. */
  readonly holeKnown: boolean
  readonly weightN: number
  readonly pullN: number
  readonly capacityN: number
  /** How much of a fixing pull and shear use up together, by weight or by wind; above 1 it is too weak. */
  readonly used: number | null
}

/** A lamp pole of ordinary size: measure it. Common practice, no source. */
const USUAL_POLE: NonNullable<Mount['pole']> = {
  material: 'steel',
  diameterMm: 114.3,
  wallMm: 3.6,
  heightM: 6,
}

const bandFits = ({ catalogue }: DeviceContext, { fixingId, pole }: Mount): boolean => {
  const band = catalogue.fixings.get(fixingId)?.bandMm
  return !band || !pole || (pole.diameterMm >= band[0] && pole.diameterMm <= band[1])
}

/** The wood that is taken until somebody has looked. */
export const usualWoodId = ({ woods }: Pick<Catalogue, 'woods'>): string | null =>
  [...woods.values()].find(({ usual }) => usual)?.id ?? null

/**
 * Start values: the usual fixing for the surface, as many as the part asks for; a stronger one where that
 * is too weak.
 */
export function proposeMount(context: DeviceContext): Mount {
  const { surface, camera, catalogue } = context
  const holding = [...catalogue.fixings.values()].filter(({ holdsIn }) => holdsIn.includes(surface.holding))
  const candidates = [...holding.filter(({ usualFor }) => usualFor?.includes(surface.holding)), ...holding]
  const proposals = candidates.map((fixing): Mount => {
    const inWood = fixing.kind === 'wood screw' || fixing.kind === 'lag screw'
    return {
      fixingId: fixing.id,
      fixingCount: Math.max(1, basePart(context).fixing.atLeast),
      woodId: inWood ? usualWoodId(catalogue) : null,
      threadInWoodMm: inWood ? fixing.threadMm : 0,
      makersPullN: null,
      passage: camera.connection === 'network tail' && !hasBox(context) ? 'coupler' : 'bare cable',
      ...DRILLED,
      tethered: false,
      backed: false,
      edgeMm: null,
      slotMm: null,
      pole: surface.holding === 'pole' ? USUAL_POLE : null,
    }
  })
  const enough = (mount: Mount) =>
    mount.threadInWoodMm >= (leastThreadMm(catalogue.fixings.get(mount.fixingId)!) ?? 0)
  return (
    proposals.find(
      (mount) => mountFacts(context, mount).used <= 1 && enough(mount) && bandFits(context, mount),
    ) ?? proposals[0]!
  )
}

/** Every finding of a mount. `advise` words the way out of a fixing that is too weak. */
function findingsOf(context: DeviceContext, mount: Mount, advise: (id: string) => string): Finding[] {
  const facts = mountFacts(context, mount)
  return [
    ...surfaceFindings(context, mount, facts.fixing),
    ...countFindings(mount, facts),
    ...loadFindings(context, mount, facts, advise),
    ...poleFindings(context, mount, onPole(context, mount)),
    ...holeFindings(context, mount, facts),
    ...reachFindings(context),
    woodFinding(mount, facts),
  ].filter((one) => one !== null)
}

/** Everything `mount` has to say of one device from its record. */
export function assessMount(context: DeviceContext, mount: Mount): StageAssessment<MountSection> {
  const { surface, mounts, camera } = context
  const facts = mountFacts(context, mount)
  const judge = (tried: Mount) => findingsOf(context, tried, () => '')
  return {
    headline: headlineOf(context, facts),
    figures: figuresOf(context, mount, facts),
    findings: findingsOf(context, mount, (id) =>
      takenOff(context, smallestChange(context, mount, id, judge)),
    ),
    drawing: {
      facing: surface.facing,
      holding: surface.holding,
      surfaceName: surface.name,
      parts: [
        ...mounts.map(({ name, baseMm, depthMm, reachMm, turns, before }) => ({
          name,
          baseMm,
          depthMm,
          reachMm,
          turns,
          before,
        })),
        {
          name: camera.name,
          baseMm: camera.baseMm,
          depthMm: camera.depthMm,
          reachMm: camera.depthMm,
          turns: 'same' as const,
          before: cameraNote(context),
        },
      ],
      stays: context.partsKept,
      fixingName: facts.fixing.name,
      fixingCount: mount.fixingCount,
      spacingMm: facts.spacingMm,
      threadMm: facts.isScrew ? Math.min(mount.threadInWoodMm, facts.fixing.threadMm) : facts.fixing.threadMm,
      holeMm: facts.cableHoleMm,
      holeKnown: drillsForCable(context) || (context.partsKept === 0 && mount.holeMm !== null),
      weightN: facts.weightN,
      pullN: facts.pullN,
      capacityN: facts.capacityN,
      used: Number.isFinite(facts.used) ? facts.used : null,
    },
  }
}

function headlineOf({ partsKept }: DeviceContext, { used }: MountFacts): Reading {
  if (!Number.isFinite(used)) return text('no hold')
  // How much of old fixings is used up nobody knows.
  return partsKept > 0 && used <= 1 ? text('stays') : quantity(100 * used, 'share')
}

/** What is changed at fixings that were there before is changed with their part off. */
function takenOff({ mounts, partsKept }: DeviceContext, change: string): string {
  return partsKept === 0 ? change : `Take the ${calledIn(mounts[0]!.name)} off first. ${change}`
}

function figuresOf(context: DeviceContext, mount: Mount, facts: MountFacts): Figure[] {
  const { camera, printed, windMS } = context
  const stack = sumOf(context, printed)
  const count = (n: number, one: string, many: string) => `${n} ${n === 1 ? one : many}`
  const seals = [
    count(stack.gaskets, 'gasket or edge', 'gaskets or edges'),
    count(stack.threads, 'thread', 'threads'),
    count(stack.entries, 'cable entry', 'cable entries'),
  ]
  return [
    { label: 'Stands off the surface', reading: quantity(stack.offMm, 'size') },
    { label: 'To seal', reading: text(seals.join(', ')) },
    { label: 'Holes of its base', reading: text(stack.holesSay) },
    { label: 'Hangs from the fixings', reading: quantity(stackMassKg(context), 'mass') },
    {
      label: `Carries at least (× ${MOUNT_LIMITS.loadFactor.value})`,
      reading: quantity(facts.loadN, 'force'),
    },
    {
      label: facts.overturning ? 'Pull on each top fixing' : 'Pull on each fixing',
      reading: quantity(facts.pullN, 'force'),
    },
    ...(facts.windN > 0 ? windFigures(context, facts, printed(windMS, 'speed')) : []),
    ...(facts.shearN > 0 ? [{ label: 'Across each fixing', reading: quantity(facts.shearN, 'force') }] : []),
    {
      label: 'One fixing holds',
      reading: facts.capacityN > 0 ? quantity(facts.capacityN, 'force') : text('nothing'),
    },
    ...(context.partsKept === 0 ? holeFigures(context, mount, facts) : []),
    ...poleFigures(context, mount, onPole(context, mount), facts.fixing.bandMm !== null),
    ...(camera.impact
      ? [{ label: 'Stands a blow of', reading: text(`${IMPACT_J[camera.impact]} J, ${camera.impact}`) }]
      : []),
    ...reachFigures(context),
  ]
}

function holeFigures(context: DeviceContext, mount: Mount, facts: MountFacts): Figure[] {
  const { pilotBit, fixingBit, cableBit } = facts
  const through = passingWords(context, mount, PASSAGES[mount.passage].toLowerCase())
  const drilled = drillsForCable(context)
  return [
    ...(pilotBit ? [{ label: 'Pilot bit', reading: text(pilotBit) }] : []),
    ...(fixingBit ? [{ label: 'Hole for the fixing', reading: text(fixingBit) }] : []),
    {
      label: drilled ? `Cable hole (${through})` : `Passes the hole (${through})`,
      reading: drilled ? text(cableBit) : quantity(facts.passMm, 'size'),
    },
  ]
}

function windFigures({ device, printed }: DeviceContext, facts: MountFacts, wind: string): Figure[] {
  const height = device.sight ? '' : `, up to ${printed(LOWEST_WIND_M, 'length')} high: no lens height yet`
  return [
    { label: `Wind, ${wind}${height}`, reading: quantity(facts.windN, 'force') },
    {
      label: '· used up by weight and wind',
      reading: Number.isFinite(facts.usedByWind)
        ? quantity(100 * facts.usedByWind, 'share')
        : text('no hold'),
    },
  ]
}

/**
 * Ladders for the height that was given; none is named where a tower is due, or while nobody has given a
 * height.
 */
function reachFigures({ device, printed }: DeviceContext): Figure[] {
  if (!device.sight) return [{ label: 'Ladder', reading: text('no lens height yet') }]
  const up = climb(device.sight.heightM)
  if (up.tower) return [{ label: 'Tower or lift to', reading: quantity(device.sight.heightM, 'length') }]
  return [
    { label: 'Ladder, working length', reading: quantity(up.workingLengthM, 'length') },
    { label: 'Ladder foot out', reading: quantity(up.footM, 'length') },
    {
      label: `Ladder to step off, rails ${printed(MOUNT_LIMITS.railsAboveM.value, 'length')} above`,
      reading: quantity(up.railsM, 'length'),
    },
    ...(up.extensionM === null
      ? []
      : [{ label: 'Extension ladder that reaches', reading: quantity(up.extensionM, 'length') }]),
  ]
}

/** What must be minded before the camera itself is closed. Common practice, no source. */
function cameraNote({ camera, device, policies }: DeviceContext): string | null {
  if (camera.form === 'dome')
    return `The dome goes on after aiming${policies.film === 'last' ? ', the outer film off last of all' : ''}.`
  return camera.form === 'bullet' && device.sight?.portrait
    ? 'Sun shroud off before it is turned to portrait, on again after.'
    : null
}
