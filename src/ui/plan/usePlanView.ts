import { fit, zoom, type Room, type ViewBox } from '@/drawings/plan'
import { useCallback, useEffect, useMemo, useRef, useState } from 'react'
import type { Bounds } from '@/core/geometry'

/** An empty plan shows a yard's worth, and nothing stands at the very edge, m. */
const EMPTY: Bounds = { left: -5, right: 15, bottom: -5, top: 10 }
const EDGE_M = 2

const grown = ({ left, right, bottom, top }: Bounds): Bounds => ({
  left: left - EDGE_M,
  right: right + EDGE_M,
  bottom: bottom - EDGE_M,
  top: top + EDGE_M,
})

/** How a view is changed other than by a hand on the sheet. */
export interface Eye {
  /** All of the floor. */
  readonly fitAll: () => void
  readonly fitTo: (bounds: Bounds) => void
  /** About the middle of the sheet. */
  readonly zoomBy: (factor: number) => void
}

/**
 * What of a floor the window shows: all of it, until a hand moves it; another floor fits anew. In a window
 * of another size what lay in its middle stays there.
 */
export function usePlanView(whole: Bounds | null, floor: string, width: number, height: number, room: Room) {
  const [held, setView] = useState<{
    readonly view: ViewBox
    readonly floor: string
    readonly width: number
    readonly height: number
  } | null>(null)
  const fitted = useMemo(() => fit(grown(whole ?? EMPTY), width, height, room), [whole, width, height, room])
  // While dragging, the sheet stands still even as its bounds change.
  const [frozen, freeze] = useState<ViewBox | null>(null)
  const ours = held?.floor === floor ? centred(held.view, width - held.width, height - held.height) : null
  const view = ours ?? frozen ?? fitted
  const show = useCallback(
    (next: ViewBox) => setView({ view: next, floor, width, height }),
    [floor, width, height],
  )
  /** Lets the sheet move again; where it stood while something was dragged, it stays. */
  const release = useCallback(() => {
    if (frozen && !held) show(frozen)
    freeze(null)
  }, [frozen, held, show])
  const eye: Eye = {
    fitAll: () => setView(null),
    fitTo: (bounds) => show(fit(grown(bounds), width, height, room)),
    zoomBy: (factor) => show(zoom(view, factor, [width / 2, height / 2])),
  }
  return { view, show, freeze, release, eye, ...useStage(view, show) }
}

const centred = (view: ViewBox, wider: number, higher: number): ViewBox =>
  wider === 0 && higher === 0 ? view : { ...view, x0: view.x0 + wider / 2, y0: view.y0 + higher / 2 }

interface Node {
  readonly position: (at: { readonly x: number; readonly y: number }) => unknown
}
interface LayerBox {
  readonly listening: (listens: boolean) => unknown
}
interface StageBox extends Node {
  readonly container: () => HTMLDivElement
}

/**
 * The stage: a wheel over it zooms the plan and does not scroll the page (the listener must not be passive);
 * while a hand drags the sheet what is drawn slides along, and is drawn anew only when it rests.
 */
function useStage(view: ViewBox, show: (view: ViewBox) => void) {
  const stage = useRef<StageBox | null>(null)
  const still = useRef<Node | null>(null)
  const taken = useRef<LayerBox | null>(null)
  const latest = useRef({ view, show })
  useEffect(() => {
    latest.current = { view, show }
  })
  useEffect(() => {
    const box = stage.current?.container()
    if (!box) return
    const wheel = (event: WheelEvent) => {
      event.preventDefault()
      const { left, top } = box.getBoundingClientRect()
      const at = [event.clientX - left, event.clientY - top] as const
      latest.current.show(zoom(latest.current.view, Math.exp(-event.deltaY * 0.0015), at))
    }
    box.addEventListener('wheel', wheel, { passive: false })
    return () => box.removeEventListener('wheel', wheel)
  }, [])
  const slide = useCallback((dx: number, dy: number) => {
    stage.current?.position({ x: dx, y: dy })
    still.current?.position({ x: -dx, y: -dy })
    taken.current?.listening(dx === 0 && dy === 0) // nothing is taken by a hand that drags the sheet
  }, [])
  const setStage = useCallback((node: StageBox | null) => {
    stage.current = node
  }, [])
  /** What stays where it is while the sheet slides. */
  const setStill = useCallback((node: Node | null) => {
    still.current = node
  }, [])
  /** What a hand can take. */
  const setTaken = useCallback((node: LayerBox | null) => {
    taken.current = node
  }, [])
  return { stage: setStage, still: setStill, taken: setTaken, slide }
}
