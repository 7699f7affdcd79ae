import 'server-only'
import { CATALOGUE } from '@/catalogue'
import {
  assess,
  type Assessment,
  type DeviceAssessment,
  type EquipmentAssessment,
  type Mark,
  type RunAssessment,
} from '@/core/assess'
import { PLANNED_STAGES, type Finding, type Verdict } from '@/core/findings'
import {
  deviceRecord,
  equipmentRecord,
  runRecord,
  surveyedFloors,
  surveyRecord,
  type DeviceRecord,
} from '@/core/handover'
import type { Job } from '@/core/job'
import { withOwn } from '@/core/parts'
import { survey, surveyRequest } from '@/core/sight'
import { printReading } from '@/core/units'
import type { UnitSystem } from '@/core/units'
import { drawingsOf, photoDrawing } from '@/drawings'
import type { PDFImage } from 'pdf-lib'
import { Sheet, SOFT, type Pictured } from './sheet'

/** Words only: the signs of the screen are not in the shipped font. */
const MARK_WORDS: Record<Mark, string> = {
  'not planned': '',
  'ready': 'ready',
  'done': 'done',
  'check': 'CHECK',
  'stop': 'STOP',
}
const VERDICT_WORDS: Record<Verdict, string> = { good: 'Good', check: 'Check', stop: 'Stop' }
const SIGNERS = ['Installed by', 'Checked by', 'Customer']

const cap = (words: string) => words[0]!.toUpperCase() + words.slice(1)

interface Printing {
  readonly job: Job
  /** The one device to print; null for all of them with a cover. */
  readonly deviceId: string | null
  /** ISO date that stands on the pages. */
  readonly today: string
  /** A photo as JPEG by its hash; null when it is not here. */
  readonly picture: (sha256: string) => Uint8Array | null
  readonly onProgress?: (done: number, total: number) => void
}

/** The record of a job, or of one of its devices, as PDF for A4. Null when there is no such device. */
export async function recordPdf({
  job,
  deviceId,
  today,
  picture,
  onProgress,
}: Printing): Promise<Uint8Array | null> {
  const assessment = assess(job, CATALOGUE)
  const devices =
    deviceId === null
      ? assessment.devices
      : assessment.devices.filter((device) => device.deviceId === deviceId)
  if (devices.length === 0 && deviceId !== null) return null
  const sheet = await Sheet.start(
    `${job.name}: record`,
    [job.name, job.address, today].filter(Boolean).join(' · '),
  )
  if (deviceId === null) cover(sheet, job, assessment, today)
  if (deviceId === null) surveys(sheet, job, devices)
  const images = new Map<string, PDFImage>()
  const embedded: Embedded = async (sha256) => {
    const bytes = images.has(sha256) ? null : picture(sha256)
    if (bytes) images.set(sha256, await sheet.embed(bytes))
    return images.get(sha256) ?? null
  }
  for (const [index, device] of devices.entries()) {
    onProgress?.(index, devices.length)
    sheet.newPage()
    await devicePages(sheet, job, device, today, embedded)
    await new Promise((carryOn) => setImmediate(carryOn))
  }
  if (deviceId === null) {
    const { equipment, runs } = assessment
    const pieces = equipment.map((one, i): Page => [one, equipmentRecord(job, job.equipment[i]!, one)])
    const cables = runs.map((one, i): Page => [one, runRecord(job, job.runs[i]!, one)])
    await markedPages(sheet, job, [...pieces, ...cables], embedded)
  }
  sheet.signatures(SIGNERS)
  onProgress?.(devices.length, devices.length)
  return sheet.finish()
}

/** A photo of the record in the sheet; null where its bytes are not here. */
type Embedded = (sha256: string) => Promise<PDFImage | null>

function cover(
  sheet: Sheet,
  job: Job,
  { sentence, devices, equipment, runs }: Assessment,
  today: string,
): void {
  sheet.text(job.name, { size: 20, bold: true, after: 4 })
  sheet.text(
    [job.address, job.headEnd ? `head end: ${job.headEnd}` : '', today].filter(Boolean).join(' · '),
    { color: SOFT, after: 8 },
  )
  sheet.text(`${sentence} Pin scheme ${job.policies.pinScheme} at both ends.`, { after: 8 })
  for (const { mark, name, stages, log } of devices) {
    const planned = PLANNED_STAGES.flatMap((stage) => {
      const state = stages?.[stage]
      if (!state?.planned) return []
      const word = MARK_WORDS[state.mark]
      return [`${stage} ${printReading(state.result.headline, job.units)}${word ? ` (${word})` : ''}`]
    })
    sheet.row([
      { words: `${mark} ${name}`, share: 0.27, bold: true },
      { words: planned.join(', '), share: 0.63 },
      { words: `${log.done}/${log.total}`, share: 0.1, right: true },
    ])
  }
  const beside = [
    ...equipment.map((one) => ({ ...one, is: one.partName })),
    ...runs.map((one) => ({ ...one, is: `${one.carries}: ${one.ends}` })),
  ]
  for (const { mark, name, is, verdict, log } of beside) {
    const word = verdict === 'good' ? '' : ` (${MARK_WORDS[verdict]})`
    sheet.row([
      { words: `${mark} ${name}`, share: 0.27, bold: true },
      { words: `${is}${word}`, share: 0.63 },
      { words: `${log.done}/${log.total}`, share: 0.1, right: true },
    ])
  }
}

/** What is seen of every floor: promised against reached, blind spots, the sun. */
function surveys(sheet: Sheet, job: Job, devices: readonly DeviceAssessment[]): void {
  const catalogue = withOwn(CATALOGUE, job.ownParts)
  for (const floor of surveyedFloors(job)) {
    const record = surveyRecord(job, devices, survey(surveyRequest(job, catalogue, floor)))
    sheet.heading(record.title, 14)
    sheet.text(record.sentence, { after: 4 })
    factRows(sheet, record)
    for (const finding of record.findings) trouble(sheet, job, finding)
    sheet.text(`Not judged: ${record.unjudged.join(' ')}`, { size: 7.5 })
  }
}

async function devicePages(
  sheet: Sheet,
  job: Job,
  assessed: DeviceAssessment,
  today: string,
  embedded: Embedded,
): Promise<void> {
  const device = job.devices.find(({ id }) => id === assessed.deviceId)!
  const record = deviceRecord(job, device, assessed, CATALOGUE)
  const drawings = drawingsOf(assessed, job.units, 460)
  sheet.heading(`${device.mark}  ${device.name}`, 14)
  sheet.text([job.name, job.address, today].filter(Boolean).join(' · '), { size: 8.5, color: SOFT })
  sheet.text(assessed.sentence, { after: 4 })
  factRows(sheet, record)
  for (const stage of PLANNED_STAGES) {
    const state = assessed.stages?.[stage]
    const drawing = drawings[stage]
    if (!state?.planned || !drawing) continue
    const word = MARK_WORDS[state.mark]
    sheet.drawing(
      `${cap(stage)}${word ? ` (${word})` : ''}`,
      drawing,
      310,
      state.result.figures.map(({ label, reading }) => [
        label.replace('· ', ''),
        printReading(reading, job.units),
      ]),
    )
    for (const finding of state.result.findings) trouble(sheet, job, finding)
    sheet.text(`Not judged: ${state.unjudged.join(' ')}`, { size: 7.5 })
  }
  log(sheet, assessed)
  await end(sheet, record, job.units, embedded)
}

type Page = readonly [assessed: EquipmentAssessment | RunAssessment, record: DeviceRecord]

/** Every piece of equipment, then every run, one after the other. */
async function markedPages(
  sheet: Sheet,
  job: Job,
  pages: readonly Page[],
  embedded: Embedded,
): Promise<void> {
  if (pages.length > 0) sheet.newPage()
  for (const [assessed, record] of pages) {
    sheet.heading(`${assessed.mark}  ${assessed.name}`, 14)
    sheet.text(assessed.sentence, { after: 4 })
    factRows(sheet, record)
    for (const finding of assessed.findings) trouble(sheet, job, finding)
    if (assessed.unjudged.length > 0) sheet.text(`Not judged: ${assessed.unjudged.join(' ')}`, { size: 7.5 })
    log(sheet, assessed)
    await end(sheet, record, job.units, embedded)
  }
}

function factRows(sheet: Sheet, { facts }: Pick<DeviceRecord, 'facts'>): void {
  for (const { label, says } of facts)
    sheet.row([
      { words: label, share: 0.25, soft: true },
      { words: says, share: 0.75, right: true },
    ])
}

function trouble(sheet: Sheet, job: Job, { verdict, title, figure, advice }: Finding): void {
  if (verdict === 'good') return
  const words = `${VERDICT_WORDS[verdict]}: ${title}. ${printReading(figure, job.units)}. ${advice}`
  sheet.text(words, { size: 8.5 })
}

function log(sheet: Sheet, assessed: Pick<DeviceAssessment, 'log' | 'steps' | 'earlier'>): void {
  sheet.heading(`Install log, ${assessed.log.done} of ${assessed.log.total}`, 11)
  for (const { step, record: done, verdict, says } of assessed.steps) {
    sheet.row([
      { words: verdict ? VERDICT_WORDS[verdict] : 'open', share: 0.08, bold: true },
      { words: step.title, share: 0.42 },
      { words: says, share: 0.3 },
      { words: done ? `${done.by}, ${done.at.slice(0, 10)}` : '', share: 0.2, soft: true, right: true },
    ])
  }
  if (assessed.earlier.length > 0) sheet.heading('Recorded for an older plan', 11)
  for (const { title, says, by, at } of assessed.earlier)
    sheet.row([
      { words: title, share: 0.5 },
      { words: says, share: 0.3 },
      { words: `${by}, ${at.slice(0, 10)}`, share: 0.2, soft: true, right: true },
    ])
}

/** Drawing units across a photo: words on it come out as large as those under it. */
const ACROSS = 260

async function end(sheet: Sheet, record: DeviceRecord, units: UnitSystem, embedded: Embedded): Promise<void> {
  if (record.faults.length > 0) sheet.heading('Faults', 11)
  for (const { title, state, history } of record.faults) sheet.text(`${title} (${state}). ${history}`)
  const pictures: Pictured[] = []
  for (const photo of record.photos) {
    const image = await embedded(photo.sha256)
    if (!image) continue
    const over = { width: ACROSS, height: (ACROSS * image.height) / image.width, units }
    const drawn = photo.marks.length > 0 ? photoDrawing(photo.marks, over) : null
    pictures.push({ image, caption: `${photo.caption} ${photo.at.slice(0, 10)}`, drawn })
  }
  if (pictures.length > 0) sheet.space(8)
  sheet.pictures(pictures)
}
