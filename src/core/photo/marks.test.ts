import { describe, expect, it } from 'vitest'
import { dice } from '@/testing/dice'
import { bothMarks, KNOWN_LENGTHS, measuredLength, PHOTO_LIMITS, PhotoMarks, type PhotoMark } from '.'

const AIM = PHOTO_LIMITS.aim
type Ends = { readonly from: { x: number; y: number }; readonly to: { x: number; y: number } }
const known = (ends: Ends, mm: number): PhotoMark => ({ kind: 'known', mm, ...ends })

/** A pinhole camera 400 mm before a wall: where a point on the wall lies in a picture 500 mm wide there. */
const seen = ([x, y]: readonly [number, number]) => {
  const focalPx = 3000
  const [u, v] = [(focalPx * x) / 400 + 1875, (focalPx * y) / 400 + 1400]
  return { x: u / 3750, y: v / 3750 }
}

describe('a length in a photo', () => {
  it('is what stood before the camera, whichever way it lies', () => {
    const card = known({ from: seen([-60, 20]), to: seen([-60 + KNOWN_LENGTHS.card.value, 20]) }, 85.6)
    for (const turn of [0, 0.4, Math.PI / 2, 2.5]) {
      const end = [30 + 43 * Math.cos(turn), -20 + 43 * Math.sin(turn)] as const
      const { mm } = measuredLength({ from: seen([30, -20]), to: seen(end) }, [card])!
      expect(mm).toBeCloseTo(43, 6)
    }
  })

  it('is as uncertain as lengths scatter whose ends are set by an unsteady hand', () => {
    const throwDie = dice(4)
    const normal = () => Math.sqrt(-2 * Math.log(throwDie(1e-9, 1))) * Math.cos(2 * Math.PI * throwDie(0, 1))
    const off = ({ x, y }: { x: number; y: number }) => ({
      x: x + AIM.value * normal(),
      y: y + AIM.value * normal(),
    })
    const shaken = ({ from, to }: Ends): Ends => ({ from: off(from), to: off(to) })
    for (const [scale, long] of [
      [0.2, 0.5],
      [0.4, 0.1],
    ] as const) {
      const [of, length] = [0, 1].map(
        (i): Ends => ({
          from: { x: 0.2, y: 0.3 },
          to: { x: 0.2 + (i === 0 ? scale : 0), y: 0.3 + (i === 0 ? 0 : long) },
        }),
      )
      const said = measuredLength(length!, [known(of!, 100)])!
      const many = Array.from(
        { length: 4000 },
        () => measuredLength(shaken(length!), [known(shaken(of!), 100)])!,
      )
      const mean = many.reduce((sum, { mm }) => sum + mm, 0) / many.length
      const spread = Math.sqrt(many.reduce((sum, { mm }) => sum + (mm - mean) ** 2, 0) / many.length)
      expect(said.uncertainMm / 2 / spread).toBeGreaterThan(0.93)
      expect(said.uncertainMm / 2 / spread).toBeLessThan(1.07)
    }
  })

  it('is none without a known one, or with one that has no length', () => {
    const ends = { from: { x: 0, y: 0 }, to: { x: 0.5, y: 0 } }
    expect(measuredLength(ends, [{ kind: 'arrow', ...ends }])).toBeNull()
    expect(measuredLength(ends, [known({ from: ends.from, to: ends.from }, 10)])).toBeNull()
  })
})

it('a photo has one known length, and marks that lie in it', () => {
  const ends = { from: { x: 0, y: 0 }, to: { x: 0.5, y: 0.2 } }
  const taken = (...marks: unknown[]) => PhotoMarks.safeParse(marks).success
  expect(taken(known(ends, 20))).toBe(true)
  expect(taken(known(ends, 20), known(ends, 30))).toBe(false)
  expect(taken({ kind: 'arrow', ...ends, to: { x: 1.01, y: 0 } })).toBe(false)
  expect(taken({ kind: 'words', at: ends.from, words: ' ' })).toBe(false)
  expect(taken(...Array.from({ length: 61 }, () => ({ kind: 'ring', ...ends })))).toBe(false)
})

it('what two drew on one photo goes together, the newer known length in use', () => {
  const at = (x: number) => ({ from: { x, y: 0 }, to: { x, y: 0.2 } })
  const [a, b, c] = [0.1, 0.2, 0.3].map((x): PhotoMark => ({ kind: 'arrow', ...at(x) })) as [
    PhotoMark,
    PhotoMark,
    PhotoMark,
  ]
  const [mine, theirs] = [known(at(0.4), 20), known(at(0.5), 30)]
  expect(bothMarks([a, b], [a, c])).toEqual([a, b, c])
  expect(bothMarks([b, mine], [theirs, c])).toEqual([b, mine, c])
  expect(bothMarks([b], [theirs])).toEqual([b, theirs])
  expect(bothMarks([mine], [theirs, c])).toEqual([mine, c])
  // One of the two is all of it already.
  for (const [newer, older] of [
    [[a, b], [a]],
    [[a], [a, b]],
    [[a], [a]],
    [[a], []],
    [[], [a]],
    [[mine], [theirs]],
  ] as const)
    expect(bothMarks(newer, older)).toBeNull()
  const rings = (count: number) =>
    Array.from({ length: count }, (_, i): PhotoMark => ({ kind: 'ring', ...at(i / 100) }))
  expect(bothMarks([a], rings(59))).toHaveLength(60)
  expect(bothMarks([a], rings(60))).toBeNull()
})
