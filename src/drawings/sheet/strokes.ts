import type { Job } from '@/core/job'
import type { Spot } from '../labels/place'
import { countBands, densityBands, type Tint } from '../plan'
import type { SheetMark } from './marks'
import type { Measure } from './wish'

/** What the parts of a sheet are drawn with. */

/** A part of a page, in units. */
export interface Frame {
  readonly left: number
  readonly top: number
  readonly right: number
  readonly bottom: number
}

export const line = (a: Spot, b: Spot, wide = 1): SheetMark => ({
  is: 'line',
  spots: [a, b],
  stroke: 'ink',
  wide,
})
export const outline = ({ left, top, right, bottom }: Frame, wide = 2): SheetMark[] => [
  {
    is: 'line',
    spots: [
      [left, top],
      [right, top],
      [right, bottom],
      [left, bottom],
    ],
    closed: true,
    stroke: 'ink',
    wide,
  },
]
export const words = (
  at: Spot,
  said: string,
  size: number,
  look: { bold?: boolean; tint?: Tint; anchor?: 'start' | 'middle' | 'end'; halo?: boolean } = {},
): SheetMark => ({
  is: 'words',
  at,
  words: said,
  size,
  bold: look.bold ?? false,
  tint: look.tint ?? 'ink',
  anchor: look.anchor ?? 'start',
  ...(look.halo ? { halo: true } : {}),
})

/** Words cut to a width, with a sign that something is missing. */
export function cutTo(said: string, wide: number, size: number, bold: boolean, measure: Measure): string {
  if (measure(said, size, bold) <= wide) return said
  let kept = said
  while (kept.length > 1 && measure(`${kept}…`, size, bold) > wide) kept = kept.slice(0, -1)
  return `${kept.trimEnd()}…`
}

/** The bands of what is seen, in the colours of paper. */
export const bandsOf = (seen: 'density' | 'count', { policies }: Job) =>
  seen === 'density' ? densityBands(policies.edition, 'daylight') : countBands('daylight')
