import type { Patch, SimulatedPicture } from '@/core/sight'
import { box, polyline, shape, type Drawing, type Fill, type Mark, type Pen, type Spot } from './marks'

const LOOK: Record<Exclude<Patch['kind'], 'mark'>, readonly [Fill, Pen]> = {
  ground: ['soft', 'none'],
  wall: ['sheet', 'thin'],
  soffit: ['hatch', 'thin'],
  obstacle: ['hatch', 'thin'],
  person: ['ink', 'none'],
}

/** The simulated picture in its own proportions, `width` units wide. */
export function pictureDrawing({ widthPx, heightPx, patches }: SimulatedPicture, width: number): Drawing {
  const k = width / widthPx
  const height = heightPx * k
  const at = (spots: Patch['spots']): Spot[] => spots.map(([u, v]) => [u * k, v * k])
  const marks = patches.flatMap(({ kind, spots }): Mark[] => {
    if (kind === 'mark') return [polyline(at(spots), 'thin')]
    const [fill, pen] = LOOK[kind]
    return fill === 'hatch'
      ? [shape(at(spots), 'sheet', 'none'), shape(at(spots), fill, pen)]
      : [shape(at(spots), fill, pen)] // a hatch alone lets through what is behind
  })
  const seen = [
    ...new Set(
      [...patches]
        .reverse()
        .filter(({ kind, name }) => kind !== 'ground' && kind !== 'mark' && kind !== 'person' && name !== '')
        .map(({ name }) => name),
    ),
  ]
  return {
    width,
    height,
    marks: [...marks, box(0.5, 0.5, width - 1, height - 1, 'none', 'object')],
    says: `Simulated picture: ${seen.length === 0 ? 'open ground' : seen.slice(0, 6).join(', ')}.`,
  }
}
