'use client'

import { Box, Button, HStack, Text } from '@chakra-ui/react'
import { useState } from 'react'
import { v4 as uuid } from 'uuid'
import { CATALOGUE } from '@/catalogue'
import { factsOf } from '@/core/job'
import { print } from '@/core/units'
import { useAssessed, useJob } from '../job/JobProvider'
import { Choose, partOptions } from '../kit/Choose'
import { FindingList } from '../kit/Findings'
import { LineField, refusal, refusalOf } from '../kit/LineField'
import { Part, Sentence } from '../kit/Page'
import { Removal } from '../kit/Removal'
import { JobFactsForm } from './JobFactsForm'

/** The job's own facts and its supplies. */
export function JobSettings() {
  const { job, send } = useJob()
  const [saved, setSaved] = useState(false)
  return (
    <Box px={{ base: 3, md: 5 }} py={5} maxW="900px">
      <Sentence next="Units, habits and allowances change every figure at once.">{job.name}</Sentence>
      <Supplies />
      <Part title="Facts and habits">
        <JobFactsForm
          key={job.units}
          start={factsOf(job)}
          draftKey={`job:${job.id}`}
          action="Keep these"
          unfolded
          onSay={async (facts) => {
            const said = await send({ type: 'editJob', change: facts })
            setSaved(said.ok)
            return said.ok ? [] : said.reasons
          }}
        />
        {saved ? (
          <Text mt={2} role="status" color="good">
            ✓ Kept.
          </Text>
        ) : null}
      </Part>
    </Box>
  )
}

function Supplies() {
  const { job, send } = useJob()
  const assessment = useAssessed()
  const [error, setError] = useState<string | null>(null)
  const add = () =>
    void send({
      type: 'putSupply',
      supply: {
        id: `supply-${uuid().slice(0, 8)}`,
        name: `Supply ${job.supplies.length + 1}`,
        partId: 'switch-8',
      },
    })
  return (
    <Part
      title="Supplies"
      aside={
        <Button size="sm" variant="outline" colorPalette="inky" onClick={add}>
          Add a supply
        </Button>
      }
    >
      {job.supplies.map((supply) => {
        const state = assessment.supplies.find(({ supplyId }) => supplyId === supply.id)
        return (
          <Box key={supply.id} py={2} borderBottomWidth="1px" borderColor="rule">
            <HStack gap={3} align="end" flexWrap="wrap">
              <Box w="200px">
                <LineField
                  label="Name of the supply"
                  value={supply.name}
                  draftKey={`supply:${job.id}:${supply.id}`}
                  onKeep={(name) => refusalOf(send({ type: 'putSupply', supply: { ...supply, name } }))}
                />
              </Box>
              <Box flex="1" minW="220px">
                <Choose
                  label="Kind"
                  value={supply.partId}
                  options={partOptions(CATALOGUE.supplies)}
                  onChoose={(partId) => void send({ type: 'putSupply', supply: { ...supply, partId } })}
                />
              </Box>
              <Text className="figures" minW="190px">
                {state
                  ? `${print({ value: state.loadW, kind: 'power' }, job.units)} of ${print({ value: state.budgetW, kind: 'power' }, job.units)}, ${state.portsUsed} of ${state.ports} ports`
                  : ''}
              </Text>
              <Removal
                icon
                label={`Remove ${supply.name}`}
                asks={`Remove ${supply.name}?`}
                onRemove={async () =>
                  setError(refusal(await send({ type: 'removeSupply', supplyId: supply.id })))
                }
              />
            </HStack>
            <FindingList findings={state?.findings ?? []} units={job.units} />
          </Box>
        )
      })}
      {error ? (
        <Text role="alert" color="stop" mt={2}>
          {error}
        </Text>
      ) : null}
    </Part>
  )
}
