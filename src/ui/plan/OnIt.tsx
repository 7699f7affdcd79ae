'use client'

import { Box, Button, HStack, Text } from '@chakra-ui/react'
import { nameOf, wordOf } from '@/core/plan'
import { Growing } from '../kit/Growing'
import type { Editor } from './editor'
import { Fold } from '../kit/Fold'

/** Everything on the floor as a list: the way to select without pointing. */
export function OnIt({ editor: { job, floor, selected, select, setTool } }: { editor: Editor }) {
  const here = job.things.filter((thing) => thing.floor === floor)
  const off = job.devices.filter(({ sight }) => !sight?.place)
  const on = job.devices.filter(({ sight }) => sight?.place?.floor === floor)
  const picked = (id: string) => selected.some((one) => one.id === id)
  const row = (id: string, is: 'thing' | 'device', label: string, kind: string) => (
    <Button
      key={id}
      display="flex"
      w="100%"
      data-row
      justifyContent="space-between"
      minH="44px"
      px={2}
      variant={picked(id) ? 'solid' : 'ghost'}
      colorPalette="inky"
      fontWeight={400}
      aria-pressed={picked(id)}
      onClick={() => {
        setTool({ does: 'select' })
        select(...(picked(id) ? [] : [{ is, id }]))
      }}
    >
      <Text as="span" truncate>
        {label}
      </Text>
      <Text as="span" opacity={0.75} fontSize="sm">
        {kind}
      </Text>
    </Button>
  )
  return (
    <Box>
      <Fold title={`Devices: ${on.length} here${off.length > 0 ? `, ${off.length} not placed` : ''}`}>
        <Growing items={on} draw={({ id, mark, name }) => row(id, 'device', `${mark} ${name}`, '')} />
        {off.map(({ id, mark, name }) => (
          <HStack key={id} data-row justify="space-between" px={2} minH="44px">
            <Text truncate>
              {mark} {name}
            </Text>
            <Button
              size="sm"
              minH="44px"
              variant="outline"
              colorPalette="inky"
              onClick={() => setTool({ does: 'place', deviceId: id })}
            >
              Place
            </Button>
          </HStack>
        ))}
      </Fold>
      <Fold title={`Drawn: ${here.length}`}>
        <Growing items={here} draw={(thing) => row(thing.id, 'thing', nameOf(thing), wordOf(thing))} />
      </Fold>
    </Box>
  )
}
