import { piecesOf, type Passage, type Piece } from './pieces'
import type { Way } from './way'

/** Pieces one after the other that the very same ways pass. */
export interface Strand {
  readonly pieces: readonly Piece[]
  /** m, as the pathways lie. */
  readonly lengthM: number
  /** The ways that pass it, by their place in the list, in order. */
  readonly ways: readonly number[]
  /** The places at its two ends: strands that meet at one have the same number. */
  readonly ends: readonly [number, number]
}

/** A strand as a way passes it: `back` where that is from its second end to its first. */
export interface Passed {
  readonly strand: number
  readonly back: boolean
}

/** All ways as strands, every strand once, and every way as what it passes from where it ends outwards. */
export function strandsOf(ways: readonly Way[]): {
  readonly strands: readonly Strand[]
  readonly walks: readonly (readonly Passed[])[]
} {
  const { pieces, walks } = piecesOf(ways)
  // How many ways go from one piece right to the other, either way round.
  const follows = new Map<string, number>()
  const pair = (a: number, b: number) => (a < b ? `${a} ${b}` : `${b} ${a}`)
  const places = new Places(2 * pieces.length)
  for (const walk of walks)
    walk.slice(1).forEach((next, i) => {
      const before = walk[i]!
      const key = pair(before.piece, next.piece)
      follows.set(key, (follows.get(key) ?? 0) + 1)
      places.join(leftAt(before), enteredAt(next))
    })
  const isOne = (a: number, b: number): boolean => {
    const count = pieces[a]!.ways.size
    return count === pieces[b]!.ways.size && follows.get(pair(a, b)) === count
  }
  const strands: Strand[] = []
  const found = new Map<number, Passed>()
  const add = (chain: readonly Passage[]) => {
    const [first, last] = [chain[0]!, chain.at(-1)!]
    if (found.has(first.piece)) return
    for (const { piece, back } of chain) found.set(piece, { strand: strands.length, back })
    const of = chain.map(({ piece }) => pieces[piece]!)
    strands.push({
      pieces: of,
      lengthM: of.reduce((sum, { lengthM }) => sum + lengthM, 0),
      ways: [...of[0]!.ways].sort((a, b) => a - b),
      ends: [places.of(enteredAt(first)), places.of(leftAt(last))],
    })
  }
  for (const walk of walks) {
    let from = 0
    walk.forEach(({ piece }, at) => {
      if (at + 1 < walk.length && isOne(piece, walk[at + 1]!.piece)) return
      add(walk.slice(from, at + 1))
      from = at + 1
    })
  }
  return { strands, walks: walks.map((walk) => passedIn(walk, found)) }
}

function passedIn(walk: readonly Passage[], found: ReadonlyMap<number, Passed>): readonly Passed[] {
  const passed: Passed[] = []
  for (const { piece, back } of walk) {
    const { strand, back: known } = found.get(piece)!
    if (passed.at(-1)?.strand !== strand) passed.push({ strand, back: back !== known })
  }
  return passed
}

const enteredAt = ({ piece, back }: Passage): number => 2 * piece + (back ? 1 : 0)
const leftAt = ({ piece, back }: Passage): number => 2 * piece + (back ? 0 : 1)

/** Ends of pieces that are at one place: those where some way goes from one to the other. */
class Places {
  private readonly same: number[]

  constructor(count: number) {
    this.same = Array.from({ length: count }, (_, i) => i)
  }

  of(end: number): number {
    let place = end
    while (this.same[place] !== place) place = this.same[place]!
    this.same[end] = place
    return place
  }

  join(a: number, b: number): void {
    this.same[this.of(a)] = this.of(b)
  }
}
