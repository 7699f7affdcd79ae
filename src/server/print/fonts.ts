import 'server-only'
import fontkit from '@pdf-lib/fontkit'
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { inflateSync } from 'node:zlib'
import type { PDFDocument, PDFFont } from 'pdf-lib'

/** The fonts that ship with the application, in the two weights that print uses. */
export interface Fonts {
  readonly plain: PDFFont
  readonly bold: PDFFont
}

const unpacked = new Map<number, Uint8Array>()

type Weight = 400 | 600

const packed = (weight: Weight): Buffer =>
  readFileSync(
    join(
      /* turbopackIgnore: true */ process.cwd(),
      `node_modules/@fontsource/barlow/files/barlow-latin-${weight}-normal.woff`,
    ),
  )

function font(weight: Weight): Uint8Array {
  const known = unpacked.get(weight)
  if (known) return known
  const bytes = unpack(packed(weight))
  unpacked.set(weight, bytes)
  return bytes
}

interface Face {
  layout: (words: string) => { readonly glyphs: unknown }
  readonly glyphsForString: (words: string) => unknown
}

/**
 * Fonts whose words are set sign by sign: print places them so anyway, and looking for ligatures takes most
 * of its time.
 */
const plainly = {
  create: (bytes: Uint8Array): unknown => {
    const face = fontkit.create(bytes) as unknown as Face
    face.layout = (words) => ({ glyphs: face.glyphsForString(words) })
    return face
  },
}

interface Measured {
  readonly unitsPerEm: number
  glyphsForString: (words: string) => readonly { readonly advanceWidth: number }[]
}
const measured = new Map<Weight, Measured>()

/** How wide words come out in print, in the units of the size. */
export function widthOf(words: string, size: number, bold: boolean): number {
  const weight = bold ? 600 : 400
  const face = measured.get(weight) ?? fontkit.create(font(weight))
  measured.set(weight, face)
  const advance = face.glyphsForString(inFont(words)).reduce((sum, { advanceWidth }) => sum + advanceWidth, 0)
  return (advance / face.unitsPerEm) * size
}

/** Rules of style that carry the fonts, so that a drawing looks the same wherever it is opened. */
export const fontStyle = (): string =>
  ([400, 600] as const)
    .map(
      (weight) =>
        `@font-face{font-family:Barlow;font-weight:${weight};` +
        `src:url(data:font/woff;base64,${packed(weight).toString('base64')})}`,
    )
    .join('') +
  'text{font-family:Barlow,sans-serif}.halo{paint-order:stroke;stroke:#FFFFFF;stroke-width:3.5px}'

/** Puts the fonts into a document, only the signs that it uses. */
export async function fontsOf(doc: PDFDocument): Promise<Fonts> {
  doc.registerFontkit(plainly as typeof fontkit)
  return {
    plain: await doc.embedFont(font(400), { subset: true }),
    bold: await doc.embedFont(font(600), { subset: true }),
  }
}

/**
 * The TrueType font inside a WOFF file (W3C WOFF 1.0, sections 3 to 5): its tables inflated and laid one
 * after another. The font library can read WOFF itself, by an inflater of its own that takes a second for
 * what the platform's takes no time.
 */
function unpack(woff: Buffer): Uint8Array {
  const count = woff.readUInt16BE(12)
  const tables = Array.from({ length: count }, (_, i) => {
    const at = 44 + 20 * i
    const [offset, packed, length] = [
      woff.readUInt32BE(at + 4),
      woff.readUInt32BE(at + 8),
      woff.readUInt32BE(at + 12),
    ]
    const body = woff.subarray(offset, offset + packed)
    return {
      tag: woff.subarray(at, at + 4),
      sum: woff.readUInt32BE(at + 16),
      body: packed < length ? inflateSync(body) : body,
    }
  })
  const padded = (length: number) => Math.ceil(length / 4) * 4
  const out = Buffer.alloc(12 + 16 * count + tables.reduce((sum, { body }) => sum + padded(body.length), 0))
  const power = 2 ** Math.floor(Math.log2(count))
  woff.copy(out, 0, 4, 8)
  out.writeUInt16BE(count, 4)
  out.writeUInt16BE(power * 16, 6)
  out.writeUInt16BE(Math.log2(power), 8)
  out.writeUInt16BE((count - power) * 16, 10)
  let at = 12 + 16 * count
  for (const [i, { tag, sum, body }] of tables.entries()) {
    const entry = 12 + 16 * i
    tag.copy(out, entry)
    out.writeUInt32BE(sum, entry + 4)
    out.writeUInt32BE(at, entry + 8)
    out.writeUInt32BE(body.length, entry + 12)
    body.copy(out, at)
    at += padded(body.length)
  }
  return out
}

/** The shipped Latin font has no ohm sign, and no sign takes a line break. */
export const inFont = (words: string): string => words.replaceAll('Ω', 'ohm').replace(/\s+/g, ' ')
