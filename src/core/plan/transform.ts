import { boundsOf, type Bounds, type PlanPoint } from '../geometry'
import { carriedBy, pointsOf, type PlanThing } from './things'

/** Turning, mirroring and lining up what is drawn. */

/** A line on which things are mirrored: up and down the sheet, or across it. */
export type Axis = 'upright' | 'level'
/** Where things are lined up. */
export type Edge = 'left' | 'right' | 'top' | 'bottom' | 'centre' | 'middle'

const RAD = Math.PI / 180

/** A point turned clockwise about another. */
export function turnedPoint({ x, y }: PlanPoint, about: PlanPoint, deg: number): PlanPoint {
  const [cos, sin] = [Math.cos(deg * RAD), Math.sin(deg * RAD)]
  const [dx, dy] = [x - about.x, y - about.y]
  return { x: about.x + dx * cos + dy * sin, y: about.y - dx * sin + dy * cos }
}

/** A point on the other side of an axis through another. */
export const mirroredPoint = ({ x, y }: PlanPoint, about: PlanPoint, axis: Axis): PlanPoint =>
  axis === 'upright' ? { x: 2 * about.x - x, y } : { x, y: 2 * about.y - y }

/** A bearing on the other side of an axis, degrees clockwise from up the sheet, 0 to 360. */
export const mirroredDeg = (deg: number, axis: Axis): number =>
  (((axis === 'upright' ? -deg : 180 - deg) % 360) + 360) % 360

/** A thing turned clockwise. */
export const turned = (thing: PlanThing, about: PlanPoint, deg: number): PlanThing =>
  carriedBy(thing, (point) => turnedPoint(point, about, deg))

/** A thing on the other side of an axis. */
export const mirrored = (thing: PlanThing, about: PlanPoint, axis: Axis): PlanThing =>
  carriedBy(thing, (point) => mirroredPoint(point, about, axis), true)

/** What a thing is carried by, m, so that its edge comes to lie on the edge of all of them. */
export function toEdge(one: Bounds, all: Bounds, edge: Edge): readonly [dx: number, dy: number] {
  const shifts: Record<Edge, readonly [number, number]> = {
    left: [all.left - one.left, 0],
    right: [all.right - one.right, 0],
    top: [0, all.top - one.top],
    bottom: [0, all.bottom - one.bottom],
    centre: [(all.left + all.right - one.left - one.right) / 2, 0],
    middle: [0, (all.top + all.bottom - one.top - one.bottom) / 2],
  }
  return shifts[edge]
}

/** What bounds a thing. */
export const boundsOfThing = (thing: PlanThing): Bounds => boundsOf(pointsOf(thing))!
