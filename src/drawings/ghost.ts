import type { PhotoView } from '@/core/procedure'
import { box, circle, line, polyline, shape, type Drawing, type Mark, type Pen, type Spot } from './marks'

/** A picture as a phone held upright takes it. */
const [WIDTH, HEIGHT] = [300, 400]

/** What should lie where in the picture, faintly over what the camera sees. */
export function ghostDrawing(view: PhotoView, says: string): Drawing {
  const draw = GHOSTS[view]
  return { width: WIDTH, height: HEIGHT, marks: [...draw('halo'), ...draw('mark')], says: `Ghost: ${says}` }
}

type Draw = (pen: Pen) => Mark[]

const frame = (x: number, y: number, w: number, h: number, pen: Pen) => box(x, y, w, h, 'none', pen)
const ring = (at: Spot, r: number, pen: Pen) => circle(at, r, 'none', pen)

/** A tag that hangs on a cable. */
const tag = (x: number, y: number, pen: Pen): Mark[] => [
  shape(
    [
      [x, y],
      [x + 12, y - 14],
      [x + 60, y - 14],
      [x + 60, y + 14],
      [x + 12, y + 14],
    ],
    'none',
    pen,
  ),
]

/** A box from the front: its gasket, a gland below, the slack within and the drip loop under it. */
const closing: Draw = (pen) => [
  frame(60, 70, 180, 170, pen),
  frame(72, 82, 156, 146, pen),
  polyline(
    [
      [150, 228],
      [120, 190],
      [150, 160],
      [180, 190],
      [150, 228],
    ],
    pen,
  ),
  frame(136, 240, 28, 24, pen),
  polyline(
    [
      [150, 264],
      [150, 340],
      [185, 365],
      [220, 340],
      [220, 300],
    ],
    pen,
  ),
]

const found: Draw = (pen) => [
  ring([150, 170], 80, pen),
  polyline(
    [
      [150, 250],
      [150, 300],
      [60, 330],
    ],
    pen,
  ),
]

const screen: Draw = (pen) => [frame(20, 120, 260, 146, pen), line([200, 138], [266, 138], pen)]

const GHOSTS: Readonly<Record<PhotoView, Draw>> = {
  parts: (pen) => [frame(30, 70, 110, 110, pen), frame(160, 70, 110, 110, pen), frame(60, 230, 180, 90, pen)],
  found,
  place: (pen) => [line([0, 330], [300, 330], pen), frame(20, 60, 260, 270, pen), ring([150, 140], 24, pen)],
  stands: (pen) => [frame(60, 110, 180, 150, pen), line([0, 320], [300, 320], pen)],
  fixed: (pen) => [
    ring([150, 200], 110, pen),
    ...(
      [
        [95, 145],
        [205, 145],
        [95, 255],
        [205, 255],
      ] as const
    ).map((at) => ring(at, 12, pen)),
  ],
  ends: (pen) => [
    line([0, 130], [150, 130], pen),
    ...tag(150, 130, pen),
    line([0, 280], [150, 280], pen),
    ...tag(150, 280, pen),
  ],
  lock: (pen) => [
    polyline(
      [
        [120, 150],
        [120, 110],
        [180, 110],
        [180, 150],
      ],
      pen,
    ),
    frame(100, 150, 100, 80, pen),
    ...tag(120, 290, pen),
  ],
  joint: (pen) => [
    frame(60, 100, 180, 200, pen),
    ...[130, 170, 210].map((y) => frame(110, y, 80, 24, pen)),
    frame(134, 300, 32, 24, pen),
  ],
  thread: (pen) => [
    line([150, 20], [150, 380], pen),
    ...[90, 160, 230, 300].map((y) => frame(115, y, 70, 34, pen)),
  ],
  coil: (pen) => [
    ...[92, 82, 72].map((r) => ring([150, 170], r, pen)),
    line([150, 262], [150, 310], pen),
    ...tag(150, 310, pen),
  ],
  closing,
  ports: (pen) => [
    frame(20, 150, 260, 100, pen),
    ...[0, 1, 2, 3].map((i) => frame(36 + i * 60, 170, 44, 36, pen)),
    line([36, 228], [264, 228], pen),
  ],
  circuit: (pen) => [
    frame(40, 90, 220, 220, pen),
    ...[0, 1, 2, 3].map((i) => frame(60 + i * 46, 150, 34, 70, pen)),
    line([60, 250], [240, 250], pen),
  ],
  earth: (pen) => [
    ring([80, 110], 30, pen),
    line([100, 132], [200, 268], pen),
    ...[0, 14, 28].map((d) => line([180 + d / 2, 290 + d], [240 - d / 2, 290 + d], pen)),
  ],
  screen,
}
