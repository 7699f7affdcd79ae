import type { Catalogue } from '@/core/parts'
import { CABLES } from './cables'
import { CONDUITS } from './conduits'
import { CONNECTORS } from './connectors'
import { CAMERAS } from './cameras'
import { EQUIPMENT } from './equipment'
import { FIXINGS, WOODS } from './fixings'
import { MOUNTS } from './mounts'
import { SURFACES } from './surfaces'
import { SEALS } from './seals'
import { ACCESSORIES } from './accessories'

const table = <T extends { id: string }>(parts: readonly T[]): ReadonlyMap<string, T> =>
  new Map(parts.map((part) => [part.id, part]))

export { KITS } from './kits'

/** All generic parts that ship with the product. Insertion order is the order in which lists offer them. */
export const CATALOGUE: Catalogue = {
  cameras: table(CAMERAS),
  mounts: table(MOUNTS),
  surfaces: table(SURFACES),
  fixings: table(FIXINGS),
  woods: table(WOODS),
  cables: table(CABLES),
  connectors: table(CONNECTORS),
  seals: table(SEALS),
  conduits: table(CONDUITS),
  equipment: table(EQUIPMENT),
  accessories: table(ACCESSORIES),
}
