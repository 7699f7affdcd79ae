import { SPACES } from '../job/spaces'
import { fedAt, type CableWay } from './cables'
import type { LedTo } from './network'
import { orderOf, turnedRound } from './pullOrder'
import type { Piece } from './pieces'
import { strandsOf, type Passed } from './strands'

/** Cables taped together and pulled as one: from where some come together or part to the next such place. */
export interface Pull {
  readonly marks: readonly string[]
  /** What they go through together, in the direction in which they are pulled. */
  readonly through: readonly string[]
  /** How long they lie together, m, as the pathways lie. */
  readonly togetherM: number
  /** Where it begins and where it ends: pulls that meet at a place have the same number there. */
  readonly from: number
  readonly to: number
  /** What goes on from its end, together or alone; cables that end there are in none. */
  readonly parts: readonly (readonly string[])[]
  /** Cables that lie there too, but can only be pulled later. */
  readonly later: readonly string[]
}

/** Where a cable ends: at its device, or at what it is led to. */
export interface CableEnd {
  readonly mark: string
  readonly place: number
  readonly at: 'device' | 'goal'
  /** What it is led to. */
  readonly to: LedTo
}

/** All pulls of a job in the order of the work. */
export interface PullPlan {
  readonly pulls: readonly Pull[]
  readonly ends: readonly CableEnd[]
  /** Cables that are fed from their device: what lies beside them goes that way, or the lead itself. */
  readonly turned: readonly string[]
  /** Leads that are drawn before all others, each by itself. */
  readonly first: readonly string[]
}

/**
 * What is pulled together, and in which order: every cable from what it is led to outwards, and everything
 * that lies beside it in one pull, for a cable that is drawn in over others scuffs them (common practice, no
 * source). A ready-made lead goes as its ends ask for. Those that go `first`, by the ids of their devices and
 * runs, are drawn before all others, each by itself.
 */
export function pullsOf(cables: readonly CableWay[], first: readonly string[] = []): PullPlan {
  const led = cables.flatMap((cable) => ('way' in cable.found ? [{ ...cable, way: cable.found.way }] : []))
  const marks = (ways: readonly number[]) => ways.map((way) => led[way]!.mark)
  const { strands, walks } = strandsOf(led.map(({ way }) => way))
  const before = first.map((id) => led.findIndex((one) => one.id === id)).filter((at) => at >= 0)
  const { turns, turned } = orderOf(strands, walks, led.map(fedAt), before)
  const fed = walks.map((walk, way) => (turned.has(way) ? turnedRound(walk) : walk))
  const placesIn = fed.map((walk) => new Map(walk.map(({ strand }, i) => [strand, i])))

  const pulls = turns.map(({ strand, back, ways, later }): Pull => {
    const { ends, pieces, lengthM } = strands[strand]!
    const names = (back ? pieces.toReversed() : pieces).flatMap((piece) => nameOf(piece) ?? [])
    const parts = new Map<number, number[]>()
    for (const way of ways) {
      const next = fed[way]![placesIn[way]!.get(strand)! + 1]?.strand
      if (next !== undefined) parts.set(next, [...(parts.get(next) ?? []), way])
    }
    return {
      marks: marks(ways),
      through: names.filter((name, i) => name !== names[i - 1]),
      togetherM: lengthM,
      from: ends[back ? 1 : 0],
      to: ends[back ? 0 : 1],
      parts: [...parts.values()].map(marks),
      later: marks(later),
    }
  })
  const ends = walks.flatMap((walk, way): CableEnd[] => {
    const [first, last] = [walk[0], walk.at(-1)]
    if (!first || !last) return []
    const placeAt = ({ strand, back }: Passed, end: 0 | 1) => strands[strand]!.ends[back ? 1 - end : end]!
    const { mark, to } = led[way]!
    return [
      { mark, to, place: placeAt(first, 0), at: 'goal' },
      { mark, to, place: placeAt(last, 1), at: 'device' },
    ]
  })
  return { pulls, ends, turned: marks([...turned]), first: marks(before) }
}

/** Every pull of two cables and more. */
export const bundlesIn = ({ pulls }: PullPlan): readonly Pull[] =>
  pulls.filter(({ marks }) => marks.length > 1)

/** Leads that go before all others: everything that each goes through, and how far, m, as it lies. */
export function leadsAhead({ pulls, first }: PullPlan) {
  return first.map((mark) => {
    const own = pulls.filter(({ marks }) => marks.includes(mark))
    const through = own.flatMap((pull) => pull.through)
    return {
      mark,
      through: through.filter((name, i) => name !== through[i - 1]),
      lengthM: own.reduce((sum, { togetherM }) => sum + togetherM, 0),
    }
  })
}

const nameOf = ({ lane }: Piece): string | null =>
  lane && (lane.pathway.name === '' ? SPACES[lane.pathway.space].name : lane.pathway.name)
