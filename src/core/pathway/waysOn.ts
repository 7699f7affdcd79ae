import type { Job } from '../job/job'
import type { Cable, Catalogue, TubePull, OnPlan } from '../parts'
import { cablesOn, hasWays, segmentsOf, type CableWay } from './cables'
import { bendsDeg, lengthM, pointsAt, pullsN } from './drag'
import { finderOver } from './finder'
import type { Lane } from './network'
import { isPullPoint, namesOf, sectionsOf, togetherIn, type Section, type Stretch } from './sections'
import type { Found, Way } from './way'

/** What of a way rests on itself alone: kept with it. */
const SEGMENTS = new WeakMap<Way, ReturnType<typeof segmentsOf>>()

function segmentsOn(way: Way) {
  const known = SEGMENTS.get(way)
  if (known) return known
  const segments = segmentsOf(way)
  SEGMENTS.set(way, segments)
  return segments
}

/** A cable's way and the pulls that it is made in. */
export interface CableWithPulls extends CableWay {
  readonly cable: Cable
  readonly pulls: readonly (TubePull & { readonly section: Section })[]
}

/** Every cable with the pulls through conduits and ducts that its way is made in. */
export function withPulls(
  { devices, things }: Pick<Job, 'devices' | 'things'>,
  { cables: kinds }: Catalogue,
  cables: readonly CableWay[],
): readonly CableWithPulls[] {
  const points = things.filter(isPullPoint)
  const passed = passedBy(cables.map(({ found }) => found))
  const cableOf = new Map(devices.map(({ id, cableId }) => [id, kinds.get(cableId)]))
  return cables.flatMap((one): CableWithPulls[] => {
    const cable = cableOf.get(one.deviceId)
    if (!cable) return []
    const sections = 'way' in one.found ? sectionsOf(one.found.way, points) : []
    return [{ ...one, cable, pulls: sections.map((section) => tubePull(section, cable, passed)) }]
  })
}

function tubePull(
  section: Section,
  cable: Cable,
  passed: ReadonlyMap<Lane, readonly Stretch[]>,
): CableWithPulls['pulls'][number] {
  const { straights } = section
  const pulled = { ...cable, together: togetherIn(section, passed) }
  return {
    section,
    through: namesOf(section),
    lengthM: lengthM(straights),
    bendsDeg: bendsDeg(straights),
    together: pulled.together,
    pullN: pullsN(straights, pulled),
    pointsAt: pointsAt(straights, pulled),
  }
}

/** By lane, every stretch of it that some way passes. */
function passedBy(found: readonly Found[]): ReadonlyMap<Lane, readonly Stretch[]> {
  const passed = new Map<Lane, Stretch[]>()
  for (const { on } of found.flatMap((one) => ('way' in one ? one.way.traces : []))) {
    if (!on) continue
    const known = passed.get(on.lane)
    if (known) known.push(on)
    else passed.set(on.lane, [on])
  }
  return passed
}

type Ways = ReadonlyMap<string, OnPlan>
/** What of a job the ways rest on. */
const ROOTS = ['devices', 'equipment', 'things', 'floorHeightsM', 'ownParts'] as const
const KNOWN = new WeakMap<Job, Ways>()
/** The last job asked about: most commands leave all that the ways rest on as it is. */
let last: { readonly job: Job; readonly catalogue: Catalogue; readonly ways: Ways } | null = null

/**
 * What the plan says of the cable of every device, by its id: nothing as long as it has no pathway, or no
 * head end. The very same map while nothing changes that it rests on.
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
    withPulls(job, catalogue, cables).map(({ deviceId, found, pulls }): [string, OnPlan] => {
      if (!('way' in found)) return [deviceId, found]
      const bare = pulls.map(({ section: _, ...pull }) => pull)
      return [deviceId, { segments: segmentsOn(found.way), pulls: bare }]
    }),
  )
}
