import type { Mount } from '../job/job'
import type { DeviceContext } from '../parts'
import { mountFacts } from './facts'

/** A drilling template in millimetres from the middle of the base: x to the right, y down, up on the sheet is up on the wall. */
export interface MountTemplate {
  readonly part: string
  readonly surface: string
  readonly mark: string
  readonly name: string
  readonly baseMm: number
  /** Bases with four holes are square, the others round. */
  readonly outline: 'square' | 'round'
  readonly fixings: readonly { readonly x: number; readonly y: number }[]
  /** Bit for the fixings and the diameter of its hole; null where nothing is drilled for them. */
  readonly fixingBit: string | null
  readonly fixingMm: number
  readonly cableHoleMm: number
  readonly cableBit: string
}

/**
 * Where to drill for the part that meets the surface: two holes stand above each other, three on a circle with one on top,
 * four in a square; top and bottom are the spacing of the catalogue apart. A generic pattern: the maker's own template decides.
 */
export function mountTemplate(context: DeviceContext, mount: Mount): MountTemplate {
  const { surface, device } = context
  const facts = mountFacts(context, mount)
  return {
    part: facts.base.name, surface: surface.name, mark: device.mark, name: device.name, baseMm: facts.base.baseMm,
    outline: facts.base.fixing.holes === 4 ? 'square' : 'round',
    fixings: holes(facts.base.fixing.holes, facts.base.fixing.spacingMm), fixingBit: facts.pilotBit ?? facts.fixingBit,
    fixingMm: facts.pilotMm ?? facts.fixing.holeMm ?? facts.fixing.diameterMm, cableHoleMm: facts.cableHoleMm, cableBit: facts.cableBit,
  }
}

/** From the middle of the base to its nearest fixing, mm; null for a part that has none of its own. */
export function nearestFixingMm(count: number, spacingMm: number): number | null {
  return count === 0 ? null : Math.min(...holes(count, spacingMm).map(({ x, y }) => Math.hypot(x, y)))
}

function holes(count: number, spacingMm: number): { x: number; y: number }[] {
  const half = spacingMm / 2
  if (count === 2) return [{ x: 0, y: -half }, { x: 0, y: half }]
  if (count === 4) return [{ x: -half, y: -half }, { x: half, y: -half }, { x: half, y: half }, { x: -half, y: half }]
  const r = spacingMm / (1 + Math.sin(Math.PI / 6)) // one on top, two 1.5 r below it
  return Array.from({ length: count }, (_, i) => {
    const angle = -Math.PI / 2 + (2 * Math.PI * i) / count
    return { x: r * Math.cos(angle), y: r * Math.sin(angle) }
  })
}
