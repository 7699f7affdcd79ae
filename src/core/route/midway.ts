import { SPACES } from '../job/spaces'
import type { Segment } from '../job/job'
import type { RunContext } from '../parts'
import { segmentM, warmPieces, type WarmPiece } from './length'
import type { Way } from './plan'

/** Where a run is parted, so that each half is short enough. */
export interface Midway {
  /** In words, behind "a switch". */
  readonly where: string
  readonly halves: readonly [readonly Segment[], readonly Segment[]]
}

/** What a length comes to, m: as it lies, or as it counts at its heat. */
type Counts = (pieces: readonly WarmPiece[]) => number

/**
 * The place that parts a run most evenly: where one stretch meets the next, or else within one that is open
 * all along. Null where no place leaves both halves within `limitM`, the slack at the new end with them. The
 * whole run counts for `wholeM`: what was measured beyond the plan is shared by all of it.
 */
export function midway(
  context: RunContext,
  { segments }: Way,
  limitM: number,
  wholeM: number,
  counts: Counts,
): Midway | null {
  const [near, far] = context.ends
  const longer = Math.max(1, wholeM / counts(warmPieces(context, { segments })))
  const parted = { ...near, slackM: context.allowances.deviceSlackM, onPole: false, outdoors: false }
  const longest = ([before, after]: Midway['halves']): number =>
    longer *
    Math.max(
      counts(warmPieces({ ...context, ends: [near, parted] }, { segments: [...before] })),
      counts(warmPieces({ ...context, ends: [parted, far] }, { segments: [...after] })),
    )
  const fits = (found: Midway | null): found is Midway => found !== null && longest(found.halves) <= limitM
  const evenest = (all: readonly Midway[]): Midway | null =>
    all.reduce<Midway | null>(
      (one, other) => (one && longest(one.halves) <= longest(other.halves) ? one : other),
      null,
    )
  const fromNear = (of: readonly Segment[]): string => {
    const lengthM = of.reduce((sum, one) => sum + segmentM(one), 0)
    return `${context.printed(lengthM, 'length')} from ${near.called}`
  }
  const joints = segments.slice(1).map((next, i): Midway => {
    const halves = [segments.slice(0, i + 1), segments.slice(i + 1)] as const
    return { where: `${between(segments[i]!, next)}, ${fromNear(halves[0])}`, halves }
  })
  const joint = evenest(joints)
  if (fits(joint)) return joint
  const within = segments.flatMap((one, i): Midway[] => {
    if (SPACES[one.space].tube) return []
    return Array.from({ length: TRIED - 1 }, (_, at): Midway => {
      const [first, rest] = cutAt(one, (at + 1) / TRIED)
      const halves = [
        [...segments.slice(0, i), first],
        [rest, ...segments.slice(i + 1)],
      ] as const
      return { where: `in the ${called(one)}, ${fromNear(halves[0])}`, halves }
    })
  })
  const inside = evenest(within)
  return fits(inside) ? inside : null
}
/** Within a stretch so many places are tried. */
const TRIED = 20

const called = ({ space }: Segment): string => SPACES[space].name.toLowerCase()
const between = (a: Segment, b: Segment): string =>
  a.space === b.space ? `between two stretches of ${called(a)}` : `where ${called(a)} meets ${called(b)}`

const cutAt = (one: Segment, share: number): readonly [Segment, Segment] => [
  { ...one, lengthM: share * one.lengthM, riseM: share * one.riseM },
  { ...one, lengthM: (1 - share) * one.lengthM, riseM: (1 - share) * one.riseM },
]
