/** Plane geometry of the plan: metres, x to the right and y up the sheet. */
export interface PlanPoint {
  readonly x: number
  readonly y: number
}

export type Outline = readonly PlanPoint[]

export const distanceM = (a: PlanPoint, b: PlanPoint): number => Math.hypot(b.x - a.x, b.y - a.y)

/** The point a share (0 to 1) of the way from one to the other. */
export const between = (a: PlanPoint, b: PlanPoint, share: number): PlanPoint => ({
  x: a.x + (b.x - a.x) * share,
  y: a.y + (b.y - a.y) * share,
})

/** Bearing of b from a, degrees clockwise from up the sheet, 0 to 360. */
export const bearingDeg = (a: PlanPoint, b: PlanPoint): number =>
  ((Math.atan2(b.x - a.x, b.y - a.y) * 180) / Math.PI + 360) % 360

/** The point a distance (m) away along a bearing (degrees). */
export function along(from: PlanPoint, bearing: number, lengthM: number): PlanPoint {
  const turn = (bearing * Math.PI) / 180
  return { x: from.x + Math.sin(turn) * lengthM, y: from.y + Math.cos(turn) * lengthM }
}

/** Twice-signed shoelace halved: area in m², positive when the outline runs anticlockwise. */
export function signedAreaM2(outline: Outline): number {
  let twice = 0
  for (const [i, a] of outline.entries()) {
    const b = outline[(i + 1) % outline.length]!
    twice += a.x * b.y - b.x * a.y
  }
  return twice / 2
}

export const areaM2 = (outline: Outline): number => Math.abs(signedAreaM2(outline))

/** Middle of an outline by area; of its corners when it has none. */
export function middleOf(outline: Outline): PlanPoint {
  const area = signedAreaM2(outline)
  if (Math.abs(area) < 1e-9) {
    return {
      x: outline.reduce((sum, { x }) => sum + x, 0) / outline.length,
      y: outline.reduce((sum, { y }) => sum + y, 0) / outline.length,
    }
  }
  let [x, y] = [0, 0]
  for (const [i, a] of outline.entries()) {
    const b = outline[(i + 1) % outline.length]!
    const cross = a.x * b.y - b.x * a.y
    x += (a.x + b.x) * cross
    y += (a.y + b.y) * cross
  }
  return { x: x / (6 * area), y: y / (6 * area) }
}

/** Whether a point lies inside an outline (even-odd). */
export function contains(outline: Outline, { x, y }: PlanPoint): boolean {
  let inside = false
  for (let i = 0, j = outline.length - 1; i < outline.length; j = i++) {
    const a = outline[i]!
    const b = outline[j]!
    if (a.y > y !== b.y > y && x < ((b.x - a.x) * (y - a.y)) / (b.y - a.y) + a.x) inside = !inside
  }
  return inside
}

/** The point of a segment that lies nearest, and how far along it as a share. */
export function nearestOn(
  a: PlanPoint,
  b: PlanPoint,
  p: PlanPoint,
): { readonly at: PlanPoint; readonly share: number; readonly distanceM: number } {
  const [dx, dy] = [b.x - a.x, b.y - a.y]
  const length2 = dx * dx + dy * dy
  const share = length2 === 0 ? 0 : Math.min(1, Math.max(0, ((p.x - a.x) * dx + (p.y - a.y) * dy) / length2))
  const at = { x: a.x + dx * share, y: a.y + dy * share }
  return { at, share, distanceM: distanceM(at, p) }
}

/** Where two segments cross, as shares along each; null when they do not or run alike. */
export function crossing(
  a: PlanPoint,
  b: PlanPoint,
  c: PlanPoint,
  d: PlanPoint,
): { readonly along: number; readonly across: number } | null {
  const [rx, ry, sx, sy] = [b.x - a.x, b.y - a.y, d.x - c.x, d.y - c.y]
  const cross = rx * sy - ry * sx
  if (Math.abs(cross) < 1e-12) return null
  const [qx, qy] = [c.x - a.x, c.y - a.y]
  const t = (qx * sy - qy * sx) / cross
  const u = (qx * ry - qy * rx) / cross
  return t >= 0 && t <= 1 && u >= 0 && u <= 1 ? { along: t, across: u } : null
}

/** Whether an outline crosses or touches itself anywhere but at its corners. */
export function crossesItself(outline: Outline): boolean {
  const n = outline.length
  for (let i = 0; i < n; i++) {
    for (let j = i + 1; j < n; j++) {
      const neighbours = j === i + 1 || (i === 0 && j === n - 1)
      if (!neighbours && crossing(outline[i]!, outline[(i + 1) % n]!, outline[j]!, outline[(j + 1) % n]!))
        return true
    }
  }
  return false
}

export interface Bounds {
  readonly left: number
  readonly right: number
  readonly bottom: number
  readonly top: number
}

/** The upright box round points; null without any. */
export function boundsOf(points: Iterable<PlanPoint>): Bounds | null {
  let [left, right, bottom, top] = [Infinity, -Infinity, Infinity, -Infinity]
  for (const { x, y } of points) {
    left = Math.min(left, x)
    right = Math.max(right, x)
    bottom = Math.min(bottom, y)
    top = Math.max(top, y)
  }
  return left > right ? null : { left, right, bottom, top }
}
