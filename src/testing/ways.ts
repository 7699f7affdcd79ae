import fc from 'fast-check'
import { CATALOGUE } from '@/catalogue'
import { UNKNOWN_HEIGHTS, type PlanThing, type SpaceId } from '@/core/job'
import { networkOf, WayFinder, type CableWay } from '@/core/pathway'
import { device } from './jobs'
import { pathway, xy } from './plans'

/** Ways over pathways, for tests. */

export const EVERYTHING = { stands: ['sunlight', 'wet', 'buried', 'riser', 'air handling'] } as const
export const spot = (x: number, y: number, heightM = 2.5, floor: 'ground' | 'upper' = 'ground') => ({
  floor,
  at: xy(x, y),
  heightM,
})
export const over = (things: readonly PlanThing[], floorHeightsM = UNKNOWN_HEIGHTS) =>
  new WayFinder(networkOf({ things, floorHeightsM }))
export const wayFrom = (
  finder: WayFinder,
  from = spot(0, 1),
  cable: Parameters<WayFinder['find']>[1] = EVERYTHING,
) => {
  const found = finder.find(from, cable)
  return 'way' in found ? found.way : null
}

/** Cat 6 from every spot to the head end, marked from 1 on. */
export const cablesFrom = (
  finder: WayFinder,
  spots: readonly ReturnType<typeof spot>[],
): readonly CableWay[] =>
  spots.map((from, i) => ({
    ...{ id: `d${i}`, mark: String(i + 1), of: device(), cable: CATALOGUE.cables.get('cat6')! },
    ...{ from, to: null, turned: false, forced: null, ready: null, found: finder.find(from, EVERYTHING) },
  }))

const SPACE_IDS: readonly SpaceId[] = ['loft', 'joist bay', 'trunking indoors']
/** Pathways from crossing to crossing of a grid of 4 m, that meet in its crossings alone. */
export const yard = fc
  .array(
    fc.record({
      from: fc.record({ x: fc.integer({ min: 0, max: 4 }), y: fc.integer({ min: 0, max: 4 }) }),
      along: fc.array(
        fc.constantFrom(
          ...([
            [1, 0],
            [0, 1],
            [-1, 0],
            [0, -1],
          ] as const),
        ),
        {
          minLength: 1,
          maxLength: 5,
        },
      ),
      space: fc.constantFrom(...SPACE_IDS),
      minutesPerM: fc.integer({ min: 1, max: 9 }),
      heightM: fc.constantFrom(2, 2.5, 3),
      fall: fc.constantFrom(-0.5, 0, 0, 0.5),
    }),
    { minLength: 1, maxLength: 14 },
  )
  .map((lanes) =>
    lanes.map(({ from, along, fall, heightM, ...rest }, i) => {
      let at = from
      const path = [at, ...along.map(([dx, dy]) => (at = { x: at.x + dx, y: at.y + dy }))]
      const drawn = path.map(({ x, y }) => [4 * x, 4 * y] as const)
      return pathway(drawn, { id: `p${i}`, heightM, endM: heightM + fall, ...rest })
    }),
  )
export const crossings = fc.record({ x: fc.integer({ min: 0, max: 4 }), y: fc.integer({ min: 0, max: 4 }) })
