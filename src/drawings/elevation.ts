import type { Elevation } from '@/core/sight'
import { print, type UnitSystem } from '@/core/units'
import {
  box,
  circle,
  dimensionAcross,
  dimensionUp,
  line,
  polyline,
  shape,
  widthOf,
  words,
  type Drawing,
  type Mark,
  type Spot,
} from './marks'

const RAD = Math.PI / 180
const LEFT = 64
const RIGHT = 26
const GROUND_ROOM = 72
const TOP = 48

/**
 * How metres stand on the sheet: one scale for both axes, the ground at `groundY`, the camera above
 * `cameraX`.
 */
export interface Frame {
  readonly width: number
  readonly height: number
  readonly perMetre: number
  readonly cameraX: number
  readonly groundY: number
}

/** Chooses a scale that shows the camera, the target and a fair part of the ground beyond it. */
export function elevationFrame(
  { heightM, targetDistanceM, targetHeightM, farthestGround }: Elevation,
  width: number,
): Frame {
  const beyond =
    typeof farthestGround === 'number'
      ? Math.min(Math.max(farthestGround, targetDistanceM), targetDistanceM * 1.6)
      : targetDistanceM * 1.35
  const acrossM = Math.max(beyond + 0.3, heightM * 0.8, 1.5)
  const upM = Math.max(heightM, targetHeightM + 0.25, 1.9) + 0.35
  const most = Math.max(260, Math.min(430, width * 0.62))
  const perMetre = Math.min((width - LEFT - RIGHT) / acrossM, (most - TOP - GROUND_ROOM) / upM)
  const height = Math.max(190, Math.min(most, upM * perMetre + TOP + GROUND_ROOM))
  return { width, height, perMetre, cameraX: LEFT, groundY: height - GROUND_ROOM }
}

/** Where the handles of the drawing stand: the camera, the target's head and the end of the axis. */
export function elevationHandles(
  e: Elevation,
  frame: Frame,
): { readonly camera: Spot; readonly target: Spot; readonly axis: Spot } {
  const camera: Spot = [frame.cameraX, frame.groundY - e.heightM * frame.perMetre]
  return {
    camera,
    target: [
      frame.cameraX + e.targetDistanceM * frame.perMetre,
      frame.groundY - e.targetHeightM * frame.perMetre,
    ],
    axis: rayEnd(e, frame, e.tiltDeg, 0.55),
  }
}

/** Where a ray from the lens, `downDeg` below level, meets the ground or the edge of the sheet. */
function rayEnd(e: Elevation, frame: Frame, downDeg: number, share = 1): Spot {
  const [x0, y0] = [frame.cameraX, frame.groundY - e.heightM * frame.perMetre]
  const dx = Math.cos(downDeg * RAD)
  const dy = Math.sin(downDeg * RAD)
  const toGround = dy > 1e-9 ? (frame.groundY - y0) / dy : Infinity
  const toTop = dy < -1e-9 ? (y0 - 4) / -dy : Infinity
  const toRight = dx > 1e-9 ? (frame.width - 8 - x0) / dx : Infinity
  const toLeft = dx < -1e-9 ? (x0 - 8) / -dx : Infinity
  const length = Math.min(toGround, toTop, toRight, toLeft, 5000) * share
  return [x0 + dx * length, y0 + dy * length]
}

/**
 * What the picture takes in, cut out of the sheet: the sheet's own corners are kept where the picture holds
 * them.
 */
function fan(e: Elevation, frame: Frame, halfDeg: number): Spot[] {
  const [x0, y0] = [frame.cameraX, frame.groundY - e.heightM * frame.perMetre]
  const sheet: Spot[] = [
    [8, 4],
    [frame.width - 8, 4],
    [frame.width - 8, frame.groundY],
    [8, frame.groundY],
  ]
  // Two half planes through the lens: below the upper edge, above the lower one.
  const edge =
    (deg: number, side: 1 | -1) =>
    ([x, y]: Spot) =>
      side * ((y - y0) * Math.cos(deg * RAD) - (x - x0) * Math.sin(deg * RAD))
  return [edge(e.tiltDeg - halfDeg, 1), edge(e.tiltDeg + halfDeg, -1)].reduce(cut, sheet)
}

/** The part of an outline where `inside` is not negative (Sutherland and Hodgman). */
function cut(outline: Spot[], inside: (spot: Spot) => number): Spot[] {
  return outline.flatMap((a, i): Spot[] => {
    const b = outline[(i + 1) % outline.length]!
    const [da, db] = [inside(a), inside(b)]
    const kept: Spot[] = da >= 0 ? [a] : []
    if (da >= 0 === db >= 0) return kept
    const t = da / (da - db)
    return [...kept, [a[0] + (b[0] - a[0]) * t, a[1] + (b[1] - a[1]) * t]]
  })
}

/** The side elevation to scale: camera, rays, target, and the distances on the ground. */
export function elevationDrawing(e: Elevation, units: UnitSystem, frame: Frame): Drawing {
  const printed = (m: number) => print({ value: m, kind: 'length' }, units)
  const { cameraX, groundY, perMetre, width, height } = frame
  const [, cameraY] = elevationHandles(e, frame).camera
  const half = Math.min(89.5, e.verticalFovDeg / 2)
  const [upper, lower] = [rayEnd(e, frame, e.tiltDeg - half), rayEnd(e, frame, e.tiltDeg + half)]
  const marks: Mark[] = [...surroundings(e, frame, cameraY), shape(fan(e, frame, half), 'seen', 'none')]
  marks.push(
    line([cameraX, cameraY], upper, 'ray'),
    line([cameraX, cameraY], lower, 'ray'),
    line([cameraX, cameraY], rayEnd(e, frame, e.tiltDeg), 'axis'),
  )
  marks.push(line([0, groundY], [width, groundY], 'outline'))
  marks.push(
    ...tiltArc(e, frame, cameraY),
    ...camera(e, cameraX, cameraY),
    ...person(e, frame),
    ...callOut(e, frame, units),
  )
  marks.push(...dimensionUp(cameraX - 42, cameraY, groundY, printed(e.heightM)))

  const targetX = cameraX + e.targetDistanceM * perMetre
  if (typeof e.nearestGround === 'number') {
    const x = cameraX + e.nearestGround * perMetre
    if (x < width - 40)
      marks.push(
        ...dimensionAcross(cameraX, x, groundY + 22, `${printed(e.nearestGround)} not seen`, targetX),
      )
  }
  marks.push(...dimensionAcross(cameraX, targetX, groundY + 46, printed(e.targetDistanceM), width - 4))
  marks.push(
    words([width - 6, groundY + 66], farWords(e, printed), { size: 'small', tone: 'soft', anchor: 'end' }),
  )
  return { width, height, marks, says: describe(e, printed, units) }
}

function farWords(e: Elevation, printed: (m: number) => string): string {
  if (e.farthestGround === 'endless') return 'far limit: endless'
  if (typeof e.farthestGround === 'number') return `far limit ${printed(e.farthestGround)}`
  return 'no ground in the picture'
}

function describe(e: Elevation, printed: (m: number) => string, units: UnitSystem): string {
  return (
    `Side elevation: lens ${printed(e.heightM)} high, tilted ` +
    `${print({ value: e.tiltDeg, kind: 'angle' }, units)} below level; the target ` +
    `${printed(e.targetDistanceM)} away ${seenWords(e, units)}.`
  )
}

function seenWords({ surroundings, targetInPicture, densityPxM }: Elevation, units: UnitSystem): string {
  if (surroundings?.hiddenBy) return `is hidden by ${surroundings.hiddenBy}`
  if (!targetInPicture) return 'is outside the picture'
  return `gets ${print({ value: densityPxM, kind: 'density' }, units)}`
}

function surroundings(e: Elevation, frame: Frame, cameraY: number): Mark[] {
  const real = e.surroundings ? onTheAxis(e.surroundings, frame) : []
  const { cameraX, groundY } = frame
  const behind =
    e.surroundings?.uprights.some(({ distanceM }) => distanceM <= 0) ||
    e.surroundings?.boards.some(({ fromDistanceM }) => fromDistanceM <= 0)
  return [...(behind ? [] : usual(e, cameraX, groundY, cameraY)), ...real]
}

/** What the plan has along the axis: uprights as posts from foot to head, boards as thin bars, named. */
function onTheAxis(
  { uprights, boards }: NonNullable<Elevation['surroundings']>,
  { cameraX, groundY, perMetre, width }: Frame,
): Mark[] {
  const x = (m: number) => cameraX + m * perMetre
  const y = (m: number) => Math.max(6, groundY - m * perMetre)
  const marks: Mark[] = []
  const named = new Set<string>() // a block is crossed twice and named once
  for (const { fromDistanceM, toDistanceM, heightM } of boards) {
    const [from, to] = [Math.max(4, x(fromDistanceM)), Math.min(width - 4, x(toDistanceM))]
    if (to > from && groundY - heightM * perMetre > 0)
      marks.push(box(from, y(heightM) - 7, to - from, 7, 'sheet', 'object'))
  }
  for (const { distanceM, fromM, toM, name } of uprights) {
    const at = x(distanceM)
    if (at < 6 || at > width - 6) continue
    marks.push(box(at - 3, y(toM), 6, Math.max(2, y(fromM) - y(toM)), 'hatch', 'object'))
    const told = named.has(name)
    named.add(name)
    if (distanceM * perMetre > 70 && !told)
      marks.push(
        words([Math.min(at, width - widthOf(name, 'small') / 2 - 4), Math.max(44, y(toM) - 6)], name, {
          size: 'small',
          tone: 'soft',
          anchor: 'middle',
        }),
      )
  }
  return marks
}

/**
 * What it hangs on while the plan does not say: a pole with its bands, a wall, or a soffit with the wall
 * behind.
 */
function usual(e: Elevation, cameraX: number, groundY: number, cameraY: number): Mark[] {
  if (e.onPole) {
    const top = Math.max(6, cameraY - 30)
    const bands = [-9, 7].map((dy) =>
      line([cameraX - 26, cameraY + dy], [cameraX - 14, cameraY + dy], 'outline'),
    )
    return [
      box(cameraX - 24, top, 8, groundY - top, 'sheet', 'object'),
      box(cameraX - 30, groundY - 4, 20, 4, 'ink', 'none'),
      ...bands,
    ]
  }
  if (e.facing === 'wall')
    return [
      box(
        cameraX - 30,
        Math.max(6, cameraY - 40),
        16,
        groundY - Math.max(6, cameraY - 40),
        'hatch',
        'object',
      ),
    ]
  const y = cameraY - 12
  return [
    box(cameraX - 30, y, 16, groundY - y, 'hatch', 'object'),
    box(cameraX - 34, y - 10, 82, 10, 'sheet', 'object'),
  ]
}

function camera(e: Elevation, x: number, y: number): Mark[] {
  const turn = (dx: number, dy: number): Spot => {
    const [c, s] = [Math.cos(e.tiltDeg * RAD), Math.sin(e.tiltDeg * RAD)]
    return [x + dx * c - dy * s, y + dx * s + dy * c]
  }
  const arm =
    e.facing === 'wall'
      ? line([x - 14, y - 6], [x - 6, y - 2], 'outline')
      : line([x, y - 12], [x, y - 3], 'outline')
  if (e.form === 'dome' || e.form === 'turret' || e.form === 'panoramic')
    return [arm, circle([x, y], 8, 'sheet', 'object'), circle(turn(4, 0), 3.2, 'ink', 'none')]
  return [
    arm,
    shape([turn(-16, -6), turn(6, -6), turn(6, 6), turn(-16, 6)], 'ink', 'none'),
    shape([turn(6, -4), turn(11, -4), turn(11, 4), turn(6, 4)], 'soft', 'none'),
  ]
}

function person(e: Elevation, { cameraX, groundY, perMetre }: Frame): Mark[] {
  const x = cameraX + e.targetDistanceM * perMetre
  const tall = Math.max(22, 1.72 * perMetre)
  const head = Math.max(3.2, tall * 0.065)
  const neck = groundY - tall + 2 * head
  const hip = groundY - tall * 0.48
  const targetY = groundY - e.targetHeightM * perMetre
  return [
    circle([x, neck - head], head, 'sheet', 'object'),
    line([x, neck], [x, hip], 'object'),
    line([x, hip], [x - tall * 0.09, groundY], 'object'),
    line([x, hip], [x + tall * 0.09, groundY], 'object'),
    polyline(
      [
        [x - tall * 0.12, neck + tall * 0.24],
        [x, neck + tall * 0.05],
        [x + tall * 0.12, neck + tall * 0.24],
      ],
      'object',
    ),
    circle([x, targetY], Math.max(8, head + 5), 'none', 'ray'),
  ]
}

function callOut(e: Elevation, frame: Frame, units: UnitSystem): Mark[] {
  const [x, y] = elevationHandles(e, frame).target
  const hiddenBy = e.surroundings?.hiddenBy ?? null
  const shown = e.targetInPicture
    ? print({ value: e.densityPxM, kind: 'density' }, units)
    : 'not in the picture'
  const first = hiddenBy ? `hidden by ${hiddenBy}` : shown
  const second = e.targetInPicture
    ? `seen ${print({ value: Math.abs(e.faceAngleDeg), kind: 'angle' }, units)} from ` +
      `${e.faceAngleDeg >= 0 ? 'above' : 'below'}`
    : `for ${e.levelName.toLowerCase()}`
  // It stands at the top, clear of the rays, as far right as the sheet allows; a leader drops to the target.
  const middle = Math.min(Math.max(x + 24, frame.cameraX + 150), frame.width - 66)
  return [
    polyline(
      [
        [x + 4, y - 11],
        [middle, Math.min(36, y - 14)],
      ],
      'leader',
    ),
    words([middle, 16], first, {
      size: 'figure',
      tone: e.targetInPicture && !hiddenBy ? 'ink' : 'stop',
      anchor: 'middle',
    }),
    words([middle, 30], second, { size: 'small', tone: 'soft', anchor: 'middle' }),
  ]
}

function tiltArc(e: Elevation, frame: Frame, cameraY: number): Mark[] {
  const r = 46
  const x = frame.cameraX
  const steps = Math.max(2, Math.ceil(Math.abs(e.tiltDeg) / 6))
  // Between level and axis where the upper edge of the picture rises through the place above.
  const above = e.tiltDeg >= 0 && (e.tiltDeg < 12 || e.verticalFovDeg / 2 <= e.tiltDeg)
  const arc = Array.from(
    { length: steps + 1 },
    (_, i): Spot => [
      x + r * Math.cos((e.tiltDeg * i * RAD) / steps),
      cameraY + r * Math.sin((e.tiltDeg * i * RAD) / steps),
    ],
  )
  return [
    line([x, cameraY], [x + r + 14, cameraY], 'dimension'),
    polyline(arc, 'dimension'),
    words(
      [x + r + 18, cameraY + (above ? -5 : 13)],
      `tilt ${print({ value: e.tiltDeg, kind: 'angle' }, 'metric')}`,
      { tone: 'copper' },
    ),
  ]
}
