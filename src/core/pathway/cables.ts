import { cableEndOf } from '../equipment'
import { SPACES } from '../job/spaces'
import type { Device, Equipment, Job, Route, Run } from '../job/job'
import type { PlanThing, ThingOf } from '../plan'
import type { Cable, Catalogue, FedLead } from '../parts'
import { readyLead } from '../route'
import type { Forced, Segment } from '../route/plan'
import type { LedTo, Spot } from './network'
import type { Found, Leg, Way, WayFinder } from './way'

/** Whether a cable is never led with data: mains and earth are not. Common practice; NEC 800.133. */
export const goesApart = ({ kind }: Pick<Cable, 'kind'>): boolean => kind === 'power' || kind === 'earth'

/** Equipment out on site at which a camera's cable ends and that is on no plan, so that no way is known. */
export function endsOnSite(
  device: Device,
  { equipment, things }: Pick<Job, 'equipment' | 'things'>,
  catalogue: Catalogue,
): Equipment | null {
  const end = cableEndOf(device, equipment, catalogue)
  return end?.stands === 'on site' && !placesOf(things).has(end.id) ? end : null
}

type Place = ThingOf<'equipment'>

/** Where equipment stands on the plans, by its id. */
const placesOf = (things: readonly PlanThing[]): ReadonlyMap<string, Place> =>
  new Map(
    things.flatMap((thing) =>
      thing.kind === 'equipment' && thing.equipmentId !== null ? [[thing.equipmentId, thing] as const] : [],
    ),
  )

/** A cable that is led over the pathways: a device's own, or a run. */
export interface Lead {
  /** Of the device or the run. */
  readonly id: string
  readonly mark: string
  /** The very device or run. */
  readonly of: Device | Run
  readonly cable: Cable
  readonly from: Spot
  /** What it ends at: equipment by the id of its thing, a device, or null for the head end. */
  readonly to: LedTo
  /** Where it is told from its far end on: a run that comes from where it is led to. */
  readonly turned: boolean
  readonly forced: Forced | null
  /** How it goes as a ready-made lead; null where it is cut. */
  readonly ready: FedLead | null
}

/** From where a cable must be fed that is a ready-made lead; null where either way will do. */
export function fedAt({ ready, turned }: Pick<Lead, 'ready' | 'turned'>): 'device' | 'goal' | null {
  if (!ready || ready.free) return null
  return (ready.from === 'near end') === turned ? 'goal' : 'device'
}

/** A cable and the way that was found for it. */
export interface CableWay extends Lead {
  readonly found: Found
}

/** What of a job its leads rest on. */
export type Leading = Pick<Job, 'devices' | 'equipment' | 'runs' | 'things'>

/** The cheapest way of every cable that is yet to be pulled and whose ends both have a place on a plan. */
export function cablesOn(job: Leading, catalogue: Catalogue, finder: WayFinder): readonly CableWay[] {
  return cablesToLead(job, catalogue).map((lead) => {
    const { of, from, to, cable, forced } = lead
    return { ...lead, found: finder.findAgain(of, from, { stands: cable.stands, to, forced }) }
  })
}

/** Every cable that is led over the pathways: those of devices first. */
export function cablesToLead(job: Leading, catalogue: Catalogue): readonly Lead[] {
  const places = placesOf(job.things)
  const cableOf = (id: string) => {
    const cable = catalogue.cables.get(id)
    return cable && !goesApart(cable) ? cable : null
  }
  const ofDevices = job.devices.flatMap((device): Lead[] => {
    const from = spotOf(device)
    const cable = cableOf(device.cableId)
    if (!from || !cable || device.state === 'taken away' || device.route?.laid === 'kept') return []
    const end = cableEndOf(device, job.equipment, catalogue)
    const place = end && places.get(end.id)
    if (!place && end?.stands === 'on site') return []
    const { id, mark } = device
    const forced = device.route?.forced ?? null
    const ready = readyLead(device, catalogue)
    return [{ id, mark, of: device, cable, from, to: place?.id ?? null, turned: false, forced, ready }]
  })
  if (job.runs.length === 0) return ofDevices
  const endAt = endsIn(job, places)
  const ofRuns = job.runs.flatMap((run): Lead[] => {
    const cable = cableOf(run.cableId)
    const ends = ledBetween(endAt(run.fromId), endAt(run.toId))
    if (!cable || !ends || run.state !== 'new') return []
    const ready = readyLead(run, catalogue)
    return [{ id: run.id, mark: run.mark, of: run, cable, ...ends, forced: run.forced, ready }]
  })
  return [...ofDevices, ...ofRuns]
}

/** Where a run ends, and what that is called where it is led to; or at the head end. */
type End = { readonly spot: Spot; readonly led: Exclude<LedTo, null> } | 'head end'

/** By its id, where a camera or a piece of equipment is reached; null while nobody knows. */
function endsIn({ devices, equipment }: Leading, places: ReadonlyMap<string, Place>) {
  const ends = new Map<string, End>()
  for (const device of devices) {
    const spot = spotOf(device)
    if (spot) ends.set(device.id, { spot, led: { deviceId: device.id, spot } })
  }
  for (const { id, stands } of equipment) {
    const place = places.get(id)
    if (place) ends.set(id, { spot: place, led: place.id })
    else if (stands === 'head end') ends.set(id, 'head end')
  }
  return (id: string): End | null => ends.get(id) ?? null
}

/**
 * From where to where a run is led; null where an end has no place, and where both are at the head end. It is
 * looked for towards the head end or equipment, which many cables are led to, and so most cheaply.
 */
function ledBetween(from: End | null, to: End | null): Pick<Lead, 'from' | 'to' | 'turned'> | null {
  if (!from || !to) return null
  if (to === 'head end') return from === to ? null : { from: from.spot, to: null, turned: false }
  if (from === 'head end') return { from: to.spot, to: null, turned: true }
  const turned = typeof to.led === 'object' && typeof from.led === 'string'
  return turned ? { from: to.spot, to: from.led, turned } : { from: from.spot, to: to.led, turned }
}

/** Where the cable of a device begins; null while it is not on a plan. */
function spotOf({ sight }: Job['devices'][number]): Spot | null {
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
 * A way as the stretches of a plan, to the millimetre; `turned` where they are told from its far end. Cables
 * that go through the same conduit say so: they fill it together, and keep the size that was chosen for it in
 * `before`.
 */
export const segmentsOf = (way: Way, before: readonly Segment[] = [], turned = false): Segment[] =>
  legsFrom(way, turned).map(({ pathway, lengthM, riseM }, i) => {
    const { space, temperatureC } = pathway
    const conduitName = SPACES[space].sized ? pathway.name || pathway.id : ''
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

const legsFrom = ({ legs }: Way, turned: boolean): readonly Leg[] =>
  turned ? legs.toReversed().map((leg) => ({ ...leg, riseM: 0 - leg.riseM })) : legs

/** Whether a route is planned along the stretches of a way, whatever else is said of them. */
export function isAlong(route: Pick<Route, 'segments'> | null, segments: readonly Segment[]): boolean {
  const stretches = (of: readonly Segment[]) =>
    JSON.stringify(of.map(({ space, lengthM, riseM }) => [space, lengthM, riseM]))
  return route !== null && stretches(route.segments) === stretches(segments)
}

/** Whether a job's plans have a pathway and something that it leads to: else nothing is said of ways. */
export function hasWays({ things }: Pick<Job, 'things'>): boolean {
  const drawn = (...kinds: readonly string[]) => things.some(({ kind }) => kinds.includes(kind))
  return drawn('pathway') && drawn('head end', 'equipment')
}
