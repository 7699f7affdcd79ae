import type { ShownPart } from '@/core/assembly'
import type { Fill, Pen, Spot } from './marks'

/**
 * A part's outline in millimetres: x away from what it sits on, y across it. Parts are drawn as what they
 * are: sizes from the catalogue, the rest of the form as such parts usually look.
 */
export type Form =
  | { readonly spots: readonly Spot[]; readonly fill: Fill; readonly pen: Pen; readonly open?: boolean }
  | { readonly at: Spot; readonly r: number; readonly fill: Fill; readonly pen: Pen }

type Profile = (deep: number, half: number) => readonly Form[]

const outline = (spots: readonly Spot[], fill: Fill = 'sheet', pen: Pen = 'outline'): Form => ({
  spots,
  fill,
  pen,
})
const block = (x1: number, x2: number, half: number, fill: Fill = 'sheet', pen: Pen = 'outline'): Form =>
  outline(
    [
      [x1, -half],
      [x2, -half],
      [x2, half],
      [x1, half],
    ],
    fill,
    pen,
  )
const rule = (...spots: Spot[]): Form => ({ spots, fill: 'none', pen: 'thin', open: true })
const round = (x: number, y: number, r: number, fill: Fill = 'sheet', pen: Pen = 'object'): Form => ({
  at: [x, y],
  r,
  fill,
  pen,
})
const lens = (x: number, y: number, r: number): Form[] => [
  round(x, y, r),
  round(x, y, r * 0.5, 'ink', 'none'),
]

/** Half an ellipse from (x, −half) over (x + deep, 0) to (x, half). */
const bow = (x: number, deep: number, half: number): Spot[] =>
  Array.from({ length: 17 }, (_, i): Spot => {
    const t = -Math.PI / 2 + (i / 16) * Math.PI
    return [x + deep * Math.cos(t), half * Math.sin(t)]
  })

const box: Profile = (deep, half) => [
  block(0, deep, half),
  block(5, deep - 7, half - 5, 'soft', 'none'),
  rule([deep - 7, -half], [deep - 7, half]),
]
const plate: Profile = (deep, half) => [block(0, Math.max(6, deep), half)]

/** Every look a part can have; a look without an entry does not compile. */
export const PROFILES: { readonly [L in ShownPart['look']]: Profile } = {
  'junction box': box,
  'back box': box,
  'electrical box': box,
  plate,
  'ceiling plate': (deep, half) => [
    block(0, 8, half),
    outline([
      [8, -half * 0.6],
      [deep, -24],
      [deep, 24],
      [8, half * 0.6],
    ]),
    rule([deep - 9, -24], [deep - 9, 24]),
  ],
  'rod': (deep, half) => [
    block(0, deep, half),
    ...[7, 14, deep - 14, deep - 7].map((x) => rule([x, -half], [x, half])),
  ],
  'hood': (deep, half) => [
    outline([
      [0, -26],
      [deep * 0.3, -26],
      [deep * 0.36, -half * 0.62],
      [deep * 0.55, -half * 0.88],
      [deep, -half],
      [deep, half],
      [deep * 0.55, half * 0.88],
      [deep * 0.36, half * 0.62],
      [deep * 0.3, 26],
      [0, 26],
    ]),
    outline(
      [
        [deep * 0.62, -half * 0.84],
        [deep - 6, -half + 6],
        [deep - 6, half - 6],
        [deep * 0.62, half * 0.84],
      ],
      'soft',
      'none',
    ),
    rule([deep - 6, -half + 1], [deep - 6, half - 1]),
  ],
  'wall arm': (deep, half) => [block(0, deep, half)], // drawn by its own path: it turns
  'pole adapter': (deep, half) => [
    outline([
      [0, -half * 0.5],
      [deep * 0.4, -half * 0.5],
      [deep * 0.4, -half],
      [deep, -half],
      [deep, half],
      [deep * 0.4, half],
      [deep * 0.4, half * 0.5],
      [0, half * 0.5],
      [deep * 0.25, 0],
    ]),
    ...[-0.72, 0.72].map((y) => rule([-16, half * y], [deep * 0.4, half * y])),
  ],
  'corner adapter': (deep, half) => [
    outline([
      [0, -half],
      [deep, -half * 0.7],
      [deep, half * 0.7],
      [0, half],
      [deep * 0.55, 0],
    ]),
  ],
  'bracket': (deep, half) => [
    block(0, 8, half),
    outline([
      [8, -half * 0.35],
      [deep * 0.8, -12],
      [deep * 0.8, 12],
      [8, half * 0.35],
    ]),
    round(deep * 0.88, 0, Math.min(22, deep * 0.12)),
  ],
  'housing': (deep, half) => [
    block(0, deep, half),
    block(8, deep - 14, half - 8, 'soft', 'none'),
    outline([
      [deep * 0.1, -half],
      [deep * 1.06, -half],
      [deep * 1.06, -half - 9],
      [deep * 0.1, -half - 9],
    ]),
    block(deep - 9, deep - 4, half - 8, 'sheet', 'thin'),
  ],
  'bullet': (deep, half) => [
    block(0, deep * 0.08, half),
    outline([
      [deep * 0.08, -half * 0.3],
      [deep * 0.26, -half * 0.24],
      [deep * 0.26, half * 0.24],
      [deep * 0.08, half * 0.3],
    ]),
    round(deep * 0.28, 0, half * 0.3),
    outline([
      [deep * 0.34, -half * 0.62],
      [deep, -half * 0.62],
      [deep, half * 0.62],
      [deep * 0.34, half * 0.62],
    ]),
    outline([
      [deep * 0.42, -half * 0.62],
      [deep * 1.1, -half * 0.62],
      [deep * 1.1, -half * 0.8],
      [deep * 0.42, -half * 0.8],
    ]),
    block(deep * 0.93, deep * 0.97, half * 0.5, 'sheet', 'thin'),
  ],
  'turret': (deep, half) => [
    block(0, deep * 0.35, half),
    outline([[deep * 0.35, -half * 0.8], ...bow(deep * 0.35, deep * 0.65, half * 0.8)], 'sheet'),
    ...lens(deep * 0.72, 0, half * 0.26),
  ],
  'dome': (deep, half) => [
    block(0, deep * 0.42, half),
    outline(bow(deep * 0.42, deep * 0.58, half * 0.88), 'sheet'),
    ...lens(deep * 0.6, 0, half * 0.26),
  ],
  'panoramic': (deep, half) => [
    block(0, deep * 0.55, half),
    outline(bow(deep * 0.55, deep * 0.45, half * 0.4), 'sheet'),
    ...lens(deep * 0.66, 0, half * 0.16),
  ],
  'ptz': (deep, half) => [
    block(0, deep * 0.14, half * 0.35),
    outline([
      [deep * 0.14, -half * 0.7],
      [deep * 0.5, -half],
      [deep * 0.5, half],
      [deep * 0.14, half * 0.7],
    ]),
    outline(bow(deep * 0.5, deep * 0.5, half * 0.86), 'sheet'),
    ...lens(deep * 0.72, 0, half * 0.3),
  ],
  'box': (deep, half) => [
    block(0, deep * 0.66, half),
    block(deep * 0.66, deep, half * 0.55),
    block(deep * 0.95, deep, half * 0.5, 'sheet', 'thin'),
  ],
  'floodlight': (deep, half) => [
    block(0, deep * 0.16, half),
    block(deep * 0.16, deep * 0.4, half * 0.2),
    ...[-1, 1].map((side) =>
      outline([
        [deep * 0.3, side * half * 0.5],
        [deep * 0.85, side * half * 0.62],
        [deep * 0.95, side * half * 1.2],
        [deep * 0.36, side * half * 1.06],
      ]),
    ),
    block(deep * 0.4, deep, half * 0.34),
    ...lens(deep * 0.86, 0, half * 0.2),
  ],
}
