import type { PlanPoint } from '../geometry'
import type { Floor } from '../job/choices'
import { SPACES } from '../job/spaces'
import type { BareEdge } from '../parts'
import type { CableWay } from './cables'
import { passedMm } from './holes'
import type { Lane } from './network'
import type { Way } from './way'

/** Where cables come out of a pathway that covers them, past an edge that would pinch or cut them. */
export interface Edge {
  /** The pathway, by name. */
  readonly of: string
  readonly floor: Floor
  readonly at: PlanPoint
  /** Whither: another pathway by name, their devices, or what they end at. */
  readonly towards: string
  readonly marks: readonly string[]
  /** What passes together, with room, mm. */
  readonly passMm: number
  readonly remedy: string
}

/** Where a way comes into a lane or leaves it. */
interface Place {
  readonly lane: Lane
  readonly share: number
  readonly floor: Floor
  readonly at: PlanPoint
  readonly towards: string
}

/** Every edge that the ways of these cables pass, once for all that go the same way there. */
export function edgesOn(cables: readonly CableWay[]): readonly Edge[] {
  const edges = new Map<string, { readonly place: Place; readonly led: CableWay[] }>()
  for (const cable of cables)
    for (const place of 'way' in cable.found ? placesOf(cable.found.way) : []) {
      const key = `${place.lane.pathway.id} ${place.share.toFixed(6)} ${place.towards}`
      const edge = edges.get(key) ?? { place, led: [] }
      edge.led.push(cable)
      edges.set(key, edge)
    }
  return [...edges.values()].map(({ place, led }) => {
    const { lane, floor, at, towards } = place
    return {
      ...{ of: nameOf(lane), floor, at, towards },
      marks: led.map(({ mark }) => mark),
      passMm: passedMm(led),
      remedy: remedyOf(place),
    }
  })
}

function remedyOf({ lane, share }: Place): string {
  const { atEnd, between = atEnd } = SPACES[lane.pathway.space].edge!
  return share < SLIP || share > 1 - SLIP ? atEnd : between
}

/** The edges that a way passes and that are said to be bare. */
export const bareEdgesOn = (way: Way): readonly BareEdge[] =>
  placesOf(way)
    .filter(({ lane }) => lane.pathway.bareEdges)
    .map((place) => ({
      of: nameOf(place.lane),
      towards: OWN[place.towards] ?? place.towards,
      remedy: remedyOf(place),
    }))
/** Of one cable what is said of many. */
const OWN: Readonly<Record<string, string>> = {
  'their devices': 'its device',
  'what they end at': 'what it ends at',
}

const SLIP = 1e-6

/** Where a way passes an edge: not from one piece to the next of the same kind, where nothing is cut. */
function placesOf({ traces }: Way): readonly Place[] {
  const along = traces.flatMap(({ on, floor, points }) => (on ? [{ ...on, floor, points }] : []))
  return along.flatMap(({ lane, from, to, floor, points }, i) => {
    const { space } = lane.pathway
    const place = (share: number, at: PlanPoint, other: Lane | undefined, end: string): Place[] =>
      SPACES[space].edge === undefined || other?.pathway.space === space
        ? []
        : [{ lane, share, floor, at, towards: other ? nameOf(other) : end }]
    return [
      ...place(from, points[0]!, along[i - 1]?.lane, 'their devices'),
      ...place(to, points.at(-1)!, along[i + 1]?.lane, 'what they end at'),
    ]
  })
}

const nameOf = ({ pathway: { name, space } }: Lane): string => (name === '' ? SPACES[space].name : name)
