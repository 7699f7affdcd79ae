import { middleOf, type Outline, type PlanPoint } from '@/core/geometry'
import { WAYS, type Spot, type Try, type Wanted } from '../labels/place'
import type { Tint } from './marks'
import { toScreen, type ViewBox } from './view'

/** Words that the plan shows where they find room. */
export interface Naming extends Omit<Wanted, 'width' | 'height'> {
  readonly words: string
  readonly colour: Tint
}

/** Which words give way to which, the most important first. */
export const RANK = {
  selected: 0,
  lengths: 1,
  aim: 2,
  areas: 3,
  things: 4,
  wishes: 5,
  blind: 6,
  contours: 7,
} as const

/** Beside a point, wherever there is room; with a leader where there is none close by. */
export const beside = (at: Spot, clear: number): Pick<Naming, 'tries' | 'clear' | 'named'> => ({
  tries: WAYS.map((way) => ({ at, way })),
  clear,
  named: at,
})

/** On one of these spots, and nowhere else. */
export const onSpots = (spots: readonly Spot[]): Pick<Naming, 'tries' | 'clear'> => ({
  tries: spots.map((at) => ({ at, way: [0, 0] })),
  clear: 0,
})

/** Along the edges of an outline, above it first, or in it; with a leader from its middle at last. */
export function round(outline: Outline, view: ViewBox): Pick<Naming, 'tries' | 'clear' | 'named'> {
  const spots = outline.map((point) => toScreen(view, point))
  const [xs, ys] = [spots.map(([x]) => x), spots.map(([, y]) => y)]
  const [left, right] = [Math.min(...xs), Math.max(...xs)]
  const [top, bottom] = [Math.min(...ys), Math.max(...ys)]
  const middle = toScreen(view, middleOf(outline))
  const tries: Try[] = [
    { at: [left, top], way: [1, -1] },
    { at: [(left + right) / 2, top], way: [0, -1] },
    { at: [right, top], way: [-1, -1] },
    { at: [(left + right) / 2, bottom], way: [0, 1] },
    { at: [left, bottom], way: [1, 1] },
    { at: [right, (top + bottom) / 2], way: [1, 0] },
    { at: [left, (top + bottom) / 2], way: [-1, 0] },
    { at: middle, way: [0, 0] },
  ]
  return { tries, clear: 3, named: middle }
}

/** Beside the middle of a side, on either hand. */
export function besideSide(a: PlanPoint, b: PlanPoint, view: ViewBox): Pick<Naming, 'tries' | 'clear'> {
  const [[x1, y1], [x2, y2]] = [toScreen(view, a), toScreen(view, b)]
  const long = Math.hypot(x2 - x1, y2 - y1) || 1
  const [nx, ny] = [(y1 - y2) / long, (x2 - x1) / long]
  const off = (side: number): Spot => [
    (x1 + x2) / 2 + nx * side * (10 + 18 * Math.abs(nx)),
    (y1 + y2) / 2 + ny * side * (10 + 18 * Math.abs(nx)),
  ]
  return onSpots([off(-1), off(1)])
}
