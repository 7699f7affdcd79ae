import type { DeviceContext } from '../parts'
import type { Load } from '../stages/load'

/** The connectors of both ends, and two more of each for those that go wrong; a lead has its own. */
export function terminateLoad({ device, catalogue }: DeviceContext): Load {
  const { terminate, route } = device
  if (!terminate || (route && route.leadLengthM !== null)) return { items: [] }
  return {
    items: [terminate.cameraEndId, terminate.headEndId].map((id) => ({
      kind: 'connector' as const,
      item: catalogue.connectors.get(id)!.name,
      count: 1,
      spare: 2,
    })),
  }
}
