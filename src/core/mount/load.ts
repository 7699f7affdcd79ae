import type { DeviceContext } from '../parts'
import type { Load } from '../stages/load'
import { bitMm } from './bits'
import { mountFacts } from './facts'
import { bandLengthMm } from './pole'

/** The holes of a mount, and its fixings. */
export function mountLoad(context: DeviceContext): Load {
  const { device, surface, units, printed } = context
  const { mount } = device
  if (!mount) return { items: [] }
  const facts = mountFacts(context, mount)
  const { pilotBit, pilotMm, fixingBit, fixingHoleMm, cableBit, cableHoleMm, fixing } = facts
  const count = mount.fixingCount
  const drilled = surface.holding !== 'pole' && surface.holding !== 'box'
  const pilot = pilotBit !== null && pilotMm !== null ? { bit: pilotBit, mm: pilotMm } : null
  const hole = fixingBit !== null && fixingHoleMm !== null ? { bit: fixingBit, mm: fixingHoleMm } : null
  const band =
    fixing.bandMm && mount.pole ? `, ${printed(bandLengthMm(mount.pole.diameterMm), 'size')} each` : ''
  const at = { surface: surface.name } as const
  return {
    holes: [
      ...(pilot
        ? [
            {
              ...at,
              purpose: 'pilot' as const,
              bit: pilot.bit,
              bitMm: bitMm(pilot.mm, 'pilot', units),
              count,
            },
          ]
        : []),
      ...(hole ? [{ ...at, purpose: 'fixing hole' as const, bit: hole.bit, bitMm: hole.mm, count }] : []),
      ...(drilled
        ? [{ ...at, purpose: 'cable hole' as const, bit: cableBit, bitMm: cableHoleMm, count: 1 }]
        : []),
    ],
    items: [{ kind: 'fixing', item: fixing.name + band, count }],
  }
}
