/**
 * A drawing as data: marks in drawing units (one unit is one pixel on screen, one point in print). Screens
 * and prints render the same marks, so that what was agreed on the screen is what is printed.
 */

/** Line weights, heaviest first; a mark over a photo stands within its halo. */
export type Pen =
  | 'outline'
  | 'object'
  | 'thin'
  | 'dimension'
  | 'axis'
  | 'ray'
  | 'leader'
  | 'halo'
  | 'mark'
  | 'none'
export type Fill =
  | 'none'
  | 'ink'
  | 'sheet'
  | 'seen'
  | 'hatch'
  | 'soft'
  | 'copper'
  | 'good'
  | 'check'
  | 'stop'
  | 'halo'
  | 'orange'
  | 'green'
  | 'blue'
  | 'brown'
  | 'white'
export type Tone = 'ink' | 'soft' | 'copper' | 'good' | 'check' | 'stop' | 'paper' | 'mark'

/** Over a photo, the same in every theme: bright within dark shows on whatever is in the picture. */
export const OVER_PHOTO = { mark: '#FFD400', halo: '#14181C' } as const

/** Colours of the wires, the same on screen and on paper; beside each stands its name in words. */
export const WIRES = {
  orange: '#D98324',
  green: '#2E7D4F',
  blue: '#2B62A8',
  brown: '#6B4A2B',
  white: '#FFFFFF',
} as const

export type Mark =
  | { readonly kind: 'line'; readonly from: Spot; readonly to: Spot; readonly pen: Pen }
  | {
      readonly kind: 'shape'
      readonly spots: readonly Spot[]
      readonly pen: Pen
      readonly fill: Fill
      readonly open?: boolean
    }
  | { readonly kind: 'circle'; readonly at: Spot; readonly r: number; readonly pen: Pen; readonly fill: Fill }
  | {
      readonly kind: 'words'
      readonly at: Spot
      readonly words: string
      readonly size: 'small' | 'label' | 'figure'
      readonly tone: Tone
      readonly anchor: 'start' | 'middle' | 'end'
      readonly upright?: boolean
    }

export type Spot = readonly [x: number, y: number]

export interface Drawing {
  readonly width: number
  readonly height: number
  readonly marks: readonly Mark[]
  /** What it shows, for those who do not see it. */
  readonly says: string
}

export const line = (from: Spot, to: Spot, pen: Pen = 'object'): Mark => ({ kind: 'line', from, to, pen })
export const shape = (spots: readonly Spot[], fill: Fill = 'none', pen: Pen = 'object'): Mark => ({
  kind: 'shape',
  spots,
  fill,
  pen,
})
export const polyline = (spots: readonly Spot[], pen: Pen = 'object'): Mark => ({
  kind: 'shape',
  spots,
  fill: 'none',
  pen,
  open: true,
})
export const circle = (at: Spot, r: number, fill: Fill = 'none', pen: Pen = 'object'): Mark => ({
  kind: 'circle',
  at,
  r,
  fill,
  pen,
})
export const box = (
  x: number,
  y: number,
  w: number,
  h: number,
  fill: Fill = 'none',
  pen: Pen = 'object',
): Mark =>
  shape(
    [
      [x, y],
      [x + w, y],
      [x + w, y + h],
      [x, y + h],
    ],
    fill,
    pen,
  )

type WordsStyle = {
  size?: 'small' | 'label' | 'figure'
  tone?: Tone
  anchor?: 'start' | 'middle' | 'end'
  upright?: boolean
}
export const words = (
  at: Spot,
  said: string,
  { size = 'label', tone = 'ink', anchor = 'start', upright }: WordsStyle = {},
): Mark => ({
  kind: 'words',
  at,
  words: said,
  size,
  tone,
  anchor,
  ...(upright ? { upright } : {}),
})

/** About how wide words come out, in drawing units; enough to keep labels apart. */
export const widthOf = (said: string, size: 'small' | 'label' | 'figure' = 'label'): number =>
  said.length * { small: 5.6, label: 6.4, figure: 7.8 }[size]

/**
 * A level dimension with ticks, its figure above the line, or beside it where the figure is wider than the
 * line.
 */
export function dimensionAcross(
  x1: number,
  x2: number,
  y: number,
  said: string,
  roomRight = Infinity,
): Mark[] {
  const [a, b] = x1 <= x2 ? [x1, x2] : [x2, x1]
  const inside = b - a > widthOf(said) + 6
  const beside = b + 6 + widthOf(said) <= roomRight
  const outside = beside
    ? { at: [b + 6, y + 4] as Spot, anchor: 'start' as const }
    : { at: [a - 6, y + 4] as Spot, anchor: 'end' as const }
  const { at, anchor } = inside ? { at: [(a + b) / 2, y - 4] as Spot, anchor: 'middle' as const } : outside
  return [
    line([a, y], [b, y], 'dimension'),
    line([a, y - 4], [a, y + 4], 'dimension'),
    line([b, y - 4], [b, y + 4], 'dimension'),
    words(at, said, { anchor }),
  ]
}

/** An upright dimension with ticks, its figure turned along it. */
export function dimensionUp(x: number, y1: number, y2: number, said: string): Mark[] {
  return [
    line([x, y1], [x, y2], 'dimension'),
    line([x - 4, y1], [x + 4, y1], 'dimension'),
    line([x - 4, y2], [x + 4, y2], 'dimension'),
    words([x - 5, (y1 + y2) / 2], said, { anchor: 'middle', upright: true }),
  ]
}
