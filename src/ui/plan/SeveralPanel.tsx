'use client'

import { Button, Heading, Stack, Text } from '@chakra-ui/react'
import { ACTIONS } from './actions'
import { ActionWords } from './ActionWords'
import { pickedOn } from './changes'
import type { Editor } from './editor'

/** What can be done with several things at once. */
export function SeveralPanel({ editor }: { editor: Editor }) {
  const { things, placed } = pickedOn(editor.job, editor.selected)
  return (
    <Stack gap={1}>
      <Heading as="h2" fontSize="md">
        {editor.selected.length} selected
      </Heading>
      <Text color="soft" mb={1}>
        {things.length} drawn, {placed.length} {placed.length === 1 ? 'device' : 'devices'}. Drag one to move
        them all; Shift and a click takes one in or out.
      </Text>
      {ACTIONS.filter(({ can }) => can(editor)).map((action) => (
        <Button
          key={action.label}
          size="sm"
          minH="44px"
          data-row
          justifyContent="space-between"
          variant="ghost"
          colorPalette="inky"
          fontWeight={400}
          onClick={() => action.run(editor, null)}
        >
          <ActionWords action={action} />
        </Button>
      ))}
    </Stack>
  )
}
