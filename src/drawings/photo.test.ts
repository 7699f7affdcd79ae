import { describe, expect, it } from 'vitest'
import type { PhotoMark } from '@/core/photo'
import { lengthWords, photoDrawing } from '.'

const OVER = { width: 300, height: 400, units: 'metric' } as const
const ends = (x1: number, y1: number, x2: number, y2: number) => ({
  from: { x: x1, y: y1 },
  to: { x: x2, y: y2 },
})
const card: PhotoMark = { kind: 'known', mm: 85.6, ...ends(0.1, 1.2, 0.5, 1.2) }
const said = (marks: PhotoMark[], units: 'metric' | 'imperial' = 'metric') =>
  photoDrawing(marks, { ...OVER, units }).marks.flatMap((mark) => (mark.kind === 'words' ? [mark.words] : []))

describe('what is drawn on a photo', () => {
  it('says a length by the known one, and that there is none', () => {
    const length: PhotoMark = { kind: 'length', ...ends(0.2, 0.2, 0.2, 0.4) }
    expect(said([length])).toEqual(['no known length'])
    // Half as long as the card.
    expect(said([card, length])).toEqual(['85.6 mm, known', expect.stringMatching(/^42\.8 mm ± /)])
    expect(said([card, length], 'imperial')[1]).toMatch(/^1 1[01]\/16 ?(in|") ± /)
  })

  it('never says to be surer than it prints', () => {
    expect(lengthWords({ mm: 10, uncertainMm: 0.01 }, 'metric')).toBe('10 mm ± 0.1 mm')
    expect(lengthWords({ mm: 10, uncertainMm: 0.31 }, 'metric')).toBe('10 mm ± 0.4 mm')
  })

  it('keeps its words in the picture, wherever they are put', () => {
    for (const [x, y] of [
      [0, 0],
      [1, 0],
      [0, 4 / 3],
      [1, 4 / 3],
    ] as const) {
      const { marks } = photoDrawing([{ kind: 'words', at: { x, y }, words: 'sealed' }], OVER)
      const spots = marks.flatMap((mark) => (mark.kind === 'shape' ? mark.spots : []))
      expect(spots).toHaveLength(4)
      for (const [u, v] of spots)
        expect([u, v]).toEqual([Math.min(300, Math.max(0, u)), Math.min(400, Math.max(0, v))])
    }
  })

  it('draws every bright line over its dark one', () => {
    const marks: PhotoMark[] = [
      { kind: 'arrow', ...ends(0.1, 0.1, 0.4, 0.5) },
      { kind: 'ring', ...ends(0.5, 0.5, 0.9, 0.8) },
      { kind: 'line', points: [ends(0, 0, 0, 0).from, { x: 0.3, y: 0.1 }] },
      card,
    ]
    const pens = photoDrawing(marks, OVER).marks.flatMap((mark) => ('pen' in mark ? [mark.pen] : []))
    const half = pens.filter((pen) => pen === 'halo').length
    expect(half).toBeGreaterThan(5)
    expect(pens.slice(0, 2 * half)).toEqual(
      pens.map((_, i) => (i < half ? 'halo' : 'mark')).slice(0, 2 * half),
    )
  })
})
