'use client'

import { SimpleGrid } from '@chakra-ui/react'
import { useController, type Control } from 'react-hook-form'
import { STATES, type DeviceChoice } from '@/core/job'
import { replaceable } from '../equipment/replaceable'
import { useJob } from '../job/JobProvider'
import { Choose, optionsOf } from '../kit/Choose'

/** Whether a device is new or was there before, and what it takes the place of. */
export function StandingFields({ control, ofId }: { control: Control<DeviceChoice>; ofId: string | null }) {
  const { job } = useJob()
  const state = useController({ control, name: 'state' })
  const replaces = useController({ control, name: 'replaces' })
  const old = replaceable(job.devices, ofId)
  const asked = state.field.value === 'new' && (old.length > 0 || replaces.field.value !== null)
  return (
    <SimpleGrid columns={{ base: 1, sm: 2 }} gap={4} alignContent="start">
      <Choose
        label="New or existing"
        value={state.field.value}
        options={optionsOf(STATES)}
        error={state.fieldState.error?.message}
        onChoose={(value) => {
          state.field.onChange(value)
          if (value !== 'new') replaces.field.onChange(null)
        }}
      />
      {asked ? (
        <Choose
          label="Takes the place of"
          value={replaces.field.value ?? ''}
          options={[{ value: '', label: 'Nothing' }, ...old]}
          error={replaces.fieldState.error?.message}
          onChoose={(value) => replaces.field.onChange(value === '' ? null : value)}
        />
      ) : null}
    </SimpleGrid>
  )
}
