'use client'

import { Box, SimpleGrid, Text } from '@chakra-ui/react'
import type { DeviceAssessment } from '@/core/assess'
import { supplyOf } from '@/core/parts'
import { print } from '@/core/units'
import { powerDrawing } from '@/drawings'
import { useAssessed, useJob, useCatalogue } from '../job/JobProvider'
import { Choose } from '../kit/Choose'
import { DrawingView, Sized } from '../kit/DrawingView'
import { FindingList } from '../kit/Findings'
import { PlanQuantity } from '../kit/PlanQuantity'
import { usePlan } from './plan'

/** Do the volts get there, and does the supply carry them all. */
export function PowerSheet({ assessed }: { assessed: DeviceAssessment }) {
  const catalogue = useCatalogue()
  const { job } = useJob()
  const assessment = useAssessed()
  const plan = usePlan('power', assessed)
  const { input, result, keep, units } = plan
  const supply = assessment.equipment.find(({ deviceId }) => deviceId === input.supplyId)
  const load = supply?.load
  return (
    <>
      <Box bg="sheet" borderWidth="1px" borderColor="rule" px={{ base: 1, md: 3 }} py={3}>
        <Sized>{(width) => <DrawingView drawing={powerDrawing(result.drawing, units, width)} />}</Sized>
      </Box>
      <SimpleGrid columns={{ base: 1, md: 2 }} gap={3} mt={4} gridTemplateColumns={{ md: '1fr 140px' }}>
        <Choose
          label="Powered from"
          value={input.supplyId}
          options={job.equipment
            .filter(({ partId, state }) => supplyOf(catalogue, partId) && state !== 'taken away')
            .map(({ id, mark, name }) => ({ value: id, label: `${mark} ${name}` }))}
          hint="Equipment is added on the Equipment page."
          onChoose={(supplyId) => keep({ supplyId })}
        />
        <PlanQuantity
          plan={plan}
          label="Port"
          kind="count"
          value={input.port}
          least={1}
          most={512}
          field="port"
          as={(port) => ({ port: Math.round(port) })}
          none={{ port: null }}
        />
      </SimpleGrid>
      {supply && load ? (
        <Box mt={4}>
          <Text fontFamily="heading" fontWeight={600}>
            {supply.name}, all cameras in their worst hour
          </Text>
          <Text className="figures">
            {print({ value: load.loadW, kind: 'power' }, units)} of{' '}
            {print({ value: load.budgetW, kind: 'power' }, units)}; {load.portsUsed} of {load.ports} ports:{' '}
            {supply.uses.map(({ mark }) => mark).join(', ') || 'none'}
          </Text>
          <FindingList findings={supply.findings} units={units} />
        </Box>
      ) : null}
    </>
  )
}
