import type { DeviceAssessment } from '@/core/assess'
import { boundsOf, type Bounds } from '@/core/geometry'
import { FLOORS, type Device, type Floor, type Job } from '@/core/job'
import { pointsOf } from '@/core/plan'
import { seenPolygons, type Survey } from '@/core/sight'
import { METRES_PER_FOOT, print, printReading, type UnitSystem } from '@/core/units'
import { place, type Spot } from '../labels/place'
import {
  bandWords,
  BLIND_SPOTS,
  countBands,
  densityBands,
  deviceMarks,
  inOrder,
  marksOf,
  placeOn,
  SEEN,
  spotsOf,
  standOf,
  toScreen,
  writtenOn,
  type Seen,
  type Tint,
  type ViewBox,
} from '../plan'
import { UNIT_MM, type PlanSheet, type SheetMark } from './marks'
import { SCALES, scaleWords, SHEETS, type SheetPaper } from './papers'

/** What is asked of a printed plan. */
export interface SheetWish {
  readonly floor: Floor
  readonly seen: Seen
  readonly paper: SheetPaper
  readonly upright: boolean
  /** How many times smaller than the site; null for the largest that fits. */
  readonly scale: number | null
}

export interface SheetOf {
  readonly job: Job
  /** What is seen of the floor; null where nothing of it is to be shown. */
  readonly survey: Survey | null
  readonly devices: readonly DeviceAssessment[]
  readonly cameraName: (device: Device) => string
  /** Half the picture's width, degrees. */
  readonly halfFov: (device: Device) => number
  /** Day that stands on it. */
  readonly today: string
}

/** How wide words come out, in the units of the size. */
export type Measure = (words: string, size: number, bold: boolean) => number

/** Why there is no sheet: at what scale it would fit; null where none does. */
export interface TooLarge {
  readonly fits: number | null
}

const MARGIN = 10 / UNIT_MM
const TITLE = 30 / UNIT_MM
const TABLE = 74 / UNIT_MM
/** Clear round the drawing within its window. */
const ROOM = 5 / UNIT_MM
const ROW = 40
const TABLE_HEAD = 30
/** On an upright sheet the table takes no more of its height than this; the rest of it goes overleaf. */
const MOST_TABLE = 0.4
const LABEL = { size: 12, height: 14 }

interface Frame {
  readonly left: number
  readonly top: number
  readonly right: number
  readonly bottom: number
}

/** The plan of a floor to scale on paper: title block, legend, north, scale bar, its devices in a table. */
export function planSheet(of: SheetOf, wish: SheetWish, measure: Measure): PlanSheet | TooLarge {
  const { width, height } = SHEETS[wish.paper]
  const [widthMm, heightMm] = wish.upright ? [height, width] : [width, height]
  const [wide, tall] = [widthMm / UNIT_MM, heightMm / UNIT_MM]
  const frame: Frame = { left: MARGIN, top: MARGIN, right: wide - MARGIN, bottom: tall - MARGIN }
  const rows = rowsOf(of, wish.floor)
  const { window, columns } = laidOut(frame, wish.upright, rows.length)
  const bounds = extentOf(of.job, wish.floor)
  const scale = scaleOn(bounds, window, of.job.units, wish.scale)
  if (typeof scale !== 'number') return scale
  const view = viewOn(bounds, window, scale)
  const head = { ...frame, top: frame.bottom - TITLE }
  const tables = spread(rows, columns)
  const pages: SheetMark[][] = [
    [
      drawn(of, wish, view, window, measure),
      ...outline(frame),
      ...outline(window, 1),
      line([head.left, head.top], [head.right, head.top]),
      ...tables.first.flatMap((some, i) => table(some, columns[i]!, rows.length, measure)),
      ...title(of, wish, view, scale, head, measure),
    ],
  ]
  const whole = columnsIn({ left: frame.left, top: frame.top, right: frame.right, bottom: frame.bottom })
  for (let rest = tables.rest; rest.length > 0; ) {
    const page = spread(rest, whole)
    pages.push(page.first.flatMap((some, i) => table(some, whole[i]!, rows.length, measure)))
    rest = page.rest
  }
  const what = wish.seen === 'none' ? '' : `, ${SEEN[wish.seen].toLowerCase()}`
  return {
    widthMm,
    heightMm,
    pages,
    scale,
    says: `Plan of ${of.job.name}, ${FLOORS[wish.floor].toLowerCase()}${what}, ${scaleWords(scale, of.job.units)}.`,
  }
}

/** The window of the drawing, with the table beside it on a lying sheet, below it on an upright one. */
function laidOut(frame: Frame, upright: boolean, rows: number): { window: Frame; columns: readonly Frame[] } {
  const head = frame.bottom - TITLE
  if (!upright) {
    const window = { ...frame, right: frame.right - TABLE, bottom: head }
    return { window, columns: [{ ...window, left: window.right, right: frame.right }] }
  }
  const across = Math.floor((frame.right - frame.left) / TABLE)
  const wanted = TABLE_HEAD + Math.ceil(rows / across) * ROW + 6
  const top = head - Math.min(wanted, (frame.bottom - frame.top) * MOST_TABLE)
  return {
    window: { ...frame, bottom: top },
    columns: columnsIn({ ...frame, top, bottom: head }),
  }
}

/** Columns of a table that fill a frame. */
function columnsIn(frame: Frame): Frame[] {
  const across = Math.max(1, Math.floor((frame.right - frame.left) / TABLE))
  const wide = (frame.right - frame.left) / across
  return Array.from({ length: across }, (_, i) => ({
    ...frame,
    left: frame.left + i * wide,
    right: frame.left + (i + 1) * wide,
  }))
}

/** As many rows as each column takes, and what is left. */
function spread(rows: readonly Row[], columns: readonly Frame[]) {
  const takes = columns.map(({ top, bottom }) => Math.max(0, Math.floor((bottom - top - TABLE_HEAD) / ROW)))
  let at = 0
  const first = takes.map((take) => rows.slice(at, (at += take))).filter(({ length }) => length > 0)
  return { first, rest: rows.slice(at) }
}

/** What has to be on the sheet: everything drawn and every device, at least ten metres across. */
function extentOf(job: Job, floor: Floor): Bounds {
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

function scaleOn(
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

function viewOn({ left, right, bottom, top }: Bounds, window: Frame, scale: number): ViewBox {
  const perMetre = unitsPerMetre(scale)
  return {
    perMetre,
    x0: (window.left + window.right) / 2 - ((left + right) / 2) * perMetre,
    y0: (window.top + window.bottom) / 2 + ((bottom + top) / 2) * perMetre,
  }
}

const line = (a: Spot, b: Spot, wide = 1): SheetMark => ({ is: 'line', spots: [a, b], stroke: 'ink', wide })
const outline = ({ left, top, right, bottom }: Frame, wide = 2): SheetMark[] => [
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
const words = (
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
function cutTo(said: string, wide: number, size: number, bold: boolean, measure: Measure): string {
  if (measure(said, size, bold) <= wide) return said
  let kept = said
  while (kept.length > 1 && measure(`${kept}…`, size, bold) > wide) kept = kept.slice(0, -1)
  return `${kept.trimEnd()}…`
}

/** The drawing within its window: what lies under it, what is seen, what stands there, and its words. */
function drawn(of: SheetOf, wish: SheetWish, view: ViewBox, window: Frame, measure: Measure): SheetMark {
  const { job, survey } = of
  const { floor, seen } = wish
  const things = job.things.filter((thing) => thing.floor === floor)
  const stand = standOf(job.devices, floor, view, [])
  const verdicts = new Map(of.devices.map(({ deviceId, stages }) => [deviceId, stages?.sight.mark]))
  const written = writtenOn({
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
  const devices = job.devices.flatMap((device) => {
    const placed = placeOn(device, floor)
    const mark = verdicts.get(device.id)
    return placed
      ? deviceMarks({
          device,
          place: placed,
          view,
          stands: stand.get(device.id)!,
          half: of.halfFov(device),
          selected: false,
          aimed: false,
          verdict: mark === 'stop' || mark === 'check' ? mark : 'good',
          faults: 0,
          infraredM: 0,
        })
      : []
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

const bandsOf = (seen: 'density' | 'count', { policies }: Job) =>
  seen === 'density' ? densityBands(policies.edition, 'daylight') : countBands('daylight')

interface Row {
  readonly head: string
  readonly lines: readonly string[]
}

/** What the table says of every device on the floor. */
function rowsOf({ job, devices, cameraName }: SheetOf, floor: Floor): Row[] {
  const assessed = new Map(devices.map((one) => [one.deviceId, one]))
  const { units } = job
  return job.devices.flatMap((device) => {
    const placed = placeOn(device, floor)
    if (!placed) return []
    const { heightM, tiltDeg, focalMm, targetDistanceM } = device.sight!
    const state = assessed.get(device.id)?.stages?.sight
    const reached = state?.planned ? printReading(state.result.headline, units) : ''
    const pan = ((placed.panDeg % 360) + 360) % 360
    const length = (value: number) => print({ value, kind: 'length' }, units)
    const angle = (value: number) => print({ value, kind: 'angle' }, units)
    const tilt = tiltDeg < 0 ? `up ${angle(-tiltDeg)}` : `down ${angle(tiltDeg)}`
    return [
      {
        head: `${device.mark}  ${device.name}`,
        lines: [
          `${cameraName(device)}, lens ${print({ value: focalMm, kind: 'focal' }, units)}, ${length(heightM)} up`,
          `pan ${angle(pan)}, ${tilt}; at ${length(targetDistanceM)}: ${reached}`,
        ],
      },
    ]
  })
}

function table(rows: readonly Row[], frame: Frame, all: number, measure: Measure): SheetMark[] {
  const { left, top, right } = frame
  const [x, wide] = [left + 8, right - left - 16]
  return [
    words([x, top + 18], `Devices on this plan: ${all}`, 13, { bold: true }),
    line([left, top + 26], [right, top + 26]),
    ...rows.flatMap(({ head, lines }, i) => {
      const y = top + 26 + i * ROW
      return [
        words([x, y + 12], cutTo(head, wide, 11, true, measure), 11, { bold: true }),
        ...lines.map((one, n) =>
          words([x, y + 23 + n * 11], cutTo(one, wide, 9.5, false, measure), 9.5, { tint: 'soft' }),
        ),
      ]
    }),
  ]
}

/** Job, what it shows, legend, scale and north. */
function title(
  { job, today, survey }: SheetOf,
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
    line([left + 2 * third, top], [left + 2 * third, bottom]),
    words([left + 2 * third + 10, top + 24], `${scaleWords(scale, units)} on ${SHEETS[paper].name}`, 15, {
      bold: true,
    }),
    words([left + 2 * third + 10, top + 42], 'Print at 100 %. Measure the bar before you scale off.', 10.5, {
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
