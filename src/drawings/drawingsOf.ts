import type { DeviceAssessment } from '@/core/assess'
import type { PlannedStage } from '@/core/findings'
import type { UnitSystem } from '@/core/units'
import { cableEndsDrawing } from './cableEnds'
import { elevationDrawing, elevationFrame } from './elevation'
import type { Drawing } from './marks'
import { mountDrawing } from './mountSection'
import { powerDrawing } from './powerLadder'
import { routeDrawing } from './routeStrip'
import { sealDrawing } from './sealChain'

/** The drawing of every planned stage of a device, at a printed width. */
export function drawingsOf(
  { stages }: DeviceAssessment,
  units: UnitSystem,
  width = 460,
): Partial<Record<PlannedStage, Drawing>> {
  if (!stages) return {}
  const { sight, mount, route, terminate, seal, power } = stages
  return {
    ...(sight.planned
      ? { sight: elevationDrawing(sight.result.drawing, units, elevationFrame(sight.result.drawing, width)) }
      : {}),
    ...(mount.planned ? { mount: mountDrawing(mount.result.drawing, units, width) } : {}),
    ...(route.planned ? { route: routeDrawing(route.result.drawing, units, width) } : {}),
    ...(terminate.planned ? { terminate: cableEndsDrawing(terminate.result.drawing, width) } : {}),
    ...(seal.planned ? { seal: sealDrawing(seal.result.drawing, units, width) } : {}),
    ...(power?.planned ? { power: powerDrawing(power.result.drawing, units, width) } : {}),
  }
}
