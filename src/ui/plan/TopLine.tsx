'use client'

import { Box, Heading, NativeSelect, Text } from '@chakra-ui/react'
import { ChevronDown, ChevronUp } from 'lucide-react'
import { useState, type ReactNode } from 'react'
import { FLOORS, type Floor } from '@/core/job'
import type { Editor } from './editor'
import { IconPress } from './IconPress'

/** Which floor, how things stand on it and what to do next, in one line over the sheet; unfolded, in full. */
export function TopLine({
  editor,
  sentence,
  next,
  end,
}: {
  editor: Editor
  sentence: string
  next: string | undefined
  /** What stands at its end. */
  end: ReactNode
}) {
  const [whole, show] = useState(false)
  return (
    <Box
      display="flex"
      alignItems="flex-start"
      gap={2}
      minH={{ base: '56px', md: '44px' }}
      pt={{ base: 1, md: 0 }}
      bg="paper"
      borderBottomWidth="1px"
      borderColor="rule"
      px={2}
    >
      <FloorChoice editor={editor} />
      <Box flex="1" minW={0} pt="10px" pb={whole ? 2 : 0} {...(whole ? {} : ONE_LINE)}>
        <Heading as="h1" fontSize="md" display={whole ? 'block' : 'inline'} lineHeight="24px">
          {sentence}
        </Heading>
        {next ? (
          <Text as="span" color="soft" ms={whole ? 0 : 2} lineHeight="24px">
            {next}
          </Text>
        ) : null}
      </Box>
      {next ? (
        <IconPress
          name={whole ? 'One line' : 'The whole sentence'}
          icon={whole ? ChevronUp : ChevronDown}
          aria-expanded={whole}
          onPress={() => show(!whole)}
        />
      ) : null}
      {end}
    </Box>
  )
}

const ONE_LINE = { whiteSpace: 'nowrap', overflow: 'hidden', textOverflow: 'ellipsis' } as const

function FloorChoice({ editor: { floor, setFloor, job } }: { editor: Editor }) {
  const used = (id: Floor) =>
    job.things.some((thing) => thing.floor === id) ||
    job.backgrounds.some((one) => one.floor === id) ||
    job.devices.some(({ sight }) => sight?.place?.floor === id)
  return (
    <NativeSelect.Root w="108px" size="sm" flexShrink={0}>
      <NativeSelect.Field
        aria-label="Floor"
        minH="44px"
        borderWidth={0}
        bg="transparent"
        fontWeight={500}
        value={floor}
        onChange={(event) => setFloor(event.target.value as Floor)}
      >
        {(Object.keys(FLOORS) as Floor[]).map((id) => (
          <option key={id} value={id}>
            {FLOORS[id]}
            {used(id) ? '' : ' (empty)'}
          </option>
        ))}
      </NativeSelect.Field>
      <NativeSelect.Indicator />
    </NativeSelect.Root>
  )
}
