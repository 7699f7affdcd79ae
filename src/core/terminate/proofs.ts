import type { RunContext } from '../parts'
import { choice, measure, task, type Fact, type Need, type Task } from '../procedure'
import { runLengths } from '../route'
import type { Way } from '../route/plan'
import { loopLeastOhm, loopLimitOhm } from './resistance'

/** How a cable is proved before anything hangs on it. */

export const THERE: Need = { fact: 'cable there', because: 'The cable is there first.', force: 'reach' }

/** What the factory has made and proved is looked over. */
export const leadProof = (): Task[] => [
  task('cable across', {
    id: 'terminate/lead-look',
    gives: ['cable proved'],
    after: [THERE],
    title: 'Look over both plugs of the lead',
    detail: 'Latch whole, contacts bright and level, moulding not pulled off the jacket.',
    reason: 'It was made and proved in the factory; what a pull has done shows at its ends.',
    entry: choice('sound', 'damaged'),
    causes: { answered: { damaged: 'bad termination' } },
  }),
]

/** Pairs are mapped once both `ends` are made, and one of them is measured as a loop. */
export function pairProofs(context: RunContext, way: Way | null, ends: readonly Fact[]): Task[] {
  const { cable } = context
  const { installedM, meanC } = runLengths(context, way)
  return [
    task('map', {
      id: 'terminate/wire-map',
      gives: ['cable proved'],
      after: [THERE, ...ends.map((fact) => ({ fact, because: 'It is read from end to end.' }))],
      title: 'Read the wire map',
      reason: 'Proved before anything hangs on it.',
      entry: choice('pass', 'open', 'short', 'reversed pair', 'crossed pair', 'split pair'),
      causes: {
        answered: { 'open': 'bad termination', 'short': 'bad termination', 'reversed pair': 'polarity' },
      },
    }),
    ...(installedM > 0
      ? [
          task('head end', {
            id: 'terminate/loop',
            gives: ['cable proved'],
            after: [THERE],
            title: 'Measure the loop resistance of one pair',
            detail: 'Far end shorted.',
            reason:
              'A high reading is a joint or a cable that is not copper; a low one is a short on the way.',
            entry: measure(
              'resistance',
              'Loop resistance',
              cable.awg === null ? 0 : loopLeastOhm(cable.awg, installedM, meanC),
              loopLimitOhm(installedM, meanC),
            ),
            causes: { above: 'bad termination' },
          }),
        ]
      : []),
  ]
}
