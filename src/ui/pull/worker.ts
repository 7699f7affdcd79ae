'use client'

import { proxy, wrap, type Remote } from 'comlink'
import { useEffect, useState } from 'react'
import type { CableNeed, CablePlan } from '@/core/reels'
import type { ReelsWorker } from '@/workers/reels.worker'

let held: Remote<ReelsWorker> | null = null

/** The one worker of the page. */
function worker(): Remote<ReelsWorker> {
  held ??= wrap<ReelsWorker>(
    new Worker(new URL('../../workers/reels.worker.ts', import.meta.url), { type: 'module' }),
  )
  return held
}

export interface Planning {
  /** The last plans, and what they are of: while newer ones are worked out, an older need. */
  readonly plans: readonly CablePlan[] | null
  readonly of: readonly CableNeed[] | null
  /** False where the solver is not on this device. */
  readonly solved: boolean
  /** How the last work ended that did not bring plans. */
  readonly ended: 'failed' | 'stopped' | null
}

const NOTHING: Planning = { plans: null, of: null, solved: true, ended: null }

/** Plans which run is cut from which box, in the worker; newer needs end the older plan. */
export function useBoxPlans(needs: readonly CableNeed[]): Planning & {
  /** Share done of what is being worked out, 0 to 1; null when nothing is. */
  readonly progress: number | null
  readonly cancel: () => void
  readonly again: () => void
} {
  const [planning, set] = useState(NOTHING)
  const [done, setDone] = useState(0)
  const [turn, setTurn] = useState(0)
  const [endedAt, setEndedAt] = useState<readonly CableNeed[] | null>(null)
  useEffect(() => {
    let wanted = true
    const end = (how: Partial<Planning>) => {
      if (!wanted) return
      wanted = false
      setDone(0)
      setEndedAt(needs)
      set((now) => ({ ...now, ended: null, ...how, of: how.ended ? now.of : needs }))
    }
    worker()
      .plan(
        needs,
        proxy((share: number) => wanted && setDone(share)),
      )
      .then((made) => end(made ?? { ended: 'stopped' }))
      .catch(() => end({ ended: 'failed' }))
    return () => {
      wanted = false
    }
  }, [needs, turn])
  const ended = endedAt === needs ? planning.ended : null
  const working = planning.of !== needs && ended === null
  return {
    ...planning,
    ended,
    progress: working ? done : null,
    cancel: () => void worker().cancel(),
    again: () => {
      set((now) => ({ ...now, ended: null }))
      setTurn((now) => now + 1)
    },
  }
}
