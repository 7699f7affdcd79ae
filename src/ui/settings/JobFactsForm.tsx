'use client'

import { Box, Button, Field, Fieldset, HStack, Input, SimpleGrid } from '@chakra-ui/react'
import { zodResolver } from '@hookform/resolvers/zod'
import { useState } from 'react'
import { Controller, useForm, useWatch } from 'react-hook-form'
import { COAX_SCHOOLS, EDITIONS, JobFacts, PIN_SCHEMES, SEALING_POLICIES, UNIT_SYSTEMS, USUAL_ALLOWANCES, type Reason } from '@/core/job'
import { Choose, optionsOf } from '../kit/Choose'
import { useFormDraft } from '../kit/draft'
import { QuantityField } from '../kit/QuantityField'

const GREASE = { 'in salt air': 'In salt air', always: 'Always', never: 'Never' }
const ALLOWANCES: { key: keyof typeof USUAL_ALLOWANCES; label: string; most: number }[] = [
  { key: 'deviceSlackM', label: 'Slack at the device', most: 20 }, { key: 'headEndSlackM', label: 'Slack at the head end', most: 20 }, { key: 'dripLoopM', label: 'Drip loop', most: 5 },
  { key: 'serviceLoopM', label: 'Service loop in a loft', most: 20 }, { key: 'cutOffM', label: 'Scuffed length cut off', most: 5 }, { key: 'terminationM', label: 'Each end, for terminating', most: 2 },
]

interface JobFactsFormProps {
  readonly start: JobFacts
  readonly draftKey: string
  readonly action: string
  /** Says what to do with the facts; answers with reasons when they are refused. */
  readonly onSay: (facts: JobFacts) => Promise<readonly Reason[]>
}

/** Name, address, units and the policies a job works by. What is typed survives reloads until it is taken over. */
export function JobFactsForm({ start, draftKey, action, onSay }: JobFactsFormProps) {
  const form = useForm<JobFacts>({ resolver: zodResolver(JobFacts), defaultValues: start })
  const { register, control, handleSubmit, setValue, setError, formState: { errors, isSubmitting } } = form
  const clear = useFormDraft(draftKey, form)
  const [failed, setFailed] = useState<string | null>(null)
  const [units, allowances, windMS] = useWatch({ control, name: ['units', 'allowances', 'windMS'] })
  const keep = handleSubmit(async (facts) => {
    setFailed(null)
    const reasons = await onSay(facts)
    if (reasons.length === 0) return clear()
    for (const { path, message } of reasons) {
      const field = path.replace(/^(\/commands\/\d+)?\/facts\//, '').replaceAll('/', '.')
      if (field === 'name' || field === 'address' || field === 'headEnd') setError(field, { message })
      else setFailed(message)
    }
  })
  const choice = (name: 'units' | 'policies.pinScheme' | 'policies.sealing' | 'policies.coaxSchool' | 'policies.edition' | 'policies.contactGrease', label: string, table: Record<string, string>) => (
    <Controller name={name} control={control} render={({ field }) => <Choose label={label} value={field.value} options={optionsOf(table)} onChoose={field.onChange} />} />
  )
  return (
    <form onSubmit={(event) => void keep(event)} noValidate>
      <SimpleGrid columns={{ base: 1, md: 2 }} gap={4} mb={6}>
        {([['name', 'Name'], ['address', 'Address'], ['headEnd', 'Head end stands in']] as const).map(([name, label]) => (
          <Field.Root key={name} invalid={errors[name] !== undefined}>
            <Field.Label fontWeight={400} color="soft">{label}</Field.Label>
            <Input {...register(name)} bg="sheet" borderColor="ink" minH="44px" autoComplete="off" />
            <Field.ErrorText role="alert">{errors[name]?.message}</Field.ErrorText>
          </Field.Root>
        ))}
        {choice('units', 'Units', UNIT_SYSTEMS)}
        {choice('policies.pinScheme', 'Pin scheme, both ends', PIN_SCHEMES)}
        {choice('policies.sealing', 'Sealing of tails', SEALING_POLICIES)}
        {choice('policies.coaxSchool', 'Coax ends', COAX_SCHOOLS)}
        {choice('policies.contactGrease', 'Contact grease', GREASE)}
        {choice('policies.edition', 'Levels of detail', EDITIONS)}
        <QuantityField label="Design wind, a gust" kind="speed" units={units} value={windMS} least={0} most={120} hint="the local code’s map decides" draftKey={`${draftKey}:wind`} onKeep={(value) => setValue('windMS', value ?? 0)} />
      </SimpleGrid>
      <Fieldset.Root mb={6}>
        <Fieldset.Legend fontFamily="heading" fontWeight={600}>Cable left over on purpose</Fieldset.Legend>
        <SimpleGrid columns={{ base: 2, md: 4 }} gap={4} mt={2}>
          {ALLOWANCES.map(({ key, label, most }) => (
            <QuantityField key={key} label={label} kind="length" units={units} value={allowances[key]} least={0} most={most} draftKey={`${draftKey}:${key}`} onKeep={(value) => setValue(`allowances.${key}`, value ?? 0)} />
          ))}
          <QuantityField label="Waste" kind="share" units={units} value={allowances.wastePercent} least={0} most={50} draftKey={`${draftKey}:waste`} onKeep={(value) => setValue('allowances.wastePercent', value ?? 0)} />
        </SimpleGrid>
      </Fieldset.Root>
      {failed ? <Box role="alert" color="stop" mb={3}>{failed}</Box> : null}
      <HStack><Button type="submit" colorPalette="copper" minH="48px" px={8} loading={isSubmitting}>{action}</Button></HStack>
    </form>
  )
}
