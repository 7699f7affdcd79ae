import type { Catalogue } from '../../parts'
import type { Way } from '../../route/plan'
import type { Reason } from './kind'

/** What a plan names is there. */

export const known = (path: string, id: string | null, table: ReadonlyMap<string, unknown>): Reason | null =>
  id === null || table.has(id) ? null : { path, message: `The catalogue has no part "${id}".` }

/** Conduits that are known, stretches each with an id of its own. */
export function wrongWay({ segments }: Pick<Way, 'segments'>, { conduits }: Catalogue): Reason | null {
  for (const [index, { conduitId }] of segments.entries()) {
    const wrong = known(`/segments/${index}/conduitId`, conduitId, conduits)
    if (wrong) return wrong
  }
  const ids = new Set(segments.map(({ id }) => id))
  return ids.size < segments.length ? { path: '/segments', message: 'Two segments have the same id.' } : null
}
