'use client'

import { Field, Input } from '@chakra-ui/react'
import { useState } from 'react'
import { parse, print, type QuantityKind, type UnitSystem } from '@/core/units'
import { useDraft } from './draft'

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
  /** Called while typing with every value that is understood and allowed. */
  readonly onTry?: (value: number) => void
  /** Called when the field is left with a new value; null when an optional field was emptied. */
  readonly onKeep: (value: number | null) => void
  /** Called when an attempt ends without a new value. */
  readonly onGiveUp?: () => void
}

/** A field that accepts what a person says, echoes how it was understood, and keeps words it does not understand. */
export function QuantityField({ label, kind, units, value, least = -Infinity, most = Infinity, hint, draftKey, optional = false, onTry, onKeep, onGiveUp }: QuantityFieldProps) {
  const [words, setWords] = useDraft(draftKey)
  const [before, setBefore] = useState<number | null | undefined>(undefined) // while typing, `value` follows what is tried

  const shown = value === null ? '' : print({ value, kind }, units)
  const read = words === null ? null : understand(words)

  function understand(said: string): { value: number | null; error: string | null } {
    if (optional && said.trim() === '') return { value: null, error: null }
    const parsed = parse(said, kind, units)
    if (!parsed.ok) return { value: null, error: parsed.message }
    if (parsed.value < least - 1e-9) return { value: null, error: `At least ${print({ value: least, kind }, units)}.` }
    if (parsed.value > most + 1e-9) return { value: null, error: `At most ${print({ value: most, kind }, units)}.` }
    return { value: parsed.value, error: null }
  }

  const type = (said: string) => {
    if (words === null) setBefore(value)
    setWords(said)
    const understood = understand(said)
    if (understood.error === null && understood.value !== null) onTry?.(understood.value)
  }

  const leave = () => {
    if (words === null) return
    const understood = understand(words)
    if (understood.error !== null) return onGiveUp?.()
    setWords(null)
    if (understood.value === (before === undefined ? value : before)) return onGiveUp?.()
    onKeep(understood.value)
  }

  const abandon = () => {
    setWords(null)
    onGiveUp?.()
  }

  const echo = read && read.error === null && read.value !== null ? `= ${print({ value: read.value, kind }, units)}` : null
  return (
    <Field.Root invalid={read !== null && read.error !== null}>
      <Field.Label fontWeight={400} color="soft">{label}</Field.Label>
      <Input
        bg="sheet" borderColor="ink" value={words ?? shown} inputMode={kind === 'count' ? 'numeric' : 'text'} autoComplete="off" minH="44px" fontWeight={500}
        onFocus={(event) => event.target.select()}
        onChange={(event) => type(event.target.value)}
        onBlur={leave}
        onKeyDown={(event) => {
          if (event.key === 'Enter') leave()
          if (event.key === 'Escape') abandon()
        }}
      />
      {read?.error ? <Field.ErrorText role="alert">{read.error}</Field.ErrorText> : <Field.HelperText color="soft" minH="1.3em">{echo ?? hint ?? ''}</Field.HelperText>}
    </Field.Root>
  )
}
