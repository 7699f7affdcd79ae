'use client'

import { Box, Button, HStack, SimpleGrid, Text } from '@chakra-ui/react'
import type { DeviceAssessment } from '@/core/assess'
import { HOLES, PASSAGES, POLE_MATERIALS, type Mount, type PassageId } from '@/core/job'
import { usualWoodId } from '@/core/mount'
import type { UnitSystem } from '@/core/units'
import { mountDrawing } from '@/drawings'
import { useJob, useCatalogue } from '../job/JobProvider'
import { Choose, optionsOf, partOptions } from '../kit/Choose'
import { DrawingView, Sized } from '../kit/DrawingView'
import { PlanQuantity } from '../kit/PlanQuantity'
import { QuantityField } from '../kit/QuantityField'
import { Tick } from '../kit/Tick'
import { usePlan } from './plan'

/** Will it hold, what do I drill. */
export function MountSheet({ assessed }: { assessed: DeviceAssessment }) {
  const catalogue = useCatalogue()
  const { job } = useJob()
  const plan = usePlan('mount', assessed)
  const { input, result, planned, attempt, keep, giveUp, units, draft } = plan
  const fixing = catalogue.fixings.get(input.fixingId)
  // What holds here first; what does not stays on offer, because a backing board or another surface may be
  // meant.
  const fittingFixings = new Map(
    [...catalogue.fixings].sort(
      ([, a], [, b]) =>
        Number(b.holdsIn.includes(result.drawing.holding)) -
        Number(a.holdsIn.includes(result.drawing.holding)),
    ),
  )
  const inWood = fixing?.kind === 'wood screw' || fixing?.kind === 'lag screw'
  const { holding } = result.drawing
  // What stays covers its own hole.
  const stays = result.drawing.stays > 0
  const drillable = holding !== 'pole' && holding !== 'box' && !stays
  return (
    <>
      <Box bg="sheet" borderWidth="1px" borderColor="rule" px={{ base: 1, md: 3 }} py={3}>
        <Sized>{(width) => <DrawingView drawing={mountDrawing(result.drawing, units, width)} />}</Sized>
      </Box>
      <SimpleGrid columns={{ base: 2, md: 3 }} gap={3} mt={4}>
        <Choose
          label="Fixing"
          value={input.fixingId}
          options={partOptions(fittingFixings)}
          hint={fixing ? `for ${fixing.holdsIn.join(', ')}` : undefined}
          onChoose={(fixingId) => {
            const chosen = catalogue.fixings.get(fixingId)!
            const screw = chosen.kind === 'wood screw' || chosen.kind === 'lag screw'
            void keep({
              fixingId,
              threadInWoodMm: screw ? chosen.threadMm : 0,
              woodId: screw ? (input.woodId ?? usualWoodId(catalogue)) : null,
              makersPullN: null,
            })
          }}
        />
        <PlanQuantity
          plan={plan}
          label="How many"
          kind="count"
          value={input.fixingCount}
          least={1}
          most={24}
          field="count"
          as={(count) => ({ fixingCount: Math.round(count) })}
        />
        <Choose
          label="Through the hole goes"
          value={input.passage}
          options={optionsOf(PASSAGES)}
          onChoose={(passage) => keep({ passage: passage as PassageId })}
        />
        {drillable ? (
          <Choose
            label="Cable hole"
            value={input.hole}
            options={optionsOf(HOLES)}
            onChoose={(hole) => keep({ hole: hole as Mount['hole'], holeMm: null })}
          />
        ) : null}
        {drillable && input.hole === 'kept' ? (
          <PlanQuantity
            plan={plan}
            label="Width of the hole that is there"
            kind="size"
            value={input.holeMm}
            least={1}
            most={200}
            field="hole"
            hint="measure it"
            as={(holeMm) => ({ holeMm })}
            none={{ holeMm: null }}
          />
        ) : null}
        {inWood ? (
          <>
            <Choose
              label="Wood"
              value={input.woodId ?? 'unknown'}
              options={[...partOptions(catalogue.woods), { value: 'unknown', label: 'Not known' }]}
              onChoose={(woodId) => keep({ woodId: woodId === 'unknown' ? null : woodId })}
            />
            <PlanQuantity
              plan={plan}
              label="Thread in solid wood"
              kind="size"
              value={input.threadInWoodMm}
              least={0}
              most={200}
              field="thread"
              hint={fixing ? `of ${fixing.threadMm} mm` : ''}
              as={(threadInWoodMm) => ({ threadInWoodMm })}
            />
          </>
        ) : (
          <PlanQuantity
            plan={plan}
            label="Maker’s pull-out figure, if known"
            kind="force"
            value={input.makersPullN}
            least={1}
            most={100000}
            field="pull"
            hint="for one fixing"
            as={(makersPullN) => ({ makersPullN })}
            none={{ makersPullN: null }}
          />
        )}
        {holding === 'wood' || holding === 'masonry' || holding === 'hollow masonry' ? (
          <PlanQuantity
            plan={plan}
            label="Nearest edge or joint from a fixing"
            kind="size"
            value={input.edgeMm}
            least={0}
            most={2000}
            field="edge"
            hint="measure it"
            as={(edgeMm) => ({ edgeMm })}
            none={{ edgeMm: null }}
          />
        ) : null}
        {drillable ? (
          <PlanQuantity
            plan={plan}
            label="Vent slot or joist from the cable hole"
            kind="size"
            value={input.slotMm}
            least={0}
            most={2000}
            field="slot"
            hint="from its middle; empty when none is near"
            as={(slotMm) => ({ slotMm })}
            none={{ slotMm: null }}
          />
        ) : null}
        {holding === 'pole' ? (
          <PoleFields
            pole={input.pole}
            units={units}
            draft={draft}
            onTry={(pole) => attempt({ pole })}
            onKeep={(pole) => keep({ pole })}
            onGiveUp={giveUp}
          />
        ) : null}
        {holding === 'tile' ? (
          <Tick checked={input.tethered} onTick={(tethered) => keep({ tethered })}>
            Tethered to the structure above
          </Tick>
        ) : null}
        {holding === 'soft sheet' || holding === 'steel sheet' ? (
          <Tick checked={input.backed} onTick={(backed) => keep({ backed })}>
            Backing board or joist behind
          </Tick>
        ) : null}
      </SimpleGrid>
      {planned && !stays ? (
        <HStack mt={4} gap={3} flexWrap="wrap">
          <Text color="soft">Drilling template at 1:1</Text>
          {[
            ['A4', 'paper=a4&format=pdf'],
            ['Letter', 'paper=letter&format=pdf'],
            ['SVG', 'paper=a4&format=svg'],
          ].map(([label, query]) => (
            <Button key={label} asChild size="sm" minH="44px" variant="outline" colorPalette="inky">
              <a href={`/api/jobs/${job.id}/template/${assessed.deviceId}?${query}`} download>
                {label}
              </a>
            </Button>
          ))}
        </HStack>
      ) : null}
    </>
  )
}

type Pole = NonNullable<Mount['pole']>

/** The pole as it is measured: sway and bands follow. */
function PoleFields({
  pole,
  units,
  draft,
  onTry,
  onKeep,
  onGiveUp,
}: {
  pole: Pole | null
  units: UnitSystem
  draft: (field: string) => string
  onTry: (pole: Pole) => void
  onKeep: (pole: Pole) => void
  onGiveUp: () => void
}) {
  const now = pole ?? { material: 'steel' as const, diameterMm: 114.3, wallMm: 3.6, heightM: 6 }
  const field = (
    label: string,
    kind: 'size' | 'length',
    key: 'diameterMm' | 'wallMm' | 'heightM',
    least: number,
    most: number,
  ) => (
    <QuantityField
      label={label}
      kind={kind}
      units={units}
      value={now[key]}
      least={least}
      most={most}
      draftKey={draft(key)}
      onTry={(value) => onTry({ ...now, [key]: value })}
      onKeep={(value) => value !== null && onKeep({ ...now, [key]: value })}
      onGiveUp={onGiveUp}
    />
  )
  return (
    <>
      <Choose
        label="Pole of"
        value={now.material}
        options={optionsOf(POLE_MATERIALS)}
        onChoose={(material) => onKeep({ ...now, material: material as Pole['material'] })}
      />
      {field('Pole across', 'size', 'diameterMm', 20, 1000)}
      {field('Its wall', 'size', 'wallMm', 0.5, 500)}
      {field('Height of the pole', 'length', 'heightM', 0.5, 60)}
    </>
  )
}
