import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { boxOf, fanOut } from './fanOut'
import { meets, passes, place, WAYS, type Box, type Segment, type Spot, type Wanted } from './place'

const sheet: Box = { minX: 0, minY: 0, maxX: 400, maxY: 300 }
const wanted = (id: string, at: Spot, change: Partial<Wanted> = {}): Wanted => ({
  id,
  width: 60,
  height: 14,
  tries: WAYS.map((way) => ({ at, way })),
  clear: 8,
  rank: 1,
  named: at,
  ...change,
})
const placed = (all: readonly Wanted[], taken: readonly Box[] = [], lines: readonly Segment[] = []) =>
  new Map(place(all, taken, lines, sheet).map((one) => [one.id, one]))

describe('a line through a box', () => {
  const box = { minX: 10, minY: 10, maxX: 20, maxY: 20 }
  it.each<[string, Segment, boolean]>([
    ['straight through', [0, 15, 30, 15], true],
    ['corner to corner', [0, 0, 30, 30], true],
    ['past its corner', [0, 12, 12, 0], false],
    ['ends before it', [0, 15, 9.9, 15], false],
    ['ends in it', [0, 15, 10.1, 15], true],
    ['along its edge', [0, 10, 30, 10], false],
    ['wholly inside', [12, 12, 14, 14], true],
  ])('%s', (_, line, through) => expect(passes(line, box)).toBe(through))

  it('agrees with walking along the line', () =>
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 0, max: 30 }), { minLength: 4, maxLength: 4 }), (ends) => {
        const [x1, y1, x2, y2] = ends as [number, number, number, number]
        const within = Array.from({ length: 2001 }, (_, i) => i / 2000).some((share) => {
          const [x, y] = [x1 + (x2 - x1) * share, y1 + (y2 - y1) * share]
          return x > 10 && x < 20 && y > 10 && y < 20
        })
        if (within) expect(passes([x1, y1, x2, y2], box)).toBe(true)
        // What only grazes a corner between two steps is left to the other direction.
        const near = Array.from({ length: 2001 }, (_, i) => i / 2000).some((share) => {
          const [x, y] = [x1 + (x2 - x1) * share, y1 + (y2 - y1) * share]
          return x > 9.9 && x < 20.1 && y > 9.9 && y < 20.1
        })
        if (!near) expect(passes([x1, y1, x2, y2], box)).toBe(false)
      }),
    ))
})

describe('words on a drawing', () => {
  it('stand to the right where there is room, else on the next side', () => {
    const at: Spot = [200, 150]
    expect(placed([wanted('a', at)]).get('a')!.box.minX).toBe(208)
    const taken = [{ minX: 208, minY: 140, maxX: 260, maxY: 160 }]
    expect(placed([wanted('a', at)], taken).get('a')!.box.maxX).toBe(192)
  })
  it('lie on a line only where there is no other spot', () => {
    const right: Segment = [230, 0, 230, 300]
    expect(placed([wanted('a', [200, 150])], [], [right]).get('a')!.box.maxX).toBe(192)
    const both: Segment[] = [right, [170, 0, 170, 300], [0, 135, 400, 135], [0, 165, 400, 165]]
    expect(placed([wanted('a', [200, 150])], [], both).get('a')!.box.minX).toBe(208)
  })
  it('the more important keep their place', () => {
    const one = (id: string, rank: number): Wanted => {
      const { named: _, ...rest } = wanted(id, [200, 150], { rank, tries: [{ at: [200, 150], way: [1, 0] }] })
      return rest
    }
    expect([...placed([one('late', 5), one('early', 1)]).keys()]).toEqual(['early'])
  })
  it('lead out over what is free', () => {
    // Everything close by is taken but the way up.
    const taken: Box[] = [
      { minX: 100, minY: 130, maxX: 195, maxY: 300 },
      { minX: 205, minY: 130, maxX: 400, maxY: 300 },
      { minX: 195, minY: 155, maxX: 205, maxY: 300 },
    ]
    const { box, leader } = placed([wanted('a', [200, 150])], taken).get('a')!
    expect(box.maxY).toBeLessThan(130)
    const [x1, y1, x2, y2] = leader!
    expect(Math.hypot(x1 - 200, y1 - 150)).toBeCloseTo(8, 6)
    expect([x2 >= box.minX && x2 <= box.maxX, y2]).toEqual([true, box.maxY])
  })
  it('a leader begins outside the mark that stands on what is named', () => {
    const mark = boxOf([200, 150], 16)
    const ring = WAYS.filter(([x, y]) => x !== 1 || y !== -1).map(([x, y]) =>
      boxOf([200 + x * 46, 150 + y * 34], 17),
    )
    const [one] = [...placed([wanted('a', [200, 150], { clear: 3, width: 20 })], [mark, ...ring]).values()]
    const [x1, y1] = one!.leader!
    expect(Math.max(Math.abs(x1 - 200), Math.abs(y1 - 150))).toBeGreaterThanOrEqual(16)
    for (const box of [mark, ...ring]) expect(passes(one!.leader!, box)).toBe(false)
  })
  it('are left out where nothing is free, and never leave the sheet', () => {
    expect(placed([wanted('a', [200, 150])], [sheet]).size).toBe(0)
    expect(placed([wanted('a', [-100, -100])]).size).toBe(0)
  })

  const spot = fc.tuple(fc.integer({ min: -20, max: 420 }), fc.integer({ min: -20, max: 320 }))
  it('never lie on each other, on what is taken, or on a leader', () =>
    fc.assert(
      fc.property(
        fc.array(fc.record({ at: spot, width: fc.integer({ min: 10, max: 120 }), rank: fc.nat(5) }), {
          maxLength: 60,
        }),
        fc.array(spot, { maxLength: 12 }),
        (names, marks) => {
          const taken = marks.map((at) => boxOf(at, 12))
          const all = names.map(({ at, width, rank }, i) => wanted(`${i}`, at, { width, rank }))
          const result = place(all, taken, [], sheet)
          for (const [i, one] of result.entries()) {
            expect(one.box.minX >= 0 && one.box.maxX <= 400 && one.box.minY >= 0 && one.box.maxY <= 300).toBe(
              true,
            )
            expect(taken.some((box) => meets(box, one.box))).toBe(false)
            for (const other of result.slice(i + 1)) {
              expect(meets(one.box, other.box)).toBe(false)
              if (other.leader) expect(passes(other.leader, one.box)).toBe(false)
              if (one.leader) expect(passes(one.leader, other.box)).toBe(false)
            }
          }
        },
      ),
      { numRuns: 150 },
    ))
})

describe('marks that share a spot', () => {
  it('stand side by side, the first on it', () => {
    const stand = fanOut(
      ['a', 'b', 'c'].map((id) => ({ id, at: [50, 50] as const })),
      26,
    )
    expect(stand.get('a')).toEqual([50, 50])
    for (const id of ['b', 'c']) {
      const [x, y] = stand.get(id)!
      expect(Math.hypot(x - 50, y - 50)).toBeCloseTo(26, 6)
    }
  })
  it('one with a spot of its own keeps it, whoever is named first', () => {
    const stand = fanOut(
      [
        { id: 'a', at: [50, 50] },
        { id: 'b', at: [51, 50] },
        { id: 'c', at: [50, 24] },
      ],
      26,
    )
    expect([stand.get('a'), stand.get('c')]).toEqual([
      [50, 50],
      [50, 24],
    ])
  })
  it('none covers another, however many there are', () =>
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: 0, max: 90 }), fc.integer({ min: 0, max: 90 })), {
          maxLength: 24,
        }),
        (spots) => {
          const stand = [
            ...fanOut(
              spots.map((at, i) => ({ id: `${i}`, at })),
              26,
            ).values(),
          ]
          for (const [i, [x, y]] of stand.entries())
            for (const [u, v] of stand.slice(i + 1))
              expect(Math.hypot(x - u, y - v)).toBeGreaterThanOrEqual(26 - 1e-6)
        },
      ),
    ))
  it('the first of one spot stand about it, and what then has no room is left out', () => {
    const many = Array.from({ length: 200 }, (_, i) => ({ id: `${i}`, at: [50, 50] as const }))
    const stand = fanOut(many, 26)
    expect(stand.size).toBeGreaterThanOrEqual(12)
    expect(stand.size).toBeLessThan(40)
    for (const [x, y] of stand.values()) expect(Math.hypot(x - 50, y - 50)).toBeLessThanOrEqual(2 * 26 + 1e-6)
  })
})
