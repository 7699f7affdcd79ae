import { planChange } from '../../device/plan'
import type { Handling, Sheet, Tool } from './tool'

/** The device that a tool is about, with its sight. */
export function subjectOf({ editor: { job }, sightOf }: Sheet, deviceId: string) {
  const device = job.devices.find(({ id }) => id === deviceId)
  const sight = device && sightOf(device)
  return device && sight ? { device, sight } : null
}

/** Puts a device on the plan: against an edge where one is near, looking out from it. */
export const place: Handling<Extract<Tool, { does: 'place' }>> = {
  how: () => 'Click where it goes: on a wall, under a soffit, on a pole.',
  cursor: 'crosshair',
  hover: (_, at, { editor: { snapping }, edgeAt, snapped }) =>
    snapping ? { at: edgeAt(at)?.at ?? snapped(at).at, to: 'edge' } : { at, to: 'nothing' },
  click: ({ deviceId }, at, sheet) => {
    const { editor, edgeAt, snapped } = sheet
    const subject = subjectOf(sheet, deviceId)
    if (!subject) return
    const { device, sight } = subject
    const edge = edgeAt(at)
    const spot = edge?.at ?? snapped(at).at
    const panDeg = edge?.outDeg ?? sight.place?.panDeg ?? 0
    const rollDeg = sight.place?.rollDeg ?? 0
    const placed = { floor: editor.floor, ...spot, panDeg, rollDeg, locked: false }
    void editor.commit(planChange('sight', device.id, { ...sight, place: placed }))
    editor.setTool({ does: 'select' })
    editor.select({ is: 'device', id: device.id })
  },
}
