import type { Seal as SealChoices } from '../job/job'
import { remembered, type DeviceContext, type Opening, type Seal } from '../parts'
import { jointPlace, type JointPlace } from '../assembly'
import { SEAL_LIMITS } from './limits'

/** One opening of a device's stack, as it stands in this job. */
export interface PlacedOpening {
  /** `mount-0/entry`, `camera/tail`: stable while the stack is. */
  readonly ref: string
  readonly partName: string
  readonly opening: Opening
  /** Tests that water there calls for, and the dust digit. */
  readonly needs: readonly number[]
  readonly needsDust: number
  readonly place: JointPlace | null
}

/**
 * Every opening of the stack in the order in which the cable comes to them, from the building to the
 * camera.
 */
export function openingsOf(context: DeviceContext): readonly PlacedOpening[] {
  const known = OPENINGS.get(context)
  if (known) return known
  const openings = placedOpenings(context)
  OPENINGS.set(context, openings)
  return openings
}

/** Four stages and the steps ask for the same openings of the same context. */
const OPENINGS = new WeakMap<DeviceContext, readonly PlacedOpening[]>()

function placedOpenings(context: DeviceContext): PlacedOpening[] {
  const { mounts, camera, exposure } = context
  const place = jointPlace(context)
  const dry = { needs: [], needsDust: 0 }
  const outside = { needs: exposure.tests, needsDust: exposure.dust }
  const edge = { needs: exposure.edgeTests, needsDust: 0 }
  const placed = (ref: string, partName: string, openings: readonly Opening[]): PlacedOpening[] =>
    openings.map((opening) => {
      const joint = opening.kind === 'tail joint'
      const asked = opening.kind === 'wall edge' ? edge : outside
      return {
        ref: `${ref}/${opening.key}`,
        partName,
        opening,
        ...(joint && place !== 'in the open' ? dry : asked),
        place: joint ? place : null,
      }
    })
  return [
    ...mounts.flatMap((part, index) => placed(`mount-${index}`, part.name, part.openings)),
    ...placed('camera', camera.name, camera.openings),
  ]
}

/** An opening together with the part chosen to close it. */
export interface ClosedOpening extends PlacedOpening {
  readonly seal: Seal | null
  readonly cables: number
}

/** Openings with their chosen seals; a choice for an opening that the stack no longer has is passed over. */
export const closedOpenings = remembered((context, seal: SealChoices): readonly ClosedOpening[] =>
  openingsOf(context).map((placed) => {
    const choice = seal.choices.find((chosen) => chosen.opening === placed.ref)
    return {
      ...placed,
      seal: choice?.sealId ? (context.catalogue.seals.get(choice.sealId) ?? null) : null,
      cables: choice?.cables ?? 1,
    }
  }),
)

/** True when the part screws into the opening's hole, or when neither has one. */
export function fitsHole(seal: Seal, opening: Opening): boolean {
  if (seal.holeMm === null || opening.holeMm === null)
    return seal.holeMm === opening.holeMm || seal.holeMm === null
  return Math.abs(seal.holeMm - opening.holeMm) <= SEAL_LIMITS.holeToleranceMm.value
}

/** True when the part grips a cable of this diameter (mm); parts without a clamp grip any. */
export function grips(seal: Seal, diameterMm: number): boolean {
  return seal.clampMm === null || (diameterMm >= seal.clampMm[0] && diameterMm <= seal.clampMm[1])
}

/** True for openings that stay open unless a part is chosen. */
export function needsPart(opening: Opening): boolean {
  return opening.builtIn.length === 0
}
