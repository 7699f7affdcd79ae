import type { EquipmentAssessment } from '@/core/assess'
import { print, type UnitSystem } from '@/core/units'

/** What hangs on it of what it can carry, in words; empty where it feeds nothing. */
export const loadWords = ({ load }: EquipmentAssessment, units: UnitSystem): string =>
  load
    ? `${print({ value: load.loadW, kind: 'power' }, units)} of ` +
      `${print({ value: load.budgetW, kind: 'power' }, units)}, ${load.portsUsed} of ` +
      `${load.ports} ports`
    : ''
