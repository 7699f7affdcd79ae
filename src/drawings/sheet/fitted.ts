import { boundsOf, type Bounds } from '@/core/geometry'
import type { Floor, Job } from '@/core/job'
import { pointsOf } from '@/core/plan'
import type { UnitSystem } from '@/core/units'
import { placeOn, type ViewBox } from '../plan'
import { UNIT_MM } from './marks'
import { SCALES } from './papers'
import type { Frame } from './strokes'

/** Why there is no sheet: at what scale it would fit; null where none does. */
export interface TooLarge {
  readonly fits: number | null
}

/** Clear round the drawing within its window. */
const ROOM = 5 / UNIT_MM

/** What has to be on the sheet: everything drawn and every device, at least ten metres across. */
export function extentOf(job: Job, floor: Floor): Bounds {
  const places = job.devices.flatMap((device) => placeOn(device, floor) ?? [])
  const things = job.things.filter((thing) => thing.floor === floor)
  const bounds = boundsOf([...things.flatMap(pointsOf), ...places]) ?? {
    left: 0,
    right: 0,
    bottom: 0,
    top: 0,
  }
  const grown = Math.max(0, 10 - (bounds.right - bounds.left)) / 2
  return { ...bounds, left: bounds.left - grown, right: bounds.right + grown }
}

const unitsPerMetre = (scale: number) => 1000 / scale / UNIT_MM

/** The scale that was wished for, or the largest that fits. */
export function scaleOn(
  { left, right, bottom, top }: Bounds,
  window: Frame,
  units: UnitSystem,
  wished: number | null,
): number | TooLarge {
  const fits = (scale: number) =>
    (right - left) * unitsPerMetre(scale) <= window.right - window.left - 2 * ROOM &&
    (top - bottom) * unitsPerMetre(scale) <= window.bottom - window.top - 2 * ROOM
  const largest = SCALES[units].map(([times]) => times).find(fits) ?? null
  if (wished !== null && fits(wished)) return wished
  return wished === null && largest !== null ? largest : { fits: largest }
}

export function viewOn({ left, right, bottom, top }: Bounds, window: Frame, scale: number): ViewBox {
  const perMetre = unitsPerMetre(scale)
  return {
    perMetre,
    x0: (window.left + window.right) / 2 - ((left + right) / 2) * perMetre,
    y0: (window.top + window.bottom) / 2 + ((bottom + top) / 2) * perMetre,
  }
}
