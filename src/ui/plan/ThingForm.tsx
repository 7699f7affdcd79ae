'use client'

import { Box, Button, HStack, Heading, IconButton, SimpleGrid, Stack, Text } from '@chakra-ui/react'
import { Trash2 } from 'lucide-react'
import { v4 as uuid } from 'uuid'
import { along, areaM2, bearingDeg, distanceM } from '@/core/geometry'
import { LEVELS, THING_KINDS, type LevelId, type PlanThing, type ThingOf } from '@/core/job'
import { levelsOf } from '@/core/sight'
import { print, type QuantityKind } from '@/core/units'
import { Choose } from '../kit/Choose'
import type { Said } from '../job/commands'
import { LineField, refusalOf } from '../kit/LineField'
import { QuantityField } from '../kit/QuantityField'
import type { Editor } from './editor'

/** The fields of what is selected on the plan: its name, its measures, exact. */
export function ThingForm({ thing, editor }: { thing: PlanThing; editor: Editor }) {
  const { job, commit } = editor
  const put = (change: Partial<PlanThing>) =>
    commit({ type: 'putThing', thing: { ...thing, ...change } as PlanThing })
  const draft = (field: string) => `${job.id}:thing:${thing.id}:${field}`
  const metres = (
    label: string,
    value: number,
    least: number,
    most: number,
    onKeep: (value: number) => Promise<Said>,
    field = label,
  ) => (
    <QuantityField
      label={label}
      kind="length"
      units={job.units}
      value={value}
      least={least}
      most={most}
      draftKey={draft(field)}
      onKeep={(kept) => kept !== null && onKeep(kept)}
    />
  )
  return (
    <Stack gap={3}>
      <HStack justify="space-between">
        <Heading as="h2" fontSize="md">
          {THING_KINDS[thing.kind]}
        </Heading>
        <Button
          size="sm"
          minH="44px"
          variant="outline"
          colorPalette="inky"
          onClick={() => {
            void commit({ type: 'removeThing', thingId: thing.id })
            editor.select(null)
          }}
        >
          <Trash2 size={16} aria-hidden />
          Delete
        </Button>
      </HStack>
      <LineField
        label="Name"
        value={thing.name}
        draftKey={draft('name')}
        onKeep={(name) => refusalOf(put({ name }))}
      />
      <SimpleGrid columns={2} gap={3}>
        {thing.kind === 'wall' || thing.kind === 'soffit'
          ? metres('Length', distanceM(thing.from, thing.to), 0.05, 1000, (lengthM) =>
              put({ to: along(thing.from, bearingDeg(thing.from, thing.to), lengthM) }),
            )
          : null}
        {thing.kind === 'wall' || thing.kind === 'obstacle'
          ? metres('Height', thing.heightM, 0.05, 100, (heightM) => put({ heightM }))
          : null}
        {thing.kind === 'wall' || thing.kind === 'obstacle'
          ? metres('Starts above the floor', thing.baseM, 0, 100, (baseM) => put({ baseM }))
          : null}
        {thing.kind === 'soffit'
          ? metres('Depth', thing.depthM, 0.05, 10, (depthM) => put({ depthM }))
          : null}
        {thing.kind === 'soffit'
          ? metres('Underside', thing.undersideM, 0.5, 60, (undersideM) => put({ undersideM }))
          : null}
        {thing.kind === 'soffit' ? metres('Lip hangs', thing.lipM, 0, 2, (lipM) => put({ lipM })) : null}
        {thing.kind === 'obstacle' && thing.form.is === 'round' ? (
          <RoundFields thing={thing} metres={metres} put={put} />
        ) : null}
        {thing.kind === 'area' || thing.kind === 'target'
          ? metres('Target height', thing.targetHeightM, 0, 20, (targetHeightM) => put({ targetHeightM }))
          : null}
      </SimpleGrid>
      {thing.kind === 'area' || thing.kind === 'target' ? (
        <Choose
          label="Must show"
          value={thing.level}
          options={levelsOf(job.policies.edition).map((id) => ({
            value: id,
            label: `${LEVELS[id].name}, ${print({ value: LEVELS[id].densityPxM, kind: 'density' }, job.units)}`,
          }))}
          onChoose={(level) => put({ level: level as LevelId })}
        />
      ) : null}
      {thing.kind === 'soffit' ? (
        <Box>
          <Text fontSize="sm" color="soft">
            The wall lies to the left of the edge as it was drawn.
          </Text>
          <Button
            size="sm"
            minH="44px"
            mt={1}
            variant="outline"
            colorPalette="inky"
            onClick={() => put({ from: thing.to, to: thing.from })}
          >
            Turn it to the other side
          </Button>
        </Box>
      ) : null}
      {'outline' in thing ? (
        <Text className="figures">
          {print({ value: areaM2(thing.outline), kind: 'ground' }, job.units)}, {thing.outline.length}{' '}
          corners.
        </Text>
      ) : null}
      {thing.kind === 'wall' ? <Openings wall={thing} editor={editor} /> : null}
    </Stack>
  )
}

type Metres = (
  label: string,
  value: number,
  least: number,
  most: number,
  onKeep: (value: number) => Promise<Said>,
  field?: string,
) => React.ReactNode

function RoundFields({
  thing,
  metres,
  put,
}: {
  thing: ThingOf<'obstacle'>
  metres: Metres
  put: (change: Partial<PlanThing>) => Promise<Said>
}) {
  const { form } = thing
  return form.is === 'round'
    ? metres('Across', 2 * form.radiusM, 0.04, 100, (across) =>
        put({ form: { ...form, radiusM: across / 2 } }),
      )
    : null
}

/** Doors, windows and gates of a wall. */
function Openings({ wall, editor: { job, commit } }: { wall: ThingOf<'wall'>; editor: Editor }) {
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
              const kind: QuantityKind = 'length'
              return (
                <QuantityField
                  key={key}
                  label={label}
                  kind={kind}
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
