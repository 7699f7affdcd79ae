import { mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import Papa from 'papaparse'
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { CATALOGUE } from '@/catalogue'
import { openJobFile, type Job } from '@/core/job'
import { mountTemplate } from '@/core/mount'
import { resolve } from '@/core/parts'
import { boxTable, pullSheet, pullTables } from '@/core/pull'
import { load } from '../commands/batch'
import { openRecord, type Db } from '../db/open'
import { importJobFile } from '../imports/jobFile'
import { attachment } from '../exports/attachment'
import { PULL_LISTS } from '../exports/csv'
import { boxPlans } from '../exports/boxPlan'
import { pullPdf } from './pullPdf'
import { recordPdf } from './recordPdf'
import { templatePdf } from './templatePdf'

/** Reads a PDF back with a general PDF library. */
async function pagesOf(bytes: Uint8Array): Promise<string[]> {
  const pdf = await getDocument({ data: new Uint8Array(bytes), useSystemFonts: false, verbosity: 0 }).promise
  return Promise.all(
    Array.from({ length: pdf.numPages }, async (_, i) =>
      (await (await pdf.getPage(i + 1)).getTextContent()).items
        .map((item) => ('str' in item ? item.str : ''))
        .join(' '),
    ),
  )
}

const print = (deviceId: string | null) =>
  recordPdf({ job, deviceId, today: '2026-11-24', picture: () => null })

let folder: string
let db: Db
let job: Job
beforeAll(async () => {
  folder = mkdtempSync(join(tmpdir(), 'neat-bracket-'))
  db = openRecord(folder)
  const words = readFileSync('demo/jobs/2-tamarisk-surgery.job.json', 'utf8')
  expect(await importJobFile(db, folder, words, false)).toMatchObject({ ok: true })
  job = load(db, 'tamarisk-surgery')!.job
  const opened = openJobFile(words)
  expect(opened.ok && opened.file.job).toEqual(job) // the demo file holds together and comes back as it was
})
afterAll(() => {
  db.close()
  rmSync(folder, { recursive: true })
})

describe('the printed record', () => {
  it('of a job says what is seen of every floor on which a camera stands', async () => {
    const words = readFileSync('demo/jobs/3-kestrel-quay.job.json', 'utf8')
    const opened = openJobFile(words)
    if (!opened.ok) throw new Error('The demo job cannot be read.')
    const yard = { ...opened.file.job, records: [], photos: [], faults: [] }
    const pdf = await recordPdf({ job: yard, deviceId: null, today: '2026-11-24', picture: () => null })
    const text = (await pagesOf(pdf!)).join(' ').replace(/\s+/g, ' ')
    expect(text).toMatch(/What is seen: Ground 3 of 4 areas of interest are met/)
    expect(text).toMatch(/Slipway promised recognise on [\d.]+ m²; reached on 8\d %/)
    expect(text.match(/What is seen/g)).toHaveLength(1)
  })
  it('of a job has every device, its figures in the job’s units, its steps and faults', async () => {
    const text = (await pagesOf((await print(null))!)).join(' ').replace(/\s+/g, ' ')
    for (const name of [
      'Tamarisk surgery',
      'Front porch',
      'Car park',
      'Waiting room',
      'px/ft',
      'Two screws where the box asks for four',
      'Silicone over the drilled hole',
    ])
      expect(text).toContain(name)
    expect(text).toMatch(/Install log, \d+ of \d+/)
    expect(text).toMatch(/Stop Measure the volts at the camera 10.4 V/)
    expect(text).not.toContain('Ω') // the shipped font has none
  })
  it('every page tells its job, address, day and place among the pages; the last has room to sign', async () => {
    const pages = await pagesOf((await print(null))!)
    for (const [index, page] of pages.entries()) {
      const text = page.replace(/\s+/g, ' ')
      expect(text).toContain(job.name)
      expect(text).toContain(job.address)
      expect(text).toMatch(/\d{4}-\d{2}-\d{2}/)
      expect(text).toContain(`${index + 1} of ${pages.length}`)
    }
    for (const signer of ['Installed by', 'Checked by', 'Customer']) expect(pages.join(' ')).toContain(signer)
  })
  it('of one device has that device alone, and none for a device that is not there', async () => {
    const text = (await pagesOf((await print('device-01'))!)).join(' ')
    expect(text).toContain('Front porch')
    expect(text).not.toContain('Waiting room')
    expect(await print('gone')).toBeNull()
  })
})

it('names downloads plainly', () => {
  expect(attachment('Kestrel Quay boatyard', 'pdf')).toEqual({
    'content-disposition': 'attachment; filename="kestrel-quay-boatyard.pdf"',
  })
  expect(attachment('../../ Ünï"\r\nx', 'job.json')).toEqual({
    'content-disposition': 'attachment; filename="u-ni-x.job.json"',
  })
  expect(attachment('…', 'pdf')).toEqual({ 'content-disposition': 'attachment; filename="job.pdf"' })
})

describe('the drilling template as PDF', () => {
  const template = () => {
    const context = resolve(job.devices[0]!, job, CATALOGUE)
    if ('missing' in context) throw new Error('missing')
    return mountTemplate(context, job.devices[0]!.mount!, job.devices[0]!)
  }
  it.each([
    ['a4', 595.28, 841.89],
    ['letter', 612, 792],
  ] as const)('prints on %s at 1:1', async (paper, width, height) => {
    const pdf = await getDocument({
      data: new Uint8Array(await templatePdf(template(), paper, 'Tamarisk surgery')),
      verbosity: 0,
    }).promise
    const page = await pdf.getPage(1)
    const [, , right, top] = page.view
    expect([right, top]).toEqual([expect.closeTo(width, 1), expect.closeTo(height, 1)])
    const { items } = await page.getTextContent()
    // "must measure 100 mm" starts 2 mm behind the scale, which starts 12 mm from the edge: 114 mm in points.
    const scale = items.find((item) => 'str' in item && item.str.startsWith('must measure 100'))
    expect(scale && 'transform' in scale ? (scale.transform as number[])[4] : 0).toBeCloseTo(
      (114 * 72) / 25.4,
      0,
    )
    expect(items.map((item) => ('str' in item ? item.str : '')).join(' ')).toContain('Print at 100 %')
  })
})

it('lists come as CSV in the units of the job, with marks that keep their nought and nothing that runs', () => {
  const sheet = pullSheet(job, CATALOGUE)
  const rows = (list: keyof typeof PULL_LISTS, of = job) =>
    Papa.parse<Record<string, string>>(PULL_LISTS[list](sheet, of).slice(1), { header: true }).data
  expect(PULL_LISTS['cut-list'](sheet, job).charCodeAt(0)).toBe(0xfeff) // or a spreadsheet reads é as Ã©
  expect(rows('cut-list')[0]).toMatchObject({
    device: '01 Front porch',
    cable: 'Siamese (combined) RG59 with 18 AWG pair, 9.5 mm',
    cut: expect.stringMatching(/^\d+'( \d+")?$/) as string,
  })
  expect(rows('cut-list', { ...job, units: 'metric' })[0]!.cut).toMatch(/^\d+(\.\d+)? m$/)
  expect(rows('drill-list').map(({ bit }) => bit)).toContain('5/64" (2 mm)')
  const tricky = { ...job, devices: job.devices.map((device) => ({ ...device, name: '=1+1' })) }
  const devices = rows('van-list', {
    ...tricky,
    devices: tricky.devices.map((device) => ({ ...device, mark: '@1' })),
  }).map(({ devices }) => devices!)
  expect(devices.every((cell) => !/^[=+\-@]/.test(cell))).toBe(true)
})

it('the pull sheet has every cell of every table of the screen, and the cautions of the way', async () => {
  const opened = openJobFile(readFileSync('demo/jobs/3-kestrel-quay.job.json', 'utf8'))
  if (!opened.ok) throw new Error('The demo is not whole.')
  const { job: yard } = opened.file
  const pages = await pagesOf(await pullPdf({ job: yard, today: '2026-11-24', onProgress: () => undefined }))
  const bare = (words: string) => words.replaceAll(/\s/g, '')
  const printed = bare(pages.join(' '))
  const boxes = (await boxPlans(yard, () => undefined)).map((plan) => boxTable(plan, yard.units))
  const tables = [...pullTables(pullSheet(yard, CATALOGUE), yard.units), ...boxes]
  expect(tables.filter(({ rows }) => rows.length > 0).length).toBeGreaterThan(6)
  for (const { title, heads, shares, rows } of tables) {
    expect(shares.reduce((sum, share) => sum + share, 0)).toBeCloseTo(1)
    if (rows.length === 0) continue
    // A cell that runs on is broken between its words, among those of its neighbours.
    const words = [title, ...heads, ...rows.flat()].flatMap((cell) => cell.split(' '))
    expect(words.filter((word) => !printed.includes(bare(word)))).toEqual([])
  }
  expect(printed).toContain(bare('Step on joists only'))
})
