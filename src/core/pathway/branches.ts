import type { CableEnd, Pull, PullPlan } from './pulls'

/** A pull as it lies along the site, and what goes on from where it leads. */
export interface Branch {
  readonly pull: Pull
  /** Its place in the order of the bundles, from 1; null where a cable goes alone. */
  readonly order: number | null
  /** Whether it is pulled back towards where it is drawn from. */
  readonly back: boolean
  readonly parts: readonly Branch[]
  /** What ends where it leads. */
  readonly ends: readonly CableEnd[]
  /** It leads to where another branch leads already. */
  readonly meets: boolean
}

/** All that hangs together or is led to the same, drawn from where the most cables are led to. */
export interface Tree {
  readonly ends: readonly CableEnd[]
  readonly parts: readonly Branch[]
}

/** Pulls as trees, every pull once: the thickest of what goes on from a place first, then the longest. */
export function treesOf({ pulls, ends }: PullPlan): readonly Tree[] {
  const at = grouped(pulls.flatMap((pull) => [pull.from, pull.to].map((place) => [place, pull] as const)))
  const endsAt = grouped(ends.map((end) => [end.place, end] as const))
  const bundles = pulls.filter(({ marks }) => marks.length > 1)
  const orders = new Map(bundles.map((pull, i) => [pull, i + 1]))
  const led = (place: number) => (endsAt.get(place) ?? []).filter((end) => end.at === 'goal').length
  const drawn = new Set<Pull>()
  const reached = new Set<number>()

  const partsAt = (place: number): Branch[] => {
    const going = (at.get(place) ?? []).filter((pull) => !drawn.has(pull))
    for (const pull of going) drawn.add(pull)
    const branches = going.map((pull): Branch => {
      const back = pull.from !== place
      const end = back ? pull.from : pull.to
      const meets = reached.has(end)
      reached.add(end)
      const rest = meets ? { parts: [], ends: [] } : { parts: partsAt(end), ends: endsAt.get(end) ?? [] }
      return { pull, order: orders.get(pull) ?? null, back, meets, ...rest }
    })
    return branches.sort((a, b) => b.pull.marks.length - a.pull.marks.length || longM(b) - longM(a))
  }
  const trees = [...at.keys()]
    .sort((a, b) => led(b) - led(a))
    .flatMap((place): Tree[] => {
      if (reached.has(place)) return []
      reached.add(place)
      return [{ ends: endsAt.get(place) ?? [], parts: partsAt(place) }]
    })
  // Cables come to a head end by several pathways: they are drawn from it all the same.
  const goals = new Map<string, Tree>()
  for (const tree of trees) {
    const key = JSON.stringify([
      ...new Set(tree.ends.map(({ at: end, to, place }) => (end === 'goal' ? to : place))),
    ])
    const known = goals.get(key)
    goals.set(
      key,
      known ? { ends: [...known.ends, ...tree.ends], parts: [...known.parts, ...tree.parts] } : tree,
    )
  }
  return [...goals.values()]
}

/** Whether anything in it is pulled together. */
export const isBundled = ({ parts }: Pick<Tree, 'parts'>): boolean =>
  parts.some((branch) => branch.order !== null || isBundled(branch))

/** How far the farthest of a branch is led, m. */
export const longM = ({ pull, parts }: Branch): number => pull.togetherM + Math.max(0, ...parts.map(longM))

function grouped<T>(pairs: readonly (readonly [number, T])[]): ReadonlyMap<number, readonly T[]> {
  const groups = new Map<number, T[]>()
  for (const [key, one] of pairs) groups.set(key, [...(groups.get(key) ?? []), one])
  return groups
}
