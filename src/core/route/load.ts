import type { RunContext } from '../parts'
import type { CutLine, Load, Marked } from '../stages/load'
import { supports } from './length'
import type { Route } from './plan'
import { runLengths } from './route'

/** A cable, from the box or as a lead, and what holds it on its way; nothing where it is there already. */
export function routeLoad(context: RunContext, { mark, name }: Marked, route: Route): Load {
  if (route.laid === 'kept') return { items: [] }
  const { cable } = context
  const run = runLengths(context, route)
  const lead = route.leadLengthM
  const cut: CutLine = {
    mark,
    name,
    cableId: cable.id,
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
      ...(route.cordsM > 0
        ? [
            {
              kind: 'cable' as const,
              item: `Patch leads of a link, ${tenths(route.cordsM)} m in all`,
              count: 1,
            },
          ]
        : []),
      ...supports(route).map((support) => ({
        kind: 'support' as const,
        item: support.name,
        count: support.count,
      })),
    ],
  }
}

const tenths = (value: number) => Math.round(value * 10) / 10
