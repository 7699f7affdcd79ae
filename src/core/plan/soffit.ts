import { z } from 'zod'
import { along, bearingDeg, distanceM, type Outline } from '../geometry'
import { between } from '../job/fields'
import { limit } from '../sources'
import { ended, ends, common, SHORTEST_M, thingKind } from './kind'

export const FASCIA_M = limit('Height of a fascia above the underside of its soffit', 0.2, 'm', 'practice')

const Soffit = z.strictObject({
  ...common,
  kind: z.literal('soffit'),
  /** The outer edge; the wall lies to the left of it, seen from `from` to `to`. */
  ...ends,
  depthM: between(0.05, 10, 'm'),
  undersideM: between(0.5, 60, 'm'),
  /** How far the lip of the edge hangs below the underside. */
  lipM: between(0, 2, 'm'),
})

export const soffit = thingKind({
  schema: Soffit,
  word: 'Soffit edge',
  called: 'a soffit edge',
  ...ended,
  // The wall would lie on its other side.
  flipped: (thing) => ({ ...thing, from: thing.to, to: thing.from }),
  standing: (thing) => {
    const { from, to, undersideM, lipM } = thing
    return {
      uprights: [{ a: from, b: to, fromM: undersideM - lipM, toM: undersideM + FASCIA_M.value }],
      boards: [{ outline: soffitBoard(thing), heightM: undersideM }],
    }
  },
  refused: ({ from, to }) =>
    distanceM(from, to) < SHORTEST_M ? [[['to'], 'It has no length: its two ends are the same point.']] : [],
})

/**
 * The board of a soffit on plan: from its outer edge back to the wall, which lies to the left of the edge.
 */
export function soffitBoard({
  from,
  to,
  depthM,
}: Pick<z.infer<typeof Soffit>, 'from' | 'to' | 'depthM'>): Outline {
  const back = bearingDeg(from, to) - 90
  return [from, to, along(to, back, depthM), along(from, back, depthM)]
}
