import { bearingDeg, distanceM, type PlanPoint } from '@/core/geometry'
import type { Sight } from '@/core/job'
import { print, type UnitSystem } from '@/core/units'
import type { Snapped, SnappedTo } from './snap'

/** What is told at the hand while it draws, measures or aims. */

const SNAPPED: Record<SnappedTo, string> = {
  'end': 'on an end',
  'edge': 'on an edge',
  'right angle': 'square to the side before',
  'grid': 'on the grid',
  'nothing': '',
}

/** How long and which way from the corner before, and what drew the hand to its spot. */
export function hoverWords(
  hover: Snapped | null,
  from: PlanPoint | null,
  units: UnitSystem,
): readonly string[] {
  if (!hover) return []
  return [from ? sideWords(from, hover.at, units) : '', SNAPPED[hover.to]].filter(Boolean)
}

/** What comes of an aim: density at the target, how far and which way it lies, lens and tilt. */
export function sightWords(
  from: PlanPoint,
  target: PlanPoint,
  { focalMm, tiltDeg }: Pick<Sight, 'focalMm' | 'tiltDeg'>,
  densityPxM: number | null,
  units: UnitSystem,
): readonly string[] {
  const density = densityPxM === null ? 'not seen' : print({ value: densityPxM, kind: 'density' }, units)
  const lens = print({ value: focalMm, kind: 'focal' }, units)
  const tilt = print({ value: tiltDeg, kind: 'angle' }, units)
  return [`${density} at the target`, sideWords(from, target, units), `lens ${lens}, tilt ${tilt}`]
}

const sideWords = (from: PlanPoint, to: PlanPoint, units: UnitSystem): string => {
  const length = print({ value: distanceM(from, to), kind: 'length' }, units)
  return `${length} · ${print({ value: bearingDeg(from, to), kind: 'angle' }, units)}`
}
