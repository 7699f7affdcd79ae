'use client'

import { Box, Button, HStack, SimpleGrid, Text } from '@chakra-ui/react'
import { useState, useSyncExternalStore } from 'react'
import { CATALOGUE } from '@/catalogue'
import { LABELLED, labelsOf, onSheet, STOCKS, TAPES, tapeWords } from '@/core/labels'
import type { Label, Labelled, StockId, Tape } from '@/core/labels'
import { useJob } from '../job/JobProvider'
import { Choose, optionsOf } from '../kit/Choose'
import { Code } from '../kit/Code'
import { Nothing, Sentence } from '../kit/Page'
import { QuantityField } from '../kit/QuantityField'

// Only the browser knows under which address this machine is reached.
const never = () => () => undefined
const here = () => window.location.origin
const nowhere = () => ''

const SAID: Record<Labelled, string> = {
  things: 'Inside the box or the hood, where rain and sun do not reach it; “Find” reads it.',
  ends: 'Round both ends before the cable is pulled, the bands of tape from the end inwards.',
}

/** Labels for everything with a mark, and for both ends of every cable. */
export function LabelsPage() {
  const { job } = useJob()
  const origin = useSyncExternalStore(never, here, nowhere)
  const home = `${origin}/jobs/${job.id}`
  const [what, setWhat] = useState<Labelled>('things')
  const [stock, setStock] = useState<StockId>(job.units === 'imperial' ? 'letter-30' : 'a4-21')
  const [first, setFirst] = useState(1)
  const labels = labelsOf(job, CATALOGUE, what)
  const from = Math.min(first, onSheet(stock))
  const query = new URLSearchParams({ what, stock, first: String(from), at: origin })
  const sheets = Math.ceil((from - 1 + labels.length) / onSheet(stock))
  return (
    <Box px={{ base: 3, md: 5 }} py={5} maxW="1100px">
      <Box className="no-print">
        <Sentence next={SAID[what]}>
          {labels.length === 0 ? 'There is nothing to label yet.' : `${labels.length} labels.`}
        </Sentence>
        <SimpleGrid columns={{ base: 1, md: 3 }} gap={3}>
          <Choose
            label="Labels for"
            value={what}
            options={optionsOf(LABELLED)}
            onChoose={(chosen) => setWhat(chosen as Labelled)}
          />
          <Choose
            label="Sheets"
            value={stock}
            options={optionsOf(STOCKS)}
            onChoose={(chosen) => setStock(chosen as StockId)}
          />
          <QuantityField
            label="First free label on the first sheet"
            kind="count"
            units={job.units}
            value={from}
            least={1}
            most={onSheet(stock)}
            draftKey={`labels-first:${job.id}`}
            onKeep={(label) => setFirst(label ?? 1)}
          />
        </SimpleGrid>
        <HStack mb={5} gap={2}>
          <Button asChild colorPalette="copper" minH="48px">
            <a href={`/api/jobs/${job.id}/labels?${query.toString()}`} download>
              PDF, {sheets} {sheets === 1 ? 'sheet' : 'sheets'}
            </a>
          </Button>
          <Button variant="outline" colorPalette="inky" minH="48px" onClick={() => window.print()}>
            Print this page
          </Button>
        </HStack>
        <Text color="soft" mb={4}>
          Print at full size, on plain paper first, and hold it against the labels.
        </Text>
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
          {labels.map((label, at) => (
            <OneLabel key={at} label={label} home={home} />
          ))}
        </Box>
      ) : null}
    </Box>
  )
}

function OneLabel({ label: { mark, lines, to, tape }, home }: { label: Label; home: string }) {
  return (
    <Box
      as="li"
      display="flex"
      gap={2}
      alignItems="center"
      borderWidth="1px"
      borderColor="ink"
      p={2}
      css={{ breakInside: 'avoid' }}
    >
      {to === null ? null : (
        <Box w="84px" flexShrink={0}>
          <Code words={`${home}/${to}`} label={`Code of ${mark} ${lines[0] ?? ''}`} />
        </Box>
      )}
      <Box minW={0}>
        <Text fontFamily="heading" fontWeight={600} fontSize="xl" lineHeight={1.1}>
          {mark}
        </Text>
        {lines.map((line) => (
          <Text key={line} fontSize="sm" lineClamp={3}>
            {line}
          </Text>
        ))}
        {tape.length > 0 ? <Bands tape={tape} /> : null}
      </Box>
    </Box>
  )
}

/** Bands of tape, in colour and in words. */
const Bands = ({ tape }: { tape: readonly Tape[] }) => (
  <HStack gap={1} mt={1}>
    {tape.map((one, at) => (
      <Box
        key={at}
        w="10px"
        h="14px"
        borderWidth="1px"
        borderColor="ink"
        bg={TAPES[one].colour}
        aria-hidden
      />
    ))}
    <Text fontSize="sm" color="soft">
      {tapeWords(tape)}
    </Text>
  </HStack>
)
