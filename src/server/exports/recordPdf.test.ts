import { mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { openJobFile, type Job } from '@/core/job'
import { load } from '../commands/batch'
import { openRecord, type Db } from '../db/open'
import { importJobFile } from '../imports/jobFile'
import { attachment } from './attachment'
import { recordPdf } from './recordPdf'

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
    expect(text).toContain('STOP')
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
