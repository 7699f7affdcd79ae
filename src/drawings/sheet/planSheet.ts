import { FLOORS } from '@/core/job'
import { SEEN } from '../plan'
import { drawn } from './drawing'
import { extentOf, scaleOn, viewOn, type TooLarge } from './fitted'
import { UNIT_MM, type PlanSheet, type SheetMark } from './marks'
import { scaleWords, SHEETS } from './papers'
import { line, outline, type Frame } from './strokes'
import { columnsIn, ROW, rowsOf, spread, table, TABLE, TABLE_HEAD } from './table'
import { titleBlock } from './titleBlock'
import type { Measure, SheetOf, SheetWish } from './wish'

const MARGIN = 10 / UNIT_MM
const TITLE = 30 / UNIT_MM
/** On an upright sheet the table takes no more of its height than this; the rest of it goes overleaf. */
const MOST_TABLE = 0.4

/** The plan of a floor to scale on paper: title block, legend, north, scale bar, its devices in a table. */
export function planSheet(of: SheetOf, wish: SheetWish, measure: Measure): PlanSheet | TooLarge {
  const { width, height } = SHEETS[wish.paper]
  const [widthMm, heightMm] = wish.upright ? [height, width] : [width, height]
  const [wide, tall] = [widthMm / UNIT_MM, heightMm / UNIT_MM]
  const frame: Frame = { left: MARGIN, top: MARGIN, right: wide - MARGIN, bottom: tall - MARGIN }
  const rows = rowsOf(of, wish.floor)
  const { window, columns } = laidOut(frame, wish.upright, rows.length)
  const bounds = extentOf(of.job, wish.floor)
  const scale = scaleOn(bounds, window, of.job.units, wish.scale)
  if (typeof scale !== 'number') return scale
  const view = viewOn(bounds, window, scale)
  const head = { ...frame, top: frame.bottom - TITLE }
  const tables = spread(rows, columns)
  const heading = `Devices on this plan: ${rows.length}`
  const pages: SheetMark[][] = [
    [
      drawn(of, wish, view, window, measure),
      ...outline(frame),
      ...outline(window, 1),
      line([head.left, head.top], [head.right, head.top]),
      ...tables.first.flatMap((some, i) => table(some, columns[i]!, i === 0 ? heading : '', measure)),
      ...titleBlock(of, wish, view, scale, head, measure),
    ],
  ]
  const whole = columnsIn({ left: frame.left, top: frame.top, right: frame.right, bottom: frame.bottom })
  for (let rest = tables.rest; rest.length > 0; ) {
    const page = spread(rest, whole)
    pages.push(
      page.first.flatMap((some, i) => table(some, whole[i]!, i === 0 ? `${heading}, going on` : '', measure)),
    )
    rest = page.rest
  }
  const what = wish.seen === 'none' ? '' : `, ${SEEN[wish.seen].toLowerCase()}`
  return {
    widthMm,
    heightMm,
    pages,
    scale,
    says: `Plan of ${of.job.name}, ${FLOORS[wish.floor].toLowerCase()}${what}, ${scaleWords(scale, of.job.units)}.`,
  }
}

/** The window of the drawing, with the table beside it on a lying sheet, below it on an upright one. */
function laidOut(frame: Frame, upright: boolean, rows: number): { window: Frame; columns: readonly Frame[] } {
  const head = frame.bottom - TITLE
  if (!upright) {
    const window = { ...frame, right: frame.right - TABLE, bottom: head }
    return { window, columns: [{ ...window, left: window.right, right: frame.right }] }
  }
  const across = Math.floor((frame.right - frame.left) / TABLE)
  const wanted = TABLE_HEAD + Math.ceil(rows / across) * ROW + 6
  const top = head - Math.min(wanted, (frame.bottom - frame.top) * MOST_TABLE)
  return {
    window: { ...frame, bottom: top },
    columns: columnsIn({ ...frame, top, bottom: head }),
  }
}
