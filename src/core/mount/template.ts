import type { Mount } from '../job/job'
import type { DeviceContext } from '../parts'
import { mountFacts } from './facts'
import { holeSpots, type HoleSpot } from './holes'

/**
 * A drilling template in millimetres from the middle of the base: x to the right, y down, up on the sheet
 * is up on the wall.
 */
export interface MountTemplate {
  readonly part: string
  readonly surface: string
  readonly mark: string
  readonly name: string
  readonly baseMm: number
  /** Bases with four holes are square, the others round. */
  readonly outline: 'square' | 'round'
  readonly fixings: readonly HoleSpot[]
  /** Bit for the fixings and the diameter of its hole; null where nothing is drilled for them. */
  readonly fixingBit: string | null
  readonly fixingMm: number
  readonly cableHoleMm: number
  readonly cableBit: string
}

/**
 * Where to drill for the part that meets the surface. A generic pattern: the maker's own template decides.
 */
export function mountTemplate(
  context: DeviceContext,
  mount: Mount,
  { mark, name }: Pick<MountTemplate, 'mark' | 'name'>,
): MountTemplate {
  const { surface } = context
  const facts = mountFacts(context, mount)
  return {
    part: facts.base.name,
    surface: surface.name,
    mark,
    name,
    baseMm: facts.base.baseMm,
    outline: facts.base.fixing.holes === 4 ? 'square' : 'round',
    fixings: holeSpots(facts.base.fixing.holes, facts.base.fixing.spacingMm),
    fixingBit: facts.pilotBit ?? facts.fixingBit,
    fixingMm: facts.pilotMm ?? facts.fixingHoleMm ?? facts.fixing.diameterMm,
    cableHoleMm: facts.cableHoleMm,
    cableBit: facts.cableBit,
  }
}
