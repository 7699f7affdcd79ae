import type { Area } from './tools'

/** Blocks across a blurred area: nothing of a face is left in so few. */
const BLOCKS = 6
const QUALITY = 0.92

/** The picture with some of its areas coarse for good, as JPEG without anything that the camera wrote. */
export async function blurred(picture: Blob, areas: readonly Area[]): Promise<Blob> {
  const pixels = await createImageBitmap(picture)
  const { width, height } = pixels
  const canvas = document.createElement('canvas')
  Object.assign(canvas, { width, height })
  const to = canvas.getContext('2d')!
  to.drawImage(pixels, 0, 0)
  for (const { from, to: end } of areas) {
    const [x, y] = [Math.min(from.x, end.x) * width, Math.min(from.y, end.y) * width]
    const [w, h] = [Math.abs(end.x - from.x) * width, Math.abs(end.y - from.y) * width]
    const coarse = document.createElement('canvas')
    coarse.width = BLOCKS
    coarse.height = Math.max(1, Math.round((BLOCKS * h) / w))
    const small = coarse.getContext('2d')!
    small.imageSmoothingQuality = 'high'
    small.drawImage(pixels, x, y, w, h, 0, 0, coarse.width, coarse.height)
    to.imageSmoothingEnabled = false
    to.drawImage(coarse, x, y, w, h)
  }
  return jpegOf(canvas)
}

/** A canvas as JPEG. */
export const jpegOf = (canvas: HTMLCanvasElement, quality = QUALITY): Promise<Blob> =>
  new Promise((resolve, reject) =>
    canvas.toBlob(
      (blob) => (blob ? resolve(blob) : reject(new Error('The picture could not be made.'))),
      'image/jpeg',
      quality,
    ),
  )
