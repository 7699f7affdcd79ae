'use client'

import { Field, Input } from '@chakra-ui/react'
import { useState } from 'react'
import { useDraft } from './draft'

interface LineFieldProps {
  readonly label: string
  readonly value: string
  readonly draftKey: string
  readonly example?: string
  readonly mono?: boolean
  /** Called when the field is left with new words; answers with the reason when they are refused. */
  readonly onKeep: (words: string) => Promise<string | null>
}

/** A line of words, kept when the field is left. Words that are refused stay in the field with the reason. */
export function LineField({ label, value, draftKey, example = '', mono = false, onKeep }: LineFieldProps) {
  const [words, setWords] = useDraft(draftKey)
  const [error, setError] = useState<string | null>(null)
  const leave = async () => {
    if (words === null) return
    const refused = words.trim() === value ? null : await onKeep(words.trim())
    setError(refused)
    if (refused === null) setWords(null)
  }
  return (
    <Field.Root invalid={error !== null}>
      <Field.Label fontWeight={400} color="soft">
        {label}
      </Field.Label>
      <Input
        value={words ?? value}
        placeholder={example}
        maxLength={200}
        autoComplete="off"
        bg="sheet"
        borderColor="ink"
        minH="44px"
        {...(mono ? { fontFamily: 'mono', autoCapitalize: 'none', spellCheck: false } : {})}
        onChange={(event) => setWords(event.target.value)}
        onBlur={() => void leave()}
        onKeyDown={(event) => event.key === 'Enter' && void leave()}
      />
      <Field.ErrorText role="alert">{error}</Field.ErrorText>
    </Field.Root>
  )
}

/** The same for a change that is still being kept. */
export const refusalOf = async (said: Promise<Parameters<typeof refusal>[0]>): Promise<string | null> =>
  refusal(await said)

/** The reasons of a refusal as one sentence for a field; null when it was taken over. */
export function refusal(
  said:
    | { readonly ok: true }
    | { readonly ok: false; readonly reasons: readonly { readonly message: string }[] },
): string | null {
  return said.ok ? null : said.reasons.map(({ message }) => message).join(' ')
}
