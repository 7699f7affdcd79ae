'use client'

import { Box, Button, Grid, Heading, HStack, Table, Text } from '@chakra-ui/react'
import NextLink from 'next/link'
import { useRouter } from 'next/navigation'
import type { DeviceAssessment, Mark } from '@/core/assess'
import { byGravity, PLANNED_STAGES, type PlannedStage } from '@/core/findings'
import { printReading, type UnitSystem } from '@/core/units'
import { useJob } from '../job/JobProvider'
import { FindingNote } from '../kit/Findings'
import { Nothing, Sentence } from '../kit/Page'
import { Brackets, MARKS } from '../kit/Verdict'

const TITLES: Record<PlannedStage | 'log', string> = { sight: 'Sight', mount: 'Mount', route: 'Route', terminate: 'Terminate', seal: 'Seal', power: 'Power', log: 'Log' }

/** The job board: devices down, stages across. A cell shows its mark and the one figure that matters there. */
export function Board() {
  const { job, assessment } = useJob()
  const router = useRouter()
  const trouble = [
    ...assessment.devices.flatMap((device) => device.findings.map((finding) => ({ device, finding, key: `${device.deviceId}/${finding.id}` }))),
    ...assessment.supplies.flatMap(({ supplyId, findings }) => findings.map((finding) => ({ device: null, finding, key: `${supplyId}/${finding.id}` }))),
  ].filter(({ finding }) => finding.verdict !== 'good')
  const order = byGravity(trouble.map(({ finding }) => finding))
  const inTheWay = trouble.toSorted((a, b) => order.indexOf(a.finding) - order.indexOf(b.finding))
  const proposals = assessment.devices.reduce((sum, device) => sum + device.proposedFaults.length, 0)
  const home = `/jobs/${job.id}`

  return (
    <Grid templateColumns={{ base: 'minmax(0, 1fr)', lg: 'minmax(0, 1fr) 296px' }} minH="calc(100vh - 60px)">
      <Box px={{ base: 3, md: 5 }} py={5} minW={0}>
        <Sentence next={assessment.next}>{assessment.sentence}</Sentence>
        <HStack mb={3} gap={3} flexWrap="wrap">
          <Button asChild minH="44px" colorPalette="copper"><NextLink href={`${home}/add`}>Add a device</NextLink></Button>
          {proposals > 0 ? <Button asChild minH="44px" variant="outline" colorPalette="inky"><NextLink href={`${home}/punch-list`}>{proposals} measured out of limits: look</NextLink></Button> : null}
        </HStack>
        {job.devices.length === 0 ? (
          <Nothing>Nothing is planned here yet. A device carries its record from the first sighting to the signed hand-over.</Nothing>
        ) : (
          <Table.ScrollArea>
            <Table.Root size="sm" variant="line" css={{ '& th, & td': { borderColor: 'rule', whiteSpace: 'nowrap' } }} bg="transparent">
              <Table.Header>
                <Table.Row bg="transparent">
                  <Table.ColumnHeader fontFamily="heading" fontWeight={600} color="ink" ps={1}>Device</Table.ColumnHeader>
                  {Object.entries(TITLES).map(([key, title]) => <Table.ColumnHeader key={key} fontFamily="heading" fontWeight={600} color="ink">{title}</Table.ColumnHeader>)}
                </Table.Row>
              </Table.Header>
              <Table.Body>
                {assessment.devices.map((device) => (
                  <Table.Row key={device.deviceId} bg="transparent" _hover={{ bg: 'sheet' }} cursor="pointer" onClick={() => router.push(`${home}/devices/${device.deviceId}/sight`)}>
                    <Table.Cell ps={1} py={0}>
                      <HStack asChild gap={2.5} minH="40px"><NextLink href={`${home}/devices/${device.deviceId}/sight`}><Text as="span" fontFamily="mono" fontSize="sm">{device.mark}</Text>{device.name}</NextLink></HStack>
                    </Table.Cell>
                    {PLANNED_STAGES.map((stage) => <Table.Cell key={stage} py={0}><StageCell home={home} device={device} stage={stage} units={job.units} /></Table.Cell>)}
                    <Table.Cell py={0}><Cell href={`${home}/devices/${device.deviceId}/log`} mark={device.log.mark} says={device.log.total === 0 ? '–' : `${device.log.done}/${device.log.total}`} label={`${device.mark} log`} /></Table.Cell>
                  </Table.Row>
                ))}
              </Table.Body>
            </Table.Root>
          </Table.ScrollArea>
        )}
        <Legend />
      </Box>
      <Box as="aside" aria-labelledby="in-the-way" bg="sheet" borderLeftWidth={{ lg: '1px' }} borderTopWidth={{ base: '1px', lg: 0 }} borderColor="rule" px={5} py={5}>
        <Heading as="h2" id="in-the-way" fontSize="md" mb={2}>What stands in the way</Heading>
        {inTheWay.length === 0 ? <Text color="soft">Nothing.</Text> : null}
        <Box as="ul">
          {inTheWay.slice(0, 12).map(({ device, finding, key }) => (
            <FindingNote key={key} finding={finding} units={job.units} {...(device ? { where: `${device.mark} ${finding.stage}` } : {})} />
          ))}
        </Box>
        {inTheWay.length > 12 ? <Text color="soft">and {inTheWay.length - 12} more on the device sheets.</Text> : null}
      </Box>
    </Grid>
  )
}

function StageCell({ home, device, stage, units }: { home: string; device: DeviceAssessment; stage: PlannedStage; units: UnitSystem }) {
  const state = device.stages?.[stage] ?? null
  const mark: Mark = state?.mark ?? 'not planned'
  return <Cell href={`${home}/devices/${device.deviceId}/${stage}`} mark={mark} says={state?.planned ? printReading(state.result.headline, units) : '–'} label={`${device.mark} ${stage}`} />
}

function Cell({ href, mark, says, label }: { href: string; mark: Mark; says: string; label: string }) {
  const { sign, color, word } = MARKS[mark]
  return (
    <Box asChild position="relative" display="flex" alignItems="center" gap={1.5} minH="40px" color={color} fontWeight={500} _hover={{ textDecoration: 'underline' }} className="group" _focusVisible={{ outline: 'none', bg: 'sheet' }}>
      <NextLink href={href} aria-label={`${label}: ${word}, ${says}`} onClick={(event) => event.stopPropagation()}>
        <Text as="span" aria-hidden w="14px">{sign}</Text>
        <Text as="span" truncate maxW="130px" className="figures">{says}</Text>
        <Box display="none" _groupHover={{ display: 'block' }} _groupFocusVisible={{ display: 'block' }} position="absolute" inset={0} pointerEvents="none"><Brackets /></Box>
      </NextLink>
    </Box>
  )
}

function Legend() {
  return (
    <HStack mt={4} gap={4} color="soft" fontSize="sm" flexWrap="wrap">
      {Object.values(MARKS).map(({ sign, word }) => <Text key={word}>{sign} {word}</Text>)}
    </HStack>
  )
}
