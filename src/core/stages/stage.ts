import type { StageAssessment } from '../findings'
import type { Cause } from '../job/choices'
import type { DeviceContext, PlaceContext } from '../parts'
import type { Task } from '../procedure'
import type { Load, Marked } from './load'
import type { Register } from '../sources'

/**
 * A stage of the work: what it asks, what it starts from, and what a plan of it comes to. `propose` and
 * `assess` are pure and total; either is null where the job lacks what the stage rests on.
 */
export interface Stage<Plan, Drawing, Context extends DeviceContext = PlaceContext> {
  readonly title: string
  /** The question it answers, as its users put it. */
  readonly question: string
  /** What stands above what comes out of it. */
  readonly heading: string
  /** A plan to start from, as long as nobody has made one. */
  readonly propose: (context: DeviceContext) => Plan | null
  /** Figures, findings and what its drawing needs. */
  readonly assess: (context: Context, plan: Plan) => StageAssessment<Drawing> | null
  /** What a plan of it is judged by, in a line. */
  readonly judged: string
  /** What is not judged of a plan, each with the reason: Good is never said of it. */
  readonly unjudged: (context: Context, plan: Plan) => readonly string[]
  /** What is to do at the device once things are planned, each in its phase of the work. */
  readonly tasks: (context: DeviceContext) => readonly Task[]
  /** What is cut, drilled and loaded for what is planned. */
  readonly load: (context: DeviceContext, marked: Marked) => Load
  /** What trouble in it comes from, where nothing tells better. */
  readonly cause: Cause
  /** The limits and formulas that it rests on. */
  readonly register: Register
}
