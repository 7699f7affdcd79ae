import type { Handling, Tool } from './tool'

/** Takes two points of the background whose distance somebody knows. */
export const scale: Handling<Extract<Tool, { does: 'scale' }>> = {
  how: () => 'Click two points whose distance you know.',
  cursor: 'crosshair',
  hover: (_, at) => ({ at, to: 'nothing' }),
  click: (_, at, { editor, onScale }) => {
    const [from] = editor.draft
    if (!from) return editor.setDraft([at])
    onScale(from, at)
    editor.setDraft([])
  },
}
