'use client'

import { Box, Button, SimpleGrid } from '@chakra-ui/react'
import { zodResolver } from '@hookform/resolvers/zod'
import { useState } from 'react'
import { useForm } from 'react-hook-form'
import { v4 as uuid } from 'uuid'
import type { z } from 'zod'
import { EquipmentChoice, EXPOSURES, STANDS, STATES } from '@/core/job'
import { useCatalogue, useJob } from '../job/JobProvider'
import { optionsOf, partOptions } from '../kit/Choose'
import { useFormDraft } from '../kit/draft'
import { FormChoice } from '../kit/FormChoice'
import { FormLine } from '../kit/FormLine'
import { go } from '../kit/go'
import { refusal } from '../kit/LineField'
import { Refusal, Sentence } from '../kit/Page'
import { EnterPart } from '../parts/EnterPart'

const Asked = EquipmentChoice.pick({ name: true, partId: true, stands: true, exposure: true, state: true })
type Asked = z.infer<typeof Asked>

/** Adds what cameras end at or what stands beside them. */
export function AddEquipment() {
  const { job, send } = useJob()
  const catalogue = useCatalogue()
  const form = useForm<Asked>({
    resolver: zodResolver(Asked),
    defaultValues: {
      name: '',
      partId: 'recorder-16',
      stands: 'head end',
      exposure: 'dry indoors',
      state: 'new',
    },
  })
  const { register, control, handleSubmit, formState } = form
  const clear = useFormDraft(`add-equipment:${job.id}`, form)
  const [failed, setFailed] = useState<string | null>(null)
  const keep = handleSubmit(async (change) => {
    const equipmentId = uuid()
    const said = await send({ type: 'putEquipment', equipmentId, change })
    setFailed(refusal(said))
    if (!said.ok) return
    clear()
    go(`/jobs/${job.id}/equipment/${equipmentId}`)
  })
  return (
    <Box px={{ base: 3, md: 5 }} py={5} maxW="760px">
      <Sentence next="Its mark is given: E1, E2 and on. Steps follow from what it is.">
        Add equipment.
      </Sentence>
      <form onSubmit={(event) => void keep(event)} noValidate>
        <SimpleGrid columns={{ base: 1, md: 2 }} gap={4}>
          <FormLine
            label="Name"
            example="Office recorder"
            error={formState.errors.name?.message}
            field={register('name')}
          />
          <FormChoice
            control={control}
            name="partId"
            label="What it is"
            options={partOptions(catalogue.equipment)}
          />
          <FormChoice control={control} name="state" label="New or existing" options={optionsOf(STATES)} />
          <FormChoice control={control} name="stands" label="Where it stands" options={optionsOf(STANDS)} />
          <FormChoice control={control} name="exposure" label="Exposure" options={optionsOf(EXPOSURES)} />
        </SimpleGrid>
        <EnterPart />
        <Refusal>{failed}</Refusal>
        <Button type="submit" mt={5} colorPalette="copper" minH="48px" px={8}>
          Add it
        </Button>
      </form>
    </Box>
  )
}
