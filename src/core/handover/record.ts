import type { DeviceAssessment, EquipmentAssessment, RunAssessment } from '../assess'
import { everyOne, EXPOSURES, STANDS, STATES } from '../job'
import type { Details, Device, Equipment, Fault, Job, Photo, Run } from '../job/job'
import { withOwn, type Catalogue } from '../parts'
import { printReading } from '../units'

/** The record of one device in the words of the hand-over, for paper and screen alike. */
export interface DeviceRecord {
  readonly facts: readonly { readonly label: string; readonly says: string }[]
  readonly faults: readonly {
    readonly id: string
    readonly title: string
    readonly state: Fault['state']
    readonly history: string
  }[]
  readonly photos: readonly Photo[]
}

/**
 * Gathers what the next person needs to know of a device: where, what, how, by whom. Empty facts are left
 * out.
 */
export function deviceRecord(
  job: Job,
  device: Device,
  assessed: DeviceAssessment,
  shipped: Catalogue,
): DeviceRecord {
  const catalogue = withOwn(shipped, job.ownParts)
  const name = (table: ReadonlyMap<string, { readonly name: string }>, id: string) =>
    table.get(id)?.name ?? id
  const { sight, details, power } = device
  const supply = power && job.equipment.find(({ id }) => id === power.supplyId)
  const old = everyOne(job).find(({ id }) => id === device.replaces)
  const wish = sight?.wish
  const facts: Fact[] = [
    ['Camera', name(catalogue.cameras, device.cameraId)],
    [
      'Mount',
      device.mountIds
        .map((id, i) => name(catalogue.mounts, id) + (i < device.partsKept ? ' (was there, stays)' : ''))
        .join(' · ') || 'straight on the surface',
    ],
    ['Surface', name(catalogue.surfaces, device.surfaceId)],
    ['Cable', name(catalogue.cables, device.cableId)],
    ['Goes with it', device.accessoryIds.map((id) => name(catalogue.accessories, id)).join(', ')],
    ['Port', supply ? `${supply.name}${power.port === null ? '' : `, port ${power.port}`}` : ''],
    ['Head end', job.headEnd],
    ['Was there before', device.state === 'new' ? '' : STATES[device.state]],
    ['Takes the place of', old ? `${old.mark} ${old.name}` : ''],
    ['Asked for at', wish?.place ?? ''],
    [
      'Moved because',
      wish && !wish.kept ? `${wish.reason}${wish.agreedBy ? ` (agreed: ${wish.agreedBy})` : ''}` : '',
    ],
    ...detailFacts(details),
    ...recordedFacts(assessed.log),
  ]
  return recordOf(job, device.id, facts)
}

/** The same of a piece of equipment. */
export function equipmentRecord(
  job: Job,
  { id, details, state, replaces, stands, exposure }: Equipment,
  assessed: EquipmentAssessment,
): DeviceRecord {
  const old = everyOne(job).find((one) => one.id === replaces)
  const uses = usesInWords(assessed)
  return recordOf(job, id, [
    ['What it is', assessed.partName],
    ['Stands', `${STANDS[stands]}, ${EXPOSURES[exposure].name.toLowerCase()}`],
    ['Was there before', state === 'new' ? '' : STATES[state]],
    ['Takes the place of', old ? `${old.mark} ${old.name}` : ''],
    ['Runs by port', uses.join('; ')],
    ...detailFacts(details),
    ...recordedFacts(assessed.log),
  ])
}

/** Which cable ends at which port: `3: 01 Gate`, `uplink 1: R1 To the office`. */
export const usesInWords = ({ uses }: EquipmentAssessment): string[] =>
  uses.map(({ port, mark, name }) => `${(port ?? 'no port').replace(/^port /, '')}: ${mark} ${name}`)

/** The same of a run. */
export function runRecord(job: Job, run: Run, assessed: RunAssessment): DeviceRecord {
  const old = job.runs.find(({ id }) => id === run.replaces)
  return recordOf(job, run.id, [
    ['What it carries', assessed.carries],
    ['From where to where', assessed.ends],
    ['Cable', assessed.cable],
    ['Length', assessed.way ? printReading(assessed.way.headline, job.units) : ''],
    ['Was there before', run.state === 'new' ? '' : STATES[run.state]],
    ['Takes the place of', old ? `${old.mark} ${old.name}` : ''],
    ...recordedFacts(assessed.log),
  ])
}

type Fact = [label: string, says: string]

const detailFacts = (details: Details): Fact[] => [
  ['Serial number', details.serial],
  ['Hardware address', details.hardwareAddress],
  ['Network address', details.networkAddress],
  ['Firmware', details.firmware],
  ['Default password', details.passwordReplaced ? 'replaced' : ''],
]

const recordedFacts = ({ done, total }: DeviceAssessment['log']): Fact[] => [
  ['Recorded', total > 0 ? `${done} of ${total} steps` : ''],
]

/** Facts that are not empty, with the faults and photos of whatever has this id. */
function recordOf(job: Job, id: string, facts: readonly Fact[]): DeviceRecord {
  const found = job.faults.filter(({ deviceId }) => deviceId === id)
  const faultIds = new Set(found.map(({ id }) => id))
  return {
    facts: facts.filter(([, says]) => says !== '').map(([label, says]) => ({ label, says })),
    faults: found.map(({ id, title, state, events, cause, raisedAt }) => ({
      id,
      title,
      state,
      history: [
        `${cause}, raised ${raisedAt.slice(0, 10)}`,
        ...events.map((event) =>
          event.event === 'fix'
            ? `${event.fix.kind} fix ${event.at.slice(0, 10)}: ${event.fix.what}`
            : `re-check ${event.passed ? 'passed' : 'failed'} ${event.at.slice(0, 10)}`,
        ),
      ].join('; '),
    })),
    photos: job.photos.filter(
      (photo) => photo.deviceId === id || (photo.faultId !== null && faultIds.has(photo.faultId)),
    ),
  }
}
