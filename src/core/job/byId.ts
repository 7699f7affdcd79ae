/** Something with an id of its own. */
interface Known {
  readonly id: string
}

const INDICES = new WeakMap<readonly Known[], ReadonlyMap<string, Known>>()

/** What has this id in a list; the list is indexed once. Undefined where there is none. */
export function byId<T extends Known>(list: readonly T[], id: string): T | undefined {
  let index = INDICES.get(list)
  if (!index) {
    index = new Map(list.map((one) => [one.id, one]))
    INDICES.set(list, index)
  }
  return index.get(id) as T | undefined
}
