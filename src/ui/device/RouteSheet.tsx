'use client'

import { Box, SimpleGrid, Text } from '@chakra-ui/react'
import type { DeviceAssessment } from '@/core/assess'
import { LAID, type Route } from '@/core/job'
import { routeDrawing } from '@/drawings'
import { Choose, optionsOf } from '../kit/Choose'
import { DrawingView, Sized } from '../kit/DrawingView'
import { WayEditor } from '../runs/WayEditor'
import { usePlan } from './plan'

/** Which way does the cable go, and how much. */
export function RouteSheet({ assessed }: { assessed: DeviceAssessment }) {
  const plan = usePlan('route', assessed)
  const { input, result, keep, units } = plan
  return (
    <>
      <Box bg="sheet" borderWidth="1px" borderColor="rule" px={{ base: 1, md: 3 }} py={3}>
        <Sized>{(width) => <DrawingView drawing={routeDrawing(result.drawing, units, width)} />}</Sized>
      </Box>
      <SimpleGrid columns={{ base: 1, md: 3 }} mt={4}>
        <Choose
          label="Its cable"
          value={input.laid}
          options={optionsOf(LAID)}
          onChoose={(laid) => void keep({ laid: laid as Route['laid'] })}
        />
      </SimpleGrid>
      <Text mt={4} fontFamily="heading" fontWeight={600}>
        The way, from the device to the head end
      </Text>
      <WayEditor way={input} plan={plan} lead={result.drawing.lead} />
    </>
  )
}
