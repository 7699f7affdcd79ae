import { PLACES, type Place } from '../order'

/** What is done on one thing in one go: one step after the other, at the same place. */
export interface Block {
  /** The place, or the spot where the thing is. */
  readonly at: string
  readonly place: Place
}

/** One going: where to, and which chains go on there by one block. */
export interface Going {
  readonly at: string
  readonly place: Place
  readonly chains: readonly number[]
}

/** States of the work that are looked at before one takes what leads to an end soonest. */
const MOST_LOOKED_AT = 600

/** Chains that are alike but for spots that nobody else comes to: they go on together. */
interface Kind {
  readonly members: readonly number[]
  /** `at` is null at a spot of its own. */
  readonly blocks: readonly { readonly at: string | null; readonly place: Place }[]
}

interface Reached {
  /** How many blocks of each kind are done. */
  readonly done: readonly number[]
  readonly cost: number
  /** The cost with the least that what is left must cost. */
  readonly atLeast: number
  /** Where one went, and the kinds that went on there; null for all the spots of their own. */
  readonly goings: readonly {
    readonly at: string | null
    readonly place: Place
    readonly kinds: readonly number[]
  }[]
}

/**
 * The order of goings in which chains of blocks are worked through with the fewest dear ones. `start` is
 * where one stands already: what can be done there comes first.
 *
 * Whoever is at a place does everything that can be done there: doing more is never worse later. So what is
 * done follows from the goings, and the cheapest are a shortest way over what is done (A*: a place is gone to
 * at least as often as the chain that comes there most often). A spot of one thing alone costs the same
 * whenever one goes, so one goes as soon as something can be done there.
 */
export function goingsOf(chains: readonly (readonly Block[])[], start: string | null = null): Going[] {
  const shared = sharedPlaces(chains)
  const kinds = kindsOf(chains, shared)
  const search = new Search(kinds, shared)
  const found = search.from(start !== null && shared.has(start) ? start : null)
  const at = chains.map(() => 0)
  const goings: Going[] = []
  let alone: number[] = []
  /** Spots of one thing alone wait until one of them is needed, and are gone to together then. */
  const goAlone = () => {
    for (const i of alone) goings.push({ ...chains[i]![at[i]!++]!, chains: [i] })
    alone = []
  }
  for (const { at: where, place, kinds: here } of found) {
    const on = here.flatMap((kind) => kinds[kind]!.members).sort((a, b) => a - b)
    if (where === null) {
      alone.push(...on)
      const first = goings.length === 0 ? alone.findIndex((i) => chains[i]![at[i]!]!.at === start) : -1
      if (first < 0) continue
      const [i] = alone.splice(first, 1) as [number]
      goings.push({ ...chains[i]![at[i]!++]!, chains: [i] })
      continue
    }
    if (on.some((i) => alone.includes(i))) goAlone()
    goings.push({ at: where, place, chains: on })
    for (const i of on) at[i]!++
  }
  goAlone()
  return goings
}

/** Places and spots that more than one chain comes to. */
function sharedPlaces(chains: readonly (readonly Block[])[]): ReadonlySet<string> {
  const comers = new Map<string, number>()
  for (const chain of chains)
    for (const at of new Set(chain.map((block) => block.at))) comers.set(at, (comers.get(at) ?? 0) + 1)
  return new Set([...comers].flatMap(([at, count]) => (count > 1 ? [at] : [])))
}

function kindsOf(chains: readonly (readonly Block[])[], shared: ReadonlySet<string>): Kind[] {
  const kinds = new Map<string, { members: number[]; blocks: Kind['blocks'] }>()
  chains.forEach((chain, i) => {
    const blocks = chain.map(({ at, place }) => ({ at: shared.has(at) ? at : null, place }))
    const key = JSON.stringify(blocks)
    const known = kinds.get(key)
    if (known) known.members.push(i)
    else kinds.set(key, { members: [i], blocks })
  })
  return [...kinds.values()]
}

const PLACE_NAMES = Object.keys(PLACES) as Place[]

class Search {
  constructor(
    private readonly kinds: readonly Kind[],
    private readonly shared: ReadonlySet<string>,
  ) {}

  from(start: string | null): Reached['goings'] {
    const none = { done: this.kinds.map(() => 0), cost: 0, atLeast: 0, goings: [] }
    const begin = this.settled((start !== null && this.goneTo(start, none)) || none)
    const queue = [begin]
    const seen = new Set<string>()
    for (let looked = 0; ; looked++) {
      const next = queue.splice(bestOf(queue, looked < MOST_LOOKED_AT), 1)[0]!
      if (next.done.every((count, i) => count === this.kinds[i]!.blocks.length)) return next.goings
      const key = next.done.join()
      if (seen.has(key)) continue
      seen.add(key)
      for (const at of this.shared) {
        const gone = this.goneTo(at, next)
        if (gone) queue.push(this.settled(gone))
      }
    }
  }

  /** After going to all spots of one thing alone, as often as something can be done there. */
  private settled(from: Reached): Reached {
    let now = from
    for (let gone: Reached | null = now; gone; gone = this.goneTo(null, now)) now = gone
    return { ...now, atLeast: now.cost + this.left(now.done) }
  }

  /** After going somewhere and doing all that can be done there; null when nothing can. */
  private goneTo(at: string | null, { done, cost, goings }: Reached): Reached | null {
    const here = this.kinds.flatMap(({ blocks }, i) => (blocks[done[i]!]?.at === at ? [i] : []))
    if (here.length === 0) return null
    const visits = here.map((i) => {
      const { members, blocks } = this.kinds[i]!
      return members.length * PLACES[blocks[done[i]!]!.place].visit
    })
    const { place } = this.kinds[here[0]!]!.blocks[done[here[0]!]!]!
    return {
      done: done.map((count, i) => (here.includes(i) ? count + 1 : count)),
      cost: cost + (at === null ? visits.reduce((sum, visit) => sum + visit, 0) : PLACES[place].visit),
      atLeast: 0,
      goings: [...goings, { at, place, kinds: here }],
    }
  }

  /** The least that what is left costs: each shared place as often as the one that comes there most often. */
  private left(done: readonly number[]): number {
    const most = new Map<string, { times: number; visit: number }>()
    let own = 0
    this.kinds.forEach(({ blocks, members }, i) => {
      const times = new Map<string, number>()
      for (const { at, place } of blocks.slice(done[i])) {
        const { visit } = PLACES[place]
        if (at === null) own += visit * members.length
        else {
          times.set(at, (times.get(at) ?? 0) + 1)
          if (times.get(at)! > (most.get(at)?.times ?? 0)) most.set(at, { times: times.get(at)!, visit })
        }
      }
    })
    return [...most.values()].reduce((sum, { times, visit }) => sum + times * visit, own)
  }
}

/** Which is looked at next: what can become the cheapest; without patience, what is nearest to an end. */
function bestOf(queue: readonly Reached[], patient: boolean): number {
  let best = 0
  queue.forEach((one, i) => {
    if (isBetter(one, queue[best]!, patient)) best = i
  })
  return best
}

function isBetter(a: Reached, b: Reached, patient: boolean): boolean {
  if (!patient) return a.atLeast - a.cost < b.atLeast - b.cost
  if (a.atLeast !== b.atLeast) return a.atLeast < b.atLeast
  // Of two that cost the same, the one that goes in the usual order of places.
  const i = a.goings.findIndex((going, n) => going.at !== b.goings[n]?.at)
  const [here, there] = [a.goings[i], b.goings[i]]
  if (!here || !there) return a.goings.length > b.goings.length
  return PLACE_NAMES.indexOf(here.place) < PLACE_NAMES.indexOf(there.place)
}
