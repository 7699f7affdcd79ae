'use client'

import { Box, Button, Field, HStack, Input, Text } from '@chakra-ui/react'
import { useId, useMemo, useState } from 'react'
import type { HandedStep, Job } from '@/core/job'
import type { Step, StepState } from '@/core/procedure'
import { useAuthor } from '../job/author'
import { useJob } from '../job/JobProvider'
import { useDraft } from '../kit/draft'
import { refusal } from '../kit/LineField'
import { TextField } from '../kit/TextField'
import { Wrong } from '../kit/Wrong'

/** Who is left with which step of a thing. */
export function useHanded(deviceId: string): ReadonlyMap<string, HandedStep> {
  const { job } = useJob()
  return useMemo(
    () =>
      new Map(job.handed.flatMap((one) => (one.deviceId === deviceId ? [[one.stepId, one] as const] : []))),
    [job.handed, deviceId],
  )
}

/** A step that is not recorded, and not left to somebody else. */
export const isOpenFor = (
  { step, record }: StepState,
  handed: ReadonlyMap<string, HandedStep>,
  me: string,
): boolean => record === null && (handed.get(step.id)?.colleague ?? me) === me

/** Everybody who has said something in a job, but one. */
const othersIn = ({ createdBy, records, photos, handed }: Job, me: string): string[] => {
  const names = [
    createdBy,
    ...[...records, ...photos].map(({ by }) => by),
    ...handed.map((one) => one.colleague),
  ]
  return [...new Set(names)].filter((name) => name !== me).sort()
}

interface HandingProps {
  readonly deviceId: string
  readonly step: Pick<Step, 'id' | 'title'>
  readonly handed: HandedStep | undefined
  /** On with what is left for oneself. */
  readonly onLeft: () => void
}

/** A step that somebody else does: to whom it is left, and taken back. */
export function Handing({ deviceId, step, handed, onLeft }: HandingProps) {
  const { job, send } = useJob()
  const me = useAuthor()
  const [open, setOpen] = useState(false)
  const [error, setError] = useState<string | null>(null)
  if (handed) {
    const takeBack = async () => {
      const said = await send({ type: 'takeStepBack', deviceId, stepId: step.id })
      setError(said.ok ? null : refusal(said))
    }
    return (
      <HStack borderLeftWidth="4px" borderColor="copper.solid" pl={3} my={3} flexWrap="wrap" role="status">
        <Box flex="1" minW="180px">
          <Text fontWeight={600}>
            {handed.colleague === me ? 'Left to you' : `Left to ${handed.colleague}`}
          </Text>
          {handed.note ? <Text>{handed.note}</Text> : null}
          <Text color="soft" fontSize="sm">
            {handed.by}, {handed.at.slice(0, 16).replace('T', ' ')}
          </Text>
        </Box>
        <Button variant="outline" colorPalette="inky" minH="48px" onClick={() => void takeBack()}>
          Take it back
        </Button>
        <Wrong>{error}</Wrong>
      </HStack>
    )
  }
  if (!open)
    return (
      <Button variant="ghost" colorPalette="inky" minH="48px" mt={2} onClick={() => setOpen(true)}>
        Leave it to a colleague
      </Button>
    )
  return (
    <LeaveIt
      draftKey={`hand:${job.id}:${deviceId}:${step.id}`}
      names={othersIn(job, me)}
      onLeave={async ({ colleague, note }) => {
        if (colleague === me) return 'That is you.'
        const { id: stepId, title } = step
        const said = await send({ type: 'handStep', deviceId, stepId, title, colleague, note })
        if (!said.ok) return refusal(said)
        onLeft()
        return null
      }}
      onClose={() => setOpen(false)}
    />
  )
}

type Words = Pick<HandedStep, 'colleague' | 'note'>

interface LeaveItProps {
  readonly draftKey: string
  readonly names: readonly string[]
  /** Answers why it was not taken. */
  readonly onLeave: (words: Words) => Promise<string | null>
  readonly onClose: () => void
}

function LeaveIt({ draftKey, names, onLeave, onClose }: LeaveItProps) {
  const listId = useId()
  const [draft, setDraft] = useDraft(draftKey)
  const [wrong, setWrong] = useState<string | null>(null)
  const typed: Words = draft === null ? { colleague: '', note: '' } : (JSON.parse(draft) as Words)
  const change = (part: Partial<Words>) => {
    setWrong(null)
    setDraft(JSON.stringify({ ...typed, ...part }))
  }
  const leave = async () => {
    const words = { colleague: typed.colleague.trim(), note: typed.note.trim() }
    const refused = words.colleague === '' ? 'Say to whom.' : await onLeave(words)
    setWrong(refused)
    if (refused === null) setDraft(null)
  }
  return (
    <Box
      borderWidth="1px"
      borderColor="rule"
      bg="sheet"
      p={3}
      mt={3}
      role="group"
      aria-label="Leave it to a colleague"
    >
      <Field.Root invalid={wrong !== null}>
        <Field.Label fontWeight={400} color="soft">
          To whom
        </Field.Label>
        <Input
          bg="sheet"
          borderColor="ink"
          minH="48px"
          maxLength={80}
          list={listId}
          autoComplete="off"
          value={typed.colleague}
          onChange={(event) => change({ colleague: event.target.value })}
        />
        <Field.ErrorText role="alert">{wrong}</Field.ErrorText>
      </Field.Root>
      <datalist id={listId}>
        {names.map((name) => (
          <option key={name} value={name} />
        ))}
      </datalist>
      <Box mt={3}>
        <TextField label="What they should know" value={typed.note} onType={(note) => change({ note })} />
      </Box>
      <HStack mt={3} gap={3}>
        <Button colorPalette="copper" minH="48px" flex="1" onClick={() => void leave()}>
          Leave it to them
        </Button>
        <Button variant="outline" colorPalette="inky" minH="48px" onClick={onClose}>
          Not now
        </Button>
      </HStack>
    </Box>
  )
}
