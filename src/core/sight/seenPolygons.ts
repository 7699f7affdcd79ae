import type { Outline } from '../geometry'
import { type Survey } from './survey'
import { ringsAt } from './rings'

/** A place where a value is at least a threshold: its outer ring first, then its holes. */
export type SeenPolygon = readonly Outline[]

/**
 * Where the best density (px/m), or how many cameras see it, is at least `from`. The edge runs between the
 * middles of cells.
 */
export function seenPolygons(
  { grid, best, count }: Pick<Survey, 'grid' | 'best' | 'count'>,
  of: 'density' | 'count',
  from: number,
): readonly SeenPolygon[] {
  // Between seen by one and seen by two the edge lies in the middle, not at the second one's last cell.
  return of === 'density' ? ringsAt(grid, best, from, true) : ringsAt(grid, count, from - 0.5, true)
}
