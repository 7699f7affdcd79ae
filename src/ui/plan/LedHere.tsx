'use client'

import { Text } from '@chakra-ui/react'
import type { CableWithPulls } from '@/core/pathway'
import { print, type UnitSystem } from '@/core/units'

/** The cables that end at a piece of equipment, or come from it, with how long their ways are. */
export function LedHere({
  thingId,
  equipmentId,
  cables,
  units,
}: {
  thingId: string
  equipmentId: string | null
  cables: readonly CableWithPulls[]
  units: UnitSystem
}) {
  const led = cables.filter(
    ({ to, of }) => to === thingId || ('fromId' in of && [of.fromId, of.toId].includes(equipmentId ?? '')),
  )
  if (led.length === 0) return <Text>No cable that is led over the plan ends at it.</Text>
  return led.map(({ id, mark, of: { name }, found }) => (
    <Text key={id} className="figures" fontSize="sm">
      {mark} {name}:{' '}
      {'way' in found ? print({ value: found.way.lengthM, kind: 'length' }, units) : `▲ ${found.none}`}
    </Text>
  ))
}
