import type { KonvaEventObject } from 'konva/lib/Node'
import { useRef, useState } from 'react'
import { distanceM, type PlanPoint } from '@/core/geometry'
import { toPlan, zoom, type ViewBox } from '@/drawings/plan'
import { isLocked } from './locks'
import type { Snapped } from './snap'
import { handlingOf, type Sheet } from './tools'
import { carriedTo, type Carried } from './tools/carry'
import type { usePlanView } from './usePlanView'

type Spot = readonly [number, number]
type Moved = KonvaEventObject<PointerEvent>

/** What the hand has hold of: the sheet, two fingers' worth of it, or something on it. */
type Hold =
  | { readonly on: 'sheet'; readonly from: Spot; readonly view: ViewBox; readonly moved: boolean }
  | { readonly on: 'pinch'; readonly apart: number; readonly middle: Spot; readonly view: ViewBox }
  | { readonly on: 'frame'; readonly from: Spot; readonly moved: boolean }
  | { readonly on: 'carried'; readonly carried: Carried; readonly moved: boolean }

/** A hand that shakes less than this has not moved, px. */
const NUDGE_PX = 4

/** The plan is drawn so far beyond the window: a hand that drags the sheet farther has it drawn anew, px. */
export const DRAWN_BEYOND_PX = 300

const carriedView = (view: ViewBox, dx: number, dy: number): ViewBox => ({
  ...view,
  x0: view.x0 + dx,
  y0: view.y0 + dy,
})

const apartOf = ([a, b]: readonly Spot[]) => Math.max(1, Math.hypot(a![0] - b![0], a![1] - b![1]))
const middleOf = ([a, b]: readonly Spot[]): Spot => [(a![0] + b![0]) / 2, (a![1] + b![1]) / 2]

function spotOf(event: Moved): Spot {
  const box = event.target.getStage()!.container().getBoundingClientRect()
  return [event.evt.clientX - box.left, event.evt.clientY - box.top]
}

const CARRIED: ReadonlySet<string | undefined> = new Set([
  'thing',
  'corner',
  'device',
  'aim',
  'lens',
  'far',
  'wish',
])

/** What a hand frames, in pixels of the sheet. */
export interface Framed {
  readonly from: Spot
  readonly to: Spot
}

/**
 * Pointers on the plan: one drags the sheet, or what is selected on it; two pinch it; a click goes to the
 * tool in hand.
 */
export function useHand(
  sheet: Sheet,
  { view, show, slide, freeze, release }: ReturnType<typeof usePlanView>,
) {
  const { editor } = sheet
  const { job, tool, selected } = editor
  const handling = handlingOf(tool)
  const [hover, setHover] = useState<Snapped | null>(null)
  const [framed, setFramed] = useState<Framed | null>(null)
  const [carrying, setCarrying] = useState<PlanPoint | null>(null)
  const hold = useRef<Hold | null>(null)
  const pointers = useRef(new Map<number, Spot>())

  const taken = (event: Moved, spot: Spot): Hold => {
    const still: Hold = { on: 'sheet', from: spot, view, moved: false }
    const [on, id = '', index = '0'] = event.target.id().split(':')
    if (tool.does !== 'select') return still
    const { button, shiftKey } = event.evt
    if (!CARRIED.has(on)) return shiftKey && button === 0 ? { on: 'frame', from: spot, moved: false } : still
    const what = on as Carried['on']
    const held = selected.some((one) => one.id === id)
    if (what === 'thing' || what === 'device') {
      if (shiftKey) editor.toggle({ is: what, id })
      else if (!held) editor.select({ is: what, id })
      // A first touch selects; only what is selected already moves, so that a finger does not shift a wall.
      if (shiftKey || (what === 'thing' && !held)) return still
    }
    if (isLocked(job, { id }) && what !== 'wish') return still // it drags the sheet, as where nothing lies
    if (button !== 0) return still // the menu is about what lies under it
    const together = selected.length > 1 && held && (what === 'thing' || what === 'device')
    const carried: Carried = {
      on: together ? 'several' : what,
      id,
      index: Number(index),
      from: toPlan(view, spot),
      job,
      selected,
    }
    return { on: 'carried', carried, moved: false }
  }

  /** Where the sheet lies, slid along by a hand or not: it is drawn there now. */
  const slid = (): ViewBox => {
    const now = hold.current
    if (now?.on !== 'sheet' || !now.moved) return view
    const [spot] = pointers.current.values()
    const seen = carriedView(now.view, spot![0] - now.from[0], spot![1] - now.from[1])
    slide(0, 0)
    show(seen)
    return seen
  }

  const down = (event: Moved) => {
    const spot = spotOf(event)
    try {
      event.target.getStage()!.content.setPointerCapture(event.evt.pointerId)
    } catch {
      // A pointer that is gone already has nothing to capture.
    }
    pointers.current.set(event.evt.pointerId, spot)
    if (pointers.current.size === 2) {
      const seen = slid()
      editor.attempt()
      const both = [...pointers.current.values()]
      hold.current = { on: 'pinch', apart: apartOf(both), middle: middleOf(both), view: seen }
      return
    }
    hold.current = taken(event, spot)
    freeze(view)
  }

  const move = (event: Moved) => {
    const spot = spotOf(event)
    if (pointers.current.has(event.evt.pointerId)) pointers.current.set(event.evt.pointerId, spot)
    const at = toPlan(view, spot)
    const now = hold.current
    if (now === null) return setHover(handling.hover(tool, at, sheet))
    if (now.on === 'pinch') {
      const both = [...pointers.current.values()]
      if (both.length < 2) return
      const [x, y] = middleOf(both)
      return show(
        zoom(now.view, apartOf(both) / now.apart, now.middle, [x - now.middle[0], y - now.middle[1]]),
      )
    }
    if (now.on === 'frame') {
      if (!now.moved && Math.hypot(spot[0] - now.from[0], spot[1] - now.from[1]) < NUDGE_PX) return
      hold.current = { ...now, moved: true }
      return setFramed({ from: now.from, to: spot })
    }
    if (now.on === 'sheet') {
      const [dx, dy] = [spot[0] - now.from[0], spot[1] - now.from[1]]
      if (!now.moved && Math.hypot(dx, dy) < NUDGE_PX) return
      if (Math.hypot(dx, dy) < DRAWN_BEYOND_PX) {
        hold.current = { ...now, moved: true }
        return slide(dx, dy)
      }
      const beyond = carriedView(now.view, dx, dy)
      hold.current = { ...now, from: spot, view: beyond, moved: true }
      slide(0, 0)
      return show(beyond)
    }
    if (!now.moved && distanceM(at, now.carried.from) * view.perMetre < NUDGE_PX) return
    hold.current = { ...now, moved: true }
    editor.attempt(...carriedTo(now.carried, at, sheet))
    setCarrying(at)
  }

  const up = (event: Moved) => {
    const spot = spotOf(event)
    pointers.current.delete(event.evt.pointerId)
    const now = hold.current
    if (now?.on === 'pinch') {
      if (pointers.current.size === 0) hold.current = null
      return
    }
    hold.current = null
    release()
    if (!now) return
    const at = toPlan(view, spot)
    setFramed(null)
    setCarrying(null)
    if (now.on === 'frame') {
      if (now.moved) editor.select(...selected, ...sheet.framed(toPlan(view, now.from), at))
      return
    }
    if (now.on === 'sheet') {
      if (now.moved) {
        slide(0, 0)
        show(carriedView(now.view, spot[0] - now.from[0], spot[1] - now.from[1]))
      }
      if (!now.moved && event.evt.button === 0 && !event.evt.shiftKey)
        handling.click(tool, at, sheet, event.target.id() === '')
      return
    }
    const changes = now.moved ? carriedTo(now.carried, at, sheet) : []
    if (changes.length > 0) void editor.commit(...changes)
    else editor.attempt()
  }

  return { hover, framed, carrying, cursor: handling.cursor, down, move, up }
}
