import type { Job } from '../job/job'
import type { Catalogue } from '../parts'
import type { PullPlan } from '../pathway'
import type { CableNeed } from '../reels'
import { print } from '../units'
import { pullSheet } from './lists'
import { cableNeeds } from './needs'
import { ofPulls } from '../route'
import { pullTables, type PullTable } from './tables'

/** A pull sheet as the screen shows it, in words. */
export interface ShownSheet {
  readonly sentence: string
  readonly cautions: readonly string[]
  readonly tables: readonly PullTable[]
  readonly pulls: PullPlan
  /** What is still to be cut from boxes. */
  readonly needs: readonly CableNeed[]
}

/** What of a job its pull sheet rests on, and no more: a large one is told to a worker. */
export const sheetOf = (job: Job): Job => ({ ...job, records: ofPulls(job.records), photos: [], faults: [] })

export function shownSheet(job: Job, catalogue: Catalogue): ShownSheet {
  const sheet = pullSheet(job, catalogue)
  const { cuts, drills } = sheet
  const cutM = cuts.reduce((sum, cut) => sum + (cut.cutM ?? 0), 0)
  const holes = drills.reduce((sum, { count }) => sum + count, 0)
  return {
    sentence:
      cuts.length === 0 && drills.length === 0
        ? 'Nothing is planned to cut or drill yet.'
        : `${counted(cuts.length, 'run')}, ${print({ value: cutM, kind: 'cut' }, job.units)} to cut; ` +
          `${counted(holes, 'hole')} to drill.`,
    cautions: sheet.cautions,
    tables: pullTables(sheet, job.units),
    pulls: sheet.pulls,
    needs: cableNeeds(job, catalogue),
  }
}

const counted = (count: number, one: string) => `${count} ${one}${count === 1 ? '' : 's'}`
