import type { DeviceContext } from '../parts'
import { PROCEDURE_LIMITS } from './limits'
import { measure, task, type Task } from './task'

/** What is set at the camera so that its picture becomes what was planned. */
export function aimTasks({ device, camera, printed }: DeviceContext): Task[] {
  const { sight } = device
  if (!sight) return []
  const off = PROCEDURE_LIMITS.tiltToleranceDeg.value
  return [
    ...(camera.axisFromBaseDeg[1] > 0
      ? [
          task('aim', {
            id: 'aim/tilt',
            title: `Aim: tilt ${printed(sight.tiltDeg, 'angle')} below level`,
            detail: `${camera.lens.focalMm[0] === camera.lens.focalMm[1] ? '' : `Zoom to ${printed(sight.focalMm, 'focal')}, then focus. `}${sight.portrait ? 'Portrait: picture turned 90°. ' : ''}Loosen the lock screws, turn, tighten.`,
            reason: 'The promise of pixels at the target rests on it.',
            entry: measure('angle', 'Tilt below level', sight.tiltDeg - off, sight.tiltDeg + off),
          }),
        ]
      : []),
    task('aim', {
      id: 'aim/level',
      title: 'Turn the lens ring until the horizon is level',
      reason: 'A leaning picture is the first thing a customer sees.',
      entry: measure('angle', 'Picture off level', 0, PROCEDURE_LIMITS.pictureRollDeg.value),
    }),
  ]
}
