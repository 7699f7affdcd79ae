import { cures, type Finding } from '../findings'
import type { Mount } from '../job/job'
import type { DeviceContext, Fixing } from '../parts'
import { mountFacts } from './facts'
import { basePart } from './stack'

const isScrew = ({ kind }: Fixing) => kind === 'wood screw' || kind === 'lag screw'

/**
 * The smallest change of the fixing that passes, in words: the rest of the base's holes, the rest of the
 * thread, then the weakest other fixing that holds here and is strong enough. Each is tried: with it the
 * finding `id` is gone and no other has come. `judge` gives the findings of a mount without advice.
 */
export function smallestChange(
  context: DeviceContext,
  mount: Mount,
  id: string,
  judge: (mount: Mount) => readonly Finding[],
): string {
  const { catalogue, surface, printed } = context
  const fixing = catalogue.fixings.get(mount.fixingId)!
  const before = judge(mount)
  const passes = (change: Partial<Mount>) => cures(id, before, judge({ ...mount, ...change }))
  const { holes } = basePart(context).fixing
  for (let fixingCount = mount.fixingCount + 1; fixingCount <= holes; fixingCount++) {
    if (passes({ fixingCount })) return `Use ${fixingCount} of them: the base has the holes.`
  }
  if (
    isScrew(fixing) &&
    mount.threadInWoodMm < fixing.threadMm &&
    passes({ threadInWoodMm: fixing.threadMm })
  ) {
    return `Bring all ${printed(fixing.threadMm, 'size')} of the thread into solid wood.`
  }
  const fixingCount = Math.max(mount.fixingCount, holes)
  const [stronger] = [...catalogue.fixings.values()]
    .filter((other) => other.id !== fixing.id && other.holdsIn.includes(surface.holding))
    .map((other) => {
      const change: Partial<Mount> = {
        fixingId: other.id,
        fixingCount,
        makersPullN: null,
        threadInWoodMm: isScrew(other) ? other.threadMm : 0,
      }
      return { other, change, used: mountFacts(context, { ...mount, ...change }).used }
    })
    .filter(({ used, change }) => used <= 1 && passes(change))
    .sort((a, b) => b.used - a.used)
  if (stronger)
    return `Use ${fixingCount} × ${stronger.other.name}: that uses up ${Math.round(100 * stronger.used)} %.`
  return (
    'No fixing of the catalogue is enough here: shorten the arm, take a larger base or a ' +
    'lighter camera, or fix to something stronger.'
  )
}
