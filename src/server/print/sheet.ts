import 'server-only'
import { PDFDocument, type PDFImage, type PDFPage, type RGB } from 'pdf-lib'
import { PAPER_INK, type Drawing } from '@/drawings'
import { drawDrawing, ink } from './drawing'
import { fontsOf, inFont, type Fonts } from './fonts'

/** A4 in points, and what is left free round it. */
const PAGE = { width: 595.28, height: 841.89, left: 36, right: 36, top: 40, bottom: 52 }
export const INK = ink(PAPER_INK.ink)
export const SOFT = ink(PAPER_INK.soft)
const RULE = ink('#D3D0C6')
const LEADING = 1.35

export interface Cell {
  readonly words: string
  /** Share of the row's width. */
  readonly share: number
  readonly bold?: boolean
  readonly soft?: boolean
  readonly right?: boolean
}

export interface TextStyle {
  readonly size?: number
  readonly bold?: boolean
  readonly color?: RGB
  readonly x?: number
  readonly width?: number
  readonly after?: number
}

/** A picture in the sheet, with what is drawn on it. */
export interface Pictured {
  readonly image: PDFImage
  readonly caption: string
  readonly drawn: Drawing | null
}

/** A printed document that is written from top to bottom; what does not fit goes to the next page, whole. */
export class Sheet {
  private page: PDFPage
  private y: number

  private constructor(
    private readonly doc: PDFDocument,
    private readonly fonts: Fonts,
    private readonly foot: string,
  ) {
    this.page = doc.addPage([PAGE.width, PAGE.height])
    this.y = PAGE.height - PAGE.top
  }

  /** `foot` stands at the bottom of every page, beside its number. */
  static async start(title: string, foot: string): Promise<Sheet> {
    const doc = await PDFDocument.create()
    doc.setTitle(title)
    doc.setAuthor('Neat Bracket')
    return new Sheet(doc, await fontsOf(doc), foot)
  }

  readonly width = PAGE.width - PAGE.left - PAGE.right

  /** Begins a page unless this one is empty. */
  newPage(): void {
    if (this.y >= PAGE.height - PAGE.top) return
    this.page = this.doc.addPage([PAGE.width, PAGE.height])
    this.y = PAGE.height - PAGE.top
  }

  /** Makes sure that so many points are left on the page. */
  room(height: number): void {
    if (this.y - height < PAGE.bottom) this.newPage()
  }

  space(height: number): void {
    this.y -= height
  }

  /** A paragraph; its lines keep their distance whatever their size. */
  text(
    words: string,
    { size = 9.5, bold = false, color = INK, x = 0, width = this.width - x, after = 2 }: TextStyle = {},
  ): void {
    for (const line of this.lines(words, size, bold, width)) {
      this.room(size * LEADING)
      this.write(line, PAGE.left + x, size, bold, color)
      this.y -= size * LEADING
    }
    this.y -= after
  }

  /** A heading with at least `keep` points of what follows on the same page. */
  heading(words: string, size: number, keep = 40): void {
    this.room(size * LEADING + 6 + keep)
    this.y -= size > 12 ? 0 : 6
    this.text(words, { size, bold: true })
    if (size > 12) this.rule(INK, 1.2)
  }

  /**
   * Cells beside each other, each in lines of its own, ruled off below; never split over two pages. Where
   * they begin a page, the cells of `heads` come first.
   */
  row(cells: readonly Cell[], size = 8.5, heads?: readonly Cell[]): void {
    const lines = cells.map(({ words, share, bold }) =>
      this.lines(words, size, bold ?? false, this.width * share - 6),
    )
    const height = Math.max(1, ...lines.map(({ length }) => length)) * size * LEADING + 3
    const { page } = this
    this.room(height)
    if (heads && this.page !== page) this.row(heads, size)
    let x = PAGE.left
    for (const [i, { share, bold, soft, right }] of cells.entries()) {
      const wide = this.width * share
      for (const [n, line] of lines[i]!.entries()) {
        const back = right ? wide - 6 - this.wide(line, size, bold ?? false) : 0
        this.write(line, x + back, size, bold ?? false, soft ? SOFT : INK, this.y - n * size * LEADING)
      }
      x += wide
    }
    this.y -= height
    this.rule(RULE, 0.5)
  }

  /** A heading, and below it a drawing with lines of words beside it: all on one page. */
  drawing(
    title: string,
    drawing: Drawing,
    width: number,
    beside: readonly (readonly [label: string, says: string])[],
  ): void {
    const [x, size] = [width + 14, 8]
    const wide = this.width - x
    const blocks = beside.map(([label, says]) => {
      const value = this.lines(says, size, false, wide * 0.56)
      const valueWide = Math.max(...value.map((line) => this.wide(line, size, false)))
      return { value, label: this.lines(label, size, false, wide - valueWide - 6) }
    })
    const heights = blocks.map(({ value, label }) => Math.max(value.length, label.length) * size * LEADING)
    const tall = (drawing.height * width) / drawing.width
    const listed = heights.reduce((sum, height) => sum + height, 0)
    this.heading(title, 11, Math.max(tall, listed) + 8)
    const top = this.y
    drawDrawing(this.page, this.fonts, drawing, PAGE.left, top, width)
    for (const [i, { value, label }] of blocks.entries()) {
      label.forEach((line, n) =>
        this.write(line, PAGE.left + x, size, false, SOFT, this.y - n * size * LEADING),
      )
      value.forEach((line, n) =>
        this.write(
          line,
          PAGE.left + x + wide - this.wide(line, size, false),
          size,
          false,
          INK,
          this.y - n * size * LEADING,
        ),
      )
      this.y -= heights[i]!
    }
    this.y = Math.min(this.y, top - tall) - 4
  }

  embed(jpeg: Uint8Array): Promise<PDFImage> {
    return this.doc.embedJpg(jpeg)
  }

  /** Pictures in a row of three with their captions. */
  pictures(pictures: readonly Pictured[]): void {
    const [wide, tall, gap] = [168, 126, 9.5]
    for (let i = 0; i < pictures.length; i += 3) {
      this.room(tall + 26)
      const top = this.y
      for (const [n, { image, caption, drawn }] of pictures.slice(i, i + 3).entries()) {
        const x = PAGE.left + n * (wide + gap)
        const k = Math.min(wide / image.width, tall / image.height)
        this.page.drawImage(image, {
          x,
          y: top - image.height * k,
          width: image.width * k,
          height: image.height * k,
        })
        if (drawn) drawDrawing(this.page, this.fonts, drawn, x, top, image.width * k)
        this.lines(caption, 8, false, wide)
          .slice(0, 2)
          .forEach((line, l) => this.write(line, x, 8, false, INK, top - tall - 3 - l * 8 * LEADING))
      }
      this.y = top - tall - 26
    }
  }

  /** Lines to sign on. */
  signatures(roles: readonly string[]): void {
    this.room(70)
    this.space(34)
    const wide = (this.width - 24) / roles.length
    for (const [i, role] of roles.entries()) {
      const x = PAGE.left + i * (wide + 12)
      this.page.drawLine({
        start: { x, y: this.y },
        end: { x: x + wide - 12, y: this.y },
        thickness: 0.8,
        color: INK,
      })
      this.write(`${role}: name, date, signature`, x, 8, false, SOFT, this.y - 2)
    }
    this.space(22)
  }

  /** Numbers the pages and gives the bytes. */
  finish(): Promise<Uint8Array> {
    const pages = this.doc.getPages()
    for (const [i, page] of pages.entries()) {
      const number = `${i + 1} of ${pages.length}`
      const [foot] = this.lines(this.foot, 8, false, this.width - 60)
      page.drawText(foot ?? '', { x: PAGE.left, y: 26, size: 8, font: this.fonts.plain, color: SOFT })
      page.drawText(number, {
        x: PAGE.width - PAGE.right - this.wide(number, 8, false),
        y: 26,
        size: 8,
        font: this.fonts.plain,
        color: SOFT,
      })
    }
    return this.doc.save()
  }

  private rule(color: RGB, thickness: number): void {
    this.page.drawLine({
      start: { x: PAGE.left, y: this.y + 1 },
      end: { x: PAGE.width - PAGE.right, y: this.y + 1 },
      thickness,
      color,
    })
    this.y -= 2
  }

  private write(words: string, x: number, size: number, bold: boolean, color: RGB, y = this.y): void {
    this.page.drawText(words, {
      x,
      y: y - size,
      size,
      font: bold ? this.fonts.bold : this.fonts.plain,
      color,
    })
  }

  private wide(words: string, size: number, bold: boolean): number {
    return (bold ? this.fonts.bold : this.fonts.plain).widthOfTextAtSize(words, size)
  }

  /** Words in lines that fit a width; a word longer than the line is cut. */
  private lines(words: string, size: number, bold: boolean, width: number): string[] {
    const lines: string[] = []
    let line = ''
    for (const word of inFont(words)
      .split(' ')
      .flatMap((one) => this.pieces(one, size, bold, width))) {
      const longer = line === '' ? word : `${line} ${word}`
      if (line !== '' && this.wide(longer, size, bold) > width) {
        lines.push(line)
        line = word
      } else line = longer
    }
    return [...lines, line]
  }

  private pieces(word: string, size: number, bold: boolean, width: number): string[] {
    if (this.wide(word, size, bold) <= width) return [word]
    const most = Math.max(1, Math.floor((word.length * width) / this.wide(word, size, bold)) - 1)
    return Array.from({ length: Math.ceil(word.length / most) }, (_, i) =>
      word.slice(i * most, (i + 1) * most),
    )
  }
}
