import type { PlanThing } from '../plan'
import type { World } from '../sight'
import { networkOf } from './network'
import { WayFinder } from './way'

/** What ways rest on: where cables may run, and what they end at. */
export const LEADS: ReadonlySet<string> = new Set(['pathway', 'head end', 'equipment'])

/** The last one made: other things move far more often than pathways. */
let last: { readonly leads: readonly PlanThing[]; readonly world: World; readonly finder: WayFinder } | null =
  null

/** Finds ways over everything drawn; the same one while pathways, floors and what cables end at stay. */
export function finderOver(world: World): WayFinder {
  const leads = world.things.filter(({ kind }) => LEADS.has(kind))
  const same =
    last?.world.floorHeightsM === world.floorHeightsM &&
    last.leads.length === leads.length &&
    last.leads.every((thing, i) => thing === leads[i])
  if (last && same) return last.finder
  const finder = new WayFinder(networkOf({ ...world, things: leads }))
  last = { leads, world, finder }
  return finder
}
