'use client'

import { Box, Heading, Text } from '@chakra-ui/react'
import { useMemo, useState } from 'react'
import { surveyedFloors, surveyRecord } from '@/core/handover'
import { surveyRequest, type Survey } from '@/core/sight'
import { useAssessed, useCatalogue, useJob } from '../job/JobProvider'
import { FindingList } from '../kit/Findings'
import { useSurvey } from '../plan/worker'
import { RecordFacts } from './RecordParts'

const NONE: readonly Survey[] = []

/** What is seen of every floor, promised against reached: worked out beside the page, a floor at a time. */
export function SurveyRecords() {
  const { job } = useJob()
  const catalogue = useCatalogue()
  const { things, floorHeightsM, backgrounds, devices, policies } = job
  const of = useMemo(
    () => ({ things, floorHeightsM, backgrounds, devices, policies }),
    [things, floorHeightsM, backgrounds, devices, policies],
  )
  const [made, setMade] = useState({ of, surveys: NONE })
  const surveys = made.of === of ? made.surveys : NONE
  const next = surveyedFloors(job).find((floor) => !surveys.some((one) => one.floor === floor)) ?? null
  const request = useMemo(() => next && surveyRequest(of, catalogue, next), [of, catalogue, next])
  const { result, of: answered, failed } = useSurvey(request)
  if (result && answered === request) setMade({ of, surveys: [...surveys, result] })
  return (
    <>
      {surveys.map((survey) => (
        <OneFloor key={survey.floor} survey={survey} />
      ))}
      {next ? (
        <Text role="status" color="soft" mb={6}>
          {failed
            ? 'What is seen could not be worked out here; the plan is safe.'
            : 'Looking through every camera…'}
        </Text>
      ) : null}
    </>
  )
}

function OneFloor({ survey }: { survey: Survey }) {
  const { job } = useJob()
  const { devices } = useAssessed()
  const { title, sentence, findings, facts, unjudged } = useMemo(
    () => surveyRecord(job, devices, survey),
    [job, devices, survey],
  )
  return (
    <Box as="section" mb={8} data-survey={survey.floor}>
      <Heading as="h2" fontSize="lg" mb={1}>
        {title}
      </Heading>
      <Text mb={2}>{sentence}</Text>
      <RecordFacts record={{ facts }} />
      <FindingList findings={findings} units={job.units} />
      <Text color="soft" fontSize="sm" mt={2}>
        Not judged: {unjudged.join(' ')}
      </Text>
    </Box>
  )
}
