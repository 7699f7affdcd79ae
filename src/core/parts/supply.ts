import type { Supply } from './kinds/equipment'
import type { Catalogue } from './parts'

/** What a piece of equipment feeds cameras with, by its part; null where it feeds none. */
export function supplyOf({ equipment }: Pick<Catalogue, 'equipment'>, partId: string): Supply | null {
  const part = equipment.get(partId)
  return part?.feeds ? { ...part.feeds, name: part.name } : null
}
