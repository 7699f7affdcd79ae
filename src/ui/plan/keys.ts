import type { KeyboardEvent, RefObject } from 'react'
import type { PlanPoint } from '@/core/geometry'
import type { Place } from '@/core/job'
import { moved } from '@/core/plan'
import { planChange } from '../device/plan'
import type { Editor } from './editor'

/** What a key has to work with. */
export interface Keyboard {
  readonly editor: Editor
  /** The point that is asked about. */
  readonly pinned: PlanPoint | null
  readonly setPinned: (at: PlanPoint) => void
  readonly lengthField: RefObject<HTMLInputElement | null>
}

/** What a key does; false where it has nothing to do here, and the page may have it. */
type Key = (keyboard: Keyboard, shift: boolean) => boolean

/** One press of an arrow, m; the point that is asked about goes five times as far. */
const STEP_M = { metric: 0.1, imperial: 0.0762 } as const
const ASKED_STEPS = 5
/** With shift everything goes ten times as far. */
const FURTHER = 10

const deviceOf = ({ job, selection }: Editor) =>
  selection?.is === 'device' ? job.devices.find(({ id }) => id === selection.id) : undefined
const thingOf = ({ job, selection }: Editor) =>
  selection?.is === 'thing' ? job.things.find(({ id }) => id === selection.id) : undefined

/** Changes the place of the device that is selected; false when none on the plan is. */
function placed(editor: Editor, change: (place: Place) => Place): boolean {
  const device = deviceOf(editor)
  if (!device?.sight?.place) return false
  const place = change(device.sight.place)
  void editor.commit(planChange('sight', device.id, { ...device.sight, place }))
  return true
}

const arrow =
  (right: number, up: number): Key =>
  ({ editor, pinned, setPinned }, shift) => {
    const stepM = STEP_M[editor.job.units] * (shift ? FURTHER : 1)
    const [dx, dy] = [right * stepM, up * stepM]
    const thing = thingOf(editor)
    if (thing) void editor.commit({ type: 'putThing', thing: moved(thing, dx, dy) })
    else if (!placed(editor, (place) => ({ ...place, x: place.x + dx, y: place.y + dy })))
      setPinned({ x: (pinned?.x ?? 0) + dx * ASKED_STEPS, y: (pinned?.y ?? 0) + dy * ASKED_STEPS })
    return true
  }

const turn =
  (byDeg: number): Key =>
  ({ editor }, shift) =>
    placed(editor, (place) => ({
      ...place,
      panDeg: (place.panDeg + byDeg * (shift ? FURTHER : 1) + 360) % 360,
    }))

const KEYS: Readonly<Record<string, Key>> = {
  'ArrowLeft': arrow(-1, 0),
  'ArrowRight': arrow(1, 0),
  'ArrowUp': arrow(0, 1),
  'ArrowDown': arrow(0, -1),
  '[': turn(-1),
  ']': turn(1),
  'Escape': ({ editor: { tool, select, setTool } }) => {
    if (tool.does === 'select') select(null)
    else setTool({ does: 'select' })
    return true
  },
  'Enter': ({ editor: { tool, draft, finish, setTool } }) => {
    if (tool.does !== 'draw') return false
    if (draft.length > 1) void finish()
    else setTool({ does: 'select' })
    return true
  },
  'Backspace': ({ editor: { draft, setDraft } }) => {
    if (draft.length === 0) return false
    setDraft(draft.slice(0, -1))
    return true
  },
  'Delete': ({ editor: { selection, commit, select } }) => {
    if (selection?.is !== 'thing') return false
    void commit({ type: 'removeThing', thingId: selection.id })
    select(null)
    return true
  },
}

const WITH_CTRL: Readonly<Record<string, Key>> = {
  z: ({ editor: { undo, redo } }, shift) => {
    const step = shift ? redo : undo
    step?.()
    return true
  },
  y: ({ editor: { redo } }) => {
    redo?.()
    return true
  },
}

/** The keyboard's way of doing what a hand does on the plan. */
export function pressOn(keyboard: Keyboard, event: KeyboardEvent): void {
  const { editor, lengthField } = keyboard
  const ctrl = event.ctrlKey || event.metaKey
  if (event.altKey) return
  if (!ctrl && /^[\d.]$/.test(event.key) && editor.draft.length > 0) {
    lengthField.current?.focus() // the key that was pressed is typed there
    return
  }
  const key = ctrl ? WITH_CTRL[event.key.toLowerCase()] : KEYS[event.key]
  if (!key?.(keyboard, event.shiftKey)) return
  event.preventDefault()
  event.stopPropagation()
}
