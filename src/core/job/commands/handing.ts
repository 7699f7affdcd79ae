import { Id } from '../fields'
import { HandedStep, type Job } from '../job'
import { changed, kind, refuse } from './kind'
import { isMarked } from './marked'

/** Commands of steps that are left to a colleague. */

interface StepName {
  readonly deviceId: string
  readonly stepId: string
}

/** Nobody is left with these steps any more; the same list where nobody was. */
export function unhanded(handed: Job['handed'], isStep: (step: StepName) => boolean): Job['handed'] {
  return handed.some(isStep) ? handed.filter((one) => !isStep(one)) : handed
}

const sameStep =
  ({ deviceId, stepId }: StepName) =>
  (one: StepName): boolean =>
    one.deviceId === deviceId && one.stepId === stepId

const { stepId: StepId, title, colleague, note } = HandedStep.shape

export const handStep = kind({
  shape: { deviceId: Id, stepId: StepId, title, colleague, note },
  called: 'a step handed over',
  apply: (job, { deviceId, stepId, title, colleague, note, at, by }) => {
    if (!isMarked(job, deviceId)) return refuse('/deviceId', 'There is no device with this id.')
    if (job.records.some(sameStep({ deviceId, stepId })))
      return refuse('/stepId', 'This step is recorded already.')
    const others = unhanded(job.handed, sameStep({ deviceId, stepId }))
    return changed(job, { handed: [...others, { deviceId, stepId, title, colleague, note, at, by }] })
  },
  touches: ({ deviceId, stepId, colleague, note }) => [[`handed/${deviceId}/${stepId}`, { colleague, note }]],
})

export const takeStepBack = kind({
  shape: { deviceId: Id, stepId: StepId },
  called: 'a step taken back',
  apply: (job, step) => changed(job, { handed: unhanded(job.handed, sameStep(step)) }),
})
