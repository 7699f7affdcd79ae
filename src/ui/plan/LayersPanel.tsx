'use client'

import { Box, Button, HStack, Stack, Text } from '@chakra-ui/react'
import { Tick } from '../kit/Tick'
import { SEEN, type Seen } from '@/drawings/plan'
import { SWITCHES, type Layers, type Switch } from './layers'

interface LayersProps {
  readonly layers: Layers
  readonly show: (change: Partial<Layers>) => void
}

/** What cameras see and how, and what else lies on the plan. */
export function LayersPanel({ layers, show }: LayersProps) {
  return (
    <Stack gap={1} role="group" aria-label="Layers">
      <Text fontWeight={600}>What cameras see</Text>
      <HStack gap={{ base: 2, md: 1 }} flexWrap="wrap">
        {(Object.keys(SEEN) as Seen[]).map((seen) => (
          <Choice key={seen} label={SEEN[seen]} on={layers.seen === seen} onPick={() => show({ seen })} />
        ))}
      </HStack>
      <HStack gap={{ base: 2, md: 1 }} flexWrap="wrap">
        <Choice label="On the ground" on={!layers.faces} onPick={() => show({ faces: false })} />
        <Choice label="At faces" on={layers.faces} onPick={() => show({ faces: true })} />
      </HStack>
      <Box h="1px" bg="rule" my={1} />
      {(Object.keys(SWITCHES) as Switch[]).map((name) => (
        <Box key={name} data-row>
          <Tick checked={layers[name]} onTick={(on) => show({ [name]: on })}>
            {SWITCHES[name].label}
          </Tick>
        </Box>
      ))}
    </Stack>
  )
}

function Choice({ label, on, onPick }: { label: string; on: boolean; onPick: () => void }) {
  return (
    <Button
      size="sm"
      minH="44px"
      px={2}
      variant={on ? 'solid' : 'outline'}
      colorPalette="inky"
      aria-pressed={on}
      onClick={onPick}
    >
      {label}
    </Button>
  )
}
