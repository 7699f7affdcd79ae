'use client'

import { Box, Button, HStack, IconButton, SimpleGrid } from '@chakra-ui/react'
import { ArrowUp, Trash2 } from 'lucide-react'
import { v4 as uuid } from 'uuid'
import { SPACES, type Segment, type SpaceId, type Way } from '@/core/job'
import type { UnitSystem } from '@/core/units'
import { useCatalogue } from '../job/JobProvider'
import type { Said } from '../job/commands'
import { Choose, optionsOf, partOptions } from '../kit/Choose'
import { LineField, refusalOf } from '../kit/LineField'
import { QuantityField } from '../kit/QuantityField'
import { Tick } from '../kit/Tick'

interface WayEditorProps {
  readonly way: Way
  readonly units: UnitSystem
  /** Names the draft of a field. */
  readonly draft: (field: string) => string
  readonly attempt: (change: Partial<Way>) => void
  readonly keep: (change: Partial<Way>) => Promise<Said>
  readonly giveUp: () => void
}

/** The way of a cable, stretch by stretch, with its patch leads or its ready-made lead. */
export function WayEditor({ way, units, draft, attempt, keep, giveUp }: WayEditorProps) {
  const catalogue = useCatalogue()
  const { segments } = way
  const changed = (id: string, change: Partial<Segment>) => ({
    segments: segments.map((segment) => (segment.id === id ? { ...segment, ...change } : segment)),
  })
  const add = () =>
    keep({
      segments: [
        ...segments,
        {
          id: `way-${uuid().slice(0, 8)}`,
          space: 'loft',
          lengthM: 5,
          riseM: 0,
          temperatureC: SPACES.loft.temperatureC,
          conduitId: null,
          conduitName: '',
        },
      ],
    })
  const earlier = (index: number) =>
    keep({ segments: segments.toSpliced(index - 1, 2, segments[index]!, segments[index - 1]!) })
  return (
    <>
      {segments.map((segment, index) => (
        <SimpleGrid
          key={segment.id}
          columns={{ base: 2, md: 5 }}
          gap={3}
          py={2}
          borderTopWidth="1px"
          borderColor="rule"
          gridTemplateColumns={{ md: '1.4fr 1fr 1fr 1fr auto' }}
          aria-label={`Stretch ${index + 1}`}
          role="group"
        >
          <Choose
            label={`${index + 1} through`}
            value={segment.space}
            options={optionsOf(SPACES)}
            onChoose={(space) =>
              keep(
                changed(segment.id, {
                  space: space as SpaceId,
                  temperatureC: SPACES[space as SpaceId].temperatureC,
                  conduitId: null,
                  conduitName: '',
                }),
              )
            }
          />
          <QuantityField
            label="Length"
            kind="length"
            units={units}
            value={segment.lengthM}
            least={0}
            most={1000}
            draftKey={draft(`${segment.id}:length`)}
            onTry={(lengthM) => attempt(changed(segment.id, { lengthM }))}
            onKeep={(lengthM) => lengthM !== null && keep(changed(segment.id, { lengthM }))}
            onGiveUp={giveUp}
          />
          <QuantityField
            label="Rise (− drop)"
            kind="length"
            units={units}
            value={segment.riseM}
            least={-100}
            most={100}
            draftKey={draft(`${segment.id}:rise`)}
            onTry={(riseM) => attempt(changed(segment.id, { riseM }))}
            onKeep={(riseM) => riseM !== null && keep(changed(segment.id, { riseM }))}
            onGiveUp={giveUp}
          />
          <QuantityField
            label="As hot as"
            kind="temperature"
            units={units}
            value={segment.temperatureC}
            least={-40}
            most={90}
            draftKey={draft(`${segment.id}:temperature`)}
            onTry={(temperatureC) => attempt(changed(segment.id, { temperatureC }))}
            onKeep={(temperatureC) => temperatureC !== null && keep(changed(segment.id, { temperatureC }))}
            onGiveUp={giveUp}
          />
          <HStack pt={{ md: 6 }} align="start">
            <IconButton
              aria-label={`Stretch ${index + 1} earlier`}
              variant="outline"
              colorPalette="inky"
              minH="44px"
              minW="44px"
              disabled={index === 0}
              onClick={() => earlier(index)}
            >
              <ArrowUp size={18} />
            </IconButton>
            <IconButton
              aria-label={`Take stretch ${index + 1} out`}
              variant="outline"
              colorPalette="inky"
              minH="44px"
              minW="44px"
              onClick={() => keep({ segments: segments.filter(({ id }) => id !== segment.id) })}
            >
              <Trash2 size={18} />
            </IconButton>
          </HStack>
          {segment.space === 'conduit' ? (
            <Choose
              label="Conduit"
              value={segment.conduitId ?? ''}
              options={[{ value: '', label: 'Size not known' }, ...partOptions(catalogue.conduits)]}
              onChoose={(id) => keep(changed(segment.id, { conduitId: id || null }))}
            />
          ) : null}
          {segment.space === 'conduit' ? (
            <LineField
              label="Shared with other runs under the name"
              value={segment.conduitName}
              draftKey={draft(`${segment.id}:conduit`)}
              example="empty when it has its own"
              onKeep={(conduitName) => refusalOf(keep(changed(segment.id, { conduitName })))}
            />
          ) : null}
        </SimpleGrid>
      ))}
      <Button mt={2} variant="outline" colorPalette="inky" minH="44px" onClick={add}>
        Add a stretch
      </Button>
      <SimpleGrid columns={{ base: 2, md: 3 }} gap={3} mt={4}>
        <QuantityField
          label="Patch leads, both ends together"
          kind="length"
          units={units}
          value={way.cordsM}
          least={0}
          most={50}
          draftKey={draft('cords')}
          onTry={(cordsM) => attempt({ cordsM })}
          onKeep={(cordsM) => cordsM !== null && keep({ cordsM })}
          onGiveUp={giveUp}
        />
        <Box pt={{ md: 6 }}>
          <Tick checked={way.leadLengthM !== null} onTick={(lead) => keep({ leadLengthM: lead ? 30 : null })}>
            Ready-made lead, never cut
          </Tick>
        </Box>
        {way.leadLengthM !== null ? (
          <QuantityField
            label="Length of the lead"
            kind="length"
            units={units}
            value={way.leadLengthM}
            least={0.5}
            most={1000}
            draftKey={draft('lead')}
            onTry={(leadLengthM) => attempt({ leadLengthM })}
            onKeep={(leadLengthM) => leadLengthM !== null && keep({ leadLengthM })}
            onGiveUp={giveUp}
          />
        ) : null}
      </SimpleGrid>
    </>
  )
}
