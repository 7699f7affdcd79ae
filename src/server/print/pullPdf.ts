import 'server-only'
import { CATALOGUE } from '@/catalogue'
import type { Job } from '@/core/job'
import { isBundled, treesOf, type PullPlan } from '@/core/pathway'
import { ALONG_NOTE, boxTable, endWords, pullSheet, pullTables, type PullTable } from '@/core/pull'
import { bundleDrawings } from '@/drawings'
import { boxPlans } from '../exports/boxPlan'
import { Sheet, SOFT } from './sheet'

interface Printing {
  readonly job: Job
  /** ISO date that stands on the pages. */
  readonly today: string
  readonly onProgress: (done: number, total: number) => void
}

/** The pull sheet as PDF for A4: what to cut, from which box, what to pull together, to drill and to load. */
export async function pullPdf({ job, today, onProgress }: Printing): Promise<Uint8Array> {
  const sheet = await Sheet.start(
    `${job.name}: pull sheet`,
    [job.name, job.address, today].filter(Boolean).join(' · '),
  )
  const pull = pullSheet(job, CATALOGUE)
  sheet.heading(`${job.name}: pull sheet`, 16)
  for (const caution of pull.cautions) sheet.text(`Mind: ${caution}`, { size: 8.5 })
  const [cuts, ...others] = pullTables(pull, job.units)
  const boxes = (await boxPlans(job, onProgress)).map((plan) => boxTable(plan, job.units))
  for (const table of [cuts!, ...boxes, ...others]) {
    tableOn(sheet, table)
    if (table.list === 'pull-list') alongOn(sheet, pull.pulls, job)
  }
  if (pull.cuts.length === 0 && pull.drills.length === 0 && pull.van.length === 0)
    sheet.text('Nothing is planned to cut, to drill or to load yet.')
  return sheet.finish()
}

function tableOn(sheet: Sheet, { title, heads, shares, rows, note }: PullTable): void {
  if (rows.length === 0) return
  const cells = (words: readonly string[], bold: boolean) =>
    words.map((said, i) => ({ words: said, share: shares[i]!, bold }))
  sheet.heading(title, 11)
  sheet.row(cells(heads, true), 8)
  for (const row of rows) sheet.row(cells(row, false), 8, cells(heads, true))
  if (note) sheet.text(note, { size: 8, color: SOFT })
}

/** Wider than the page: its words come out as large as those of the tables. */
const DRAWN = 640

function alongOn(sheet: Sheet, plan: PullPlan, job: Job): void {
  const trees = treesOf(plan).filter(isBundled)
  for (const { title, drawing } of bundleDrawings(trees, endWords(job), job.units, DRAWN))
    sheet.drawing(`Bundles along the site. ${title}`, drawing, sheet.width, [])
  if (trees.length > 0) sheet.text(ALONG_NOTE, { size: 8, color: SOFT })
}
