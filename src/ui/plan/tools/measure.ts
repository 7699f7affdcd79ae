import type { Handling, Tool } from './tool'

/** Measures from point to point; nothing of it is kept. */
export const measure: Handling<Extract<Tool, { does: 'measure' }>> = {
  how: () => 'Click from point to point; Escape ends.',
  cursor: 'crosshair',
  hover: (_, at, { editor: { draft }, snapped }) => snapped(at, draft.at(-1), draft.at(-2)),
  click: (_, at, { editor, snapped }) =>
    editor.setDraft([...editor.draft, snapped(at, editor.draft.at(-1), editor.draft.at(-2)).at]),
}
