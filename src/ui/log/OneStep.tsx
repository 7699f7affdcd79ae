'use client'

import { Box, Button, Flex, Heading, HStack, IconButton, Text } from '@chakra-ui/react'
import { ChevronLeft, ChevronRight } from 'lucide-react'
import type { ReactNode } from 'react'
import type { DeviceAssessment } from '@/core/assess'
import type { Device, HandedStep, Outcome } from '@/core/job'
import { PLACES } from '@/core/order'
import { isAsked, together, type Because, type StepState } from '@/core/procedure'
import { inSentence, type UnitSystem } from '@/core/units'
import { useAuthor } from '../job/author'
import { useJob } from '../job/JobProvider'
import { tellKept, useAwake } from '../hands/hands'
import { ReadAloud } from '../hands/ReadAloud'
import { GoLink } from '../kit/go'
import { refusal } from '../kit/LineField'
import { VerdictLine } from '../kit/Verdict'
import { Guide } from '../photo/Guide'
import { Handing, isOpenFor } from './Handing'
import { PhotoButton, PhotoStrip } from './Photos'
import { StepEntry, StepNote, useEntry, type Using } from './StepEntry'

/** What is logged; a run has no label to write on. */
export type Logged = Pick<Device, 'id'> & Partial<Pick<Device, 'details'>>
export type LoggedAssessment = Pick<
  DeviceAssessment,
  'steps' | 'earlier' | 'log' | 'proposedFaults' | 'sentence'
>

interface OneStepProps {
  readonly device: Logged
  readonly assessed: LoggedAssessment
  readonly state: StepState
  readonly index: number
  /** Who is left with which step. */
  readonly handed: ReadonlyMap<string, HandedStep>
  /** Goes to a step; null: to whatever is open, or to the end. */
  readonly onGo: (to: number | null) => void
}

/** One step to read, to enter and to photograph, with what forces it to stand where it stands. */
export function OneStep({ device, assessed, state, index, handed, onGo }: OneStepProps) {
  const { job, send } = useJob()
  const me = useAuthor()
  useAwake()
  const { steps } = assessed
  const { step, record, verdict, says } = state
  const photos = job.photos.filter((photo) => photo.deviceId === device.id && photo.stepId === step.id)
  const about = { deviceId: device.id, stepId: step.id, faultId: null, caption: step.title.slice(0, 200) }
  const proposal = assessed.proposedFaults.find(({ origin }) => origin === `step:${step.id}`)
  const rest = together(steps, index)
  const draftOf = (stepId: string) => `step:${job.id}:${device.id}:${stepId}`
  const asked = rest.find(isAsked) ?? null
  const also = useEntry({
    state: asked ?? state,
    units: job.units,
    draftKey: asked ? draftOf(asked.step.id) : `${draftOf(step.id)}:alone`,
  })
  const using = useEntry({
    state,
    units: job.units,
    draftKey: draftOf(step.id),
    onRecord: async (outcome: Outcome, withRest: boolean) => {
      const record = ({ step: { id: stepId, title } }: StepState, said: Outcome) =>
        send({ type: 'recordStep', deviceId: device.id, stepId, title, outcome: said })
      const said = await record(state, outcome)
      if (!said.ok) return refusal(said)
      tellKept()
      const taken = withRest ? rest : []
      for (const state of taken) {
        const done = await record(state, state === asked ? (also.now as Outcome) : DONE)
        if (!done.ok) return refusal(done)
      }
      if (withRest) also.forget()
      const last = index + taken.length
      const following = steps.findIndex((other, i) => i > last && isOpenFor(other, handed, me))
      onGo(following >= 0 ? following : null)
      return null
    },
  })
  const left = handed.get(step.id)
  const handing = <Handing deviceId={device.id} step={step} handed={left} onLeft={() => onGo(null)} />
  const recordAll = () => {
    if (asked && typeof also.now === 'string') also.refuse()
    else void using.keep(true)
  }
  return (
    <>
      <HStack justify="space-between" gap={2}>
        <IconButton
          aria-label="Step back"
          variant="outline"
          colorPalette="inky"
          minW="48px"
          minH="48px"
          disabled={index === 0}
          onClick={() => onGo(index - 1)}
        >
          <ChevronLeft size={22} />
        </IconButton>
        <Text color="soft">
          Step {index + 1} of {steps.length} · {inSentence(PLACES[step.place].name)}
        </Text>
        <ReadAloud words={aloud(step)} />
        <IconButton
          aria-label="Look ahead"
          variant="outline"
          colorPalette="inky"
          minW="48px"
          minH="48px"
          disabled={index === steps.length - 1}
          onClick={() => onGo(index + 1)}
        >
          <ChevronRight size={22} />
        </IconButton>
      </HStack>
      {step.hold ? (
        <Text
          mt={2}
          display="inline-block"
          bg="stop"
          color="sheet"
          px={3}
          py={1}
          fontWeight={600}
          fontFamily="heading"
        >
          ■ Hold: {inSentence(step.hold)}
        </Text>
      ) : null}
      <Heading as="h1" fontSize="2xl" mt={1} mb={2} lineHeight={1.15} data-step={step.id}>
        {step.title}
      </Heading>
      {step.detail ? (
        <Text data-read fontSize={READ} mb={2}>
          {step.detail}
        </Text>
      ) : null}
      {step.items.length > 0 ? (
        <Box as="ol" data-read ps={6} mb={3} fontSize={READ} listStyleType="decimal">
          {step.items.map((item, i) => (
            <Box as="li" key={i} py={0.5}>
              {item}
            </Box>
          ))}
        </Box>
      ) : null}
      {!record && left ? handing : null}
      <StepEntry state={state} units={job.units} using={using} />
      {rest.length > 0 && !using.typed.leaving ? (
        <AndThese rest={rest} also={also} units={job.units} onRecord={recordAll} />
      ) : null}
      {record ? (
        <Box mb={3}>
          <VerdictLine verdict={verdict!}>{says}</VerdictLine>
          <Text color="soft" fontSize="sm">
            {record.by}, {record.at.slice(0, 16).replace('T', ' ')}
          </Text>
        </Box>
      ) : null}
      {proposal ? (
        <Box borderWidth="1.5px" borderColor="stop" p={3} mb={3}>
          <Text fontWeight={600} color="stop">
            ■ Out of limits
          </Text>
          <Text>{proposal.note}</Text>
          <Button asChild mt={2} minH="48px">
            <GoLink
              href={`/jobs/${job.id}/punch-list/new?device=${device.id}&step=${encodeURIComponent(step.id)}`}
            >
              Put it on the punch list
            </GoLink>
          </Button>
        </Box>
      ) : null}
      <Box borderLeftWidth="3px" borderColor="copper.solid" pl={3} mb={3} fontSize={READ}>
        <Text data-read>{step.reason}</Text>
        <WhyHere because={step.because} />
        {step.caution ? (
          <Text fontWeight={500} mt={1}>
            <span aria-hidden>⚠ </span>
            {step.caution} Local codes and the maker’s instructions decide.
          </Text>
        ) : null}
      </Box>
      <PhotoStrip photos={photos} onRemove={({ id }) => send({ type: 'removePhoto', photoId: id })} />
      {step.view ? <Guide view={step.view} about={about} /> : null}
      <StepNote state={state} using={using} />
      {record || left ? null : handing}
      <Foot>
        <PhotoButton about={about} asked={step.photo} taken={photos.length} />
        <Button
          colorPalette="copper"
          flex="1"
          minH="60px"
          fontSize="lg"
          fontFamily="heading"
          onClick={() => void using.keep()}
        >
          {recordLabel(using.typed.leaving, record !== null)}
        </Button>
      </Foot>
    </>
  )
}

/** What is read at arm's length on a ladder. */
const READ = { base: 'lg', md: 'md' }

/** A step as it is read out. */
const aloud = ({ hold, title, detail, items, caution }: StepState['step']): string =>
  [hold && `Hold: ${hold}`, title, detail, ...items, caution].filter(Boolean).join('. ')

const DONE: Outcome = { state: 'done', value: null, choice: null, note: '' }

/** Steps that follow at once, here too: recorded with this one in one tap. */
function AndThese({
  rest,
  also,
  units,
  onRecord,
}: {
  rest: readonly StepState[]
  /** What is entered for the one of them that is asked. */
  also: Using
  units: UnitSystem
  onRecord: () => void
}) {
  return (
    <Box
      borderWidth="1px"
      borderColor="rule"
      bg="sheet"
      p={3}
      mb={3}
      aria-label="Then, here too"
      role="group"
    >
      <Text fontFamily="heading" fontWeight={600}>
        Then, here too
      </Text>
      <Box as="ul" listStyleType="none">
        {rest.map((state) => {
          const { step } = state
          return (
            <Box as="li" key={step.id} py={1} borderBottomWidth="1px" borderColor="rule">
              <Text fontWeight={500}>{step.title}</Text>
              {step.detail ? <Text fontSize="sm">{step.detail}</Text> : null}
              {step.items.length > 0 ? <Text fontSize="sm">{step.items.join(' · ')}</Text> : null}
              {step.caution ? (
                <Text fontSize="sm" fontWeight={500}>
                  <span aria-hidden>⚠ </span>
                  {step.caution}
                </Text>
              ) : null}
              {isAsked(state) ? (
                <Box mt={2}>
                  <StepEntry state={state} units={units} using={also} onEnter={onRecord} pad={false} />
                </Box>
              ) : null}
            </Box>
          )
        })}
      </Box>
      <Button mt={3} minH="52px" w="100%" variant="outline" colorPalette="inky" onClick={onRecord}>
        This and {rest.length === 1 ? 'the next are' : `the next ${rest.length} are`} done
      </Button>
    </Box>
  )
}

/** What forces the step to stand where it stands. */
function WhyHere({ because }: { because: readonly Because[] }) {
  if (because.length === 0) return null
  return (
    <Box as="dl" fontSize="sm" color="soft" mt={1}>
      {because.map(({ when, stepId, title, why }) => (
        <Box key={`${when} ${stepId}`}>
          <Box as="dt" display="inline" fontWeight={600}>
            {when === 'before' ? 'Before' : 'After'} “{title}”:
          </Box>{' '}
          <Box as="dd" display="inline">
            {why}
          </Box>
        </Box>
      ))}
    </Box>
  )
}

function recordLabel(leaving: boolean, again: boolean): string {
  if (leaving) return 'Record as left out'
  return again ? 'Record again' : 'Record, next step'
}

/** What is pressed most stands at the thumb: always in view. */
function Foot({ children }: { children: ReactNode }) {
  return (
    <Flex
      className="no-print"
      data-foot
      gap={3}
      align="center"
      position={{ base: 'fixed', md: 'sticky' }}
      bottom={0}
      left={0}
      right={0}
      zIndex={5}
      bg="paper"
      borderTopWidth="1px"
      borderColor="rule"
      px={{ base: 4, md: 0 }}
      pt={2}
      pb="max(10px, env(safe-area-inset-bottom))"
      mt={3}
    >
      {children}
    </Flex>
  )
}
