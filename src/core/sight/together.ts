import type { SurveyCamera } from './eye'
import { oncePer } from '../once'
import { lookOver } from './footprint'
import { scratchFor } from './look'
import { cellCount, type Grid } from './grid'
import { SOLID } from './ground'
import type { Setting } from './occluders'

/** What one camera sees of the ground: cells that nothing hides from it, and its pixels per metre there. */
interface Layer {
  /** Where it stood and looked, told apart from any other. */
  readonly eye: string
  /** Rising. */
  readonly cells: Uint32Array
  readonly densityPxM: Float32Array
}

/** What all cameras see together. */
export interface Together {
  /** By device. */
  readonly layers: ReadonlyMap<string, Layer>
  /** For each cell: the best density (px/m), and how many cameras see it. */
  readonly best: Float32Array
  readonly count: Uint16Array
}

/** More seen cells than this are not remembered: eight bytes each. */
export const MOST_REMEMBERED = 24_000_000

interface Over {
  readonly grid: Grid
  readonly setting: Setting
  /** What each cell is: nothing is seen of where something solid stands. */
  readonly ground: Uint8Array
  readonly planeM: number
  readonly cameras: readonly SurveyCamera[]
}

/** Where a camera stands and looks, told apart from any other. */
export const eyeWords = oncePer(({ eye }: Pick<SurveyCamera, 'eye'>): string => JSON.stringify(eye))

/**
 * What all cameras see together, a camera at a time; those that stand as they did before do not look again.
 * Null `before`: from nothing.
 */
export function* togetherSteps(
  before: Together | null,
  { grid, setting, ground, planeM, cameras }: Over,
): Generator<void, Together> {
  const eyes = new Map(cameras.map((camera) => [camera.deviceId, eyeWords(camera)]))
  const stays = new Map([...(before?.layers ?? [])].filter(([id, { eye }]) => eyes.get(id) === eye))
  const gone = [...(before?.layers ?? [])].flatMap(([id, layer]) => (stays.has(id) ? [] : [layer]))
  const cells = cellCount(grid)
  const best = before ? before.best.slice() : new Float32Array(cells)
  const count = before ? before.count.slice() : new Uint16Array(cells)
  takeAway(gone, stays, best, count)
  const scratch = scratchFor(grid)
  const layers = new Map(stays)
  for (const camera of cameras) {
    const { deviceId, eye } = camera
    if (layers.has(deviceId)) continue
    const found = lookOver(eye, setting, grid, planeM, scratch)
    const layer = seenOf(eyes.get(deviceId)!, scratch, found, ground)
    add(layer, best, count)
    layers.set(deviceId, layer)
    yield
  }
  return { layers, best, count }
}

function seenOf(
  eye: string,
  { cells, densityPxM, hidden }: ReturnType<typeof scratchFor>,
  found: number,
  ground: Uint8Array,
): Layer {
  const isSeen = (cell: number) => hidden[cell] === 0 && ground[cell] !== SOLID
  let seen = 0
  for (let i = 0; i < found; i++) if (isSeen(cells[i]!)) seen++
  const layer = { eye, cells: new Uint32Array(seen), densityPxM: new Float32Array(seen) }
  let at = 0
  for (let i = 0; i < found; i++) {
    const cell = cells[i]!
    if (!isSeen(cell)) continue
    layer.cells[at] = cell
    layer.densityPxM[at++] = densityPxM[i]!
  }
  return layer
}

function add({ cells, densityPxM }: Layer, best: Float32Array, count: Uint16Array): void {
  for (let i = 0; i < cells.length; i++) {
    const cell = cells[i]!
    if (densityPxM[i]! > best[cell]!) best[cell] = densityPxM[i]!
    count[cell]!++
  }
}

/** Takes what is gone out again: where it was the best, the next best is looked for among those that stay. */
function takeAway(
  gone: readonly Layer[],
  stays: ReadonlyMap<string, Layer>,
  best: Float32Array,
  count: Uint16Array,
): void {
  if (gone.length === 0) return
  const open = new Uint8Array(best.length)
  let [first, last] = [best.length, -1]
  for (const { cells, densityPxM } of gone)
    for (let i = 0; i < cells.length; i++) {
      const cell = cells[i]!
      count[cell]!--
      if (densityPxM[i] !== best[cell]) continue
      open[cell] = 1
      first = Math.min(first, cell)
      last = Math.max(last, cell)
    }
  for (let cell = first; cell <= last; cell++) if (open[cell] === 1) best[cell] = 0
  for (const { cells, densityPxM } of stays.values())
    for (let i = firstFrom(cells, first); i < cells.length && cells[i]! <= last; i++) {
      const cell = cells[i]!
      if (open[cell] === 1 && densityPxM[i]! > best[cell]!) best[cell] = densityPxM[i]!
    }
}

/** The place of the first cell that is not before. */
function firstFrom(cells: Uint32Array, cell: number): number {
  let [from, to] = [0, cells.length]
  while (from < to) {
    const middle = (from + to) >> 1
    if (cells[middle]! < cell) from = middle + 1
    else to = middle
  }
  return from
}

/** How many cells are remembered. */
export const remembered = ({ layers }: Together): number =>
  [...layers.values()].reduce((sum, { cells }) => sum + cells.length, 0)
