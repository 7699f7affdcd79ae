import { DRAWN, leastOf } from './drawn'
import type { Handling, Tool } from './tool'

/** So near to the first corner a click closes what is drawn, and so near to the last it ends it, px. */
const CLOSE_PX = 10
const AGAIN_PX = 3

/** Corner by corner. */
export const draw: Handling<Extract<Tool, { does: 'draw' }>> = {
  how: ({ kind }) => DRAWN[kind].how,
  cursor: 'crosshair',
  hover: (_, at, { editor: { draft }, snapped }) => snapped(at, draft.at(-1), draft.at(-2)),
  click: ({ kind }, at, { editor, snapped, apartPx }) => {
    const { draft } = editor
    const { clicks } = DRAWN[kind]
    const point = snapped(at, draft.at(-1), draft.at(-2)).at
    const open = clicks === 'until ended'
    const closes = open && draft.length > 2 && apartPx(point, draft[0]!) < CLOSE_PX
    const again = open && draft.length >= leastOf(kind) && apartPx(point, draft.at(-1)!) < AGAIN_PX
    if (closes || again) return void editor.finish(draft)
    const points = [...draft, point]
    if (!open && points.length >= clicks) void editor.finish(points)
    else editor.setDraft(points)
  },
}
