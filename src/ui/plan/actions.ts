import { v4 as uuid } from 'uuid'
import type { PlanPoint } from '@/core/geometry'
import { endNear, extended, trimmed, type Edge } from '@/core/plan'
import { again, linedUp, locking, mirroredOn, pickedOn, takenAway, turnedBy } from './changes'
import { copied, copy } from './clipboard'
import type { Editor } from './editor'

/** What can be done with what is selected: menu, panel and keys follow from one table. */
export interface Action {
  readonly label: string
  /** The key, with `ctrl ` or `shift ` before it; left out where menu and panel are the way. */
  readonly key?: string
  readonly can: (editor: Editor) => boolean
  /** `at`: where the hand is, or what is asked about. */
  readonly run: (editor: Editor, at: PlanPoint | null) => void
}

const some = ({ selected }: Editor) => selected.length > 0
const several = ({ selected }: Editor) => selected.length > 1
const thingsOf = ({ job, selected }: Editor) => pickedOn(job, selected).things
const someThing = (editor: Editor) => thingsOf(editor).length > 0

/** A copy lies so far beside what it was copied from, m. */
const BESIDE_M = 1

function putAgain(editor: Editor, things: ReturnType<typeof copied>): void {
  const changes = again(things, editor.floor, [BESIDE_M, -BESIDE_M], uuid)
  void editor.commit(...changes).then(({ ok }) => {
    if (ok) editor.select(...changes.map(({ thing }) => ({ is: 'thing' as const, id: thing.id })))
  })
}

function wallOf({ job, selection }: Editor) {
  const thing = selection?.is === 'thing' ? job.things.find(({ id }) => id === selection.id) : undefined
  return thing?.kind === 'wall' ? thing : null
}

function reshaped(shape: typeof extended) {
  return (editor: Editor, at: PlanPoint | null) => {
    const wall = wallOf(editor)
    if (!wall) return null
    const first = at ? endNear(wall, at) : 'to'
    const other = first === 'to' ? 'from' : 'to'
    return shape(wall, first, editor.job.things) ?? shape(wall, other, editor.job.things)
  }
}
const [longer, shorter] = [reshaped(extended), reshaped(trimmed)]

const reshape = (label: string, key: string, of: typeof longer): Action => ({
  label,
  key,
  can: (editor) => of(editor, null) !== null,
  run: (editor, at) => {
    const thing = of(editor, at)
    if (thing) void editor.commit({ type: 'putThing', thing })
  },
})

const toLine = (label: string, edge: Edge, key?: string): Action => ({
  label,
  ...(key === undefined ? {} : { key }),
  can: several,
  run: (editor) => void editor.commit(...linedUp(editor.job, editor.selected, edge)),
})

const lock = (label: string, key: string, locked: boolean): Action => ({
  label,
  key,
  can: ({ job, selected }) => locking(job, selected, locked).length > 0,
  run: (editor) => void editor.commit(...locking(editor.job, editor.selected, locked)),
})

export const ACTIONS: readonly Action[] = [
  {
    label: 'Copy',
    key: 'ctrl c',
    can: someThing,
    run: (editor) => copy(thingsOf(editor)),
  },
  {
    label: 'Paste',
    key: 'ctrl v',
    can: () => copied().length > 0,
    run: (editor) => putAgain(editor, copied()),
  },
  {
    label: 'Duplicate',
    key: 'ctrl d',
    can: someThing,
    run: (editor) => putAgain(editor, thingsOf(editor)),
  },
  {
    label: 'Take off the plan',
    key: 'delete',
    can: some,
    run: (editor) => {
      void editor.commit(...takenAway(editor.job, editor.selected))
      editor.select()
    },
  },
  {
    label: 'Select all',
    key: 'ctrl a',
    can: ({ job, floor }) => job.things.some((thing) => thing.floor === floor),
    run: ({ job, floor, select }) =>
      select(
        ...job.things.flatMap(({ id, floor: on }) => (on === floor ? [{ is: 'thing' as const, id }] : [])),
        ...job.devices.flatMap(({ id, sight }) =>
          sight?.place?.floor === floor ? [{ is: 'device' as const, id }] : [],
        ),
      ),
  },
  {
    label: 'Turn by a quarter',
    key: 'u',
    can: some,
    run: (editor) => void editor.commit(...turnedBy(editor.job, editor.selected, 90)),
  },
  {
    label: 'Mirror left and right',
    key: 'x',
    can: some,
    run: (editor) => void editor.commit(...mirroredOn(editor.job, editor.selected, 'upright')),
  },
  {
    label: 'Mirror up and down',
    key: 'shift x',
    can: some,
    run: (editor) => void editor.commit(...mirroredOn(editor.job, editor.selected, 'level')),
  },
  lock('Lock', 'k', true),
  lock('Unlock', 'shift k', false),
  toLine('Line up on the left', 'left', 'ctrl arrowleft'),
  toLine('Line up on the right', 'right', 'ctrl arrowright'),
  toLine('Line up at the top', 'top', 'ctrl arrowup'),
  toLine('Line up at the bottom', 'bottom', 'ctrl arrowdown'),
  toLine('Line up their middles, one above the other', 'centre'),
  toLine('Line up their middles, side by side', 'middle'),
  reshape('Carry on to the next wall', 'e', longer),
  reshape('Cut back to the crossing wall', 'i', shorter),
]

/** A key as people read it. */
export const keyWords = (key: string): string =>
  key
    .replace('ctrl ', 'Ctrl ')
    .replace('shift ', 'Shift ')
    .replace('arrowleft', '←')
    .replace('arrowright', '→')
    .replace('arrowup', '↑')
    .replace('arrowdown', '↓')
    .replace('delete', 'Delete')
    .replace(/(^| )([a-z])$/, (_, before: string, letter: string) => before + letter.toUpperCase())
