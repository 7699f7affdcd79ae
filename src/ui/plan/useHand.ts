import type { KonvaEventObject } from 'konva/lib/Node'
import { useRef, useState } from 'react'
import { distanceM } from '@/core/geometry'
import type { Snapped } from './snap'
import { handlingOf, type Sheet } from './tools'
import { carriedTo, type Carried } from './tools/carry'
import type { usePlanView } from './usePlanView'
import { toPlan, zoom, type ViewBox } from './view'

type Spot = readonly [number, number]
type Moved = KonvaEventObject<PointerEvent>

/** What the hand has hold of: the sheet, two fingers' worth of it, or something on it. */
type Hold =
  | { readonly on: 'sheet'; readonly from: Spot; readonly view: ViewBox; readonly moved: boolean }
  | { readonly on: 'pinch'; readonly apart: number; readonly middle: Spot; readonly view: ViewBox }
  | { readonly on: 'carried'; readonly carried: Carried; readonly moved: boolean }

/** A hand that shakes less than this has not moved, px. */
const NUDGE_PX = 4

const apartOf = ([a, b]: readonly Spot[]) => Math.max(1, Math.hypot(a![0] - b![0], a![1] - b![1]))
const middleOf = ([a, b]: readonly Spot[]): Spot => [(a![0] + b![0]) / 2, (a![1] + b![1]) / 2]

function spotOf(event: Moved): Spot {
  const box = event.target.getStage()!.container().getBoundingClientRect()
  return [event.evt.clientX - box.left, event.evt.clientY - box.top]
}

const CARRIED: ReadonlySet<string | undefined> = new Set(['thing', 'corner', 'device', 'aim', 'wish'])

/**
 * Pointers on the plan: one drags the sheet, or what is selected on it; two pinch it; a click goes to the
 * tool in hand.
 */
export function useHand(sheet: Sheet, { view, show, freeze, release }: ReturnType<typeof usePlanView>) {
  const { editor } = sheet
  const { job, tool, selection } = editor
  const handling = handlingOf(tool)
  const [hover, setHover] = useState<Snapped | null>(null)
  const hold = useRef<Hold | null>(null)
  const pointers = useRef(new Map<number, Spot>())

  const taken = (event: Moved, spot: Spot): Hold => {
    const still: Hold = { on: 'sheet', from: spot, view, moved: false }
    const [on, id = '', index = '0'] = event.target.id().split(':')
    if (tool.does !== 'select' || event.evt.button !== 0 || !CARRIED.has(on)) return still
    const what = on as Carried['on']
    if (what === 'thing' || what === 'device') {
      editor.select({ is: what, id })
      // A first touch selects; only what is selected already moves, so that a finger does not shift a wall.
      if (what === 'thing' && selection?.id !== id) return still
    }
    const thing = job.things.find((one) => one.id === id) ?? null
    const carried = { on: what, id, index: Number(index), from: toPlan(view, spot), thing }
    return { on: 'carried', carried, moved: false }
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
      editor.attempt(null)
      const both = [...pointers.current.values()]
      hold.current = { on: 'pinch', apart: apartOf(both), middle: middleOf(both), view }
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
    if (now.on === 'sheet') {
      const [dx, dy] = [spot[0] - now.from[0], spot[1] - now.from[1]]
      if (!now.moved && Math.hypot(dx, dy) < NUDGE_PX) return
      hold.current = { ...now, moved: true }
      return show({ ...now.view, x0: now.view.x0 + dx, y0: now.view.y0 + dy })
    }
    if (!now.moved && distanceM(at, now.carried.from) * view.perMetre < NUDGE_PX) return
    hold.current = { ...now, moved: true }
    const change = carriedTo(now.carried, at, sheet)
    if (change) editor.attempt(change)
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
    if (now.on === 'sheet') {
      if (!now.moved) handling.click(tool, at, sheet, event.target.id() === '')
      return
    }
    const change = now.moved ? carriedTo(now.carried, at, sheet) : null
    if (change) void editor.commit(change)
    else editor.attempt(null)
  }

  return { hover, cursor: handling.cursor, down, move, up }
}
