import { along, type PlanPoint } from '@/core/geometry'
import type { Device, Place } from '@/core/job'
import { print, type UnitSystem } from '@/core/units'
import { beside, onSpots, RANK, type Naming } from './naming'
import { deadZone } from './placed'
import { toScreen, type ViewBox } from './view'

/** What is written at a device beside its mark. */
export function deviceNamings(
  device: Device,
  place: Place,
  view: ViewBox,
  units: UnitSystem,
  shown: { readonly infraredM: number; readonly nearEdge: readonly PlanPoint[]; readonly selected: boolean },
): Naming[] {
  const { infraredM, nearEdge, selected } = shown
  const soft = { colour: 'soft' as const, rank: RANK.wishes }
  const wish = device.sight!.wish.at
  const nearM = selected ? deadZone(place, nearEdge, view) : null
  const printed = (value: number) => print({ value, kind: 'length' }, units)
  const on = (point: PlanPoint) => onSpots([toScreen(view, point)])
  return [
    ...(wish
      ? [
          {
            id: `${device.id}:wish`,
            words: `wish ${device.mark}`,
            ...beside(toScreen(view, wish), 11),
            ...soft,
          },
        ]
      : []),
    ...(infraredM > 0
      ? [
          {
            id: `${device.id}:infrared`,
            words: `infrared ${printed(infraredM)}`,
            ...on(along(place, place.panDeg, infraredM)),
            ...soft,
          },
        ]
      : []),
    ...(nearM === null
      ? []
      : [
          {
            id: `${device.id}:near`,
            words: `not seen nearer than ${printed(nearM)}`,
            ...beside(toScreen(view, nearEdge.at(-1)!), 4),
            colour: 'ink' as const,
            rank: RANK.aim,
          },
        ]),
  ]
}
