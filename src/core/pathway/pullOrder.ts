import type { Passed, Strand } from './strands'

/** One pull: a strand with the ways that are pulled through it now, and those that come later. */
export interface Turn {
  readonly strand: number
  /** From its second end to its first. */
  readonly back: boolean
  readonly ways: readonly number[]
  readonly later: readonly number[]
}

/**
 * An order of pulls in which every way comes to a strand by what it passes before it, and all that lies in a
 * strand is pulled at once, one way round. Where ways wait for each other, some that are not begun are
 * turned round; where that sets nothing free, what can is pulled and the rest of it later. What goes on from
 * the last pull comes first, then the thickest, then what has the farthest to go. What must be `fed` from one
 * of its ends is never turned from it. What goes `first` is drawn through all its strands by itself, before
 * anything else.
 */
export function orderOf(
  strands: readonly Strand[],
  walks: readonly (readonly Passed[])[],
  fed: readonly ('device' | 'goal' | null)[] = [],
  first: readonly number[] = [],
): { readonly turns: readonly Turn[]; readonly turned: ReadonlySet<number> } {
  const order = new Order(strands, walks, fed)
  for (const way of first) order.alone(way)
  for (;;) {
    const pull = order.ready() ?? (order.turn() ? order.ready() : order.some())
    if (!pull) return order
    order.make(pull)
  }
}

export const turnedRound = (walk: readonly Passed[]): readonly Passed[] =>
  walk.toReversed().map(({ strand, back }) => ({ strand, back: !back }))

class Order {
  readonly turns: Turn[] = []
  readonly turned = new Set<number>()
  private readonly left: { walk: readonly Passed[]; next: number; farM: number }[]
  /** Who has still to be pulled through a strand, and who of them is there, to go forth or back. */
  private readonly waiting: readonly Set<number>[]
  private readonly here = new Map<number, { readonly pull: Passed; readonly ways: Set<number> }>()
  /** What can be pulled whole, and how it ranks: nothing of that changes until it is pulled. */
  private readonly free = new Map<number, { readonly pull: Passed; readonly rank: readonly number[] }>()
  /** What the last pull goes on in. */
  private on: ReadonlySet<number> = new Set()

  constructor(
    private readonly strands: readonly Strand[],
    walks: readonly (readonly Passed[])[],
    private readonly fed: readonly ('device' | 'goal' | null)[],
  ) {
    this.waiting = strands.map(({ ways }) => new Set(ways))
    for (const way of walks.keys()) if (fed[way] === 'device') this.turned.add(way)
    this.left = walks.map((walk, way) => ({
      ...{ walk: this.turned.has(way) ? turnedRound(walk) : walk, next: 0 },
      farM: walk.reduce((sum, { strand }) => sum + strands[strand]!.lengthM, 0),
    }))
    walks.forEach((_, way) => this.come(way))
  }

  /** The best of those that can be made whole. */
  ready(): Passed | null {
    const first = best([...this.free], ([key, { rank }]) => [this.on.has(key) ? 1 : 0, ...rank])
    return first && first[1].pull
  }

  /** Turns the fewest that something waits for and that could all come to it from their other end. */
  turn(): boolean {
    const sets = this.strands.flatMap((_, strand) =>
      [false, true].flatMap((back) => {
        const there = this.here.get(keyOf({ strand, back }))?.ways
        const missing = [...this.waiting[strand]!].filter((way) => !there?.has(way))
        return missing.length > 0 && missing.every((way) => this.mayTurn(way, { strand, back }))
          ? [missing]
          : []
      }),
    )
    const fewest = best(sets, ({ length }) => [-length])
    for (const way of fewest ?? []) {
      this.go(way)
      const one = this.left[way]!
      one.walk = turnedRound(one.walk)
      this.turned.add(way)
      this.come(way)
    }
    return fewest !== null
  }

  /** Where the most are there, though not all; null where nothing is left to pull. */
  some(): Passed | null {
    const begun = [...this.here.values()].filter(({ ways }) => ways.size > 0)
    const most = best(begun, ({ pull, ways }) => [ways.size, -this.waiting[pull.strand]!.size, -pull.strand])
    return most && most.pull
  }

  /** One way through all that it passes, and nothing with it. */
  alone(way: number): void {
    const { walk } = this.left[way]!
    for (const pull of walk) this.make(pull, [way])
  }

  make(pull: Passed, together: Iterable<number> = this.here.get(keyOf(pull))!.ways): void {
    const { strand, back } = pull
    const ways = [...together].sort((a, b) => a - b)
    for (const way of ways) {
      this.go(way)
      this.waiting[strand]!.delete(way)
      this.left[way]!.farM -= this.strands[strand]!.lengthM
      this.left[way]!.next++
    }
    this.on = new Set(ways.flatMap((way) => this.come(way) ?? []))
    this.note({ strand, back: true })
    this.note({ strand, back: false })
    this.turns.push({ strand, back, ways, later: [...this.waiting[strand]!] })
  }

  private mayTurn(way: number, pull: Passed): boolean {
    const { walk, next } = this.left[way]!
    const end = walk.at(-1)!
    return (
      next === 0 &&
      !this.fed[way] &&
      !this.turned.has(way) &&
      end.strand === pull.strand &&
      end.back !== pull.back
    )
  }

  /** Brings a way to what it passes next; null where it has ended. */
  private come(way: number): number | null {
    const { walk, next } = this.left[way]!
    const pull = walk[next]
    if (!pull) return null
    const there = this.here.get(keyOf(pull)) ?? { pull, ways: new Set() }
    this.here.set(keyOf(pull), there)
    there.ways.add(way)
    this.note(pull)
    return keyOf(pull)
  }

  private go(way: number): void {
    const { walk, next } = this.left[way]!
    this.here.get(keyOf(walk[next]!))!.ways.delete(way)
    this.note(walk[next]!)
  }

  private note(pull: Passed): void {
    const { strand, back } = pull
    const ways = [...(this.here.get(keyOf(pull))?.ways ?? [])]
    if (ways.length > 0 && ways.length === this.waiting[strand]!.size) {
      const farM = Math.max(...ways.map((way) => this.left[way]!.farM))
      this.free.set(keyOf(pull), { pull, rank: [ways.length, farM, -strand, back ? 0 : 1] })
    } else this.free.delete(keyOf(pull))
  }
}

const keyOf = ({ strand, back }: Passed): number => 2 * strand + (back ? 1 : 0)

/** The one whose ranks come highest, the first of them first; null of none. */
function best<T>(of: readonly T[], rank: (one: T) => readonly number[]): T | null {
  let found: { readonly one: T; readonly ranks: readonly number[] } | null = null
  for (const one of of) {
    const ranks = rank(one)
    const at = found ? ranks.findIndex((value, i) => value !== found!.ranks[i]) : 0
    if (!found || (at >= 0 && ranks[at]! > found.ranks[at]!)) found = { one, ranks }
  }
  return found && found.one
}
