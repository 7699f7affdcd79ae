import { inSentence } from '@/core/units'
import type { MountTemplate } from '@/core/mount'
import { SHEETS } from './sheet/papers'

const upright = ({ name, width, height }: { name: string; width: number; height: number }) => ({
  name,
  width: height,
  height: width,
})

/** Sheets a template prints on, upright, millimetres. */
export const PAPERS = { a4: upright(SHEETS.a4), letter: upright(SHEETS.letter) } as const
export type Paper = keyof typeof PAPERS

/** A stroke or word of the template, in millimetres on the sheet. */
export type TemplateMark =
  | {
      readonly kind: 'line'
      readonly x1: number
      readonly y1: number
      readonly x2: number
      readonly y2: number
      readonly wide: number
      readonly dash?: boolean
    }
  | {
      readonly kind: 'circle'
      readonly x: number
      readonly y: number
      readonly r: number
      readonly wide: number
      readonly dash?: boolean
      readonly hole?: 'fixing' | 'cable'
    }
  | {
      readonly kind: 'words'
      readonly x: number
      readonly y: number
      readonly words: string
      readonly sizeMm: number
      readonly anchor: 'start' | 'middle' | 'end'
    }

/**
 * The template laid out 1:1 on a sheet: base, hole centres, cable hole, level line, up arrow, a scale to
 * check the print, and a line to sign. `about` names job, place and day.
 */
export function templateMarks(t: MountTemplate, paper: Paper, about = ''): TemplateMark[] {
  const { width, height } = PAPERS[paper]
  const [cx, cy] = [width / 2, height / 2 - 4]
  const cross = (x: number, y: number, size: number): TemplateMark[] => [
    { kind: 'line', x1: x - size, y1: y, x2: x + size, y2: y, wide: 0.2 },
    { kind: 'line', x1: x, y1: y - size, x2: x, y2: y + size, wide: 0.2 },
  ]
  const words = (
    x: number,
    y: number,
    said: string,
    sizeMm = 3.4,
    anchor: 'start' | 'middle' | 'end' = 'start',
  ): TemplateMark => ({ kind: 'words', x, y, words: said, sizeMm, anchor })
  /** A hole's size, on the side towards the middle: never over the edge of the base. */
  const bitBeside = (middle: number, x: number, y: number, bit: string) =>
    x > middle ? words(x - 4, y + 5, bit, 3, 'end') : words(x + 4, y + 5, bit, 3)
  const scaleY = height - 24
  return [
    words(12, 16, `${t.mark} ${t.name}: ${t.part} on ${inSentence(t.surface)}`, 4.6),
    words(
      12,
      22,
      'Print at 100 %, no fitting to the page. Measure the scale below before you drill; the ' +
        'maker’s own template decides.',
    ),
    words(12, 27, 'Check for hidden cables and pipes behind the surface; wear eye protection.'),
    ...outline(t, cx, cy),
    { kind: 'line', x1: 12, y1: cy, x2: width - 12, y2: cy, wide: 0.2, dash: true },
    words(width - 12, cy - 1.5, 'level', 3, 'end'),
    {
      kind: 'line',
      x1: cx,
      y1: cy - Math.max(24, t.cableHoleMm / 2 + 20),
      x2: cx,
      y2: cy - t.cableHoleMm / 2 - 5,
      wide: 0.5,
    },
    {
      kind: 'line',
      x1: cx,
      y1: cy - Math.max(24, t.cableHoleMm / 2 + 20),
      x2: cx - 2.5,
      y2: cy - Math.max(24, t.cableHoleMm / 2 + 20) + 5,
      wide: 0.5,
    },
    {
      kind: 'line',
      x1: cx,
      y1: cy - Math.max(24, t.cableHoleMm / 2 + 20),
      x2: cx + 2.5,
      y2: cy - Math.max(24, t.cableHoleMm / 2 + 20) + 5,
      wide: 0.5,
    },
    words(cx + 4, cy - Math.max(24, t.cableHoleMm / 2 + 20) + 4, 'up', 3.4),
    { kind: 'circle', x: cx, y: cy, r: t.cableHoleMm / 2, wide: 0.4, hole: 'cable' },
    ...cross(cx, cy, 4),
    words(cx + t.cableHoleMm / 2 + 2, cy + 6, `cable hole, ${t.cableBit}`),
    ...t.fixings.flatMap(({ x, y }): TemplateMark[] => [
      { kind: 'circle', x: cx + x, y: cy + y, r: Math.max(0.5, t.fixingMm / 2), wide: 0.3, hole: 'fixing' },
      ...cross(cx + x, cy + y, 5),
      ...(t.fixingBit ? [bitBeside(cx, cx + x, cy + y, t.fixingBit)] : []),
    ]),
    { kind: 'line', x1: 12, y1: scaleY, x2: 112, y2: scaleY, wide: 0.4 },
    ...Array.from(
      { length: 11 },
      (_, i): TemplateMark => ({
        kind: 'line',
        x1: 12 + i * 10,
        y1: scaleY - (i % 5 === 0 ? 4 : 2.5),
        x2: 12 + i * 10,
        y2: scaleY,
        wide: 0.3,
      }),
    ),
    words(114, scaleY, 'must measure 100 mm'),
    ...(about === '' ? [] : [words(12, 32, `${about} · 1 of 1`, 3)]),
    words(12, height - 6, 'Drilled by, date, signature:', 3),
    { kind: 'line', x1: 52, y1: height - 5.5, x2: 150, y2: height - 5.5, wide: 0.25 },
    { kind: 'line', x1: 12, y1: scaleY + 10, x2: 12 + 101.6, y2: scaleY + 10, wide: 0.4 },
    ...Array.from(
      { length: 5 },
      (_, i): TemplateMark => ({
        kind: 'line',
        x1: 12 + i * 25.4,
        y1: scaleY + 6.5,
        x2: 12 + i * 25.4,
        y2: scaleY + 10,
        wide: 0.3,
      }),
    ),
    words(116, scaleY + 10, 'must measure 4 in'),
  ]
}

function outline({ outline: form, baseMm }: MountTemplate, cx: number, cy: number): TemplateMark[] {
  const half = baseMm / 2
  if (form === 'round') return [{ kind: 'circle', x: cx, y: cy, r: half, wide: 0.35, dash: true }]
  const corners = [
    [-half, -half],
    [half, -half],
    [half, half],
    [-half, half],
  ] as const
  return corners.map(([x, y], i): TemplateMark => {
    const [toX, toY] = corners[(i + 1) % 4]!
    return { kind: 'line', x1: cx + x, y1: cy + y, x2: cx + toX, y2: cy + toY, wide: 0.35, dash: true }
  })
}

/** The template as an SVG file in millimetres. */
export function templateSvg(t: MountTemplate, paper: Paper, about = ''): string {
  const { width, height } = PAPERS[paper]
  const safe = (said: string) => said.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;')
  const drawn = templateMarks(t, paper, about).map((mark) => {
    if (mark.kind === 'words')
      return (
        `<text x="${mark.x}" y="${mark.y}" font-size="${mark.sizeMm}" ` +
        `text-anchor="${mark.anchor}" font-family="sans-serif">${safe(mark.words)}</text>`
      )
    const pen = `stroke="#1C2126" stroke-width="${mark.wide}"${mark.dash ? ' stroke-dasharray="3 1.5"' : ''}`
    if (mark.kind === 'line')
      return `<line x1="${mark.x1}" y1="${mark.y1}" x2="${mark.x2}" y2="${mark.y2}" ${pen}/>`
    return (
      `<circle cx="${mark.x}" cy="${mark.y}" r="${mark.r}" fill="none" ` +
      `${pen}${mark.hole ? ` class="${mark.hole}"` : ''}/>`
    )
  })
  return (
    `<svg xmlns="http://www.w3.org/2000/svg" width="${width}mm" height="${height}mm" ` +
    `viewBox="0 0 ${width} ${height}">\n${drawn.join('\n')}\n</svg>\n`
  )
}
