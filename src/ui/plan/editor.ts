'use client'

import { useCallback, useMemo, useRef, useState } from 'react'
import { v4 as uuid } from 'uuid'
import { z } from 'zod'
import { distanceM, type PlanPoint } from '@/core/geometry'
import { inverseOf, PlanThing, type Change, type Floor, type Job } from '@/core/job'
import type { Said } from '../job/commands'
import { useJob } from '../job/JobProvider'
import { refusal } from '../kit/LineField'
import { DRAWN, keyOf, type Tool } from './tools'
import { lockedOut } from './locks'
import { doingOf } from './undoing'

export interface Picked {
  readonly is: 'thing' | 'device'
  readonly id: string
}
/** What is selected where it is one; null where it is nothing, or several. */
export type Selection = Picked | null

interface Step {
  /** What it did: "moving Boat on its cradle". */
  readonly doing: string
  readonly forth: readonly Change[]
  readonly back: readonly Change[]
}

interface Steps {
  readonly done: readonly Step[]
  readonly undone: readonly Step[]
}

/** Taking back, or doing again. */
export interface Again {
  /** What it would do that to; null while there is nothing. */
  readonly doing: string | null
  /** Also finds what is only now being said. */
  readonly run: () => void
}

/** A change, or what it is once it is known how the job stands. */
type Wanted = Change | ((now: Job) => Change)

export interface Editor {
  readonly job: Job
  readonly floor: Floor
  readonly setFloor: (floor: Floor) => void
  readonly tool: Tool
  readonly setTool: (tool: Tool) => void
  /** Everything that is selected. */
  readonly selected: readonly Picked[]
  readonly selection: Selection
  readonly select: (...picked: readonly Picked[]) => void
  /** Selects it beside the rest, or no longer. */
  readonly toggle: (picked: Picked) => void
  /** Corners of what is being drawn. */
  readonly draft: readonly PlanPoint[]
  readonly setDraft: (draft: readonly PlanPoint[]) => void
  /** Lets go of the corners drawn so far. */
  readonly begin: () => void
  /** Ends what is being drawn and keeps it. */
  readonly finish: (points?: readonly PlanPoint[]) => Promise<void>
  /**
   * Says changes that can be taken back together; the first that is refused ends them. One may rest on the
   * job as it stands when it is said: what was said a moment ago may not be shown yet.
   */
  readonly commit: (...changes: readonly Wanted[]) => Promise<Said>
  /** Shows changes without saying them; none ends it. */
  readonly attempt: (...changes: readonly Change[]) => void
  /** Whether something is shown that is not said. */
  readonly trying: boolean
  /** The job with everything said in it, tried changes left out: what the next change starts from. */
  readonly latest: () => Job
  readonly undo: Again
  readonly redo: Again
  /** Why the last change was refused; null after one that was not. */
  readonly refused: string | null
  readonly snapping: boolean
  readonly setSnapping: (snapping: boolean) => void
}

const asideOf = (tool: Tool, floor: Floor) => `${floor}:${keyOf(tool)}`
/** A tool whose corners are only a thing once it is ended. */
const unended = (tool: Tool) => tool.does === 'draw' && DRAWN[tool.kind].clicks === 'until ended'

/** State of the plan's editor: everything it does to the job goes through commands. */
export function useEditor(deviceId: string | null): Editor {
  const { job, send, latest, preview } = useJob()
  const start = job.devices.find(({ id }) => id === deviceId)
  const [floor, showFloor] = useState<Floor>(start?.sight?.place?.floor ?? 'ground')
  const [tool, takeTool] = useState<Tool>({ does: 'select' })
  const [selected, setSelected] = useState<readonly Picked[]>(start ? [{ is: 'device', id: start.id }] : [])
  const [draft, setDraft] = useState<readonly PlanPoint[]>([])
  const [refused, setRefused] = useState<string | null>(null)
  const [snapping, setSnapping] = useState(true)
  const [base, setBase] = useState<Job | null>(null) // the job before an attempt: what undo goes back to

  const select = useCallback((...picked: readonly Picked[]) => setSelected(picked), [])
  const toggle = useCallback(
    ({ is, id }: Picked) =>
      setSelected((held) => {
        const without = held.filter((one) => one.id !== id)
        return without.length < held.length ? without : [...held, { is, id }]
      }),
    [],
  )

  const attempt = useCallback(
    (...changes: readonly Change[]) => {
      if (lockedOut(job, changes) !== null) return
      setBase((held) => (changes.length === 0 ? null : (held ?? job)))
      preview(...changes)
    },
    [job, preview],
  )

  // One after the other: an undo that is pressed while a change is still being said takes that one back.
  const [steps, setSteps] = useState<Steps>({ done: [], undone: [] })
  const kept = useRef(steps)
  const keep = useCallback((next: Steps) => {
    kept.current = next
    setSteps(next)
  }, [])
  const line = useRef<Promise<unknown>>(Promise.resolve())
  const inLine = useCallback(<T>(task: () => Promise<T>): Promise<T> => {
    const next = line.current.then(task)
    line.current = next.catch(() => undefined)
    return next
  }, [])

  const sayAll = useCallback(
    async (changes: readonly Change[]): Promise<{ said: Said; through: readonly Change[] }> => {
      let said: Said = { ok: true }
      const through: Change[] = []
      for (const change of changes) {
        said = await send(change)
        if (!said.ok) break
        through.push(change)
      }
      setRefused(refusal(said))
      return { said, through }
    },
    [send],
  )

  const commit = useCallback(
    (...wanted: readonly Wanted[]): Promise<Said> => {
      const tried = base
      setBase(null)
      return inLine(async (): Promise<Said> => {
        const changes = wanted.map((one) => (typeof one === 'function' ? one(latest()) : one))
        const before = tried ?? latest()
        const locked = lockedOut(before, changes)
        if (locked !== null) {
          preview()
          setRefused(locked)
          return { ok: false, reasons: [{ path: '', message: locked }] }
        }
        const { said, through } = await sayAll(changes)
        preview() // what was tried is shown until it is kept
        const back = through.flatMap((change) => inverseOf(before, change) ?? []).reverse()
        const step = { doing: doingOf(before, through), forth: through, back }
        if (back.length > 0) keep({ done: [...kept.current.done.slice(-199), step], undone: [] })
        return said
      })
    },
    [base, inLine, keep, latest, preview, sayAll],
  )

  const replay = useCallback(
    (way: 'back' | 'forth') =>
      inLine(async () => {
        const { done, undone } = kept.current
        const step = (way === 'back' ? done : undone).at(-1)
        if (!step) return
        const { said } = await sayAll(step[way])
        // What is refused can be neither taken back nor done again.
        const [add, to] = [said.ok ? [step] : [], way === 'back' ? 'undone' : 'done']
        keep({
          done: way === 'back' ? done.slice(0, -1) : done,
          undone: way === 'back' ? undone : undone.slice(0, -1),
          [to]: [...(to === 'done' ? done : undone), ...add],
        })
      }),
    [inLine, keep, sayAll],
  )

  // Corners of what was not ended are laid aside: who takes up the tool again goes on with them.
  const aside = useRef(new Map<string, readonly PlanPoint[]>())
  const setTool = useCallback(
    (next: Tool) => {
      if (unended(tool) && draft.length > 0) aside.current.set(asideOf(tool, floor), draft)
      takeTool(next)
      setDraft(aside.current.get(asideOf(next, floor)) ?? [])
      aside.current.delete(asideOf(next, floor))
      setRefused(null)
      if (next.does === 'draw') select()
    },
    [draft, floor, select, tool],
  )

  const finish = useCallback(
    async (points: readonly PlanPoint[] = draft) => {
      if (tool.does !== 'draw') return
      const corners = points.filter((p, i) => i === 0 || distanceM(p, points[i - 1]!) > 1e-6)
      const plain = corners.map(({ x, y }) => ({ x, y }))
      const drawn = DRAWN[tool.kind]
      const started = drawn
        .start(plain, job)
        .map((one) => ({ id: uuid(), floor, name: '', locked: false, ...one }))
      const parsed = z.array(PlanThing).safeParse(started)
      // what is drawn stays, to be mended
      if (!parsed.success) return setRefused(parsed.error.issues.map(({ message }) => message).join(' '))
      const things = parsed.data
      if (!(await commit(...things.map((thing) => ({ type: 'putThing' as const, thing })))).ok) return
      if (drawn.goesOn) return setDraft([corners[1]!])
      setDraft([])
      takeTool({ does: 'select' })
      select(...things.map(({ id }) => ({ is: 'thing' as const, id })))
    },
    [commit, draft, floor, job, select, tool],
  )

  const setFloor = useCallback(
    (next: Floor) => {
      showFloor(next)
      setTool({ does: 'select' })
      select()
    },
    [select, setTool],
  )

  const lastDone = steps.done.at(-1)?.doing ?? null
  const lastUndone = steps.undone.at(-1)?.doing ?? null
  return useMemo(
    () => ({
      job,
      floor,
      setFloor,
      tool,
      setTool,
      selected,
      selection: selected.length === 1 ? selected[0]! : null,
      select,
      toggle,
      draft,
      setDraft,
      begin: () => setDraft([]),
      finish,
      commit,
      attempt,
      trying: base !== null,
      latest,
      refused,
      snapping,
      setSnapping,
      undo: { doing: lastDone, run: () => void replay('back') },
      redo: { doing: lastUndone, run: () => void replay('forth') },
    }),
    [
      job,
      floor,
      setFloor,
      tool,
      setTool,
      selected,
      select,
      toggle,
      draft,
      finish,
      commit,
      attempt,
      base,
      latest,
      refused,
      snapping,
      lastDone,
      lastUndone,
      replay,
    ],
  )
}
