import { calledIn, keptParts } from '../assembly'
import type { DeviceContext } from '../parts'
import type { Seal } from './plan'

/** What the seals are judged by. */
export const SEAL_JUDGED = 'Every opening of the stack: grip, size, water and dust against the exposure'

/** What is not judged of the seals, and why. */
export function unjudgedSeal(context: DeviceContext, _: Seal): string[] {
  const { measured, cable } = context
  const stays = keptParts(context).map(({ part }) => calledIn(part.name))
  return [
    ...(stays.length > 0
      ? [`What closes what stays (${stays.join(', ')}), as old as it is: the look over it tells.`]
      : []),
    ...(measured.cableMm === null
      ? [`The cable as it is: ${cable.name} is taken at the catalogue’s diameter until it is measured.`]
      : []),
    'The hole through the wall itself, and how rubber and sealant age.',
  ]
}
