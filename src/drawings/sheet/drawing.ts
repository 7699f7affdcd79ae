import type { Floor, Job } from '@/core/job'
import type { Bundle } from '@/core/pathway'
import { seenPolygons, type Survey } from '@/core/sight'
import { place, type Spot } from '../labels/place'
import {
  BLIND_SPOTS,
  bundleWidth,
  deviceMarks,
  inOrder,
  marksOf,
  OF_CABLES,
  spotsOf,
  standingOn,
  standOf,
  toScreen,
  writtenOn,
  type Seen,
  type ViewBox,
} from '../plan'
import type { SheetMark } from './marks'
import { bandsOf, words, type Frame } from './strokes'
import type { Measure, SheetOf, SheetWish } from './wish'

const LABEL = { size: 12, height: 14 }

/** The drawing within its window: what lies under it, what is seen, what stands there, and its words. */
export function drawn(
  of: SheetOf,
  wish: SheetWish,
  view: ViewBox,
  window: Frame,
  measure: Measure,
): SheetMark {
  const { job, survey } = of
  const { floor, seen } = wish
  const things = job.things.filter(
    (thing) => thing.floor === floor && (wish.cables || !OF_CABLES.has(thing.kind)),
  )
  const stand = standOf(job.devices, floor, view, [])
  const verdicts = new Map(of.devices.map(({ deviceId, stages }) => [deviceId, stages?.sight.mark]))
  const written = writtenOn({
    bundles: of.bundles,
    things,
    devices: job.devices,
    floor,
    units: job.units,
    view,
    layers: { names: true, seen },
    selected: [],
    survey,
    furniture: [],
    stand,
    infraredM: () => 0,
    nearEdge: [],
    dazzled: [],
    trail: [],
  })
  const wanted = written.namings.map((one) => ({
    ...one,
    width: measure(one.words, LABEL.size, true),
    height: LABEL.height,
  }))
  const sheet = {
    minX: window.left + 4,
    minY: window.top + 4,
    maxX: window.right - 4,
    maxY: window.bottom - 4,
  }
  const byId = new Map(written.namings.map((one) => [one.id, one]))
  const labels = place(wanted, written.taken, written.lines, sheet).flatMap(({ id, box: at, leader }) => {
    const { words: said, colour } = byId.get(id)!
    const lead: SheetMark[] = leader
      ? [
          {
            is: 'line',
            spots: [
              [leader[0], leader[1]],
              [leader[2], leader[3]],
            ],
            stroke: colour,
            wide: 0.8,
          },
        ]
      : []
    const base: Spot = [at.minX, at.minY + LABEL.size * 0.95]
    return [...lead, words(base, said, LABEL.size, { bold: true, tint: colour, halo: true })]
  })
  const devices = standingOn(job.devices, floor, view, stand).flatMap((standing) => {
    const mark = verdicts.get(standing.device.id)
    return deviceMarks({
      ...standing,
      view,
      half: of.halfFov(standing.device),
      selected: false,
      aimed: false,
      verdict: mark === 'stop' || mark === 'check' ? mark : 'good',
      faults: 0,
      infraredM: 0,
    })
  })
  return {
    is: 'window',
    at: [window.left, window.top],
    width: window.right - window.left,
    height: window.bottom - window.top,
    marks: [
      ...under(job, floor, view),
      ...(survey ? seenMarks(survey, seen, job, view) : []),
      ...inOrder(things).flatMap((thing) => marksOf(thing, { id: '', view, selected: false })),
      ...cableMarks(of.bundles, floor, view),
      ...devices,
      ...labels,
    ],
  }
}

function under({ backgrounds }: Job, floor: Floor, view: ViewBox): SheetMark[] {
  return backgrounds
    .filter((one) => one.floor === floor)
    .map(({ sha256, at, widthPx, heightPx, metresPerPx, turnDeg }) => {
      const k = metresPerPx * view.perMetre
      const spot = toScreen(view, at)
      return { is: 'picture', sha256, at: spot, width: widthPx * k, height: heightPx * k, turnDeg }
    })
}

/** Cables as light tubes with a thin rim, as the screen has them: all rims first, so that tubes run on. */
function cableMarks(bundles: readonly Bundle[], floor: Floor, view: ViewBox): SheetMark[] {
  const here = bundles.filter((bundle) => bundle.floor === floor)
  return [2, 0].flatMap((rim) =>
    here.map(
      ({ points, count }): SheetMark => ({
        is: 'line',
        spots: spotsOf(view, points),
        stroke: rim > 0 ? 'ink' : 'sheet',
        wide: bundleWidth(count) + rim,
        ends: 'round',
      }),
    ),
  )
}

/** What cameras see, as bands with their edges, or the blind spots. */
function seenMarks(survey: Survey, seen: Seen, job: Job, view: ViewBox): SheetMark[] {
  const edges = (rings: readonly (readonly Spot[])[], wide: number): SheetMark[] =>
    rings.map((spots) => ({ is: 'line', spots, closed: true, stroke: 'ink', wide }))
  if (seen === 'none') return []
  if (seen === 'blind')
    return survey.blindSpots.slice(0, BLIND_SPOTS).flatMap(({ rings }): SheetMark[] => {
      const spots = rings.map((ring) => spotsOf(view, ring))
      return [{ is: 'hatch', rings: spots, stroke: 'ink', step: 7 }, ...edges(spots, 1.2)]
    })
  return bandsOf(seen, job).flatMap(({ from, colour }): SheetMark[] => {
    const polygons = seenPolygons(survey, seen, from).map((rings) => rings.map((ring) => spotsOf(view, ring)))
    return [
      ...polygons.map((rings): SheetMark => ({ is: 'band', rings, colour })),
      ...polygons.flatMap((rings) => edges(rings, 0.6)),
    ]
  })
}
