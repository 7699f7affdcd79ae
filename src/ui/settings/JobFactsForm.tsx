'use client'

import { Box, Button, Field, Fieldset, HStack, Input, SimpleGrid, Text } from '@chakra-ui/react'
import { zodResolver } from '@hookform/resolvers/zod'
import { useRef, useState, type FormEvent } from 'react'
import { Controller, useForm, useWatch } from 'react-hook-form'
import {
  CARD_TIMES,
  COAX_SCHOOLS,
  DEAD_TAILS,
  EDITIONS,
  FILM_TIMES,
  HEAD_ENDS,
  JobFacts,
  PIN_SCHEMES,
  TAPES,
  SEALING_POLICIES,
  TERRAINS,
  UNIT_SYSTEMS,
  USUAL_MAINS_V,
  type USUAL_ALLOWANCES,
  type Reason,
} from '@/core/job'
import { print, type QuantityKind } from '@/core/units'
import { Choose, optionsOf } from '../kit/Choose'
import { useFormDraft } from '../kit/draft'
import { QuantityField } from '../kit/QuantityField'
import { Tick } from '../kit/Tick'
import { unread } from '../kit/unread'

const GREASE = { 'in salt air': 'In salt air', 'always': 'Always', 'never': 'Never' }
const ALLOWANCES: { key: keyof typeof USUAL_ALLOWANCES; label: string; most: number }[] = [
  { key: 'deviceSlackM', label: 'Slack at the device', most: 20 },
  { key: 'headEndSlackM', label: 'Slack at the head end', most: 20 },
  { key: 'dripLoopM', label: 'Drip loop', most: 5 },
  { key: 'serviceLoopM', label: 'Service loop in a loft', most: 20 },
  { key: 'cutOffM', label: 'Scuffed length cut off', most: 5 },
  { key: 'terminationM', label: 'Each end, for terminating', most: 2 },
]

interface JobFactsFormProps {
  readonly start: JobFacts
  readonly draftKey: string
  readonly action: string
  /**
   * Everything is shown at once; otherwise only name, place and units are, and the rest stands in one line.
   */
  readonly unfolded?: boolean
  /** Says what to do with the facts; answers with reasons when they are refused. */
  readonly onSay: (facts: JobFacts) => Promise<readonly Reason[]>
}

/**
 * Name, address, units and the policies a job works by. What is typed survives reloads until it is taken
 * over.
 */
export function JobFactsForm({ start, draftKey, action, unfolded = false, onSay }: JobFactsFormProps) {
  const form = useForm<JobFacts>({ resolver: zodResolver(JobFacts), defaultValues: start })
  const {
    register,
    control,
    handleSubmit,
    setValue,
    setError,
    formState: { errors, isSubmitting },
  } = form
  const clear = useFormDraft(draftKey, form)
  const [failed, setFailed] = useState<string | null>(null)
  const [units, allowances, windMS, mainsV, policies, terrain] = useWatch({
    control,
    name: ['units', 'allowances', 'windMS', 'mainsV', 'policies', 'terrain'],
  })
  const box = useRef<HTMLFormElement>(null)
  const submit = handleSubmit(async (facts) => {
    setFailed(null)
    const reasons = await onSay(facts)
    if (reasons.length === 0) return clear()
    for (const { path, message } of reasons) {
      const field = path.replace(/^(\/commands\/\d+)?\/facts\//, '').replaceAll('/', '.')
      if (field === 'name' || field === 'address' || field === 'headEnd') setError(field, { message })
      else setFailed(message)
    }
  })
  // A field that cannot be read is never passed over in favour of what stood there before.
  const keep = (event: FormEvent) => {
    const wrong = unread(box.current)
    if (!wrong) return submit(event)
    event.preventDefault()
    setFailed(wrong)
    return Promise.resolve()
  }
  const printed = (value: number, kind: QuantityKind) => print({ value, kind }, units)
  const defaults =
    `${policies.pinScheme}; ` +
    `${SEALING_POLICIES[policies.sealing].split(':')[0]!.toLowerCase()}; ` +
    `${COAX_SCHOOLS[policies.coaxSchool].toLowerCase()}; wind ${printed(windMS, 'speed')}, ` +
    `${TERRAINS[terrain].toLowerCase()}; mains ${printed(mainsV, 'voltage')}; slack ` +
    `${printed(allowances.deviceSlackM, 'length')} and ` +
    `${printed(allowances.headEndSlackM, 'length')}; waste ` +
    `${printed(allowances.wastePercent, 'share')}.`
  type Field = 'windMS' | 'mainsV' | `allowances.${keyof typeof USUAL_ALLOWANCES}`
  const quantity = (
    name: Field,
    label: string,
    kind: QuantityKind,
    value: number,
    least: number,
    most: number,
    hint = '',
  ) => (
    <QuantityField
      label={label}
      kind={kind}
      units={units}
      value={value}
      least={least}
      most={most}
      hint={hint}
      draftKey={`${draftKey}:${name}`}
      onTry={(tried) => setValue(name, tried)}
      onKeep={(kept) => {
        if (kept !== null) setValue(name, kept)
      }}
      takesDraft
    />
  )
  const choice = (
    name:
      | 'terrain'
      | 'policies.pinScheme'
      | 'policies.sealing'
      | 'policies.coaxSchool'
      | 'policies.edition'
      | 'policies.contactGrease'
      | 'policies.headEndWith'
      | 'policies.deadTails'
      | 'policies.tape'
      | 'policies.film'
      | 'policies.memoryCard',
    label: string,
    table: Record<string, string>,
  ) => (
    <Controller
      name={name}
      control={control}
      render={({ field }) => (
        <Choose label={label} value={field.value} options={optionsOf(table)} onChoose={field.onChange} />
      )}
    />
  )
  const line = (name: 'name' | 'address' | 'headEnd', label: string) => (
    <Field.Root invalid={errors[name] !== undefined}>
      <Field.Label fontWeight={400} color="soft">
        {label}
      </Field.Label>
      <Input {...register(name)} bg="sheet" borderColor="ink" minH="44px" autoComplete="off" />
      <Field.ErrorText role="alert">{errors[name]?.message}</Field.ErrorText>
    </Field.Root>
  )
  return (
    <form ref={box} onSubmit={(event) => void keep(event)} noValidate>
      <SimpleGrid columns={{ base: 1, md: 2 }} gap={4} mb={4}>
        {line('name', 'Name')}
        {line('address', 'Address')}
        <Controller
          name="units"
          control={control}
          render={({ field }) => (
            <Choose
              label="Units"
              value={field.value}
              options={optionsOf(UNIT_SYSTEMS)}
              onChoose={(chosen) => {
                const unchanged = mainsV === USUAL_MAINS_V[units]
                field.onChange(chosen)
                if (unchanged) setValue('mainsV', USUAL_MAINS_V[chosen as JobFacts['units']])
              }}
            />
          )}
        />
      </SimpleGrid>
      <Box
        as="details"
        mb={5}
        borderTopWidth="1px"
        borderBottomWidth="1px"
        borderColor="rule"
        {...(unfolded ? { open: true } : {})}
      >
        <Box as="summary" cursor="pointer" minH="44px" py={2}>
          <strong>Habits and allowances</strong>{' '}
          <Text as="span" color="soft">
            {defaults}
          </Text>
        </Box>
        <SimpleGrid columns={{ base: 1, md: 2 }} gap={4} my={3}>
          {line('headEnd', 'Head end stands in')}
          {choice('policies.pinScheme', 'Pin scheme, both ends', PIN_SCHEMES)}
          {choice('policies.sealing', 'Sealing of tails', SEALING_POLICIES)}
          {choice('policies.coaxSchool', 'Coax ends', COAX_SCHOOLS)}
          {choice('policies.contactGrease', 'Contact grease', GREASE)}
          {choice('policies.headEndWith', 'Runs end at the head end with', HEAD_ENDS)}
          {choice('policies.deadTails', 'Unused tails, where it is damp', DEAD_TAILS)}
          {choice('policies.tape', 'A dry joint is taped with', TAPES)}
          {choice('policies.film', 'Film comes off', FILM_TIMES)}
          {choice('policies.memoryCard', 'Memory card goes in', CARD_TIMES)}
          {choice('policies.edition', 'Levels of detail', EDITIONS)}
          {choice('terrain', 'The land round it, for the wind', TERRAINS)}
          {quantity('windMS', 'Design wind, a gust', 'speed', windMS, 0, 120, 'the local code’s map decides')}
          {quantity('mainsV', 'Mains', 'voltage', mainsV, 90, 480, 'ask at the meter')}
          <Controller
            name="keepPhotoPlace"
            control={control}
            render={({ field }) => (
              <Box pt={{ md: 6 }}>
                <Tick checked={field.value} onTick={field.onChange}>
                  Photos keep where and when they were taken
                </Tick>
              </Box>
            )}
          />
        </SimpleGrid>
        <Fieldset.Root mb={4}>
          <Fieldset.Legend fontFamily="heading" fontWeight={600}>
            Cable left over on purpose
          </Fieldset.Legend>
          <SimpleGrid columns={{ base: 2, md: 4 }} gap={4} mt={2}>
            {ALLOWANCES.map(({ key, label, most }) => (
              <Box key={key}>{quantity(`allowances.${key}`, label, 'length', allowances[key], 0, most)}</Box>
            ))}
            {quantity('allowances.wastePercent', 'Waste', 'share', allowances.wastePercent, 0, 50)}
          </SimpleGrid>
        </Fieldset.Root>
      </Box>
      {failed ? (
        <Box role="alert" color="stop" mb={3}>
          {failed}
        </Box>
      ) : null}
      <HStack>
        <Button type="submit" colorPalette="copper" minH="48px" px={8} loading={isSubmitting}>
          {action}
        </Button>
      </HStack>
    </form>
  )
}
