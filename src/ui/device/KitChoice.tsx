'use client'

import { Box, Text } from '@chakra-ui/react'
import { KITS } from '@/catalogue'
import type { Kit } from '@/core/parts'
import { Choose } from '../kit/Choose'

/** A device begins with a kit: what is usual is filled in, and what differs is changed below. */
export function KitChoice({ kitId, onChoose }: { kitId: string; onChoose: (kit: Kit) => void }) {
  const kit = KITS.find(({ id }) => id === kitId)
  return (
    <Box borderWidth="1px" borderColor="rule" bg="sheet" p={4} mb={5}>
      <Choose
        label="Kit"
        value={kitId}
        options={[
          ...(kit ? [] : [{ value: '', label: 'Changed by hand' }]),
          ...KITS.map(({ id, name }) => ({ value: id, label: name })),
        ]}
        hint={kit?.says}
        onChoose={(id) => {
          const chosen = KITS.find((one) => one.id === id)
          if (chosen) onChoose(chosen)
        }}
      />
      {kit ? (
        <Text color="soft" fontSize="sm" mt={2}>
          In its box: {kit.supplied.join(', ')}. To bring: {kit.bring.join(', ')}.
        </Text>
      ) : null}
    </Box>
  )
}

/** The kit whose parts these are; '' once something differs. */
export function kitOf(choice: {
  readonly cameraId: string
  readonly mountIds: readonly string[]
  readonly accessoryIds: readonly string[]
}): string {
  const same = (a: readonly string[], b: readonly string[]) => a.join() === b.join()
  const kit = KITS.find(
    (one) =>
      one.choice.cameraId === choice.cameraId &&
      same(one.choice.mountIds, choice.mountIds) &&
      same(one.choice.accessoryIds, choice.accessoryIds),
  )
  return kit?.id ?? ''
}
