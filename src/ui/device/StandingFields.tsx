'use client'

import { SimpleGrid } from '@chakra-ui/react'
import { useController, useWatch, type Control } from 'react-hook-form'
import { STATES, type DeviceChoice } from '@/core/job'
import { replaceable } from '../equipment/replaceable'
import { useJob } from '../job/JobProvider'
import { Choose, optionsOf } from '../kit/Choose'
import { FormChoice } from '../kit/FormChoice'

/** Whether a device is new or was there before, and what it takes the place of. */
export function StandingFields({ control, ofId }: { control: Control<DeviceChoice>; ofId: string | null }) {
  const { job } = useJob()
  const [state, replaces] = useWatch({ control, name: ['state', 'replaces'] })
  const { field } = useController({ control, name: 'replaces' })
  const old = replaceable(job.devices, ofId)
  const asked = state === 'new' && (old.length > 0 || replaces !== null)
  return (
    <SimpleGrid columns={{ base: 1, sm: 2 }} gap={4} alignContent="start">
      <FormChoice
        control={control}
        name="state"
        label="New or existing"
        options={optionsOf(STATES)}
        onChosen={(value) => value !== 'new' && field.onChange(null)}
      />
      {asked ? (
        <Choose
          label="Takes the place of"
          value={replaces ?? ''}
          options={[{ value: '', label: 'Nothing' }, ...old]}
          onChoose={(value) => field.onChange(value === '' ? null : value)}
        />
      ) : null}
    </SimpleGrid>
  )
}
