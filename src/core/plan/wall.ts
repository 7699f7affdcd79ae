import { z } from 'zod'
import { along, bearingDeg, between as partWay, distanceM, type Outline, type PlanPoint } from '../geometry'
import { between, Id, Line } from '../job/fields'
import { ended, ends, HeightSchema, common, SHORTEST_M, thingKind, type StandingPieces } from './kind'

const Opening = z.strictObject({
  id: Id,
  name: Line,
  /** From the start of the wall to the near jamb. */
  alongM: HeightSchema,
  widthM: between(0.05, 100, 'm'),
  sillM: HeightSchema,
  headM: HeightSchema,
})

const Wall = z.strictObject({
  ...common,
  kind: z.literal('wall'),
  ...ends,
  baseM: HeightSchema,
  heightM: between(0.05, 100, 'm'),
  /** It stands to the left of its line, seen from `from` to `to`; 0 where nobody said how thick it is. */
  thicknessM: between(0, 3, 'm'),
  openings: z.array(Opening).max(40, 'At most 40 openings.'),
})
type Wall = z.infer<typeof Wall>

export const wall = thingKind({
  schema: Wall,
  word: 'Wall',
  called: 'a wall',
  ...ended,
  // A thick one would stand on its other side.
  flipped: (thing) => (thing.thicknessM > 0 ? turnedRound(thing) : thing),
  standing: standingOf,
  refused: ({ from, to, openings }) => {
    const lengthM = distanceM(from, to)
    if (lengthM < SHORTEST_M) return [[['to'], 'It has no length: its two ends are the same point.']]
    return openings.flatMap(({ alongM, widthM, sillM, headM }, index) => [
      ...(alongM + widthM > lengthM + 1e-6
        ? [[['openings', index, 'widthM'], 'The opening reaches past the end of the wall.'] as const]
        : []),
      ...(headM <= sillM ? [[['openings', index, 'headM'], 'The head stands above the sill.'] as const] : []),
    ])
  },
})

/** The same wall told from its other end: its openings stay where they are, what is left of it is right. */
export function turnedRound(wall: Wall): Wall {
  const lengthM = distanceM(wall.from, wall.to)
  const openings = wall.openings.map((opening) => ({
    ...opening,
    alongM: Math.max(0, lengthM - opening.alongM - opening.widthM),
  }))
  return { ...wall, from: wall.to, to: wall.from, openings }
}

/** A wall on plan: a line, or where it is thick what it stands on, its line first. */
export function wallOutline({ from, to, thicknessM }: Pick<Wall, 'from' | 'to' | 'thicknessM'>): Outline {
  if (thicknessM === 0) return [from, to]
  const back = bearingDeg(from, to) - 90
  return [from, to, along(to, back, thicknessM), along(from, back, thicknessM)]
}

type Edge = readonly [from: PlanPoint, to: PlanPoint]

/** What stands of a wall: a stretch of it between two jambs, from a height to a height (m). */
interface Stretch {
  readonly startM: number
  readonly endM: number
  readonly fromM: number
  readonly toM: number
}

/**
 * What of a wall blocks the view. Of a thick one both faces, ends and jambs: whatever goes through its
 * inside, but from top to foot, meets one of them. Nobody stands where it is down to its foot.
 */
function standingOf(wall: Wall): StandingPieces {
  const { from, to, baseM } = wall
  const lengthM = distanceM(from, to)
  const [, , farBack, nearBack] = wallOutline(wall)
  const at = (metres: number, [a, b]: Edge = [from, to]) =>
    partWay(a, b, Math.min(1, Math.max(0, metres / lengthM)))
  const stretches = stretchesOf(wall, lengthM)
  const front = stretches.map(({ startM, endM, fromM, toM }) => ({ a: at(startM), b: at(endM), fromM, toM }))
  if (!farBack || !nearBack) return { uprights: front }
  const behind: Edge = [nearBack, farBack]
  const back = stretches.map(({ startM, endM, fromM, toM }) => ({
    a: at(startM, behind),
    b: at(endM, behind),
    fromM,
    toM,
  }))
  const jambs = stretches.flatMap(({ startM, endM, fromM, toM }) =>
    [startM, endM].map((metres) => ({ a: at(metres), b: at(metres, behind), fromM, toM })),
  )
  const solids = stretches
    .filter(({ fromM }) => fromM <= baseM + 1e-9)
    .map(({ startM, endM, fromM, toM }) => ({
      outline: [at(startM), at(endM), at(endM, behind), at(startM, behind)],
      fromM,
      toM,
    }))
  return { uprights: [...front, ...back, ...jambs], solids }
}

/**
 * A wall without its openings: what stands before, between and after them, below their sills and above
 * their heads.
 */
function stretchesOf({ baseM, heightM, openings }: Wall, lengthM: number): Stretch[] {
  const stretches: Stretch[] = []
  const toM = baseM + heightM
  const stand = (startM: number, endM: number, low: number, high: number) => {
    if (endM - startM > 1e-9 && high - low > 1e-9) stretches.push({ startM, endM, fromM: low, toM: high })
  }
  // Openings may overlap: between two neighbouring jambs the openings over that stretch stay the same.
  const jambs = [
    ...new Set([0, lengthM, ...openings.flatMap(({ alongM, widthM }) => [alongM, alongM + widthM])]),
  ]
    .filter((m) => m >= 0 && m <= lengthM)
    .sort((p, q) => p - q)
  for (const [i, start] of jambs.slice(0, -1).entries()) {
    const end = jambs[i + 1]!
    const middle = (start + end) / 2
    const gaps = openings
      .filter(({ alongM, widthM }) => alongM < middle && alongM + widthM > middle)
      .map(({ sillM, headM }) => [sillM, headM] as const)
      .sort((p, q) => p[0] - q[0])
    let low = baseM
    for (const [sill, head] of gaps) {
      stand(start, end, low, Math.min(toM, sill))
      low = Math.max(low, head)
    }
    stand(start, end, low, toM)
  }
  return stretches
}
