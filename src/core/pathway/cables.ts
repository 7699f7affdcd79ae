import { cableEndOf } from '../equipment'
import { SPACES } from '../job/choices'
import type { Device, Equipment, Job, Route } from '../job/job'
import type { Cable, Catalogue } from '../parts'
import type { Segment } from '../route/plan'
import type { Spot } from './network'
import type { Found, Way, WayFinder } from './way'

/** Whether a cable is never led with data: mains and earth are not. Common practice; NEC 800.133. */
export const goesApart = ({ kind }: Pick<Cable, 'kind'>): boolean => kind === 'power' || kind === 'earth'

/** Equipment out on site at which a camera's cable ends: its place is on no plan, so no way is known. */
export function endsOnSite(
  device: Device,
  equipment: readonly Equipment[],
  catalogue: Catalogue,
): Equipment | null {
  const end = cableEndOf(device, equipment, catalogue)
  return end?.stands === 'on site' ? end : null
}

/** A device's cable and the way that was found for it. */
export interface CableWay {
  readonly deviceId: string
  readonly mark: string
  readonly found: Found
}

/**
 * The cheapest way of every device's cable that is yet to be pulled, leads to the head end, and whose device
 * stands on a plan.
 */
export function cablesOn(
  { devices, equipment }: Pick<Job, 'devices' | 'equipment'>,
  catalogue: Catalogue,
  finder: WayFinder,
): readonly CableWay[] {
  return cablesToLead({ devices, equipment }, catalogue).map(({ device, spot, cable }) => ({
    deviceId: device.id,
    mark: device.mark,
    found: finder.findAgain(device, spot, cable),
  }))
}

/** Every device whose cable is led to the head end, with where it begins and what it is. */
export function cablesToLead(
  { devices, equipment }: Pick<Job, 'devices' | 'equipment'>,
  catalogue: Catalogue,
): readonly { readonly device: Device; readonly spot: Spot; readonly cable: Cable }[] {
  return devices.flatMap((device) => {
    const spot = spotOf(device)
    const cable = catalogue.cables.get(device.cableId)
    if (!spot || !cable || goesApart(cable)) return []
    if (endsOnSite(device, equipment, catalogue)) return []
    if (device.state === 'taken away' || device.route?.laid === 'kept') return []
    return [{ device, spot, cable }]
  })
}

/** Where the cable of a device begins; null while it is not on a plan. */
export function spotOf({ sight }: Job['devices'][number]): Spot | null {
  if (!sight?.place) return null
  const { floor, x, y } = sight.place
  return { floor, at: { x, y }, heightM: sight.heightM }
}

/** What all ways come to. */
export function totalsOf(cables: readonly CableWay[]): {
  readonly lengthM: number
  readonly minutes: number
  readonly found: number
  readonly without: readonly { readonly mark: string; readonly why: string }[]
} {
  const ways = cables.flatMap(({ found }) => ('way' in found ? [found.way] : []))
  return {
    lengthM: ways.reduce((sum, { lengthM }) => sum + lengthM, 0),
    minutes: ways.reduce((sum, { minutes }) => sum + minutes, 0),
    found: ways.length,
    without: cables.flatMap(({ mark, found }) => ('none' in found ? [{ mark, why: found.none }] : [])),
  }
}

const millimetre = (lengthM: number) => Math.round(lengthM * 1000) / 1000

/**
 * A way as the stretches of a plan, to the millimetre. Cables that go through the same conduit say so: they
 * fill it together, and keep the size that was chosen for it in `before`.
 */
export const segmentsOf = ({ legs }: Way, before: readonly Segment[] = []): Segment[] =>
  legs.map(({ pathway, space, temperatureC, lengthM, riseM }, i) => {
    const conduitName = SPACES[space].tube ? pathway.name || pathway.id : ''
    const sized = conduitName === '' ? undefined : before.find((one) => one.conduitName === conduitName)
    return {
      id: `way-${i + 1}`,
      space,
      lengthM: millimetre(lengthM),
      riseM: millimetre(riseM),
      temperatureC,
      conduitId: pathway.conduitId ?? sized?.conduitId ?? null,
      conduitName,
    }
  })

/** Whether a route is planned along a way: the same stretches, whatever else is said of them. */
export function isAlong(route: Pick<Route, 'segments'> | null, way: Way): boolean {
  const stretches = (segments: readonly Segment[]) =>
    JSON.stringify(segments.map(({ space, lengthM, riseM }) => [space, lengthM, riseM]))
  return route !== null && stretches(route.segments) === stretches(segmentsOf(way))
}

/** Whether a job's plans have a pathway and a head end: else nothing is said of ways. */
export function hasWays({ things }: Pick<Job, 'things'>): boolean {
  const drawn = (kind: string) => things.some((thing) => thing.kind === kind)
  return drawn('pathway') && drawn('head end')
}
