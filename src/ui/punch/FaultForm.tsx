'use client'

import { Box, Button, Field, HStack, Input, SimpleGrid, Textarea } from '@chakra-ui/react'
import { zodResolver } from '@hookform/resolvers/zod'
import { useState } from 'react'
import { Controller, useForm } from 'react-hook-form'
import { STAGES } from '@/core/findings'
import { CAUSES, everyOne, FaultFacts, SEVERITIES, type Reason } from '@/core/job'
import { useJob } from '../job/JobProvider'
import { Choose, optionsOf } from '../kit/Choose'
import { useFormDraft } from '../kit/draft'

interface FaultFormProps {
  readonly start: FaultFacts
  readonly draftKey: string
  readonly action: string
  readonly onSay: (facts: FaultFacts) => Promise<readonly Reason[]>
}

/** What is wrong, where, how bad, why, and by when. */
export function FaultForm({ start, draftKey, action, onSay }: FaultFormProps) {
  const { job } = useJob()
  const form = useForm<FaultFacts>({ resolver: zodResolver(FaultFacts), defaultValues: start })
  const {
    register,
    control,
    handleSubmit,
    formState: { errors },
  } = form
  const clear = useFormDraft(draftKey, form)
  const [failed, setFailed] = useState<string | null>(null)
  const keep = handleSubmit(async (facts) => {
    const reasons = await onSay(facts)
    setFailed(reasons.length > 0 ? reasons.map(({ message }) => message).join(' ') : null)
    if (reasons.length === 0) clear()
  })
  return (
    <form onSubmit={(event) => void keep(event)} noValidate>
      <Field.Root invalid={errors.title !== undefined} mb={3}>
        <Field.Label fontWeight={400} color="soft">
          What is wrong
        </Field.Label>
        <Input {...register('title')} bg="sheet" borderColor="ink" minH="48px" />
        <Field.ErrorText role="alert">{errors.title?.message}</Field.ErrorText>
      </Field.Root>
      <SimpleGrid columns={{ base: 1, sm: 2 }} gap={3}>
        <Controller
          name="deviceId"
          control={control}
          render={({ field }) => (
            <Choose
              label="Device"
              value={field.value ?? ''}
              options={[
                { value: '', label: 'The whole job' },
                ...everyOne(job).map(({ id, mark, name }) => ({ value: id, label: `${mark} ${name}` })),
              ]}
              onChoose={(id) => field.onChange(id || null)}
            />
          )}
        />
        <Controller
          name="stage"
          control={control}
          render={({ field }) => (
            <Choose
              label="Stage"
              value={field.value ?? ''}
              options={[
                { value: '', label: 'None' },
                ...STAGES.map((stage) => ({ value: stage, label: stage })),
              ]}
              onChoose={(stage) => field.onChange(stage || null)}
            />
          )}
        />
        <Controller
          name="severity"
          control={control}
          render={({ field }) => (
            <Choose
              label="How bad"
              value={field.value}
              options={optionsOf(SEVERITIES)}
              onChoose={field.onChange}
            />
          )}
        />
        <Controller
          name="cause"
          control={control}
          render={({ field }) => (
            <Choose
              label="Cause"
              value={field.value}
              options={CAUSES.map((cause) => ({ value: cause, label: cause }))}
              onChoose={field.onChange}
            />
          )}
        />
        <Controller
          name="due"
          control={control}
          render={({ field }) => (
            <Field.Root invalid={errors.due !== undefined}>
              <Field.Label fontWeight={400} color="soft">
                Put right by
              </Field.Label>
              <Input
                type="date"
                value={field.value ?? ''}
                onChange={(event) => field.onChange(event.target.value || null)}
                bg="sheet"
                borderColor="ink"
                minH="44px"
              />
              <Field.ErrorText role="alert">{errors.due?.message}</Field.ErrorText>
            </Field.Root>
          )}
        />
      </SimpleGrid>
      <Field.Root mt={3} invalid={errors.note !== undefined}>
        <Field.Label fontWeight={400} color="soft">
          What was seen
        </Field.Label>
        <Textarea {...register('note')} rows={3} bg="sheet" borderColor="ink" autoresize />
        <Field.ErrorText role="alert">{errors.note?.message}</Field.ErrorText>
      </Field.Root>
      {failed ? (
        <Box role="alert" color="stop" mt={2}>
          {failed}
        </Box>
      ) : null}
      <HStack mt={4}>
        <Button type="submit" colorPalette="copper" minH="48px" px={8}>
          {action}
        </Button>
      </HStack>
    </form>
  )
}
