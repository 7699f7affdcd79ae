import { VAN_LIMITS } from '../mount'
import type { DeviceContext } from '../parts'
import type { Load, LoadItem } from '../stages/load'
import { openingsToClose } from './openings'

/** The seals of a device, and its sealant in tubes (a bead along the top and both sides of each base). */
export function sealLoad(context: DeviceContext): Load {
  const { device, mounts, camera } = context
  if (!device.seal) return { items: [] }
  const closed = openingsToClose(context, device.seal)
  const baseMm = (ref: string) =>
    ref.startsWith('mount-')
      ? (mounts[Number(ref.slice(6).split('/')[0])]?.baseMm ?? camera.baseMm)
      : camera.baseMm
  const beadMm = closed
    .filter(({ seal }) => seal.kind === 'sealant')
    .reduce((sum, { ref }) => sum + 3 * baseMm(ref), 0) // top and both sides
  return {
    items: [
      ...closed
        .filter(({ seal }) => seal.kind !== 'sealant')
        .map(({ seal }) => ({ kind: 'seal' as const, item: seal.name, count: 1, spare: 1 })),
      ...(beadMm > 0 ? [sealantOf(beadMm)] : []),
    ],
  }
}

/** The sealant of a bead of a length (mm), in tubes: its volume over what a tube holds. */
export const sealantOf = (beadMm: number): LoadItem => ({
  kind: 'sealant',
  item: 'Silicone, tubes',
  count: (beadMm * VAN_LIMITS.beadMm2.value) / 1000 / VAN_LIMITS.tubeMl.value,
})
