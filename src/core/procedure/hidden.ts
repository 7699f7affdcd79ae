import { finding, type Finding } from '../findings'
import { inSentence, text } from '../units'

/** A task that nobody can do: the only way to it is behind a part that stays. */
export interface Hidden {
  readonly taskId: string
  readonly title: string
  readonly because: string
  /** What the part is called. */
  readonly behind: string
}

/** What is out of reach behind a part that stays, as a Stop. */
export const hiddenFinding = ({ taskId, title, because, behind }: Hidden): Finding =>
  finding('mount', `hidden:${taskId}`, {
    verdict: 'stop',
    title: `Out of reach behind what stays: ${inSentence(title)}`,
    short: 'behind what stays',
    figure: text(`behind the ${behind}`),
    limit: text('within reach'),
    reason: because,
    source: 'catalogue',
    advice: `Take the ${behind} off and put it up again: let it, and what sits on it, not stay.`,
  })
