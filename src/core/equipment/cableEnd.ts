import type { Device, Equipment } from '../job/job'
import type { Catalogue, EquipmentKind } from '../parts'

/** What a data cable is plugged into where its camera is fed from there: the rest feeds by other cores. */
const PLUGGED: ReadonlySet<EquipmentKind> = new Set(['switch', 'recorder', 'injector'])

/**
 * The equipment at the far end of a camera's own cable: its recorder, else what it is plugged into or, of a
 * power cable, fed by. Null where nobody says more than "the head end".
 */
export function cableEndOf(
  { terminate, power, cableId }: Pick<Device, 'terminate' | 'power' | 'cableId'>,
  equipment: readonly Equipment[],
  catalogue: Catalogue,
): Equipment | null {
  const of = (id: string | null | undefined) => equipment.find((one) => one.id === id) ?? null
  const recorder = of(terminate?.recorderId)
  if (recorder) return recorder
  const supply = of(power?.supplyId)
  const kind = supply && catalogue.equipment.get(supply.partId)?.kind
  const feedsAlone = catalogue.cables.get(cableId)?.kind === 'power'
  return kind && (feedsAlone || PLUGGED.has(kind)) ? supply : null
}
