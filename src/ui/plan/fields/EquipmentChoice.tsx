'use client'

import { Text } from '@chakra-ui/react'
import type { Equipment, ThingOf } from '@/core/job'
import { Choose } from '../../kit/Choose'
import type { Form } from './fields'

const called = ({ mark, name }: Equipment): string => `${mark} ${name}`.slice(0, 80)

/** Which piece of equipment stands at a spot; one that stands elsewhere is not offered. */
export function EquipmentChoice({
  thing,
  form: {
    put,
    editor: { job },
  },
}: {
  thing: ThingOf<'equipment'>
  form: Form
}) {
  const elsewhere = new Set(
    job.things.flatMap((one) => (one.kind === 'equipment' && one.id !== thing.id ? [one.equipmentId] : [])),
  )
  const offered = job.equipment.filter(({ id, state }) => state !== 'taken away' && !elsewhere.has(id))
  // A name that is some equipment's goes with what is chosen; one of its own stays.
  const own = thing.name !== '' && !job.equipment.some((one) => thing.name === called(one))
  return (
    <>
      <Choose
        label="Which it is"
        value={thing.equipmentId ?? ''}
        options={[
          { value: '', label: 'Not said' },
          ...offered.map((one) => ({ value: one.id, label: called(one) })),
        ]}
        onChoose={(to) => {
          const chosen = job.equipment.find(({ id }) => id === to)
          const name = chosen ? called(chosen) : ''
          return put({ equipmentId: chosen?.id ?? null, ...(own ? {} : { name }) })
        }}
      />
      <Text fontSize="sm" color="soft">
        Cables that end at it are led here; those of equipment without a spot end at the head end, or have no
        way while it stands on site. Equipment is added on the job’s page of equipment.
      </Text>
    </>
  )
}
