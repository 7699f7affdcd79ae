import 'server-only'
import { createCanvas } from '@napi-rs/canvas'
import { join } from 'node:path'
import sharp from 'sharp'
import { storePhoto, type Content } from '../photos/store'
import { drawDxf } from './dxf'

/**
 * Runs in a process that can be ended. Turns what a customer sends as a site drawing into one kept picture:
 * PNG, JPEG, WebP, SVG, a page of a PDF, or DXF.
 */

export const MOST_DRAWING_BYTES = 40 * 1024 * 1024
const MOST_PIXELS = 500_000_000
/** Longest side that is kept: finer than any plan is looked at, small enough for a phone. */
const LONGEST_PX = 6000
/** Strokes and fills a page of a PDF may have. */
const MOST_OPERATORS = 500_000
const PDF_LONGEST_PX = 4000

export type DrawnBackground =
  | {
      readonly ok: true
      readonly content: Content
      readonly widthPx: number
      readonly heightPx: number
      readonly metresPerPx: number | null
      readonly pages: number
    }
  | { readonly ok: false; readonly status: 413 | 415 | 422; readonly message: string }

const refuse = (status: 413 | 415 | 422, message: string): DrawnBackground => ({ ok: false, status, message })

type Drawn =
  | {
      readonly ok: true
      readonly picture: Buffer
      readonly metresPerPx: number | null
      readonly pages: number
    }
  | { readonly ok: false; readonly status?: 413; readonly message: string }

/** A drawing as a picture, by what its first words say it is. */
async function drawnOf(head: string, bytes: Buffer, page: number): Promise<Drawn> {
  if (head.startsWith('%PDF')) return drawPdf(bytes, page)
  if (looksLikeDxf(head)) return fromDxf(bytes)
  return { ok: true, picture: bytes, metresPerPx: null, pages: 1 }
}

/**
 * Keeps a drawing as a picture. `page` counts from 1 and matters to a PDF only. Says in words why it
 * refuses one.
 */
export async function drawBackground(folder: string, bytes: Buffer, page: number): Promise<DrawnBackground> {
  if (bytes.length === 0) return refuse(422, 'The file is empty.')
  if (bytes.length > MOST_DRAWING_BYTES)
    return refuse(413, `The file is larger than ${MOST_DRAWING_BYTES / 1024 / 1024} MB.`)
  const head = bytes.subarray(0, 2048).toString('latin1')
  const drawn = await drawnOf(head, bytes, page)
  if (!drawn.ok) return refuse(drawn.status ?? 422, drawn.message)
  try {
    const image = sharp(drawn.picture, { limitInputPixels: MOST_PIXELS })
    const { format, autoOrient } = await image.metadata()
    if (!['png', 'jpeg', 'webp', 'svg'].includes(format))
      return refuse(415, 'This is not a picture (PNG, JPEG, SVG), a PDF or a DXF drawing.')
    const shrink = Math.min(1, LONGEST_PX / Math.max(autoOrient.width, autoOrient.height))
    const { data, info } = await image
      .autoOrient()
      .resize({ width: Math.max(1, Math.round(autoOrient.width * shrink)) })
      .flatten({ background: '#ffffff' })
      .png({ palette: true, quality: 90 })
      .toBuffer({ resolveWithObject: true })
    const kept = await storePhoto(folder, null, data)
    if (!kept.ok) return kept
    return {
      ok: true,
      content: kept.content,
      widthPx: info.width,
      heightPx: info.height,
      metresPerPx: drawn.metresPerPx === null ? null : drawn.metresPerPx / shrink,
      pages: drawn.pages,
    }
  } catch (error) {
    if (error instanceof Error && /pixel limit/i.test(error.message))
      return refuse(413, `The picture has more than ${MOST_PIXELS / 1e6} million pixels: save it smaller.`)
    if (error instanceof Error && /exceeded more than/i.test(error.message))
      return refuse(413, 'This SVG repeats its parts more than 500 000 times: save it with fewer.')
    return refuse(
      415,
      'This file cannot be read as a drawing: it may be broken, or not a picture (PNG, JPEG, ' +
        'SVG), a PDF or a DXF drawing.',
    )
  }
}

const looksLikeDxf = (head: string) =>
  /^\s*(999[\s\S]*?\n)?\s*0\s*\r?\n\s*SECTION/.test(head) || head.startsWith('AutoCAD Binary DXF')

function fromDxf(bytes: Buffer): Drawn {
  const drawn = drawDxf(bytes.toString('utf8'))
  return drawn.ok
    ? { ok: true, picture: Buffer.from(drawn.svg), metresPerPx: drawn.metresPerPx, pages: 1 }
    : drawn
}

async function drawPdf(bytes: Buffer, page: number): Promise<Drawn> {
  const { getDocument } = await import('pdfjs-dist/legacy/build/pdf.mjs')
  const task = getDocument({
    data: new Uint8Array(bytes),
    standardFontDataUrl: join(
      /* turbopackIgnore: true */ process.cwd(),
      'node_modules/pdfjs-dist/standard_fonts/',
    ),
    verbosity: 0,
    isEvalSupported: false,
  })
  try {
    const pdf = await task.promise
    if (page < 1 || page > pdf.numPages)
      return {
        ok: false,
        message: `This PDF has ${pdf.numPages} page${pdf.numPages === 1 ? '' : 's'}; there is no page ${page}.`,
      }
    const sheet = await pdf.getPage(page)
    const { fnArray } = await sheet.getOperatorList()
    if (fnArray.length > MOST_OPERATORS)
      return {
        ok: false,
        status: 413,
        message: `This page has more than ${MOST_OPERATORS} strokes and fills: save only the layers that are needed.`,
      }
    const plain = sheet.getViewport({ scale: 1 })
    const viewport = sheet.getViewport({ scale: PDF_LONGEST_PX / Math.max(plain.width, plain.height) })
    const canvas = createCanvas(Math.ceil(viewport.width), Math.ceil(viewport.height))
    await sheet.render({
      canvas: canvas as unknown as HTMLCanvasElement,
      canvasContext: canvas.getContext('2d') as unknown as CanvasRenderingContext2D,
      viewport,
      background: '#ffffff',
    }).promise
    return { ok: true, picture: canvas.toBuffer('image/png'), metresPerPx: null, pages: pdf.numPages }
  } catch (error) {
    const locked = error instanceof Error && error.name === 'PasswordException'
    return {
      ok: false,
      message: locked
        ? 'This PDF is locked with a password: save it without one.'
        : 'This PDF cannot be read: it is broken or cut short.',
    }
  } finally {
    await task.destroy()
  }
}
