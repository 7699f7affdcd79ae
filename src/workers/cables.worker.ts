import { expose } from 'comlink'
import { CATALOGUE } from '@/catalogue'
import type { Job } from '@/core/job'
import { withOwn } from '@/core/parts'
import { foundOn, type FoundOf, type LedJob } from '@/core/pathway'
import { shownSheet, type ShownSheet } from '@/core/pull'

/** Leads the cables of large jobs beside the page: over many pathways that takes longer than a frame. */
const cables = {
  found: (job: LedJob): readonly FoundOf[] => foundOn(job, withOwn(CATALOGUE, job.ownParts)),
  sheet: (job: Job): ShownSheet => shownSheet(job, CATALOGUE),
}

export type CablesWorker = typeof cables

expose(cables)
