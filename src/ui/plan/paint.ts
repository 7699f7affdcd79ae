import type { Grid } from '@/core/sight'
import type { Band } from '@/drawings/plan'

/** Paints the cells of a grid, one pixel each, upper row first: transparent below the first band. */
export function paint(
  grid: Grid,
  values: ArrayLike<number>,
  bands: readonly Band[],
  alpha: number,
): HTMLCanvasElement {
  const canvas = document.createElement('canvas')
  canvas.width = grid.columns
  canvas.height = grid.rows
  const context = canvas.getContext('2d')!
  const image = context.createImageData(grid.columns, grid.rows)
  const pixels = new Uint32Array(image.data.buffer)
  const colours = bands.map(({ colour }) => packed(colour, alpha))
  const froms = bands.map(({ from }) => from)
  for (let row = 0; row < grid.rows; row++) {
    const up = (grid.rows - 1 - row) * grid.columns
    for (let column = 0; column < grid.columns; column++) {
      const value = values[row * grid.columns + column]!
      if (value < froms[0]!) continue
      let band = 0
      while (band + 1 < froms.length && value >= froms[band + 1]!) band++
      pixels[up + column] = colours[band]!
    }
  }
  context.putImageData(image, 0, 0)
  return canvas
}

/** A colour as the bytes of a pixel lie in memory (little-endian, as on every machine browsers run on). */
function packed(colour: string, alpha: number): number {
  const [r, g, b] = [1, 3, 5].map((at) => Number.parseInt(colour.slice(at, at + 2), 16)) as [
    number,
    number,
    number,
  ]
  return ((Math.round(alpha * 255) << 24) | (b << 16) | (g << 8) | r) >>> 0
}
