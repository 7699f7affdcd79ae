'use client'

import { Box, Button, Grid, HStack, Text } from '@chakra-ui/react'
import { useSearchParams } from 'next/navigation'
import { Fragment } from 'react'
import { PLACES } from '@/core/order'
import type { Here } from '@/core/round'
import { inSentence } from '@/core/units'
import type { StepState } from '@/core/procedure'
import { DetailFields } from '../device/DetailFields'
import { go, GoLink } from '../kit/go'
import { Nothing, Part, Sentence } from '../kit/Page'
import { VERDICTS } from '../kit/Verdict'
import { useLater } from '../kit/useLater'
import { useAuthor } from '../job/author'
import { useJob } from '../job/JobProvider'
import { hereIn, placeOf, wordOf } from '../round/here'
import { Earlier } from './Earlier'
import { isOpenFor, useHanded } from './Handing'
import { OneStep, type Logged, type LoggedAssessment } from './OneStep'

interface InstallLogProps {
  readonly device: Logged
  readonly assessed: LoggedAssessment
  /** Where its sheets are, where it is planned, where its record is. */
  readonly home: string
  readonly plan: string
  readonly record: string
}

/**
 * The install log: one step at a time in the right order for where one is standing; all steps beside it on
 * a laptop.
 */
export function InstallLog({ device, assessed, home, plan, record }: InstallLogProps) {
  const query = useSearchParams()
  const [asked, round] = [query.get('step'), hereIn(query.get('round'))]
  const { steps, log } = assessed
  const [handed, me] = [useHanded(device.id), useAuthor()]
  const later = useLater()
  if (steps.length === 0) {
    return (
      <Box p={5}>
        <Nothing
          action={
            <Button asChild minH="44px" colorPalette="copper">
              <GoLink href={plan}>Plan it</GoLink>
            </Button>
          }
        >
          Steps come from the plan. Plan it first.
        </Nothing>
      </Box>
    )
  }
  const at = (id: string | null) => {
    const words = { ...(id !== null && { step: id }), ...(round !== null && { round: wordOf(round) }) }
    return `${home}/log?${new URLSearchParams(words)}`
  }
  const ownIndex = steps.findIndex((state) => isOpenFor(state, handed, me))
  const nextIndex = ownIndex >= 0 ? ownIndex : steps.findIndex(({ step }) => step.id === log.nextStepId)
  const askedIndex = steps.findIndex(({ step }) => step.id === asked)
  const index = askedIndex >= 0 ? askedIndex : nextIndex
  const onGo = (to: number | null) => go(at(to === null ? null : steps[to]!.step.id), { replace: true })
  const current = index >= 0 ? steps[index]! : null
  return (
    <Grid templateColumns={{ base: 'minmax(0, 1fr)', md: 'minmax(0, 1fr) 300px' }}>
      <Box px={{ base: 4, md: 6 }} pt={3} maxW="640px" w="100%">
        <HStack gap={1} mb={2} role="img" aria-label={`${log.done} of ${log.total} steps are recorded`}>
          {steps.map(({ step, record, verdict }, i) => (
            <Box key={step.id} flex="1" h="6px" bg={barColour(i === index, record !== null, verdict)} />
          ))}
        </HStack>
        {round !== null && current?.step.place !== placeOf(round) ? (
          <OnWithRound here={round} next={current} />
        ) : null}
        {current ? (
          <OneStep
            key={current.step.id}
            device={device}
            assessed={assessed}
            state={current}
            index={index}
            handed={handed}
            onGo={onGo}
          />
        ) : (
          <AllRecorded device={device} assessed={assessed} record={record} />
        )}
      </Box>
      <Box
        as="nav"
        aria-label="All steps"
        bg="sheet"
        borderLeftWidth={{ md: '1px' }}
        borderTopWidth={{ base: '1px', md: 0 }}
        borderColor="rule"
        pt={3}
        pb={{ base: '100px', md: 3 }}
      >
        {later
          ? steps.map(({ step, record, verdict }, i) => (
              <Fragment key={step.id}>
                {step.place === steps[i - 1]?.step.place ? null : (
                  <Text px={4} pt={i === 0 ? 0 : 3} pb={1} fontFamily="heading" fontWeight={600} color="ink">
                    {PLACES[step.place].name}
                  </Text>
                )}
                <Box
                  asChild
                  display="flex"
                  gap={2}
                  px={4}
                  py={1.5}
                  minH={{ base: '48px', md: '34px' }}
                  alignItems={{ base: 'center', md: 'baseline' }}
                  bg={i === index ? 'inky.muted' : undefined}
                  _hover={{ bg: 'inky.subtle' }}
                >
                  <GoLink data-row href={at(step.id)} aria-current={i === index ? 'step' : undefined}>
                    <Text
                      as="span"
                      w="16px"
                      flexShrink={0}
                      color={verdict ? VERDICTS[verdict].color : 'soft'}
                      role="img"
                      aria-label={record && verdict ? VERDICTS[verdict].word : 'open'}
                    >
                      {verdict ? VERDICTS[verdict].sign : '○'}
                    </Text>
                    <Text as="span" color={record ? 'soft' : 'ink'}>
                      {step.title}
                      {record === null && handed.has(step.id) ? (
                        <Text as="span" color="soft">
                          {' '}
                          · left to {handed.get(step.id)!.colleague}
                        </Text>
                      ) : null}
                    </Text>
                  </GoLink>
                </Box>
              </Fragment>
            ))
          : null}
        <Earlier steps={assessed.earlier} />
      </Box>
    </Grid>
  )
}

/** Come from the round, with all done that could be done there: on to the next thing at the same place. */
function OnWithRound({ here, next }: { here: Here; next: StepState | null }) {
  const { job } = useJob()
  return (
    <HStack
      role="status"
      bg="sheet"
      borderLeftWidth="4px"
      borderColor="good"
      px={3}
      py={2}
      mb={3}
      flexWrap="wrap"
    >
      <Text flex="1" minW="180px">
        ✓ Done there for now.{' '}
        {next ? `What follows is done ${inSentence(PLACES[next.step.place].name)}.` : ''}
      </Text>
      <Button asChild minH="48px" variant="outline" colorPalette="inky">
        <GoLink href={`/jobs/${job.id}/round?here=${encodeURIComponent(wordOf(here))}`}>
          On with the round
        </GoLink>
      </Button>
    </HStack>
  )
}

function barColour(current: boolean, recorded: boolean, verdict: StepState['verdict']): string {
  if (current) return 'copper.solid'
  if (!recorded) return 'rule'
  return verdict === 'stop' || verdict === 'check' ? verdict : 'ink'
}

function AllRecorded({ device, assessed, record }: Pick<InstallLogProps, 'device' | 'assessed' | 'record'>) {
  const { details } = device
  return (
    <>
      <Sentence next={details ? 'Write down what stands on the label, then look at its record.' : undefined}>
        {assessed.sentence}
      </Sentence>
      {details ? (
        <Part title="Written on it and given to it">
          <DetailFields device={{ id: device.id, details }} />
        </Part>
      ) : null}
      <Button asChild colorPalette="copper" minH="56px" w={{ base: '100%', md: 'auto' }} px={8} mb={4}>
        <GoLink href={record}>To its record</GoLink>
      </Button>
    </>
  )
}
