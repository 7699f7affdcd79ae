import { Field, Input } from '@chakra-ui/react'
import type { UseFormRegisterReturn } from 'react-hook-form'

interface FormLineProps {
  readonly label: string
  readonly example?: string
  readonly mono?: boolean
  readonly error: string | undefined
  readonly field: UseFormRegisterReturn
}

/** A line of words in a form. */
export const FormLine = ({ label, example = '', mono = false, error, field }: FormLineProps) => (
  <Field.Root invalid={error !== undefined}>
    <Field.Label fontWeight={400} color="soft">
      {label}
    </Field.Label>
    <Input
      {...field}
      bg="sheet"
      borderColor="ink"
      minH="44px"
      placeholder={example}
      {...(mono ? { fontFamily: 'mono' } : {})}
    />
    <Field.ErrorText role="alert">{error}</Field.ErrorText>
  </Field.Root>
)
