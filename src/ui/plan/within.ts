import { boundsOf, type Bounds, type PlanPoint } from '@/core/geometry'
import type { Floor, Job } from '@/core/job'
import { pointsOf, type PlanThing } from '@/core/plan'
import { placeOn } from '@/drawings/plan'
import type { Picked } from './editor'

interface Among {
  readonly things: readonly PlanThing[]
  readonly devices: Job['devices']
  readonly floor: Floor
  /** What is left out of it. */
  readonly except: ReadonlySet<string>
}

/** What lies wholly between two corners of a frame. */
export function pickedWithin(
  a: PlanPoint,
  b: PlanPoint,
  { things, devices, floor, except }: Among,
): Picked[] {
  const frame = boundsOf([a, b])!
  const within = (points: readonly PlanPoint[]) =>
    points.every(({ x, y }) => x >= frame.left && x <= frame.right && y >= frame.bottom && y <= frame.top)
  return [
    ...things.flatMap((thing): Picked[] =>
      !except.has(thing.id) && within(pointsOf(thing)) ? [{ is: 'thing', id: thing.id }] : [],
    ),
    ...devices.flatMap((device): Picked[] => {
      const place = placeOn(device, floor)
      return place && !except.has(device.id) && within([place]) ? [{ is: 'device', id: device.id }] : []
    }),
  ]
}

/** What reaches into a part of the plan: a plan may hold thousands of walls, and the rest is not drawn. */
export const reachingInto = <T>(
  all: readonly T[],
  boundsOfOne: (one: T) => Bounds,
  { left, right, bottom, top }: Bounds,
): readonly T[] =>
  all.filter((one) => {
    const box = boundsOfOne(one)
    return box.right >= left && box.left <= right && box.top >= bottom && box.bottom <= top
  })
