'use client'

import { Box, Button, HStack, IconButton, Text } from '@chakra-ui/react'
import { Trash2 } from 'lucide-react'
import { useState } from 'react'
import { v4 as uuid } from 'uuid'
import { CATALOGUE } from '@/catalogue'
import { factsOf } from '@/core/job'
import { print } from '@/core/units'
import { useJob } from '../job/JobProvider'
import { Choose, partOptions } from '../kit/Choose'
import { FindingList } from '../kit/Findings'
import { LineField, refusal } from '../kit/LineField'
import { Part, Sentence } from '../kit/Page'
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
        <JobFactsForm key={job.units} start={factsOf(job)} draftKey={`job:${job.id}`} action="Keep these" onSay={(facts) => {
          const said = send({ type: 'editJob', facts })
          setSaved(said.ok)
          return Promise.resolve(said.ok ? [] : said.reasons)
        }} />
        {saved ? <Text mt={2} role="status" color="good">✓ Kept.</Text> : null}
      </Part>
    </Box>
  )
}

function Supplies() {
  const { job, assessment, send } = useJob()
  const [error, setError] = useState<string | null>(null)
  const add = () => send({ type: 'putSupply', supply: { id: `supply-${uuid().slice(0, 8)}`, name: `Supply ${job.supplies.length + 1}`, partId: 'switch-8' } })
  return (
    <Part title="Supplies" aside={<Button size="sm" variant="outline" colorPalette="inky" onClick={add}>Add a supply</Button>}>
      {job.supplies.map((supply) => {
        const state = assessment.supplies.find(({ supplyId }) => supplyId === supply.id)
        return (
          <Box key={supply.id} py={2} borderBottomWidth="1px" borderColor="rule">
            <HStack gap={3} align="end" flexWrap="wrap">
              <Box w="200px"><LineField label="Name of the supply" value={supply.name} draftKey={`supply:${job.id}:${supply.id}`} onKeep={(name) => refusal(send({ type: 'putSupply', supply: { ...supply, name } }))} /></Box>
              <Box flex="1" minW="220px"><Choose label="Kind" value={supply.partId} options={partOptions(CATALOGUE.supplies)} onChoose={(partId) => send({ type: 'putSupply', supply: { ...supply, partId } })} /></Box>
              <Text className="figures" minW="190px">{state ? `${print({ value: state.loadW, kind: 'power' }, job.units)} of ${print({ value: state.budgetW, kind: 'power' }, job.units)}, ${state.portsUsed} of ${state.ports} ports` : ''}</Text>
              <IconButton aria-label={`Remove ${supply.name}`} variant="ghost" colorPalette="inky" minH="44px" minW="44px" onClick={() => setError(refusal(send({ type: 'removeSupply', supplyId: supply.id })))}><Trash2 size={18} /></IconButton>
            </HStack>
            <FindingList findings={state?.findings ?? []} units={job.units} />
          </Box>
        )
      })}
      {error ? <Text role="alert" color="stop" mt={2}>{error}</Text> : null}
    </Part>
  )
}
