import type { Device, Equipment } from '@/core/job'
import type { Option } from '../kit/Choose'

type Standing = Pick<Device | Equipment, 'id' | 'mark' | 'name' | 'state' | 'replaces'>

/** What is taken away and not replaced yet by anything but the one that asks. */
export function replaceable(among: readonly Standing[], askedBy: string | null): Option[] {
  const taken = new Set(among.filter(({ id }) => id !== askedBy).map(({ replaces }) => replaces))
  return among
    .filter(({ id, state }) => state === 'taken away' && id !== askedBy && !taken.has(id))
    .map(({ id, mark, name }) => ({ value: id, label: `${mark} ${name}` }))
}
