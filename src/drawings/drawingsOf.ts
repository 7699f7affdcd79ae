import type { DeviceAssessment, DrawingOf } from '@/core/assess'
import { PLANNED_STAGES, type PlannedStage } from '@/core/findings'
import type { UnitSystem } from '@/core/units'
import { cableEndsDrawing } from './cableEnds'
import { elevationDrawing, elevationFrame } from './elevation'
import type { Drawing } from './marks'
import { mountDrawing } from './mountSection'
import { powerDrawing } from './powerLadder'
import { routeDrawing } from './routeStrip'
import { sealDrawing } from './sealChain'

/** How each stage is drawn, at a printed width. */
const DRAWINGS: {
  readonly [S in PlannedStage]: (of: DrawingOf<S>, units: UnitSystem, width: number) => Drawing
} = {
  sight: (of, units, width) => elevationDrawing(of, units, elevationFrame(of, width)),
  mount: mountDrawing,
  route: routeDrawing,
  terminate: (of, _, width) => cableEndsDrawing(of, width),
  seal: sealDrawing,
  power: powerDrawing,
}

/** The drawing of every planned stage of a device, at a printed width. */
export function drawingsOf(
  { stages }: DeviceAssessment,
  units: UnitSystem,
  width = 460,
): Partial<Record<PlannedStage, Drawing>> {
  if (!stages) return {}
  const drawn = <S extends PlannedStage>(stage: S): Drawing | null => {
    const state = stages[stage]
    return state?.planned ? DRAWINGS[stage](state.result.drawing, units, width) : null
  }
  return Object.fromEntries(
    PLANNED_STAGES.flatMap((stage) => {
      const drawing = drawn(stage)
      return drawing ? [[stage, drawing]] : []
    }),
  )
}
