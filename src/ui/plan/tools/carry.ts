import { bearingDeg, distanceM, type PlanPoint } from '@/core/geometry'
import type { Change, PlanThing } from '@/core/job'
import { moved, pointsOf, withCorner } from '@/core/plan'
import { planChange } from '../../device/plan'
import { subjectOf } from './place'
import type { Sheet } from './tool'

/** What the hand has taken hold of on the plan, and where it took it. */
export interface Carried {
  readonly on: 'thing' | 'corner' | 'device' | 'aim' | 'wish'
  readonly id: string
  /** Which corner. */
  readonly index: number
  readonly from: PlanPoint
  /** The thing as it was when it was taken. */
  readonly thing: PlanThing | null
}

type Carry = (carried: Carried, at: PlanPoint, sheet: Sheet) => Change | null

const round = (value: number, step: number) => Math.round(value / step) * step

/** How far out the target of a sight may be set by hand, m. */
const TARGET_M = [0.3, 500] as const

/** What carrying each of them to a spot comes to. */
const CARRY: Record<Carried['on'], Carry> = {
  thing: ({ thing, from }, at, { snapped }) => {
    if (!thing) return null
    const first = pointsOf(thing)[0]!
    const wanted = { x: first.x + at.x - from.x, y: first.y + at.y - from.y }
    const to = snapped(wanted, undefined, undefined, thing.id).at
    return { type: 'putThing', thing: moved(thing, to.x - first.x, to.y - first.y) }
  },
  corner: ({ thing, index }, at, { snapped }) =>
    thing && {
      type: 'putThing',
      thing: withCorner(thing, index, snapped(at, undefined, undefined, thing.id).at),
    },
  device: ({ id }, at, sheet) => {
    const subject = subjectOf(sheet, id)
    const place = subject?.sight.place
    if (!subject || !place) return null
    const { snapping } = sheet.editor
    const to = snapping ? (sheet.edgeAt(at)?.at ?? sheet.snapped(at).at) : at
    return planChange('sight', id, { ...subject.sight, place: { ...place, ...to } })
  },
  aim: ({ id }, at, sheet) => {
    const subject = subjectOf(sheet, id)
    const place = subject?.sight.place
    if (!subject || !place) return null
    const targetDistanceM = Math.min(TARGET_M[1], Math.max(TARGET_M[0], round(distanceM(place, at), 0.1)))
    const panDeg = round(bearingDeg(place, at), 0.5)
    return planChange('sight', id, { ...subject.sight, targetDistanceM, place: { ...place, panDeg } })
  },
  wish: ({ id }, at, sheet) => {
    const subject = subjectOf(sheet, id)
    if (!subject?.sight.place) return null
    const { sight } = subject
    return planChange('sight', id, { ...sight, wish: { ...sight.wish, at: sheet.snapped(at).at } })
  },
}

/** The change that carrying something to a spot comes to; null where it has gone meanwhile. */
export const carriedTo: Carry = (carried, at, sheet) => CARRY[carried.on](carried, at, sheet)
