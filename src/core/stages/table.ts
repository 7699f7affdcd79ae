import type { PlannedStage, StageAssessment } from '../findings'
import { assessMount, MOUNT_JUDGED, proposeMount, unjudgedMount } from '../mount'
import type { DeviceContext } from '../parts'
import { assessPower, POWER_JUDGED, proposePower, unjudgedPower } from '../power'
import { assessRoute, ROUTE_JUDGED, proposeRoute, unjudgedRoute } from '../route'
import { assessSeal, SEAL_JUDGED, proposeSeal, unjudgedSeal } from '../seal'
import { assessSight, SIGHT_JUDGED, proposeSight, unjudgedSight } from '../sight'
import { assessTerminate, TERMINATE_JUDGED, proposeTerminate, unjudgedTerminate } from '../terminate'
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
  /** What a plan of it is judged by, in a line. */
  readonly judged: string
  /** What is not judged of a plan, each with the reason: Good is never said of it. */
  readonly unjudged: (context: DeviceContext, plan: Plan) => readonly string[]
}

/** Every stage that is planned. Types, columns, tabs and the board follow from it. */
export const STAGE_TABLE = {
  sight: {
    title: 'Sight',
    question: 'What will it see from here?',
    propose: proposeSight,
    assess: assessSight,
    judged: SIGHT_JUDGED,
    unjudged: unjudgedSight,
  },
  mount: {
    title: 'Mount',
    question: 'Will it hold, what do I drill, how do I reach it?',
    propose: proposeMount,
    assess: assessMount,
    judged: MOUNT_JUDGED,
    unjudged: unjudgedMount,
  },
  route: {
    title: 'Route',
    question: 'Which way does the cable go, how much, from which box?',
    propose: proposeRoute,
    assess: assessRoute,
    judged: ROUTE_JUDGED,
    unjudged: unjudgedRoute,
  },
  terminate: {
    title: 'Terminate',
    question: 'What goes on the cable, in what order, and is it right?',
    propose: proposeTerminate,
    assess: assessTerminate,
    judged: TERMINATE_JUDGED,
    unjudged: unjudgedTerminate,
  },
  seal: {
    title: 'Seal',
    question: 'Will it stay dry?',
    propose: proposeSeal,
    assess: assessSeal,
    judged: SEAL_JUDGED,
    unjudged: unjudgedSeal,
  },
  power: {
    title: 'Power',
    question: 'Do the volts and the data get there, safely?',
    propose: proposePower,
    assess: assessPower,
    judged: POWER_JUDGED,
    unjudged: unjudgedPower,
  },
} as const satisfies { [S in PlannedStage]: Stage<Plans[S], unknown> }

type Table = typeof STAGE_TABLE

/** What the drawing of a stage needs. */
export type DrawingOf<S extends PlannedStage> = NonNullable<ReturnType<Table[S]['assess']>>['drawing']

/** Null for a stage that may have nothing to start from, never otherwise. */
export type Missing<S extends PlannedStage> = Extract<ReturnType<Table[S]['propose']>, null>
