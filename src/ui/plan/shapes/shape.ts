import type { ReactNode } from 'react'
import type { ThingName, ThingOf } from '@/core/job'
import type { Naming } from '../naming'
import type { ViewBox } from '../view'
import type { Inks } from './marks'

/** What a shape is drawn with. */
export interface Drawing {
  /** What the hand takes it by. */
  readonly id: string
  readonly view: ViewBox
  readonly ink: Inks
  readonly selected: boolean
}

/** How one kind of thing is drawn. */
export interface Shape<K extends ThingName> {
  readonly draw: (thing: ThingOf<K>, drawing: Drawing) => ReactNode
  /** What is written at it, and where; left out where nothing ever is. */
  readonly naming?: (thing: ThingOf<K>, view: ViewBox) => Omit<Naming, 'id'>
}
