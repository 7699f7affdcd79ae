import type { Mount } from '../job/job'
import type { DeviceContext } from '../parts'
import { mountFacts } from './facts'
import { basePart } from './stack'

/**
 * The smallest change of the fixing that passes, in words: the rest of the base's holes, the rest of the thread, then the
 * weakest other fixing that holds here and is strong enough. Tried by reckoning, not guessed.
 */
export function smallestChange(context: DeviceContext, mount: Mount): string {
  const { catalogue, surface, say } = context
  const fixing = catalogue.fixings.get(mount.fixingId)!
  const passes = (change: Partial<Mount>) => mountFacts(context, { ...mount, ...change }).used <= 1
  const { holes } = basePart(context).fixing
  for (let fixingCount = mount.fixingCount + 1; fixingCount <= holes; fixingCount++) if (passes({ fixingCount })) return `Use ${fixingCount} of them: the base has the holes.`
  const isScrew = fixing.kind === 'wood screw' || fixing.kind === 'lag screw'
  if (isScrew && mount.threadInWoodMm < fixing.threadMm && passes({ threadInWoodMm: fixing.threadMm })) return `Bring all ${say(fixing.threadMm, 'size')} of the thread into solid wood.`
  const fixingCount = Math.max(mount.fixingCount, holes)
  const stronger = [...catalogue.fixings.values()]
    .filter(({ id, holdsIn }) => id !== fixing.id && holdsIn.includes(surface.holding))
    .map((other) => {
      const screw = other.kind === 'wood screw' || other.kind === 'lag screw'
      const change: Partial<Mount> = { fixingId: other.id, fixingCount, makersPullN: null, threadInWoodMm: screw ? other.threadMm : 0 }
      return { other, used: mountFacts(context, { ...mount, ...change }).used }
    })
    .filter(({ used }) => used <= 1)
    .sort((a, b) => b.used - a.used)[0]
  if (stronger) return `Use ${fixingCount} × ${stronger.other.name}: that uses up ${Math.round(100 * stronger.used)} %.`
  return 'No fixing of the catalogue is enough here: shorten the arm, take a larger base or a lighter camera, or fix to something stronger.'
}
