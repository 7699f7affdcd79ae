import type { Seal as SealChoices } from '../job/job'
import { EXPOSURES, type Exposure } from '../job/choices'
import { oncePer } from '../once'
import {
  remembered,
  type Camera,
  type DeviceContext,
  type MountPart,
  type Opening,
  type Seal,
} from '../parts'
import { inSentence } from '../units'
import { hiddenBehind, jointPlace, partsOf, reachOfOpening, type JointPlace, type Placed } from '../assembly'
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
 * camera. Four stages and the steps ask for those of the same context.
 */
export const openingsOf = oncePer((context: DeviceContext): readonly PlacedOpening[] =>
  placedOpenings(context),
)

function placedOpenings(context: DeviceContext): PlacedOpening[] {
  const { mounts, camera, exposure, surface } = context
  const place = jointPlace(context)
  const dry = { needs: [], needsDust: 0 }
  const outside = { needs: exposure.tests, needsDust: exposure.dust }
  const edge = { needs: exposure.edgeTests, needsDust: 0 }
  const behind = behindSurface(exposure)
  const placed = (ref: string, part: MountPart | Camera, on: string): PlacedOpening[] =>
    part.openings.map((opening) => {
      const joint = opening.kind === 'tail joint'
      const asked = () => {
        if (opening.kind === 'wall edge') return edge
        return 'cutIn' in part && part.cutIn && opening.side === 'rear' ? behind : outside
      }
      return {
        ref: `${ref}/${opening.key}`,
        partName: part.name,
        opening: opening.kind === 'wall edge' ? { ...opening, name: `edge against the ${on}` } : opening,
        ...(joint && place !== 'in the open' ? dry : asked()),
        place: joint ? place : null,
      }
    })
  const under = (index: number) => (index === 0 ? surface.called : inSentence(mounts[index - 1]!.name))
  return [
    ...mounts.flatMap((part, index) => placed(`mount-${index}`, part, under(index))),
    ...placed('camera', camera, under(mounts.length)),
  ]
}

/**
 * What reaches the back of a part that is let into a surface: no rain and no dust, but what condenses there,
 * unless the place is flooded. Common practice, no source.
 */
function behindSurface({ tests, dust, outdoors }: Exposure): Pick<PlacedOpening, 'needs' | 'needsDust'> {
  const flooded = tests.includes(7)
  return outdoors && !flooded
    ? { needs: EXPOSURES['damp indoors'].tests, needsDust: EXPOSURES['damp indoors'].dust }
    : { needs: tests, needsDust: dust }
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

/** True where an old cable passes behind an old part: what closes there was closed when it was laid. */
const wasClosed = (context: DeviceContext, { opening, ref }: PlacedOpening): boolean =>
  context.device.route?.laid === 'kept' &&
  opening.kind !== 'tail joint' &&
  reachOfOpening(context, placedAt(context, ref), opening).some((way) => hiddenBehind(context, way))

/** What is closed at this work, with the part chosen for it. */
export const openingsToClose = (
  context: DeviceContext,
  plan: SealChoices,
): readonly (ClosedOpening & { readonly seal: Seal })[] =>
  closedOpenings(context, plan).filter(
    (closed): closed is ClosedOpening & { readonly seal: Seal } =>
      closed.seal !== null && needsPart(closed.opening) && !wasClosed(context, closed),
  )

/** The part that an opening is of. */
export const placedAt = (context: DeviceContext, opening: string): Placed =>
  partsOf(context).find(({ ref }) => ref === opening.slice(0, opening.indexOf('/')))!

/** True for openings that stay open unless a part is chosen. */
export function needsPart(opening: Opening): boolean {
  return opening.builtIn.length === 0
}
