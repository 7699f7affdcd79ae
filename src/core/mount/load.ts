import type { DeviceContext } from '../parts'
import type { Hole, Load } from '../stages/load'
import { bitMm } from './bits'
import { mountFacts } from './facts'
import { bandLengthMm } from './pole'
import { drillsForCable } from './stack'

/** The holes of a mount, and its fixings. */
export function mountLoad(context: DeviceContext): Load {
  const { device, surface, units, printed } = context
  const { mount } = device
  if (!mount || context.partsKept > 0) return { items: [] }
  const facts = mountFacts(context, mount)
  const { pilotBit, pilotMm, fixingBit, fixingHoleMm, cableBit, cableHoleMm, fixing } = facts
  const count = mount.fixingCount
  const holes: Hole[] = []
  const drill = (hole: Omit<Hole, 'surface'>) => holes.push({ surface: surface.name, ...hole })
  if (pilotBit !== null && pilotMm !== null)
    drill({ purpose: 'pilot', bit: pilotBit, bitMm: bitMm(pilotMm, 'pilot', units), count })
  if (fixingBit !== null && fixingHoleMm !== null)
    drill({ purpose: 'fixing hole', bit: fixingBit, bitMm: fixingHoleMm, count })
  if (drillsForCable(context)) drill({ purpose: 'cable hole', bit: cableBit, bitMm: cableHoleMm, count: 1 })
  const band =
    fixing.bandMm && mount.pole ? `, ${printed(bandLengthMm(mount.pole.diameterMm), 'size')} each` : ''
  return {
    holes,
    items: [{ kind: 'fixing', item: fixing.name + band, count }],
  }
}
