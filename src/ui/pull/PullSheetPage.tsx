'use client'

import { Box, Button, HStack, Table } from '@chakra-ui/react'
import { useMemo, type ReactNode } from 'react'
import { CATALOGUE } from '@/catalogue'
import { pullSheet } from '@/core/pull'
import { print } from '@/core/units'
import { useJob } from '../job/JobProvider'
import { GoLink } from '../kit/go'
import { Nothing, Part, Sentence } from '../kit/Page'

/** What to cut, what to drill and what to load, from everything planned. */
export function PullSheetPage() {
  const { job } = useJob()
  const { cuts, drills, van } = useMemo(() => pullSheet(job, CATALOGUE), [job])
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
          <GoLink href={`/jobs/${job.id}/labels`}>Labels</GoLink>
        </Button>
      </HStack>
      {job.devices.length === 0 ? <Nothing>The lists come from the devices of this job.</Nothing> : null}
      <List
        title="Cut"
        jobId={job.id}
        list="cut-list"
        heads={['Device', 'Cable', 'Cut', 'Installed']}
        rows={cuts.map((line) => [
          line.mark,
          [
            `${line.mark} ${line.name}`,
            line.cable,
            line.cutM === null ? 'ready-made lead' : cut(line.cutM),
            cut(line.installedM),
          ],
        ])}
      />
      <List
        title="Drill"
        jobId={job.id}
        list="drill-list"
        heads={['Surface', 'For', 'Bit', 'Holes', 'Devices']}
        rows={drills.map((line) => [
          `${line.surface}${line.purpose}${line.bit}`,
          [line.surface, line.purpose, line.bit, line.count, line.marks.join(' ')],
        ])}
      />
      <List
        title="Load"
        jobId={job.id}
        list="van-list"
        heads={['What', 'Count', 'Spare', 'Devices']}
        rows={van.map((line) => [
          `${line.kind}${line.item}`,
          [
            line.item,
            line.unit === 'm' ? cut(line.count) : line.count,
            line.spare || '',
            line.marks.join(' '),
          ],
        ])}
      />
    </Box>
  )
}

function List({
  title,
  jobId,
  list,
  heads,
  rows,
}: {
  title: string
  jobId: string
  list: string
  heads: readonly string[]
  rows: readonly (readonly [key: string, cells: readonly ReactNode[]])[]
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
      <Table.ScrollArea tabIndex={0} role="region" aria-label={title}>
        <Table.Root
          size="sm"
          bg="transparent"
          css={{ '& th, & td': { borderColor: 'rule' } }}
          className="figures"
        >
          <Table.Header>
            <Table.Row bg="transparent">
              {heads.map((head) => (
                <Table.ColumnHeader key={head} color="ink" ps={1}>
                  {head}
                </Table.ColumnHeader>
              ))}
            </Table.Row>
          </Table.Header>
          <Table.Body>
            {rows.map(([key, cells]) => (
              <Table.Row key={key} bg="transparent">
                {cells.map((cell, i) => (
                  <Table.Cell key={i} ps={1}>
                    {cell}
                  </Table.Cell>
                ))}
              </Table.Row>
            ))}
          </Table.Body>
        </Table.Root>
      </Table.ScrollArea>
    </Part>
  )
}
