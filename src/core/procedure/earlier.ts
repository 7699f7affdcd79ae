import type { StepRecord } from '../job/job'
import { atStart, print, type QuantityKind, type UnitSystem } from '../units'

/** A record of a step that the plan no longer asks for: it stays, and is shown as what it was. */
export interface EarlierStep {
  readonly stepId: string
  readonly title: string
  readonly says: string
  readonly photos: number
  readonly by: string
  readonly at: string
}

/** What the measured steps measure: a value outlives the plan that asked for it. */
export const MEASURES: Readonly<Record<string, QuantityKind>> = {
  'sight/height': 'length',
  'mount/level': 'angle',
  'route/length': 'length',
  'terminate/loop': 'resistance',
  'seal/cable': 'size',
  'power/volts': 'voltage',
  'power/set-volts': 'voltage',
  'aim/tilt': 'angle',
  'aim/level': 'angle',
}

/** Records that belong to no step of the plan as it stands, as they were made. */
export function earlierSteps(
  records: readonly StepRecord[],
  asked: ReadonlySet<string>,
  photosOf: (stepId: string) => number,
  units: UnitSystem,
): readonly EarlierStep[] {
  return records
    .filter(({ stepId }) => !asked.has(stepId))
    .map((record) => {
      const { stepId, by, at } = record
      const title = record.title || titleOf(stepId)
      return { stepId, title, says: saysOf(record, units), photos: photosOf(stepId), by, at }
    })
}

/** `mount/cable-hole` reads "Cable hole (mount)". */
function titleOf(stepId: string): string {
  const at = stepId.indexOf('/')
  const [stage, key] = [stepId.slice(0, at), stepId.slice(at + 1).replace(/[-/]/g, ' ')]
  return `${atStart(key)} (${stage})`
}

function saysOf({ stepId, state, value, choice, note }: StepRecord, units: UnitSystem): string {
  if (state === 'left out') return `Left out: ${note}`
  const kind = MEASURES[stepId]
  const read = value !== null && kind ? print({ value, kind }, units) : null
  return [read, choice, note].filter((said) => said !== null && said !== '').join('; ') || 'Done.'
}
