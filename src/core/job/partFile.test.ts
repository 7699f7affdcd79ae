import { describe, expect, it } from 'vitest'
import { CATALOGUE } from '@/catalogue'
import { device, equipment, job, said } from '@/testing/jobs'
import { allOf, ownPart } from '@/testing/ownParts'
import { PART_KINDS, PART_TABLES, type OwnPart, type PartTable } from '../parts'
import {
  apply,
  columnsOf,
  FLAT_TABLES,
  libraryOf,
  openPartLibrary,
  partsOfRows,
  rowsOfParts,
  usersOf,
  type Change,
  type Job,
} from '.'

/** Own parts in a job, and on their way from one to another. */

const names = (table: PartTable) => [...CATALOGUE[table].values()]
/** Every part of the catalogue as an own one, half of them not read at all. */
const every: OwnPart[] = PART_TABLES.flatMap((table) =>
  names(table).map((part, n) =>
    ownPart(table, part.id, n % 2 === 0 ? allOf(table, part) : {}, {
      id: `own-${table}-${n}`,
      name: `Ours ${n}`,
    }),
  ),
)

describe('a library', () => {
  it('is read as it was written', () => {
    expect(openPartLibrary(libraryOf(every))).toEqual({ ok: true, parts: every })
    expect(new Set(every.map(({ table }) => table)).size).toBe(PART_TABLES.length)
  })
  it.each([
    ['{', '', /not a JSON file/],
    ['[]', '/format', /no library|not a library/],
    [libraryOf([]).replace('parts"', 'job"'), '/format', /not a library/],
    [libraryOf([]).replace(/"version": \d+/, '"version": 99'), '/version', /Version 99/],
    [libraryOf([{ ...every[0]!, id: 'bullet' }]), '/parts/0/id', /begins with own-/],
    [libraryOf([{ ...every[0]!, unread: ['price'] }]), '/parts/0/unread', /not asked/],
    [libraryOf([{ ...every[0]!, table: 'engines' } as never]), '/parts/0/table', /./],
  ])('%.40s is refused at %s', (words, path, message) => {
    const read = openPartLibrary(words)
    expect(read.ok ? [] : read.reasons.map((reason) => reason.path)).toEqual([path])
    expect(read.ok ? '' : read.reasons[0]!.message).toMatch(message)
  })
})

describe('a table', () => {
  const id = () => '00000000-0000-4000-8000-000000000001'
  it.each(FLAT_TABLES)('of %s is read as it was written, what is not read and all', (table) => {
    const own = every.filter((one) => one.table === table)
    const rows = rowsOfParts(table, own)
    expect(Object.keys(rows[0]!)).toEqual(columnsOf(table))
    const read = partsOfRows(table, rows, CATALOGUE, 'imperial', id)
    expect(read).toEqual({ ok: true, parts: own })
  })
  it('holds the kinds without lists, and no other', () => {
    for (const table of PART_TABLES) {
      const rows = PART_KINDS[table].asks.some(({ way }) => way.as === 'rows')
      expect(FLAT_TABLES.includes(table), table).toBe(!rows)
    }
  })
  const row = { id: '', name: 'Yard cable', from: 'cat6-outdoor', sheet: '', diameterMm: '7/32"' }
  it('takes what a person wrote in it: a name of a choice, a fraction of an inch, and gives it an id', () => {
    const read = partsOfRows('cables', [{ ...row, kind: 'Pair', screened: 'Yes' }], CATALOGUE, 'metric', id)
    const [part] = read.ok ? read.parts : []
    expect(part).toMatchObject({
      id: `own-${id()}`,
      from: 'cat6-outdoor',
      part: { kind: 'pair', screened: true },
    })
    expect(part).toMatchObject({ part: { diameterMm: 5.55625 } }) // 7/32 of 25.4 mm
    expect(part!.unread).not.toContain('diameterMm')
    expect(part!.unread).toContain('awg')
  })
  it.each([
    [{ ...row, from: 'nothing' }, '/2/from', /"nothing" is no part to begin with/],
    [
      { ...row, diameterMm: 'thick' },
      '/2/diameterMm',
      /^Line 2: Across the jacket: "thick" is not understood/,
    ],
    [{ ...row, name: '' }, '/2/name', /Line 2: Give it a name/],
    [{ ...row, id: 'mine' }, '/2/id', /begins with own-/],
    [{ ...row, price: '4' }, '', /no column "price"/],
  ])('%j is refused at %s', (one, path, message) => {
    const read = partsOfRows('cables', [one], CATALOGUE, 'metric', id)
    expect(read.ok ? [] : read.reasons.map((reason) => reason.path)).toEqual([path])
    expect(read.ok ? '' : read.reasons[0]!.message).toMatch(message)
  })
  it('one bad line and nothing is taken', () => {
    const read = partsOfRows('cables', [row, { ...row, awg: 'x' }], CATALOGUE, 'metric', id)
    expect(read).toMatchObject({ ok: false, reasons: [{ path: '/3/awg' }] })
  })
})

describe('own parts of a job', () => {
  const camera = ownPart('cameras', 'bullet-4mp-vf', { massKg: '2 kg' })
  const after = (on: Job, change: Change) => {
    const applied = apply(on, said(change), CATALOGUE)
    return applied.ok ? applied.job : applied.reasons.map(({ path, message }) => `${path} ${message}`).join()
  }
  const holding = after(job({ devices: [device()] }), { type: 'putPart', part: camera }) as Job
  const used = after(holding, {
    type: 'editDevice',
    deviceId: 'device-1',
    change: { cameraId: 'own-1' },
  }) as Job

  it('are put in, changed in their place, and chosen like any part', () => {
    expect(holding.ownParts).toEqual([camera])
    expect(used.devices[0]!.cameraId).toBe('own-1')
    const heavier = ownPart('cameras', 'bullet-4mp-vf', { massKg: '3 kg' })
    expect((after(used, { type: 'putPart', part: heavier }) as Job).ownParts).toEqual([heavier])
    expect(usersOf(used, 'own-1').map(({ mark }) => mark)).toEqual([used.devices[0]!.mark])
  })
  it('are unknown to a job that does not hold them', () =>
    expect(
      after(job({ devices: [device()] }), {
        type: 'editDevice',
        deviceId: 'device-1',
        change: { cameraId: 'own-1' },
      }),
    ).toMatch(/no part "own-1"/))
  it('stay while something is made with them, wherever it names them', () => {
    const out: Change = { type: 'removePart', partId: 'own-1' }
    expect(after(used, out)).toMatch(/is made with it: choose another part there first/)
    expect((after(holding, out) as Job).ownParts).toEqual([])
    const box = ownPart('equipment', 'switch-8')
    const rack = { ...holding, ownParts: [box], equipment: [equipment({ partId: 'own-1' })] }
    expect(after(rack, out)).toMatch(/^\/partId E1 Switch is made with it/)
  })
  it('stay of their kind, and no two of a kind have one name', () => {
    expect(after(holding, { type: 'putPart', part: ownPart('cables', 'cat6') })).toMatch(/stays of its kind/)
    const other = ownPart('cameras', 'bullet-2mp-4', {}, { id: 'own-2' })
    expect(after(holding, { type: 'putPart', part: other })).toMatch(/name already/)
    const cable = ownPart('cables', 'cat6', {}, { id: 'own-2' })
    expect((after(holding, { type: 'putPart', part: cable }) as Job).ownParts).toHaveLength(2)
  })
  it('are at most three hundred', () => {
    const full = {
      ...holding,
      ownParts: Array.from({ length: 300 }, (_, n) => ({ ...camera, id: `own-x${n}` })),
    }
    const one = ownPart('cables', 'cat6', {}, { id: 'own-2' })
    expect(after(full, { type: 'putPart', part: one })).toMatch(/at most 300/)
    const change = ownPart('cameras', 'bullet-4mp-vf', {}, { id: 'own-x7', name: 'Seven' })
    expect(typeof after(full, { type: 'putPart', part: change })).toBe('object')
  })
})
