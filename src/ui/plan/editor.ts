'use client'

import { useCallback, useMemo, useState } from 'react'
import { v4 as uuid } from 'uuid'
import { distanceM, type PlanPoint } from '@/core/geometry'
import { inverseOf, PlanThing, type Change, type Floor, type Job } from '@/core/job'
import type { Said } from '../job/commands'
import { useJob } from '../job/JobProvider'
import { refusal } from '../kit/LineField'
import { DRAWN, type Tool } from './tools'

export type Selection = { readonly is: 'thing' | 'device'; readonly id: string } | null

interface Step {
  readonly forth: Change
  readonly back: Change
}

type SetSteps = (change: (steps: readonly Step[]) => readonly Step[]) => void

export interface Editor {
  readonly job: Job
  readonly floor: Floor
  readonly setFloor: (floor: Floor) => void
  readonly tool: Tool
  readonly setTool: (tool: Tool) => void
  readonly selection: Selection
  readonly select: (selection: Selection) => void
  /** Corners of what is being drawn. */
  readonly draft: readonly PlanPoint[]
  readonly setDraft: (draft: readonly PlanPoint[]) => void
  /** Ends what is being drawn and keeps it. */
  readonly finish: (points?: readonly PlanPoint[]) => Promise<void>
  /** Says a change that can be taken back. */
  readonly commit: (change: Change) => Promise<Said>
  readonly attempt: (change: Change | null) => void
  /** The job with everything said in it, tried changes left out: what the next change starts from. */
  readonly latest: () => Job
  readonly undo: (() => void) | null
  readonly redo: (() => void) | null
  /** Why the last change was refused; null after one that was not. */
  readonly refused: string | null
  readonly snapping: boolean
  readonly setSnapping: (snapping: boolean) => void
}

/** State of the plan's editor: everything it does to the job goes through commands. */
export function useEditor(deviceId: string | null): Editor {
  const { job, send, latest, preview } = useJob()
  const start = job.devices.find(({ id }) => id === deviceId)
  const [floor, showFloor] = useState<Floor>(start?.sight?.place?.floor ?? 'ground')
  const [tool, takeTool] = useState<Tool>({ does: 'select' })
  const [selection, select] = useState<Selection>(start ? { is: 'device', id: start.id } : null)
  const [draft, setDraft] = useState<readonly PlanPoint[]>([])
  const [done, setDone] = useState<readonly Step[]>([])
  const [undone, setUndone] = useState<readonly Step[]>([])
  const [refused, setRefused] = useState<string | null>(null)
  const [snapping, setSnapping] = useState(true)
  const [base, setBase] = useState<Job | null>(null) // the job before an attempt: what undo goes back to

  const attempt = useCallback(
    (change: Change | null) => {
      setBase((held) => (change === null ? null : (held ?? job)))
      preview(change)
    },
    [job, preview],
  )

  const commit = useCallback(
    async (change: Change): Promise<Said> => {
      const back = inverseOf(base ?? latest(), change)
      setBase(null)
      const said = await send(change)
      preview(null) // what was tried is shown until it is kept
      setRefused(refusal(said))
      if (said.ok && back) {
        setDone((steps) => [...steps.slice(-199), { forth: change, back }])
        setUndone([])
      }
      return said
    },
    [base, latest, preview, send],
  )

  // The step changes sides at once, so that a fast hand's redo finds it; one that is refused is gone from
  // both.
  const replay = useCallback(
    async (step: Step, way: 'back' | 'forth', from: SetSteps, to: SetSteps) => {
      const without = (steps: readonly Step[]) => steps.filter((one) => one !== step)
      from(without)
      to((steps) => [...steps, step])
      const said = await send(step[way])
      setRefused(refusal(said))
      if (!said.ok) to(without)
    },
    [send],
  )

  const setTool = useCallback((next: Tool) => {
    takeTool(next)
    setDraft([])
    setRefused(null)
    if (next.does === 'draw') select(null)
  }, [])

  const finish = useCallback(
    async (points: readonly PlanPoint[] = draft) => {
      if (tool.does !== 'draw') return
      const corners = points.filter((p, i) => i === 0 || distanceM(p, points[i - 1]!) > 1e-6)
      const plain = corners.map(({ x, y }) => ({ x, y }))
      const drawn = DRAWN[tool.kind]
      const thing = { id: uuid(), floor, name: '', ...drawn.start(plain, job) }
      const parsed = PlanThing.safeParse(thing)
      // what is drawn stays, to be mended
      if (!parsed.success) return setRefused(parsed.error.issues.map(({ message }) => message).join(' '))
      if (!(await commit({ type: 'putThing', thing: parsed.data })).ok) return
      if (drawn.goesOn) return setDraft([corners[1]!])
      setDraft([])
      takeTool({ does: 'select' })
      select({ is: 'thing', id: parsed.data.id })
    },
    [commit, draft, floor, job, tool],
  )

  const setFloor = useCallback(
    (next: Floor) => {
      showFloor(next)
      setTool({ does: 'select' })
      select(null)
    },
    [setTool],
  )

  const [lastDone, lastUndone] = [done.at(-1), undone.at(-1)]
  return useMemo(
    () => ({
      job,
      floor,
      setFloor,
      tool,
      setTool,
      selection,
      select,
      draft,
      setDraft,
      finish,
      commit,
      attempt,
      latest,
      refused,
      snapping,
      setSnapping,
      undo: lastDone ? () => void replay(lastDone, 'back', setDone, setUndone) : null,
      redo: lastUndone ? () => void replay(lastUndone, 'forth', setUndone, setDone) : null,
    }),
    [
      job,
      floor,
      setFloor,
      tool,
      setTool,
      selection,
      draft,
      finish,
      commit,
      attempt,
      latest,
      refused,
      snapping,
      lastDone,
      lastUndone,
      replay,
    ],
  )
}
