'use client'

import { Button, Field, Input, Text } from '@chakra-ui/react'
import { useState, type FormEvent } from 'react'
import { setPaired } from '../job/author'
import { Sentence } from '../kit/Page'
import { Frame } from '../kit/Frame'

/** On the phone that has read the code: who works with it, and it is paired. */
export function PairThis() {
  const [name, setName] = useState('')
  const [busy, setBusy] = useState(false)
  const [wrong, setWrong] = useState<string | null>(null)
  const pair = async (event: FormEvent) => {
    event.preventDefault()
    if (name.trim() === '') return setWrong('Say who works with this phone.')
    setBusy(true)
    setWrong(null)
    const secret = window.location.hash.slice(1)
    const answer = await fetch('/api/pair', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ secret: secret || '-', name: name.trim() }),
    }).catch(() => null)
    setBusy(false)
    if (!answer) return setWrong('The laptop does not answer. Is the phone on the same network?')
    if (!answer.ok) return setWrong(((await answer.json()) as { detail: string }).detail)
    setPaired(name.trim())
    window.location.replace('/')
  }
  return (
    <Frame home={false}>
      <Sentence next="It is written into everything that this phone records.">
        Who works with this phone?
      </Sentence>
      <form onSubmit={(event) => void pair(event)}>
        <Field.Root invalid={wrong !== null} maxW="420px">
          <Field.Label color="soft">Name or role</Field.Label>
          <Input
            value={name}
            minH="56px"
            fontSize="lg"
            bg="sheet"
            borderColor="ink"
            maxLength={80}
            autoComplete="name"
            onChange={(event) => setName(event.target.value)}
          />
          {wrong ? <Field.ErrorText role="alert">{wrong}</Field.ErrorText> : null}
        </Field.Root>
        <Button mt={4} type="submit" minH="56px" px={8} colorPalette="copper" loading={busy}>
          Pair this phone
        </Button>
      </form>
      <Text mt={5} color="soft">
        It stays paired until somebody ends it at the laptop.
      </Text>
    </Frame>
  )
}
