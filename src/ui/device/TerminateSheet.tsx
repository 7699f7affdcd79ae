'use client'

import { Box, Heading, SimpleGrid, Text } from '@chakra-ui/react'
import type { DeviceAssessment } from '@/core/assess'
import { portsFor, portWords } from '@/core/parts'
import { cableEndsDrawing } from '@/drawings'
import { useCatalogue, useJob } from '../job/JobProvider'
import { Choose, NOT_CHOSEN, partOptions } from '../kit/Choose'
import { DrawingView, Sized } from '../kit/DrawingView'
import { usePlan } from './plan'

/** What goes on the cable, in what order, and which wire to which contact. */
export function TerminateSheet({ assessed }: { assessed: DeviceAssessment }) {
  const { job } = useJob()
  const catalogue = useCatalogue()
  const { input, result, keep } = usePlan('terminate', assessed)
  const { threadOn, strip, analogue } = result.drawing
  const partOf = (partId: string | undefined) => catalogue.equipment.get(partId ?? '')
  const recorders = job.equipment
    .filter(({ partId }) => portsFor(partOf(partId), ['video']).length > 0)
    .map(({ id, mark, name }) => ({ value: id, label: `${mark} ${name}` }))
  const recorder = partOf(job.equipment.find(({ id }) => id === input.recorderId)?.partId)
  return (
    <>
      <Box bg="sheet" borderWidth="1px" borderColor="rule" px={{ base: 1, md: 3 }} py={3}>
        <Sized>{(width) => <DrawingView drawing={cableEndsDrawing(result.drawing, width)} />}</Sized>
      </Box>
      <SimpleGrid columns={{ base: 1, md: 2 }} gap={3} mt={4}>
        <Choose
          label="At the camera"
          value={input.cameraEndId}
          options={partOptions(catalogue.connectors)}
          hint={strip}
          onChoose={(cameraEndId) => keep({ cameraEndId })}
        />
        <Choose
          label="At the head end"
          value={input.headEndId}
          options={partOptions(catalogue.connectors)}
          hint={catalogue.connectors.get(input.headEndId)?.strip}
          onChoose={(headEndId) => keep({ headEndId })}
        />
        {analogue ? (
          <>
            <Choose
              label="Its picture goes to"
              value={input.recorderId ?? ''}
              options={[NOT_CHOSEN, ...recorders]}
              onChoose={(id) => keep({ recorderId: id || null, recorderPort: null })}
            />
            <Choose
              label="Input there"
              value={input.recorderPort ?? ''}
              options={[
                NOT_CHOSEN,
                ...portsFor(recorder, ['video']).map((port) => ({
                  value: port,
                  label: portWords(port, recorder),
                })),
              ]}
              onChoose={(port) => keep({ recorderPort: port || null })}
            />
          </>
        ) : null}
      </SimpleGrid>
      <Heading as="h3" fontSize="md" mt={5} mb={1}>
        Before you crimp: thread on, in this order
      </Heading>
      {threadOn.length === 0 ? (
        <Text color="soft">Nothing: the seals chosen pass a finished plug.</Text>
      ) : null}
      <Box as="ol" ps={6} listStyleType="decimal">
        {threadOn.map(({ piece, way, of }, index) => (
          <Box as="li" key={index} py={1}>
            <strong>{piece}</strong>, {way}{' '}
            <Text as="span" color="soft">
              ({of})
            </Text>
          </Box>
        ))}
      </Box>
    </>
  )
}
