import { distanceM, type PlanPoint } from '@/core/geometry'
import type { Device, Floor, Job } from '@/core/job'
import type { Bundle } from '@/core/pathway'
import { cornersOf, type PlanThing } from '@/core/plan'
import type { Survey } from '@/core/sight'
import { boxOf, fanOut } from '../labels/fanOut'
import type { Box, Segment, Spot } from '../labels/place'
import type { UnitSystem } from '@/core/units'
import { bundleNamings } from './bundles'
import { deviceNamings } from './deviceNamings'
import { lengthsOf } from './lengths'
import { beside, RANK, type Naming } from './naming'
import { MARK_PX, MARKS_APART_PX, placeOn } from './placed'
import { surveyNamings, type Seen } from './seen'
import { namingOf } from './things'
import { toScreen, type ViewBox } from './view'

/** Everything that is written on the plan, and what it must keep off. */
export interface Written {
  readonly namings: readonly Naming[]
  readonly taken: readonly Box[]
  readonly lines: readonly Segment[]
}

export interface Shown {
  readonly things: readonly PlanThing[]
  readonly devices: Job['devices']
  readonly floor: Floor
  readonly units: UnitSystem
  readonly view: ViewBox
  readonly layers: { readonly names: boolean; readonly seen: Seen }
  readonly selected: readonly { readonly id: string }[]
  readonly survey: Pick<Survey, 'contours' | 'blindSpots'> | null
  /** Where scale and north stand. */
  readonly furniture: readonly Box[]
  /** Where marks stand. */
  readonly stand: ReadonlyMap<string, Spot>
  /** Cables beside each other. */
  readonly bundles: readonly Bundle[]
  readonly infraredM: (device: Device) => number
  readonly nearEdge: readonly PlanPoint[]
  /** Devices that have the sun in their picture. */
  readonly dazzled: readonly string[]
  /** Corners of what is being drawn or measured, the hand's spot last. */
  readonly trail: readonly PlanPoint[]
}

/** Farther off than this names would only hide the plan, pixels a metre. */
const NAMED_FROM = 2

/** Where the marks of a floor's devices stand, those that are selected first. */
export function standOf(
  devices: readonly Device[],
  floor: Floor,
  view: ViewBox,
  selected: readonly { readonly id: string }[],
): ReadonlyMap<string, Spot> {
  const first = new Set(selected.map(({ id }) => id))
  const marks = devices.flatMap((device) => {
    const place = placeOn(device, floor)
    return place ? [{ id: device.id, at: toScreen(view, place) }] : []
  })
  return fanOut(
    [...marks.filter(({ id }) => first.has(id)), ...marks.filter(({ id }) => !first.has(id))],
    MARKS_APART_PX,
  )
}

/** Names, lengths, figures and values of what is shown. */
export function writtenOn(shown: Shown): Written {
  const { things, devices, floor, units, view, layers, selected, survey, stand, trail } = shown
  const picked = new Set(selected.map(({ id }) => id))
  const named = layers.names && view.perMetre >= NAMED_FROM
  const names = things.flatMap((thing) => {
    const own = picked.has(thing.id)
    return named || own ? (namingOf(thing, view, units, own) ?? []) : []
  })
  const alone = selected.length === 1 ? things.find(({ id }) => picked.has(id)) : undefined
  const corners = alone ? cornersOf(alone) : null
  const atDevices = devices.flatMap((device) => {
    const place = placeOn(device, floor)
    const own = picked.has(device.id)
    if (!place || (!layers.names && !own)) return []
    const { infraredM, nearEdge } = shown
    return deviceNamings(device, place, view, units, {
      infraredM: infraredM(device),
      nearEdge,
      selected: own,
    })
  })
  return {
    namings: [
      ...(corners ? lengthsOf(alone!.id, corners.at, corners.closed, view, units) : []),
      ...lengthsOf('trail', trail, false, view, units),
      ...names,
      ...bundleNamings(shown.bundles, floor, view),
      ...shown.dazzled.flatMap((id) => sunAtMark(id, stand)),
      ...atDevices,
      ...(survey && named ? surveyNamings(survey, layers.seen, view, units) : []),
    ],
    taken: [...stand.values()].map((at) => boxOf(at, MARK_PX + 5)).concat(shown.furniture),
    lines: [
      ...things.flatMap((thing) => sidesOf(thing, view)),
      ...(trail.length > 1 ? linesBetween(trail, false, view) : []),
    ],
  }
}

const sunAtMark = (id: string, stand: ReadonlyMap<string, Spot>): Naming[] => {
  const at = stand.get(id)
  return at
    ? [{ id: `${id}:sun`, words: 'sun in it', ...beside(at, 17), colour: 'check', rank: RANK.aim }]
    : []
}

const sidesOf = (thing: PlanThing, view: ViewBox): Segment[] => {
  const { at, closed } = cornersOf(thing)
  return linesBetween(at, closed, view)
}

const linesBetween = (points: readonly PlanPoint[], closed: boolean, view: ViewBox): Segment[] =>
  points.flatMap((a, i): Segment[] => {
    const b = points[(i + 1) % points.length]!
    const ends = i + 1 < points.length || (closed && points.length > 2)
    return ends && distanceM(a, b) > 0 ? [[...toScreen(view, a), ...toScreen(view, b)]] : []
  })
