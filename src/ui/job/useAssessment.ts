import { startTransition, useEffect, useState } from 'react'
import { CATALOGUE } from '@/catalogue'
import { assessing, MOST_AT_ONCE, type Assessed, type Assessment, type Piece } from '@/core/assess'
import type { Job } from '@/core/job'

/** Of a larger job a change may take so long before it is shown; the rest comes in pieces, ms. */
const AT_ONCE_MS = 12
const PIECE_MS = 20
/** How often what is known is shown meanwhile, ms. */
const SHOW_EVERY_MS = 400

/** The assessment of one job as it changes, taking over what did not change since the last time. */
class Running {
  private before: Assessed | null = null
  private pieces: Generator<Piece, Assessment, undefined> | null = null
  private last: Piece | null = null
  private looked: string | null = null
  private shown: Assessment | null = null

  /**
   * Turns to a state of the job, and shows what is known of it at once. `looked` is the device looked at. A
   * page that the server has drawn shows all of a small job from the first: it is drawn again as it came.
   */
  turnTo(job: Job, looked: string | null, drawn: boolean): Assessment {
    this.looked = looked
    if (this.shown && this.before?.job === job) return this.shown
    if (this.before && this.busy) this.before = { ...this.before, assessment: this.known() }
    this.pieces = assessing(this.before, job, CATALOGUE, () => this.looked)
    this.last = null
    const opening = this.before === null
    const whole = job.devices.length <= MOST_AT_ONCE && (drawn || !opening)
    if (whole) this.goOn(Infinity)
    else this.goOn(opening ? 0 : AT_ONCE_MS)
    this.before = { job, assessment: this.known() }
    return this.known()
  }

  get busy(): boolean {
    return this.pieces !== null
  }

  /** Computes on for so long. */
  goOn(forMs: number): void {
    const until = performance.now() + forMs
    while (this.pieces) {
      const piece = this.pieces.next()
      if (piece.done) {
        this.pieces = null
        this.shown = piece.value
        if (this.before) this.before = { ...this.before, assessment: piece.value }
      } else {
        this.last = piece.value
        if (performance.now() >= until) return
      }
    }
  }

  /** Everything that is known now. */
  known(): Assessment {
    if (this.busy && this.last) this.shown = this.last.partial()
    return this.shown!
  }
}

interface Tasks {
  readonly postTask: (task: () => void, options: { readonly priority: 'background' }) => Promise<void>
}

/** Does something when nothing else is to be done: what is drawn and what a hand asks for goes first. */
function whenIdle(task: () => void): void {
  const { scheduler } = globalThis as { scheduler?: Partial<Tasks> }
  if (scheduler?.postTask) void scheduler.postTask(task, { priority: 'background' })
  else setTimeout(task, 0)
}

/**
 * Everything computed for a job. A change is computed at once; what takes longer, such as the opening of a
 * large job, comes in pieces, so that the screen stays alive meanwhile.
 */
export function useAssessment(job: Job, looked: string | null, drawn: boolean): Assessment {
  const [running] = useState(() => new Running())
  const shown = running.turnTo(job, looked, drawn)
  const [, show] = useState(shown)
  useEffect(() => {
    if (!running.busy) return
    let ended = false
    let shownAt = -Infinity
    const next = () => {
      if (ended) return
      running.goOn(PIECE_MS)
      const now = performance.now()
      if (!running.busy || now - shownAt > SHOW_EVERY_MS) {
        shownAt = now
        startTransition(() => show(running.known()))
      }
      if (running.busy) whenIdle(next)
    }
    whenIdle(next)
    return () => {
      ended = true
    }
  }, [running, job])
  return shown
}
