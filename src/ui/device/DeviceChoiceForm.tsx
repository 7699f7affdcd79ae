'use client'

import { Box, Button, SimpleGrid, Stack, Text } from '@chakra-ui/react'
import { zodResolver } from '@hookform/resolvers/zod'
import { useState } from 'react'
import { Controller, useForm, useWatch } from 'react-hook-form'
import { DeviceChoice, EXPOSURES, type Reason } from '@/core/job'
import { useCatalogue } from '../job/JobProvider'
import { optionsOf, partOptions } from '../kit/Choose'
import { useFormDraft } from '../kit/draft'
import { FormChoice } from '../kit/FormChoice'
import { FormLine } from '../kit/FormLine'
import { Refusal } from '../kit/Page'
import { Tick } from '../kit/Tick'
import { EnterPart } from '../parts/EnterPart'
import { KitChoice, kitOf } from './KitChoice'
import { StackField } from './StackField'
import { StandingFields } from './StandingFields'

interface DeviceChoiceFormProps {
  readonly start: DeviceChoice
  /** The device it is about; null for one that is added. */
  readonly ofId?: string | null
  readonly draftKey: string
  readonly action: string
  readonly onSay: (choice: DeviceChoice) => Promise<readonly Reason[]>
}

/**
 * What is chosen when a device is added: camera, mount, surface, exposure, cable, and small things that go
 * with it.
 */
export function DeviceChoiceForm({ start, ofId = null, draftKey, action, onSay }: DeviceChoiceFormProps) {
  const catalogue = useCatalogue()
  const form = useForm<DeviceChoice>({ resolver: zodResolver(DeviceChoice), defaultValues: start })
  const {
    register,
    control,
    handleSubmit,
    setError,
    setValue,
    formState: { errors },
  } = form
  const clear = useFormDraft(draftKey, form)
  const [failed, setFailed] = useState<string | null>(null)
  const [cameraId, surfaceId, exposure, mountIds, partsKept, accessoryIds] = useWatch({
    control,
    name: ['cameraId', 'surfaceId', 'exposure', 'mountIds', 'partsKept', 'accessoryIds'],
  })
  const keep = handleSubmit(async (choice) => {
    const reasons = await onSay(choice)
    setFailed(null)
    if (reasons.length === 0) return clear()
    for (const { path, message } of reasons) {
      const field = path.replace(/^\/(choice|change)\//, '')
      if (field === 'mark' || field === 'name' || field === 'state' || field === 'replaces')
        setError(field, { message }, { shouldFocus: true })
      else setFailed(message)
    }
  })
  const surface = catalogue.surfaces.get(surfaceId)
  return (
    <form onSubmit={(event) => void keep(event)} noValidate>
      {ofId === null ? (
        <KitChoice
          kitId={kitOf({ cameraId, mountIds, accessoryIds })}
          onChoose={({ choice: { mountIds: stack, accessoryIds: small, ...parts } }) => {
            for (const [name, value] of Object.entries(parts)) setValue(name as 'cameraId', value)
            setValue('mountIds', [...stack])
            setValue('partsKept', 0)
            setValue('accessoryIds', [...small])
          }}
        />
      ) : null}
      <SimpleGrid columns={{ base: 1, md: 2 }} gap={4}>
        <SimpleGrid columns={2} gap={4} gridTemplateColumns="90px 1fr">
          <FormLine label="Mark" mono error={errors.mark?.message} field={register('mark')} />
          <FormLine
            label="Name of the place"
            example="Workshop doors"
            error={errors.name?.message}
            field={register('name')}
          />
        </SimpleGrid>
        <StandingFields control={control} ofId={ofId} />
        <FormChoice
          control={control}
          name="cameraId"
          label="Camera"
          options={partOptions(catalogue.cameras)}
        />
        <FormChoice
          control={control}
          name="surfaceId"
          label="Surface"
          options={partOptions(catalogue.surfaces)}
          hint={surface?.watch}
        />
        <FormChoice
          control={control}
          name="exposure"
          label="Exposure"
          options={optionsOf(EXPOSURES)}
          hint={EXPOSURES[exposure].why}
        />
        <Controller
          name="mountIds"
          control={control}
          render={({ field }) => (
            <StackField
              value={field.value}
              kept={partsKept}
              cameraId={cameraId}
              onChange={(stack, stays) => {
                field.onChange(stack)
                setValue('partsKept', stays)
              }}
            />
          )}
        />
        <Stack gap={4}>
          <FormChoice
            control={control}
            name="cableId"
            label="Cable"
            options={partOptions(catalogue.cables)}
          />
          <Controller
            name="accessoryIds"
            control={control}
            render={({ field }) => (
              <Box as="fieldset">
                <Text as="legend" color="soft">
                  Goes with it
                </Text>
                <SimpleGrid columns={{ base: 1, sm: 2 }}>
                  {[...catalogue.accessories.values()].map(({ id, name }) => (
                    <Tick
                      key={id}
                      checked={field.value.includes(id)}
                      onTick={(ticked) =>
                        field.onChange(
                          ticked ? [...field.value, id] : field.value.filter((old) => old !== id),
                        )
                      }
                    >
                      {name}
                    </Tick>
                  ))}
                </SimpleGrid>
              </Box>
            )}
          />
        </Stack>
      </SimpleGrid>
      <EnterPart />
      <Refusal>{failed}</Refusal>
      <Button type="submit" mt={5} colorPalette="copper" minH="48px" px={8}>
        {action}
      </Button>
    </form>
  )
}
