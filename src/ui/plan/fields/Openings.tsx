'use client'

import { Box, Button, HStack, IconButton, NativeSelect, SimpleGrid, Text } from '@chakra-ui/react'
import { Trash2 } from 'lucide-react'
import { useState } from 'react'
import { v4 as uuid } from 'uuid'
import { distanceM } from '@/core/geometry'
import type { ThingOf } from '@/core/job'
import { QuantityField } from '../../kit/QuantityField'
import type { Editor } from '../editor'

/** Usual sizes, m: common practice, no source; every one is a field after. */
const USUAL = {
  'door': { label: 'Door', widthM: 0.9, sillM: 0, headM: 2.1 },
  'double door': { label: 'Double door', widthM: 1.8, sillM: 0, headM: 2.1 },
  'garage door': { label: 'Garage door', widthM: 2.4, sillM: 0, headM: 2.1 },
  'window': { label: 'Window', widthM: 1.2, sillM: 0.9, headM: 2.1 },
  'small window': { label: 'Small window', widthM: 0.6, sillM: 1.4, headM: 2 },
  'shop window': { label: 'Shop window', widthM: 2.4, sillM: 0.3, headM: 2.4 },
} as const
type Usual = keyof typeof USUAL
type Opening = ThingOf<'wall'>['openings'][number]

/** Doors, windows and gates of a wall. */
export function Openings({ wall, editor }: { wall: ThingOf<'wall'>; editor: Editor }) {
  const { job, commit } = editor
  const lengthM = distanceM(wall.from, wall.to)
  const put = (edit: (openings: Opening[]) => Opening[]) =>
    commit(({ things }) => {
      const now = things.find(({ id }) => id === wall.id)
      const { openings } = now?.kind === 'wall' ? now : wall
      return { type: 'editThing', thingId: wall.id, change: { openings: edit(openings) } }
    })
  const change = (id: string, by: object) =>
    put((now) => now.map((one) => (one.id === id ? { ...one, ...by } : one)))
  const fields: readonly (readonly [key: 'alongM' | 'widthM' | 'sillM' | 'headM', label: string])[] = [
    ['alongM', 'From its start'],
    ['widthM', 'Width'],
    ['sillM', 'Sill'],
    ['headM', 'Head'],
  ]
  const [usual, choose] = useState<Usual>('door')
  const add = () => {
    const { sillM, headM, ...size } = USUAL[usual]
    const widthM = Math.min(size.widthM, lengthM * 0.8)
    const topM = wall.baseM + wall.heightM
    void put((now) => [
      ...now,
      {
        id: `opening-${uuid().slice(0, 8)}`,
        name: '',
        alongM: Math.round((lengthM - widthM) * 50) / 100,
        widthM,
        sillM: sillM < topM ? sillM : 0,
        headM: Math.min(headM, topM),
      },
    ])
  }
  return (
    <Box>
      <Text fontWeight={600}>Openings</Text>
      <HStack justify="space-between">
        <NativeSelect.Root size="sm" flex="1">
          <NativeSelect.Field
            aria-label="What the opening is"
            minH="44px"
            borderColor="ink"
            value={usual}
            onChange={(event) => choose(event.target.value as Usual)}
          >
            {(Object.keys(USUAL) as Usual[]).map((name) => (
              <option key={name} value={name}>
                {USUAL[name].label}
              </option>
            ))}
          </NativeSelect.Field>
          <NativeSelect.Indicator />
        </NativeSelect.Root>
        <Button size="sm" minH="44px" variant="outline" colorPalette="inky" onClick={add}>
          Add an opening
        </Button>
      </HStack>
      {wall.openings.map((opening, i) => (
        <Box
          key={opening.id}
          borderTopWidth="1px"
          borderColor="rule"
          pt={2}
          mt={2}
          role="group"
          aria-label={`Opening ${i + 1}`}
        >
          <SimpleGrid columns={2} gap={2}>
            {fields.map(([key, label]) => {
              return (
                <QuantityField
                  key={key}
                  label={label}
                  kind="length"
                  units={job.units}
                  value={opening[key]}
                  least={0}
                  most={100}
                  draftKey={`${job.id}:opening:${wall.id}:${opening.id}:${key}`}
                  onKeep={(kept) => kept !== null && change(opening.id, { [key]: kept })}
                />
              )
            })}
          </SimpleGrid>
          <IconButton
            aria-label={`Remove opening ${i + 1}`}
            size="sm"
            minH="44px"
            minW="44px"
            variant="ghost"
            colorPalette="inky"
            onClick={() => put((now) => now.filter(({ id }) => id !== opening.id))}
          >
            <Trash2 size={16} />
          </IconButton>
        </Box>
      ))}
    </Box>
  )
}
