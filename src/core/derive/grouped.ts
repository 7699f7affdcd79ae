import { stretch } from './stretch'

interface OfDevice {
  readonly deviceId: string | null
}
type Groups<T> = ReadonlyMap<string, readonly T[]>

const KNOWN = new WeakMap<readonly OfDevice[], Groups<OfDevice>>()

/** Above so many devices touched at once it is quicker to begin anew. */
const MANY = 50

/** Items by the device they belong to, from nothing. */
export function groupedFromScratch<T extends OfDevice>(items: readonly T[]): Groups<T> {
  const groups = new Map<string, T[]>()
  for (const item of items) {
    if (item.deviceId === null) continue
    const group = groups.get(item.deviceId)
    if (group) group.push(item)
    else groups.set(item.deviceId, [item])
  }
  return groups
}

/**
 * The same, brought up to date from what changed: the group of an untouched device is the very same array.
 */
export function groupedUpdate<T extends OfDevice>(
  groups: Groups<T>,
  before: readonly T[],
  items: readonly T[],
): Groups<T> {
  const [start, endBefore, endAfter] = stretch(before, items)
  const changed = [...before.slice(start, endBefore), ...items.slice(start, endAfter)]
  const touched = new Set(changed.map(({ deviceId }) => deviceId).filter((id) => id !== null))
  if (touched.size > MANY) {
    const all = new Map<string, readonly T[]>(groupedFromScratch(items))
    for (const [id, group] of all) all.set(id, kept(groups.get(id), group))
    return all
  }
  const next = new Map(groups)
  for (const id of touched) {
    const group = items.filter(({ deviceId }) => deviceId === id)
    if (group.length > 0) next.set(id, kept(groups.get(id), group))
    else next.delete(id)
  }
  return next
}

/** The earlier group where it holds the very same items. */
const kept = <T>(earlier: readonly T[] | undefined, group: readonly T[]): readonly T[] =>
  earlier?.length === group.length && earlier.every((item, i) => item === group[i]) ? earlier : group

/**
 * Items by device, remembered for one and the same list, and taken over from the list before where there is
 * one.
 */
export function groupedByDevice<T extends OfDevice>(items: readonly T[], before?: readonly T[]): Groups<T> {
  const known = KNOWN.get(items) as Groups<T> | undefined
  if (known) return known
  const earlier = before && (KNOWN.get(before) as Groups<T> | undefined)
  const made = earlier ? groupedUpdate(earlier, before, items) : groupedFromScratch(items)
  KNOWN.set(items, made)
  return made
}
