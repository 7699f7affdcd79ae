'use client'

import { Box, Button, HStack, Image, Text } from '@chakra-ui/react'
import { GoLink } from '../kit/go'
import { format } from 'date-fns'
import { allAssessed } from '@/core/assess'
import { everyOne, SEVERITIES, type Fault } from '@/core/job'
import { dueDay, punchListState } from '@/core/test'
import { useAssessed, useJob } from '../job/JobProvider'
import { Nothing, Part, Sentence } from '../kit/Page'
import { usePicture } from '../photo/usePicture'

const GROUPS: { state: Fault['state']; title: string; sign: string }[] = [
  { state: 'open', title: 'Open', sign: '■' },
  { state: 'temporary fix', title: 'Temporary fix', sign: '▲' },
  { state: 'fixed', title: 'Fixed, to be checked', sign: '▲' },
  { state: 'closed', title: 'Closed', sign: '✓' },
]

/** Faults by where they stand, and what measured values propose. */
export function PunchList() {
  const { job } = useJob()
  const assessment = useAssessed()
  const today = format(new Date(), 'yyyy-MM-dd')
  const standing = punchListState(job.faults, today)
  const proposals = allAssessed(assessment).flatMap((device) =>
    device.proposedFaults.map((proposal) => ({ device, proposal })),
  )
  const home = `/jobs/${job.id}/punch-list`
  const parts = [
    `${standing.open} open`,
    standing.overdue.length > 0 ? `${standing.overdue.length} overdue` : null,
    standing.toRecheck > 0 ? `${standing.toRecheck} to check again` : null,
  ].filter((part) => part !== null)
  return (
    <Box px={{ base: 3, md: 5 }} py={5} maxW="960px">
      <Sentence
        next={
          standing.temporary > 0
            ? `${standing.temporary} temporary ` +
              `${standing.temporary === 1 ? 'fix stands' : 'fixes stand'}; a return visit is due.`
            : undefined
        }
      >
        {job.faults.length === 0 ? 'Nothing on the punch list.' : `${parts.join(', ')}.`}
      </Sentence>
      <Button asChild colorPalette="copper" minH="44px" mb={5}>
        <GoLink href={`${home}/new`}>Raise a fault</GoLink>
      </Button>
      {proposals.length > 0 ? (
        <Part title="Measured out of limits">
          {proposals.map(({ device, proposal }) => (
            <HStack
              key={`${device.deviceId}:${proposal.origin}`}
              py={2}
              borderBottomWidth="1px"
              borderColor="rule"
              justify="space-between"
              gap={3}
            >
              <Box>
                <Text fontWeight={600}>
                  {device.mark} {proposal.title}
                </Text>
                <Text color="soft">{proposal.note}</Text>
              </Box>
              <Button asChild size="sm" minH="44px" variant="outline" colorPalette="inky">
                <GoLink
                  href={`${home}/new?device=${device.deviceId}&step=${encodeURIComponent(proposal.origin.slice(5))}`}
                >
                  Raise it
                </GoLink>
              </Button>
            </HStack>
          ))}
        </Part>
      ) : null}
      {job.faults.length === 0 && proposals.length === 0 ? (
        <Nothing>
          Faults come from findings, from steps out of limits, or from what you see. Raise them before
          anything is touched.
        </Nothing>
      ) : null}
      {GROUPS.map(({ state, title, sign }) => {
        const faults = job.faults.filter((fault) => fault.state === state)
        return faults.length === 0 ? null : (
          <Part key={state} title={`${sign} ${title}, ${faults.length}`}>
            {faults.map((fault) => (
              <FaultLine key={fault.id} fault={fault} overdue={standing.overdue.includes(fault.id)} />
            ))}
          </Part>
        )
      })}
    </Box>
  )
}

function FaultLine({ fault, overdue }: { fault: Fault; overdue: boolean }) {
  const { job } = useJob()
  const picture = usePicture()
  const device = everyOne(job).find(({ id }) => id === fault.deviceId)
  const photo = job.photos.find(({ faultId }) => faultId === fault.id)
  const due = dueDay(fault)
  return (
    <Box
      asChild
      display="flex"
      gap={3}
      py={2}
      borderBottomWidth="1px"
      borderColor="rule"
      _hover={{ bg: 'sheet' }}
      alignItems="center"
    >
      <GoLink href={`/jobs/${job.id}/punch-list/${fault.id}`}>
        {photo ? <Image src={picture(photo)} alt="" w="72px" h="54px" objectFit="cover" /> : null}
        <Box flex="1">
          <Text fontWeight={600}>
            {device ? `${device.mark} ` : ''}
            {fault.title}
          </Text>
          <Text color="soft">
            {SEVERITIES[fault.severity]} · {fault.cause}
            {fault.stage ? ` · ${fault.stage}` : ''}
          </Text>
        </Box>
        {due ? (
          <Text
            color={overdue ? 'stop' : 'soft'}
            fontWeight={overdue ? 600 : 400}
            className="figures"
            whiteSpace="nowrap"
          >
            {overdue ? '■ overdue ' : 'by '}
            {due}
          </Text>
        ) : null}
      </GoLink>
    </Box>
  )
}
