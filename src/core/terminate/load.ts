import type { DeviceContext } from '../parts'
import type { Load } from '../stages/load'

/**
 * The connectors of both ends, and two more of each for those that go wrong; a lead has its own, and a cable
 * that stays keeps the one at its head end.
 */
export function terminateLoad({ device, catalogue }: DeviceContext): Load {
  const { terminate, route } = device
  if (!terminate || (route && route.lead !== null)) return { items: [] }
  const { cameraEndId, headEndId } = terminate
  const made = route?.laid === 'kept' ? [cameraEndId] : [cameraEndId, headEndId]
  return {
    items: made.map((id) => ({
      kind: 'connector' as const,
      item: catalogue.connectors.get(id)!.name,
      count: 1,
      spare: 2,
    })),
  }
}
