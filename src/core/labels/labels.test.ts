import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { CATALOGUE } from '@/catalogue'
import { device, equipment, job, run } from '@/testing/jobs'
import { labelsOf, onSheet, spotOn, STOCKS, TAPES, tapeCodes, type StockId } from '.'

const marked = (marks: readonly string[], runs: readonly string[] = []) =>
  job({
    devices: marks.map((mark) => device({ id: `d-${mark}`, mark })),
    runs: runs.map((mark) => run({ id: `r-${mark}`, mark })),
  })

describe('bands of tape', () => {
  it('no two cables of a job have the same, nor two alike beside each other', () => {
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.stringMatching(/^[A-C]?\d{1,3}$/), { maxLength: 120 }),
        fc.uniqueArray(fc.integer({ min: 1, max: 99 }), { maxLength: 40 }),
        (marks, runs) => {
          const of = marked(
            marks,
            runs.map((number) => `R${number}`),
          )
          const codes = [...tapeCodes(of).values()]
          expect(new Set(codes.map((code) => code.join())).size).toBe(marks.length + runs.length)
          for (const code of codes) {
            expect(code.length).toBeGreaterThanOrEqual(2)
            code.forEach((tape, i) => expect(tape).not.toBe(code[i + 1]))
          }
        },
      ),
    )
  })
  it('twenty cables need two bands, and a cable keeps its code when others come and go', () => {
    const twenty = Array.from({ length: 20 }, (_, i) => String(i + 1).padStart(2, '0'))
    const codes = tapeCodes(marked(twenty))
    expect([...codes.values()].map(({ length }) => length)).toEqual(twenty.map(() => 2))
    const fewer = tapeCodes(marked(twenty.filter((_, i) => i % 3 !== 0)))
    for (const [id, code] of fewer) expect(code).toEqual(codes.get(id))
    expect([...tapeCodes(marked([...twenty, '21'])).values()].at(-1)).toHaveLength(3)
  })
  it('its colours are told apart with every kind of sight', () => {
    // Sight without one kind of cone, in linear RGB: G. M. Machado, M. M. Oliveira, L. A. F. Fernandes, IEEE
    // Transactions on Visualization and Computer Graphics 15 (2009), severity 1; CIE 1976 L*a*b*, D65. From
    // memory. Twenty is ten times what is just seen side by side.
    const SIGHTS = [
      [1, 0, 0, 0, 1, 0, 0, 0, 1],
      [0.152286, 1.052583, -0.204868, 0.114503, 0.786281, 0.099216, -0.003882, -0.048116, 1.051998],
      [0.367322, 0.860646, -0.227968, 0.280085, 0.672501, 0.047413, -0.01182, 0.04294, 0.968881],
      [1.255528, -0.076749, -0.178779, -0.078411, 0.930809, 0.147602, 0.004733, 0.691367, 0.3039],
    ]
    const seen = (colour: string, sight: readonly number[]) => {
      const linear = [1, 3, 5].map((at) => {
        const part = parseInt(colour.slice(at, at + 2), 16) / 255
        return part <= 0.04045 ? part / 12.92 : ((part + 0.055) / 1.055) ** 2.4
      })
      const [r, g, b] = [0, 3, 6].map((row) =>
        Math.min(
          1,
          Math.max(
            0,
            linear.reduce((sum, part, i) => sum + sight[row + i]! * part, 0),
          ),
        ),
      ) as [number, number, number]
      const root = (t: number) => (t > 0.008856 ? Math.cbrt(t) : 7.787 * t + 16 / 116)
      const x = root((0.4124 * r + 0.3576 * g + 0.1805 * b) / 0.95047)
      const y = root(0.2126 * r + 0.7152 * g + 0.0722 * b)
      const z = root((0.0193 * r + 0.1192 * g + 0.9505 * b) / 1.08883)
      return [116 * y - 16, 500 * (x - y), 200 * (y - z)]
    }
    const colours = Object.values(TAPES).map(({ colour }) => colour)
    for (const sight of SIGHTS)
      colours.forEach((one, i) =>
        colours.slice(i + 1).forEach((other) => {
          const [a, b] = [seen(one, sight), seen(other, sight)]
          expect(Math.hypot(...a.map((part, axis) => part - b[axis]!))).toBeGreaterThan(20)
        }),
      )
  })
})

describe('sheets of labels', () => {
  it.each(Object.keys(STOCKS) as StockId[])('%s: labels lie on the paper, beside each other', (id) => {
    const { paper, label, pitch, columns, rows } = STOCKS[id]
    expect(onSheet(id)).toBe(columns * rows)
    expect(STOCKS[id].name).toContain(`${onSheet(id)} of`)
    expect(pitch[0]).toBeGreaterThanOrEqual(label[0])
    expect(pitch[1]).toBeGreaterThanOrEqual(label[1])
    const last = spotOn(id, onSheet(id) - 1)
    expect(last.x + label[0]).toBeLessThanOrEqual(paper[0] + 1e-9)
    expect(last.y + label[1]).toBeLessThanOrEqual(paper[1] + 1e-9)
    // As much paper is left on the right as on the left, and below as above.
    const first = spotOn(id, 0)
    expect(paper[0] - (last.x + label[0])).toBeCloseTo(first.x, 1)
    expect(Math.abs(paper[1] - (last.y + label[1]) - first.y)).toBeLessThan(1)
    expect(spotOn(id, onSheet(id))).toEqual({ ...first, sheet: 1 })
  })
})

it('both ends of a cable say where they are and where they go, with the port; what is gone has none', () => {
  const on = job({
    headEnd: 'Cupboard',
    equipment: [equipment({ id: 'switch', mark: 'E1', name: 'Switch', partId: 'switch-8' })],
    devices: [
      device({ id: 'a', mark: '01', name: 'Door', power: { supplyId: 'switch', port: 3 } }),
      device({ id: 'b', mark: '02', name: 'Gate', power: null }),
      device({ id: 'c', mark: '03', name: 'Old', state: 'taken away' }),
    ],
  })
  const ends = labelsOf(on, CATALOGUE, 'ends')
  expect(ends.map(({ mark, lines }) => [mark, ...lines])).toEqual([
    ['01', 'At 01 Door', expect.stringMatching(/^goes to E1 Switch, .*3/)],
    ['01', expect.stringMatching(/^At E1 Switch, .*3/), 'comes from 01 Door'],
    ['02', 'At 02 Gate', 'goes to Cupboard'],
    ['02', 'At Cupboard', 'comes from 02 Gate'],
  ])
  const codes = tapeCodes(on)
  expect(ends.map(({ tape }) => tape)).toEqual(['a', 'a', 'b', 'b'].map((id) => codes.get(id)))
  expect(labelsOf(on, CATALOGUE, 'things').map(({ mark, to }) => [mark, to])).toEqual([
    ['01', 'devices/a/log'],
    ['02', 'devices/b/log'],
    ['E1', 'equipment/switch'],
  ])
})
