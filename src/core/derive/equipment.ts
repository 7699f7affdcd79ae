import {
  equipmentContext,
  equipmentFindings,
  equipmentTasks,
  unjudgedEquipment,
  type EquipmentContext,
  type PortUse,
} from '../equipment'
import { byGravity, type Finding } from '../findings'
import type { Equipment, Job } from '../job/job'
import { oncePer, whileSame } from '../once'
import { EQUIPMENT_KINDS, supplyOf, type Catalogue } from '../parts'
import { supplyLoad, type Draw, type SupplyLoad } from '../power'
import { contradictionFinding, inForcedOrder, type Step } from '../procedure'
import { inSentence } from '../units'
import type { DeviceRecords } from './log'
import { lacking, markedAssessment, type MarkedAssessment } from './marked'
import { unreadOfEquipment } from './unread'

/** What one piece of equipment comes to. */
export interface EquipmentAssessment extends MarkedAssessment {
  /** Its part and kind in words; the part's id where the catalogue lacks it. */
  readonly partName: string
  readonly kind: string
  readonly uses: readonly PortUse[]
  /** What it feeds; null where it feeds nothing, and while devices are being computed. */
  readonly load: SupplyLoad | null
}

/** What of a job equipment rests on, beside what its devices draw. */
type Of = Pick<Job, 'devices' | 'equipment' | 'runs' | 'ownParts' | 'policies' | 'mainsV' | 'units'>

interface Planned {
  readonly steps: readonly Step[]
  readonly findings: readonly Finding[]
}

const plannedOf = whileSame<Equipment, Planned>()
const wordsOf = oncePer((uses: readonly PortUse[]) => JSON.stringify(uses))

/** Its steps and findings: the same as before while nothing of what they rest on has changed. */
function planned(context: EquipmentContext): Planned {
  const { equipment, part, uses, replaced, pinScheme, mainsV, printed } = context
  return plannedOf(
    equipment,
    [part, wordsOf(uses), replaced, pinScheme, mainsV, printed(1, 'length')],
    () => {
      const { steps, contradictions } = inForcedOrder(equipmentTasks(context))
      const findings = [...equipmentFindings(context), ...contradictions.map(contradictionFinding)]
      return { steps, findings }
    },
  )
}

type Standing = Pick<MarkedAssessment, 'mark' | 'name' | 'verdict' | 'log' | 'steps'>

/** How the equipment and the runs of a job stand, and what to do next. */
export function equipmentStanding(
  equipment: readonly Standing[],
  runs: readonly Standing[],
): { sentence: string; next: string } {
  if (equipment.length === 0)
    return {
      sentence: 'No equipment yet.',
      next: 'Add what the cameras end at: a recorder, a switch, a supply.',
    }
  const all = [...equipment, ...runs]
  const done = all.filter(({ log }) => log.total > 0 && log.done === log.total).length
  const stopped = all.filter(({ verdict }) => verdict === 'stop').length
  const parts = [
    done > 0 ? `${done} ${done === 1 ? 'is' : 'are'} done` : null,
    stopped > 0 ? `${stopped} ${stopped === 1 ? 'is' : 'are'} stopped` : null,
  ].filter((part) => part !== null)
  const count = equipment.length === 1 ? 'One piece' : `${equipment.length} pieces`
  const between = runs.length === 0 ? '' : `, ${runs.length} ${runs.length === 1 ? 'run' : 'runs'}`
  const open = all.find(({ verdict, log }) => verdict !== 'stop' && log.nextStepId !== null)
  const step = open?.steps.find((state) => state.step.id === open.log.nextStepId)?.step.title
  return {
    sentence: `${count} of equipment${between}${parts.length > 0 ? `: ${parts.join(', ')}` : ''}.`,
    next: open
      ? `Next: ${open.mark} ${open.name}: ${inSentence(step ?? '')}.`
      : 'Nothing is left to do here.',
  }
}

/** A piece of equipment with what it rests on. `draws` is null while devices are being computed. */
interface EquipmentOf {
  readonly equipment: Equipment
  readonly job: Of
  readonly catalogue: Catalogue
  readonly uses: readonly PortUse[]
  readonly draws: readonly Draw[] | null
  readonly recorded: DeviceRecords
}

const assessed = whileSame<Equipment, EquipmentAssessment>()

/** Everything computed for one piece of equipment: the very same while nothing it rests on has changed. */
export function assessEquipment(of: EquipmentOf): EquipmentAssessment {
  const { equipment, job, catalogue, uses, draws, recorded } = of
  const context = equipmentContext(equipment, job, catalogue, uses)
  const { records, photos, faults } = recorded
  const restsOn = [
    ...[catalogue, uses, context?.replaced, records, photos, faults],
    ...[job.policies, job.mainsV, job.units, job.ownParts],
    ...(draws ?? [null]).flatMap((draw) => [draw?.mark, draw?.port, draw?.drawW]),
  ]
  return assessed(equipment, restsOn, () => equipmentFromScratch(of, context))
}

function equipmentFromScratch(
  { equipment, job, catalogue, uses, draws, recorded }: EquipmentOf,
  context: EquipmentContext | null,
): EquipmentAssessment {
  const { name, partId, state } = equipment
  if (!context)
    return {
      ...lacking(equipment, [partId], recorded, job.units),
      partName: partId,
      kind: '',
      uses,
      load: null,
    }
  const { part } = context
  const { steps, findings: own } = planned(context)
  const supply = supplyOf(catalogue, partId)
  const load = supply && draws && supplyLoad(name, supply, draws)
  const entered = job.ownParts.find(({ id }) => id === partId)
  const unread = entered && state !== 'taken away' ? unreadOfEquipment(entered) : null
  const findings = byGravity([...own, ...(load?.findings ?? []), ...(unread ? [unread] : [])])
  const made = { findings, steps, unjudged: unjudgedEquipment(context) }
  const kind = EQUIPMENT_KINDS[part.kind]
  return {
    ...markedAssessment(equipment, made, kind, recorded, job.units),
    partName: part.name,
    kind,
    uses,
    load: load && {
      loadW: load.loadW,
      budgetW: load.budgetW,
      portsUsed: load.portsUsed,
      ports: load.ports,
    },
  }
}
