import type { Bundle } from '@/core/pathway'
import type { Floor } from '@/core/job'
import { beside, RANK, type Naming } from './naming'
import { toScreen, type ViewBox } from './view'

/** One cable, px; a bundle is as much thicker as round cables that are packed together. */
const ONE_PX = 2.2
export const bundleWidth = (count: number): number => ONE_PX * Math.sqrt(count)

/** A piece shorter than this has no room for its number, px. */
const NAMED_FROM_PX = 40

/** How many cables lie in the bundles of a floor. */
export function bundleNamings(bundles: readonly Bundle[], floor: Floor, view: ViewBox): readonly Naming[] {
  return bundles.flatMap(({ floor: on, points, count }, i): Naming[] => {
    const spots = points.map((point) => toScreen(view, point))
    const lengths = spots.slice(1).map(([x, y], j) => Math.hypot(x - spots[j]![0], y - spots[j]![1]))
    const longest = Math.max(...lengths)
    if (on !== floor || count < 2 || longest < NAMED_FROM_PX) return []
    const j = lengths.indexOf(longest)
    const [a, b] = [spots[j]!, spots[j + 1]!]
    return [
      {
        ...beside([(a[0] + b[0]) / 2, (a[1] + b[1]) / 2], 5),
        id: `bundle-${i}`,
        words: `${count} cables`,
        colour: 'ink',
        rank: RANK.things,
      },
    ]
  })
}
