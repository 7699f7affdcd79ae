import type { Camera } from '../parts'

const RAD = Math.PI / 180

/**
 * The imager as it is turned: pixels, pixels per unit tangent (pinhole) or per radian (f-theta), fields of
 * view.
 */
export interface Imager {
  readonly kind: 'rectilinear' | 'f-theta'
  readonly widthPx: number
  readonly heightPx: number
  readonly focalPxX: number
  readonly focalPxY: number
  readonly horizontalFovDeg: number
  readonly verticalFovDeg: number
}

/**
 * Where the camera stands and looks: metres east, north, up; pan clockwise from north, tilt below level,
 * roll clockwise.
 */
export interface Pose {
  readonly x: number
  readonly y: number
  readonly z: number
  readonly panDeg: number
  readonly tiltDeg: number
  readonly rollDeg: number
}

export interface Point {
  readonly x: number
  readonly y: number
  readonly z: number
}

/** Field of view of a pinhole, degrees: 2·atan(size / 2f). */
export function fieldOfViewDeg(sizeMm: number, focalMm: number): number {
  return (2 * Math.atan(sizeMm / (2 * focalMm))) / RAD
}

/**
 * The imager of a camera at a focal length (mm). Portrait swaps width and height.
 * A rectilinear lens follows the pinhole; an f-theta lens spreads its given field of view evenly by angle.
 */
export function imagerOf(
  camera: Pick<Camera, 'sensor' | 'lens'>,
  focalMm: number,
  portrait: boolean,
): Imager {
  const { widthMm, heightMm, widthPx, heightPx } = camera.sensor
  const { lens } = camera
  const [acrossFov, upFov] =
    lens.kind === 'f-theta'
      ? [lens.horizontalFovDeg, lens.verticalFovDeg]
      : [fieldOfViewDeg(widthMm, focalMm), fieldOfViewDeg(heightMm, focalMm)]
  const scale = (px: number, mm: number, fov: number) =>
    lens.kind === 'f-theta' ? px / (fov * RAD) : (px * focalMm) / mm
  const landscape = {
    kind: lens.kind,
    widthPx,
    heightPx,
    focalPxX: scale(widthPx, widthMm, acrossFov),
    focalPxY: scale(heightPx, heightMm, upFov),
    horizontalFovDeg: acrossFov,
    verticalFovDeg: upFov,
  }
  if (!portrait) return landscape
  return {
    kind: lens.kind,
    widthPx: heightPx,
    heightPx: widthPx,
    focalPxX: landscape.focalPxY,
    focalPxY: landscape.focalPxX,
    horizontalFovDeg: upFov,
    verticalFovDeg: acrossFov,
  }
}

export interface Axes {
  readonly forward: Point
  readonly right: Point
  readonly up: Point
}

/** The axes of a camera's picture in the site: unit vectors forward, to the right and up. */
export function axesOf({ panDeg, tiltDeg, rollDeg }: Pose): Axes {
  const [sinP, cosP] = [Math.sin(panDeg * RAD), Math.cos(panDeg * RAD)]
  const [sinT, cosT] = [Math.sin(tiltDeg * RAD), Math.cos(tiltDeg * RAD)]
  const [sinR, cosR] = [Math.sin(rollDeg * RAD), Math.cos(rollDeg * RAD)]
  const level = { x: cosP, y: -sinP, z: 0 }
  const upright = { x: sinP * sinT, y: cosP * sinT, z: cosT }
  return {
    forward: { x: sinP * cosT, y: cosP * cosT, z: -sinT },
    right: blend(level, cosR, upright, -sinR),
    up: blend(level, sinR, upright, cosR),
  }
}

const blend = (a: Point, ka: number, b: Point, kb: number): Point => ({
  x: a.x * ka + b.x * kb,
  y: a.y * ka + b.y * kb,
  z: a.z * ka + b.z * kb,
})
const dot = (a: Point, b: Point): number => a.x * b.x + a.y * b.y + a.z * b.z

/**
 * Picture position in pixels from the upper left corner and depth along the axis in metres; null behind a
 * pinhole.
 */
export interface Pictured {
  readonly u: number
  readonly v: number
  readonly depthM: number
}

/** Projects a point of the site into the picture. It may land outside the frame: see `inFrame`. */
export function project(imager: Imager, pose: Pose, point: Point): Pictured | null {
  return projectWith(imager, axesOf(pose), pose, point)
}

/** The same with axes that are at hand. */
export function projectWith(imager: Imager, axes: Axes, pose: Pose, point: Point): Pictured | null {
  const ray = { x: point.x - pose.x, y: point.y - pose.y, z: point.z - pose.z }
  const depthM = dot(ray, axes.forward)
  const across = dot(ray, axes.right)
  const above = dot(ray, axes.up)
  const side = Math.hypot(across, above)
  let stretch: number
  if (imager.kind === 'rectilinear') {
    if (depthM <= 1e-9) return null
    stretch = 1 / depthM
  } else {
    if (side < 1e-12 && depthM <= 0) return null
    stretch = side < 1e-12 ? 1 / depthM : Math.atan2(side, depthM) / side
  }
  return {
    u: imager.widthPx / 2 + imager.focalPxX * across * stretch,
    v: imager.heightPx / 2 - imager.focalPxY * above * stretch,
    depthM,
  }
}

/**
 * Pixels per metre across, on a level board at the point that faces the camera in plan: from the full
 * projection, so it holds off the axis and under tilt. On the axis it reduces to Nx / (2·D·tan(HFOV/2)). 0
 * where nothing is pictured.
 */
export function densityAt(imager: Imager, pose: Pose, point: Point): number {
  return densityWith(imager, axesOf(pose), pose, point)
}

/** The same with axes that are at hand. */
export function densityWith(imager: Imager, axes: Axes, pose: Pose, point: Point): number {
  const ray = { x: point.x - pose.x, y: point.y - pose.y, z: point.z - pose.z }
  return densityAlong(
    imager,
    axes,
    ray.x,
    ray.y,
    dot(ray, axes.forward),
    dot(ray, axes.right),
    dot(ray, axes.up),
  )
}

/**
 * The same from what is known of a ray already: its plan components and its depth, across and above the
 * axis (m). It is the length of the projection's derivative along the level board.
 */
export function densityAlong(
  imager: Imager,
  axes: Axes,
  dx: number,
  dy: number,
  depth: number,
  across: number,
  above: number,
): number {
  return imager.kind === 'rectilinear'
    ? pinholeDensity(imager, axes, dx, dy, depth, across, above)
    : evenDensity(imager, axes, dx, dy, depth, across, above)
}

/**
 * The same for a pinhole. Roots are written out: a survey asks for five million of them, and a safe
 * hypotenuse takes ten times as long.
 */
export function pinholeDensity(
  { focalPxX, focalPxY }: Imager,
  { forward, right, up }: Axes,
  dx: number,
  dy: number,
  depth: number,
  across: number,
  above: number,
): number {
  if (depth <= 1e-9) return 0
  const plan = Math.sqrt(dx * dx + dy * dy)
  const bx = plan < 1e-9 ? right.x : dy / plan
  const by = plan < 1e-9 ? right.y : -dx / plan
  const inverse = 1 / depth
  const dDepth = (bx * forward.x + by * forward.y) * inverse
  const u = focalPxX * (bx * right.x + by * right.y - across * dDepth)
  const v = focalPxY * (bx * up.x + by * up.y - above * dDepth)
  return Math.sqrt(u * u + v * v) * inverse
}

/** The same for a lens that spreads angles evenly over its picture. */
function evenDensity(
  imager: Imager,
  { forward, right, up }: Axes,
  dx: number,
  dy: number,
  depth: number,
  across: number,
  above: number,
): number {
  const plan = Math.hypot(dx, dy)
  const [bx, by] = plan < 1e-9 ? [right.x, right.y] : [dy / plan, -dx / plan]
  const dDepth = bx * forward.x + by * forward.y
  const dAcross = bx * right.x + by * right.y
  const dAbove = bx * up.x + by * up.y
  const side2 = across * across + above * above
  const side = Math.sqrt(side2)
  if (side < 1e-9)
    return depth <= 0 ? 0 : Math.hypot(imager.focalPxX * dAcross, imager.focalPxY * dAbove) / depth
  const angle = Math.atan2(side, depth)
  const dSide = (across * dAcross + above * dAbove) / side
  const dAngle = (depth * dSide - side * dDepth) / (side2 + depth * depth)
  const stretch = angle / side
  const dStretch = (dAngle - stretch * dSide) / side
  return Math.hypot(
    imager.focalPxX * (dAcross * stretch + across * dStretch),
    imager.focalPxY * (dAbove * stretch + above * dStretch),
  )
}

/**
 * Half of the angle (degrees) that a picture covers straight up and down the site through its axis: half
 * the vertical field of view while it stands level, less or more once it is rolled.
 */
export function uprightHalfDeg(imager: Imager, rollDeg: number): number {
  const [c, s] = [Math.abs(Math.cos(rollDeg * RAD)), Math.abs(Math.sin(rollDeg * RAD))]
  const reach = Math.min(
    c < 1e-12 ? Infinity : imager.heightPx / (2 * imager.focalPxY * c),
    s < 1e-12 ? Infinity : imager.widthPx / (2 * imager.focalPxX * s),
  )
  return (imager.kind === 'rectilinear' ? Math.atan(reach) : Math.min(Math.PI, reach)) / RAD
}

/** The angle (radians) between the axis and a corner of the picture: nothing further off it is shown. */
export function cornerRad({ kind, widthPx, heightPx, focalPxX, focalPxY }: Imager): number {
  const out = Math.hypot(widthPx / (2 * focalPxX), heightPx / (2 * focalPxY))
  return kind === 'rectilinear' ? Math.atan(out) : Math.min(Math.PI, out)
}

/** Whether a pictured point lies inside the frame. */
export const inFrame = (imager: Imager, { u, v }: Pictured): boolean =>
  u >= 0 && u <= imager.widthPx && v >= 0 && v <= imager.heightPx

/** Whether the picture shows what lies in a direction from the lens, however far. */
export function showsWay(
  imager: Imager,
  { forward, right, up }: Axes,
  x: number,
  y: number,
  z: number,
): boolean {
  const depth = x * forward.x + y * forward.y + z * forward.z
  if (imager.kind === 'rectilinear' && depth <= 0) return false
  const across = x * right.x + y * right.y + z * right.z
  const above = x * up.x + y * up.y + z * up.z
  if (imager.kind === 'rectilinear')
    return (
      Math.abs(imager.focalPxX * across) * 2 <= imager.widthPx * depth &&
      Math.abs(imager.focalPxY * above) * 2 <= imager.heightPx * depth
    )
  const side = Math.hypot(across, above)
  const turn = side < 1e-12 ? 0 : Math.atan2(side, depth) / side
  return (
    Math.abs(imager.focalPxX * across * turn) * 2 <= imager.widthPx &&
    Math.abs(imager.focalPxY * above * turn) * 2 <= imager.heightPx
  )
}

/** The direction (unit vector) in which a picture position lies from the lens. */
export function rayThrough(
  imager: Imager,
  pose: Pose,
  u: number,
  v: number,
  { forward, right, up }: Axes = axesOf(pose),
): Point {
  const [x, y] = [(u - imager.widthPx / 2) / imager.focalPxX, (imager.heightPx / 2 - v) / imager.focalPxY]
  const side = Math.hypot(x, y)
  const [ahead, aside] =
    imager.kind === 'rectilinear'
      ? [1 / Math.hypot(1, side), 1 / Math.hypot(1, side)]
      : [Math.cos(side), side < 1e-12 ? 1 : Math.sin(side) / side]
  const [across, above] = [x * aside, y * aside]
  return {
    x: forward.x * ahead + right.x * across + up.x * above,
    y: forward.y * ahead + right.y * across + up.y * above,
    z: forward.z * ahead + right.z * across + up.z * above,
  }
}
