import 'server-only'
import { PDFDocument, rgb, type PDFFont, type PDFPage } from 'pdf-lib'
import { create } from 'qrcode'
import { onSheet, spotOn, STOCKS, TAPES, tapeWords, type Label, type StockId } from '@/core/labels'
import { PAPER_INK } from '@/drawings'
import { ink } from './drawing'
import { fontsOf, inFont, type Fonts } from './fonts'

const POINTS_PER_MM = 72 / 25.4
const INK = ink(PAPER_INK.ink)
/** Light modules round a code that a reader needs to find it (ISO/IEC 18004). */
const QUIET = 4
/** Kept free inside a label: sheets are cut and fed a little off, mm. */
const MARGIN_MM = 2.5
const BAND_MM = 2.5
/** The shortest words that are read at arm's length in a cupboard, and the largest, mm. */
const [SMALL_MM, LARGE_MM] = [1.9, 3]

export interface LabelOrder {
  readonly stock: StockId
  /** The first free label of the first sheet, from 1. */
  readonly first: number
  /** What the codes lead to: the job's own address, as phones reach it. */
  readonly home: string
}

/** Labels on sheets of a stock, as PDF. Words that are too long for a label are cut with an ellipsis. */
export async function labelsPdf(
  labels: readonly Label[],
  { stock, first, home }: LabelOrder,
): Promise<Uint8Array> {
  const { paper } = STOCKS[stock]
  const doc = await PDFDocument.create()
  doc.setTitle('Labels')
  doc.setAuthor('Neat Bracket')
  const fonts = await fontsOf(doc)
  const sheets = Math.ceil((first - 1 + labels.length) / onSheet(stock))
  const pages = Array.from({ length: sheets }, () =>
    doc.addPage([paper[0] * POINTS_PER_MM, paper[1] * POINTS_PER_MM]),
  )
  labels.forEach((label, i) => {
    const { sheet, x, y } = spotOn(stock, first - 1 + i)
    drawLabel(onLabel(pages[sheet]!, x, y), STOCKS[stock].label, label, home, fonts)
  })
  return doc.save()
}

/** Draws in millimetres from the upper left corner of a label. */
interface OnLabel {
  readonly words: (words: string, x: number, y: number, sizeMm: number, font: PDFFont) => void
  readonly box: (x: number, y: number, w: number, h: number, colour: string, edged: boolean) => void
  /** A code of modules, its upper left corner and how wide it is. */
  readonly code: (words: string, x: number, y: number, wide: number) => void
}

function onLabel(page: PDFPage, left: number, top: number): OnLabel {
  const down = page.getHeight() / POINTS_PER_MM - top
  const at = (x: number, y: number) => ({ x: (left + x) * POINTS_PER_MM, y: (down - y) * POINTS_PER_MM })
  return {
    words: (words, x, y, sizeMm, font) =>
      page.drawText(words, { ...at(x, y), size: sizeMm * POINTS_PER_MM, font, color: INK }),
    box: (x, y, w, h, colour, edged) =>
      page.drawRectangle({
        ...at(x, y + h),
        width: w * POINTS_PER_MM,
        height: h * POINTS_PER_MM,
        color: ink(colour),
        ...(edged ? { borderColor: INK, borderWidth: 0.4 } : {}),
      }),
    code: (words, x, y, wide) => {
      const { size, data } = create(words, { errorCorrectionLevel: 'M' }).modules
      const modules: string[] = []
      for (let row = 0; row < size; row++)
        for (let column = 0; column < size; column++)
          if (data[row * size + column]) modules.push(`M${column} ${row}h1v1h-1z`)
      const scale = (wide * POINTS_PER_MM) / (size + 2 * QUIET)
      const corner = at(x, y)
      page.drawSvgPath(modules.join(''), {
        x: corner.x + QUIET * scale,
        y: corner.y - QUIET * scale,
        scale,
        color: rgb(0, 0, 0),
        borderWidth: 0,
      })
    },
  }
}

function drawLabel(
  on: OnLabel,
  [width, height]: readonly [number, number],
  { mark, lines, to, tape }: Label,
  home: string,
  { plain, bold }: Fonts,
): void {
  const codeMm = to === null ? 0 : Math.min(height - 1, width * 0.45)
  if (to !== null) on.code(`${home}/${to}`, 0.5, (height - codeMm) / 2, codeMm)
  const left = codeMm + MARGIN_MM
  const room = width - left - MARGIN_MM
  const size = Math.min(LARGE_MM, Math.max(SMALL_MM, height / 11))
  let y = MARGIN_MM + size * 2
  on.words(fitted(mark, size * 2, room, bold), left, y, size * 2, bold)
  for (const line of lines) {
    for (const words of wrapped(line, size, room, plain, 2)) {
      y += size * 1.25
      on.words(words, left, y, size, plain)
    }
  }
  if (tape.length === 0) return
  const bandTop = height - MARGIN_MM - BAND_MM
  const words = tapeWords(tape)
  tape.forEach((one, i) =>
    on.box(left + i * (BAND_MM + 0.6), bandTop, BAND_MM, BAND_MM, TAPES[one].colour, true),
  )
  const beside = left + tape.length * (BAND_MM + 0.6) + 0.6
  on.words(fitted(words, SMALL_MM, width - beside - 1, plain), beside, bandTop + 2, SMALL_MM, plain)
}

/** Words cut to a width, mm. */
function fitted(words: string, sizeMm: number, roomMm: number, font: PDFFont): string {
  const fits = (said: string) => font.widthOfTextAtSize(said, sizeMm) <= roomMm
  const said = inFont(words)
  if (fits(said)) return said
  let cut = said.length
  while (cut > 1 && !fits(`${said.slice(0, cut)}…`)) cut--
  return `${said.slice(0, cut).trimEnd()}…`
}

/** Words in at most so many lines of a width, mm; the last one cut where they are longer. */
function wrapped(words: string, sizeMm: number, roomMm: number, font: PDFFont, most: number): string[] {
  const lines: string[] = []
  for (const word of inFont(words).split(' ')) {
    const longer = lines.length === 0 ? word : `${lines.at(-1)!} ${word}`
    const fits = font.widthOfTextAtSize(longer, sizeMm) <= roomMm
    if (lines.length === 0 || (!fits && lines.length < most)) lines.push(word)
    else lines[lines.length - 1] = longer
  }
  return lines.map((line) => fitted(line, sizeMm, roomMm, font))
}
