import { SPACES } from '../job/choices'
import type { Job } from '../job/job'
import type { Cable, Catalogue, ConduitGrowth, TubePull, OnPlan } from '../parts'
import { cablesOn, hasWays, segmentsOf, type CableWay } from './cables'
import { bendsDeg, lengthM, pointsAt, pullsN } from './drag'
import { finderOver } from './finder'
import { growthOf } from './growth'
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
}

/** Every cable with the pulls through conduits and ducts that its way is made in. */
export function withPulls(
  { things }: Pick<Job, 'things'>,
  { conduits }: Catalogue,
  cables: readonly CableWay[],
): readonly CableWithPulls[] {
  const points = things.filter(isPullPoint)
  const crowds = crowdsOf(
    cables.flatMap(({ found }) => ('way' in found ? found.way.traces.flatMap(({ on }) => on ?? []) : [])),
  )
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
    pulls: 'way' in one.found ? pullsOf(one.found.way, one.cable, points, crowds) : [],
    growths: tubesOf(one.found).map(grows),
  }))
}

const tubesOf = (found: Found): readonly Lane[] => {
  const lanes = 'way' in found ? found.way.traces.flatMap(({ on }) => on?.lane ?? []) : []
  return [...new Set(lanes)].filter(({ pathway }) => SPACES[pathway.space].tube)
}

type Pulls = CableWithPulls['pulls']
/** The pulls of a way as they were last: most changes leave the way, its pull points and its cable alone. */
const PULLS = new WeakMap<
  Way,
  { readonly points: readonly PullPoint[]; readonly cable: Cable; readonly pulls: Pulls }
>()

function pullsOf(
  way: Way,
  cable: Cable,
  points: readonly PullPoint[],
  crowds: ReadonlyMap<Lane, Crowd>,
): Pulls {
  const known = PULLS.get(way)
  const same =
    known?.cable === cable &&
    known.points.length === points.length &&
    known.points.every((point, i) => point === points[i])
  const pulls = same
    ? known.pulls.map((pull) => {
        const together = togetherIn(pull.section, crowds)
        if (together === pull.together) return pull
        // Cables press on each other from two on, however many there are.
        const alike = together > 1 === pull.together > 1
        return alike ? { ...pull, together } : tubePull(pull.section, cable, together)
      })
    : sectionsOf(way, points).map((section) => tubePull(section, cable, togetherIn(section, crowds)))
  PULLS.set(way, { points, cable, pulls })
  return pulls
}

function tubePull(section: Section, cable: Cable, together: number): Pulls[number] {
  const { straights } = section
  const pulled = { ...cable, together }
  return {
    section,
    through: namesOf(section),
    lengthM: lengthM(straights),
    bendsDeg: bendsDeg(straights),
    together,
    pullN: pullsN(straights, pulled),
    pointsAt: pointsAt(straights, pulled),
  }
}

type Ways = ReadonlyMap<string, OnPlan>
/** What of a job the ways rest on. */
const ROOTS = ['devices', 'equipment', 'runs', 'things', 'floorHeightsM', 'ownParts'] as const
const KNOWN = new WeakMap<Job, Ways>()
/** The last job asked about: most commands leave all that the ways rest on as it is. */
let last: { readonly job: Job; readonly catalogue: Catalogue; readonly ways: Ways } | null = null

/**
 * What the plan says of every cable, by the id of its device or run: nothing as long as it has no pathway, or
 * nothing that one leads to. The very same map while nothing changes that it rests on.
 */
export function waysOn(job: Job, catalogue: Catalogue): Ways {
  const known = KNOWN.get(job)
  if (known) return known
  const same = last && last.catalogue === catalogue && ROOTS.every((name) => last!.job[name] === job[name])
  const ways = same ? last!.ways : waysFromScratch(job, catalogue)
  last = { job, catalogue, ways }
  KNOWN.set(job, ways)
  return ways
}

function waysFromScratch(job: Job, catalogue: Catalogue): Ways {
  const cables = hasWays(job) ? cablesOn(job, catalogue, finderOver(job)) : []
  return new Map(
    withPulls(job, catalogue, cables).map(({ id, turned, found, pulls, growths }): [string, OnPlan] => {
      if (!('way' in found)) return [id, found]
      const bare = pulls.map(({ section: _, ...pull }) => pull)
      return [id, { segments: segmentsOn(found.way, turned), pulls: bare, growths }]
    }),
  )
}
