import Papa from 'papaparse'
import { expect, it } from 'vitest'
import type { PullSheet } from '@/core/pull'
import { device, equipment } from '@/testing/jobs'
import { PULL_LISTS } from './csv'

const sheet: PullSheet = {
  cautions: [],
  cuts: [
    {
      mark: '05',
      name: 'Gate',
      cableId: 'cat6',
      cable: 'Cat 6',
      cutM: 39.65,
      installedM: 36.8,
      lead: null,
      tape: 'red, blue',
    },
    {
      ...{ mark: '=R1', name: '', cableId: 'thin', cable: 'Thin', cutM: null, installedM: 30, tape: '' },
      lead: { fedFrom: null, first: 'Plug', last: '', passMm: 15, leftM: 3.3, coil: '=loft' },
    },
  ],
  pulls: {
    pulls: [
      { marks: ['=R1'], through: ['Loft'], togetherM: 5, from: 0, to: 1, parts: [], later: ['05'] },
      { marks: ['=R1'], through: ['Loft', '=Duct'], togetherM: 7.3, from: 1, to: 2, parts: [], later: [] },
      {
        ...{ marks: ['05', '01'], through: ['Loft', '=Duct'], togetherM: 12.34, from: 0, to: 1 },
        ...{ parts: [['05']], later: ['E1'] },
      },
      { marks: ['05'], through: [], togetherM: 1, from: 1, to: 2, parts: [], later: [] },
    ],
    ends: [],
    turned: ['01'],
    first: ['=R1'],
  },
  conduits: [
    {
      pathwayIds: ['a'],
      name: '=Duct',
      marks: ['05', '01'],
      others: 2,
      conduit: { id: 'x', name: 'PVC 1/2 in', boreAreaMm2: 180, source: 'catalogue' },
      fill: { percent: 33.4, goesIn: false, jamRatio: null, jams: false },
      limitPercent: 31,
      growth: null,
      fitting: null,
      fittingExpands: false,
    },
  ],
  conduitPulls: [
    {
      pathwayIds: ['a'],
      through: ['=Duct', 'Yard'],
      marks: ['01'],
      lengthM: 41.2,
      bendsDeg: 90,
      pullN: 23.4,
      standsN: 110,
      outTowards: 'the devices',
      pointsAt: [{ alongM: 12, floor: 'ground', at: { x: 0, y: 0 }, heightM: 1 }],
    },
  ],
  strung: [
    {
      ...{ name: '=Wire', marks: ['05'], spans: 2, spanM: 20, sagM: 0.4, wireM: 31.1, pullN: 187 },
      yetToPut: true,
    },
  ],
  reaches: [{ name: 'Eaves', marks: ['05'], longestM: 24, throughM: 30, tool: 'Rods', ports: 2, people: 1 }],
  edges: [
    {
      ...{ of: 'Eaves', floor: 'ground', at: { x: 1, y: 2 }, towards: '=Duct', marks: ['05'] },
      ...{ passMm: 7.5, remedy: 'Notch it' },
    },
  ],
  wallHoles: [
    {
      ...{ wall: '=Wall', through: 'Loft', floor: 'ground', at: { x: 1.234, y: 5 }, heightM: 2.5 },
      ...{ deepM: 0.31, marks: ['05', '01'], passMm: 22.4, bit: '25 mm (1")' },
    },
    {
      ...{ wall: 'Shed', through: 'Duct', floor: 'upper', at: { x: 0, y: 0 }, heightM: 1 },
      ...{ deepM: 0, marks: ['01'], passMm: null, bit: null },
    },
  ],
  drills: [
    { surface: '@SUM(1)', purpose: 'pilot', bit: '2 mm (5/64")', bitMm: 2, count: 8, marks: ['05', '01'] },
  ],
  van: [
    { kind: 'cable', item: 'Cat 6', count: 39.65, spare: 0, unit: 'm', marks: ['05'] },
    { kind: 'seal', item: '-1+1', count: 2, spare: 1, unit: 'pieces', marks: ['05'] },
  ],
}
const of = {
  runs: [],
  equipment: [equipment({ mark: 'E1', name: 'Rack' })],
  devices: [device({ mark: '05', name: '=HYPERLINK("x")' }), device({ id: 'b', mark: '01', name: 'Ö' })],
}
const read = (list: keyof typeof PULL_LISTS, units: 'metric' | 'imperial' = 'metric') => {
  const words = PULL_LISTS[list](sheet, { ...of, units })
  return { words, rows: Papa.parse<Record<string, string>>(words.slice(1), { header: true }).data }
}

it('tells that it is UTF-8 by its byte-order mark', () => {
  for (const list of Object.keys(PULL_LISTS) as (keyof typeof PULL_LISTS)[]) {
    const bytes = Buffer.from(read(list).words, 'utf8')
    expect([list, ...bytes.subarray(0, 3)]).toEqual([list, 0xef, 0xbb, 0xbf])
  }
})
it('keeps a mark as text, with its nought, and shows the figures of the screen', () => {
  expect(read('cut-list').rows).toEqual([
    { device: '05 =HYPERLINK("x")', tape: 'red, blue', cable: 'Cat 6', cut: '39.7 m', installed: '36.8 m' },
    { device: "'=R1", tape: '', cable: 'Thin', cut: 'ready-made lead', installed: '30.0 m' },
  ])
  expect(read('pull-list').rows).toEqual([
    {
      'pull': 'first',
      'together': "'=R1",
      'cables': '1',
      'through': 'Loft, =Duct',
      'for': '12.3 m',
      'then part': '',
      'later': '',
      'from the device': '',
    },
    {
      'pull': '1',
      'together': '05 =HYPERLINK("x"); 01 Ö',
      'cables': '2',
      'through': 'Loft, =Duct',
      'for': '12.4 m',
      'then part': '05 =HYPERLINK("x")',
      'later': 'E1 Rack',
      'from the device': '01 Ö',
    },
  ])
  expect(read('lead-list').rows).toEqual([
    {
      'device': "'=R1",
      'lead': 'Thin',
      'length': '30.0 m',
      'fed from': 'either end',
      'goes first': 'Plug',
      'stays': 'not chosen',
      'holes at least': '15 mm',
      'to coil': '3.3 m',
      'coiled': "'=loft",
    },
  ])
  expect(read('conduit-list').rows).toMatchObject([
    {
      'conduit': "'=Duct",
      'lie there too': '2',
      'full': '33 %',
      'at most': '31 %',
      'judged': 'Check: too full',
    },
  ])
  expect(read('conduit-pulls').rows).toMatchObject([
    {
      'length': '41.2 m',
      'bends': '90.0°',
      'pull on each': '23 N',
      'pull points': 'Check: wanted 12.0 m in',
    },
  ])
  expect(read('wire-list').rows).toMatchObject([
    { 'wire': "'=Wire", 'spans': '2', 'longest span': '20.0 m', 'sag': '0.4 m', 'pull on an eye': '187 N' },
  ])
  expect(read('reach-list').rows).toMatchObject([
    { 'through': 'Eaves', 'longest stretch': '24.0 m', 'with': 'Rods', 'to open': '2', 'people': '1' },
  ])
  expect(read('edge-list').rows).toMatchObject([
    { 'out of': 'Eaves', 'towards': "'=Duct", 'across': '7.5 mm', 'what to do': 'Notch it', 'y m': '2.00' },
  ])
  expect(read('wall-holes').rows).toMatchObject([
    { 'wall': "'=Wall", 'x m': '1.23', 'above the floor': '2.5 m', 'deep': '310 mm', 'hole': '25 mm (1")' },
    { floor: 'Upper floor', deep: 'not known', hole: 'as wide as the conduit is outside', devices: '01 Ö' },
  ])
  expect(read('cut-list', 'imperial').rows[0]!.installed).toMatch(/^\d+'/)
  expect(read('drill-list').rows[0]!.devices).toBe('05 =HYPERLINK("x"); 01 Ö')
})
it.each(['=1', '+1', '-1', '@A1', '\t=1', '\r=1', '＝1', '＋1', '－1', '＠1'])(
  'a cell that begins like %j runs nowhere as a formula',
  (item) => {
    const harmless = PULL_LISTS['van-list'](
      { ...sheet, van: [{ ...sheet.van[1]!, item }] },
      { ...of, units: 'metric' },
    )
    const [row] = Papa.parse<{ item: string }>(harmless.slice(1), { header: true }).data
    expect(row!.item).toBe(`'${item}`)
  },
)
