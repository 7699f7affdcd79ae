import { routeLoad } from '../route'
import type { Load } from '../stages/load'
import { routeOf, type RunOf } from './context'

/** The cable of a run, what holds it, and its connectors; nothing of what was there before. */
export function runLoad(context: RunOf): Load {
  const { run, ends } = context
  if (run.state !== 'new') return { items: [] }
  const way = routeLoad(context, run, routeOf(run))
  const made = run.lead === null ? ends.flatMap(({ connector }) => connector ?? []) : []
  return {
    ...way,
    items: [
      ...way.items,
      ...made.map(({ name }) => ({ kind: 'connector' as const, item: name, count: 1, spare: 2 })),
    ],
  }
}
