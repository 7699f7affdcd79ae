import { oncePer } from '../once'

/** Something with an id of its own. */
interface Known {
  readonly id: string
}

const indexOf = oncePer(
  (list: readonly Known[]): ReadonlyMap<string, Known> => new Map(list.map((one) => [one.id, one])),
)

/** What has this id in a list; the list is indexed once. Undefined where there is none. */
export function byId<T extends Known>(list: readonly T[], id: string): T | undefined {
  return indexOf(list).get(id) as T | undefined
}
