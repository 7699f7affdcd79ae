import { useCallback, useEffect, useMemo, useRef, useState } from 'react'
import type { Bounds } from '@/core/geometry'
import { fit, zoom, type ViewBox } from './view'

/** An empty plan shows a yard's worth, and nothing stands at the very edge, m. */
const EMPTY: Bounds = { left: -5, right: 15, bottom: -5, top: 10 }
const EDGE_M = 2

const grown = ({ left, right, bottom, top }: Bounds): Bounds => ({
  left: left - EDGE_M,
  right: right + EDGE_M,
  bottom: bottom - EDGE_M,
  top: top + EDGE_M,
})

/** What of a floor the window shows: all of it, until a hand moves it; another floor or size fits anew. */
export function usePlanView(whole: Bounds | null, floor: string, width: number, height: number) {
  const [held, setView] = useState<{
    readonly view: ViewBox
    readonly floor: string
    readonly width: number
    readonly height: number
  } | null>(null)
  const fitted = useMemo(() => fit(grown(whole ?? EMPTY), width, height), [whole, width, height])
  // While dragging, the sheet stands still even as its bounds change.
  const [frozen, freeze] = useState<ViewBox | null>(null)
  const ours = held && held.floor === floor && held.width === width && held.height === height
  const view = ours ? held.view : (frozen ?? fitted)
  const show = useCallback(
    (next: ViewBox) => setView({ view: next, floor, width, height }),
    [floor, width, height],
  )
  /** Lets the sheet move again; where it stood while something was dragged, it stays. */
  const release = useCallback(() => {
    if (frozen && !held) show(frozen)
    freeze(null)
  }, [frozen, held, show])
  return { view, show, freeze, release, stage: useWheel(view, show) }
}

interface StageBox {
  readonly container: () => HTMLDivElement
}

/** A wheel over the plan zooms it and does not scroll the page: the listener must not be passive. */
function useWheel(view: ViewBox, show: (view: ViewBox) => void) {
  const stage = useRef<StageBox | null>(null)
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
  return useCallback((node: StageBox | null) => {
    stage.current = node
  }, [])
}
