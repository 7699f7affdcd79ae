'use client'

import { Text } from '@chakra-ui/react'
import type { Asked } from '@/core/sight'
import { levelName } from '@/core/sight'
import { print, type UnitSystem } from '@/core/units'

/** Who sees the point that is asked about, how well, in one line. */
export function Ask({ asked, units }: { asked: Asked | null; units: UnitSystem }) {
  return (
    <Text role="status" aria-live="polite" minH="1.5em" className="figures" data-testid="asked">
      {asked ? wordsOf(asked, units) : 'Point anywhere: who sees it, how well?'}
    </Text>
  )
}

/** So many are named; the rest are counted: the line must leave room for the plan. */
const NAMED = 6

export function wordsOf({ seen, hidden }: Asked, units: UnitSystem): string {
  const blocked = listed(hidden.map(({ mark, by }) => `${mark} is blocked by ${by}`))
  if (seen.length === 0) return blocked === '' ? 'Seen by nobody.' : `Seen by nobody: ${blocked}.`
  const best = seen.map(
    ({ mark, densityPxM, level }) =>
      `${mark} at ${print({ value: densityPxM, kind: 'density' }, units)}, ${levelName(level)}`,
  )
  const besides = blocked === '' ? '' : ` ${blocked[0]!.toUpperCase()}${blocked.slice(1)}.`
  return `Seen by ${seen.length}: ${listed(best)}.${besides}`
}

const listed = (words: readonly string[]): string =>
  [...words.slice(0, NAMED), ...(words.length > NAMED ? [`and ${words.length - NAMED} more`] : [])].join('; ')
