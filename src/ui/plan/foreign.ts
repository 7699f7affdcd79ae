import Papa from 'papaparse'
import { v4 as uuid } from 'uuid'
import { readGeoJson, readPoints, type Read } from '@/core/exchange'
import type { Floor, Job } from '@/core/job'

const MOST_BYTES = 20_000_000

/** Reads things out of a GeoJSON file or a CSV of points, told by what is in it. It needs no signal. */
export async function thingsIn(file: File, job: Job, floor: Floor): Promise<Read> {
  if (file.size > MOST_BYTES) return { ok: false, message: 'The file is larger than 20 MB.' }
  const words = (await file.text()).replace(/^\uFEFF/, '')
  const onto = { job, floor, anchor: job.site, newId: () => uuid() }
  if (/^\s*[{[]/.test(words)) return readGeoJson(words, onto)
  const { data, errors } = Papa.parse<Record<string, string>>(words, {
    header: true,
    skipEmptyLines: 'greedy',
    transformHeader: (heading) => heading.trim().toLowerCase(),
  })
  const quotes = errors.find(({ type }) => type === 'Quotes')
  if (quotes) return { ok: false, message: `Line ${(quotes.row ?? 0) + 2}: ${quotes.message}.` }
  return readPoints(data, onto)
}
