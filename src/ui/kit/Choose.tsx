'use client'

import { Field, NativeSelect } from '@chakra-ui/react'
import type { ReactNode } from 'react'

export interface Option {
  readonly value: string
  readonly label: string
}

/** Options of a closed list whose labels stand in a table by key. */
export const optionsOf = (table: Readonly<Record<string, string | { readonly name: string }>>): Option[] =>
  Object.entries(table).map(([value, label]) => ({
    value,
    label: typeof label === 'string' ? label : label.name,
  }))

/** Options of a table of the catalogue. */
export const partOptions = (
  table: ReadonlyMap<string, { readonly id: string; readonly name: string }>,
): Option[] => [...table.values()].map(({ id, name }) => ({ value: id, label: name }))

/** Where nobody has decided yet. */
export const NOT_CHOSEN: Option = { value: '', label: 'Not chosen yet' }

interface ChooseProps {
  readonly label: string
  readonly value: string
  readonly options: readonly Option[]
  readonly onChoose: (value: string) => void
  readonly hint?: ReactNode
  readonly error?: string | undefined
}

/** One choice out of a list; the platform's own list, so that it works with gloves and readers. */
export function Choose({ label, value, options, onChoose, hint, error }: ChooseProps) {
  const known = options.some((option) => option.value === value)
  return (
    <Field.Root invalid={error !== undefined}>
      <Field.Label fontWeight={400} color="soft">
        {label}
      </Field.Label>
      <NativeSelect.Root>
        <NativeSelect.Field
          bg="sheet"
          borderColor="ink"
          minH="44px"
          fontWeight={500}
          value={value}
          onChange={(event) => onChoose(event.target.value)}
        >
          {known ? null : <option value={value}>{value === '' ? 'Choose…' : value}</option>}
          {options.map((option) => (
            <option key={option.value} value={option.value}>
              {option.label}
            </option>
          ))}
        </NativeSelect.Field>
        <NativeSelect.Indicator />
      </NativeSelect.Root>
      {error ? <Field.ErrorText role="alert">{error}</Field.ErrorText> : null}
      {hint && !error ? <Field.HelperText color="soft">{hint}</Field.HelperText> : null}
    </Field.Root>
  )
}
