'use client'

import { Box, Button, HStack, SimpleGrid, Text } from '@chakra-ui/react'
import { rowsIn, type Entries, type Value } from '@/core/parts'
import { Choose, type Option } from '../kit/Choose'
import { TextField } from '../kit/TextField'
import { Tick } from '../kit/Tick'
import type { SheetFieldProps } from './SheetField'

interface RowsFieldProps extends SheetFieldProps {
  readonly counts: string
  readonly start: string
}

/** A list of rows: openings, ports, pieces. Not read, it is as the generic part has it. */
export function RowsField({ asked, words, wrong, onSay, counts, start }: RowsFieldProps) {
  const { way } = asked
  if (way.as !== 'rows') return null
  const rows = words === '' ? [] : (rowsIn(words) ?? [])
  const say = (now: readonly Entries[]) => onSay(JSON.stringify(now))
  return (
    <Box as="fieldset" gridColumn="1 / -1" borderTopWidth="1px" borderColor="rule" pt={2}>
      <Text as="legend" float="left" fontFamily="heading" fontWeight={600}>
        {asked.label}
      </Text>
      <Box css={{ clear: 'both' }}>
        {asked.hint ? <Text color="soft">{asked.hint}</Text> : null}
        <Tick checked={words === ''} onTick={(ticked) => onSay(ticked ? '' : start)}>
          Not read: counts as {counts}
        </Tick>
      </Box>
      {rows.map((row, index) => (
        <HStack key={index} align="start" gap={3} py={2} borderTopWidth="1px" borderColor="rule">
          <SimpleGrid flex="1" columns={{ base: 1, sm: 2, md: Math.min(way.row.length, 5) }} gap={3}>
            {way.row.map((one) => (
              <Cell
                key={one.path}
                asked={one}
                words={row[one.path] ?? ''}
                place={index + 1}
                onSay={(said) => say(rows.with(index, { ...row, [one.path]: said }))}
              />
            ))}
          </SimpleGrid>
          <Button
            variant="outline"
            colorPalette="inky"
            minH="44px"
            mt={{ md: 6 }}
            aria-label={`Remove row ${index + 1} of ${asked.label}`}
            onClick={() => say(rows.filter((_, i) => i !== index))}
          >
            Remove
          </Button>
        </HStack>
      ))}
      {words === '' ? null : (
        <Button
          variant="outline"
          colorPalette="inky"
          minH="44px"
          mt={1}
          onClick={() => say([...rows, firstOf(way.row)])}
        >
          {way.add}
        </Button>
      )}
      {wrong ? (
        <Text role="alert" color="stop" mt={1}>
          {wrong}
        </Text>
      ) : null}
    </Box>
  )
}

/** A new row: its choices stand at their first. */
const firstOf = (row: readonly Value[]): Entries =>
  Object.fromEntries(
    row.map(({ path, way, none }) => [
      path,
      way.as === 'choice' && none === undefined ? Object.keys(way.options)[0]! : '',
    ]),
  )

interface CellProps {
  readonly asked: Value
  readonly words: string
  readonly place: number
  readonly onSay: (words: string) => void
}

function Cell({ asked, words, place, onSay }: CellProps) {
  const { label, way, none, hint } = asked
  const called = `${label}, ${place}`
  if (way.as === 'choice')
    return (
      <Choose
        label={called}
        value={words}
        options={[
          ...(none ? [{ value: '', label: none }] : []),
          ...Object.entries(way.options).map(([value, name]): Option => ({ value, label: name })),
        ]}
        onChoose={onSay}
      />
    )
  return <TextField label={called} value={words} example={none} hint={hint} onType={onSay} />
}
