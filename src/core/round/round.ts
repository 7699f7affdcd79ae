import { PLACES, type Place } from '../order'
import type { Step } from '../procedure'
import type { Spot } from './spots'
import { goingsOf, type Going } from './visits'

/** Something with steps that are left to do, in their order. */
export interface Unfinished {
  readonly id: string
  readonly mark: string
  readonly name: string
  readonly left: readonly Step[]
}

/** What is done on one thing while one is there. */
export interface Stint {
  readonly of: Omit<Unfinished, 'left'>
  readonly steps: readonly Step[]
}

/** One going: a place, or a spot where things are. */
export interface Visit {
  readonly place: Place
  /** Null at the places that all things share. */
  readonly spot: Spot | null
  readonly stints: readonly Stint[]
}

/** Something that is to be done where one stands, but not yet. */
export interface Waiting {
  readonly of: Omit<Unfinished, 'left'>
  readonly steps: number
  readonly first: string
  /** What it waits for, and where that is done. */
  readonly on: string
  readonly onAt: Place
}

export interface Round {
  readonly visits: readonly Visit[]
  /** Goings up to devices. */
  readonly climbs: number
  readonly steps: number
  /** Where one stands; at the first of the visits where that is not said. */
  readonly waiting: readonly Waiting[]
}

/** Where a round can begin: a place, or the spot of a thing. */
export type Here = Place | { readonly spot: string }

/**
 * Everything that is left to do, going by going: at each what can be done there across all things, in the
 * fewest dear goings. `here` is where one stands; what can be done there comes first, also where that makes
 * the round longer.
 */
export function roundOf(
  things: readonly Unfinished[],
  spots: ReadonlyMap<string, Spot>,
  here: Here | null = null,
): Round {
  const open = things.filter(({ left }) => left.length > 0)
  const spotOf = (id: string) => spots.get(id) ?? { id, marks: [], name: '', heightM: null, at: null }
  const chains = open.map(({ id, left }) =>
    stints(left).map((steps) => {
      const { place } = steps[0]!
      return { at: place === 'at the device' ? `spot ${spotOf(id).id}` : place, place, steps }
    }),
  )
  const start = typeof here === 'object' && here ? `spot ${here.spot}` : here
  const at = chains.map(() => 0)
  const visits = nearestFirst(goingsOf(chains, start), (going) => spotOf(open[going.chains[0]!]!.id)).map(
    ({ place, chains: on }): Visit => ({
      place,
      spot: place === 'at the device' ? spotOf(open[on[0]!]!.id) : null,
      stints: on.map((i) => ({ of: open[i]!, steps: chains[i]![at[i]!++]!.steps })),
    }),
  )
  return {
    visits,
    climbs: visits.filter(({ place }) => place === 'at the device').length,
    steps: open.reduce((sum, { left }) => sum + left.length, 0),
    waiting: waitingAt(here ?? hereOf(visits[0]), open, spotOf),
  }
}

/** Steps in their order, those in a row that are done at the same place together. */
function stints(steps: readonly Step[]): Step[][] {
  const rows: Step[][] = []
  for (const step of steps) {
    const last = rows.at(-1)
    if (last?.[0]!.place === step.place) last.push(step)
    else rows.push([step])
  }
  return rows
}

/**
 * Spots that are gone to one after the other, the nearest first from where one was last; those that are not
 * on the plan after them, as given. The first stays the first.
 */
function nearestFirst(goings: readonly Going[], spotOf: (going: Going) => Spot): Going[] {
  const sorted: Going[] = []
  for (let from = 0; from < goings.length; ) {
    if (goings[from]!.place !== 'at the device') {
      sorted.push(goings[from++]!)
      continue
    }
    let to = from
    while (goings[to]?.place === 'at the device') to++
    const [first, ...rest] = goings.slice(from, to)
    sorted.push(...walked(first!, rest, spotOf))
    from = to
  }
  return sorted
}

function walked(first: Going, rest: readonly Going[], spotOf: (going: Going) => Spot): Going[] {
  const way = [first]
  const left = [...rest]
  while (left.length > 0) {
    const here = spotOf(way.at(-1)!)
    const apart = left.map((going) => apartM(here, spotOf(going)))
    const next = apart.indexOf(Math.min(...apart))
    way.push(...left.splice(next, 1))
  }
  return way
}

/** Metres on the plan; another floor is far, what is on no plan is farther. */
function apartM({ at: a }: Spot, { at: b }: Spot): number {
  if (!a || !b) return a === b ? 0 : FAR_M * 2
  return (a.floor === b.floor ? 0 : FAR_M) + Math.hypot(a.x - b.x, a.y - b.y)
}
const FAR_M = 1e6

const hereOf = (visit: Visit | undefined): Here | null =>
  visit?.spot ? { spot: visit.spot.id } : (visit?.place ?? null)

/** What is to be done where one stands, and waits for what is done elsewhere. */
function waitingAt(here: Here | null, open: readonly Unfinished[], spotOf: (id: string) => Spot): Waiting[] {
  if (here === null) return []
  const isHere = ({ place }: Step, id: string) =>
    typeof here === 'string' ? place === here : place === 'at the device' && spotOf(id).id === here.spot
  return open.flatMap((of) => {
    const rows = stints(of.left)
    const later = rows.findIndex((steps, i) => i > 0 && isHere(steps[0]!, of.id))
    if (later < 0) return []
    const before = rows[later - 1]!.at(-1)!
    const steps = rows.filter((row, i) => i > 0 && isHere(row[0]!, of.id)).flat()
    return [{ of, steps: steps.length, first: steps[0]!.title, on: before.title, onAt: before.place }]
  })
}

/** "On the bench", "At 02 Slipway north", "At 02 and 03". */
export function calledPlace({ place, spot }: Pick<Visit, 'place' | 'spot'>): string {
  if (!spot) return PLACES[place].name
  const { marks, name } = spot
  return marks.length > 1
    ? `At ${marks.slice(0, -1).join(', ')} and ${marks.at(-1)}`
    : `At ${marks[0] ?? ''} ${name}`
}
