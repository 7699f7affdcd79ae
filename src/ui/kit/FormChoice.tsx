'use client'

import { useController, type Control, type FieldPath, type FieldValues } from 'react-hook-form'
import { Choose, type Option } from './Choose'

interface FormChoiceProps<T extends FieldValues> {
  readonly control: Control<T>
  readonly name: FieldPath<T>
  readonly label: string
  readonly options: readonly Option[]
  readonly hint?: string | undefined
  /** What is said where nothing is chosen; else in the words of the schema. */
  readonly missing?: string
  /** Called after a choice, for what follows from it. */
  readonly onChosen?: (value: string) => void
}

/** One choice of a form. */
export function FormChoice<T extends FieldValues>({
  control,
  name,
  label,
  options,
  hint,
  missing,
  onChosen,
}: FormChoiceProps<T>) {
  const { field, fieldState } = useController({ control, name })
  return (
    <Choose
      label={label}
      value={field.value}
      options={options}
      hint={hint}
      error={fieldState.error && (missing ?? fieldState.error.message)}
      onChoose={(value) => {
        field.onChange(value)
        onChosen?.(value)
      }}
    />
  )
}
