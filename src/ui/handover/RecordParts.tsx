'use client'

import { Box, Grid, Heading, Image, Text } from '@chakra-ui/react'
import type { DeviceAssessment } from '@/core/assess'
import type { DeviceRecord } from '@/core/handover'
import { VERDICTS } from '../kit/Verdict'
import { Earlier } from '../log/Earlier'
import { MarkedPhoto } from '../photo/MarkedPhoto'
import { usePicture } from '../photo/usePicture'

/** What the records of cameras and of equipment have in common. */

export function RecordHead({ marked, aside }: { marked: { mark: string; name: string }; aside: string }) {
  return (
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
          {marked.mark}
        </Text>{' '}
        {marked.name}
      </Heading>
      <Text color="soft">{aside}</Text>
    </Box>
  )
}

export function RecordFacts({ record }: { record: Pick<DeviceRecord, 'facts'> }) {
  return (
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
  )
}

export function RecordLog({ assessed }: { assessed: Pick<DeviceAssessment, 'log' | 'steps' | 'earlier'> }) {
  return (
    <>
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
    </>
  )
}

export function RecordEnd({ record }: { record: DeviceRecord }) {
  const picture = usePicture()
  return (
    <>
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
              {photo.marks.length > 0 ? (
                <MarkedPhoto photo={photo} />
              ) : (
                <Image
                  src={picture(photo, 'view')}
                  alt={photo.caption || 'Photo without caption'}
                  w="100%"
                  aspectRatio="4/3"
                  objectFit="cover"
                />
              )}
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
    </>
  )
}
