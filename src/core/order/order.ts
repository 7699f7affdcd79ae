import type { Place } from './places'
import { solve, type Edge, type Puzzle, type Solution } from './solve'

/** Something to do: where, and how early it usually comes among what may be done there at the same time. */
export interface Doable {
  readonly id: string
  readonly place: Place
  readonly rank: number
}

/**
 * What a constraint rests on, weakest first. When wishes contradict each other the weakest gives way, so
 * that there is always an order to show.
 */
const FORCES = ['habit', 'craft', 'reach', 'safety'] as const
export type Force = (typeof FORCES)[number]

/** One thing comes before another. `wayOut` is what makes the constraint go, where something does. */
export interface Before {
  readonly first: string
  readonly then: string
  readonly because: string
  readonly force: Force
  readonly wayOut?: string
}

/** One thing comes before the last of several: each closes one of the ways to it. */
export interface BeforeLast extends Omit<Before, 'then'> {
  readonly closings: readonly string[]
}

/** One thing at its place in the order, with the tightest of what holds it there from either side. */
export interface Stand {
  readonly id: string
  readonly after: Before | null
  readonly before: Before | null
}

export interface Ordered {
  readonly order: readonly Stand[]
  /** Each a circle of constraints that no order meets: the shortest there is. Empty when all are met. */
  readonly contradictions: readonly (readonly Before[])[]
}

/**
 * Puts things into the one order that meets all constraints with the fewest dear visits; ties go by place,
 * then by rank, then as given. Where the constraints contradict each other the weakest of the circle is left
 * out, and the circle told. Pure and total: constraints that name what is not there are passed over.
 */
export function inOrder(
  items: readonly Doable[],
  befores: readonly Before[],
  lasts: readonly BeforeLast[] = [],
): Ordered {
  const at = new Map(items.map(({ id }, i) => [id, i]))
  const real = befores.filter(({ first, then }) => first !== then && at.has(first) && at.has(then))
  const closing = lasts.flatMap((last) => {
    const closings = last.closings.filter((id) => at.has(id) && id !== last.first)
    return at.has(last.first) && closings.length > 0 ? [{ ...last, closings }] : []
  })
  const { order, after, before, circles } = solved({
    places: items.map(({ place }) => place),
    ranks: items.map(({ rank }) => rank),
    edges: real.map(({ first, then, force }, of) => ({
      first: at.get(first)!,
      then: at.get(then)!,
      force: FORCES.indexOf(force),
      of,
    })),
    lasts: closing.map(({ first, closings, force }) => ({
      first: at.get(first)!,
      closings: closings.map((id) => at.get(id)!),
      force: FORCES.indexOf(force),
    })),
  })
  const told = ({ of, then }: Edge): Before => {
    if (of < real.length) return real[of]!
    const { closings: _, ...last } = closing[of - real.length]!
    return { ...last, then: items[then]!.id }
  }
  const tell = (edge: Edge | null | undefined) => (edge ? told(edge) : null)
  return {
    order: order.map((i) => ({ id: items[i]!.id, after: tell(after[i]), before: tell(before[i]) })),
    contradictions: circles.map((circle) => circle.map(told)),
  }
}

/** Devices that are put together alike ask the same: answered once. */
const SOLVED = new Map<string, Solution>()
const MOST_SOLVED = 1000

function solved(puzzle: Puzzle): Solution {
  const key = [
    puzzle.places.join(),
    puzzle.ranks.join(),
    puzzle.edges.map(({ first, then, force }) => `${first}>${then}:${force}`).join(),
    puzzle.lasts.map(({ first, closings, force }) => `${first}>${closings.join('|')}:${force}`).join(),
  ].join(';')
  const known = SOLVED.get(key)
  if (known) return known
  const solution = solve(puzzle)
  if (SOLVED.size >= MOST_SOLVED) SOLVED.clear()
  SOLVED.set(key, solution)
  return solution
}
