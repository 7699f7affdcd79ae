import { planChange } from '../../device/plan'
import { subjectOf } from './place'
import type { Handling, Tool } from './tool'

/** Notes where the customer asked for a device. */
export const wish: Handling<Extract<Tool, { does: 'wish' }>> = {
  how: () => 'Click where the customer asked for it.',
  cursor: 'crosshair',
  hover: () => null,
  click: ({ deviceId }, at, sheet) => {
    const { editor, snapped } = sheet
    const subject = subjectOf(sheet, deviceId)
    if (!subject) return
    const { device, sight } = subject
    const asked = { ...sight.wish, at: snapped(at).at }
    void editor.commit(planChange('sight', device.id, { ...sight, wish: asked }))
    editor.setTool({ does: 'select' })
    editor.select({ is: 'device', id: device.id })
  },
}
