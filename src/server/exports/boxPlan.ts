import 'server-only'
import loadHighs from 'highs'
import { CATALOGUE } from '@/catalogue'
import type { Job } from '@/core/job'
import { cableNeeds } from '@/core/pull'
import { boxPlanSteps, type CablePlan } from '@/core/reels'
import { print } from '@/core/units'
import { csv } from './csv'

type OnProgress = (done: number, total: number) => void

/** Which run is cut from which box, with the solver. */
export async function boxPlans(job: Job, onProgress: OnProgress): Promise<readonly CablePlan[]> {
  const steps = boxPlanSteps(cableNeeds(job, CATALOGUE), await loadHighs())
  let step = steps.next()
  for (; !step.done; step = steps.next()) onProgress(step.value, 1)
  return step.value
}

/** The same as CSV: a row a cut, in the order in which they are cut. */
export async function boxPlanCsv(job: Job, onProgress: OnProgress): Promise<string> {
  const plans = await boxPlans(job, onProgress)
  const cut = (m: number) => print({ value: m, kind: 'cut' }, job.units)
  return csv(
    plans.flatMap(({ cable, boxes, tooLong }) => [
      ...boxes.flatMap(({ name, lengthM, cuts, leftM }) =>
        cuts.map((one) => ({
          cable: cable.name,
          box: name,
          holds: cut(lengthM),
          device: `${one.mark} ${one.name}`,
          cut: cut(one.cutM),
          left: cut(leftM),
        })),
      ),
      ...tooLong.map((one) => ({
        cable: cable.name,
        box: 'longer than any box',
        holds: '',
        device: `${one.mark} ${one.name}`,
        cut: cut(one.cutM),
        left: '',
      })),
    ]),
  )
}
