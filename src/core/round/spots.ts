import type { Device, Equipment, Job, Run } from '../job/job'
import { ROUND_LIMITS } from './limits'

/** Where one stands to work on something at its place: one stand of the ladder may serve several. */
export interface Spot {
  readonly id: string
  /** Marks of what is worked on from here. */
  readonly marks: readonly string[]
  /** "02 Slipway north". */
  readonly name: string
  /** Height of the highest thing there, m; null where it is not planned. */
  readonly heightM: number | null
  /** Metres on the plan of its floor; null where it is not placed. */
  readonly at: { readonly floor: string; readonly x: number; readonly y: number } | null
}

type Sited = Pick<Job, 'devices' | 'equipment' | 'runs'>

/**
 * The spots of a job by the id of what is worked on there: devices within arm's reach of each other share
 * one. A run is worked on at the end of it that is not at the head end.
 */
export function spotsOf({ devices, equipment, runs }: Sited): ReadonlyMap<string, Spot> {
  const spots: { first: Device; devices: Device[] }[] = []
  for (const device of devices) {
    const near = spots.find(({ first }) => withinReach(first, device))
    if (near) near.devices.push(device)
    else spots.push({ first: device, devices: [device] })
  }
  const known = new Map<string, Spot>()
  for (const { first, devices: there } of spots) {
    const spot = spotOf(first, there)
    for (const { id } of there) known.set(id, spot)
  }
  for (const piece of equipment) if (piece.stands === 'on site') known.set(piece.id, ownSpot(piece))
  for (const run of runs) known.set(run.id, known.get(run.toId) ?? known.get(run.fromId) ?? ownSpot(run))
  return known
}

function withinReach({ sight: a }: Device, { sight: b }: Device): boolean {
  if (!a?.place || !b?.place || a.place.floor !== b.place.floor) return false
  const apartM = Math.hypot(a.place.x - b.place.x, a.place.y - b.place.y, a.heightM - b.heightM)
  return apartM <= ROUND_LIMITS.armsReachM.value
}

function spotOf({ id, name, sight }: Device, there: readonly Device[]): Spot {
  const heights = there.flatMap((device) => (device.sight ? [device.sight.heightM] : []))
  return {
    id,
    marks: there.map(({ mark }) => mark),
    name,
    heightM: heights.length > 0 ? Math.max(...heights) : null,
    at: sight?.place ? { floor: sight.place.floor, x: sight.place.x, y: sight.place.y } : null,
  }
}

const ownSpot = ({ id, mark, name }: Equipment | Run): Spot => ({
  id,
  marks: [mark],
  name,
  heightM: null,
  at: null,
})
