import { expose, transfer } from 'comlink'
import { positionSteps, surveySteps, type Position, type PositionQuestion, type Survey, type SurveyRequest } from '@/core/sight'

/** Runs the heavy parts of sight beside the page. One piece of work of a kind at a time: a newer one ends the older. */

type Watch = (share: number) => void

const BREATH_MS = 24
const turns = { survey: 0, positions: 0 }

/** Lets messages in: another call, or a cancel. */
const breath = () => new Promise<void>((done) => setTimeout(done, 0))

async function run<T>(kind: keyof typeof turns, steps: Generator<number, T>, watch: Watch): Promise<T | null> {
  const own = ++turns[kind]
  let since = performance.now()
  for (;;) {
    const { done, value } = steps.next()
    if (done) return value
    if (performance.now() - since < BREATH_MS) continue
    watch(value)
    await breath()
    if (turns[kind] !== own) return null
    since = performance.now()
  }
}

const sight = {
  /** Surveys a floor; null when a newer survey or a cancel came in between. */
  async survey(request: SurveyRequest, watch: Watch): Promise<Survey | null> {
    const made = await run('survey', surveySteps(request), watch)
    return made && transfer(made, [made.best.buffer, made.count.buffer, made.ground.buffer])
  },
  /** Ranks positions; null when cancelled. */
  positions: (question: PositionQuestion, watch: Watch): Promise<readonly Position[] | null> => run('positions', positionSteps(question), watch),
  cancel(kind: keyof typeof turns): void {
    turns[kind]++
  },
}

export type SightWorker = typeof sight

expose(sight)
