'use client'

import { Box, Button, HStack, IconButton, SimpleGrid, Text } from '@chakra-ui/react'
import { Trash2 } from 'lucide-react'
import { v4 as uuid } from 'uuid'
import { distanceM } from '@/core/geometry'
import type { ThingOf } from '@/core/job'
import { QuantityField } from '../../kit/QuantityField'
import type { Editor } from '../editor'

/** Doors, windows and gates of a wall. */
export function Openings({ wall, editor: { job, commit } }: { wall: ThingOf<'wall'>; editor: Editor }) {
  const lengthM = distanceM(wall.from, wall.to)
  const put = (openings: ThingOf<'wall'>['openings']) =>
    commit({ type: 'putThing', thing: { ...wall, openings } })
  const change = (id: string, by: object) =>
    put(wall.openings.map((one) => (one.id === id ? { ...one, ...by } : one)))
  const fields: readonly (readonly [key: 'alongM' | 'widthM' | 'sillM' | 'headM', label: string])[] = [
    ['alongM', 'From its start'],
    ['widthM', 'Width'],
    ['sillM', 'Sill'],
    ['headM', 'Head'],
  ]
  const add = () => {
    const widthM = Math.min(0.9, lengthM * 0.8)
    void put([
      ...wall.openings,
      {
        id: `opening-${uuid().slice(0, 8)}`,
        name: '',
        alongM: Math.round((lengthM - widthM) * 50) / 100,
        widthM,
        sillM: 0,
        headM: Math.min(2.1, wall.baseM + wall.heightM),
      },
    ])
  }
  return (
    <Box>
      <HStack justify="space-between">
        <Text fontWeight={600}>Openings</Text>
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
            onClick={() => put(wall.openings.filter(({ id }) => id !== opening.id))}
          >
            <Trash2 size={16} />
          </IconButton>
        </Box>
      ))}
    </Box>
  )
}
