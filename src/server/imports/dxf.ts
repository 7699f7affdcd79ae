import 'server-only'
import DxfParser, { type IDxf, type IEntity } from 'dxf-parser'

/** Turns the lines of a DXF drawing into an SVG picture, and says how long one of its pixels is. */

/** Metres in one drawing unit by the header's $INSUNITS; a unit that is not here is not known. */
const METRES: Readonly<Record<number, number>> = {
  1: 0.0254,
  2: 0.3048,
  3: 1609.344,
  4: 0.001,
  5: 0.01,
  6: 1,
  7: 1000,
  8: 2.54e-8,
  10: 0.9144,
  14: 0.1,
}

const LONGEST_PX = 4000
const MOST_LINES = 200_000
/** Points that all lines may have together, and entities that blocks within blocks may come to. */
const MOST_POINTS = 2_000_000
const MOST_ENTITIES = 1_000_000
const TURN = 2 * Math.PI
const DEEPEST = 8

type Spot = readonly [x: number, y: number]
type Place = (at: { readonly x: number; readonly y: number }) => Spot

export type DrawnDxf =
  | { readonly ok: true; readonly svg: string; readonly metresPerPx: number | null }
  | { readonly ok: false; readonly message: string }

export function drawDxf(words: string): DrawnDxf {
  let dxf: IDxf | null
  try {
    dxf = new DxfParser().parseSync(words)
  } catch {
    dxf = null
  }
  if (!dxf?.entities)
    return {
      ok: false,
      message: 'This DXF file cannot be read: it is broken or cut short. Save it again as ASCII DXF.',
    }
  const lines: (readonly Spot[])[] = []
  const budget = { entities: MOST_ENTITIES, points: MOST_POINTS }
  collect(dxf, dxf.entities, ({ x, y }) => [x, y], lines, 0, budget)
  if (budget.entities < 0)
    return {
      ok: false,
      message:
        `This DXF file comes to more than ${MOST_ENTITIES} things once its blocks are laid out: ` +
        'save only the layers that are needed.',
    }
  if (budget.points < 0)
    return {
      ok: false,
      message: `This DXF file has more than ${MOST_POINTS} points: save only the layers that are needed.`,
    }
  if (lines.length === 0)
    return {
      ok: false,
      message:
        'This DXF file has no lines to draw: only lines, polylines, arcs, circles, ellipses and ' +
        'blocks of these are taken over.',
    }
  if (lines.length > MOST_LINES)
    return {
      ok: false,
      message: `This DXF file has more than ${MOST_LINES} lines: save only the layers that are needed.`,
    }
  let [left, right, bottom, top] = [Infinity, -Infinity, Infinity, -Infinity]
  for (const [x, y] of lines.flat()) {
    left = Math.min(left, x)
    right = Math.max(right, x)
    bottom = Math.min(bottom, y)
    top = Math.max(top, y)
  }
  const longest = Math.max(right - left, top - bottom)
  if (!Number.isFinite(longest) || longest <= 0)
    return { ok: false, message: 'This DXF file has lines without length only.' }
  const scale = LONGEST_PX / longest
  const [width, height] = [
    Math.max(1, Math.ceil((right - left) * scale)) + 8,
    Math.max(1, Math.ceil((top - bottom) * scale)) + 8,
  ]
  const at = ([x, y]: Spot) => `${((x - left) * scale + 4).toFixed(1)},${((top - y) * scale + 4).toFixed(1)}`
  const svg =
    `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}" viewBox="0 ` +
    `0 ${width} ${height}"><rect width="100%" height="100%" fill="#fff"/><g fill="none" ` +
    'stroke="#30363c" ' +
    `stroke-width="2.5">${lines.map((line) => `<polyline points="${line.map(at).join(' ')}"/>`).join('')}</g></svg>`
  const unit = METRES[Number(dxf.header?.$INSUNITS ?? 0)]
  return { ok: true, svg, metresPerPx: unit === undefined ? null : unit / scale }
}

interface Drawn extends IEntity {
  readonly vertices?: readonly { x: number; y: number; bulge?: number }[]
  readonly shape?: boolean
  readonly center?: { x: number; y: number }
  readonly radius?: number
  readonly startAngle?: number
  readonly endAngle?: number
  readonly majorAxisEndPoint?: { x: number; y: number }
  readonly axisRatio?: number
  readonly name?: string
  readonly position?: { x: number; y: number }
  readonly xScale?: number
  readonly yScale?: number
  readonly rotation?: number
}

function collect(
  dxf: IDxf,
  entities: readonly Drawn[],
  place: Place,
  lines: (readonly Spot[])[],
  depth: number,
  budget: { entities: number; points: number },
): void {
  for (const entity of entities) {
    if (lines.length > MOST_LINES || budget.points < 0 || --budget.entities < 0) return
    if (entity.type === 'INSERT') {
      const block = entity.name === undefined ? undefined : dxf.blocks?.[entity.name]
      if (!block?.entities || depth >= DEEPEST) continue
      const { position = { x: 0, y: 0 }, xScale = 1, yScale = 1, rotation = 0 } = entity
      const [c, s] = [Math.cos((rotation * Math.PI) / 180), Math.sin((rotation * Math.PI) / 180)]
      collect(
        dxf,
        block.entities,
        ({ x, y }) => {
          const [px, py] = [(x - (block.position?.x ?? 0)) * xScale, (y - (block.position?.y ?? 0)) * yScale]
          return place({ x: position.x + px * c - py * s, y: position.y + px * s + py * c })
        },
        lines,
        depth + 1,
        budget,
      )
      continue
    }
    const points = pointsOf(entity)
    budget.points -= points.length
    if (points.length > 1) lines.push(points.map(place))
  }
}

function pointsOf(entity: Drawn): { x: number; y: number }[] {
  const { type, vertices = [], center, radius = 0 } = entity
  if (type === 'LINE' || type === 'LWPOLYLINE' || type === 'POLYLINE') {
    const closed = entity.shape === true && vertices.length > 2
    return (closed ? [...vertices, vertices[0]!] : vertices).flatMap((v, i, all) =>
      i === 0 ? [v] : bulged(all[i - 1]!, v),
    )
  }
  if ((type === 'CIRCLE' || type === 'ARC') && center) {
    return arc(
      type === 'CIRCLE' ? 0 : (entity.startAngle ?? 0),
      type === 'CIRCLE' ? 2 * Math.PI : (entity.endAngle ?? 2 * Math.PI),
      (turn) => ({ x: center.x + radius * Math.cos(turn), y: center.y + radius * Math.sin(turn) }),
    )
  }
  if (type === 'ELLIPSE' && center && entity.majorAxisEndPoint) {
    const { x: mx, y: my } = entity.majorAxisEndPoint
    const ratio = entity.axisRatio ?? 1
    return arc(entity.startAngle ?? 0, entity.endAngle ?? 2 * Math.PI, (turn) => ({
      x: center.x + mx * Math.cos(turn) - my * ratio * Math.sin(turn),
      y: center.y + my * Math.cos(turn) + mx * ratio * Math.sin(turn),
    }))
  }
  return []
}

function arc(
  from: number,
  to: number,
  at: (turn: number) => { x: number; y: number },
): { x: number; y: number }[] {
  // Angles may be any number of turns off, or no numbers at all; what is drawn is never more than once round.
  if (!Number.isFinite(from) || !Number.isFinite(to)) return []
  const apart = (to - from) % TURN
  const sweep = apart > 1e-9 ? apart : apart + TURN
  const steps = Math.max(4, Math.ceil(sweep / (Math.PI / 24)))
  return Array.from({ length: steps + 1 }, (_, i) => at(from + (sweep * i) / steps))
}

/** A polyline's side that bends: bulge is the tangent of a quarter of its angle. */
function bulged(
  a: { x: number; y: number; bulge?: number },
  b: { x: number; y: number },
): { x: number; y: number }[] {
  const bulge = a.bulge ?? 0
  if (!Number.isFinite(bulge) || Math.abs(bulge) < 1e-6) return [b]
  const [dx, dy] = [b.x - a.x, b.y - a.y]
  const k = (1 - bulge * bulge) / (4 * bulge)
  const centre = { x: (a.x + b.x) / 2 - dy * k, y: (a.y + b.y) / 2 + dx * k }
  const radius = Math.hypot(a.x - centre.x, a.y - centre.y)
  const start = Math.atan2(a.y - centre.y, a.x - centre.x)
  const sweep = 4 * Math.atan(bulge)
  const steps = Math.max(2, Math.ceil(Math.abs(sweep) / (Math.PI / 24)))
  return Array.from({ length: steps }, (_, i) => ({
    x: centre.x + radius * Math.cos(start + (sweep * (i + 1)) / steps),
    y: centre.y + radius * Math.sin(start + (sweep * (i + 1)) / steps),
  }))
}
