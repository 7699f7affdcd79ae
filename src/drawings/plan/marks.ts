import type { Outline, PlanPoint } from '@/core/geometry'
import type { Spot } from '../labels/place'
import { toScreen, type ViewBox } from './view'

/**
 * What a plan is drawn with, as data: the screen and the printed sheet draw the same. Lengths are units of
 * the drawing: pixels on the screen, so many hundredths of a millimetre on paper.
 */

/** Colours by what they mean; the screen takes them from its theme, paper has its own. */
export type Tint = 'ink' | 'soft' | 'copper' | 'sheet' | 'hatch' | 'part' | 'check' | 'stop'

interface Look {
  readonly stroke?: Tint
  readonly wide?: number
  readonly dash?: readonly number[]
  readonly fill?: Tint
  /** How much of what lies under it is covered, 0 to 1; all where left out. */
  readonly opacity?: number
  /** What the hand takes it by; nothing takes it where this is left out. */
  readonly id?: string
  /** How wide its line is to the hand. */
  readonly grip?: number
}

export type PlanMark =
  | (Look & {
      readonly is: 'line'
      readonly spots: readonly Spot[]
      readonly closed?: boolean
      readonly ends?: 'square' | 'round'
      /** Taken by its inside too. */
      readonly taken?: 'inside'
    })
  | (Look & { readonly is: 'circle'; readonly at: Spot; readonly radius: number })
  /** Slanted lines over an outline and out of its holes: told apart without colour. */
  | {
      readonly is: 'hatch'
      readonly rings: readonly (readonly Spot[])[]
      readonly stroke: Tint
      readonly step: number
    }
  /** Words in the middle of a spot. */
  | {
      readonly is: 'letters'
      readonly at: Spot
      readonly words: string
      readonly size: number
      readonly tint: Tint
    }

/** What a thing is drawn in. */
export interface Drawn {
  /** What the hand takes it by. */
  readonly id: string
  readonly view: ViewBox
  readonly selected: boolean
}

export const spotsOf = (view: ViewBox, points: readonly PlanPoint[]): Spot[] =>
  points.map((point) => toScreen(view, point))

export const tintOf = (selected: boolean, else_: Tint = 'ink'): Tint => (selected ? 'copper' : else_)

/** A line round an outline. */
export const outlined = (
  { id, view }: Drawn,
  outline: Outline,
  look: Omit<Look, 'id'> & { readonly taken?: 'inside' },
): PlanMark => ({ is: 'line', id, spots: spotsOf(view, outline), closed: true, grip: 12, ...look })

/** A square standing straight or on its tip. */
export const square = ([x, y]: Spot, half: number, onTip = false): Spot[] =>
  onTip
    ? [
        [x, y - half],
        [x + half, y],
        [x, y + half],
        [x - half, y],
      ]
    : [
        [x - half, y - half],
        [x + half, y - half],
        [x + half, y + half],
        [x - half, y + half],
      ]

/** So many slanted lines are enough for any outline. */
const MOST_SLANTS = 2000

/** Slanted lines over the box round rings: to be cut to them. */
export function slantsOver(
  rings: readonly (readonly Spot[])[],
  step: number,
): (readonly [from: Spot, to: Spot])[] {
  const xs = rings[0]!.map(([x]) => x)
  const ys = rings[0]!.map(([, y]) => y)
  const [x0, x1, y0, y1] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)]
  return Array.from({ length: Math.min(MOST_SLANTS, Math.ceil((x1 - x0 + y1 - y0) / step)) }, (_, i) => [
    [x0 + i * step, y0],
    [x0 + i * step - (y1 - y0), y1],
  ])
}
