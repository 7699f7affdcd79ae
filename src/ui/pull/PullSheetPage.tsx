'use client'

import { Box, Button, HStack } from '@chakra-ui/react'
import { useMemo } from 'react'
import { CATALOGUE } from '@/catalogue'
import { pullSheet } from '@/core/pull'
import { print } from '@/core/units'
import { useJob } from '../job/JobProvider'
import { GoLink } from '../kit/go'
import { Nothing, Part, Sentence } from '../kit/Page'
import { Boxes } from './Boxes'
import { Rows, type Row } from './Rows'

/** What to cut, what to drill and what to load, from everything planned. */
export function PullSheetPage() {
  const { job } = useJob()
  const { cuts, bundles, drills, van } = useMemo(() => pullSheet(job, CATALOGUE), [job])
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
        heads={['Device', 'Tape', 'Cable', 'Cut', 'Installed']}
        rows={cuts.map((line) => [
          line.mark,
          [
            `${line.mark} ${line.name}`,
            line.tape,
            line.cable,
            line.cutM === null ? 'ready-made lead' : cut(line.cutM),
            cut(line.installedM),
          ],
        ])}
      />
      <Boxes />
      <List
        title="Pull together"
        jobId={job.id}
        list="pull-list"
        heads={['Cables', 'Through, from the head end', 'Together for', 'Then part into']}
        rows={bundles.map(({ marks, through, togetherM, parts }, at) => [
          String(at),
          [
            `${marks.length}: ${marks.join(' ')}`,
            through.join(', '),
            cut(togetherM),
            parts.map((part) => part.marks.join(' ')).join(' | '),
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
  rows: readonly Row[]
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
      <Rows title={title} heads={heads} rows={rows} />
    </Part>
  )
}
