import type { Camera } from '../parts'

const RAD = Math.PI / 180

/** The imager as it is turned: pixels, pixels per unit tangent (pinhole) or per radian (f-theta), fields of view. */
export interface Imager {
  readonly kind: 'rectilinear' | 'f-theta'
  readonly widthPx: number
  readonly heightPx: number
  readonly focalPxX: number
  readonly focalPxY: number
  readonly horizontalFovDeg: number
  readonly verticalFovDeg: number
}

/** Where the camera stands and looks: metres east, north, up; pan clockwise from north, tilt below level, roll clockwise. */
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
export function imagerOf(camera: Pick<Camera, 'sensor' | 'lens'>, focalMm: number, portrait: boolean): Imager {
  const { widthMm, heightMm, widthPx, heightPx } = camera.sensor
  const { lens } = camera
  const [acrossFov, upFov] =
    lens.kind === 'f-theta' ? [lens.horizontalFovDeg, lens.verticalFovDeg] : [fieldOfViewDeg(widthMm, focalMm), fieldOfViewDeg(heightMm, focalMm)]
  const scale = (px: number, mm: number, fov: number) => (lens.kind === 'f-theta' ? px / (fov * RAD) : (px * focalMm) / mm)
  const landscape = {
    kind: lens.kind, widthPx, heightPx, focalPxX: scale(widthPx, widthMm, acrossFov), focalPxY: scale(heightPx, heightMm, upFov),
    horizontalFovDeg: acrossFov, verticalFovDeg: upFov,
  }
  if (!portrait) return landscape
  return {
    kind: lens.kind, widthPx: heightPx, heightPx: widthPx, focalPxX: landscape.focalPxY, focalPxY: landscape.focalPxX,
    horizontalFovDeg: upFov, verticalFovDeg: acrossFov,
  }
}

interface Axes {
  readonly forward: Point
  readonly right: Point
  readonly up: Point
}

function axesOf({ panDeg, tiltDeg, rollDeg }: Pose): Axes {
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

const blend = (a: Point, ka: number, b: Point, kb: number): Point => ({ x: a.x * ka + b.x * kb, y: a.y * ka + b.y * kb, z: a.z * ka + b.z * kb })
const dot = (a: Point, b: Point): number => a.x * b.x + a.y * b.y + a.z * b.z

/** Picture position in pixels from the upper left corner and depth along the axis in metres; null behind a pinhole. */
export interface Pictured {
  readonly u: number
  readonly v: number
  readonly depthM: number
}

/** Projects a point of the site into the picture. It may land outside the frame: see `inFrame`. */
export function project(imager: Imager, pose: Pose, point: Point): Pictured | null {
  return projectWith(imager, axesOf(pose), pose, point)
}

function projectWith(imager: Imager, axes: Axes, pose: Pose, point: Point): Pictured | null {
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
  return { u: imager.widthPx / 2 + imager.focalPxX * across * stretch, v: imager.heightPx / 2 - imager.focalPxY * above * stretch, depthM }
}

/**
 * Pixels per metre across, on a level board at the point that faces the camera in plan: from the full projection, so it
 * holds off the axis and under tilt. On the axis it reduces to Nx / (2·D·tan(HFOV/2)). 0 where nothing is pictured.
 */
export function densityAt(imager: Imager, pose: Pose, point: Point): number {
  const axes = axesOf(pose)
  const bearing = Math.atan2(point.x - pose.x, point.y - pose.y)
  const half = 1e-4 // metres either side: far below a pixel, far above rounding
  const step = { x: Math.cos(bearing) * half, y: -Math.sin(bearing) * half, z: 0 }
  const left = projectWith(imager, axes, pose, { x: point.x - step.x, y: point.y - step.y, z: point.z })
  const right = projectWith(imager, axes, pose, { x: point.x + step.x, y: point.y + step.y, z: point.z })
  return left && right ? Math.hypot(right.u - left.u, right.v - left.v) / (2 * half) : 0
}
