import { useMemo } from 'react'
import { eachSeen, gridOver, scratchFor, type Grid, type Setting, type WalkCamera } from '@/core/sight'
import { toPlan, type ViewBox, type Band } from '@/drawings/plan'
import { paint } from './paint'

/** How large on the screen its cells are, px; coarser while a hand carries the camera. */
const FINE_PX = 2
const COARSE_PX = 6
/** No cell is smaller, m. */
const LEAST_M = 0.1

let room: ReturnType<typeof scratchFor> | null = null

/** Room to look in, kept from one frame of a hand's way to the next. */
function roomFor(grid: Grid): ReturnType<typeof scratchFor> {
  if (room?.hidden.length !== grid.columns * grid.rows) room = scratchFor(grid)
  return room
}

interface Of {
  readonly setting: Setting
  readonly planeM: number
  readonly bands: readonly Band[]
  readonly coarse: boolean
}

/** What one camera sees of the window, as a picture; null where there is no camera. */
export function useFootprint(
  camera: WalkCamera | null,
  view: ViewBox,
  width: number,
  height: number,
  { setting, planeM, bands, coarse }: Of,
): { readonly grid: Grid; readonly canvas: HTMLCanvasElement } | null {
  return useMemo(() => {
    if (!camera) return null
    const [low, high] = [toPlan(view, [0, height]), toPlan(view, [width, 0])]
    const grid = gridOver(
      { left: low.x, right: high.x, bottom: low.y, top: high.y },
      Math.max(LEAST_M, (coarse ? COARSE_PX : FINE_PX) / view.perMetre),
    )
    const density = new Float32Array(grid.columns * grid.rows)
    eachSeen(camera.eye, setting, grid, planeM, roomFor(grid), (cell, pxM, hidden) => {
      if (!hidden) density[cell] = pxM
    })
    return { grid, canvas: paint(grid, density, bands, 0.82) }
  }, [camera, view, width, height, setting, planeM, bands, coarse])
}
