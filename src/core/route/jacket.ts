import { finding, type Finding } from '../findings'
import { JACKET_NEEDS, SPACES, type JacketNeed } from '../job/spaces'
import type { Way } from './plan'
import type { RunContext } from '../parts'
import { text } from '../units'

/** Whether the jacket stands what every space on the way does to it. */
export function jacketFinding({ cable, catalogue }: RunContext, route: Way): Finding | null {
  const asked = new Set<JacketNeed>(route.segments.flatMap(({ space }) => SPACES[space].asks))
  const lacks = [...asked].filter((need) => !cable.stands.includes(need))
  if (lacks.length === 0) return null
  const where = route.segments
    .filter(({ space }) => SPACES[space].asks.some((need) => lacks.includes(need)))
    .map(({ space }) => SPACES[space].name)
  const other = [...catalogue.cables.values()].find(
    ({ kind, conductor, coax, stands }) =>
      kind === cable.kind &&
      conductor === cable.conductor &&
      coax === cable.coax &&
      [...asked].every((need) => stands.includes(need)),
  )
  return finding('route', 'jacket', {
    verdict: 'stop',
    title: 'The jacket is not made for this way',
    short: `not for ${lacks[0]}`,
    figure: text(cable.name),
    limit: text(lacks.join(', ')),
    reason: `${[...new Set(where)].join(', ')}: ${lacks.map((need) => JACKET_NEEDS[need]).join(' ')}`,
    source: 'practice',
    advice: other
      ? `Take ${other.name}, or lead it another way.`
      : 'No cable of the catalogue stands all of it: lead it another way.',
  })
}
