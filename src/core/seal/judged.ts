import type { DeviceContext } from '../parts'
import type { Seal } from './plan'

/** What the seals are judged by. */
export const SEAL_JUDGED = 'Every opening of the stack: grip, size, water and dust against the exposure'

/** What is not judged of the seals, and why. */
export function unjudgedSeal({ measured, cable }: DeviceContext, _: Seal): string[] {
  return [
    ...(measured.cableMm === null
      ? [`The cable as it is: ${cable.name} is taken at the catalogue’s diameter until it is measured.`]
      : []),
    'The hole through the wall itself, and how rubber and sealant age.',
  ]
}
