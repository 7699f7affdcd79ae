'use client'

import { Box, Button, Field, Input, SimpleGrid, Stack, Text, Textarea } from '@chakra-ui/react'
import { Delete } from 'lucide-react'
import { useState } from 'react'
import type { Outcome } from '@/core/job'
import { judge, printLimits, type StepEntry as Entry, type StepState } from '@/core/procedure'
import { parse, parseBetween, print, type UnitSystem } from '@/core/units'
import { Dictate } from '../hands/Dictate'
import { useDraft } from '../kit/draft'
import { VerdictLine } from '../kit/Verdict'
import { TiltReader } from '../sensors/TiltReader'

interface Typed {
  readonly words: string
  readonly choice: string | null
  readonly note: string
  readonly leaving: boolean
}

const KEYS = ['1', '2', '3', '4', '5', '6', '7', '8', '9', '.', '0']
const FEET_KEYS = ["'", '"', '/']

interface EntryProps {
  readonly state: StepState
  readonly units: UnitSystem
  readonly draftKey: string
  /** Answers with the reason when the record is not taken over, once it is kept otherwise. */
  readonly onRecord?: (outcome: Outcome, withRest: boolean) => Promise<string | null>
}

/**
 * What is typed for a step, kept as a draft until it is recorded; what it would come to; and how to record
 * it.
 */
export function useEntry({ state, units, draftKey, onRecord }: EntryProps) {
  const { step, record, photos } = state
  const { entry } = step
  const start: Typed = {
    words:
      record?.value != null && entry.kind === 'measure'
        ? print({ value: record.value, kind: entry.quantity }, units)
        : '',
    choice: record?.choice ?? null,
    note: record?.note ?? '',
    leaving: record?.state === 'left out',
  }
  const [draft, setDraft] = useDraft(draftKey)
  const [error, setError] = useState<string | null>(null)
  const typed = draft === null ? start : (JSON.parse(draft) as Typed)
  const change = (part: Partial<Typed>) => {
    setError(null)
    setDraft(JSON.stringify({ ...typed, ...part }))
  }
  const now = outcomeOf(entry, typed, units)
  const judged = typeof now !== 'string' && (entry.kind === 'measure' || entry.kind === 'choice')
  const keep = async (withRest = false) => {
    const refused = typeof now === 'string' ? now : ((await onRecord?.(now, withRest)) ?? null)
    setError(refused)
    if (refused === null) setDraft(null)
  }
  return {
    typed,
    change,
    error,
    keep,
    /** What is meant; in words what is missing for it. */
    now,
    /** Says what is missing, where somebody wanted to record it. */
    refuse: () => setError(typeof now === 'string' ? now : null),
    forget: () => setDraft(null),
    live: judged ? judge({ ...step, photo: null }, now, photos, units) : null,
  }
}

/** What is meant by the words of a measured step: a value, or the marks that it lies between. */
const readOf = (
  { marks, quantity }: Extract<Entry, { kind: 'measure' }>,
  words: string,
  units: UnitSystem,
): ReturnType<typeof parseBetween> => (marks ? parseBetween(words, units) : parse(words, quantity, units))

/** The outcome that is meant, or what is missing for one. */
function outcomeOf(entry: Entry, typed: Typed, units: UnitSystem): Outcome | string {
  const note = typed.note.trim()
  if (typed.leaving)
    return note === ''
      ? 'Say why the step is left out.'
      : { state: 'left out', value: null, choice: null, note }
  if (entry.kind === 'measure') {
    if (typed.words.trim() === '') return 'Write the measured value.'
    const parsed = readOf(entry, typed.words, units)
    if (!parsed.ok) return parsed.message
    const between = parsed.marks ? `Marks ${parsed.marks.join(' and ')}.` : ''
    const noted = [note, between].filter(Boolean).join(' ')
    return { state: 'done', value: parsed.value, choice: null, note: noted }
  }
  if (entry.kind === 'choice')
    return typed.choice === null ? 'Choose one.' : { state: 'done', value: null, choice: typed.choice, note }
  if (entry.kind === 'note' && note === '') return 'Write it down.'
  return { state: 'done', value: null, choice: null, note }
}

export type Using = ReturnType<typeof useEntry>

/** The entry of a step with its verdict, or what is wrong with it, right below. */
export function StepEntry({
  state: { step },
  units,
  using: { typed, change, error, keep, live },
  onEnter = keep,
  pad = true,
}: {
  state: StepState
  units: UnitSystem
  using: Using
  /** What the enter key does. */
  onEnter?: () => void | Promise<void>
  /** Whether there is room for a number pad. */
  pad?: boolean
}) {
  const { entry } = step
  return (
    <Stack gap={2} mb={3}>
      {entry.kind === 'measure' && !typed.leaving ? (
        <Measured
          entry={entry}
          units={units}
          typed={typed}
          change={change}
          onEnter={onEnter}
          invalid={error !== null}
        />
      ) : null}
      {entry.kind === 'choice' && !typed.leaving ? (
        <Stack gap={2} role="radiogroup" aria-label={step.title}>
          {entry.options.map((option) => (
            <Button
              key={option}
              role="radio"
              aria-checked={typed.choice === option}
              variant={typed.choice === option ? 'solid' : 'outline'}
              colorPalette="inky"
              bg={typed.choice === option ? undefined : 'sheet'}
              minH="52px"
              justifyContent="flex-start"
              fontSize="md"
              onClick={() => change({ choice: option })}
            >
              {option}
            </Button>
          ))}
        </Stack>
      ) : null}
      <Box aria-live="polite" minH="1.5em">
        {error ? (
          <Text role="alert" color="stop" fontWeight={600}>
            {error}
          </Text>
        ) : null}
        {live && !error ? <VerdictLine verdict={live.verdict}>{live.says}</VerdictLine> : null}
      </Box>
      {pad && entry.kind === 'measure' && !typed.leaving ? (
        <Pad entry={entry} units={units} typed={typed} change={change} />
      ) : null}
    </Stack>
  )
}

interface MeasuredProps extends Pick<Using, 'typed' | 'change'> {
  readonly entry: Extract<Entry, { kind: 'measure' }>
  readonly units: UnitSystem
}

function Measured({
  entry,
  units,
  typed,
  change,
  onEnter,
  invalid,
}: MeasuredProps & { onEnter: () => void | Promise<void>; invalid: boolean }) {
  const parsed = typed.words.trim() === '' ? null : readOf(entry, typed.words, units)
  return (
    <Field.Root invalid={invalid || (parsed !== null && !parsed.ok)}>
      <Field.Label fontWeight={400} color="soft">
        {entry.label}
      </Field.Label>
      <Box position="relative" w="100%">
        <Input
          value={typed.words}
          onChange={(event) => change({ words: event.target.value })}
          onKeyDown={(event) => event.key === 'Enter' && void onEnter()}
          bg="sheet"
          borderColor="ink"
          borderWidth="2px"
          minH="64px"
          fontSize="3xl"
          fontWeight={600}
          inputMode={units === 'metric' ? 'decimal' : 'text'}
          autoComplete="off"
        />
        <Text
          position="absolute"
          right={4}
          top="50%"
          transform="translateY(-50%)"
          color="soft"
          pointerEvents="none"
          bg="sheet"
        >
          {printLimits(entry, units)}
        </Text>
      </Box>
      {entry.marks ? (
        <Field.HelperText>Or the marks at both of its ends: 412 – 466.3</Field.HelperText>
      ) : null}
      {parsed && !parsed.ok ? <Field.ErrorText role="alert">{parsed.message}</Field.ErrorText> : null}
    </Field.Root>
  )
}

/** A number pad for gloves, and the phone's own tilt where that is what is measured. */
function Pad({ entry, units, typed, change }: MeasuredProps) {
  const feet =
    units === 'imperial' && (entry.quantity === 'length' || entry.quantity === 'size') ? FEET_KEYS : []
  return (
    <>
      {entry.quantity === 'angle' && entry.least === 0 ? (
        <TiltReader onRead={(deg) => change({ words: deg.toFixed(1) })} />
      ) : null}
      <Dictate label="Say the value" onWords={(words) => change({ words })} />
      <SimpleGrid columns={3} gap={2} w="100%" display={{ base: 'grid', md: 'none' }}>
        {[...feet, ...(entry.marks ? ['–'] : []), ...KEYS].map((key) => (
          <Button
            key={key}
            variant="outline"
            colorPalette="inky"
            bg="sheet"
            minH="48px"
            fontSize="xl"
            onClick={() => change({ words: typed.words + key })}
          >
            {key}
          </Button>
        ))}
        <Button
          variant="outline"
          colorPalette="inky"
          bg="sheet"
          minH="48px"
          aria-label="Delete the last sign"
          onClick={() => change({ words: typed.words.slice(0, -1) })}
        >
          <Delete size={22} />
        </Button>
      </SimpleGrid>
    </>
  )
}

/** A note to the step, or why it is left out. */
export function StepNote({ state: { step }, using: { typed, change } }: { state: StepState; using: Using }) {
  return (
    <>
      <Field.Root>
        <Field.Label fontWeight={400} color="soft">
          {typed.leaving ? 'Why it is left out' : 'Note'}
        </Field.Label>
        <Textarea
          value={typed.note}
          onChange={(event) => change({ note: event.target.value })}
          rows={typed.leaving || step.entry.kind === 'note' ? 3 : 1}
          bg="sheet"
          borderColor="ink"
          maxLength={2000}
          autoresize
          minH="48px"
        />
      </Field.Root>
      <Button
        variant="ghost"
        colorPalette="inky"
        minH="48px"
        mt={2}
        onClick={() => change({ leaving: !typed.leaving })}
      >
        {typed.leaving ? 'It can be done after all' : 'This step cannot be done here'}
      </Button>
      <Dictate
        label="Say the note"
        onWords={(words) => change({ note: [typed.note.trim(), words].filter(Boolean).join(' ') })}
      />
    </>
  )
}
