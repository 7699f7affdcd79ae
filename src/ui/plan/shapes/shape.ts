import type { ReactNode } from 'react'
import type { PlanPoint } from '@/core/geometry'
import type { ThingName, ThingOf } from '@/core/job'
import type { ViewBox } from '../view'
import type { Inks } from './marks'

/** What a shape is drawn with. */
export interface Drawing {
  /** What the hand takes it by. */
  readonly id: string
  readonly view: ViewBox
  readonly ink: Inks
  readonly selected: boolean
  /** Whether there is room for names. */
  readonly named: boolean
}

/** How one kind of thing is drawn. */
export interface Shape<K extends ThingName> {
  readonly draw: (thing: ThingOf<K>, drawing: Drawing) => ReactNode
  /** Where its name stands; null where no name is drawn. */
  readonly labelAt: ((thing: ThingOf<K>) => PlanPoint) | null
}
