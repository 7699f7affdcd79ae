import { EXPOSURES, type Exposure, type Stand } from '../job/choices'
import type { Device, Equipment, Job } from '../job/job'
import type { Place } from '../order'
import type { Catalogue, EquipmentPart } from '../parts'
import { print, type QuantityKind } from '../units'

/** One run that ends at a piece of equipment: which port, and what is at its other end. */
export interface PortUse {
  /** Counted from 1; null where none is chosen. */
  readonly port: number | null
  readonly deviceId: string
  readonly mark: string
  readonly name: string
  readonly cable: string
  /** What the run ends with here; '' while that is not planned. */
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

type Of = Pick<Job, 'devices' | 'equipment' | 'policies' | 'mainsV' | 'units'>

const PLACE_OF: Record<Stand, Place> = { 'head end': 'head end', 'on site': 'at the device' }

type Uses = ReadonlyMap<string, readonly PortUse[]>

const KNOWN = new WeakMap<readonly Device[], { readonly catalogue: Catalogue; readonly uses: Uses }>()

/**
 * Runs of the job's cameras by the equipment that they end at, by port and then by mark; remembered for one
 * and the same list of devices.
 */
export function portUses({ devices }: Of, catalogue: Catalogue): Uses {
  const known = KNOWN.get(devices)
  if (known?.catalogue === catalogue) return known.uses
  const uses = usesFromScratch(devices, catalogue)
  KNOWN.set(devices, { catalogue, uses })
  return uses
}

function usesFromScratch(devices: readonly Device[], catalogue: Catalogue): Uses {
  const uses = new Map<string, PortUse[]>()
  for (const { id, mark, name, state, cableId, power, terminate } of devices) {
    if (!power || state === 'taken away') continue
    const use: PortUse = {
      port: power.port,
      deviceId: id,
      mark,
      name,
      cable: catalogue.cables.get(cableId)?.name ?? cableId,
      end: terminate ? (catalogue.connectors.get(terminate.headEndId)?.name ?? terminate.headEndId) : '',
    }
    const known = uses.get(power.supplyId)
    if (known) known.push(use)
    else uses.set(power.supplyId, [use])
  }
  const last = Number.MAX_SAFE_INTEGER
  for (const list of uses.values())
    list.sort((a, b) => (a.port ?? last) - (b.port ?? last) || (a.mark < b.mark ? -1 : 1))
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
  const old = [...job.equipment, ...job.devices].find(({ id }) => id === equipment.replaces)
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
