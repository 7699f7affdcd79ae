'use client'

import { Button, Fieldset, Heading, HStack, SimpleGrid, Stack } from '@chakra-ui/react'
import { Trash2 } from 'lucide-react'
import type { PlanThing } from '@/core/job'
import { wordOf } from '@/core/plan'
import { LineField, refusalOf } from '../kit/LineField'
import { QuantityField } from '../kit/QuantityField'
import type { Editor } from './editor'
import { fieldsOf, type Form } from './fields/fields'
import { LockPress } from './LockPress'

/** The fields of what is selected on the plan: its name, its measures, exact. */
export function ThingForm({ thing, editor }: { thing: PlanThing; editor: Editor }) {
  const { job, commit } = editor
  const put = (change: Partial<PlanThing>) => commit({ type: 'editThing', thingId: thing.id, change })
  const draft = (field: string) => `${job.id}:thing:${thing.id}:${field}`
  const figure: Form['figure'] = (kind, label, value, least, most, onKeep) => (
    <QuantityField
      label={label}
      kind={kind}
      units={job.units}
      value={value}
      least={least}
      most={most}
      draftKey={draft(label)}
      onKeep={(kept) => kept !== null && onKeep(kept)}
    />
  )
  const metres: Form['metres'] = (...of) => figure('length', ...of)
  const { measures, more } = fieldsOf(thing)
  return (
    <Stack gap={3}>
      <HStack justify="space-between">
        <Heading as="h2" fontSize="md">
          {wordOf(thing)}
        </Heading>
        <HStack>
          <LockPress picked={{ is: 'thing', id: thing.id }} locked={thing.locked} editor={editor} />
          <Button
            size="sm"
            minH="44px"
            disabled={thing.locked}
            variant="outline"
            colorPalette="inky"
            onClick={() => {
              void commit({ type: 'removeThing', thingId: thing.id })
              editor.select()
            }}
          >
            <Trash2 size={16} aria-hidden />
            Delete
          </Button>
        </HStack>
      </HStack>
      <Fieldset.Root disabled={thing.locked}>
        <Stack gap={3}>
          <LineField
            label="Name"
            value={thing.name}
            draftKey={draft('name')}
            onKeep={(name) => refusalOf(put({ name }))}
          />
          <SimpleGrid columns={2} gap={3}>
            {measures?.(thing, { editor, put, metres, figure })}
          </SimpleGrid>
          {more?.(thing, { editor, put, metres, figure })}
        </Stack>
      </Fieldset.Root>
    </Stack>
  )
}
