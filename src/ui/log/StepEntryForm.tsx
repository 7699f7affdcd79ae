'use client'

import { Box, Button, Field, Input, SimpleGrid, Stack, Text, Textarea } from '@chakra-ui/react'
import { Delete } from 'lucide-react'
import { useState } from 'react'
import type { Outcome } from '@/core/job'
import { judge, printLimits, type StepState } from '@/core/procedure'
import { parse, print, type UnitSystem } from '@/core/units'
import { useDraft } from '../kit/draft'
import { VerdictLine } from '../kit/Verdict'
import { TiltReader } from './TiltReader'

interface Typed {
  readonly words: string
  readonly choice: string | null
  readonly note: string
  readonly leaving: boolean
}

const KEYS = ['1', '2', '3', '4', '5', '6', '7', '8', '9', '.', '0']
const FEET_KEYS = ["'", '"', '/']

interface StepEntryFormProps {
  readonly state: StepState
  readonly units: UnitSystem
  readonly draftKey: string
  readonly onRecord: (outcome: Outcome) => string | null
}

/** Records one step: done, a measured value with its verdict while typing, a choice, or a note. Kept as a draft until recorded. */
export function StepEntryForm({ state, units, draftKey, onRecord }: StepEntryFormProps) {
  const { step, record, photos } = state
  const { entry } = step
  const start: Typed = {
    words: record?.value != null && entry.kind === 'measure' ? print({ value: record.value, kind: entry.quantity }, units) : '',
    choice: record?.choice ?? null, note: record?.note ?? '', leaving: record?.state === 'left out',
  }
  const [draft, setDraft] = useDraft(draftKey)
  const [error, setError] = useState<string | null>(null)
  const typed = draft === null ? start : (JSON.parse(draft) as Typed)

  const change = (part: Partial<Typed>) => {
    setError(null)
    setDraft(JSON.stringify({ ...typed, ...part }))
  }

  const parsed = entry.kind === 'measure' && typed.words.trim() !== '' ? parse(typed.words, entry.quantity, units) : null
  const outcome = (): Outcome | string => {
    const note = typed.note.trim()
    if (typed.leaving) return note === '' ? 'Say why the step is left out.' : { state: 'left out', value: null, choice: null, note }
    if (entry.kind === 'measure') {
      if (parsed === null) return 'Write the measured value.'
      return parsed.ok ? { state: 'done', value: parsed.value, choice: null, note } : parsed.message
    }
    if (entry.kind === 'choice') return typed.choice === null ? 'Choose one.' : { state: 'done', value: null, choice: typed.choice, note }
    if (entry.kind === 'note' && note === '') return 'Write it down.'
    return { state: 'done', value: null, choice: null, note }
  }

  const now = outcome()
  const live = typeof now === 'string' || (entry.kind !== 'measure' && entry.kind !== 'choice') ? null : judge({ ...step, photo: null }, now, photos, units)
  const keep = () => {
    const refused = typeof now === 'string' ? now : onRecord(now)
    setError(refused)
    if (refused === null) setDraft(null)
  }

  return (
    <Stack gap={3}>
      {entry.kind === 'measure' && !typed.leaving ? (
        <Field.Root invalid={parsed !== null && !parsed.ok}>
          <Field.Label fontWeight={400} color="soft">{entry.label}</Field.Label>
          <Box position="relative" w="100%">
            <Input value={typed.words} onChange={(event) => change({ words: event.target.value })} onKeyDown={(event) => event.key === 'Enter' && keep()} bg="sheet" borderColor="ink" borderWidth="2px" minH="68px" fontSize="3xl" fontWeight={600} inputMode={units === 'metric' ? 'decimal' : 'text'} autoComplete="off" />
            <Text position="absolute" right={4} top="50%" transform="translateY(-50%)" color="soft" pointerEvents="none" bg="sheet">{printLimits(entry, units)}</Text>
          </Box>
          {entry.quantity === 'angle' && entry.least === 0 ? <TiltReader onRead={(deg) => change({ words: deg.toFixed(1) })} /> : null}
          {parsed && !parsed.ok ? <Field.ErrorText role="alert">{parsed.message}</Field.ErrorText> : null}
          <SimpleGrid columns={3} gap={2} mt={2} w="100%" display={{ base: 'grid', md: 'none' }}>
            {[...(units === 'imperial' && (entry.quantity === 'length' || entry.quantity === 'size') ? FEET_KEYS : []), ...KEYS].map((key) => (
              <Button key={key} variant="outline" colorPalette="inky" bg="sheet" minH="52px" fontSize="xl" onClick={() => change({ words: typed.words + key })}>{key}</Button>
            ))}
            <Button variant="outline" colorPalette="inky" bg="sheet" minH="52px" aria-label="Delete the last sign" onClick={() => change({ words: typed.words.slice(0, -1) })}><Delete size={22} /></Button>
          </SimpleGrid>
        </Field.Root>
      ) : null}
      {entry.kind === 'choice' && !typed.leaving ? (
        <Stack gap={2} role="radiogroup" aria-label={step.title}>
          {entry.options.map((option) => {
            const chosen = typed.choice === option
            return (
              <Button key={option} role="radio" aria-checked={chosen} variant={chosen ? 'solid' : 'outline'} colorPalette="inky" bg={chosen ? undefined : 'sheet'} minH="52px" justifyContent="flex-start" fontSize="md" onClick={() => change({ choice: option })}>{option}</Button>
            )
          })}
        </Stack>
      ) : null}
      <Box aria-live="polite" minH="1.5em">{live ? <VerdictLine verdict={live.verdict}>{live.says}</VerdictLine> : null}</Box>
      <Field.Root invalid={error !== null}>
        <Field.Label fontWeight={400} color="soft">{typed.leaving ? 'Why it is left out' : 'Note'}</Field.Label>
        <Textarea value={typed.note} onChange={(event) => change({ note: event.target.value })} rows={typed.leaving || entry.kind === 'note' ? 3 : 1} bg="sheet" borderColor="ink" maxLength={2000} autoresize />
        <Field.ErrorText role="alert">{error}</Field.ErrorText>
      </Field.Root>
      <Button colorPalette="copper" minH="60px" fontSize="lg" fontFamily="heading" onClick={keep}>{typed.leaving ? 'Record as left out' : record ? 'Record again' : 'Record, next step'}</Button>
      <Button variant="ghost" colorPalette="inky" minH="44px" onClick={() => change({ leaving: !typed.leaving })}>{typed.leaving ? 'It can be done after all' : 'This step cannot be done here'}</Button>
    </Stack>
  )
}
