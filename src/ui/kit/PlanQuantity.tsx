'use client'

import type { QuantityKind, UnitSystem } from '@/core/units'
import type { Said } from '../job/commands'
import { QuantityField } from './QuantityField'

/**
 * What changes of something planned: said outright, or of how it stands when it is said, which a page may not
 * show yet while an earlier change is only being kept.
 */
export type Edit<T> = Partial<T> | ((now: T) => Partial<T>)
export const editOf = <T,>(edit: Edit<T>, now: T): Partial<T> =>
  typeof edit === 'function' ? edit(now) : edit

/** How fields of something planned are tried while somebody types, kept when a field is left, given up. */
export interface Editing<T> {
  readonly units: UnitSystem
  /** Names the draft of a field. */
  readonly draft: (field: string) => string
  readonly attempt: (change: Edit<T>) => void
  readonly keep: (change: Edit<T>) => Promise<Said>
  readonly giveUp: () => void
}

interface PlanQuantityProps<T> {
  readonly plan: Editing<T>
  /** Names its draft. */
  readonly field: string
  readonly label: string
  readonly kind: QuantityKind
  readonly value: number | null
  readonly least: number
  readonly most: number
  readonly hint?: string
  /** The change that a value is. */
  readonly as: (value: number) => Edit<T>
  /** The change that an emptied field is, where it may be empty. */
  readonly none?: Edit<T>
}

/** One quantity of what is planned. */
export const PlanQuantity = <T,>({ plan, field, as, none, ...asked }: PlanQuantityProps<T>) => (
  <QuantityField
    {...asked}
    units={plan.units}
    draftKey={plan.draft(field)}
    optional={none !== undefined}
    onTry={(value) => plan.attempt(as(value))}
    onKeep={(value) => {
      const change = value === null ? none : as(value)
      return change !== undefined && plan.keep(change)
    }}
    onGiveUp={plan.giveUp}
  />
)
