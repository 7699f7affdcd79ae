import type { KeyboardEvent, RefObject } from 'react'
import type { PlanPoint } from '@/core/geometry'
import type { Place } from '@/core/job'
import { planChange } from '../device/plan'
import { ACTIONS } from './actions'
import { boundsOfPicked, pickedOn, shifted, turnedBy } from './changes'
import type { Editor } from './editor'
import { DRAWN, leastOf, type DrawnKind } from './tools'
import type { Eye } from './usePlanView'

/** What a key has to work with. */
export interface Keyboard {
  readonly editor: Editor
  /** The point that is asked about. */
  readonly pinned: PlanPoint | null
  readonly setPinned: (at: PlanPoint) => void
  readonly lengthField: RefObject<HTMLInputElement | null>
  readonly eye: RefObject<Eye | null>
  readonly toggleLayers: () => void
}

/** What a key does; false where it has nothing to do here, and the page may have it. */
type Key = (keyboard: Keyboard) => boolean

/** One press of an arrow, m; the point that is asked about goes five times as far. */
const STEP_M = { metric: 0.1, imperial: 0.0762 } as const
const ASKED_STEPS = 5
/** With shift everything goes ten times as far. */
const FURTHER = 10
/** One press of plus or minus. */
const NEARER = 1.25

const arrow =
  (right: number, up: number): Key =>
  ({ editor, pinned, setPinned }) => {
    const stepM = STEP_M[editor.job.units]
    const [dx, dy] = [right * stepM, up * stepM]
    const changes = shifted(editor.job, editor.selected, dx, dy)
    if (changes.length > 0) void editor.commit(...changes)
    else setPinned({ x: (pinned?.x ?? 0) + dx * ASKED_STEPS, y: (pinned?.y ?? 0) + dy * ASKED_STEPS })
    return true
  }

/** A device by itself turns where it stands; several, or what is drawn, turn together. */
const turn =
  (byDeg: number): Key =>
  ({ editor }) => {
    const { things, placed } = pickedOn(editor.job, editor.selected)
    const [one] = placed
    if (one && things.length === 0 && placed.length === 1) {
      const place: Place = { ...one.place, panDeg: (one.place.panDeg + byDeg + 360) % 360 }
      void editor.commit(planChange('sight', one.device.id, { ...one.device.sight!, place }))
      return true
    }
    const changes = turnedBy(editor.job, editor.selected, byDeg)
    if (changes.length > 0) void editor.commit(...changes)
    return changes.length > 0
  }

const look =
  (does: (eye: Eye, editor: Editor) => void): Key =>
  ({ eye, editor }) => {
    if (!eye.current) return false
    does(eye.current, editor)
    return true
  }

const take =
  (tool: Parameters<Editor['setTool']>[0]): Key =>
  ({ editor }) => {
    editor.setTool(tool)
    return true
  }

const TOOL_KEYS: Readonly<Record<string, Key>> = {
  v: take({ does: 'select' }),
  m: take({ does: 'measure' }),
  ...Object.fromEntries(
    (Object.keys(DRAWN) as DrawnKind[]).map((kind) => [DRAWN[kind].key, take({ does: 'draw', kind })]),
  ),
}

const VIEW_KEYS: Readonly<Record<string, Key>> = {
  '+': look((eye) => eye.zoomBy(NEARER)),
  '=': look((eye) => eye.zoomBy(NEARER)),
  '-': look((eye) => eye.zoomBy(1 / NEARER)),
  '0': look((eye) => eye.fitAll()),
  '9': look((eye, { job, selected }) => {
    const bounds = boundsOfPicked(job, selected)
    if (bounds) eye.fitTo(bounds)
  }),
  'l': ({ toggleLayers }) => {
    toggleLayers()
    return true
  },
}

const ACTION_KEYS: Readonly<Record<string, Key>> = Object.fromEntries(
  ACTIONS.flatMap(({ key, can, run }) => {
    if (key === undefined) return []
    const press: Key = ({ editor, pinned }) => {
      if (!can(editor)) return false
      run(editor, pinned)
      return true
    }
    return [[key, press] as const]
  }),
)

/** What works while the sheet has been pressed. */
const SHEET_KEYS: Readonly<Record<string, Key>> = {
  'arrowleft': arrow(-1, 0),
  'arrowright': arrow(1, 0),
  'arrowup': arrow(0, 1),
  'arrowdown': arrow(0, -1),
  'shift arrowleft': arrow(-FURTHER, 0),
  'shift arrowright': arrow(FURTHER, 0),
  'shift arrowup': arrow(0, FURTHER),
  'shift arrowdown': arrow(0, -FURTHER),
  '[': turn(-1),
  ']': turn(1),
  '{': turn(-FURTHER),
  '}': turn(FURTHER),
  'enter': ({ editor: { tool, draft, finish, setTool } }) => {
    if (tool.does !== 'draw') return false
    if (draft.length >= leastOf(tool.kind)) void finish()
    else setTool({ does: 'select' })
    return true
  },
  'backspace': ({ editor: { draft, setDraft } }) => {
    if (draft.length === 0) return false
    setDraft(draft.slice(0, -1))
    return true
  },
}

/** What works anywhere on the page while nobody types. */
const PAGE_KEYS: Readonly<Record<string, Key>> = {
  ...TOOL_KEYS,
  ...VIEW_KEYS,
  ...ACTION_KEYS,
  'escape': ({ editor: { tool, select, setTool } }) => {
    if (tool.does === 'select') select()
    else setTool({ does: 'select' })
    return true
  },
  'ctrl z': ({ editor: { undo } }) => {
    undo.run()
    return true
  },
  'ctrl shift z': ({ editor: { redo } }) => {
    redo.run()
    return true
  },
  'ctrl y': ({ editor: { redo } }) => {
    redo.run()
    return true
  },
}

type Pressed = Pick<KeyboardEvent, 'key' | 'ctrlKey' | 'metaKey' | 'altKey' | 'shiftKey'>

/** How a key is written in the tables; shift is told only where it does not make another sign of it. */
function nameOf({ key, ctrlKey, metaKey, shiftKey }: Pressed): string {
  const told = shiftKey && (key.length > 1 || key.toLowerCase() !== key.toUpperCase())
  return `${ctrlKey || metaKey ? 'ctrl ' : ''}${told ? 'shift ' : ''}${key.toLowerCase()}`
}

/** The keyboard's way of doing what a hand does on the plan; true where the key was the plan's. */
export function pressOn(keyboard: Keyboard, pressed: Pressed, onSheet: boolean): boolean {
  if (pressed.altKey) return false
  const { editor, lengthField } = keyboard
  const name = nameOf(pressed)
  if (/^[\d.]$/.test(name) && editor.draft.length > 0 && lengthField.current) {
    lengthField.current.focus() // the key that was pressed is typed there
    return false
  }
  const key = (onSheet ? SHEET_KEYS[name] : undefined) ?? PAGE_KEYS[name]
  return key?.(keyboard) ?? false
}
