import { distanceM } from '../geometry'
import { SPACES } from '../job/spaces'
import type { Job } from '../job/job'
import { nameOf } from '../plan'
import type { Catalogue } from '../parts'
import type { World } from '../sight'
import { cablesToLead } from './cables'
import { LEADS } from './finder'
import { PATHWAY_LIMITS } from './limits'
import { networkOf, type Network, type Spot, type Stop } from './network'
import { WayFinder, type Laid } from './way'

/** What spots for the head end are compared by: the cables that lead there, and the pathways. */
export interface HeadEndQuestion {
  readonly cables: readonly (Laid & { readonly from: Spot })[]
  readonly world: World
}

/** What all cables of a job come to with the head end at one spot. */
export interface HeadEndSpot {
  readonly spot: Spot
  /** The pathway at which it lies; null for the head end as it is drawn. */
  readonly beside: string | null
  readonly lengthM: number
  readonly minutes: number
  /** Cables that find a way there. */
  readonly led: number
}

export const headEndQuestion = (job: Job, catalogue: Catalogue): HeadEndQuestion => ({
  cables: cablesToLead(job, catalogue).map(({ from, to, forced, cable }) => {
    return { from, to, forced, stands: cable.stands }
  }),
  world: { things: job.things.filter(({ kind }) => LEADS.has(kind)), floorHeightsM: job.floorHeightsM },
})

/** Spots nearer to each other than this are one. */
const APART_M = 2
/** So many spots are tried. */
const MOST_SPOTS = 40

/**
 * Where the head end could be: as it is drawn, then at the points of dry pathways that come within reach of
 * it, each with what all cables come to there. Of several head ends the first is moved. Most cables led
 * first, then the least labour. Yields how far it is, 0 to 1.
 */
export function* headEndSteps({ cables, world }: HeadEndQuestion): Generator<number, readonly HeadEndSpot[]> {
  yield 0
  const drawn = world.things.find((thing) => thing.kind === 'head end')
  if (!drawn) return []
  const tried: Pick<HeadEndSpot, 'spot' | 'beside'>[] = [{ spot: spotOn(drawn), beside: null }]
  for (const stop of stopsOn(networkOf(world))) {
    const spot = spotOn(stop)
    const near = tried.some(
      (one) => one.spot.floor === spot.floor && distanceM(one.spot.at, spot.at) < APART_M,
    )
    if (!near) tried.push({ spot, beside: nameOf(stop.lane.pathway) })
    if (tried.length >= MOST_SPOTS) break
  }
  const spots: HeadEndSpot[] = []
  for (const [i, { spot, beside }] of tried.entries()) {
    const moved = { ...drawn, floor: spot.floor, at: spot.at }
    const things = world.things.map((thing) => (thing === drawn ? moved : thing))
    const finder = new WayFinder(networkOf({ ...world, things }))
    const ways = cables.flatMap(({ from, ...laid }) => {
      const found = finder.findForced(from, laid)
      return 'way' in found ? [found.way] : []
    })
    spots.push({
      spot,
      beside,
      lengthM: ways.reduce((sum, { lengthM }) => sum + lengthM, 0),
      minutes: ways.reduce((sum, { minutes }) => sum + minutes, 0),
      led: ways.length,
    })
    yield (i + 1) / tried.length
  }
  return spots.sort((a, b) => b.led - a.led || a.minutes - b.minutes)
}

const spotOn = ({ floor, at }: Pick<Spot, 'floor' | 'at'>): Spot => ({
  floor,
  at,
  heightM: PATHWAY_LIMITS.headEndM.value,
})

/** Drawn points of pathways that rain does not reach, as low as a cupboard is brought to. */
const stopsOn = ({ lanes, stops }: Network): readonly Stop[] =>
  lanes
    .filter(({ pathway: { space } }) => !SPACES[space].rained)
    .flatMap((lane) => stops.get(lane) ?? [])
    .filter(({ heightM }) => {
      const upM = heightM - PATHWAY_LIMITS.headEndM.value
      return Math.abs(upM) <= PATHWAY_LIMITS.reachM.value
    })
