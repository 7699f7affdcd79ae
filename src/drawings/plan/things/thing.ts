import type { ThingName, ThingOf } from '@/core/job'
import type { UnitSystem } from '@/core/units'
import type { Drawn, PlanMark } from '../marks'
import type { Naming } from '../naming'
import type { ViewBox } from '../view'

/** How one kind of thing is drawn. */
export interface DrawnThing<K extends ThingName> {
  readonly draw: (thing: ThingOf<K>, drawn: Drawn) => readonly PlanMark[]
  /** What is written at it, and where; left out where nothing ever is. */
  readonly naming?: (thing: ThingOf<K>, view: ViewBox, units: UnitSystem) => Omit<Naming, 'id'>
}
