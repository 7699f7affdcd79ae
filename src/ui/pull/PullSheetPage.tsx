'use client'

import { Box, Button, HStack, Text } from '@chakra-ui/react'
import { Fragment } from 'react'
import type { PullTable } from '@/core/pull'
import { useSheet } from '../job/cables'
import { useJob } from '../job/JobProvider'
import { GoLink } from '../kit/go'
import { Nothing, Part, Sentence } from '../kit/Page'
import { AlongTheSite } from './AlongTheSite'
import { Boxes } from './Boxes'
import { Rows } from './Rows'

/** What to cut, what to drill and what to load, from everything planned. */
export function PullSheetPage() {
  const { job } = useJob()
  const shown = useSheet(job)
  if (!shown)
    return (
      <Text p={5} color="soft" role="status">
        Listing what is cut, drilled, pulled and loaded…
      </Text>
    )
  const { sentence, cautions, tables, pulls, needs } = shown.sheet
  return (
    <Box px={{ base: 3, md: 5 }} py={5} maxW="1000px">
      <Sentence next="Spares are counted; bits stand in millimetres and inches.">{sentence}</Sentence>
      {shown.of === job ? null : (
        <Text color="soft" role="status">
          As it was before the last change.
        </Text>
      )}
      <HStack className="no-print" mb={5} gap={2}>
        <Button colorPalette="copper" minH="44px" onClick={() => window.print()}>
          Print
        </Button>
        <Button asChild variant="outline" colorPalette="inky" minH="44px">
          <a href={`/api/jobs/${job.id}/pull-sheet.pdf`} download>
            PDF
          </a>
        </Button>
        <Button asChild variant="outline" colorPalette="inky" minH="44px">
          <GoLink href={`/jobs/${job.id}/labels`}>Labels</GoLink>
        </Button>
      </HStack>
      {job.devices.length === 0 ? <Nothing>The lists come from the devices of this job.</Nothing> : null}
      {cautions.length > 0 ? (
        <Box as="ul" mb={4} listStyleType="none" aria-label="Cautions" css={{ columns: '300px' }}>
          {cautions.map((caution) => (
            <Text as="li" key={caution} fontSize="sm" pb={1} css={{ breakInside: 'avoid' }}>
              Mind: {caution}
            </Text>
          ))}
        </Box>
      ) : null}
      {tables.map((table) => (
        <Fragment key={table.list}>
          <List jobId={job.id} table={table} />
          {table.list === 'cut-list' ? <Boxes needs={needs} /> : null}
          {table.list === 'pull-list' ? <AlongTheSite plan={pulls} /> : null}
        </Fragment>
      ))}
    </Box>
  )
}

/** What is out of sight is not laid out: there may be thousands of rows. On paper everything is. */
const LONG = {
  'contentVisibility': 'auto',
  'containIntrinsicSize': 'auto 400px',
  '@media print': { contentVisibility: 'visible' },
} as const

function List({
  jobId,
  table: { title, list, heads, shares, rows, note },
}: {
  jobId: string
  table: PullTable
}) {
  if (rows.length === 0) return null
  return (
    <Part
      title={title}
      aside={
        <HStack className="no-print">
          <Button asChild size="sm" minH="44px" variant="outline" colorPalette="inky">
            <a href={`/api/jobs/${jobId}/lists/${list}`} download>
              CSV
            </a>
          </Button>
        </HStack>
      }
    >
      <Box css={LONG}>
        <Rows title={title} heads={heads} shares={shares} rows={rows.map((row, at) => [String(at), row])} />
      </Box>
      {note ? (
        <Text fontSize="sm" color="soft" mt={1}>
          {note}
        </Text>
      ) : null}
    </Part>
  )
}
