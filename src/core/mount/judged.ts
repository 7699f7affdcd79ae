import type { DeviceContext } from '../parts'
import type { Mount } from './plan'

/** What the mount is judged by. */
export const MOUNT_JUDGED = 'Weight × 4 and wind on the fixings, pull and shear, thread, holes, reach, ladder'

/** What is not judged of a mount, and why. */
export function unjudgedMount({ surface, device }: DeviceContext, { edgeMm, pole }: Mount): string[] {
  return [
    ...(surface.holding === 'pole' && pole === null ? ['The pole: it is not measured.'] : []),
    ...(surface.holding !== 'pole' && edgeMm === null
      ? ['The distance to an edge or a joint: it is not measured.']
      : []),
    ...(device.route?.laid === 'kept' ? ['The hole that is there: nobody has measured it.'] : []),
    'Whether the wall, soffit or ceiling itself is sound: only a look and a tug tell.',
  ]
}
