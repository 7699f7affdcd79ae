'use client'

import { Box, Button, HStack, Text } from '@chakra-ui/react'
import { Fragment, useMemo } from 'react'
import { CATALOGUE } from '@/catalogue'
import { pullSheet, pullTables, type PullTable } from '@/core/pull'
import { print } from '@/core/units'
import { useJob } from '../job/JobProvider'
import { GoLink } from '../kit/go'
import { Nothing, Part, Sentence } from '../kit/Page'
import { AlongTheSite } from './AlongTheSite'
import { Boxes } from './Boxes'
import { Rows } from './Rows'

/** What to cut, what to drill and what to load, from everything planned. */
export function PullSheetPage() {
  const { job } = useJob()
  const sheet = useMemo(() => pullSheet(job, CATALOGUE), [job])
  const tables = useMemo(() => pullTables(sheet, job.units), [sheet, job.units])
  const { cuts, drills } = sheet
  const total = cuts.reduce((sum, { cutM }) => sum + (cutM ?? 0), 0)
  const holes = drills.reduce((sum, { count }) => sum + count, 0)
  const cut = (m: number) => print({ value: m, kind: 'cut' }, job.units)
  return (
    <Box px={{ base: 3, md: 5 }} py={5} maxW="1000px">
      <Sentence next="Spares are counted; bits stand in millimetres and inches.">
        {cuts.length === 0 && drills.length === 0
          ? 'Nothing is planned to cut or drill yet.'
          : `${cuts.length} run${cuts.length === 1 ? '' : 's'}, ${cut(total)} to cut; ${holes} ` +
            `hole${holes === 1 ? '' : 's'} to drill.`}
      </Sentence>
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
      {sheet.cautions.length > 0 ? (
        <Box as="ul" mb={4} listStyleType="none" aria-label="Cautions" css={{ columns: '300px' }}>
          {sheet.cautions.map((caution) => (
            <Text as="li" key={caution} fontSize="sm" pb={1} css={{ breakInside: 'avoid' }}>
              Mind: {caution}
            </Text>
          ))}
        </Box>
      ) : null}
      {tables.map((table) => (
        <Fragment key={table.list}>
          <List jobId={job.id} table={table} />
          {table.list === 'cut-list' ? <Boxes /> : null}
          {table.list === 'pull-list' ? <AlongTheSite plan={sheet.pulls} /> : null}
        </Fragment>
      ))}
    </Box>
  )
}

function List({ jobId, table: { title, list, heads, rows, note } }: { jobId: string; table: PullTable }) {
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
      <Rows title={title} heads={heads} rows={rows.map((row, at) => [String(at), row])} />
      {note ? (
        <Text fontSize="sm" color="soft" mt={1}>
          {note}
        </Text>
      ) : null}
    </Part>
  )
}
