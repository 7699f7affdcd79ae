import { EXPOSURES, type Exposure, type Stand } from '../job/choices'
import type { Device, Equipment, Job } from '../job/job'
import { whileSame } from '../once'
import type { Place } from '../order'
import { portWords, type Catalogue, type EquipmentPart } from '../parts'
import { print, type QuantityKind } from '../units'

/** One cable that ends at a piece of equipment: at which port, and what is at its other end. */
export interface PortUse {
  /** "port 3", "uplink 1"; null where none is chosen. */
  readonly port: string | null
  /** A camera's own cable, or a run between any two things. */
  readonly of: 'device' | 'run'
  readonly deviceId: string
  readonly mark: string
  readonly name: string
  readonly cable: string
  /** What it ends with here; '' while that is not planned. */
  readonly end: string
}

/** What the steps and findings of a piece of equipment rest on. */
export interface EquipmentContext {
  readonly equipment: Equipment
  readonly part: EquipmentPart
  readonly exposure: Exposure
  readonly place: Place
  readonly uses: readonly PortUse[]
  /** Mark and name of what it replaces; null where it replaces nothing. */
  readonly replaced: string | null
  readonly pinScheme: Job['policies']['pinScheme']
  readonly mainsV: number
  readonly printed: (value: number, kind: QuantityKind) => string
}

type Of = Pick<Job, 'devices' | 'equipment' | 'runs' | 'policies' | 'mainsV' | 'units'>

export const PLACE_OF: Record<Stand, Place> = { 'head end': 'head end', 'on site': 'at the device' }

type Uses = ReadonlyMap<string, readonly PortUse[]>
type Cabled = Pick<Of, 'devices' | 'equipment' | 'runs'>

const usesOf = whileSame<readonly Device[], Uses>()

/**
 * The cables of a job by what they end at, by port and then by mark; remembered for one and the same lists.
 * A run stands at both of its ends.
 */
export const portUses = (job: Cabled, catalogue: Catalogue): Uses =>
  usesOf(job.devices, [job.equipment, job.runs, catalogue], () => usesFromScratch(job, catalogue))

const inOrder = new Intl.Collator('en', { numeric: true }).compare

function usesFromScratch(
  { devices, equipment, runs }: Cabled,
  { cables, connectors, ...catalogue }: Catalogue,
): Uses {
  const uses = new Map<string, PortUse[]>()
  const parts = new Map(equipment.map(({ id, partId }) => [id, catalogue.equipment.get(partId)]))
  const add = (at: string, use: PortUse) => {
    const known = uses.get(at)
    if (known) known.push(use)
    else uses.set(at, [use])
  }
  const named = (table: ReadonlyMap<string, { readonly name: string }>, id: string | null | undefined) =>
    id == null ? '' : (table.get(id)?.name ?? id)
  for (const { id, mark, name, state, cableId, power, terminate } of devices) {
    if (state === 'taken away') continue
    const about = { of: 'device', deviceId: id, mark, name, cable: named(cables, cableId) } as const
    if (terminate?.recorderId != null) {
      const { recorderId, recorderPort, headEndId } = terminate
      const port = recorderPort && portWords(recorderPort, parts.get(recorderId))
      add(recorderId, { ...about, port, end: named(connectors, headEndId) })
    }
    if (!power) continue
    add(power.supplyId, {
      ...about,
      port: power.port === null ? null : `port ${power.port}`,
      // The connector of a coax cable sits at the recorder, not where its cores are fed.
      end: terminate?.recorderId == null ? named(connectors, terminate?.headEndId) : '',
    })
  }
  for (const { id, mark, name, state, cableId, ...run } of runs) {
    if (state === 'taken away') continue
    const about = { of: 'run', deviceId: id, mark, name, cable: named(cables, cableId) } as const
    const port = (at: string, chosen: string | null) => chosen && portWords(chosen, parts.get(at))
    add(run.fromId, { ...about, port: port(run.fromId, run.fromPort), end: named(connectors, run.fromEndId) })
    add(run.toId, { ...about, port: port(run.toId, run.toPort), end: named(connectors, run.toEndId) })
  }
  for (const list of uses.values())
    list.sort((a, b) => inOrder(a.port ?? '\uffff', b.port ?? '\uffff') || (a.mark < b.mark ? -1 : 1))
  return uses
}

/** A piece of equipment with its part looked up; null where the catalogue lacks it. */
export function equipmentContext(
  equipment: Equipment,
  job: Of,
  catalogue: Catalogue,
  uses: readonly PortUse[],
): EquipmentContext | null {
  const part = catalogue.equipment.get(equipment.partId)
  if (!part) return null
  const isOld = ({ id }: { readonly id: string }) => id === equipment.replaces
  const old = equipment.replaces === null ? null : (job.equipment.find(isOld) ?? job.devices.find(isOld))
  return {
    equipment,
    part,
    exposure: EXPOSURES[equipment.exposure],
    place: PLACE_OF[equipment.stands],
    uses,
    replaced: old ? `${old.mark} ${old.name}` : null,
    pinScheme: job.policies.pinScheme,
    mainsV: job.mainsV,
    printed: (value, kind) => print({ value, kind }, job.units),
  }
}
