'use client'

import { Box, Button, Text } from '@chakra-ui/react'
import { useSyncExternalStore } from 'react'
import { useJob } from '../job/JobProvider'
import { Code } from '../kit/Code'
import { Nothing, Sentence } from '../kit/Page'

// Only the browser knows under which address this machine is reached.
const never = () => () => undefined
const here = () => window.location.origin
const nowhere = () => ''

/** A label for everything with a mark: read by this application's camera, or by the phone's own. */
export function LabelsPage() {
  const { job } = useJob()
  const origin = useSyncExternalStore(never, here, nowhere)
  const home = `${origin}/jobs/${job.id}`
  const labels = [
    ...job.devices.map(({ id, mark, name }) => ({ id, mark, name, to: `${home}/devices/${id}/log` })),
    ...job.equipment.map(({ id, mark, name }) => ({ id, mark, name, to: `${home}/equipment/${id}` })),
    ...job.runs.map(({ id, mark, name }) => ({ id, mark, name, to: `${home}/runs/${id}` })),
  ]
  return (
    <Box px={{ base: 3, md: 5 }} py={5} maxW="1100px">
      <Box className="no-print">
        <Sentence next="Inside the box or the hood, where rain and sun do not reach it; “Find” reads it.">
          {labels.length === 0 ? 'There is nothing to label yet.' : `${labels.length} labels.`}
        </Sentence>
        <Button mb={5} colorPalette="copper" minH="48px" onClick={() => window.print()}>
          Print
        </Button>
      </Box>
      {labels.length === 0 ? <Nothing>Labels come from the devices of this job.</Nothing> : null}
      {origin ? (
        <Box
          as="ul"
          listStyleType="none"
          display="grid"
          gridTemplateColumns="repeat(auto-fill, minmax(190px, 1fr))"
          gap={3}
        >
          {labels.map(({ id, mark, name, to }) => (
            <Box
              as="li"
              key={id}
              display="flex"
              gap={2}
              alignItems="center"
              borderWidth="1px"
              borderColor="ink"
              p={2}
              css={{ breakInside: 'avoid' }}
            >
              <Box w="84px" flexShrink={0}>
                <Code words={to} label={`Code of ${mark} ${name}`} />
              </Box>
              <Box minW={0}>
                <Text fontFamily="heading" fontWeight={600} fontSize="xl" lineHeight={1.1}>
                  {mark}
                </Text>
                <Text fontSize="sm" lineClamp={3}>
                  {name}
                </Text>
              </Box>
            </Box>
          ))}
        </Box>
      ) : null}
    </Box>
  )
}
