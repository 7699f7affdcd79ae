'use client'

import { Box, Button, HStack, IconButton, SimpleGrid } from '@chakra-ui/react'
import { ArrowUp, Trash2 } from 'lucide-react'
import { v4 as uuid } from 'uuid'
import { FED_FREELY, SIZED_FORMS, SPACES, type Segment, type SpaceId, type Way } from '@/core/job'
import { formOf, type LeadShown } from '@/core/route'
import { useCatalogue } from '../job/JobProvider'
import { Choose, optionsOf } from '../kit/Choose'
import { LineField, refusalOf } from '../kit/LineField'
import { PlanQuantity, type Editing } from '../kit/PlanQuantity'
import { Tick } from '../kit/Tick'
import { LeadFields } from './LeadFields'

interface WayEditorProps {
  readonly way: Way
  readonly plan: Editing<Way>
  /** What is known of its ready-made lead; null without one. */
  readonly lead: LeadShown | null
}

/** The way of a cable, stretch by stretch, with its patch leads or its ready-made lead. */
export function WayEditor({ way, plan, lead }: WayEditorProps) {
  const { keep, draft } = plan
  const catalogue = useCatalogue()
  const { segments } = way
  const changed = (id: string, change: Partial<Segment>) => (now: Way) => ({
    segments: now.segments.map((segment) => (segment.id === id ? { ...segment, ...change } : segment)),
  })
  const add = () =>
    keep((now) => ({
      segments: [
        ...now.segments,
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
    }))
  const sizesOf = (space: SpaceId) =>
    [...catalogue.conduits.values()].flatMap((one) =>
      formOf(one) === SPACES[space].sized ? [{ value: one.id, label: one.name }] : [],
    )
  const earlier = (id: string) =>
    keep(({ segments: now }) => {
      const at = now.findIndex((one) => one.id === id)
      return at < 1 ? {} : { segments: now.toSpliced(at - 1, 2, now[at]!, now[at - 1]!) }
    })
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
          <PlanQuantity
            plan={plan}
            label="Length"
            kind="length"
            value={segment.lengthM}
            least={0}
            most={1000}
            field={`${segment.id}:length`}
            as={(lengthM) => changed(segment.id, { lengthM })}
          />
          <PlanQuantity
            plan={plan}
            label="Rise (− drop)"
            kind="length"
            value={segment.riseM}
            least={-100}
            most={100}
            field={`${segment.id}:rise`}
            as={(riseM) => changed(segment.id, { riseM })}
          />
          <PlanQuantity
            plan={plan}
            label="As hot as"
            kind="temperature"
            value={segment.temperatureC}
            least={-40}
            most={90}
            field={`${segment.id}:temperature`}
            as={(temperatureC) => changed(segment.id, { temperatureC })}
          />
          <HStack pt={{ md: 6 }} align="start">
            <IconButton
              aria-label={`Stretch ${index + 1} earlier`}
              variant="outline"
              colorPalette="inky"
              minH="44px"
              minW="44px"
              disabled={index === 0}
              onClick={() => earlier(segment.id)}
            >
              <ArrowUp size={18} />
            </IconButton>
            <IconButton
              aria-label={`Take stretch ${index + 1} out`}
              variant="outline"
              colorPalette="inky"
              minH="44px"
              minW="44px"
              onClick={() =>
                keep((now) => ({ segments: now.segments.filter(({ id }) => id !== segment.id) }))
              }
            >
              <Trash2 size={18} />
            </IconButton>
          </HStack>
          {SPACES[segment.space].sized ? (
            <Choose
              label={SIZED_FORMS[SPACES[segment.space].sized!]}
              value={segment.conduitId ?? ''}
              options={[{ value: '', label: 'Size not known' }, ...sizesOf(segment.space)]}
              onChoose={(id) => keep(changed(segment.id, { conduitId: id || null }))}
            />
          ) : null}
          {SPACES[segment.space].sized ? (
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
        <PlanQuantity
          plan={plan}
          label="Patch leads, both ends together"
          kind="length"
          value={way.cordsM}
          least={0}
          most={50}
          field="cords"
          as={(cordsM) => ({ cordsM })}
        />
        <Box pt={{ md: 6 }}>
          <Tick
            checked={way.lead !== null}
            onTick={(lead) => keep({ lead: lead ? { lengthM: 30, ...FED_FREELY } : null })}
          >
            Ready-made lead, never cut
          </Tick>
        </Box>
        {way.lead !== null ? <LeadFields lead={way.lead} shown={lead} plan={plan} /> : null}
      </SimpleGrid>
    </>
  )
}
