import type { Handling, Tool } from './tool'

/** Takes what lies under it, or asks about the spot. */
export const select: Handling<Extract<Tool, { does: 'select' }>> = {
  how: () => 'Select, then drag; an empty spot drags the sheet, with Shift it frames what to select.',
  cursor: 'default',
  hover: (_, at, { onAsk }) => {
    onAsk(at, false)
    return null
  },
  click: (_, at, { editor, onAsk }, empty) => {
    if (empty) editor.select()
    onAsk(at, true)
  },
}
