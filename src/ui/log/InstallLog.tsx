'use client'

import { Box, Button, Grid, Heading, HStack, Stack, Text } from '@chakra-ui/react'
import NextLink from 'next/link'
import { useRouter, useSearchParams } from 'next/navigation'
import type { DeviceAssessment } from '@/core/assess'
import type { Device } from '@/core/job'
import type { StepState } from '@/core/procedure'
import { useJob } from '../job/JobProvider'
import { DetailFields } from '../device/DevicePage'
import { refusal } from '../kit/LineField'
import { Nothing, Part, Sentence } from '../kit/Page'
import { VERDICTS, VerdictLine } from '../kit/Verdict'
import { PhotoButton, PhotoStrip } from './Photos'
import { StepEntryForm } from './StepEntryForm'

/** The install log: one step at a time in the right order for where one is standing; all steps beside it on a laptop. */
export function InstallLog({ device, assessed }: { device: Device; assessed: DeviceAssessment }) {
  const { job } = useJob()
  const router = useRouter()
  const asked = useSearchParams().get('step')
  const { steps, log } = assessed
  const home = `/jobs/${job.id}/devices/${device.id}`
  if (steps.length === 0) {
    return <Box p={5}><Nothing action={<Button asChild minH="44px" colorPalette="copper"><NextLink href={`${home}/sight`}>Plan it</NextLink></Button>}>Steps come from the plan. Plan what it should see first.</Nothing></Box>
  }
  const nextIndex = steps.findIndex(({ step }) => step.id === log.nextStepId)
  const askedIndex = steps.findIndex(({ step }) => step.id === asked)
  const index = askedIndex >= 0 ? askedIndex : nextIndex
  const go = (to: number | null) => router.replace(to === null ? `${home}/log` : `${home}/log?step=${encodeURIComponent(steps[to]!.step.id)}`, { scroll: true })
  const current = index >= 0 ? steps[index]! : null
  return (
    <Grid templateColumns={{ base: 'minmax(0, 1fr)', md: 'minmax(0, 1fr) 300px' }}>
      <Box px={{ base: 4, md: 6 }} py={4} maxW="640px" w="100%">
        <HStack gap={1} mb={3} role="img" aria-label={`${log.done} of ${log.total} steps are recorded`}>
          {steps.map(({ step, record, verdict }, i) => (
            <Box key={step.id} flex="1" h="6px" bg={i === index ? 'copper.solid' : record === null ? 'rule' : verdict === 'stop' ? 'stop' : verdict === 'check' ? 'check' : 'ink'} />
          ))}
        </HStack>
        {current ? <OneStep key={current.step.id} device={device} assessed={assessed} state={current} index={index} onGo={go} /> : <AllRecorded device={device} assessed={assessed} />}
      </Box>
      <Box as="nav" aria-label="All steps" bg="sheet" borderLeftWidth={{ md: '1px' }} borderTopWidth={{ base: '1px', md: 0 }} borderColor="rule" py={3}>
        {steps.map(({ step, record, verdict }, i) => (
          <Box key={step.id} asChild display="flex" gap={2} px={4} py={1.5} minH={{ base: '44px', md: '34px' }} alignItems="baseline" bg={i === index ? 'inky.muted' : undefined} _hover={{ bg: 'inky.subtle' }}>
            <NextLink href={`${home}/log?step=${encodeURIComponent(step.id)}`} aria-current={i === index ? 'step' : undefined}>
              <Text as="span" w="16px" flexShrink={0} color={verdict ? VERDICTS[verdict].color : 'soft'} role="img" aria-label={record ? (verdict ? VERDICTS[verdict].word : 'recorded') : 'open'}>{verdict ? VERDICTS[verdict].sign : '○'}</Text>
              <Text as="span" color={record ? 'soft' : 'ink'}>{step.title}</Text>
            </NextLink>
          </Box>
        ))}
      </Box>
    </Grid>
  )
}

interface OneStepProps {
  readonly device: Device
  readonly assessed: DeviceAssessment
  readonly state: StepState
  readonly index: number
  /** Goes to a step; null: to whatever is open, or to the end. */
  readonly onGo: (to: number | null) => void
}

function OneStep({ device, assessed, state, index, onGo }: OneStepProps) {
  const { job, send } = useJob()
  const { steps } = assessed
  const { step, record, verdict, says } = state
  const photos = job.photos.filter((photo) => photo.deviceId === device.id && photo.stepId === step.id)
  const proposal = assessed.proposedFaults.find(({ origin }) => origin === `step:${step.id}`)
  const recordStep = (outcome: Parameters<React.ComponentProps<typeof StepEntryForm>['onRecord']>[0]) => {
    const said = send({ type: 'recordStep', deviceId: device.id, stepId: step.id, outcome })
    if (!said.ok) return refusal(said)
    const following = steps.findIndex((other, i) => i > index && other.record === null)
    onGo(following >= 0 ? following : null)
    return null
  }
  return (
    <>
      <Text color="soft">Step {index + 1} of {steps.length} · {step.stage}</Text>
      {step.hold ? (
        <Text mt={2} display="inline-block" bg="stop" color="sheet" px={3} py={1} fontWeight={600} fontFamily="heading">■ Hold: {step.hold.toLowerCase()}</Text>
      ) : null}
      <Heading as="h1" fontSize="2xl" mt={1} mb={2} lineHeight={1.15}>{step.title}</Heading>
      {step.detail ? <Text fontSize="md" mb={2}>{step.detail}</Text> : null}
      {step.items.length > 0 ? (
        <Box as="ol" ps={6} mb={3} fontSize="md" listStyleType="decimal">{step.items.map((item, i) => <Box as="li" key={i} py={0.5}>{item}</Box>)}</Box>
      ) : null}
      <Box borderLeftWidth="3px" borderColor="copper.solid" pl={3} mb={3}>
        <Text>{step.reason}</Text>
        {step.caution ? <Text fontWeight={500} mt={1}><span aria-hidden>⚠ </span>{step.caution} Local codes and the maker’s instructions decide.</Text> : null}
      </Box>
      {record ? <Box mb={3}><VerdictLine verdict={verdict!}>{says}</VerdictLine><Text color="soft" fontSize="sm">{record.by}, {record.at.slice(0, 16).replace('T', ' ')}</Text></Box> : null}
      {proposal ? (
        <Box borderWidth="1.5px" borderColor="stop" p={3} mb={3}>
          <Text fontWeight={600} color="stop">■ Out of limits</Text>
          <Text>{proposal.note}</Text>
          <Button asChild mt={2} minH="44px"><NextLink href={`/jobs/${job.id}/punch-list/new?device=${device.id}&step=${encodeURIComponent(step.id)}`}>Put it on the punch list</NextLink></Button>
        </Box>
      ) : null}
      <Stack gap={2} mb={3}>
        <HStack align="center"><PhotoButton about={{ deviceId: device.id, stepId: step.id, faultId: null, caption: step.title.slice(0, 200) }} />
          {step.photo ? <Text color={step.photo === 'required' && photos.length === 0 ? 'check' : 'soft'}>{step.photo === 'required' ? (photos.length === 0 ? '▲ A photo is needed here' : '✓ Photographed') : 'A photo is welcome here'}</Text> : null}
        </HStack>
        <PhotoStrip photos={photos} onRemove={({ id }) => send({ type: 'removePhoto', photoId: id })} />
      </Stack>
      <StepEntryForm state={state} units={job.units} draftKey={`step:${job.id}:${device.id}:${step.id}`} onRecord={recordStep} />
      <HStack mt={3} justify="space-between">
        <Button variant="outline" colorPalette="inky" minH="48px" disabled={index === 0} onClick={() => onGo(index - 1)}>Step back</Button>
        <Button variant="outline" colorPalette="inky" minH="48px" disabled={index === steps.length - 1} onClick={() => onGo(index + 1)}>Look ahead</Button>
      </HStack>
    </>
  )
}

function AllRecorded({ device, assessed }: { device: Device; assessed: DeviceAssessment }) {
  const { job } = useJob()
  return (
    <>
      <Sentence next="Write down what stands on the label, then look at its record.">{assessed.sentence}</Sentence>
      <Part title="Written on it and given to it"><DetailFields device={device} /></Part>
      <Button asChild colorPalette="copper" minH="56px" w={{ base: '100%', md: 'auto' }} px={8}><NextLink href={`/jobs/${job.id}/record/${device.id}`}>To its record</NextLink></Button>
    </>
  )
}
