'use client'

import { Field, Input } from '@chakra-ui/react'
import { useEffect, useState } from 'react'
import { parse, print, type QuantityKind, type UnitSystem } from '@/core/units'
import type { Said } from '../job/commands'
import { useDraft } from './draft'
import { refusal } from './LineField'

interface QuantityFieldProps {
  readonly label: string
  readonly kind: QuantityKind
  readonly units: UnitSystem
  /** Inside unit of the kind; null for an empty optional field. */
  readonly value: number | null
  readonly least?: number
  readonly most?: number
  readonly hint?: string
  /** Names the field's draft, so that what was typed survives a reload. */
  readonly draftKey: string
  readonly optional?: boolean
  /**
   * In a form: words that survived a reload are taken over at once, so that what is shown is what is sent.
   */
  readonly takesDraft?: boolean
  /** Called while typing with every value that is understood and allowed. */
  readonly onTry?: (value: number) => void
  /**
   * Called when the field is left with a new value; null when an optional field was emptied. Answers with
   * reasons when it is not taken over.
   */
  readonly onKeep: (value: number | null) => Promise<Said> | void | false
  /** Called when an attempt ends without a new value. */
  readonly onGiveUp?: () => void
}

/**
 * A field that accepts what a person says, echoes how it was understood, and keeps words it does not
 * understand.
 */
export function QuantityField({
  label,
  kind,
  units,
  value,
  least = -Infinity,
  most = Infinity,
  hint,
  draftKey,
  optional = false,
  takesDraft = false,
  onTry,
  onKeep,
  onGiveUp,
}: QuantityFieldProps) {
  const [words, setWords] = useDraft(draftKey)
  // while typing, `value` follows what is tried
  const [before, setBefore] = useState<number | null | undefined>(undefined)
  const [refused, setRefused] = useState<string | null>(null)

  const shown = value === null ? '' : print({ value, kind }, units)
  const read = words === null ? null : understand(words)

  function understand(said: string): { value: number | null; error: string | null } {
    if (optional && said.trim() === '') return { value: null, error: null }
    const parsed = parse(said, kind, units)
    if (!parsed.ok) return { value: null, error: parsed.message }
    if (parsed.value < least - 1e-9)
      return { value: null, error: `At least ${print({ value: least, kind }, units)}.` }
    if (parsed.value > most + 1e-9)
      return { value: null, error: `At most ${print({ value: most, kind }, units)}.` }
    return { value: parsed.value, error: null }
  }

  useEffect(() => {
    if (takesDraft && read?.error === null && read.value !== null && read.value !== value) onTry?.(read.value)
    // Once, with what was there when the field came up.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [takesDraft])

  const type = (said: string) => {
    // Words that survived a reload were typed over the value that stands now.
    if (words === null || before === undefined) setBefore(value)
    setRefused(null)
    setWords(said)
    const understood = understand(said)
    if (understood.error === null && understood.value !== null) onTry?.(understood.value)
  }

  const leave = async () => {
    if (words === null) return
    const understood = understand(words)
    if (understood.error !== null) return onGiveUp?.()
    if (understood.value === (before === undefined ? value : before)) {
      setWords(null)
      return onGiveUp?.()
    }
    const said = await onKeep(understood.value)
    const wrong = said ? refusal(said) : null
    setRefused(wrong)
    if (wrong === null) setWords(null) // what is not kept stays in the field
  }

  const abandon = () => {
    setWords(null)
    onGiveUp?.()
  }

  const echo =
    read && read.error === null && read.value !== null
      ? `= ${print({ value: read.value, kind }, units)}`
      : null
  return (
    <Field.Root invalid={refused !== null || (read !== null && read.error !== null)}>
      <Field.Label fontWeight={400} color="soft">
        {label}
      </Field.Label>
      <Input
        bg="sheet"
        borderColor="ink"
        value={words ?? shown}
        inputMode={kind === 'count' ? 'numeric' : 'text'}
        autoComplete="off"
        minH="44px"
        fontWeight={500}
        onFocus={(event) => event.target.select()}
        onChange={(event) => type(event.target.value)}
        onBlur={() => void leave()}
        onKeyDown={(event) => {
          if (event.key === 'Enter') void leave()
          if (event.key === 'Escape') abandon()
        }}
      />
      {(read?.error ?? refused) ? (
        <Field.ErrorText role="alert">{read?.error ?? refused}</Field.ErrorText>
      ) : (
        <Field.HelperText color="soft" minH="1.3em">
          {echo ?? hint ?? ''}
        </Field.HelperText>
      )}
    </Field.Root>
  )
}
