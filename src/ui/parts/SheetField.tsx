'use client'

import { Box, SimpleGrid, Text } from '@chakra-ui/react'
import { NONE, understood, wordsFor, type Asked, type Value } from '@/core/parts'
import { inSentence, type UnitSystem } from '@/core/units'
import { Choose, type Option } from '../kit/Choose'
import { TextField } from '../kit/TextField'
import { Tick } from '../kit/Tick'
import { RowsField } from './RowsField'

export interface SheetFieldProps {
  readonly asked: Asked
  readonly words: string
  /** What the generic part has: it counts while nothing is read. */
  readonly generic: unknown
  readonly wrong: string | undefined
  readonly units: UnitSystem
  readonly onSay: (words: string) => void
}

/** A value in the words of the form: names for keys, "no DC" for none. */
export function saidOf({ way, none }: Asked, words: string): string {
  if (words === NONE) return none ? inSentence(none) : 'none'
  switch (way.as) {
    case 'choice':
      return inSentence(way.options[words] ?? words)
    case 'ticks':
      return words
        .split(', ')
        .map((key) => inSentence(way.options[key] ?? key))
        .join(', ')
    case 'rows':
      return (JSON.parse(words) as Record<string, string>[]).map((row) => told(way.row, row)).join('; ')
    default:
      return words
  }
}

/** A row in a few words: what it is called, and its figures. */
const told = (asks: readonly Value[], row: Readonly<Record<string, string>>): string =>
  asks
    .filter(({ way }, place) => place === 0 || way.as === 'quantity' || way.as === 'list')
    .flatMap(({ path }) => row[path] || [])
    .join(' ')

/** One value of a maker's sheet. Empty is not read: it says what counts meanwhile. */
export function SheetField(props: SheetFieldProps) {
  const { asked, words, generic, wrong, units, onSay } = props
  const { way, label, none } = asked
  const genericWords = wordsFor(asked, generic, units)
  const counts = saidOf(asked, genericWords)
  switch (way.as) {
    case 'choice':
    case 'yes or no': {
      const options = way.as === 'choice' ? way.options : { yes: 'Yes', no: 'No' }
      return (
        <Choose
          label={label}
          value={words}
          error={wrong}
          hint={asked.hint}
          options={[
            { value: '', label: `Not read: ${counts}` },
            ...Object.entries(options).map(([value, name]): Option => ({ value, label: name })),
            ...(none ? [{ value: NONE, label: none }] : []),
          ]}
          onChoose={onSay}
        />
      )
    }
    case 'ticks':
      return <TicksField {...props} options={way.options} counts={counts} start={genericWords} />
    case 'rows':
      return <RowsField {...props} counts={counts} start={genericWords} />
    default:
      return <LineOfSheet {...props} counts={counts} />
  }
}

/** A number, a range, words or a list of words. */
function LineOfSheet({ asked, words, wrong, units, onSay, counts }: SheetFieldProps & { counts: string }) {
  const { label, none, hint } = asked
  const isNone = words === NONE
  const read = words === '' || isNone ? null : understood(asked, words, units)
  const echo = read && 'value' in read ? wordsFor(asked, read.value, units) : null
  const said = [
    echo !== null && echo !== words ? `= ${echo}.` : '',
    words === '' ? `Not read: counts as ${counts}.` : '',
    hint,
  ]
    .filter(Boolean)
    .join(' ')
  return (
    <Box>
      <TextField
        label={label}
        value={isNone ? '' : words}
        wrong={wrong}
        disabled={isNone}
        hint={said}
        onType={onSay}
      />
      {none ? (
        <Tick checked={isNone} onTick={(ticked) => onSay(ticked ? NONE : '')}>
          {none}
        </Tick>
      ) : null}
    </Box>
  )
}

interface TicksFieldProps extends SheetFieldProps {
  readonly options: Readonly<Record<string, string>>
  readonly counts: string
  readonly start: string
}

function TicksField({ asked, words, wrong, onSay, options, counts, start }: TicksFieldProps) {
  const chosen = words === '' || words === NONE ? [] : words.split(', ')
  const tick = (key: string, ticked: boolean) => {
    const now = ticked ? [...chosen, key] : chosen.filter((one) => one !== key)
    onSay(now.join(', ') || NONE)
  }
  return (
    <Box as="fieldset" gridColumn={{ md: '1 / -1' }}>
      <Text as="legend" color="soft">
        {asked.label}
      </Text>
      <Tick checked={words === ''} onTick={(ticked) => onSay(ticked ? '' : start)}>
        Not read: counts as {counts}
      </Tick>
      {words === '' ? null : (
        <SimpleGrid columns={{ base: 2, md: 4 }}>
          {Object.entries(options).map(([key, name]) => (
            <Tick key={key} checked={chosen.includes(key)} onTick={(ticked) => tick(key, ticked)}>
              {name}
            </Tick>
          ))}
        </SimpleGrid>
      )}
      {wrong ? (
        <Text role="alert" color="stop" fontSize="sm">
          {wrong}
        </Text>
      ) : null}
    </Box>
  )
}
