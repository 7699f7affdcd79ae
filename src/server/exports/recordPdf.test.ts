import { mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { CATALOGUE } from '@/catalogue'
import { openJobFile, type Job } from '@/core/job'
import { mountTemplate } from '@/core/mount'
import { resolve } from '@/core/parts'
import { pullSheet } from '@/core/pull'
import { load } from '../commands/batch'
import { openRecord, type Db } from '../db/open'
import { importJobFile } from '../imports/jobFile'
import { attachment } from './attachment'
import { PULL_LISTS } from './csv'
import { recordPdf } from './recordPdf'
import { templatePdf } from './templatePdf'

/** Reads a PDF back with a general PDF library. */
async function pagesOf(bytes: Buffer): Promise<string[]> {
  const pdf = await getDocument({ data: new Uint8Array(bytes), useSystemFonts: false, verbosity: 0 }).promise
  return Promise.all(Array.from({ length: pdf.numPages }, async (_, i) => (await (await pdf.getPage(i + 1)).getTextContent()).items.map((item) => ('str' in item ? item.str : '')).join(' ')))
}

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
  it('of a job has every device, its figures in the job’s units, its steps and faults', async () => {
    const text = (await pagesOf((await recordPdf(db, folder, job, null))!)).join(' ').replace(/\s+/g, ' ')
    for (const name of ['Tamarisk surgery', 'Front porch', 'Car park', 'Waiting room', 'px/ft', 'Two screws where the box asks for four', 'Silicone over the drilled hole']) expect(text).toContain(name)
    expect(text).toMatch(/Install log, \d+ of \d+/)
    expect(text).toMatch(/Stop Measure the volts at the camera 10.4 V/)
    expect(text).not.toContain('Ω') // the shipped font has none
  })
  it('of one device has that device alone, and none for a device that is not there', async () => {
    const text = (await pagesOf((await recordPdf(db, folder, job, 'device-01'))!)).join(' ')
    expect(text).toContain('Front porch')
    expect(text).not.toContain('Waiting room')
    expect(await recordPdf(db, folder, job, 'gone')).toBeNull()
  })
})

it('names downloads plainly', () => {
  expect(attachment('Kestrel Quay boatyard', 'pdf')).toEqual({ 'content-disposition': 'attachment; filename="kestrel-quay-boatyard.pdf"' })
  expect(attachment('../../ Ünï"\r\nx', 'job.json')).toEqual({ 'content-disposition': 'attachment; filename="u-ni-x.job.json"' })
  expect(attachment('…', 'pdf')).toEqual({ 'content-disposition': 'attachment; filename="job.pdf"' })
})

describe('the drilling template as PDF', () => {
  const template = () => {
    const context = resolve(job.devices[0]!, job, CATALOGUE)
    if ('missing' in context) throw new Error('missing')
    return mountTemplate(context, job.devices[0]!.mount!)
  }
  it.each([['a4', 595.28, 841.89], ['letter', 612, 792]] as const)('prints on %s at 1:1', async (paper, width, height) => {
    const pdf = await getDocument({ data: new Uint8Array(await templatePdf(template(), paper)), verbosity: 0 }).promise
    const page = await pdf.getPage(1)
    const [, , right, top] = page.view
    expect([right, top]).toEqual([expect.closeTo(width, 1), expect.closeTo(height, 1)])
    const { items } = await page.getTextContent()
    // "must measure 100 mm" starts 2 mm behind the scale, which starts 12 mm from the edge: 114 mm in points.
    const scale = items.find((item) => 'str' in item && item.str.startsWith('must measure 100'))
    expect(scale && 'transform' in scale ? (scale.transform as number[])[4] : 0).toBeCloseTo((114 * 72) / 25.4, 0)
    expect(items.map((item) => ('str' in item ? item.str : '')).join(' ')).toContain('Print at 100 %')
  })
})

it('lists come as CSV with their units in the heads', () => {
  const sheet = pullSheet(job, CATALOGUE)
  const [heads, first] = PULL_LISTS['cut-list'](sheet).split('\r\n')
  expect(heads).toBe('mark,name,cable,cut_m,installed_m')
  expect(first).toMatch(/^01,Front porch,"RG59 with 18 AWG power pair, 9.5 mm",[\d.]+,[\d.]+$/)
  expect(PULL_LISTS['van-list'](sheet).split('\r\n')[0]).toBe('kind,item,count,spare,unit,devices')
  expect(PULL_LISTS['drill-list'](sheet)).toContain('"5/64"" (2 mm)"')
})
