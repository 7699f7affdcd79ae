import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { CATALOGUE } from '@/catalogue'
import { device, equipment, job, plannedThrough } from '@/testing/jobs'
import { allOf, begun, ownPart } from '@/testing/ownParts'
import { runs } from '@/testing/runs'
import { assess } from '../assess'
import { PLANNED_STAGES } from '../findings'
import { StepRecord } from '../job'
import {
  asksOf,
  entriesOf,
  NONE,
  OwnPart,
  ownIdsIn,
  PART_KINDS,
  PART_TABLES,
  readSheet,
  understood,
  valueAt,
  withOwn,
  wordsFor,
  type Asked,
  type Entries,
  type PartTable,
} from '.'

/** Parts from makers' sheets: read, judged by what is read of them, and never taken for more than that. */

type Shipped = { readonly id: string; readonly name: string }
const shippedOf = (table: PartTable): Shipped[] => [...CATALOGUE[table].values()]
const shipped = PART_TABLES.flatMap((table) => shippedOf(table).map((part) => [table, part] as const))
/** What is typed is kept to twelve digits. */
const digits = (part: object): unknown =>
  JSON.parse(JSON.stringify(part), (_, value: unknown) =>
    typeof value === 'number' ? Number(value.toPrecision(12)) : value,
  )
describe('the form of a part', () => {
  it.each(PART_TABLES)('%s of the catalogue are of it', (table) => {
    for (const { id, ...part } of shippedOf(table)) {
      const read = PART_KINDS[table].schema.safeParse(part)
      expect(read.error?.issues, id).toBeUndefined()
      expect(read.data).toEqual(part)
    }
  })
  it('asks for every value that a reading could take from the generic part without saying so', () => {
    // What is neither asked nor said to be of the generic build: words of notes, pieces of habit, sources.
    const NOT_ASKED =
      /^(name|source|handling|basis|usualFor|notes|before|makeBelow|onlyOn|adapts|form|lens\/kind|feeds\/kind)$/
    const FLAGS = /^(openBehind|cutIn|passesJoint|coversCamera|spreadsTile|protects|card|capsTails|records)$/
    const missing = new Set<string>()
    const walk = (table: PartTable, value: object, under: string): void => {
      for (const [key, one] of Object.entries(value) as [string, unknown][]) {
        const way = under === '' ? key : `${under}/${key}`
        if (key === 'id' || NOT_ASKED.test(way) || FLAGS.test(way)) continue
        if (PART_KINDS[table].asks.some(({ path }) => path === way)) continue
        // Whether it feeds anything is of its generic build.
        if (way === 'feeds' && one === null) continue
        if (typeof one === 'object' && one !== null && !Array.isArray(one)) walk(table, one, way)
        else missing.add(`${table} ${way}`)
      }
    }
    for (const [table, part] of shipped) walk(table, part, '')
    expect([...missing]).toEqual([])
  })
})

describe('a sheet', () => {
  it.each(PART_TABLES)('of %s, said whole, gives the very part, and nothing is unread', (table) => {
    for (const from of shippedOf(table)) {
      const read = readSheet(begun(table, from), allOf(table, from), 'metric')
      expect(read.wrong, from.id).toEqual({})
      expect(read.unread).toEqual([])
      const made = { ...from, ...read.own!.part, name: from.name }
      for (const cited of ['source', 'handling', 'basis'])
        if (cited in from) Object.assign(made, { [cited]: valueAt(from, cited) })
      expect(digits(made)).toEqual(digits(from))
      expect(OwnPart.safeParse(read.own).success).toBe(true)
    }
  })
  it.each(PART_TABLES)('of %s, not said at all, is the generic part, and all of it is unread', (table) => {
    for (const from of shippedOf(table)) {
      const { own, wrong } = readSheet(begun(table, from), {}, 'metric')
      expect(wrong, from.id).toEqual({})
      expect(own!.unread).toEqual(asksOf(table, from).map(({ path }) => path))
      const cited = table === 'seals' ? { source: 'catalogue' } : {}
      expect({ id: from.id, ...own!.part }).toEqual({ ...from, ...cited, name: 'Ours' })
    }
  })
  it('in feet and inches keeps to the last digit what nobody typed again', () => {
    const from = CATALOGUE.cameras.get('bullet-4mp-vf')!
    const held = readSheet(begun('cameras', from), allOf('cameras', from), 'metric').own!
    const words = entriesOf(held, 'imperial')
    expect(words.massKg).toMatch(/ lb$/)
    const again = readSheet(begun('cameras', from, { held }), words, 'imperial')
    expect(again.own).toEqual(held)
    const heavier = readSheet(begun('cameras', from, { held }), { ...words, massKg: '4 lb' }, 'imperial')
    expect(valueAt(heavier.own!.part, 'massKg')).toBeCloseTo(1.814, 3) // 4 lb, by the exact pound
  })
  it('the maker is cited for a pull once it is read; the standard’s formula until then', () => {
    const from = CATALOGUE.fixings.get('screw-8')!
    const source = (entries: Entries) =>
      valueAt(readSheet(begun('fixings', from), entries, 'metric').own!.part, 'source')
    expect(source({})).toBe('nds')
    expect(source({ pullN: '900 N' })).toBe('catalogue')
  })
  it('openings keep the keys that seals were chosen by; new ones get their own', () => {
    const from = CATALOGUE.mounts.get('junction-box')!
    const rows = JSON.parse(allOf('mounts', from).openings!) as Record<string, string>[]
    const side = { name: 'Side entry!', kind: 'spare entry', side: 'side', holeMm: '25.5 mm', builtIn: '' }
    const read = readSheet(
      begun('mounts', from),
      { openings: JSON.stringify([...rows, side, side]) },
      'metric',
    )
    const keys = (valueAt(read.own!.part, 'openings') as { key: string }[]).map(({ key }) => key)
    expect(keys).toEqual([...from.openings.map(({ key }) => key), 'side-entry', 'side-entry-2'])
  })

  const wrongs: [table: PartTable, from: string, entries: Entries, at: string, message: RegExp][] = [
    ['cameras', 'bullet-4mp-vf', { massKg: 'heavy' }, 'massKg', /not understood/],
    ['cameras', 'bullet-4mp-vf', { massKg: '0 kg' }, 'massKg', /At least 0.01 kg/],
    ['cameras', 'bullet-4mp-vf', { 'fixing/atLeast': '9' }, 'fixing/atLeast', /as it has holes/],
    ['cameras', 'bullet-4mp-vf', { 'lens/focalMm': '12 to 2.8 mm' }, 'lens/focalMm', /smaller/],
    ['cameras', 'bullet-4mp-vf', { 'lens/focalMm': '1 to 2 to 3' }, 'lens/focalMm', /like 2.8 to 12/],
    ['cameras', 'bullet-4mp-vf', { 'power/poe': 'no', 'power/dcV': NONE }, 'power/poe', /runs on something/],
    ['cameras', 'bullet-4mp-vf', { cable: 'mains' }, 'connection', /does not meet/],
    ['cameras', 'bullet-4mp-vf', { openings: 'x' }, 'openings', /cannot be read/],
    ['cameras', 'bullet-4mp-vf', { openings: '[{"name":"a"}]' }, 'openings', /What it is: Choose one of/],
    ['mounts', 'junction-box', { openings: '[{"name":"","kind":"gasket"}]' }, 'openings', /name/],
    ['cables', 'cat6', { kind: 'fibre' }, 'longestRunM', /longest run/],
    ['cables', 'cat6', { awg: NONE }, 'awg', /gauge/],
    ['cables', 'cat6', { coax: 'RG6' }, 'coax', /neither/],
    ['fixings', 'screw-8', { holdsIn: 'masonry' }, 'pullN', /maker’s value/],
    ['seals', 'coupling-four-part', { ratings: 'IP6' }, 'ratings', /like IP66/],
    [
      'equipment',
      'switch-8',
      { ports: '[{"purpose":"dc","count":"1"},{"purpose":"dc","count":"2"}]' },
      'ports',
      /One row/,
    ],
    ['connectors', 'plug', { takes: NONE }, 'takes', /some cable/],
    ['accessories', 'ferrite', { step: ' ', reason: 'x'.repeat(301) }, 'reason', /at most 300/],
  ]
  it.each(wrongs)('%s %s %j is refused at %s', (table, from, entries, at, message) => {
    const read = readSheet(begun(table, CATALOGUE[table].get(from)!), entries, 'metric')
    expect(read.own).toBeNull()
    expect(Object.keys(read.wrong)).toEqual([at])
    expect(read.wrong[at]).toMatch(message)
  })
  it('without a name it is refused at its name', () =>
    expect(
      readSheet(begun('conduits', [...CATALOGUE.conduits.values()][0]!, { name: ' ' }), {}, 'metric').wrong,
    ).toEqual({ name: 'Give it a name.' }))

  const focal: Asked = { path: '', label: '', way: { as: 'range', kind: 'focal' }, stages: [], costs: '' }
  const size: Asked = { ...focal, way: { as: 'range', kind: 'size' } }
  it.each([
    [focal, '2.8 to 12 mm', 'metric', [2.8, 12]],
    [focal, '2.8–12', 'metric', [2.8, 12]],
    [focal, '2.8-12 mm', 'metric', [2.8, 12]],
    [focal, '3 - 9', 'metric', [3, 9]],
    // A hyphen before a fraction makes a mixed number, as carpenters write it.
    [size, '1-1/2 to 2-1/4', 'imperial', [38.1, 57.15]],
    [size, '1-1/2', 'imperial', [38.1, 38.1]],
    [focal, '4', 'metric', [4, 4]],
    // A unit that stands once stands for both, also where a bare number would be inches.
    [size, '4.5–7 mm', 'imperial', [4.5, 7]],
    [size, '1/4 to 3/8', 'imperial', [6.35, 9.525]],
    [size, '5 mm to 1 cm', 'metric', [5, 10]],
  ] as const)('a range: %o %s in %s', (asked, words, units, range) => {
    const read = understood(asked, words, units)
    expect('value' in read && (read.value as number[]).map((one) => Math.round(one * 1e6) / 1e6)).toEqual(
      range,
    )
  })
})

describe('the catalogue of a job', () => {
  const from = CATALOGUE.cameras.get('bullet-4mp-vf')!
  const own = ownPart('cameras', from.id)
  it('is the very catalogue where there are no own parts, and the same again for the same parts', () => {
    expect(withOwn(CATALOGUE, [])).toBe(CATALOGUE)
    const parts = [own]
    const merged = withOwn(CATALOGUE, parts)
    expect(withOwn(CATALOGUE, parts)).toBe(merged)
    expect(withOwn(merged, parts)).toBe(merged)
  })
  it('holds own parts after those that ship, which stay as they are', () => {
    const merged = withOwn(CATALOGUE, [own])
    expect([...merged.cameras.keys()]).toEqual([...CATALOGUE.cameras.keys(), 'own-1'])
    expect(merged.cameras.get('own-1')).toEqual({ ...from, id: 'own-1', name: 'Ours' })
    expect(merged.mounts).toBe(CATALOGUE.mounts)
    expect(CATALOGUE.cameras.has('own-1')).toBe(false)
  })
  it('finds own parts wherever they are named', () =>
    expect([...ownIdsIn({ a: ['own-1', { b: 'own-2' }], c: null, d: 'their own-3', e: 4 })]).toEqual([
      'own-1',
      'own-2',
    ]))
})

describe('what is not read is not Good', () => {
  const from = CATALOGUE.cameras.get('bullet-4mp-vf')!
  const said = allOf('cameras', from)
  /** The findings of a device that stands good with a generic camera, with an own one of these words. */
  const findingsWith = (entries: Entries | null) => {
    const ownParts = entries ? [ownPart('cameras', from.id, entries)] : []
    const base = device({ cameraId: entries ? 'own-1' : from.id })
    const proposed = assess(job({ devices: [base], ownParts }), CATALOGUE).devices[0]!.stages!
    const plans = Object.fromEntries(PLANNED_STAGES.map((stage) => [stage, proposed[stage]!.input]))
    const made = job({ devices: [{ ...base, ...plans }], ownParts })
    return assess(made, CATALOGUE).devices[0]!.findings.map(({ id, verdict }) => `${id} ${verdict}`)
  }
  const generic = findingsWith(null)

  it('read whole, it is judged as any part: nothing is added and nothing lost', () =>
    expect(findingsWith(said)).toEqual(generic))
  it('not read at all, every stage that rests on it wants a look', () => {
    const more = findingsWith({}).filter((one) => !generic.includes(one))
    const stages = new Set(PART_KINDS.cameras.asks.flatMap((asked) => asked.stages))
    expect(more.sort()).toEqual([...stages].map((stage) => `${stage}/unread check`).sort())
  })
  it.each(asksOf('cameras', from).map(({ path, stages }) => [path, stages] as const))(
    'one value missing (%s) is told by the stages that rest on it; entered, it is gone',
    (path, stages) => {
      const { [path]: _, ...others } = said
      const more = findingsWith(others).filter((one) => !generic.includes(one))
      expect(more.sort()).toEqual(stages.map((stage) => `${stage}/unread check`).sort())
    },
  )
  it('what feeds the camera counts as well, and a piece of equipment says so itself', () => {
    const part = CATALOGUE.equipment.get('switch-8')!
    const findings = (entries: Entries) => {
      const ownParts = [ownPart('equipment', part.id, entries)]
      const of = device({ power: { supplyId: 'switch', port: 1 } })
      const made = job({ devices: [of], ownParts, equipment: [equipment({ partId: 'own-1' })] })
      const { devices, equipment: pieces } = assess(made, CATALOGUE)
      return [...devices[0]!.findings, ...pieces[0]!.findings].flatMap(({ id, figure }) =>
        id.endsWith('/unread') ? [[id, 'value' in figure && figure.value]] : [],
      )
    }
    const all = allOf('equipment', part)
    const asked = Object.keys(all).length
    expect(findings({})).toEqual([
      ['power/unread', Object.keys(all).filter((path) => /^(feeds\/|takes)/.test(path)).length],
      ['mount/unread', asked],
    ])
    expect(findings(all)).toEqual([])
    const { massKg: _, ...light } = all
    expect(findings(light)).toEqual([['mount/unread', 1]])
  })
})

it('names as long as they may be give steps that can be recorded', () => {
  const long = (what: string) => what.padEnd(80, 'x')
  const tails = Array.from({ length: 8 }, (_, n) => `tail ${n}`.padEnd(40, 'x')).join(', ')
  const ownParts = [
    ownPart('cameras', 'bullet-4mp-vf', { unusedTails: tails }, { id: 'own-camera', name: long('Camera') }),
    ownPart('mounts', 'junction-box', {}, { id: 'own-box', name: long('Box') }),
    ownPart('cables', 'cat6-outdoor', {}, { id: 'own-cable', name: long('Cable') }),
  ]
  const parts = { cameraId: 'own-camera', mountIds: ['own-box'], cableId: 'own-cable' }
  const { steps } = assess(
    job({ devices: [plannedThrough(device(parts), job({ ownParts }))], ownParts }),
    CATALOGUE,
  ).devices[0]!
  expect(steps.length).toBeGreaterThan(20)
  for (const { step } of steps) expect(StepRecord.shape.title.safeParse(step.title).success).toBe(true)
})

it('whatever stands on a sheet, a job with it is computed whole', () => {
  const wordsOf = (asked: Asked, value: unknown): fc.Arbitrary<string> => {
    const { way, none } = asked
    const usual = fc.constant(wordsFor(asked, value, 'metric'))
    const or = (...others: fc.Arbitrary<string>[]) =>
      fc.oneof(usual, fc.constant(''), ...others, ...(none ? [fc.constant(NONE)] : []))
    const number = fc.double({ min: 0.5, max: 400, noNaN: true }).map((n) => String(Math.round(n * 10) / 10))
    if (way.as === 'quantity') return or(number)
    if (way.as === 'range') return or(fc.tuple(number, number).map(([a, b]) => `${a} to ${b}`))
    if (way.as === 'choice') return or(fc.constantFrom(...Object.keys(way.options)))
    if (way.as === 'yes or no') return or(fc.constantFrom('yes', 'no'))
    if (way.as === 'ticks') return or(fc.subarray(Object.keys(way.options)).map((keys) => keys.join(', ')))
    return or()
  }
  const table = fc.constantFrom<PartTable>('cameras', 'mounts', 'cables', 'equipment')
  const sheet = table.chain((of) =>
    fc
      .constantFrom(...CATALOGUE[of].values())
      .chain((from) =>
        fc
          .record(
            Object.fromEntries(
              asksOf(of, from).map((asked) => [asked.path, wordsOf(asked, valueAt(from, asked.path))]),
            ),
          )
          .map((entries) => ({ of, from: from, entries })),
      ),
  )
  let kept = 0
  fc.assert(
    fc.property(sheet, ({ of, from, entries }) => {
      // Values that are refused count as not read: what is left must do.
      let left = entries
      let read = readSheet(begun(of, from), left, 'metric')
      for (let n = 0; n < 5 && !read.own; n++) {
        const { wrong } = read
        left = Object.fromEntries(Object.entries(left).filter(([path]) => !(path in wrong)))
        read = readSheet(begun(of, from), left, 'metric')
      }
      const { own } = read
      if (!own) return
      kept++
      const chosen = {
        cameras: { cameraId: 'own-1' },
        mounts: { mountIds: ['own-1'] },
        cables: { cableId: 'own-1' },
        equipment: {},
      }[of as 'cameras']
      const pieces = of === 'equipment' ? [equipment({ partId: 'own-1' })] : [equipment()]
      const made = job({ devices: [device(chosen)], ownParts: [own], equipment: pieces })
      const words = JSON.stringify(assess(made, CATALOGUE).devices[0], (_, value: unknown) =>
        typeof value === 'number' && !Number.isFinite(value) ? 'NOT FINITE' : value,
      )
      expect(words).not.toContain('NOT FINITE')
      expect(words).not.toContain('NaN')
    }),
    { numRuns: runs(300) },
  )
  expect(kept).toBeGreaterThan(100)
})
