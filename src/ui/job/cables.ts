import { wrap, type Remote } from 'comlink'
import { useCallback, useEffect, useMemo, useRef, useState } from 'react'
import { CATALOGUE } from '@/catalogue'
import { MOST_AT_ONCE } from '@/core/assess'
import type { Job } from '@/core/job'
import { withOwn } from '@/core/parts'
import { isQuick, ledOn, takeFound } from '@/core/pathway'
import { isOfCables } from '@/core/plan'
import { sheetOf, shownSheet, type ShownSheet } from '@/core/pull'
import type { CablesWorker } from '@/workers/cables.worker'

let held: Remote<CablesWorker> | null = null

/** The one worker of the page. */
function worker(): Remote<CablesWorker> {
  held ??= wrap<CablesWorker>(
    new Worker(new URL('../../workers/cables.worker.ts', import.meta.url), { type: 'module' }),
  )
  return held
}

/** Fetches the worker, so that it is there when a large job is. */
export function warm(): void {
  if (typeof Worker !== 'undefined') worker()
}

/** Looks for the ways of a job beside the page, or on its thread where that does not do. */
async function find(job: Job): Promise<void> {
  const { devices, equipment, runs, floorHeightsM, ownParts } = job
  const catalogue = withOwn(CATALOGUE, ownParts)
  const things = job.things.filter(isOfCables)
  try {
    const found = await worker().found({ devices, equipment, runs, floorHeightsM, ownParts, things })
    takeFound(job, catalogue, found)
  } catch {
    ledOn(job, catalogue)
  }
}

/**
 * The job, or the last state of it whose cables are led: where a pathway among many has changed, their ways
 * are looked for beside the page. `mayWait` says whether what is shown may be of the last state so long.
 */
export function useLed(job: Job, mayWait: (job: Job, last: Job) => boolean = () => true): Job {
  const [led, lead] = useState(job)
  const waits =
    typeof Worker !== 'undefined' && mayWait(job, led) && !isQuick(job, led, withOwn(CATALOGUE, job.ownParts))
  const now = waits ? led : job
  if (now !== led) lead(now)
  const ask = useInTurn(job)
  useEffect(() => {
    if (waits) ask(() => find(job).then(() => lead(job)))
  }, [job, waits, ask])
  return now
}

/** Does one thing after the other, and nothing any more that a newer job has overtaken. */
function useInTurn(job: Job): (task: () => Promise<void>) => void {
  const newest = useRef(job)
  const line = useRef(Promise.resolve())
  useEffect(() => {
    newest.current = job
  }, [job])
  return useCallback((task) => {
    const of = newest.current
    line.current = line.current.then(() => (newest.current === of ? task() : undefined))
  }, [])
}

/** The pull sheet of a job, and the state of the job that it is of: of a large one made beside the page. */
export function useSheet(job: Job): { readonly sheet: ShownSheet; readonly of: Job } | null {
  const isLarge = job.devices.length > MOST_AT_ONCE && typeof Worker !== 'undefined'
  const atOnce = useMemo(
    () => (isLarge ? null : { sheet: shownSheet(job, CATALOGUE), of: job }),
    [isLarge, job],
  )
  const [made, make] = useState<{ readonly sheet: ShownSheet; readonly of: Job } | null>(null)
  const ask = useInTurn(job)
  useEffect(() => {
    if (!isLarge) return
    ask(async () => {
      const sheet = await worker()
        .sheet(sheetOf(job))
        .catch(() => shownSheet(job, CATALOGUE))
      make({ sheet, of: job })
    })
  }, [isLarge, job, ask])
  return atOnce ?? made
}
