import { calledIn } from '../assembly'
import type { DeviceContext } from '../parts'
import { endsThrough } from './lead'
import type { Mount } from './plan'

/** What the mount is judged by. */
export const MOUNT_JUDGED = 'Weight × 4 and wind on the fixings, pull and shear, thread, holes, reach, ladder'

/** What is not judged of a mount, and why. */
export function unjudgedMount(context: DeviceContext, mount: Mount): string[] {
  const { surface, device, mounts, partsKept } = context
  const { edgeMm, pole, hole, holeMm } = mount
  const [base] = mounts
  const oldHole = device.route?.laid === 'kept' || hole === 'kept'
  return [
    ...(partsKept > 0 && base
      ? [
          `The fixings of the ${calledIn(base.name)} that stays, how deep they sit and in what, and the hole ` +
            'behind it: nobody sees them. The look and the tug tell what they can.',
        ]
      : []),
    ...(surface.holding === 'pole' && pole === null ? ['The pole: it is not measured.'] : []),
    ...(surface.holding !== 'pole' && edgeMm === null
      ? ['The distance to an edge or a joint: it is not measured.']
      : []),
    ...(oldHole && holeMm === null && partsKept === 0
      ? ['The hole that is there: nobody has measured it.']
      : []),
    ...(endsThrough(context, mount).some((end) => end?.acrossMm == null)
      ? [
          'The end of the lead that goes through the hole: nobody said how wide it is. A plain plug is reckoned.',
        ]
      : []),
    'Whether the wall, soffit or ceiling itself is sound: only a look and a tug tell.',
  ]
}
