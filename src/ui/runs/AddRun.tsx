'use client'

import { Box, Button, SimpleGrid } from '@chakra-ui/react'
import { zodResolver } from '@hookform/resolvers/zod'
import { useState } from 'react'
import { useForm, useWatch } from 'react-hook-form'
import { v4 as uuid } from 'uuid'
import type { z } from 'zod'
import { RunChoice, thingsOf } from '@/core/job'
import { CARRIES, type Carried } from '@/core/run'
import { useCatalogue, useJob } from '../job/JobProvider'
import { optionsOf } from '../kit/Choose'
import { useFormDraft } from '../kit/draft'
import { FormChoice } from '../kit/FormChoice'
import { FormLine } from '../kit/FormLine'
import { go } from '../kit/go'
import { refusal } from '../kit/LineField'
import { Refusal, Sentence } from '../kit/Page'
import { EnterPart } from '../parts/EnterPart'
import { cablesFor } from './choices'

const Asked = RunChoice.pick({ name: true, carries: true, cableId: true, fromId: true, toId: true })
type Asked = z.infer<typeof Asked>

const ENDS = 'Choose what it ends at.'

/** Adds a cable between any two things: an uplink, the feed of a lamp, the earth of a protector. */
export function AddRun() {
  const { job, send } = useJob()
  const catalogue = useCatalogue()
  const things = thingsOf(job).map(({ id, mark, name }) => ({ value: id, label: `${mark} ${name}` }))
  const form = useForm<Asked>({
    resolver: zodResolver(Asked),
    defaultValues: { name: '', carries: 'network', cableId: 'cat6', fromId: '', toId: '' },
  })
  const { register, control, handleSubmit, formState, setValue } = form
  const clear = useFormDraft(`add-run:${job.id}`, form)
  const [failed, setFailed] = useState<string | null>(null)
  const carries = useWatch({ control, name: 'carries' })
  const cables = cablesFor(carries, catalogue)
  const keep = handleSubmit(async (change) => {
    const runId = uuid()
    const said = await send({ type: 'putRun', runId, change })
    setFailed(refusal(said))
    if (!said.ok) return
    clear()
    go(`/jobs/${job.id}/runs/${runId}`)
  })
  const { errors } = formState
  return (
    <Box px={{ base: 3, md: 5 }} py={5} maxW="760px">
      <Sentence next="Its mark is given: R1, R2 and on. A camera’s own cable is planned on its sheets.">
        Add a run between two things.
      </Sentence>
      <form onSubmit={(event) => void keep(event)} noValidate>
        <SimpleGrid columns={{ base: 1, md: 2 }} gap={4}>
          <FormLine
            label="Name"
            example="Jetty switch to the office"
            error={errors.name?.message}
            field={register('name')}
          />
          <FormChoice
            control={control}
            name="carries"
            label="What it carries"
            options={optionsOf(CARRIES)}
            onChosen={(value) => {
              const first = cablesFor(value as Carried, catalogue)[0]
              if (first) setValue('cableId', first.value)
            }}
          />
          <FormChoice control={control} name="fromId" label="From" options={things} missing={ENDS} />
          <FormChoice control={control} name="toId" label="To" options={things} missing={ENDS} />
          <FormChoice control={control} name="cableId" label="Cable" options={cables} />
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
