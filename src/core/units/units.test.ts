import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { inSentence, parse, parseBetween, print, quantity, type QuantityKind, type UnitSystem } from '.'

const metres = (words: string, units: UnitSystem = 'metric') => {
  const parsed = parse(words, 'length', units)
  return parsed.ok ? parsed.value : parsed.message
}

describe('parse', () => {
  it.each([
    ['3.8', 3.8],
    ['3,8 m', 3.8],
    ['3.8m', 3.8],
    ['380 cm', 3.8],
    ['3800 mm', 3.8],
    ['1 m 20 cm', 1.2],
    [`12'6"`, 3.81],
    [`12' 6`, 3.81],
    ['12 ft 6 1/2 in', 3.8227],
    ['12′ 6½″', 3.8227],
    ['6 1/2"', 0.1651],
    ['−0.4 m', -0.4],
  ])('reads %s as metres', (words, expected) => expect(metres(words)).toBeCloseTo(expected, 9))

  it('reads a bare number in the unit the job shows', () => {
    expect(metres('10', 'imperial')).toBeCloseTo(3.048, 9)
    expect(parse('5/64"', 'size', 'metric')).toEqual({ ok: true, value: expect.closeTo(1.984, 3) as number })
    expect(parse('1/4', 'size', 'imperial')).toEqual({ ok: true, value: expect.closeTo(6.35, 9) as number })
    expect(parse('104 F', 'temperature', 'metric')).toEqual({
      ok: true,
      value: expect.closeTo(40, 9) as number,
    })
    expect(parse('-5', 'temperature', 'metric')).toEqual({ ok: true, value: -5 })
    expect(parse('1/60', 'time', 'metric')).toEqual({ ok: true, value: expect.closeTo(1 / 60, 12) as number })
  })

  it.each(['', '-', '+', 'tall', '3 4', '6" 2\'', '3.8 furlongs', '1/0', '--3', '12\'6"7', 'NaN', '1e9 m'])(
    'refuses %j and says how to write it',
    (words) => {
      expect(metres(words)).toMatch(/Write it like/)
    },
  )

  it('answers any string at all without throwing or yielding a number that is none', () => {
    fc.assert(
      fc.property(
        fc.string(),
        fc.constantFrom<QuantityKind>('length', 'size', 'temperature', 'mass', 'time'),
        (words, kind) => {
          const parsed = parse(words, kind, 'imperial')
          expect(parsed.ok ? Number.isFinite(parsed.value) : parsed.message.length > 0).toBe(true)
        },
      ),
    )
  })
})

it.each([
  ['length', 12.34, 0.01],
  ['cut', 12.3, 0.08],
  ['size', 6.2, 0.2],
  ['ground', 120, 0.1],
  ['focal', 2.8, 0.05],
  ['angle', 25.3, 0.05],
  ['density', 250, 1],
  ['pixels', 1920, 0.5],
  ['force', 480, 0.5],
  ['moment', 12.3, 0.1],
  ['mass', 1.23, 0.005],
  ['power', 12.5, 0.05],
  ['voltage', 11.4, 0.05],
  ['current', 0.42, 0.005],
  ['resistance', 9.38, 0.005],
  ['share', 40, 0.5],
  ['temperature', 35, 0.5],
  ['time', 0.02, 1e-6],
  ['speed', 45, 0.5],
  ['energy', 5, 0.5],
  ['volume', 350, 1],
  ['count', 4, 0],
] as const)('what is printed of %s is understood again, in both systems', (kind, value, within) => {
  for (const units of ['metric', 'imperial'] as const) {
    const words = print(quantity(value, kind), units)
    for (const read of ['metric', 'imperial'] as const) {
      const parsed = parse(words, kind, read)
      // A count has no unit; a bare number counts in the reader's own.
      expect(parsed.ok ? Math.abs(parsed.value - value) <= within + 1e-9 : words).toBe(true)
    }
  }
})

describe('a length between two marks', () => {
  it.each([
    ['412 – 466.3', 'metric', 54.3],
    ['466.3 to 412', 'metric', 54.3],
    ['412-466.3', 'metric', 54.3],
    ['1200..1287', 'imperial', 87 * 0.3048],
    ['1200 ft to 1287 ft', 'metric', 87 * 0.3048],
    ['54.3', 'metric', 54.3],
    [`4'6"`, 'imperial', 4.5 * 0.3048],
    ['12 1/2', 'imperial', 12.5 * 0.3048],
  ] as const)('%s in %s is %d m', (words, units, value) => {
    const read = parseBetween(words, units)
    expect(read.ok && read.value).toBeCloseTo(value, 9)
  })
  it.each(['412 – ', 'from 412 to 466', '1 – 2 – 3', 'x to y', '412 m – 466', ''])(
    '%j is no length',
    (words) => expect(parseBetween(words, 'metric').ok).toBe(false),
  )
  it.each([`4'-6"`, `4' - 6"`, `4' – 6"`, '12-6'])('%s is not taken for marks in feet', (words) =>
    expect(parseBetween(words, 'imperial').ok).toBe(false),
  )
  it('is none where both are the same, and what one length says it says alone', () => {
    expect(parseBetween('412 – 412', 'metric')).toMatchObject({ ok: false, message: /same/ })
    fc.assert(
      fc.property(fc.string(), fc.constantFrom('metric' as const, 'imperial' as const), (words, units) => {
        const alone = parse(words, 'length', units)
        const read = parseBetween(words, units)
        if (alone.ok) expect(read).toEqual(alone)
        else if (read.ok) expect(read.value).toBeGreaterThan(0)
      }),
    )
  })
})

it('inside a sentence words start small, and abbreviations keep their capitals', () => {
  expect(
    ['Timber soffit', 'RJ45 plug', 'BNC, twist-on', 'DC supply', 'PoE switch', 'A box', 'Cat 6'].map(
      inSentence,
    ),
  ).toEqual(['timber soffit', 'RJ45 plug', 'BNC, twist-on', 'DC supply', 'PoE switch', 'a box', 'cat 6'])
  expect(inSentence('')).toBe('')
})

describe('print', () => {
  it('uses the digits that the work can use', () => {
    expect(print(quantity(3.8227, 'length'), 'imperial')).toBe(`12' 6 1/2"`)
    expect(print(quantity(38.41, 'cut'), 'metric')).toBe('38.5 m')
    expect(print(quantity(38.41, 'cut'), 'imperial')).toBe(`126' 3"`)
    expect(print(quantity(0.3048, 'length'), 'imperial')).toBe(`1' 0"`)
    expect(print(quantity(249.96, 'density'), 'metric')).toBe('249 px/m')
    expect(print(quantity(1 / 60, 'time'), 'metric')).toBe('1/60 s')
    expect(print(quantity(-0.001, 'length'), 'metric')).toBe('0.00 m')
  })

  it('prints inches as a rule is read: whole, a fraction, or both, in lowest terms', () => {
    const inches = (parts: number) => print(quantity((parts / 64) * 25.4, 'size'), 'imperial')
    expect([0, 1, 8, 32, 64, 80, 128, 130].map(inches)).toEqual([
      '0"',
      '1/64"',
      '1/8"',
      '1/2"',
      '1"',
      '1 1/4"',
      '2"',
      '2 1/32"',
    ])
  })

  /** What is printed reads back as the same figure, to the step that was printed. */
  it.each<[QuantityKind, UnitSystem, number, number]>([
    ['length', 'metric', 500, 0.005],
    ['length', 'imperial', 500, 0.0064],
    ['cut', 'metric', 500, 0.1],
    ['cut', 'imperial', 500, 0.0763],
    ['size', 'metric', 300, 0.05],
    ['size', 'imperial', 300, 0.2],
    ['mass', 'imperial', 90, 0.003],
    ['temperature', 'imperial', 90, 0.3],
    ['angle', 'metric', 90, 0.05],
    ['force', 'imperial', 9000, 0.25],
    ['density', 'imperial', 2000, 0.34],
  ])('round trips %s in %s', (kind, units, most, step) => {
    const signed = kind === 'length' || kind === 'temperature' || kind === 'angle'
    fc.assert(
      fc.property(fc.double({ min: signed ? -most : 0, max: most, noNaN: true }), (value) => {
        const parsed = parse(print(quantity(value, kind), units), kind, units)
        expect(parsed.ok && Math.abs(parsed.value - value) <= step + 1e-9).toBe(true)
      }),
    )
  })
})
