import { z } from 'zod'
import { between as partWay, distanceM } from '../geometry'
import { between, Id, Line } from '../job/fields'
import { ended, ends, HeightSchema, common, SHORTEST_M, thingKind, type UprightPiece } from './kind'

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
  openings: z.array(Opening).max(40, 'At most 40 openings.'),
})
type Wall = z.infer<typeof Wall>

export const wall = thingKind({
  schema: Wall,
  word: 'Wall',
  called: 'a wall',
  ...ended,
  standing: (thing) => ({ uprights: piecesOf(thing) }),
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

/**
 * A wall without its openings: what stands before, between and after them, below their sills and above
 * their heads.
 */
function piecesOf({ from, to, baseM, heightM, openings }: Wall): UprightPiece[] {
  const lengthM = distanceM(from, to)
  const at = (alongM: number) => partWay(from, to, Math.min(1, Math.max(0, alongM / lengthM)))
  const pieces: UprightPiece[] = []
  const [fromM, toM] = [baseM, baseM + heightM]
  const stand = (start: number, end: number, low: number, high: number) => {
    if (end - start > 1e-9 && high - low > 1e-9)
      pieces.push({ a: at(start), b: at(end), fromM: low, toM: high })
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
    let low = fromM
    for (const [sill, head] of gaps) {
      stand(start, end, low, Math.min(toM, sill))
      low = Math.max(low, head)
    }
    stand(start, end, low, toM)
  }
  return pieces
}
