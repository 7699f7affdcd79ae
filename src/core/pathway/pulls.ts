import { distanceM } from '../geometry'
import { SPACES } from '../job/choices'
import type { CableWay } from './cables'
import type { Trace } from './way'

/** Cables that are taped together and pulled as one, from the head end or where a thicker bundle parts. */
export interface Pull {
  readonly marks: readonly string[]
  /** What they go through together, from the head end outwards. */
  readonly through: readonly string[]
  /** How long they lie together, m, as the pathways lie. */
  readonly togetherM: number
  /** Where they part, what goes on together or alone. */
  readonly parts: readonly Pull[]
}

/** A piece of a way, told from the head end: no cable of the job leaves it half-way. */
interface Piece {
  readonly key: string
  readonly name: string | null
  readonly lengthM: number
}

/** How cables part, from the head end outwards: every metre of every way once a cable. */
export function pullsOf(cables: readonly CableWay[]): readonly Pull[] {
  const found = cables.flatMap(({ mark, found: of }) =>
    'way' in of ? [{ mark, traces: of.way.traces }] : [],
  )
  const cuts = cutsOf(found.flatMap(({ traces }) => traces))
  return partedAt(
    found.map(({ mark, traces }) => ({
      mark,
      pieces: traces.toReversed().flatMap((trace) => piecesOf(trace, cuts)),
    })),
  )
}

interface Line {
  readonly mark: string
  /** What is left of its way. */
  readonly pieces: readonly Piece[]
}

/** What goes on from one place: by its next piece, together as long as all go the same way. */
function partedAt(lines: readonly Line[]): readonly Pull[] {
  const groups = new Map<string, Line[]>()
  for (const line of lines) {
    const key = line.pieces[0]?.key
    if (key !== undefined) groups.set(key, [...(groups.get(key) ?? []), line])
  }
  return [...groups.values()].map((group) => {
    const [first, ...others] = group
    const goOn = (at: number) => others.every(({ pieces }) => pieces[at]?.key === first!.pieces[at]!.key)
    let count = 1
    while (count < first!.pieces.length && goOn(count)) count++
    const together = first!.pieces.slice(0, count)
    const names = together.flatMap(({ name }) => name ?? [])
    return {
      marks: group.map(({ mark }) => mark),
      through: names.filter((name, i) => name !== names[i - 1]),
      togetherM: together.reduce((sum, { lengthM }) => sum + lengthM, 0),
      parts: partedAt(group.map(({ mark, pieces }) => ({ mark, pieces: pieces.slice(count) }))),
    }
  })
}

/** By pathway, every share of it at which some way comes or goes, in order. */
function cutsOf(traces: readonly Trace[]): ReadonlyMap<string, readonly number[]> {
  const cuts = new Map<string, Set<number>>()
  for (const { on } of traces) {
    if (!on) continue
    const { id } = on.lane.pathway
    const known = cuts.get(id) ?? new Set()
    cuts.set(id, known.add(on.from).add(on.to))
  }
  return new Map([...cuts].map(([id, shares]) => [id, [...shares].sort((a, b) => a - b)]))
}

/** A trace, which is told from the device, as pieces from the head end. */
function piecesOf(
  { floor, points, on }: Trace,
  cuts: ReadonlyMap<string, readonly number[]>,
): readonly Piece[] {
  if (!on) {
    const back = points.toReversed()
    const lengthM = back.slice(1).reduce((sum, point, i) => sum + distanceM(back[i]!, point), 0)
    return [{ key: JSON.stringify([floor, back]), name: null, lengthM }]
  }
  const { pathway, lengthM, riseM } = on.lane
  const [low, high] = [Math.min(on.from, on.to), Math.max(on.from, on.to)]
  const shares = cuts.get(pathway.id)!.filter((share) => share >= low && share <= high)
  const ordered = on.from > on.to ? shares : shares.toReversed()
  const name = pathway.name === '' ? SPACES[pathway.space].name : pathway.name
  return ordered.slice(1).map((share, i) => ({
    key: JSON.stringify([pathway.id, ordered[i], share]),
    name,
    lengthM: Math.abs(share - ordered[i]!) * (lengthM + Math.abs(riseM)),
  }))
}

/** Every bundle of two cables and more, the thicker before what it parts into. */
export const bundlesIn = (pulls: readonly Pull[]): readonly Pull[] =>
  pulls.flatMap((pull) => (pull.marks.length > 1 ? [pull, ...bundlesIn(pull.parts)] : []))
