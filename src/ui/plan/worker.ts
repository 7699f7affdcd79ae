'use client'

import { proxy, wrap, type Remote } from 'comlink'
import { useEffect, useRef, useState } from 'react'
import type { HeadEndQuestion, HeadEndSpot } from '@/core/pathway'
import type { Position, PositionQuestion, Survey, SurveyRequest } from '@/core/sight'
import type { SightWorker } from '@/workers/sight.worker'

let held: Remote<SightWorker> | null = null

/** The one worker of the page. */
function worker(): Remote<SightWorker> {
  held ??= wrap<SightWorker>(
    new Worker(new URL('../../workers/sight.worker.ts', import.meta.url), { type: 'module' }),
  )
  return held
}

/** Fetches the worker while there is signal, so that it is there without. */
export function warm(): void {
  worker()
}

export interface Working<T> {
  /** The last result; it stays while a newer one is worked out. */
  readonly result: T | null
  /** Share done of what is being worked out, 0 to 1; null when nothing is. */
  readonly progress: number | null
  readonly failed: boolean
}

/** How far a survey is; heard by who shows it alone, so that the page is not drawn again at every step. */
export class HowFar {
  private readonly listeners = new Set<() => void>()
  private share: number | null = null

  /** Share done of what is being worked out, 0 to 1; null when nothing is. */
  readonly now = (): number | null => this.share
  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener)
    return () => this.listeners.delete(listener)
  }

  tell(share: number | null): void {
    this.share = share
    this.listeners.forEach((hear) => hear())
  }
}

interface Surveyed {
  /** The last result; it stays while a newer one is worked out. */
  readonly result: Survey | null
  /** What the result is the answer to: while a newer one is worked out, an older question. */
  readonly of: SurveyRequest | null
  readonly failed: boolean
}

/** How long the plan must rest before it is surveyed again: so that dragging is not chased. */
const REST_MS = 120

/** The survey of what is on the plan, in the worker; a newer plan ends the older survey. */
export function useSurvey(request: SurveyRequest | null): Surveyed & { readonly howFar: HowFar } {
  const [surveyed, set] = useState<Surveyed>({ result: null, of: null, failed: false })
  const [howFar] = useState(() => {
    if (typeof Worker !== 'undefined') warm() // it comes while the page is still being drawn
    return new HowFar()
  })
  const asked = useRef(false)
  useEffect(() => {
    if (!request) return
    let wanted = true
    // How far it is may be heard after the answer: it comes another way.
    const ended = (end: (now: Surveyed) => Surveyed) => {
      if (!wanted) return
      wanted = false
      howFar.tell(null)
      set(end)
    }
    const ask = () => {
      howFar.tell(0)
      worker()
        .survey(
          request,
          proxy((share: number) => wanted && howFar.tell(share)),
        )
        .then((result) => result && ended(() => ({ result, of: request, failed: false })))
        .catch(() => ended((now) => ({ ...now, failed: true })))
    }
    const timer = setTimeout(ask, asked.current ? REST_MS : 0)
    asked.current = true
    return () => {
      wanted = false
      clearTimeout(timer)
    }
  }, [request, howFar])
  return { ...surveyed, howFar }
}

/** What the worker is asked now and then, by its name: what is asked, and what the answer lists. */
interface Asked {
  readonly positions: { readonly question: PositionQuestion; readonly one: Position }
  readonly headEnds: { readonly question: HeadEndQuestion; readonly one: HeadEndSpot }
}

/** Works a list out when asked; can be cancelled. */
export function useAsked<K extends keyof Asked>(
  kind: K,
): Working<readonly Asked[K]['one'][]> & {
  readonly ask: (question: Asked[K]['question']) => void
  readonly cancel: () => void
  readonly forget: () => void
} {
  type Now = Working<readonly Asked[K]['one'][]>
  const [working, set] = useState<Now>({ result: null, progress: null, failed: false })
  const turn = useRef(0)
  const ask = (question: Asked[K]['question']) => {
    const thisTurn = ++turn.current
    const ended = (how: Now) => {
      if (turn.current !== thisTurn) return
      turn.current++
      set(how)
    }
    set({ result: null, progress: 0, failed: false })
    const watch = proxy(
      (progress: number) => turn.current === thisTurn && set((now) => ({ ...now, progress })),
    )
    const answer = worker()[kind] as (
      question: Asked[K]['question'],
      watch: unknown,
    ) => Promise<readonly Asked[K]['one'][] | null>
    answer(question, watch)
      .then((result) => ended({ result, progress: null, failed: false }))
      .catch(() => ended({ result: null, progress: null, failed: true }))
  }
  const cancel = () => {
    turn.current++
    void worker().cancel(kind)
    set((now) => ({ ...now, progress: null }))
  }
  const forget = () => set({ result: null, progress: null, failed: false })
  return { ...working, ask, cancel, forget }
}
