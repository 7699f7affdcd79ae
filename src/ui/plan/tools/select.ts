import type { Handling, Tool } from './tool'

/** Takes what lies under it, or asks about the spot. */
export const select: Handling<Extract<Tool, { does: 'select' }>> = {
  how: () => 'Select, then drag; the wheel or two fingers zoom, an empty spot drags the sheet.',
  cursor: 'default',
  hover: (_, at, { onAsk }) => {
    onAsk(at, false)
    return null
  },
  click: (_, at, { editor, onAsk }, empty) => {
    if (empty) editor.select(null)
    onAsk(at, true)
  },
}
