import { acrossAll } from '../geometry'
import type { Device, Job, Run } from '../job/job'
import { SPACES } from '../job/spaces'
import { endPassMm } from '../mount'
import { fedLead, type Before, type Catalogue, type FedLead, type Neighbours } from '../parts'
import { formOf } from './conduit'
import type { Segment } from './plan'
import { pulledIds } from './pulled'

/** Ready-made leads in conduits that others share: which must go first, and what lies there before each. */

/** How a ready-made lead goes that a device or a run is planned with; null where its cable is cut. */
export function readyLead(of: Device | Run, { connectors }: Pick<Catalogue, 'connectors'>): FedLead | null {
  const isRun = 'fromId' in of
  const lead = isRun ? of.lead : of.route?.lead
  if (!lead) return null
  const [near, far] = isRun
    ? [of.fromEndId, of.toEndId]
    : [of.terminate?.cameraEndId, of.terminate?.headEndId]
  return fedLead(connectors.get(near ?? '') ?? null, connectors.get(far ?? '') ?? null, lead)
}

/** Across the inside of a closed conduit or duct, mm; null of what is none, and where its size is unknown. */
export function boreAcrossMm(
  { conduits }: Pick<Catalogue, 'conduits'>,
  { space, conduitId }: Pick<Segment, 'space' | 'conduitId'>,
): number | null {
  const conduit = conduitId === null ? undefined : conduits.get(conduitId)
  if (!conduit || !SPACES[space].tube || formOf(conduit) !== SPACES[space].sized) return null
  return Math.sqrt((4 * conduit.boreAreaMm2) / Math.PI)
}

/** All of them but one of this size. */
export function others(diametersMm: readonly number[], ownMm: number): readonly number[] {
  const own = diametersMm.indexOf(ownMm)
  return diametersMm.filter((_, at) => at !== own)
}

/** A cable of a job in conduits that have a name. */
interface Shared {
  readonly id: string
  readonly cableMm: number
  readonly lies: boolean
  readonly ready: FedLead | null
  readonly names: ReadonlySet<string>
  readonly bores: readonly { readonly name: string; readonly acrossMm: number }[]
}

export interface FirstLeads {
  /** Those that must go by themselves before all others, by the ids of their devices and runs, in order. */
  readonly first: readonly string[]
  /** By the id of a device or a run that is a ready-made lead: what lies in its conduits before it. */
  readonly before: ReadonlyMap<string, Before>
}

const NONE: FirstLeads = { first: [], before: new Map() }

/**
 * The end of a lead is wider than its cable: what would not pass beside all others goes before them, the
 * widest end first, for it is the hardest to bring past what lies there. Common practice, no source.
 */
export function leadsFirst(
  { devices, runs, things, records }: Pick<Job, 'devices' | 'runs' | 'things' | 'records'>,
  catalogue: Catalogue,
  { conduits, ways }: Pick<Neighbours, 'conduits' | 'ways'>,
): FirstLeads {
  const there = [...devices, ...runs].filter(({ state }) => state !== 'taken away')
  if (there.every((one) => readyLead(one, catalogue) === null)) return NONE
  const pulled = pulledIds(records)
  const cables = there.flatMap((one) => sharedBy(one, catalogue, ways, pulled) ?? [])
  const lying = new Map<string, readonly number[]>()
  const lies = (name: string, mm: readonly number[]) => lying.set(name, [...(lying.get(name) ?? []), ...mm])
  for (const thing of things) {
    if (thing.kind !== 'pathway') continue
    const { name, id, lyingCables, lyingMm } = thing
    // Pathways of one name are one conduit: what lies in all of it is told at each of them.
    const more = lyingCables - (lying.get(name || id)?.length ?? 0)
    if (more > 0)
      lies(
        name || id,
        Array.from({ length: more }, () => lyingMm),
      )
  }
  for (const { lies: is, names, cableMm } of cables) if (is) for (const name of names) lies(name, [cableMm])

  const first: string[] = []
  const before = new Map<string, Before>()
  for (const { id, ready, lies: is } of cables) if (ready && is) before.set(id, 'drawn')
  const yetToGo = cables.flatMap(({ ready, ...one }) =>
    ready?.first && !one.lies ? [{ ...one, ready }] : [],
  )
  const passMm = ({ ready }: (typeof yetToGo)[number]) => endPassMm(ready.first)
  for (const one of yetToGo.toSorted((a, b) => passMm(b) - passMm(a))) {
    before.set(one.id, new Map([...one.names].map((name) => [name, lying.get(name) ?? []])))
    const isFirst = one.bores.some(({ name, acrossMm }) => {
      const wants = (beside: readonly number[]) => acrossAll([passMm(one), ...beside])
      const all = others(conduits.get(name) ?? [], one.cableMm)
      return wants(all) > acrossMm && wants(lying.get(name) ?? []) <= acrossMm
    })
    if (!isFirst) continue
    first.push(one.id)
    for (const name of one.names) lies(name, [one.cableMm])
  }
  return { first, before }
}

function sharedBy(
  of: Device | Run,
  catalogue: Catalogue,
  ways: Neighbours['ways'],
  pulled: ReadonlySet<string>,
): Shared | null {
  const cable = catalogue.cables.get(of.cableId)
  if (!cable) return null
  const entered = 'fromId' in of ? of.segments : (of.route?.segments ?? [])
  const way = ways.get(of.id)
  const segments = [...entered, ...(way && 'segments' in way ? way.segments : [])]
  const named = segments.filter(({ space, conduitName }) => SPACES[space].sized && conduitName !== '')
  const kept = 'fromId' in of ? of.state === 'kept' : of.route?.laid === 'kept'
  return {
    id: of.id,
    cableMm: cable.diameterMm,
    lies: kept || pulled.has(of.id),
    ready: readyLead(of, catalogue),
    names: new Set(named.map(({ conduitName }) => conduitName)),
    bores: named.flatMap((segment) => {
      const acrossMm = boreAcrossMm(catalogue, segment)
      return acrossMm === null ? [] : [{ name: segment.conduitName, acrossMm }]
    }),
  }
}
