import 'server-only'
import { degrees, LineCapStyle, rgb, type PDFPage, type RGB } from 'pdf-lib'
import {
  OVER_PHOTO,
  PAPER_INK,
  WIRES,
  type Drawing,
  type Fill,
  type Mark,
  type Pen,
  type Spot,
  type Tone,
} from '@/drawings'
import { inFont, type Fonts } from './fonts'

/** A colour as `#RRGGBB`. */
export function ink(hex: string): RGB {
  const part = (at: number) => Number.parseInt(hex.slice(at, at + 2), 16) / 255
  return rgb(part(1), part(3), part(5))
}

/** The marks of a drawing in ink on white paper. */
const PENS: Record<Exclude<Pen, 'none'>, { width: number; stroke: RGB; dash?: number[] }> = {
  outline: { width: 2, stroke: ink(PAPER_INK.ink) },
  object: { width: 1.2, stroke: ink(PAPER_INK.ink) },
  thin: { width: 0.7, stroke: ink(PAPER_INK.soft) },
  dimension: { width: 0.6, stroke: ink(PAPER_INK.soft) },
  axis: { width: 0.9, stroke: ink(PAPER_INK.copper), dash: [10, 3, 2, 3] },
  ray: { width: 1.1, stroke: ink(PAPER_INK.copper) },
  leader: { width: 0.7, stroke: ink(PAPER_INK.ink) },
  halo: { width: 6.5, stroke: ink(OVER_PHOTO.halo) },
  mark: { width: 3, stroke: ink(OVER_PHOTO.mark) },
}
const FILLS: Record<Exclude<Fill, 'none' | keyof typeof WIRES>, string> = {
  ...PAPER_INK,
  soft: PAPER_INK.part, // a soft fill is paler than a soft line
  halo: OVER_PHOTO.halo,
}
const TONES: Record<Tone, RGB> = {
  ink: ink(PAPER_INK.ink),
  soft: ink(PAPER_INK.soft),
  copper: ink(PAPER_INK.copper),
  good: ink(PAPER_INK.good),
  check: ink(PAPER_INK.check),
  stop: ink(PAPER_INK.stop),
  paper: ink(PAPER_INK.sheet),
  mark: ink(OVER_PHOTO.mark),
}
const SIZES = { small: 10.5, label: 12, figure: 15 }

const fillOf = (fill: Fill): RGB | undefined =>
  fill === 'none' ? undefined : ink({ ...FILLS, ...WIRES }[fill])

/** Draws a drawing `width` points wide, its upper left corner at (x, top) of the page. */
export function drawDrawing(
  page: PDFPage,
  fonts: Fonts,
  drawing: Drawing,
  x: number,
  top: number,
  width: number,
): void {
  const k = width / drawing.width
  const at = ([u, v]: Spot): [number, number] => [x + u * k, top - v * k]
  for (const mark of drawing.marks) drawMark(page, fonts, mark, k, at)
}

function drawMark(
  page: PDFPage,
  fonts: Fonts,
  mark: Mark,
  k: number,
  at: (spot: Spot) => [number, number],
): void {
  if (mark.kind === 'words') return drawWords(page, fonts, mark, k, at)
  const pen = mark.pen === 'none' ? null : PENS[mark.pen]
  const border = pen
    ? {
        borderColor: pen.stroke,
        borderWidth: pen.width * k,
        ...(pen.dash ? { borderDashArray: pen.dash.map((n) => n * k) } : {}),
      }
    : {}
  if (mark.kind === 'line') {
    if (!pen) return
    const [[x1, y1], [x2, y2]] = [at(mark.from), at(mark.to)]
    page.drawLine({
      start: { x: x1, y: y1 },
      end: { x: x2, y: y2 },
      thickness: pen.width * k,
      color: pen.stroke,
      lineCap: LineCapStyle.Butt,
      ...(pen.dash ? { dashArray: pen.dash.map((n) => n * k) } : {}),
    })
    return
  }
  const color = fillOf(mark.fill)
  if (mark.kind === 'circle') {
    const [x, y] = at(mark.at)
    page.drawCircle({ x, y, size: mark.r * k, ...(color ? { color } : {}), ...border })
    return
  }
  if (mark.spots.length < 2) return
  // The path's own y runs down from the page's upper left corner.
  const points = mark.spots.map(at).map(([px, py]) => `${px.toFixed(2)} ${(-py).toFixed(2)}`)
  page.drawSvgPath(`M${points.join('L')}${mark.open ? '' : 'Z'}`, {
    x: 0,
    y: 0,
    ...(color && !mark.open ? { color } : {}),
    ...border,
  })
}

function drawWords(
  page: PDFPage,
  fonts: Fonts,
  { at: spot, words, size, tone, anchor, upright }: Extract<Mark, { kind: 'words' }>,
  k: number,
  at: (spot: Spot) => [number, number],
): void {
  const font = size === 'small' ? fonts.plain : fonts.bold
  const said = inFont(words)
  const points = SIZES[size] * k
  const back = { start: 0, middle: 0.5, end: 1 }[anchor] * font.widthOfTextAtSize(said, points)
  const [x, y] = at(spot)
  page.drawText(said, {
    x: upright ? x : x - back,
    y: upright ? y - back : y,
    size: points,
    font,
    color: TONES[tone],
    ...(upright ? { rotate: degrees(90) } : {}),
  })
}
