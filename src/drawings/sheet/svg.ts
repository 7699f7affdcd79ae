import type { Spot } from '../labels/place'
import { PAPER_INK } from '../paperInk'
import { slantsOver } from '../plan'
import { LETTERS_BELOW, UNIT_MM, type PlanSheet, type SheetMark } from './marks'

/** The pages of a printed plan below each other as one SVG file, in millimetres. */
export function planSheetSvg(
  { widthMm, heightMm, pages, says }: PlanSheet,
  /** Rules of style with the letters in them. */
  style: string,
  /** A picture as a data address; null where it is not here. */
  picture: (sha256: string) => string | null,
): string {
  const [wide, tall] = [widthMm / UNIT_MM, heightMm / UNIT_MM]
  let clips = 0
  const drawn = (mark: SheetMark): string => {
    if (mark.is === 'window') {
      const id = `window${clips++}`
      const [x, y] = mark.at
      return (
        `<clipPath id="${id}"><rect x="${n(x)}" y="${n(y)}" width="${n(mark.width)}" ` +
        `height="${n(mark.height)}"/></clipPath>\n` +
        `<g clip-path="url(#${id})">\n${mark.marks.map(drawn).join('\n')}\n</g>`
      )
    }
    if (mark.is === 'hatch') {
      const id = `hatched${clips++}`
      return (
        `<clipPath id="${id}"><path clip-rule="evenodd" d="${path(mark.rings)}"/></clipPath>` +
        `<path clip-path="url(#${id})" d="${slants(mark)}" fill="none" ` +
        `stroke="${PAPER_INK[mark.stroke]}" stroke-width="0.7"/>`
      )
    }
    return simple(mark, picture)
  }
  const sheets = pages.map(
    (marks, i) => `<g transform="translate(0 ${n(i * tall)})">\n${marks.map(drawn).join('\n')}\n</g>`,
  )
  return (
    `<svg xmlns="http://www.w3.org/2000/svg" width="${widthMm}mm" height="${heightMm * pages.length}mm" ` +
    `viewBox="0 0 ${n(wide)} ${n(tall * pages.length)}" role="img">\n` +
    `<title>${safe(says)}</title>\n<style>${style}</style>\n` +
    `<rect width="100%" height="100%" fill="#FFFFFF"/>\n${sheets.join('\n')}\n</svg>\n`
  )
}

type Simple = Exclude<SheetMark, { readonly is: 'window' } | { readonly is: 'hatch' }>

function simple(mark: Simple, picture: (sha256: string) => string | null): string {
  switch (mark.is) {
    case 'band':
      return `<path d="${path(mark.rings)}" fill="${mark.colour}" fill-rule="evenodd"/>`
    case 'picture': {
      const href = picture(mark.sha256)
      const [x, y] = mark.at
      const turn = mark.turnDeg === 0 ? '' : ` transform="rotate(${n(mark.turnDeg)} ${n(x)} ${n(y)})"`
      return href === null
        ? ''
        : `<image href="${href}" x="${n(x)}" y="${n(y)}" width="${n(mark.width)}" height="${n(mark.height)}" ` +
            `opacity="0.55" preserveAspectRatio="none"${turn}/>`
    }
    case 'letters':
      return text(
        [mark.at[0], mark.at[1] + LETTERS_BELOW * mark.size],
        mark.words,
        `font-size="${mark.size}" font-weight="600" text-anchor="middle" fill="${PAPER_INK[mark.tint]}"`,
      )
    case 'words':
      return text(
        mark.at,
        mark.words,
        `font-size="${mark.size}" font-weight="${mark.bold ? 600 : 400}" text-anchor="${mark.anchor}" ` +
          `fill="${PAPER_INK[mark.tint]}"${mark.halo ? ' class="halo"' : ''}`,
      )
    case 'circle':
      return `<circle cx="${n(mark.at[0])}" cy="${n(mark.at[1])}" r="${n(mark.radius)}" ${look(mark)}/>`
    case 'line': {
      const ends = mark.ends ? ` stroke-linecap="${mark.ends}"` : ''
      return `<path d="${path([mark.spots], mark.closed ?? false)}" ${look(mark)}${ends}/>`
    }
  }
}

const text = ([x, y]: Spot, said: string, how: string) =>
  `<text x="${n(x)}" y="${n(y)}" ${how}>${safe(said)}</text>`

function look({
  stroke,
  wide = 1,
  dash,
  fill,
  opacity,
}: Extract<SheetMark, { readonly is: 'line' | 'circle' }>) {
  return (
    `fill="${fill ? PAPER_INK[fill] : 'none'}"` +
    (stroke ? ` stroke="${PAPER_INK[stroke]}" stroke-width="${wide}"` : '') +
    (dash ? ` stroke-dasharray="${dash.join(' ')}"` : '') +
    (opacity === undefined ? '' : ` opacity="${opacity}"`)
  )
}

const path = (rings: readonly (readonly Spot[])[], closed = true) =>
  rings.map((spots) => `M${spots.map(([x, y]) => `${n(x)} ${n(y)}`).join('L')}${closed ? 'Z' : ''}`).join('')

/** Slanted lines over a box round rings, as a path. */
function slants({ rings, step }: Extract<SheetMark, { readonly is: 'hatch' }>): string {
  return slantsOver(rings, step)
    .map(([[x1, y1], [x2, y2]]) => `M${n(x1)} ${n(y1)}L${n(x2)} ${n(y2)}`)
    .join('')
}

const n = (value: number): string => String(Math.round(value * 100) / 100)

const safe = (said: string) =>
  said
    // XML 1.0 allows no control signs, not even written as entities.
    .replace(/[\u0000-\u0008\u000B\u000C\u000E-\u001F]/g, '')
    .replaceAll('&', '&amp;')
    .replaceAll('<', '&lt;')
    .replaceAll('>', '&gt;')
