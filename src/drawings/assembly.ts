import { inSentence } from '@/core/units'
import type { AssemblyView, ShownPart } from '@/core/assembly'
import { circle, line, polyline, shape, widthOf, words, type Drawing, type Mark, type Spot } from './marks'
import { PROFILES, type Form } from './profiles'

/** Where a part lies in the drawing, for what is pointed at. */
export interface PlacedPart {
  readonly ref: string
  readonly left: number
  readonly top: number
  readonly right: number
  readonly bottom: number
}

export interface AssemblyDrawing extends Drawing {
  readonly places: readonly PlacedPart[]
}

/** How far parts are drawn apart, and how much a piece round the cable takes of that, mm. */
const APART_MM = 46
const PIECE_MM = 30
const WALL_MM = 60
const TUBE_MM = 42
/** A drawing unit on a screen of 96 to the inch, mm: for the scale that is told. */
const UNIT_MM = 25.4 / 96
const ROW = 46
/** On a narrower sheet the words stand below the drawing. */
const NARROW = 520

/** A part with its outlines in mm, x to the right and y downwards from where the stack meets the surface. */
interface Laid {
  readonly part: ShownPart
  readonly forms: readonly Form[]
  /** From where the cable comes to where it leaves, and the run through its inside where it turns. */
  readonly axis: readonly Spot[]
  readonly down: boolean
  /** The middles of the pieces on the cable before it. */
  readonly threaded: readonly Spot[]
}

/**
 * One device drawn apart, to scale: every part as what it is, the run through its openings in true order,
 * pieces round the cable, what closes what. The numbers are those of the steps.
 */
export function assemblyDrawing(view: AssemblyView, width: number): AssemblyDrawing {
  const laid = layOut(view)
  const wall = view.facing === 'wall'
  const halfWall = Math.max(90, ...view.parts.map(({ baseMm }) => baseMm * 0.62))
  const surface: Spot[] = [
    [wall ? -WALL_MM : -halfWall, wall ? -halfWall : -WALL_MM],
    [wall ? 0 : halfWall, wall ? -halfWall : -WALL_MM],
    [wall ? 0 : halfWall, wall ? halfWall : 0],
    [wall ? -WALL_MM : -halfWall, wall ? halfWall : 0],
  ]
  const all = [...surface, ...laid.flatMap(({ forms }) => forms.flatMap(spotsOf))]
  const [minX, maxX] = [Math.min(...all.map(([x]) => x)), Math.max(...all.map(([x]) => x))]
  const [minY, maxY] = [Math.min(...all.map(([, y]) => y)), Math.max(...all.map(([, y]) => y))]
  const across = laid.filter(({ down }) => !down)
  const downward = laid.filter(({ down }) => down)
  const narrow = width < NARROW
  const beside = downward.length > 0 && !narrow ? Math.min(300, width * 0.4) : 30
  const above = narrow ? 20 : across.length * ROW
  const top = across.length > 0 ? 34 + above : 40
  const perMm = Math.min((width - 40 - beside) / (maxX - minX), 430 / (maxY - minY), 1.5)
  const at = ([x, y]: Spot): Spot => [20 + (x - minX) * perMm, top + (y - minY) * perMm]

  const marks: Mark[] = [
    shape(surface.map(at), view.holding === 'wood' ? 'soft' : 'hatch', 'outline'),
    words([20, 16], view.surfaceName, { size: 'small', tone: 'soft' }),
  ]
  const run: Spot[] = [wall ? [-WALL_MM - 14, 0] : [0, -WALL_MM - 14], ...laid.flatMap(({ axis }) => axis)]
  for (const { forms } of laid) for (const form of forms) marks.push(drawn(form, at, perMm))
  marks.push(polyline(run.map(at), 'axis'))
  for (const { threaded, down } of laid)
    for (const middle of threaded) marks.push(...nut(at(middle), perMm, down))
  const places = laid.map(({ part, forms }): PlacedPart => {
    const spots = forms.flatMap(spotsOf).map(at)
    return {
      ref: part.ref,
      left: Math.min(...spots.map(([x]) => x)),
      right: Math.max(...spots.map(([x]) => x)),
      top: Math.min(...spots.map(([, y]) => y)),
      bottom: Math.max(...spots.map(([, y]) => y)),
    }
  })
  const placeOf = (part: ShownPart) => places.find(({ ref }) => ref === part.ref)!
  let bottom = top + (maxY - minY) * perMm
  across.forEach(({ part }, i) => {
    const { left, right, top: upper } = placeOf(part)
    const row = narrow ? upper - 22 : 34 + i * ROW
    marks.push(...callout(part, [(left + right) / 2, upper], row, narrow ? null : width))
  })
  let last = -Infinity
  for (const { part } of downward) {
    const place = placeOf(part)
    last = Math.max((place.top + place.bottom) / 2, last + (narrow ? 26 : ROW))
    const x = narrow ? place.right + 14 : 20 + (maxX - minX) * perMm + 18
    if (!narrow || part.number !== null) marks.push(line([place.right + 3, last], [x, last], 'leader'))
    marks.push(...ring([x + 11, last], part.number))
    if (!narrow) marks.push(...told(part, [x + 28, last - 1], 'start'))
    bottom = Math.max(bottom, last + 26)
  }
  if (narrow)
    for (const part of view.parts) {
      marks.push(...ring([32, bottom + 28], part.number), ...told(part, [50, bottom + 26], 'start'))
      bottom += ROW
    }
  const height = Math.round(bottom + 40)
  const scale = Math.max(1, Math.round(1 / (perMm * UNIT_MM)))
  marks.push(
    words([20, height - 10], `1 : ${scale} · broken line: the run through it · numbers: steps of the log`, {
      size: 'small',
      tone: 'soft',
    }),
  )
  return {
    width,
    height,
    marks,
    places,
    says:
      `${view.sentence} From the ${inSentence(view.surfaceName)} outwards: ` +
      `${view.parts.map(({ name, number }) => `${name}${number === null ? '' : ` (step ${number})`}`).join(', ')}. ` +
      `${view.weakest}`,
  }
}

const spotsOf = (form: Form): readonly Spot[] => {
  if ('spots' in form) return form.spots
  const { at, r } = form
  return [
    [at[0] - r, at[1] - r],
    [at[0] + r, at[1] + r],
  ]
}

function drawn(form: Form, at: (spot: Spot) => Spot, perMm: number): Mark {
  if (!('spots' in form)) return circle(at(form.at), form.r * perMm, form.fill, form.pen)
  return form.open ? polyline(form.spots.map(at), form.pen) : shape(form.spots.map(at), form.fill, form.pen)
}

/** Parts one after the other: away from a wall, or down; after a part that turns, down. */
function layOut(view: AssemblyView): Laid[] {
  let down = view.facing === 'down'
  let [x, y] = [0, 0]
  return view.parts.map((part): Laid => {
    const place = ([u, v]: Spot): Spot => (down ? [x + v, y + u] : [x + u, y + v])
    const gap = APART_MM + Math.max(0, part.pieces.length - 1) * PIECE_MM
    const threaded = part.pieces.map((_, i) => place([APART_MM / 2 + i * PIECE_MM, 0]))
    ;[x, y] = down ? [x, y + gap] : [x + gap, y]
    const from = place([0, 0])
    if (part.turns === 'down' && !down && part.look === 'wall arm') {
      const forms = armOf(part).map((form) => moved(form, place))
      const elbow = part.reachMm
      ;[x, y] = [x + elbow, y + TUBE_MM * 1.5]
      down = true
      return { part, forms, axis: [from, [x, from[1]], [x, y]], down: false, threaded }
    }
    const forms = PROFILES[part.look](part.depthMm, part.baseMm / 2).map((form) => moved(form, place))
    const wasDown = down
    ;[x, y] = down ? [x, y + part.depthMm] : [x + part.depthMm, y]
    if (part.turns === 'down') down = true
    const axis = part === view.parts.at(-1) ? [from] : [from, [x, y] as Spot]
    return { part, forms, axis, down: wasDown, threaded }
  })
}

const moved = (form: Form, place: (spot: Spot) => Spot): Form =>
  'spots' in form ? { ...form, spots: form.spots.map(place) } : { ...form, at: place(form.at) }

/** An arm: a plate on the wall, a tube that reaches out and turns down. */
function armOf({ baseMm, reachMm }: ShownPart): Form[] {
  const [half, tube] = [baseMm / 2, TUBE_MM / 2]
  const bend: Spot[] = [
    [18, -tube * 1.4],
    [reachMm - tube, -tube * 1.1],
    [reachMm + tube * 0.7, -tube * 0.5],
    [reachMm + tube, tube * 0.8],
    [reachMm + tube, TUBE_MM * 1.2],
    [reachMm - tube, TUBE_MM * 1.2],
    [reachMm - tube, tube * 1.2],
    [18, tube * 1.8],
  ]
  return [
    { spots: bend, fill: 'sheet', pen: 'outline' },
    { spots: corners(0, 18, -half, half), fill: 'sheet', pen: 'outline' },
    {
      spots: corners(reachMm - tube * 1.6, reachMm + tube * 1.6, TUBE_MM * 1.2, TUBE_MM * 1.5),
      fill: 'sheet',
      pen: 'outline',
    },
  ]
}
const corners = (x1: number, x2: number, y1: number, y2: number): Spot[] => [
  [x1, y1],
  [x2, y1],
  [x2, y2],
  [x1, y2],
]

/** A piece round the cable: seen from the side, with the flutes one grips. */
function nut([x, y]: Spot, perMm: number, down: boolean): Mark[] {
  const [along, across] = [10 * perMm, 15 * perMm]
  const [w, h] = down ? [across, along] : [along, across]
  const flutes = [-0.35, 0, 0.35].map((share) =>
    down
      ? line([x + w * share * 2, y - h], [x + w * share * 2, y + h], 'thin')
      : line([x - w, y + h * share * 2], [x + w, y + h * share * 2], 'thin'),
  )
  return [shape(corners(x - w, x + w, y - h, y + h), 'sheet', 'object'), ...flutes]
}

/** A part's name, what it closes, and its opening that does not hold or is the weakest of all. */
function told(part: ShownPart, [x, y]: Spot, anchor: 'start' | 'end'): Mark[] {
  const bad = part.openings.find(({ holds }) => !holds)
  const shown = bad ?? part.openings.find(({ weakest }) => weakest)
  const closing = closingOf(part)
  const lines: Mark[] = [words([x, y], part.name, { size: 'small', anchor })]
  if (closing) lines.push(words([x, y + 13], closing, { size: 'small', anchor, tone: 'copper' }))
  if (shown)
    lines.push(
      words([x, y + (closing ? 26 : 13)], openingOf(shown), {
        size: 'small',
        anchor,
        tone: toneOf(shown),
      }),
    )
  return lines
}

const toneOf = ({ holds, old }: ShownPart['openings'][number]): 'stop' | 'soft' | 'good' => {
  if (!holds) return 'stop'
  return old ? 'soft' : 'good'
}

const openingOf = ({ name, rating, holds }: ShownPart['openings'][number]): string =>
  holds ? `weakest: ${name}, ${rating}` : `■ ${name}, ${rating}`

const closingOf = ({ closes }: ShownPart): string =>
  closes.length === 0
    ? ''
    : `closes what step${closes.length === 1 ? '' : 's'} ${closes.map(({ number }) => number).join(', ')} made`

const ring = (at: Spot, number: number | null): Mark[] =>
  number === null
    ? []
    : [
        circle(at, 11, 'sheet', 'object'),
        words([at[0], at[1] + 4], `${number}`, { size: 'small', anchor: 'middle' }),
      ]

/** Above a part that stands out from a wall; its words end there where room is short. */
function callout(part: ShownPart, [x, y]: Spot, row: number, width: number | null): Mark[] {
  const leader = [line([x, row + 10], [x, y - 3], 'leader'), ...ring([x, row], part.number)]
  if (width === null) return part.number === null ? [] : leader
  const wide = Math.max(widthOf(part.name, 'small'), widthOf(closingOf(part), 'small'))
  const isShort = x + 20 + wide > width
  return [...leader, ...told(part, [isShort ? x - 17 : x + 17, row - 1], isShort ? 'end' : 'start')]
}
