/** A canvas of a size, and what draws on it. */
export function canvasOf(width: number, height: number) {
  const canvas = document.createElement('canvas')
  canvas.width = Math.max(1, Math.round(width))
  canvas.height = Math.max(1, Math.round(height))
  return { canvas, on: canvas.getContext('2d')! }
}

/** A canvas as JPEG, which carries nothing that a camera wrote. */
export const jpegOf = (canvas: HTMLCanvasElement, quality: number): Promise<Blob> =>
  new Promise((resolve, reject) =>
    canvas.toBlob(
      (blob) => (blob ? resolve(blob) : reject(new Error('The picture could not be made.'))),
      'image/jpeg',
      quality,
    ),
  )
