import { FLOORS, type Job } from '@/core/job'
import { METRES_PER_FOOT, print, type UnitSystem } from '@/core/units'
import type { Spot } from '../labels/place'
import { bandWords, bundleWidth, SEEN, type Seen, type ViewBox } from '../plan'
import type { SheetMark } from './marks'
import { scaleWords, SHEETS } from './papers'
import { bandsOf, cutTo, line, words, type Frame } from './strokes'
import type { Measure, SheetOf, SheetWish } from './wish'

/** Job, what it shows, legend, scale and north. */
export function titleBlock(
  { job, today, survey, bundles }: SheetOf,
  { floor, seen, paper }: SheetWish,
  view: ViewBox,
  scale: number,
  { left, top, right, bottom }: Frame,
  measure: Measure,
): SheetMark[] {
  const { units } = job
  const x = left + 10
  const third = (right - left) / 3
  const cut = (said: string, size: number, bold: boolean) => cutTo(said, third - 20, size, bold, measure)
  const plane =
    survey && survey.planeM > 0 ? `, ${print({ value: survey.planeM, kind: 'length' }, units)} up` : ''
  const shows = seen === 'none' ? FLOORS[floor] : `${FLOORS[floor]}: ${SEEN[seen].toLowerCase()}${plane}`
  return [
    words([x, top + 24], cut(job.name, 17, true), 17, { bold: true }),
    words([x, top + 44], cut(shows, 13, false), 13),
    words([x, top + 62], cut(job.address, 10.5, false), 10.5, { tint: 'soft' }),
    words([x, top + 80], cut(`${today} · Neat Bracket`, 10.5, false), 10.5, { tint: 'soft' }),
    words([x, bottom - 12], cut('Planned figures: check on site; local codes decide.', 10.5, false), 10.5, {
      tint: 'soft',
    }),
    line([left + third, top], [left + third, bottom]),
    ...legend(job, seen, [left + third + 10, top], third - 20, measure),
    ...(bundles.some((bundle) => bundle.floor === floor) ? cables([left + third + 10, bottom - 12]) : []),
    line([left + 2 * third, top], [left + 2 * third, bottom]),
    words([left + 2 * third + 10, top + 24], `${scaleWords(scale, units)} on ${SHEETS[paper].name}`, 15, {
      bold: true,
    }),
    words([left + 2 * third + 10, top + 42], 'Print at 100 %; measure the bar first.', 10.5, {
      tint: 'soft',
    }),
    ...scaleBar(view, units, [left + 2 * third + 10, bottom - 28], third - 90),
    ...north(job, [right - 36, (top + bottom) / 2 + 6]),
  ]
}

function legend(job: Job, seen: Seen, [x, top]: Spot, wide: number, measure: Measure): SheetMark[] {
  if (seen === 'none') return []
  if (seen === 'blind')
    return [words([x, top + 24], 'Hatched: ground that no camera sees, with its size.', 11)]
  const half = wide / 2
  return [
    words([x, top + 18], seen === 'density' ? 'Pixel density' : 'Cameras that see it', 12, { bold: true }),
    ...bandsOf(seen, job).flatMap((band, i): SheetMark[] => {
      const at: Spot = [x + (i % 2) * half, top + 28 + Math.floor(i / 2) * 20]
      return [
        {
          is: 'band',
          rings: [[at, [at[0] + 18, at[1]], [at[0] + 18, at[1] + 12], [at[0], at[1] + 12]]],
          colour: band.colour,
        },
        {
          is: 'line',
          spots: [at, [at[0] + 18, at[1]], [at[0] + 18, at[1] + 12], [at[0], at[1] + 12]],
          closed: true,
          stroke: 'ink',
          wide: 0.8,
        },
        words(
          [at[0] + 24, at[1] + 10],
          cutTo(bandWords(band, i, seen, job.units), half - 28, 10.5, false, measure),
          10.5,
        ),
      ]
    }),
  ]
}

/** What a cable on its way is drawn like. */
const cables = ([x, y]: Spot): SheetMark[] => [
  ...[2, 0].map(
    (rim): SheetMark => ({
      is: 'line',
      spots: [
        [x + 2, y - 4],
        [x + 24, y - 4],
      ],
      stroke: rim > 0 ? 'ink' : 'sheet',
      wide: bundleWidth(4) + rim,
      ends: 'round',
    }),
  ),
  words([x + 34, y], 'Cables on their ways, as thick as their bundle', 10.5),
]

/** A bar of five parts, filled in turn, with what its ends and its middle mean. */
function scaleBar(view: ViewBox, units: UnitSystem, [x, y]: Spot, most: number): SheetMark[] {
  const unitM = units === 'metric' ? 1 : METRES_PER_FOOT
  const steps = [0.1, 0.2, 0.5, 1, 2, 5, 10, 20, 50, 100, 200]
  const part = [...steps].reverse().find((n) => 5 * n * unitM * view.perMetre <= most) ?? steps[0]!
  const long = part * unitM * view.perMetre
  const said = (parts: number) => print({ value: parts * part * unitM, kind: 'length' }, units)
  return [
    ...Array.from({ length: 5 }, (_, i): SheetMark => {
      const [from, to] = [x + i * long, x + (i + 1) * long]
      return {
        is: 'line',
        spots: [
          [from, y],
          [to, y],
          [to, y + 6],
          [from, y + 6],
        ],
        closed: true,
        stroke: 'ink',
        wide: 0.8,
        fill: i % 2 === 0 ? 'ink' : 'sheet',
      }
    }),
    words([x, y + 18], '0', 10),
    words([x + 5 * long, y + 18], said(5), 10, { anchor: 'end' }),
  ]
}

/** Which way is north; left out while nobody has said how the plan lies. */
function north({ site }: Job, [x, y]: Spot): SheetMark[] {
  if (!site) return []
  const turn = (-site.upBearingDeg * Math.PI) / 180
  const at = (along: number, aside: number): Spot => [
    x + Math.sin(turn) * along + Math.cos(turn) * aside,
    y - Math.cos(turn) * along + Math.sin(turn) * aside,
  ]
  return [
    { is: 'line', spots: [at(-22, 0), at(22, 0), at(10, -6)], stroke: 'ink', wide: 1.6 },
    { is: 'letters', at: at(32, 0), words: 'N', size: 13, tint: 'ink' },
  ]
}
