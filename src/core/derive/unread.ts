import { finding, type Finding, type PlannedStage, type Stage } from '../findings'
import { PART_KINDS, type Asked, type OwnPart } from '../parts'
import { inSentence, quantity } from '../units'

/** Values of own parts that nobody has read from the maker's sheet: what rests on them is not Good. */

const MOST_NAMED = 6

const unreadOf = ({ table, unread }: OwnPart): readonly Asked[] => {
  const missing = new Set(unread)
  return PART_KINDS[table].asks.filter(({ path }) => missing.has(path))
}

/** What a stage rests on that is not read of these parts; null where all of it is. */
export const unreadOfStage = (stage: PlannedStage, parts: readonly OwnPart[]): Finding | null =>
  unreadFinding(
    stage,
    parts.map((part) => [part, unreadOf(part).filter(({ stages }) => stages.includes(stage))] as const),
  )

/** The same of a piece of equipment, of which every value counts. */
export const unreadOfEquipment = (part: OwnPart): Finding | null =>
  unreadFinding('mount', [[part, unreadOf(part)]])

function unreadFinding(stage: Stage, all: readonly (readonly [OwnPart, readonly Asked[]])[]): Finding | null {
  const some = all.filter(([, asked]) => asked.length > 0)
  if (some.length === 0) return null
  const values = some.flatMap(([, asked]) => asked)
  const named = some.map(([{ part }, asked]) => {
    const labels = asked.slice(0, MOST_NAMED).map(({ label }) => inSentence(label))
    const more = asked.length - labels.length
    return `${part.name}: ${labels.join('; ')}${more > 0 ? `; and ${more} more` : ''}`
  })
  const costs = [...new Set(values.map(({ costs }) => costs))].slice(0, MOST_NAMED)
  return finding(stage, 'unread', {
    verdict: 'check',
    title: 'Values not read from the maker’s sheet',
    short: 'sheet not read',
    figure: quantity(values.length, 'count'),
    limit: quantity(0, 'count'),
    reason: `${named.join('. ')}. As a generic part has them; on them rest ${costs.join('; ')}.`,
    source: 'catalogue',
    advice: 'Read them from the sheet and enter them under Own parts.',
  })
}
