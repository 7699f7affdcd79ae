import type { SunOnPlan } from '@/core/sight'
import { print, type UnitSystem } from '@/core/units'

/** Where the sun stands and whose picture it is in. */
export function sunWords(
  sun: SunOnPlan | null,
  marks: ReadonlyMap<string, string>,
  units: UnitSystem,
): string {
  if (!sun) return 'Say under “Where it lies” where on earth the plan is: then the sun is known.'
  if (sun.altitudeDeg <= 0) return 'The sun is down.'
  const angle = (value: number) => print({ value, kind: 'angle' }, units)
  const into = sun.inPictureOf.map((id) => marks.get(id) ?? '').sort()
  const whose = into.length === 0 ? 'in nobody’s picture' : `in the picture of ${into.join(', ')}`
  return `Sun now: ${angle(sun.azimuthDeg)} from north, ${angle(sun.altitudeDeg)} up, ${whose}.`
}
