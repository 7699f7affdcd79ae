'use client'

import { Box, Button, Grid, SimpleGrid, Text } from '@chakra-ui/react'
import { useRef, useState } from 'react'
import { v4 as uuid } from 'uuid'
import { CATALOGUE } from '@/catalogue'
import { usersOf } from '@/core/job'
import {
  asksOf,
  entriesOf,
  ownId,
  PART_KINDS,
  readSheet,
  valueAt,
  type Entries,
  type OwnPart,
  type PartTable,
  type Sheet,
} from '@/core/parts'
import { inSentence } from '@/core/units'
import { useJob } from '../job/JobProvider'
import { Choose, partOptions } from '../kit/Choose'
import { useDraft } from '../kit/draft'
import { go } from '../kit/go'
import { refusal } from '../kit/LineField'
import { Beside, Part, Refusal, Sentence } from '../kit/Page'
import { Removal } from '../kit/Removal'
import { TextField } from '../kit/TextField'
import { SheetField } from './SheetField'

/** What is typed, kept on this device until it is taken over. */
interface Typed {
  readonly table: PartTable
  readonly from: string
  readonly name: string
  readonly sheet: string
  readonly entries: Entries
}

const firstOf = (table: PartTable): string => CATALOGUE[table].keys().next().value!

/** Enters a part from the maker's sheet, or changes one. */
export function PartForm({ held }: { held: OwnPart | null }) {
  const { job, send } = useJob()
  const { units } = job
  const [words, setWords] = useDraft(`part:${job.id}:${held?.id ?? 'new'}`)
  const [refused, setRefused] = useState<string | null>(null)
  const [tried, setTried] = useState(false)
  const form = useRef<HTMLFormElement>(null)
  const start: Typed = held
    ? {
        table: held.table,
        from: held.from,
        name: held.part.name,
        sheet: held.sheet,
        entries: entriesOf(held, units),
      }
    : { table: 'cameras', from: firstOf('cameras'), name: '', sheet: '', entries: {} }
  const typed: Typed = words === null ? start : { ...start, ...(JSON.parse(words) as Partial<Typed>) }
  const { table, from: fromId, name, sheet, entries } = typed
  const say = (change: Partial<Typed>) => setWords(JSON.stringify({ ...typed, ...change }))
  // A generic part that no longer ships: the part itself says what it is like.
  const shipped = CATALOGUE[table].get(fromId)
  const from = shipped ?? { id: fromId, ...held!.part }
  const read = readSheet({ id: held?.id ?? ownId('new'), table, name, sheet, from, held }, entries, units)
  const home = `/jobs/${job.id}/parts`

  const keep = async () => {
    setTried(true)
    if (!read.own) {
      // Once it is drawn: the first field that wants a look may be far above.
      requestAnimationFrame(() => form.current?.querySelector<HTMLElement>('[aria-invalid=true]')?.focus())
      return
    }
    const id = held?.id ?? ownId(uuid())
    const said = await send({ type: 'putPart', part: { ...read.own, id } })
    setRefused(refusal(said))
    if (!said.ok) return
    setWords(null)
    go(home)
  }
  const begin = (now: PartTable) => say({ table: now, from: firstOf(now), entries: {} })
  return (
    <Grid templateColumns={{ base: 'minmax(0, 1fr)', xl: 'minmax(0, 1fr) 320px' }} minH="calc(100vh - 60px)">
      <Box px={{ base: 3, md: 5 }} py={5} minW={0}>
        <Sentence next="What stays empty counts as the generic part has it, and whatever rests on it says so.">
          {held ? held.part.name : 'Enter a part from its maker’s sheet.'}
        </Sentence>
        <form
          ref={form}
          noValidate
          onSubmit={(event) => {
            event.preventDefault()
            void keep()
          }}
        >
          <Part title="What it is">
            <SimpleGrid columns={{ base: 1, md: 2 }} gap={4}>
              {held ? null : (
                <Choose
                  label="Kind of part"
                  value={table}
                  options={Object.entries(PART_KINDS).map(([value, { one }]) => ({ value, label: one }))}
                  onChoose={(value) => begin(value as PartTable)}
                />
              )}
              {held ? null : (
                <Choose
                  label="Most like this generic part"
                  value={fromId}
                  options={partOptions(CATALOGUE[table])}
                  onChoose={(value) => say({ from: value })}
                />
              )}
              <TextField
                label="Name"
                value={name}
                example="Yard camera, 5 MP"
                wrong={tried ? read.wrong.name : undefined}
                onType={(value) => say({ name: value })}
              />
              <TextField
                label="Read from"
                value={sheet}
                example="Data sheet, page 2"
                onType={(value) => say({ sheet: value })}
              />
            </SimpleGrid>
          </Part>
          <Part title="What stands on the sheet">
            <SimpleGrid columns={{ base: 1, md: 2, lg: 3 }} gapX={5} gapY={3}>
              {asksOf(table, from).map((asked) => (
                <SheetField
                  key={`${table}/${asked.path}`}
                  asked={asked}
                  words={entries[asked.path] ?? ''}
                  generic={valueAt(from, asked.path)}
                  wrong={read.wrong[asked.path]}
                  units={units}
                  onSay={(said) => say({ entries: { ...entries, [asked.path]: said } })}
                />
              ))}
            </SimpleGrid>
          </Part>
          <Refusal>{tried && !read.own ? whyNot(read) : refused}</Refusal>
          <Button type="submit" mt={3} colorPalette="copper" minH="48px" px={8}>
            Keep it
          </Button>
        </form>
        {held ? <TakeOut part={held} home={home} /> : null}
      </Box>
      <Beside title="What is read, and what is not">
        <Costs read={read} asked={asksOf(table, from).length} />
      </Beside>
    </Grid>
  )
}

const whyNot = ({ wrong }: Sheet): string =>
  wrong['']
    ? `It is not kept yet: ${inSentence(wrong[''])}`
    : `It is not kept yet: ${Object.keys(wrong).length === 1 ? 'one field wants' : 'some fields want'} a look.`

/** What is missing, and what that costs. */
function Costs({ read: { read, unread, wrong }, asked }: { read: Sheet; asked: number }) {
  return (
    <Box
      role="region"
      aria-label="What is read"
      tabIndex={0}
      position={{ xl: 'sticky' }}
      top={2}
      maxH={{ xl: 'calc(100vh - 70px)' }}
      overflowY={{ xl: 'auto' }}
    >
      <Text role="status">
        <strong>
          {read} of {asked}
        </strong>{' '}
        values are read from the sheet.
      </Text>
      {wrong[''] ? <Text color="stop">{wrong['']}</Text> : null}
      {unread.length > 0 ? (
        <>
          <Text mt={2} color="soft">
            Not read, and what cannot be relied on without it:
          </Text>
          <Box as="ul" ps={4} listStyleType="disc" fontSize="sm">
            {unread.map(({ path, label, costs }) => (
              <li key={path}>
                {label}:{' '}
                <Text as="span" color="soft">
                  {costs}
                </Text>
              </li>
            ))}
          </Box>
        </>
      ) : (
        <Text mt={2} color="good">
          ✓ Nothing is taken from the generic part.
        </Text>
      )}
    </Box>
  )
}

function TakeOut({ part, home }: { part: OwnPart; home: string }) {
  const { job, send } = useJob()
  const [refused, setRefused] = useState<string | null>(null)
  const users = usersOf(job, part.id)
  return (
    <Box mt={8}>
      {users.length > 0 ? (
        <Text color="soft" mb={2}>
          Made with it: {users.map(({ mark, name }) => `${mark} ${name}`).join(', ')}.
        </Text>
      ) : null}
      <Removal
        label="Take it out of the job"
        asks={`Take ${part.part.name} out?`}
        onRemove={async () => {
          const said = await send({ type: 'removePart', partId: part.id })
          if (said.ok) go(home)
          else setRefused(refusal(said))
        }}
      />
      <Refusal>{refused}</Refusal>
    </Box>
  )
}
