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

export function wordsOf({ seen, hidden }: Asked, units: UnitSystem): string {
  const blocked = hidden.map(({ mark, by }) => `${mark} is blocked by ${by}`).join('; ')
  if (seen.length === 0) return blocked === '' ? 'Seen by nobody.' : `Seen by nobody: ${blocked}.`
  const best = seen
    .map(
      ({ mark, densityPxM, level }) =>
        `${mark} at ${print({ value: densityPxM, kind: 'density' }, units)}, ${levelName(level)}`,
    )
    .join('; ')
  return `Seen by ${seen.length}: ${best}.${blocked === '' ? '' : ` ${blocked[0]!.toUpperCase()}${blocked.slice(1)}.`}`
}
