'use client'

import { Box, Grid, Heading, Image, Text } from '@chakra-ui/react'
import { CATALOGUE } from '@/catalogue'
import { EXPOSURES } from '@/core/job'
import { PLANNED_STAGES } from '@/core/findings'
import { deviceRecord } from '@/core/handover'
import { printReading } from '@/core/units'
import { DrawingView, Sized } from '../kit/DrawingView'
import { useDevice, useJob } from '../job/JobProvider'
import { MARKS, VERDICTS } from '../kit/Verdict'
import { Earlier } from '../log/InstallLog'
import { usePicture } from '../log/Photos'
import { drawingsOf } from '@/drawings'

/** The printable record of one device: what the next person needs, years later. */
export function DeviceRecord({ deviceId }: { deviceId: string }) {
  const { job } = useJob()
  const found = useDevice(deviceId)
  const picture = usePicture()
  if (!found || !found.assessed.stages) return <Text>There is no such device.</Text>
  const { device, assessed } = found
  const record = deviceRecord(job, device, assessed, CATALOGUE)
  return (
    <Box as="article" css={{ breakInside: 'auto' }} mb={8}>
      <Box
        borderBottomWidth="2px"
        borderColor="ink"
        mb={2}
        pb={1}
        display="flex"
        justifyContent="space-between"
        alignItems="baseline"
        gap={3}
      >
        <Heading as="h2" fontSize="xl">
          <Text as="span" fontFamily="mono" fontSize="md">
            {device.mark}
          </Text>{' '}
          {device.name}
        </Heading>
        <Text color="soft">{EXPOSURES[device.exposure].name}</Text>
      </Box>
      <Text mb={3}>{assessed.sentence}</Text>
      <Grid templateColumns={{ base: '1fr', md: '1fr 1fr' }} gap={{ base: 0, md: 6 }} className="figures">
        {record.facts.map(({ label, says }) => (
          <Box
            key={label}
            display="flex"
            justifyContent="space-between"
            gap={4}
            py={0.5}
            borderBottomWidth="1px"
            borderColor="rule"
          >
            <Text color="soft">{label}</Text>
            <Text textAlign="right" fontWeight={500}>
              {says}
            </Text>
          </Box>
        ))}
      </Grid>
      {PLANNED_STAGES.map((stage) => {
        const state = assessed.stages![stage]
        if (!state?.planned) return null
        return (
          <Box key={stage} mt={4} css={{ breakInside: 'avoid' }}>
            <Heading as="h3" fontSize="md" textTransform="capitalize">
              {stage}{' '}
              <Text as="span" color={MARKS[state.mark].color} fontSize="sm">
                {MARKS[state.mark].sign} {MARKS[state.mark].word}
              </Text>
            </Heading>
            <Grid templateColumns={{ base: '1fr', md: '1.3fr 1fr' }} gap={4}>
              <Sized most={520}>
                {(width) => <DrawingView drawing={drawingsOf(assessed, job.units, width)[stage]!} />}
              </Sized>
              <Box className="figures" fontSize="sm">
                {state.result.figures.map(({ label, reading }) => (
                  <Box key={label} display="flex" justifyContent="space-between" gap={3}>
                    <Text color="soft">{label.replace('· ', '')}</Text>
                    <Text fontWeight={500} textAlign="right">
                      {printReading(reading, job.units)}
                    </Text>
                  </Box>
                ))}
              </Box>
            </Grid>
            {state.result.findings
              .filter(({ verdict }) => verdict !== 'good')
              .map((finding) => (
                <Text key={finding.id} color={VERDICTS[finding.verdict].color}>
                  {VERDICTS[finding.verdict].sign} {VERDICTS[finding.verdict].word} {finding.title}:{' '}
                  {printReading(finding.figure, job.units)}.{' '}
                  <Text as="span" color="ink">
                    {finding.advice}
                  </Text>
                </Text>
              ))}
            <Text color="soft" fontSize="sm">
              Not judged: {state.unjudged.join(' ')}
            </Text>
          </Box>
        )
      })}
      <Box mt={4}>
        <Heading as="h3" fontSize="md">
          Install log, {assessed.log.done} of {assessed.log.total}
        </Heading>
        <Box as="ol" listStyleType="none">
          {assessed.steps.map(({ step, record: done, verdict, says }) => (
            <Box
              as="li"
              key={step.id}
              display="grid"
              gridTemplateColumns="18px 1.2fr 1fr auto"
              gap={2}
              py={0.5}
              borderBottomWidth="1px"
              borderColor="rule"
              css={{ breakInside: 'avoid' }}
            >
              <Text
                color={verdict ? VERDICTS[verdict].color : 'soft'}
                role="img"
                aria-label={verdict ? VERDICTS[verdict].word : 'open'}
              >
                {verdict ? VERDICTS[verdict].sign : '○'}
              </Text>
              <Text>{step.title}</Text>
              <Text>
                {says}
                {done?.note && !says.includes(done.note) ? ` ${done.note}` : ''}
              </Text>
              <Text color="soft" fontSize="sm">
                {done ? `${done.by}, ${done.at.slice(0, 10)}` : ''}
              </Text>
            </Box>
          ))}
        </Box>
      </Box>
      <Earlier steps={assessed.earlier} />
      {record.faults.length > 0 ? (
        <Box mt={4}>
          <Heading as="h3" fontSize="md">
            Faults
          </Heading>
          {record.faults.map(({ id, title, state, history }) => (
            <Text key={id} py={0.5}>
              {state === 'closed' ? '✓' : '▲'} {title} ({state}). {history}
            </Text>
          ))}
        </Box>
      ) : null}
      {record.photos.length > 0 ? (
        <Grid mt={4} templateColumns={{ base: '1fr 1fr', md: 'repeat(4, 1fr)' }} gap={3}>
          {record.photos.map((photo) => (
            <Box key={photo.id} css={{ breakInside: 'avoid' }}>
              <Image
                src={picture(photo, 'view')}
                alt={photo.caption || 'Photo without caption'}
                w="100%"
                aspectRatio="4/3"
                objectFit="cover"
              />
              <Text fontSize="xs">
                {photo.caption}{' '}
                <Text as="span" color="soft">
                  {photo.at.slice(0, 10)}
                </Text>
              </Text>
            </Box>
          ))}
        </Grid>
      ) : null}
    </Box>
  )
}
