import type { Interface } from '../parts'
import type { Stack } from './assembly'

const FLAT: readonly Interface[] = ['surface', 'box lid', 'pole plate']

/**
 * True when what a part offers takes what the next one needs: any flat face takes a part made for a
 * surface.
 */
export function fits(offers: Interface, needs: Interface): boolean {
  return offers === needs || (needs === 'surface' && FLAT.includes(offers))
}

export interface Misfit {
  readonly part: string
  readonly on: string
  readonly needs: Interface
  readonly offers: Interface
}

/** The first joint of a stack that does not fit, from the surface outwards; null when all do. */
export function firstMisfit({ mounts, camera }: Stack): Misfit | null {
  let offers: Interface = 'surface'
  let on = 'the surface'
  for (const part of [...mounts, camera]) {
    if (!fits(offers, part.needs)) return { part: part.name, on, needs: part.needs, offers }
    if ('offers' in part) offers = part.offers
    on = part.name
  }
  return null
}
