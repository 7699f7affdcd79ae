import type { DeviceContext } from '../parts'
import type { Load, CutLine } from '../stages/load'
import { supports } from './length'
import { runLengths } from './route'

/** The cable of a run, from the box or as a lead, and what holds it on its way. */
export function routeLoad(context: DeviceContext): Load {
  const { device, cable } = context
  const { mark, name, route } = device
  if (!route) return { items: [] }
  const run = runLengths(context, route)
  const lead = route.leadLengthM
  const cut: CutLine = {
    mark,
    name,
    cable: cable.name,
    cutM: lead === null ? run.cutM : null,
    installedM: lead ?? run.installedM,
  }
  return {
    cuts: [cut],
    items: [
      lead === null
        ? { kind: 'cable', item: cable.name, count: run.cutM, unit: 'm' }
        : { kind: 'cable', item: `${cable.name}, ${lead} m`, count: 1 },
      ...supports(route).map((support) => ({
        kind: 'support' as const,
        item: support.name,
        count: support.count,
      })),
    ],
  }
}
