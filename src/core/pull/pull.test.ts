import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { CATALOGUE } from '@/catalogue'
import { assess, assessDevice } from '../assess'
import type { Device, Job } from '../job'
import { anyJob } from '@/testing/anyJob'
import { device, equipment, job, plannedThrough } from '@/testing/jobs'
import { headEnd, pathway, wall } from '@/testing/plans'
import { runs } from '@/testing/runs'
import { LOADED } from '../stages/load'
import { pullSheet, pullTables } from '.'
import { marksWords } from './words'
import { FED_FREELY } from '../route/plan'

const planned = (change: Partial<Device>) => plannedThrough(device(change))
const sheet = (...devices: Device[]) => pullSheet(job({ devices, equipment: [] }), CATALOGUE)
const one = planned({})
const two = planned({ id: 'd2', mark: '02', name: 'Gate' })
const line = (list: ReturnType<typeof sheet>, item: string) => list.van.find((one) => one.item === item)

const EMPTY = {
  cautions: [],
  cuts: [],
  pulls: { pulls: [], ends: [], turned: [], first: [] },
  conduits: [],
  conduitPulls: [],
  reaches: [],
  strung: [],
  edges: [],
  wallHoles: [],
  drills: [],
  van: [],
}

describe('the pull sheet', () => {
  it('is empty for a job without devices, and lists only parts while nothing is planned', () => {
    expect(sheet()).toEqual(EMPTY)
    expect(sheet(device()).van.map(({ kind }) => kind)).toEqual(['camera', 'mount'])
  })
  it('loads new equipment by its part, and nothing for what was there before or is a circuit', () => {
    const pieces = (['new', 'new', 'kept', 'taken away'] as const).map((state, i) =>
      equipment({ id: `e${i}`, mark: `E${i + 1}`, state, partId: 'switch-16' }),
    )
    const circuit = equipment({ id: 'm', mark: 'E9', partId: 'mains-circuit' })
    const { van } = pullSheet(job({ equipment: [...pieces, circuit] }), CATALOGUE)
    expect(van).toEqual([
      {
        kind: 'equipment',
        item: 'PoE switch, 16 ports, 250 W',
        count: 2,
        spare: 0,
        unit: 'pieces',
        marks: ['E1', 'E2'],
      },
    ])
    for (const state of ['kept', 'taken away'] as const) expect(sheet({ ...one, state })).toEqual(EMPTY)
  })
  it('adds the same holes of two devices up, by surface and bit', () => {
    const pilots = sheet(one, two).drills.find(({ purpose }) => purpose === 'pilot')!
    expect(pilots).toMatchObject({
      surface: 'Timber fascia or cladding',
      bit: '2 mm (5/64")',
      count: 8,
      marks: ['01', '02'],
    })
  })
  it('drills no cable hole into a pole and no pilot for a plug', () => {
    const pole = planned({ surfaceId: 'steel-pole', mountIds: ['pole-adapter'] })
    expect(sheet(pole).drills).toEqual([])
    expect(
      sheet(planned({ surfaceId: 'brick' })).drills.map(({ purpose, bitMm }) => [purpose, bitMm]),
    ).toEqual([
      ['fixing hole', 6],
      ['cable hole', 10],
    ])
  })
  it('lists by what it is and then by name, holes by surface and then by size', () => {
    const list = sheet(one, planned({ id: 'b', mark: '02', surfaceId: 'brick', cameraId: 'dome-4mp-vf' }))
    const places = list.van.map(({ kind, item }) => `${LOADED.indexOf(kind)} ${item}`)
    expect(places).toEqual([...places].sort((a, b) => parseInt(a) - parseInt(b) || a.localeCompare(b)))
    expect(new Set(list.van.map(({ kind }) => kind)).size).toBeGreaterThan(6)
    const holes = list.drills.map(({ surface, bitMm }) => [surface, bitMm] as const)
    expect(holes).toEqual([...holes].sort((a, b) => a[0].localeCompare(b[0]) || a[1] - b[1]))
    expect(holes.length).toBeGreaterThan(3)
  })
  it('loads one long bit of each size for the holes that pathways want in walls', () => {
    const place = { floor: 'ground' as const, x: 0, y: 0, panDeg: 0, rollDeg: 0, locked: false }
    const led = planned({})
    const at = { ...led, sight: { ...led.sight!, heightM: 2.5, place } }
    const lane = pathway([[0, 0], [20, 0]], { name: 'Lane' }) // prettier-ignore
    const things = [
      lane,
      headEnd(20, 0),
      wall(8, -1, 8, 1, { name: 'A' }),
      wall(12, -1, 12, 1, { name: 'B' }),
    ]
    const { van, wallHoles } = pullSheet(job({ devices: [at], things }), CATALOGUE)
    expect(wallHoles.map((hole) => [hole.wall, hole.through, hole.marks])).toEqual([
      ['A', 'Lane', ['01']],
      ['B', 'Lane', ['01']],
    ])
    expect(van.filter(({ item }) => item.startsWith('Long bit'))).toEqual([
      expect.objectContaining({ item: `Long bit ${wallHoles[0]!.bit}`, count: 1, marks: ['01'] }),
    ])
    // A bead of 28 mm² round 9.2 mm, on both sides of 200 walls, is 324 ml: tubes of 300.
    const many = Array.from({ length: 200 }, (_, i) => wall(1 + i / 20, -1, 1 + i / 20, 1, { name: `${i}` }))
    const without = { ...at, seal: null }
    const sealed = (walls: typeof many) =>
      pullSheet(job({ devices: [without], things: [lane, headEnd(20, 0), ...walls] }), CATALOGUE)
    expect(new Set(sealed(many).wallHoles.map(({ passMm }) => passMm))).toEqual(new Set([9.2]))
    expect(line(sealed(many), 'Silicone, tubes')).toMatchObject({ count: 2, spare: 1, marks: ['01'] })
    expect(line(sealed([]), 'Silicone, tubes')).toBeUndefined()
  })
  it('counts spares on top: a tenth of the fixings, two connectors, one of each seal', () => {
    const list = sheet(one, two)
    expect(line(list, 'No. 8 wood screw, 40 mm')).toMatchObject({ count: 8, spare: 1 })
    expect(line(list, 'RJ45 plug, no boot')).toMatchObject({ count: 2, spare: 2 })
    expect(line(list, 'Gland M20, 6–12 mm')).toMatchObject({ count: 2, spare: 1, marks: ['01', '02'] })
    expect(line(list, 'Bit 2 mm (5/64")')).toMatchObject({ count: 1, spare: 1 })
    expect(line(list, 'Bit 10 mm (3/8")')).toMatchObject({ count: 1, spare: 0 })
  })
  it('takes whole tubes of sealant: three sides of every box, 28 mm² of bead', () => {
    expect(line(sheet(one), 'Silicone, tubes')).toMatchObject({ count: 1, spare: 1 })
    const many = Array.from({ length: 60 }, (_, i) => ({ ...one, id: `d${i}`, mark: `m${i}` }))
    expect(line(sheet(...many), 'Silicone, tubes')!.count).toBe(Math.ceil((60 * 3 * 120 * 28) / 1000 / 300))
  })
  it('cuts from a drum, but not a ready-made lead', () => {
    const lead = planned({
      cableId: 'lead-thin',
      cameraId: 'dome-back-box-4mp',
      mountIds: [],
      route: { laid: 'new', segments: [], cordsM: 0, forced: null, lead: { lengthM: 20, ...FED_FREELY } },
    })
    expect(sheet(lead).cuts).toMatchObject([{ cutM: null, installedM: 20 }])
    const made = 'Factory RJ45 plug with moulded boot'
    expect(line(sheet(lead), `Ready-made lead, stranded, 4.8 mm, 20 m: ${made}`)).toMatchObject({
      count: 1,
      unit: 'pieces',
    })
    const [shell, plug] = ['plug-factory-shell', 'plug-factory']
    const ends = { ...lead, terminate: { ...lead.terminate!, cameraEndId: shell, headEndId: plug } }
    const rows = (of: Device) =>
      pullTables(sheet(of), 'metric')
        .find(({ list }) => list === 'lead-list')!
        .rows[0]!.slice(2)
    expect(rows(lead)).toEqual(['20.0 m', `either end: ${made}`, '', '17.3 mm', '15.7 m'])
    expect(rows(ends)).toEqual([
      '20.0 m',
      'Factory RJ45 plug, no boot',
      'at the device: Factory RJ45 plug in a weatherproof shell',
      '15 mm',
      '15.7 m',
    ])
    expect(sheet(lead).van.some(({ kind }) => kind === 'connector')).toBe(false)
  })
  it('loads the patch leads of every link that has some', () => {
    const links = [2, 2, 0].map((cordsM, i) => ({
      ...one,
      ...{ id: `d${i}`, mark: `0${i}`, route: { ...one.route!, cordsM } },
    }))
    expect(line(sheet(...links), 'Patch leads of a link, 2 m in all')).toMatchObject({
      count: 2,
      marks: ['00', '01'],
    })
    expect(sheet(...links).van.filter(({ item }) => item.startsWith('Patch'))).toHaveLength(1)
  })
  it('agrees with the route stage on every run, for any job, and never counts less than nothing', () => {
    fc.assert(
      fc.property(anyJob, (j: Job) => {
        const list = pullSheet(j, CATALOGUE)
        for (const { mark, cutM } of list.cuts) {
          const d = j.devices.find((one) => one.mark === mark)
          const run = assess(j, CATALOGUE).runs.find((one) => one.mark === mark)
          const route = d ? assessDevice(d, j, CATALOGUE).stages!.route.result.drawing : run!.way!.drawing
          if (cutM !== null) expect(cutM).toBeCloseTo(route.cutM!, 9)
        }
        for (const { count, spare } of list.van)
          expect([Number.isFinite(count), count >= 0, spare >= 0]).toEqual([true, true, true])
        expect(new Set(list.van.map(({ kind, item }) => `${kind}${item}`)).size).toBe(list.van.length)
      }),
      { numRuns: runs(200) },
    )
  })
})

it.each([
  [['01', '02', '03', '05'], '01–03 05'],
  [['01', '02', '04'], '01 02 04'],
  [['R1', 'R2', 'R3', 'E4'], 'R1–R3 E4'],
  [['9', '10', '11'], '9–11'],
  [['011', '12', '13'], '011 12 13'],
  [['03', '02', '01'], '03 02 01'],
  [['A', 'B', 'C'], 'A B C'],
  [[], ''],
])('marks %j are told as %s', (marks, told) => {
  expect(marksWords(marks)).toBe(told)
})
