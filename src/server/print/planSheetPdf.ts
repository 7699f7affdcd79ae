import 'server-only'
import {
  appendBezierCurve,
  clip,
  clipEvenOdd,
  closePath,
  endPath,
  fill,
  fillAndStroke,
  LineCapStyle,
  lineTo,
  moveTo,
  PDFDocument,
  popGraphicsState,
  pushGraphicsState,
  setDashPattern,
  setFillingColor,
  setLineCap,
  setLineJoin,
  LineJoinStyle,
  setLineWidth,
  setStrokingColor,
  setTextRenderingMode,
  stroke,
  TextRenderingMode,
  degrees,
  type PDFImage,
  type PDFOperator,
  type PDFPage,
} from 'pdf-lib'
import type { Spot } from '@/drawings/labels/place'
import { LETTERS_BELOW, UNIT_MM, type PlanSheet, type SheetMark } from '@/drawings/sheet'
import { PAPER_INK } from '@/drawings'
import { slantsOver } from '@/drawings/plan'
import { ink } from './drawing'
import { fontsOf, inFont, type Fonts } from './fonts'

const POINTS = (UNIT_MM * 72) / 25.4
/** How far a Bézier's handles stand out so that four of them make a circle, in its radius. */
const ROUND = 0.5523

/** A printed plan as PDF to scale. `picture`: what lies under it as JPEG or PNG, null where it is not. */
export async function planSheetPdf(
  { widthMm, heightMm, pages, says }: PlanSheet,
  picture: (sha256: string) => Uint8Array | null,
): Promise<Uint8Array> {
  const doc = await PDFDocument.create()
  doc.setTitle(says)
  doc.setAuthor('Neat Bracket')
  const fonts = await fontsOf(doc)
  const images = await embedded(doc, pages.flat(), picture)
  for (const marks of pages) {
    const page = doc.addPage([(widthMm / 25.4) * 72, (heightMm / 25.4) * 72])
    for (const mark of marks) draw({ page, fonts, images, tall: heightMm / UNIT_MM }, mark)
  }
  return doc.save()
}

interface On {
  readonly page: PDFPage
  readonly fonts: Fonts
  readonly images: ReadonlyMap<string, PDFImage>
  /** Height of the page, units. */
  readonly tall: number
}

async function embedded(
  doc: PDFDocument,
  marks: readonly SheetMark[],
  picture: (sha256: string) => Uint8Array | null,
): Promise<Map<string, PDFImage>> {
  const images = new Map<string, PDFImage>()
  const all = marks.flatMap((mark) => (mark.is === 'window' ? mark.marks : [mark]))
  for (const mark of all) {
    const bytes = mark.is === 'picture' ? picture(mark.sha256) : null
    if (mark.is === 'picture' && bytes)
      images.set(mark.sha256, await (bytes[0] === 0x89 ? doc.embedPng(bytes) : doc.embedJpg(bytes)))
  }
  return images
}

/** Draws with a state of its own, so that nothing of it lasts. */
function within({ page }: On, ...operators: PDFOperator[]): void {
  page.pushOperators(pushGraphicsState(), ...operators, popGraphicsState())
}

function draw(on: On, mark: SheetMark): void {
  const at = ([x, y]: Spot): [number, number] => [x * POINTS, (on.tall - y) * POINTS]
  const rings = (all: readonly (readonly Spot[])[], closed: boolean): PDFOperator[] =>
    all.flatMap((spots) => [
      ...spots.map((spot, i) => (i === 0 ? moveTo(...at(spot)) : lineTo(...at(spot)))),
      ...(closed ? [closePath()] : []),
    ])
  switch (mark.is) {
    case 'window': {
      const [[left, top], { width, height }] = [mark.at, mark]
      const corners: Spot[] = [
        [left, top],
        [left + width, top],
        [left + width, top + height],
        [left, top + height],
      ]
      on.page.pushOperators(pushGraphicsState(), ...rings([corners], true), clip(), endPath())
      for (const one of mark.marks) draw(on, one)
      on.page.pushOperators(popGraphicsState())
      return
    }
    case 'hatch':
      return within(
        on,
        ...rings(mark.rings, true),
        clipEvenOdd(),
        endPath(),
        setStrokingColor(ink(PAPER_INK[mark.stroke])),
        setLineWidth(0.7 * POINTS),
        ...slantsOver(mark.rings, mark.step).flatMap(([from, to]) => [
          moveTo(...at(from)),
          lineTo(...at(to)),
        ]),
        stroke(),
      )
    case 'band':
      // Holes run the other way round than what they are cut from, so that they stay empty.
      return within(on, setFillingColor(ink(mark.colour)), ...rings(mark.rings, true), fill())
    case 'line':
      if (mark.opacity !== undefined) return pale(on, mark)
      return within(on, ...rings([mark.spots], mark.closed ?? false), ...look(mark))
    case 'circle':
      return within(on, ...round(at(mark.at), mark.radius * POINTS), ...look(mark))
    case 'picture': {
      const image = on.images.get(mark.sha256)
      if (!image) return
      const [width, height] = [mark.width * POINTS, mark.height * POINTS]
      const [x, y] = at(mark.at)
      // It turns about its lower left corner here, about its upper left one on the plan.
      const turn = (mark.turnDeg * Math.PI) / 180
      on.page.drawImage(image, {
        x: x - Math.sin(turn) * height,
        y: y - Math.cos(turn) * height,
        width,
        height,
        rotate: degrees(-mark.turnDeg),
        opacity: 0.55,
      })
      return
    }
    case 'letters': {
      const [x, y] = mark.at
      const base: Spot = [x, y + LETTERS_BELOW * mark.size]
      return write(on, { ...mark, is: 'words', at: base, bold: true, anchor: 'middle' })
    }
    case 'words':
      return write(on, mark)
  }
}

type Looked = Extract<SheetMark, { readonly is: 'line' | 'circle' }>

function look(mark: Looked): PDFOperator[] {
  const { stroke: line, wide = 1, dash, fill: inside } = mark
  const ends = mark.is === 'line' ? mark.ends : undefined
  const set = [
    ...(line ? [setStrokingColor(ink(PAPER_INK[line])), setLineWidth(wide * POINTS)] : []),
    ...(dash
      ? [
          setDashPattern(
            dash.map((length) => length * POINTS),
            0,
          ),
        ]
      : []),
    ...(ends ? [setLineCap(ends === 'round' ? LineCapStyle.Round : LineCapStyle.Projecting)] : []),
    ...(inside ? [setFillingColor(ink(PAPER_INK[inside]))] : []),
  ]
  if (line && inside) return [...set, fillAndStroke()]
  if (line) return [...set, stroke()]
  return inside ? [...set, fill()] : [endPath()]
}

/** What lets through what lies under it. */
function pale(on: On, { spots, fill: inside, opacity }: Extract<SheetMark, { readonly is: 'line' }>): void {
  if (!inside) return
  // The path's own y runs down from the page's upper left corner.
  const points = spots.map(([x, y]) => `${(x * POINTS).toFixed(2)} ${(y * POINTS).toFixed(2)}`)
  on.page.drawSvgPath(`M${points.join('L')}Z`, {
    x: 0,
    y: on.tall * POINTS,
    color: ink(PAPER_INK[inside]),
    ...(opacity === undefined ? {} : { opacity }),
  })
}

function round([x, y]: readonly [number, number], r: number): PDFOperator[] {
  const k = r * ROUND
  return [
    moveTo(x + r, y),
    appendBezierCurve(x + r, y + k, x + k, y + r, x, y + r),
    appendBezierCurve(x - k, y + r, x - r, y + k, x - r, y),
    appendBezierCurve(x - r, y - k, x - k, y - r, x, y - r),
    appendBezierCurve(x + k, y - r, x + r, y - k, x + r, y),
    closePath(),
  ]
}

type Written = Omit<Extract<SheetMark, { readonly is: 'words' }>, 'is'> & { readonly is: 'words' }

function write({ page, fonts, tall }: On, { at, words, size, bold, tint, anchor, halo }: Written): void {
  const font = bold ? fonts.bold : fonts.plain
  const said = inFont(words)
  const points = size * POINTS
  const back = { start: 0, middle: 0.5, end: 1 }[anchor] * font.widthOfTextAtSize(said, points)
  const put = { x: at[0] * POINTS - back, y: (tall - at[1]) * POINTS, size: points, font }
  if (halo) {
    page.pushOperators(
      pushGraphicsState(),
      setTextRenderingMode(TextRenderingMode.Outline),
      setLineJoin(LineJoinStyle.Round),
      setLineWidth(3.5 * POINTS),
      setStrokingColor(ink(PAPER_INK.sheet)),
    )
    page.drawText(said, put)
    page.pushOperators(popGraphicsState())
  }
  page.drawText(said, { ...put, color: ink(PAPER_INK[tint]) })
}
