import { expose } from 'comlink'
import loadHighs, { type Highs } from 'highs'
import { boxPlanSteps, type CableNeed, type CablePlan } from '@/core/reels'
import { Turns } from './turns'

/** Plans boxes of cable beside the page, with the solver; a newer plan ends the older. */

const turns = new Turns(24)
let solver: Promise<Highs> | null = null

/** Null where the solver is not on this device: there is a plan all the same. */
async function solving(): Promise<Highs | null> {
  solver ??= loadHighs()
  try {
    return await solver
  } catch {
    solver = null
    return null
  }
}

const reels = {
  /** Null when a newer plan came in between. */
  async plan(
    needs: readonly CableNeed[],
    watch: (share: number) => void,
  ): Promise<{ readonly plans: readonly CablePlan[]; readonly solved: boolean } | null> {
    const highs = await solving()
    const plans = await turns.run(boxPlanSteps(needs, highs), watch)
    return plans && { plans, solved: highs !== null }
  },
  cancel: (): void => turns.cancel(),
}

export type ReelsWorker = typeof reels

expose(reels)
