'use client'

import { useCallback } from 'react'
import type { DeviceAssessment, DeviceStages } from '@/core/assess'
import type { PlannedStage } from '@/core/findings'
import type { Change } from '@/core/job'
import { useJob } from '../job/JobProvider'
import type { Said } from '../job/commands'
import { editOf, type Edit } from '../kit/PlanQuantity'

type StateOf<S extends PlannedStage> = NonNullable<DeviceStages[S]>
type Input<S extends PlannedStage> = StateOf<S>['input']

/** The command that plans a stage. */
export function planChange<S extends PlannedStage>(stage: S, deviceId: string, input: Input<S>): Change {
  return { type: 'setPlan', deviceId, plan: { [stage]: input } }
}

/** One stage of one device for its sheet: what stands, how to try a change and how to keep it. */
export function usePlan<S extends PlannedStage>(stage: S, assessed: DeviceAssessment) {
  const { send, latest, preview, trial, job } = useJob()
  const state = assessed.stages![stage]! as StateOf<S>
  const input: Input<S> = state.input
  const { deviceId } = assessed
  const changed = useCallback(
    (edit: Edit<Input<S>>) => {
      const kept = latest().devices.find(({ id }) => id === deviceId)?.[stage] as Input<S> | null | undefined
      const now = kept ?? input
      return planChange(stage, deviceId, { ...now, ...editOf(edit, now) })
    },
    [latest, stage, deviceId, input],
  )
  const attempt = useCallback((edit: Edit<Input<S>>) => preview(changed(edit)), [preview, changed])
  const keep = useCallback(
    async (edit: Edit<Input<S>>): Promise<Said> => {
      const ended = trial()
      const said = await send(changed(edit))
      ended()
      return said
    },
    [send, trial, changed],
  )
  const giveUp = useCallback(() => preview(), [preview])
  return {
    input,
    result: state.result as StateOf<S>['result'],
    planned: state.planned,
    attempt,
    keep,
    giveUp,
    units: job.units,
    draft: (field: string) => `${job.id}:${deviceId}:${stage}:${field}`,
  }
}
