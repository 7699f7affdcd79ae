import { bearingDeg, distanceM, type PlanPoint } from '@/core/geometry'
import type { Change, Job } from '@/core/job'
import { moved, pointsOf, withCorner } from '@/core/plan'
import { aheadOf, focalFor, tiltFor } from '@/core/sight'
import { planChange } from '../../device/plan'
import { shifted } from '../changes'
import type { Picked } from '../editor'
import { subjectOf } from './place'
import type { Sheet } from './tool'

/** What the hand has taken hold of on the plan, and where it took it. */
export interface Carried {
  readonly on: 'thing' | 'corner' | 'device' | 'aim' | 'lens' | 'far' | 'wish' | 'several'
  readonly id: string
  /** Which corner. */
  readonly index: number
  readonly from: PlanPoint
  /** The job as it was when it was taken, and what was selected. */
  readonly job: Job
  readonly selected: readonly Picked[]
}

type Carry = (carried: Carried, at: PlanPoint, sheet: Sheet) => readonly Change[]

const round = (value: number, step: number) => Math.round(value / step) * step

/** How far out the target of a sight may be set by hand, m. */
const TARGET_M = [0.3, 500] as const

const thingOf = ({ job, id }: Carried) => job.things.find((thing) => thing.id === id)
const placeOf = ({ job, id }: Carried) => job.devices.find((device) => device.id === id)?.sight?.place

/** By how much a point taken along comes to lie on a spot that draws it to itself. */
function shiftTo(first: PlanPoint, from: PlanPoint, at: PlanPoint, { snapped }: Sheet, except: string) {
  const wanted = { x: first.x + at.x - from.x, y: first.y + at.y - from.y }
  const to = snapped(wanted, undefined, undefined, except).at
  return [to.x - first.x, to.y - first.y] as const
}

/** What carrying each of them to a spot comes to. */
const CARRY: Record<Carried['on'], Carry> = {
  thing: (carried, at, sheet) => {
    const thing = thingOf(carried)
    if (!thing) return []
    const by = shiftTo(pointsOf(thing)[0]!, carried.from, at, sheet, thing.id)
    return [{ type: 'putThing', thing: moved(thing, ...by) }]
  },
  several: (carried, at, sheet) => {
    const { job, selected, from } = carried
    const thing = thingOf(carried)
    const first = thing ? pointsOf(thing)[0]! : placeOf(carried)
    return first ? shifted(job, selected, ...shiftTo(first, from, at, sheet, carried.id)) : []
  },
  corner: (carried, at, { snapped }) => {
    const thing = thingOf(carried)
    if (!thing) return []
    const to = snapped(at, undefined, undefined, thing.id).at
    return [{ type: 'putThing', thing: withCorner(thing, carried.index, to) }]
  },
  device: (carried, at, sheet) => {
    const { id, from } = carried
    const subject = subjectOf(sheet, id)
    const [place, was] = [subject?.sight.place, placeOf(carried)]
    if (!subject || !place || !was) return []
    // Its mark may stand beside its spot: it goes as far as the hand does.
    const wanted = { x: was.x + at.x - from.x, y: was.y + at.y - from.y }
    const { snapping } = sheet.editor
    const to = snapping ? (sheet.edgeAt(wanted)?.at ?? sheet.snapped(wanted).at) : wanted
    return [planChange('sight', id, { ...subject.sight, place: { ...place, ...to } })]
  },
  aim: ({ id }, at, sheet) => {
    const subject = subjectOf(sheet, id)
    const place = subject?.sight.place
    if (!subject || !place) return []
    const targetDistanceM = Math.min(TARGET_M[1], Math.max(TARGET_M[0], round(distanceM(place, at), 0.1)))
    const panDeg = round(bearingDeg(place, at), 0.5)
    return [planChange('sight', id, { ...subject.sight, targetDistanceM, place: { ...place, panDeg } })]
  },
  lens: ({ id }, at, sheet) => {
    const subject = subjectOf(sheet, id)
    const camera = subject && sheet.cameraOf(subject.device)
    if (!subject?.sight.place || !camera) return []
    const { sight } = subject
    const off = Math.abs(((bearingDeg(sight.place!, at) - sight.place!.panDeg + 540) % 360) - 180)
    const focalMm = focalFor(camera, sight.portrait, off)
    return focalMm === null ? [] : [planChange('sight', id, { ...sight, focalMm })]
  },
  far: ({ id }, at, sheet) => {
    const subject = subjectOf(sheet, id)
    const camera = subject && sheet.cameraOf(subject.device)
    if (!subject?.sight.place || !camera) return []
    const { sight } = subject
    const { halfDeg } = aheadOf(camera, sight)
    const tiltDeg = tiltFor(distanceM(sight.place!, at), sight.heightM, halfDeg)
    return [planChange('sight', id, { ...sight, tiltDeg })]
  },
  wish: ({ id }, at, sheet) => {
    const subject = subjectOf(sheet, id)
    if (!subject?.sight.place) return []
    const { sight } = subject
    return [planChange('sight', id, { ...sight, wish: { ...sight.wish, at: sheet.snapped(at).at } })]
  },
}

/** The changes that carrying something to a spot comes to; none where it has gone meanwhile. */
export const carriedTo: Carry = (carried, at, sheet) => CARRY[carried.on](carried, at, sheet)
