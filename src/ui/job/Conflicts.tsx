'use client'

import { Box, Button, HStack, Text } from '@chakra-ui/react'
import { CableBox, changeAt, type Change, type Conflict, type Job } from '@/core/job'
import { bothMarks, PhotoMarks, type PhotoMark } from '@/core/photo'
import { print, type UnitSystem } from '@/core/units'
import { useJob } from './JobProvider'

/** Fields that two people set without knowing of each other: both values, to choose from. */
export function Conflicts() {
  const { job, send } = useJob()
  if (job.conflicts.length === 0) return null
  return (
    <Box role="alert" borderLeftWidth="4px" borderColor="check" bg="sheet" px={4} py={3} className="no-print">
      {job.conflicts.map((conflict) => {
        const { id, path, newer, older } = conflict
        const change = changeAt(job, path, older.value)
        const both = bothOf(conflict)
        const [inUse, other] = [words(newer.value, job.units), words(older.value, job.units)]
        const alike = inUse === other
        const [keep, use] = alike ? [`${newer.by}’s`, `${older.by}’s`] : [inUse, other]
        return (
          <HStack key={id} gap={3} flexWrap="wrap" mb={2}>
            <Text flex={{ base: '1 0 100%', md: '1' }}>
              <strong>▲ Two people changed {whereOf(job, conflict)}.</strong> In use: {inUse} ({newer.by}).
              The other: {other} ({older.by}).
            </Text>
            <Button
              minH="44px"
              variant="outline"
              colorPalette="inky"
              onClick={() => void send({ type: 'settleConflict', conflictId: id })}
            >
              Keep {keep}
            </Button>
            {change ? (
              <Button minH="44px" variant="outline" colorPalette="inky" onClick={() => void send(change)}>
                Use {use}
              </Button>
            ) : null}
            {both ? (
              <Button minH="44px" variant="outline" colorPalette="inky" onClick={() => void send(both)}>
                Use both
              </Button>
            ) : null}
          </HStack>
        )
      })}
    </Box>
  )
}

/** What two people drew on one photo goes together; nothing else does. */
function bothOf({ path, newer, older }: Conflict): Change | null {
  const [what, photoId] = path.split('/')
  const [now, before] = [PhotoMarks.safeParse(newer.value).data, PhotoMarks.safeParse(older.value).data]
  const marks = what === 'photo' && now && before ? bothMarks(now, before) : null
  return marks && { type: 'markPhoto', photoId: photoId!, marks }
}

/** `tiltDeg` as "tilt": the unit stands with the value where it is entered. */
const fieldName = (field: string): string =>
  field
    .replace(/(Deg|Mm|MS|M|N|V|S|C)$/, '')
    .replace(/([a-z])([A-Z])/g, '$1 $2')
    .toLowerCase()

/** What the field is called by those who look at it. */
function whereOf(job: Job, { path }: Conflict): string {
  const [what, id = '', ...rest] = path.split('/')
  if (what === 'job') return `the job’s ${fieldName(id)}`
  if (what === 'site') return 'where the site lies'
  if (what === 'background') return 'the drawing under the plan'
  if (what === 'box') return 'a begun box of cable'
  if (what === 'fault') return `a fault’s ${fieldName(rest[0] ?? '')}`
  if (what === 'thing') return `the ${fieldName(rest[0] ?? '')} of something on the plan`
  const device = job.devices.find((one) => one.id === id)
  const mark = device ? `${device.mark} ${device.name}` : 'a device'
  if (what === 'photo') return 'what is drawn on a photo'
  if (what === 'handed') return `to whom a step of ${mark} is left`
  return what === 'step' ? `a recorded step of ${mark}` : `the ${fieldName(rest.at(-1) ?? '')} of ${mark}`
}

const MARKED: Readonly<Record<PhotoMark['kind'], string>> = {
  arrow: 'an arrow',
  ring: 'a ring',
  line: 'a line',
  words: 'words',
  known: 'a known length',
  length: 'a length',
}

function words(value: unknown, units: UnitSystem): string {
  if (value === null || value === '') return 'nothing'
  if (typeof value === 'boolean') return value ? 'yes' : 'no'
  if (typeof value === 'string' || typeof value === 'number') return String(value)
  const marks = PhotoMarks.safeParse(value).data
  if (marks) return marks.length === 0 ? 'nothing' : marks.map(({ kind }) => MARKED[kind]).join(', ')
  const box = CableBox.safeParse(value).data
  if (box) return `${box.name || 'no name'}, ${print({ value: box.leftM, kind: 'cut' }, units)} left`
  if (Array.isArray(value)) return `${value.length} of them`
  const { note, value: read, choice, colleague } = value as Readonly<Record<string, unknown>>
  const said = [colleague, read, choice, note].filter(
    (one) => typeof one === 'string' || typeof one === 'number',
  )
  return said.filter((one) => one !== '').join(', ') || 'what was drawn or chosen'
}
