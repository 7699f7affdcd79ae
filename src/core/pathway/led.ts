import { SPACES } from '../job/spaces'
import type { Job } from '../job/job'
import { whileSame } from '../once'
import { nameOf } from '../plan'
import type { Cable, Catalogue, ConduitGrowth, Narrow, TubePull, OnPlan } from '../parts'
import { cablesOn, cablesToLead, fedAt, hasWays, segmentsOf, type CableWay } from './cables'
import { bendsDeg, lengthM, pointsAt, pullsN } from './drag'
import { bareEdgesOn } from './edges'
import { finderOver, LEADS, sameLeads } from './finder'
import { growthOf } from './growth'
import { narrowsOf } from './narrow'
import type { Lane } from './network'
import {
  crowdsOf,
  isPullPoint,
  namesOf,
  sectionsOf,
  togetherIn,
  type Crowd,
  type PullPoint,
  type Section,
  type Stretch,
} from './sections'
import type { Found, Way } from './way'

/** What of a way rests on itself alone: kept with it. */
const SEGMENTS = new WeakMap<Way, ReturnType<typeof segmentsOf>>()

function segmentsOn(way: Way, turned: boolean) {
  const known = SEGMENTS.get(way)
  if (known) return known
  const segments = segmentsOf(way, [], turned)
  SEGMENTS.set(way, segments)
  return segments
}

/** A cable's way and the pulls that it is made in. */
export interface CableWithPulls extends CableWay {
  readonly pulls: readonly (TubePull & { readonly section: Section })[]
  /** What the conduits and ducts of its way grow, each once. */
  readonly growths: readonly ConduitGrowth[]
  /** Pathways on its way that have less room than is led through them. */
  readonly narrows: readonly Narrow[]
}

/** Every cable with the pulls through conduits and ducts that its way is made in. */
export function withPulls(
  { things }: Pick<Job, 'things'>,
  { conduits }: Catalogue,
  cables: readonly CableWay[],
): readonly CableWithPulls[] {
  const points = things.filter(isPullPoint)
  const crowds = crowdsOf(cables.flatMap(({ found }) => inTubes(found)))
  const narrows = narrowsOf(cables)
  const grown = new Map<Lane, ConduitGrowth>()
  const grows = (lane: Lane) => {
    const known = grown.get(lane)
    if (known) return known
    const growth = growthOf(lane, points, conduits)
    grown.set(lane, growth)
    return growth
  }
  return cables.map((one) => ({
    ...one,
    pulls: 'way' in one.found ? pullsOf(one.found.way, one, points, crowds) : [],
    growths: tubesOf(one.found).map(grows),
    narrows: narrows.get(one.id) ?? [],
  }))
}

/** What of a way lies in conduits and ducts. */
const inTubes = (found: Found): readonly Stretch[] =>
  'way' in found
    ? found.way.traces.flatMap(({ on }) => (on && SPACES[on.lane.pathway.space].tube ? [on] : []))
    : []

const tubesOf = (found: Found): readonly Lane[] => [...new Set(inTubes(found).map(({ lane }) => lane))]

type Pulls = CableWithPulls['pulls']
/** The pulls of a way as they were last: most changes leave the way, its pull points and its cable alone. */
const PULLS = new WeakMap<
  Way,
  {
    readonly points: readonly PullPoint[]
    readonly cable: Cable
    readonly only: TubePull['only']
    readonly pulls: Pulls
  }
>()

function pullsOf(
  way: Way,
  lead: Pick<CableWay, 'cable' | 'ready' | 'turned'>,
  points: readonly PullPoint[],
  crowds: ReadonlyMap<Lane, Crowd>,
): Pulls {
  const { cable } = lead
  const only = drawnOutAt(lead)
  const known = PULLS.get(way)
  const same =
    known?.cable === cable &&
    known.only === only &&
    known.points.length === points.length &&
    known.points.every((point, i) => point === points[i])
  const pulls = same
    ? known.pulls.map((pull) => {
        const together = togetherIn(pull.section, crowds)
        if (together === pull.together) return pull
        // Cables press on each other from two on, however many there are.
        const alike = together > 1 === pull.together > 1
        return alike ? { ...pull, together } : tubePull(pull.section, cable, only, together)
      })
    : sectionsOf(way, points).map((section) => tubePull(section, cable, only, togetherIn(section, crowds)))
  PULLS.set(way, { points, cable, only, pulls })
  return pulls
}

/** The end that a ready-made lead is drawn out of; null where either will do. */
function drawnOutAt(lead: Pick<CableWay, 'ready' | 'turned'>): TubePull['only'] {
  const fed = fedAt(lead)
  if (fed === null) return null
  return fed === 'device' ? 'toHeadEnd' : 'toDevice'
}

function tubePull(section: Section, cable: Cable, only: TubePull['only'], together: number): Pulls[number] {
  const { straights } = section
  const { diameterMm, pullN } = cable
  const pulled = { diameterMm, pullN, only, together }
  return {
    section,
    through: namesOf(section),
    lengthM: lengthM(straights),
    bendsDeg: bendsDeg(straights),
    together,
    pullN: pullsN(straights, pulled),
    only,
    pointsAt: pointsAt(straights, pulled),
  }
}

/** What of a job its cables' ways rest on. */
export type LedJob = Pick<Job, 'devices' | 'equipment' | 'runs' | 'things' | 'floorHeightsM' | 'ownParts'>

type Led = readonly CableWithPulls[]
const ledOf = whileSame<LedJob['devices'], Led>()
const restsOn = ({ equipment, runs, things, floorHeightsM, ownParts }: LedJob, catalogue: Catalogue) => [
  ...[catalogue, equipment, runs, floorHeightsM, ownParts],
  ...things.filter((thing) => LEADS.has(thing.kind) || isPullPoint(thing)),
]

/**
 * Every cable that is led over the plans with its way, its pulls and what its conduits grow. The very same
 * list while nothing changes that it rests on.
 */
export const ledOn = (job: LedJob, catalogue: Catalogue): Led =>
  ledOf(job.devices, restsOn(job, catalogue), () =>
    withPulls(job, catalogue, cablesOn(job, catalogue, finderOver(job))),
  )

/** What of a way lies along mains: not what brings it to the pathways, nor what has a conduit of its own. */
function alongMains({ traces }: Way) {
  const beside = traces.flatMap(({ on }) => {
    const pathway = on?.lane.pathway
    return on && pathway?.besideMains && !SPACES[pathway.space].tube ? [on] : []
  })
  return {
    along: [...new Set(beside.map(({ lane }) => nameOf(lane.pathway)))],
    lengthM: beside.reduce(
      (sum, { lane, from, to }) => sum + Math.abs(to - from) * (lane.lengthM + Math.abs(lane.riseM)),
      0,
    ),
  }
}

/** What was found of a cable: all that a `CableWithPulls` adds to its `Lead`. */
export type FoundOf = Pick<CableWithPulls, 'found' | 'pulls' | 'growths' | 'narrows'>

/** The same as `ledOn`, for whoever is told of it elsewhere: by the order of `cablesToLead`. */
export const foundOn = (job: LedJob, catalogue: Catalogue): readonly FoundOf[] =>
  ledOn(job, catalogue).map(({ found, pulls, growths, narrows }) => ({ found, pulls, growths, narrows }))

/** Takes over what was found of the cables of a job elsewhere. */
export function takeFound(job: LedJob, catalogue: Catalogue, found: readonly FoundOf[]): void {
  ledOf(job.devices, restsOn(job, catalogue), () =>
    cablesToLead(job, catalogue).map((lead, i) => ({ ...lead, ...found[i]! })),
  )
}

/** More pathways than these take longer to look through than a frame, with every cable once. */
const FEW_PATHWAYS = 150

/**
 * Whether asking for the cables of a job holds nobody up, when those of `held` are known: nothing that ways
 * rest on has changed but what the same pathways are asked for, or the pathways are few.
 */
export function isQuick(job: LedJob, held: LedJob, catalogue: Catalogue): boolean {
  if (ledOf.known(job.devices, restsOn(job, catalogue))) return true
  if (sameLeads(job, held)) return true
  return job.things.filter(({ kind }) => kind === 'pathway').length <= FEW_PATHWAYS
}

/**
 * What the plan says of every cable, by the id of its device or run: nothing as long as it has no pathway, or
 * nothing that one leads to. The very same map while nothing changes that it rests on.
 */
export function waysOn(job: LedJob, catalogue: Catalogue): Ways {
  const led = ledOn(job, catalogue)
  const known = WAYS.get(led)
  if (known) return known
  const ways = new Map(
    (hasWays(job) ? led : []).map(({ id, turned, found, pulls, growths, narrows }): [string, OnPlan] => {
      if (!('way' in found)) return [id, found]
      const bare = pulls.map(({ section: _, ...pull }) => pull)
      const mains = alongMains(found.way)
      return [
        id,
        {
          segments: segmentsOn(found.way, turned),
          pulls: bare,
          growths,
          mains,
          narrows,
          bareEdges: bareEdgesOn(found.way),
        },
      ]
    }),
  )
  WAYS.set(led, ways)
  return ways
}

type Ways = ReadonlyMap<string, OnPlan>
const WAYS = new WeakMap<Led, Ways>()
