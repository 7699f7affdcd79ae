import { LEVELS, type Edition } from '@/core/job'
import { levelsOf, type Survey } from '@/core/sight'
import { print, type UnitSystem } from '@/core/units'
import { onSpots, RANK, type Naming } from './naming'
import { SHADES, type Shades } from './shades'
import { toScreen, type ViewBox } from './view'

/** What cameras see, in one of these ways. */
export const SEEN = {
  density: 'Density',
  count: 'Seen by',
  blind: 'Blind spots',
  none: 'Nothing',
} as const
export type Seen = keyof typeof SEEN

export interface Band {
  readonly from: number
  readonly label: string
  readonly colour: string
}

/** One band a level of the edition, spread over the whole scale. */
export function densityBands(edition: Edition, shades: Shades): readonly Band[] {
  const levels = levelsOf(edition)
  return levels.map((id, i) => ({
    from: LEVELS[id].densityPxM,
    label: LEVELS[id].name,
    colour: shadeAt(shades, i, levels.length),
  }))
}

/** Seen by one, two, three, four or more. */
export function countBands(shades: Shades): readonly Band[] {
  return [1, 2, 3, 4].map((n, i) => ({
    from: n,
    label: n === 4 ? '4 or more' : String(n),
    colour: shadeAt(shades, i, 4),
  }))
}

const shadeAt = (shades: Shades, i: number, of: number): string =>
  SHADES[shades][Math.round((i * (SHADES[shades].length - 1)) / Math.max(1, of - 1))]!

/** What a band is in a legend; the first figure carries the unit for all of them. */
export function bandWords({ label, from }: Band, i: number, seen: Seen, units: UnitSystem): string {
  if (seen !== 'density') return label
  const words = print({ value: from, kind: 'density' }, units)
  return `${label} ${i === 0 ? words : words.replace(/ .*/, '')}`
}

/** So many blind spots are drawn, the largest; so large on the screen one carries its size, px. */
export const BLIND_SPOTS = 60
const SIZED_PX = 30
/** So long on the screen a contour carries its value, px, and where along it that may stand. */
const VALUED_PX = 240
/** Values keep so far from each other and from words. */
const VALUES_APART_PX = 16
const ALONG = [0.5, 0.35, 0.65, 0.2, 0.8, 0.1, 0.9, 0.42, 0.58]

/** What is written on what cameras see: the values of contours, the most demanding first, or sizes. */
export function surveyNamings(
  survey: Pick<Survey, 'contours' | 'blindSpots'>,
  seen: Seen,
  view: ViewBox,
  units: UnitSystem,
): Naming[] {
  if (seen === 'blind')
    return survey.blindSpots.slice(0, BLIND_SPOTS).flatMap(({ middle, sizeM2 }, i) =>
      Math.sqrt(sizeM2) * view.perMetre > SIZED_PX
        ? [
            {
              id: `blind:${i}`,
              words: print({ value: sizeM2, kind: 'ground' }, units),
              ...onSpots([toScreen(view, middle)]),
              colour: 'ink' as const,
              rank: RANK.blind,
            },
          ]
        : [],
    )
  if (seen !== 'density') return []
  return [...survey.contours].reverse().flatMap(({ level, densityPxM, rings }) =>
    rings.flatMap((ring, i) => {
      const spots = ring.map((point) => toScreen(view, point))
      let long = 0
      for (const [k, [x, y]] of spots.entries()) {
        const [u, v] = spots[(k + 1) % spots.length]!
        long += Math.hypot(u - x, v - y)
      }
      if (long < VALUED_PX) return []
      return [
        {
          id: `contour:${level}:${i}`,
          words: print({ value: densityPxM, kind: 'density' }, units),
          ...onSpots(ALONG.map((share) => spots[Math.floor(spots.length * share)]!)),
          colour: 'ink' as const,
          rank: RANK.contours,
          apart: VALUES_APART_PX,
        },
      ]
    }),
  )
}
