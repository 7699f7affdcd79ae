import { Field, Input } from '@chakra-ui/react'
import type { ReactNode } from 'react'

interface TextFieldProps {
  readonly label: string
  readonly value: string
  readonly onType: (words: string) => void
  readonly example?: string | undefined
  readonly hint?: ReactNode
  readonly wrong?: string | undefined
  readonly disabled?: boolean
}

/** A line of words of a form that keeps them itself. */
export function TextField({ label, value, onType, example, hint, wrong, disabled = false }: TextFieldProps) {
  return (
    <Field.Root invalid={wrong !== undefined} disabled={disabled}>
      <Field.Label fontWeight={400} color="soft">
        {label}
      </Field.Label>
      <Input
        bg="sheet"
        borderColor="ink"
        minH="44px"
        fontWeight={500}
        maxLength={300}
        autoComplete="off"
        value={value}
        placeholder={example}
        onChange={(event) => onType(event.target.value)}
      />
      {wrong ? <Field.ErrorText role="alert">{wrong}</Field.ErrorText> : null}
      {hint && !wrong ? <Field.HelperText color="soft">{hint}</Field.HelperText> : null}
    </Field.Root>
  )
}
