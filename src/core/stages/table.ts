import type { PlannedStage, StageAssessment } from '../findings'
import { assessMount, proposeMount } from '../mount'
import type { DeviceContext } from '../parts'
import { assessPower, proposePower } from '../power'
import { assessRoute, proposeRoute } from '../route'
import { assessSeal, proposeSeal } from '../seal'
import { assessSight, proposeSight } from '../sight'
import { assessTerminate, proposeTerminate } from '../terminate'
import type { Plans } from './plans'

/**
 * A stage of the work: what it asks, what it starts from, and what a plan of it comes to. `propose` and
 * `assess` are pure and total; either is null where the job lacks what the stage rests on.
 */
export interface Stage<Plan, Drawing> {
  readonly title: string
  /** The question it answers, as its users put it. */
  readonly question: string
  /** A plan to start from, as long as nobody has made one. */
  readonly propose: (context: DeviceContext) => Plan | null
  /** Figures, findings and what its drawing needs. */
  readonly assess: (context: DeviceContext, plan: Plan) => StageAssessment<Drawing> | null
}

/** Every stage that is planned. Types, columns, tabs and the board follow from it. */
export const STAGE_TABLE = {
  sight: {
    title: 'Sight',
    question: 'What will it see from here?',
    propose: proposeSight,
    assess: assessSight,
  },
  mount: {
    title: 'Mount',
    question: 'Will it hold, what do I drill, how do I reach it?',
    propose: proposeMount,
    assess: assessMount,
  },
  route: {
    title: 'Route',
    question: 'Which way does the cable go, how much, from which box?',
    propose: proposeRoute,
    assess: assessRoute,
  },
  terminate: {
    title: 'Terminate',
    question: 'What goes on the cable, in what order, and is it right?',
    propose: proposeTerminate,
    assess: assessTerminate,
  },
  seal: {
    title: 'Seal',
    question: 'Will it stay dry?',
    propose: proposeSeal,
    assess: assessSeal,
  },
  power: {
    title: 'Power',
    question: 'Do the volts and the data get there, safely?',
    propose: proposePower,
    assess: assessPower,
  },
} as const satisfies { [S in PlannedStage]: Stage<Plans[S], unknown> }

type Table = typeof STAGE_TABLE

/** What the drawing of a stage needs. */
export type DrawingOf<S extends PlannedStage> = NonNullable<ReturnType<Table[S]['assess']>>['drawing']

/** Null for a stage that may have nothing to start from, never otherwise. */
export type Missing<S extends PlannedStage> = Extract<ReturnType<Table[S]['propose']>, null>
