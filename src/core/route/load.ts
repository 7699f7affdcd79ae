import { isFactoryMade, type RunContext } from '../parts'
import type { CutLine, Load, Marked } from '../stages/load'
import { leadLine } from './lead'
import { supports } from './length'
import type { Route } from './plan'
import { runLengths } from './route'

/** A cable, from the box or as a lead, and what holds it on its way; nothing where it is there already. */
export function routeLoad(context: RunContext, { mark, name }: Marked, route: Route): Load {
  if (route.laid === 'kept') return { items: [] }
  const { cable } = context
  const run = runLengths(context, route)
  const lead = route.lead?.lengthM ?? null
  const cut: CutLine = {
    mark,
    name,
    cableId: cable.id,
    cable: cable.name,
    cutM: lead === null ? run.cutM : null,
    installedM: lead ?? run.installedM,
    lead: leadLine(context, route, run.wayM),
  }
  return {
    cuts: [cut],
    items: [
      lead === null
        ? { kind: 'cable', item: cable.name, count: run.cutM, unit: 'm' }
        : { kind: 'cable', item: `${cable.name}, ${tenths(lead)} m${endsOf(context)}`, count: 1 },
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

/** What a lead comes with, where both its ends are known: others of its length are other leads. */
function endsOf({ ends: [near, far] }: RunContext): string {
  const names = [near.connector, far.connector].map((end) => (end && isFactoryMade(end) ? end.name : null))
  if (names.includes(null)) return ''
  return `: ${[...new Set(names)].toSorted().join(' and ')}`
}

const tenths = (value: number) => Math.round(value * 10) / 10
