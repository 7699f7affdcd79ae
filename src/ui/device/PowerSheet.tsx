'use client'

import { Box, SimpleGrid, Text } from '@chakra-ui/react'
import type { DeviceAssessment } from '@/core/assess'
import { print } from '@/core/units'
import { powerDrawing } from '@/drawings'
import { useAssessed, useJob } from '../job/JobProvider'
import { Choose } from '../kit/Choose'
import { DrawingView, Sized } from '../kit/DrawingView'
import { FindingList } from '../kit/Findings'
import { QuantityField } from '../kit/QuantityField'
import { usePlan } from './plan'

/** Do the volts get there, and does the supply carry them all. */
export function PowerSheet({ assessed }: { assessed: DeviceAssessment }) {
  const { job } = useJob()
  const assessment = useAssessed()
  const { input, result, keep, attempt, giveUp, units, draft } = usePlan('power', assessed)
  const supply = assessment.supplies.find(({ supplyId }) => supplyId === input.supplyId)
  return (
    <>
      <Box bg="sheet" borderWidth="1px" borderColor="rule" px={{ base: 1, md: 3 }} py={3}>
        <Sized>{(width) => <DrawingView drawing={powerDrawing(result.drawing, units, width)} />}</Sized>
      </Box>
      <SimpleGrid columns={{ base: 1, md: 2 }} gap={3} mt={4} gridTemplateColumns={{ md: '1fr 140px' }}>
        <Choose
          label="Powered from"
          value={input.supplyId}
          options={job.supplies.map(({ id, name }) => ({ value: id, label: name }))}
          hint="Supplies are added on the Job page."
          onChoose={(supplyId) => keep({ supplyId })}
        />
        <QuantityField
          label="Port"
          kind="count"
          units={units}
          value={input.port}
          least={1}
          most={512}
          optional
          draftKey={draft('port')}
          onTry={(port) => attempt({ port: Math.round(port) })}
          onKeep={(port) => keep({ port: port === null ? null : Math.round(port) })}
          onGiveUp={giveUp}
        />
      </SimpleGrid>
      {supply ? (
        <Box mt={4}>
          <Text fontFamily="heading" fontWeight={600}>
            {supply.name}, all cameras in their worst hour
          </Text>
          <Text className="figures">
            {print({ value: supply.loadW, kind: 'power' }, units)} of{' '}
            {print({ value: supply.budgetW, kind: 'power' }, units)}; {supply.portsUsed} of {supply.ports}{' '}
            ports: {supply.marks.join(', ') || 'none'}
          </Text>
          <FindingList findings={supply.findings} units={units} />
        </Box>
      ) : null}
    </>
  )
}
