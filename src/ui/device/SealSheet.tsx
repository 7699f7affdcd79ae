'use client'

import { Box, SimpleGrid } from '@chakra-ui/react'
import type { DeviceAssessment } from '@/core/assess'
import { sealDrawing } from '@/drawings'
import { useCatalogue } from '../job/JobProvider'
import { Choose } from '../kit/Choose'
import { DrawingView, Sized } from '../kit/DrawingView'
import { QuantityField } from '../kit/QuantityField'
import { usePlan } from './plan'

/** Will it stay dry: every opening, what closes it, the weakest named. */
export function SealSheet({ assessed }: { assessed: DeviceAssessment }) {
  const catalogue = useCatalogue()
  const { input, result, keep, units, draft } = usePlan('seal', assessed)
  const { links } = result.drawing
  const choiceOf = (ref: string) =>
    input.choices.find(({ opening }) => opening === ref) ?? { opening: ref, sealId: null, cables: 1 }
  const choose = (ref: string, change: { sealId?: string | null; cables?: number }) =>
    keep({
      choices: [...input.choices.filter(({ opening }) => opening !== ref), { ...choiceOf(ref), ...change }],
    })
  return (
    <>
      <Box bg="sheet" borderWidth="1px" borderColor="rule" px={{ base: 1, md: 3 }} py={3}>
        <Sized>{(width) => <DrawingView drawing={sealDrawing(result.drawing, units, width)} />}</Sized>
      </Box>
      <SimpleGrid columns={{ base: 1, md: 2 }} gap={3} mt={4}>
        {links
          .filter(({ kind }) => kind !== 'gasket')
          .map((link) => {
            const choice = choiceOf(link.ref)
            const parts = [...catalogue.seals.values()].filter(({ closes }) => closes.includes(link.kind))
            return (
              <SimpleGrid key={link.ref} columns={2} gap={2} gridTemplateColumns="1fr 88px">
                <Choose
                  label={`${link.partName}: ${link.openingName}`}
                  value={choice.sealId ?? ''}
                  options={[
                    { value: '', label: 'Nothing' },
                    ...parts.map(({ id, name }) => ({ value: id, label: name })),
                  ]}
                  onChoose={(sealId) => choose(link.ref, { sealId: sealId || null })}
                />
                {link.kind === 'cable entry' || link.kind === 'grommet seat' ? (
                  <QuantityField
                    label="Cables"
                    kind="count"
                    units={units}
                    value={choice.cables}
                    least={1}
                    most={8}
                    draftKey={draft(`${link.ref}:cables`)}
                    onKeep={(cables) => cables !== null && choose(link.ref, { cables: Math.round(cables) })}
                  />
                ) : (
                  <span />
                )}
              </SimpleGrid>
            )
          })}
      </SimpleGrid>
    </>
  )
}
