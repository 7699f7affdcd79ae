import type { Device, Equipment, Job, Segment } from '../job/job'
import type { PlanThing, Site } from '../job/plan'
import { EXPOSURES, type Exposure, type Floor, type Terrain } from '../job/choices'
import { SPACES } from '../job/spaces'
import { print, type UnitSystem } from '../units'
import type { Accessory } from './kinds/accessory'
import type { Camera } from './kinds/camera'
import type { MountPart } from './kinds/mount'
import { ownIdsIn, withOwn, type OwnPart } from './own'
import type { Catalogue, Surface } from './parts'
import type { Before, Measured, RunContext } from './runContext'

/**
 * What the plans of a device rest on, but for the place of its lens: devices that are alike in it come to the
 * same, whatever they are called and wherever they stand.
 */
export type Alike = Omit<Device, 'id' | 'mark' | 'name' | 'details' | 'sight'> & {
  readonly sight: Omit<NonNullable<Device['sight']>, 'place'> | null
}

/** What every stage sees: one device with its parts looked up, and the settings of its job. */
export interface DeviceContext extends RunContext {
  readonly device: Alike
  readonly camera: Camera
  readonly surface: Surface
  readonly mounts: readonly MountPart[]
  /** How many of them, from the surface outwards, were there before and stay. */
  readonly partsKept: number
  readonly accessories: readonly Accessory[]
  readonly exposure: Exposure
  /** Which way the camera's base faces at the end of its stack. */
  readonly facing: 'wall' | 'down'
  readonly units: UnitSystem
  readonly equipment: readonly Equipment[]
  /** The own parts that it is made with. */
  readonly ownParts: readonly OwnPart[]
  readonly windMS: number
  readonly terrain: Terrain
  readonly mainsV: number
  /** Tails of the camera that nothing uses. */
  readonly freeTails: readonly string[]
  /** Mark and name of what it replaces; null where it replaces nothing. */
  readonly replaced: string | null
  /** Parts of it that stay for what replaces it, when it is taken away. */
  readonly staying: readonly string[]
}

/** What a look round from a place rests on too: where the site lies, and what stands on its plans. */
export interface PlaceContext extends DeviceContext {
  readonly site: Site | null
  readonly things: readonly PlanThing[]
  readonly floorHeightsM: Job['floorHeightsM']
}

export const NOT_MEASURED: Measured = { installedM: null, cableMm: null, volts: null, pinScheme: null }

/** What of a job its devices depend on. */
export type JobSettings = Pick<
  Job,
  | 'units'
  | 'policies'
  | 'allowances'
  | 'ownParts'
  | 'equipment'
  | 'site'
  | 'things'
  | 'floorHeightsM'
  | 'windMS'
  | 'terrain'
  | 'mainsV'
>

/** A cable drawn through conduits or ducts from one place where it can be reached to the next. */
export interface TubePull {
  /** What it goes through, from the device on. */
  readonly through: readonly string[]
  /** As it lies, m, and all bends together. */
  readonly lengthM: number
  readonly bendsDeg: number
  /** Most cables that lie in it at one place. */
  readonly together: number
  /** The pull on each cable, N: drawn out at its end towards the device, and towards the head end. */
  readonly pullN: { readonly toDevice: number; readonly toHeadEnd: number }
  /** The only end that it can be drawn out of, as a ready-made lead with a wider end; null for either. */
  readonly only: 'toDevice' | 'toHeadEnd' | null
  /** Where pull points bring it within what it may be; null where none do. */
  readonly pointsAt: readonly PullSpot[] | null
}

/** How much the longest straight piece of a conduit grows from its coldest to its warmest. */
export interface ConduitGrowth {
  readonly pathwayId: string
  readonly name: string
  /** As the stretches of a route name it. */
  readonly conduitName: string
  readonly straightM: number
  readonly coldestC: number
  readonly warmestC: number
  /** Null where nobody says how much it grows, and where that does not matter. */
  readonly growsMm: number | null
  /** A metre of it must grow less than this with every °C, mm; null where that does not matter. */
  readonly mostMmPerMC: number | null
}

/** A place on a plan where a pull point helps: so far from where the cable enters, m. */
export interface PullSpot {
  readonly alongM: number
  readonly floor: Floor
  readonly at: { readonly x: number; readonly y: number }
  readonly heightM: number
}

/** Where a pathway that is no conduit has less room than is led through it, at its fullest. */
export interface Narrow {
  /** The pathway, by name. */
  readonly along: string
  readonly cables: number
  /** What passes together as it packs, and with room to move, mm. */
  readonly thickMm: number
  readonly passMm: number
  readonly freeMm: number
}

/** An edge that would cut a cable which comes out past it, and that nothing lines yet. */
export interface BareEdge {
  /** The pathway, by name, and whither the cable goes there. */
  readonly of: string
  readonly towards: string
  readonly remedy: string
}

/** The way of a cable as the plan has it, told from the device; or why there is none. */
export type OnPlan =
  | {
      readonly segments: readonly Segment[]
      readonly pulls: readonly TubePull[]
      /** Of every conduit and duct on the way. */
      readonly growths: readonly ConduitGrowth[]
      /** What of the way mains run along, but in conduits of its own: the pathways, and how far, m. */
      readonly mains: { readonly along: readonly string[]; readonly lengthM: number }
      /** Pathways on the way that have less room than is led through them. */
      readonly narrows: readonly Narrow[]
      readonly bareEdges: readonly BareEdge[]
    }
  | { readonly none: string }

/** What of other devices, and of the pathways on the plan, a device depends on. */
export interface Neighbours {
  readonly conduits: ReadonlyMap<string, readonly number[]>
  /** Mark and name of every device that is taken away, by its id. */
  readonly gone: ReadonlyMap<string, string>
  /** Parts of a device that stay for the one that replaces it: their names, by the id of what goes. */
  readonly staying: ReadonlyMap<string, readonly string[]>
  /** Tails of cameras that a run ends at, by the camera's id. */
  readonly tails: ReadonlyMap<string, readonly string[]>
  /** By the id of the device or the run; nothing where the plan says nothing of its cable. */
  readonly ways: ReadonlyMap<string, OnPlan>
  /** By the id of the device or the run; nothing where its cable is no ready-made lead. */
  readonly before?: ReadonlyMap<string, Before>
}

const NO_WAYS: Neighbours['ways'] = new Map()
const NOT_BEFORE: Before = new Map()
const ALONE: Neighbours = {
  conduits: new Map(),
  gone: new Map(),
  staying: new Map(),
  tails: new Map(),
  ways: NO_WAYS,
}

/** What of its neighbours one device depends on. */
export interface Beside {
  readonly conduits: Neighbours['conduits']
  readonly before: Before
  /** Its tails that a run ends at. */
  readonly tails: readonly string[]
  readonly staying: readonly string[]
  /** Mark and name of what it replaces; null where it replaces nothing. */
  readonly replaced: string | null
}

const NONE: readonly never[] = []

export const besideOf = (
  { id, replaces }: Pick<Device, 'id' | 'replaces'>,
  { conduits, gone, staying, tails, before }: Neighbours = ALONE,
): Beside => ({
  conduits,
  before: before?.get(id) ?? NOT_BEFORE,
  tails: tails.get(id) ?? NONE,
  staying: staying.get(id) ?? NONE,
  replaced: replaces === null ? null : (gone.get(replaces) ?? 'What was there'),
})

/**
 * What devices and runs of a job have of each other, but for what their leads ask. A cable counts once a
 * conduit, however many stretches of it lie there.
 */
export function neighboursOf(
  { devices, runs, things }: Pick<Job, 'devices' | 'runs' | 'things'>,
  catalogue: Catalogue,
  ways = NO_WAYS,
): Neighbours {
  const conduits = new Map<string, number[]>()
  const gone = new Map<string, string>()
  const staying = new Map<string, string[]>()
  const tails = new Map<string, string[]>()
  // Whichever says so: the route as it is entered, or its way on the plan.
  const onPlan = (id: string) => {
    const way = ways.get(id)
    return way && 'segments' in way ? way.segments : []
  }
  const lies = (cableId: string, segments: readonly Segment[]) => {
    const cable = catalogue.cables.get(cableId)
    const names = new Set(
      segments.flatMap(({ space, conduitName }) =>
        SPACES[space].sized && conduitName !== '' ? [conduitName] : [],
      ),
    )
    if (cable) for (const name of names) conduits.set(name, [...(conduits.get(name) ?? []), cable.diameterMm])
  }
  for (const thing of things) {
    if (thing.kind !== 'pathway' || thing.lyingCables === 0) continue
    const name = thing.name || thing.id
    const lying = Array.from({ length: thing.lyingCables }, () => thing.lyingMm)
    // Pathways of one name are one conduit: what lies in all of it is told at each of them.
    if (lying.length > (conduits.get(name)?.length ?? 0)) conduits.set(name, lying)
  }
  for (const { id, mark, name, state, cableId, route, replaces, mountIds, partsKept } of devices) {
    if (replaces !== null && partsKept > 0)
      staying.set(
        replaces,
        mountIds.slice(0, partsKept).map((part) => catalogue.mounts.get(part)?.name ?? part),
      )
    if (state === 'taken away') gone.set(id, `${mark} ${name}`)
    else lies(cableId, [...(route?.segments ?? []), ...onPlan(id)])
  }
  for (const { id: runId, state, cableId, segments, fromId, fromPort, toId, toPort } of runs) {
    if (state === 'taken away') continue
    lies(cableId, [...segments, ...onPlan(runId)])
    for (const [id, port] of [
      [fromId, fromPort],
      [toId, toPort],
    ] as const)
      if (port !== null) tails.set(id, [...(tails.get(id) ?? []), port])
  }
  return { conduits, gone, staying, tails, ways }
}

/** The own parts that a device names, and the one that feeds it. */
function usedBy(device: Alike, { ownParts, equipment }: JobSettings): readonly OwnPart[] {
  if (ownParts.length === 0) return ownParts
  const supply = equipment.find(({ id }) => id === device.power?.supplyId)
  const names = ownIdsIn([device, supply?.partId])
  return ownParts.filter(({ id }) => names.has(id))
}

/** A device on its own. */
const NOBODY: Beside = { conduits: new Map(), before: NOT_BEFORE, tails: NONE, staying: NONE, replaced: null }

/** Looks up a device's parts. Returns the ids that the catalogue lacks instead, when there are any. */
export function resolve(
  device: Alike,
  job: JobSettings,
  shipped: Catalogue,
  measured: Measured = NOT_MEASURED,
  { conduits, before, tails, staying, replaced }: Beside = NOBODY,
): PlaceContext | { readonly missing: readonly string[] } {
  const catalogue = withOwn(shipped, job.ownParts)
  const missing: string[] = []
  const find = <T>(table: ReadonlyMap<string, T>, id: string): T | undefined => {
    const part = table.get(id)
    if (part === undefined) missing.push(id)
    return part
  }
  const camera = find(catalogue.cameras, device.cameraId)
  const surface = find(catalogue.surfaces, device.surfaceId)
  const cable = find(catalogue.cables, device.cableId)
  const mounts = device.mountIds.map((id) => find(catalogue.mounts, id)).filter((part) => part !== undefined)
  const accessories = device.accessoryIds
    .map((id) => find(catalogue.accessories, id))
    .filter((part) => part !== undefined)
  const { mount, terminate, seal, route } = device
  if (mount) find(catalogue.fixings, mount.fixingId)
  if (mount?.woodId) find(catalogue.woods, mount.woodId)
  if (terminate) {
    find(catalogue.connectors, terminate.cameraEndId)
    find(catalogue.connectors, terminate.headEndId)
  }
  for (const { sealId } of seal?.choices ?? []) if (sealId) find(catalogue.seals, sealId)
  for (const { conduitId } of route?.segments ?? []) if (conduitId) find(catalogue.conduits, conduitId)
  if (!camera || !surface || !cable || missing.length > 0) return { missing }

  const { units, policies, allowances, equipment, site, things, floorHeightsM, windMS, terrain, mainsV } = job
  const exposure = EXPOSURES[device.exposure]
  const { deviceSlackM, headEndSlackM } = allowances
  const madeWith = (id = '') => catalogue.connectors.get(id) ?? null
  const facing = surface.facing === 'down' || mounts.some(({ turns }) => turns === 'down') ? 'down' : 'wall'
  return {
    device,
    camera,
    surface,
    cable,
    cableMm: measured.cableMm ?? cable.diameterMm,
    ends: [
      {
        called: 'the device',
        slackM: deviceSlackM,
        outdoors: exposure.outdoors,
        onPole: surface.called === 'pole',
        boxed: mounts.some(({ enclosesJoint }) => enclosesJoint),
        connector: madeWith(terminate?.cameraEndId),
      },
      {
        ...{ called: 'the head end', slackM: headEndSlackM },
        ...{ outdoors: false, onPole: false, boxed: false },
        connector: madeWith(terminate?.headEndId),
      },
    ],
    mounts,
    partsKept: Math.min(device.partsKept, mounts.length),
    accessories,
    exposure,
    facing,
    units,
    policies: measured.pinScheme ? { ...policies, pinScheme: measured.pinScheme } : policies,
    allowances,
    equipment,
    ownParts: usedBy(device, job),
    site,
    things,
    floorHeightsM,
    windMS,
    terrain,
    mainsV,
    measured,
    conduits,
    before,
    freeTails: camera.unusedTails.filter((tail) => !tails.includes(tail)),
    staying,
    replaced,
    catalogue,
    printed: (value, kind) => print({ value, kind }, units),
  }
}
