import type { World } from '../sight'
import { networkOf } from './network'
import { WayFinder } from './way'

/** What ways rest on: where cables may run, and what they end at. */
export const LEADS: ReadonlySet<string> = new Set(['pathway', 'head end', 'equipment'])

const leadsOf = ({ things }: World) => things.filter(({ kind }) => LEADS.has(kind))

/** Whether the same pathways lead to the same. */
export function sameLeads(a: World, b: World): boolean {
  if (a.floorHeightsM !== b.floorHeightsM) return false
  if (a.things === b.things) return true
  const [some, others] = [leadsOf(a), leadsOf(b)]
  return some.length === others.length && some.every((thing, i) => thing === others[i])
}

/** The last one made: other things move far more often than pathways. */
let last: { readonly world: World; readonly finder: WayFinder } | null = null

/** Finds ways over everything drawn; the same one while pathways, floors and what cables end at stay. */
export function finderOver(world: World): WayFinder {
  if (last && sameLeads(last.world, world)) return last.finder
  const finder = new WayFinder(networkOf({ ...world, things: leadsOf(world) }))
  last = { world, finder }
  return finder
}
