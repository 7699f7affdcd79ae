import 'server-only'
import { CATALOGUE } from '@/catalogue'
import { assess } from '@/core/assess'
import { geoJsonOf } from '@/core/exchange'
import type { Job } from '@/core/job'
import { withOwn, type Catalogue } from '@/core/parts'
import { bundlesOf, ledOn, type Bundle } from '@/core/pathway'
import { imagerOf, SIGHT_LIMITS, surveyRequest, surveySteps } from '@/core/sight'
import { planSheet, planSheetSvg, scaleWords, SHEETS, type SheetWish } from '@/drawings/sheet'
import { planDxf } from '../exports/planDxf'
import { fontStyle, widthOf } from './fonts'
import { planSheetPdf } from './planSheetPdf'

/** What a plan can be had as: a sheet to scale, or a file for other programs. */
export const PLAN_FORMATS = {
  pdf: 'application/pdf',
  svg: 'image/svg+xml',
  geojson: 'application/geo+json',
  dxf: 'image/vnd.dxf',
} as const
export type PlanFormat = keyof typeof PLAN_FORMATS

export interface PlanOrder {
  readonly wish: SheetWish
  /** Whether what is seen is shown where faces are, not on the ground. */
  readonly faces: boolean
  readonly format: PlanFormat
}

interface Printing extends PlanOrder {
  readonly job: Job
  /** ISO date that stands on the sheet. */
  readonly today: string
  /** The drawing under the plan as JPEG by its hash; null when it is not here. */
  readonly picture: (sha256: string) => Uint8Array | null
  readonly onProgress?: (done: number, total: number) => void
}

export type PrintedPlan =
  | { readonly ok: true; readonly bytes: Uint8Array }
  | { readonly ok: false; readonly message: string }

/** The plan of a floor, surveyed and printed or written out; says in words why where that cannot be. */
export function planPrint(of: Printing): Promise<PrintedPlan> {
  if (of.format === 'geojson') return Promise.resolve(geoJson(of))
  if (of.format === 'dxf') return Promise.resolve(words(planDxf(of.job, of.wish.floor, surveyed(of))))
  return sheet(of)
}

const words = (said: string): PrintedPlan => ({ ok: true, bytes: Buffer.from(said, 'utf8') })

function geoJson(of: Printing): PrintedPlan {
  const { job, wish } = of
  if (!job.site)
    return {
      ok: false,
      message:
        'GeoJSON lies on the earth: say first where this site lies, under “Where it lies”. DXF needs none.',
    }
  const catalogue = withOwn(CATALOGUE, job.ownParts)
  return words(JSON.stringify(geoJsonOf(job, job.site, wish.floor, surveyed(of), catalogue)))
}

async function sheet(of: Printing): Promise<PrintedPlan> {
  const { job, wish, today } = of
  const catalogue = withOwn(CATALOGUE, job.ownParts)
  const laid = planSheet(
    {
      job,
      survey: surveyed(of),
      bundles: wish.cables ? cablesOf(job, catalogue) : [],
      devices: assess(job, CATALOGUE).devices,
      cameraName: ({ cameraId }) => catalogue.cameras.get(cameraId)?.name ?? cameraId,
      halfFov: ({ cameraId, sight }) => {
        const camera = catalogue.cameras.get(cameraId)
        return camera && sight ? imagerOf(camera, sight.focalMm, sight.portrait).horizontalFovDeg / 2 : 30
      },
      today,
    },
    wish,
    widthOf,
  )
  if ('fits' in laid) return { ok: false, message: tooLarge(job, wish, laid.fits) }
  if (of.format === 'pdf') return { ok: true, bytes: await planSheetPdf(laid, of.picture) }
  const address = (sha256: string) => {
    const bytes = of.picture(sha256)
    return bytes && `data:image/jpeg;base64,${Buffer.from(bytes).toString('base64')}`
  }
  return words(planSheetSvg(laid, fontStyle(), address))
}

const cablesOf = (job: Job, catalogue: Catalogue): readonly Bundle[] =>
  bundlesOf(ledOn(job, catalogue).flatMap(({ found }) => ('way' in found ? [found.way] : [])))

function surveyed({ job, wish, faces, onProgress }: Printing) {
  if (wish.seen === 'none') return null
  const planeM = faces ? SIGHT_LIMITS.faceHeightM.value : 0
  const steps = surveySteps(surveyRequest(job, withOwn(CATALOGUE, job.ownParts), wish.floor, planeM))
  for (;;) {
    const { done, value } = steps.next()
    if (done) return value
    onProgress?.(Math.floor(value * 100), 100)
  }
}

function tooLarge({ units }: Job, { paper, upright, scale }: SheetWish, fits: number | null): string {
  const on = `${SHEETS[paper].name}${upright ? ', upright' : ''}`
  const what = scale === null ? 'The plan' : `At ${scaleWords(scale, units)} the plan`
  return fits === null
    ? `${what} does not fit on ${on} at any usual scale.`
    : `${what} does not fit on ${on}: ${scaleWords(fits, units)} does, or take a larger paper.`
}
