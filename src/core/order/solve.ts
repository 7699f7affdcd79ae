import { PLACES, type Place } from './places'

/** What is to be put in order, by number: the same for all devices that are put together alike. */
export interface Puzzle {
  readonly places: readonly Place[]
  readonly ranks: readonly number[]
  readonly edges: readonly Edge[]
  /** Each comes before the last of its closings. */
  readonly lasts: readonly {
    readonly first: number
    readonly closings: readonly number[]
    readonly force: number
  }[]
}

/** `first` comes before `then`; `of` is the constraint it comes from: of the edges, then of the lasts. */
export interface Edge {
  readonly first: number
  readonly then: number
  readonly force: number
  readonly of: number
}

export interface Solution {
  readonly order: readonly number[]
  /** For each item the tightest edge on either side. */
  readonly after: readonly (Edge | null)[]
  readonly before: readonly (Edge | null)[]
  readonly circles: readonly (readonly Edge[])[]
}

/** More ways of closing several ways than this are not tried. */
const MOST_BRANCHES = 64

export function solve({ places, ranks, edges: all, lasts }: Puzzle): Solution {
  let edges = all
  let open = lasts.map((last, i) => ({ ...last, of: all.length + i }))
  const circles: (readonly Edge[])[] = []
  for (;;) {
    const found = bestOf(places, ranks, edges, branches(open))
    if ('order' in found) return { order: found.order, ...tightest(found.order, found.edges), circles }
    circles.push(found.circle)
    const weakest = found.circle.reduce((a, b) => (b.force < a.force ? b : a))
    edges = edges.filter(({ of }) => of !== weakest.of)
    open = open.filter(({ of }) => of !== weakest.of)
  }
}

type Last = Puzzle['lasts'][number] & { readonly of: number }

/** All choices of which way closes last, each as plain edges. */
function branches(lasts: readonly Last[]): Edge[][] {
  let all: Edge[][] = [[]]
  for (const { first, closings, force, of } of lasts)
    all = all
      .flatMap((one) => closings.map((then) => [...one, { first, then, force, of }]))
      .slice(0, MOST_BRANCHES)
  return all
}

type Found =
  | { readonly order: readonly number[]; readonly cost: number; readonly edges: readonly Edge[] }
  | { readonly circle: readonly Edge[] }

function bestOf(
  places: readonly Place[],
  ranks: readonly number[],
  edges: readonly Edge[],
  choices: readonly Edge[][],
): Found {
  let best: Extract<Found, { order: unknown }> | null = null
  let shortest: readonly Edge[] | null = null
  for (const chosen of choices) {
    const all = chosen.length === 0 ? edges : [...edges, ...chosen]
    const sorted = new Sorting(places, ranks, all).sorted()
    if (sorted && (!best || sorted.cost < best.cost)) best = { ...sorted, edges: all }
    if (sorted || best) continue
    const circle = shortestCircle(places.length, all)
    if (!shortest || circle.length < shortest.length) shortest = circle
  }
  return best ?? { circle: shortest! }
}

/** What is done after some visits. */
interface Reached {
  readonly done: Uint8Array
  /** How many constraints each item still waits for. */
  readonly waits: Uint8Array
  readonly count: number
  readonly cost: number
  /** The cost with the least that what is left must cost. */
  readonly atLeast: number
  readonly visits: readonly Place[]
}

const VISITED = Object.keys(PLACES) as Place[]

/** Cheaper in the end; of two that cost the same, the one that goes in the usual order of places. */
function isBetter(a: Reached, b: Reached): boolean {
  if (a.atLeast !== b.atLeast) return a.atLeast < b.atLeast
  const i = a.visits.findIndex((place, at) => place !== b.visits[at])
  return i >= 0 && VISITED.indexOf(a.visits[i]!) < VISITED.indexOf(b.visits[i]!)
}

/** One set of edges over items. */
class Sorting {
  private readonly after: number[][]
  private readonly waits: Uint8Array

  constructor(
    private readonly places: readonly Place[],
    private readonly ranks: readonly number[],
    edges: readonly Edge[],
  ) {
    this.after = places.map(() => [])
    this.waits = new Uint8Array(places.length)
    for (const { first, then } of edges) {
      if (this.after[first]!.includes(then)) continue
      this.after[first]!.push(then)
      this.waits[then]!++
    }
  }

  /** The order with the cheapest visits; null where the edges run in a circle. */
  sorted(): { readonly order: readonly number[]; readonly cost: number } | null {
    const visits = this.cheapest()
    return visits && { order: this.along(visits.visits), cost: visits.cost }
  }

  /**
   * Whoever is at a place does all that can be done there: doing more is never worse later. So what is done
   * follows from the visits, and the cheapest visits are a shortest way over what is done (A*: a place has
   * to be gone to as often as some chain of constraints comes back to it).
   */
  private cheapest(): Reached | null {
    const places = VISITED.filter((place) => this.places.includes(place))
    const comings = this.comings(places)
    if (!comings) return null
    const left = (done: Uint8Array) =>
      places.reduce((sum, place, p) => {
        let most = 0
        for (let i = 0; i < done.length; i++) if (!done[i] && comings[p]![i]! > most) most = comings[p]![i]!
        return sum + most * PLACES[place].visit
      }, 0)
    const none = new Uint8Array(this.places.length)
    const queue: Reached[] = [
      { done: none, waits: this.waits, count: 0, cost: 0, atLeast: left(none), visits: [] },
    ]
    const seen = new Set<string>()
    while (queue.length > 0) {
      const next = queue.reduce((a, b) => (isBetter(b, a) ? b : a))
      queue.splice(queue.indexOf(next), 1)
      if (next.count === this.places.length) return next
      const key = next.done.join('')
      if (seen.has(key)) continue
      seen.add(key)
      for (const place of places) {
        if (place === next.visits.at(-1)) continue
        const more = this.doneAt(place, next)
        if (more) queue.push({ ...more, atLeast: more.cost + left(more.done) })
      }
    }
    return null
  }

  /**
   * For each place, how often at least one has to come there from an item on; null where the edges run in a
   * circle.
   */
  private comings(places: readonly Place[]): number[][] | null {
    const waits = this.waits.slice()
    const order = this.places.flatMap((_, i) => (waits[i] === 0 ? [i] : []))
    for (const i of order) for (const then of this.after[i]!) if (--waits[then]! === 0) order.push(then)
    if (order.length < this.places.length) return null
    const fromTheEnd = order.toReversed()
    return places.map((place) => {
      const comings = this.places.map(() => 0)
      // A coming counts where one arrives from elsewhere, so what follows at the place itself comes along.
      for (const i of fromTheEnd) {
        const here = this.places[i] === place
        let most = here ? 1 : 0
        for (const then of this.after[i]!) {
          const apart = here && this.places[then] !== place ? 1 : 0
          most = Math.max(most, comings[then]! + apart)
        }
        comings[i] = most
      }
      return comings
    })
  }

  /** What is done after all that can be done at a place is done; null when nothing can. */
  private doneAt(place: Place, before: Reached): Omit<Reached, 'atLeast'> | null {
    const ready = this.places.flatMap((at, i) =>
      at === place && !before.done[i] && before.waits[i] === 0 ? [i] : [],
    )
    if (ready.length === 0) return null
    const [done, waits] = [before.done.slice(), before.waits.slice()]
    let count = before.count
    for (let i = ready.pop(); i !== undefined; i = ready.pop()) {
      done[i] = 1
      count++
      for (const then of this.after[i]!)
        if (--waits[then]! === 0 && this.places[then] === place) ready.push(then)
    }
    return { done, waits, count, cost: before.cost + PLACES[place].visit, visits: [...before.visits, place] }
  }

  /** The order along the visits: at each, the usual one first of what may be done there. */
  private along(visits: readonly Place[]): number[] {
    const waits = this.waits.slice()
    const order: number[] = []
    const open = new Set(this.places.keys())
    for (const place of visits) {
      for (;;) {
        let best = -1
        for (const i of open) {
          if (this.places[i] !== place || waits[i] !== 0) continue
          if (best < 0 || this.ranks[i]! < this.ranks[best]!) best = i
        }
        if (best < 0) break
        open.delete(best)
        order.push(best)
        for (const then of this.after[best]!) waits[then]!--
      }
    }
    return order
  }
}

/** The shortest circle of edges, from its first item in the order given. There must be one. */
function shortestCircle(count: number, edges: readonly Edge[]): readonly Edge[] {
  const from: Edge[][] = Array.from({ length: count }, () => [])
  for (const edge of edges) from[edge.first]!.push(edge)
  let shortest: readonly Edge[] | null = null
  for (let start = 0; start < count; start++) {
    const reached = new Map<number, Edge>()
    const queue = [start]
    for (let at = queue.shift(); at !== undefined && !reached.has(start); at = queue.shift())
      for (const edge of from[at]!)
        if (!reached.has(edge.then)) {
          reached.set(edge.then, edge)
          queue.push(edge.then)
        }
    if (!reached.has(start)) continue
    const circle = [reached.get(start)!]
    while (circle[0]!.first !== start) circle.unshift(reached.get(circle[0]!.first)!)
    if (!shortest || circle.length < shortest.length) shortest = circle
  }
  return shortest!
}

/** Of what holds an item on a side, the strongest is told, and of those the nearest. */
function tightest(order: readonly number[], edges: readonly Edge[]): Pick<Solution, 'after' | 'before'> {
  const at: number[] = []
  order.forEach((item, i) => (at[item] = i))
  const after: (Edge | null)[] = order.map(() => null)
  const before: (Edge | null)[] = order.map(() => null)
  for (const edge of edges) {
    const [next, last] = [before[edge.first], after[edge.then]]
    const isNearer = (known: Edge, apart: number, knownApart: number) =>
      edge.force === known.force ? apart < knownApart : edge.force > known.force
    const apart = at[edge.then]! - at[edge.first]!
    if (!next || isNearer(next, apart, at[next.then]! - at[next.first]!)) before[edge.first] = edge
    if (!last || isNearer(last, apart, at[last.then]! - at[last.first]!)) after[edge.then] = edge
  }
  return { after, before }
}
