import { finding, type Finding } from '../../findings'
import { quantity } from '../../units'
import type { Asked } from './asked'

/** Whether the camera's own infrared reaches the target. */
export function nightFindings({ context, sight }: Asked): Finding[] {
  const { camera, exposure, printed } = context
  const slantM = Math.hypot(sight.targetDistanceM, sight.heightM - sight.targetHeightM)
  if (!exposure.outdoors || slantM <= camera.infraredReachM) return []
  return [
    finding('sight', 'infrared', {
      verdict: 'check',
      title: camera.infraredReachM === 0 ? 'No infrared of its own' : 'Infrared ends before the target',
      short: camera.infraredReachM === 0 ? 'no infrared' : 'infrared too short',
      figure: quantity(slantM, 'length'),
      limit: quantity(camera.infraredReachM, 'length'),
      reason: 'By night the target is lit by other lamps or not at all.',
      source: 'catalogue',
      advice:
        'Add light at the target, or take a camera whose infrared reaches ' +
        `${printed(Math.ceil(slantM), 'length')}.`,
    }),
  ]
}
