import { canvasOf, jpegOf } from './canvas'
import type { Area } from './tools'

/** Blocks across a blurred area: nothing of a face is left in so few. */
const BLOCKS = 6

/** The picture with some of its areas coarse for good, as JPEG. */
export async function blurred(picture: Blob, areas: readonly Area[]): Promise<Blob> {
  const pixels = await createImageBitmap(picture)
  const { width, height } = pixels
  const { canvas, on } = canvasOf(width, height)
  on.drawImage(pixels, 0, 0)
  on.imageSmoothingEnabled = false
  for (const { from, to } of areas) {
    const [x, y] = [Math.min(from.x, to.x) * width, Math.min(from.y, to.y) * width]
    const [w, h] = [Math.abs(to.x - from.x) * width, Math.abs(to.y - from.y) * width]
    const coarse = canvasOf(BLOCKS, (BLOCKS * h) / w)
    coarse.on.imageSmoothingQuality = 'high'
    coarse.on.drawImage(pixels, x, y, w, h, 0, 0, coarse.canvas.width, coarse.canvas.height)
    on.drawImage(coarse.canvas, x, y, w, h)
  }
  return jpegOf(canvas, 0.92)
}

/** The picture with its longer edge at most so many pixels; the same where it is, or is unreadable. */
export async function shrunk(picture: Blob, mostPx: number): Promise<Blob> {
  const pixels = await createImageBitmap(picture).catch(() => null)
  const k = pixels ? mostPx / Math.max(pixels.width, pixels.height) : 1
  if (!pixels || k >= 1) return picture
  const { canvas, on } = canvasOf(pixels.width * k, pixels.height * k)
  on.imageSmoothingQuality = 'high'
  on.drawImage(pixels, 0, 0, canvas.width, canvas.height)
  return jpegOf(canvas, 0.85)
}
