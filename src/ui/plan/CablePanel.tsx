'use client'

import { Stack, Text } from '@chakra-ui/react'
import { totalsOf, type CableWay, type Network } from '@/core/pathway'
import { nameOf } from '@/core/plan'
import { print, type UnitSystem } from '@/core/units'

/** What the ways of all cables come to, whose is not found, and which pathway nobody can pass. */
export function CablePanel({
  cables,
  network,
  units,
}: {
  cables: readonly CableWay[]
  network: Network
  units: UnitSystem
}) {
  const { found, lengthM, minutes, without } = totalsOf(cables)
  return (
    <Stack gap={1}>
      <Text className="figures">
        Cables with a way: {found} of {cables.length}; {print({ value: lengthM, kind: 'length' }, units)} in
        all, {Math.round(minutes / 6) / 10} h of work.
      </Text>
      {without.map(({ mark, why }) => (
        <Text key={mark} fontSize="sm">
          ▲ {mark}: {why}
        </Text>
      ))}
      {network.shut.map(({ pathway, why }) => (
        <Text key={pathway.id} fontSize="sm">
          ▲ {nameOf(pathway)}: {why}
        </Text>
      ))}
    </Stack>
  )
}
