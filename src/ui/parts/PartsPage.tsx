'use client'

import { Box, Button, HStack, Table, Text } from '@chakra-ui/react'
import { useState } from 'react'
import { FLAT_TABLES, libraryOf, usersOf, type Job } from '@/core/job'
import { asksOf, PART_KINDS, type OwnPart, type PartTable } from '@/core/parts'
import { inSentence } from '@/core/units'
import { useJob } from '../job/JobProvider'
import { PickFile } from '../kit/PickFile'
import { Choose } from '../kit/Choose'
import { download } from '../kit/download'
import { GoLink } from '../kit/go'
import { refusal } from '../kit/LineField'
import { Nothing, Part, Sentence } from '../kit/Page'
import { partsIn, tableOf } from './library'
import { PartForm } from './PartForm'

/** The parts of a job that were entered from makers' sheets. */
export function PartsPage() {
  const { job } = useJob()
  const { ownParts } = job
  const unread = ownParts.filter((one) => one.unread.length > 0).length
  return (
    <Box px={{ base: 3, md: 5 }} py={5} maxW="1000px">
      <Sentence next={next(ownParts.length, unread)}>{sentence(ownParts.length, unread)}</Sentence>
      <Button asChild colorPalette="copper" minH="48px" px={6} mb={6}>
        <GoLink href={`/jobs/${job.id}/parts/new`}>Enter a part</GoLink>
      </Button>
      {ownParts.length === 0 ? (
        <Nothing>
          Generic parts ship with the product. Where the real one differs, enter it from its maker’s sheet: it
          is offered wherever its kind is chosen, and travels in the job file.
        </Nothing>
      ) : (
        <Parts job={job} />
      )}
      <Box mt={7}>
        <Files job={job} />
      </Box>
    </Box>
  )
}

const sentence = (parts: number, unread: number): string => {
  if (parts === 0) return 'No own parts yet.'
  if (parts === 1) return unread === 0 ? 'One own part, read whole.' : 'One own part, not read whole.'
  return unread === 0
    ? `${parts} own parts, all read whole.`
    : `${parts} own parts, ${unread} not read whole.`
}
const next = (parts: number, unread: number): string =>
  parts > 0 && unread > 0
    ? 'What is not read counts as the generic part has it: read it before you rely on it.'
    : 'They stand beside the generic parts wherever one is chosen.'

function Parts({ job }: { job: Job }) {
  return (
    <Table.ScrollArea>
      <Table.Root size="sm">
        <Table.Header>
          <Table.Row>
            {['Name', 'What it is', 'Read', 'Made with it'].map((head) => (
              <Table.ColumnHeader key={head} color="soft">
                {head}
              </Table.ColumnHeader>
            ))}
          </Table.Row>
        </Table.Header>
        <Table.Body>
          {job.ownParts.map((own) => (
            <Table.Row key={own.id}>
              <Table.Cell>
                <Box asChild display="inline-flex" alignItems="center" minH="48px">
                  <GoLink href={`/jobs/${job.id}/parts/${own.id}`}>
                    <Text as="span" fontWeight={600} textDecoration="underline">
                      {own.part.name}
                    </Text>
                  </GoLink>
                </Box>
              </Table.Cell>
              <Table.Cell>{PART_KINDS[own.table].one}</Table.Cell>
              <Table.Cell color={own.unread.length > 0 ? 'check' : 'good'}>{readOf(own)}</Table.Cell>
              <Table.Cell>
                {usersOf(job, own.id)
                  .map(({ mark }) => mark)
                  .join(' ') || '–'}
              </Table.Cell>
            </Table.Row>
          ))}
        </Table.Body>
      </Table.Root>
    </Table.ScrollArea>
  )
}

function readOf({ table, part, unread }: OwnPart): string {
  const all = asksOf(table, part).length
  return unread.length === 0 ? `✓ All ${all}` : `▲ ${all - unread.length} of ${all}`
}

/** Libraries and tables, out and in. */
function Files({ job }: { job: Job }) {
  const { send } = useJob()
  const [table, setTable] = useState<PartTable>(FLAT_TABLES[0]!)
  const [said, setSaid] = useState<{ readonly ok: boolean; readonly lines: readonly string[] } | null>(null)
  const take = async (file: File) => {
    const read = await partsIn(file, job.units)
    if (!read.ok) return setSaid({ ok: false, lines: read.reasons.map(({ message }) => message) })
    const wrong: string[] = []
    let taken = 0
    for (const part of read.parts) {
      const why = refusal(await send({ type: 'putPart', part }))
      if (why === null) taken++
      else wrong.push(`${part.part.name}: ${why}`)
    }
    setSaid({ ok: wrong.length === 0, lines: [`${taken} of ${read.parts.length} taken in.`, ...wrong] })
  }
  const save = (name: string, type: string, words: string) =>
    download(`${job.name} ${name}`, new Blob([words], { type }))
  return (
    <Part title="From job to job">
      <Text color="soft" mb={3}>
        A library holds every own part as JSON; a table holds one simple kind as CSV, for a spreadsheet.
      </Text>
      <HStack flexWrap="wrap" gap={3} align="end">
        <Button
          variant="outline"
          colorPalette="inky"
          minH="48px"
          onClick={() => save('parts.json', 'application/json', libraryOf(job.ownParts))}
        >
          Save the library
        </Button>
        <Box w="220px">
          <Choose
            label="Table of"
            value={table}
            options={FLAT_TABLES.map((value) => ({ value, label: PART_KINDS[value].one }))}
            onChoose={(value) => setTable(value as PartTable)}
          />
        </Box>
        <Button
          variant="outline"
          colorPalette="inky"
          minH="48px"
          onClick={() =>
            save(`${inSentence(PART_KINDS[table].one)}.csv`, 'text/csv', tableOf(table, job.ownParts))
          }
        >
          Save the table
        </Button>
        <PickFile
          minH="48px"
          accept=".json,.csv,application/json,text/csv"
          inputId="parts-file"
          onFile={(file) => void take(file)}
        >
          Take in a file
        </PickFile>
      </HStack>
      {said ? (
        <Box role={said.ok ? 'status' : 'alert'} color={said.ok ? 'good' : 'stop'} mt={3}>
          {said.lines.slice(0, 12).map((line) => (
            <Text key={line}>{line}</Text>
          ))}
          {said.lines.length > 12 ? <Text>and {said.lines.length - 12} more</Text> : null}
        </Box>
      ) : null}
    </Part>
  )
}

/** One own part at its address. */
export function OnePart({ partId }: { partId: string }) {
  const { job } = useJob()
  const held = job.ownParts.find(({ id }) => id === partId)
  if (held) return <PartForm key={partId} held={held} />
  return (
    <Box p={5}>
      <Nothing
        action={
          <Button asChild minH="48px">
            <GoLink href={`/jobs/${job.id}/parts`}>To the own parts</GoLink>
          </Button>
        }
      >
        There is no own part with this address. It may have been taken out.
      </Nothing>
    </Box>
  )
}
