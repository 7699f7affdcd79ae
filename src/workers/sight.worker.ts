import { expose, transfer } from 'comlink'
import {
  positionSteps,
  SurveyMemory,
  surveySteps,
  type Position,
  type PositionQuestion,
  type Survey,
  type SurveyRequest,
} from '@/core/sight'
import { headEndSteps, type HeadEndQuestion, type HeadEndSpot } from '@/core/pathway'
import { Turns } from './turns'

/**
 * Runs the heavy parts of the plan beside the page. One piece of work of a kind at a time: a newer one ends
 * the older.
 */

const BREATH_MS = 24
/** What the last survey knows: a camera that moves does not make all others look again. */
const memory = new SurveyMemory()
const turns = {
  survey: new Turns(BREATH_MS),
  positions: new Turns(BREATH_MS),
  headEnds: new Turns(BREATH_MS),
}

type Watch = (share: number) => void

const sight = {
  /** Surveys a floor; null when a newer survey or a cancel came in between. */
  async survey(request: SurveyRequest, watch: Watch): Promise<Survey | null> {
    const made = await turns.survey.run(surveySteps(request, memory), watch)
    return made && transfer(made, [made.best.buffer, made.count.buffer, made.ground.buffer])
  },
  /** Ranks positions; null when cancelled. */
  positions: (question: PositionQuestion, watch: Watch): Promise<readonly Position[] | null> =>
    turns.positions.run(positionSteps(question), watch),
  /** Compares spots for the head end; null when cancelled. */
  headEnds: (question: HeadEndQuestion, watch: Watch): Promise<readonly HeadEndSpot[] | null> =>
    turns.headEnds.run(headEndSteps(question), watch),
  cancel: (kind: keyof typeof turns): void => turns[kind].cancel(),
}

export type SightWorker = typeof sight

expose(sight)
