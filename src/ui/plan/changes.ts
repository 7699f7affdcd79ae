import { boundsOf, type Bounds } from '@/core/geometry'
import type { Change, Device, Floor, Job, Place } from '@/core/job'
import {
  boundsOfThing,
  copyOf,
  mirrored,
  mirroredDeg,
  mirroredPoint,
  moved,
  pointsOf,
  toEdge,
  turned,
  turnedPoint,
  type Axis,
  type Edge,
  type PlanThing,
} from '@/core/plan'
import { planChange } from '../device/plan'
import type { Picked } from './editor'

/** What becomes of everything that is selected, as changes that are said together. */

type On = Pick<Job, 'things' | 'devices'>

interface Placed {
  readonly device: Device
  readonly place: Place
}

/** The things and the placed devices that are selected. */
export function pickedOn({ things, devices }: On, picked: readonly Picked[]) {
  const ids = new Set(picked.map(({ id }) => id))
  const placed: Placed[] = devices.flatMap((device) =>
    ids.has(device.id) && device.sight?.place ? [{ device, place: device.sight.place }] : [],
  )
  return { things: things.filter(({ id }) => ids.has(id)), placed }
}

/** What is selected and not locked: the rest stays as it is. */
function freeOn(on: On, picked: readonly Picked[]) {
  const { things, placed } = pickedOn(on, picked)
  return {
    things: things.filter(({ locked }) => !locked),
    placed: placed.filter(({ place }) => !place.locked),
  }
}

/** What bounds everything that is selected; null where nothing of it lies on the plan. */
export function boundsOfPicked(on: On, picked: readonly Picked[]): Bounds | null {
  const { things, placed } = pickedOn(on, picked)
  return boundsOf([...things.flatMap(pointsOf), ...placed.map(({ place }) => place)])
}

const middleOf = ({ left, right, top, bottom }: Bounds) => ({ x: (left + right) / 2, y: (top + bottom) / 2 })

const put = (thing: PlanThing): Change => ({ type: 'putThing', thing })
const placedAt = ({ device, place }: Placed, change: Partial<Place>): Change =>
  planChange('sight', device.id, { ...device.sight!, place: { ...place, ...change } })

interface How {
  readonly thing: (thing: PlanThing) => PlanThing
  readonly place: (place: Place) => Partial<Place>
}

/** Everything that is selected, each in its way. */
function each(on: On, picked: readonly Picked[], how: How): Change[] {
  const { things, placed } = freeOn(on, picked)
  return [
    ...things.map((thing) => put(how.thing(thing))),
    ...placed.map((one) => placedAt(one, how.place(one.place))),
  ]
}

/** Carried along by so much, m. */
export const shifted = (on: On, picked: readonly Picked[], dx: number, dy: number): Change[] =>
  each(on, picked, {
    thing: (thing) => moved(thing, dx, dy),
    place: ({ x, y }) => ({ x: x + dx, y: y + dy }),
  })

/** Turned clockwise about the middle of them all; devices look that much farther round. */
export function turnedBy(on: On, picked: readonly Picked[], deg: number): Change[] {
  const bounds = boundsOfPicked(on, picked)
  if (!bounds) return []
  const about = middleOf(bounds)
  return each(on, picked, {
    thing: (thing) => turned(thing, about, deg),
    place: (place) => ({ ...turnedPoint(place, about, deg), panDeg: (place.panDeg + deg + 720) % 360 }),
  })
}

/** On the other side of an axis through the middle of them all. */
export function mirroredOn(on: On, picked: readonly Picked[], axis: Axis): Change[] {
  const bounds = boundsOfPicked(on, picked)
  if (!bounds) return []
  const about = middleOf(bounds)
  return each(on, picked, {
    thing: (thing) => mirrored(thing, about, axis),
    place: (place) => ({
      ...mirroredPoint(place, about, axis),
      panDeg: mirroredDeg(place.panDeg, axis),
      rollDeg: 0 - place.rollDeg,
    }),
  })
}

/** Each brought to the edge of them all. */
export function linedUp(on: On, picked: readonly Picked[], edge: Edge): Change[] {
  const all = boundsOfPicked(on, picked)
  if (!all) return []
  return each(on, picked, {
    thing: (thing) => moved(thing, ...toEdge(boundsOfThing(thing), all, edge)),
    place: (place) => {
      const [dx, dy] = toEdge(boundsOf([place])!, all, edge)
      return { x: place.x + dx, y: place.y + dy }
    },
  })
}

/** Things are gone; devices stay in the job, off the plan. */
export function takenAway(on: On, picked: readonly Picked[]): Change[] {
  const { things, placed } = freeOn(on, picked)
  return [
    ...things.map(({ id }): Change => ({ type: 'removeThing', thingId: id })),
    ...placed.map(({ device }) => planChange('sight', device.id, { ...device.sight!, place: null })),
  ]
}

/** Locked, or free again. */
export function locking(on: On, picked: readonly Picked[], locked: boolean): Change[] {
  const { things, placed } = pickedOn(on, picked)
  return [
    ...things.flatMap((thing) => (thing.locked === locked ? [] : [put({ ...thing, locked })])),
    ...placed.flatMap((one) => (one.place.locked === locked ? [] : [placedAt(one, { locked })])),
  ]
}

/** The same things once more under ids of their own, on a floor, carried along by so much, m. */
export const again = (
  things: readonly PlanThing[],
  floor: Floor,
  by: readonly [dx: number, dy: number],
  newId: () => string,
): Extract<Change, { type: 'putThing' }>[] =>
  things.map((thing) => ({
    type: 'putThing',
    thing: { ...moved(copyOf(thing), ...by), id: newId(), floor, locked: false },
  }))
