'use client'

import { Box, Button, HStack, Text } from '@chakra-ui/react'
import { firstMisfit, fits } from '@/core/assembly'
import type { Interface } from '@/core/parts'
import { useCatalogue } from '../job/JobProvider'
import { Choose, partOptions } from '../kit/Choose'
import { Tick } from '../kit/Tick'

/** The stack from the surface outwards; each place offers the parts whose interface fits. */
export function StackField({
  value,
  kept,
  cameraId,
  onChange,
}: {
  value: readonly string[]
  /** How many of them, from the surface outwards, were there before and stay. */
  kept: number
  cameraId: string
  /** Another part was not there before: neither it nor what sits on it stays. */
  onChange: (mountIds: string[], kept: number) => void
}) {
  const catalogue = useCatalogue()
  const camera = catalogue.cameras.get(cameraId)
  const parts = value.map((id) => catalogue.mounts.get(id)).filter((part) => part !== undefined)
  const misfit = camera ? firstMisfit({ mounts: parts, camera }) : null
  const fittingOn = (offers: Interface) =>
    new Map([...catalogue.mounts].filter(([, { needs }]) => fits(offers, needs)))
  const places = parts.map((part, index) => ({
    part,
    fitting: fittingOn(parts[index - 1]?.offers ?? 'surface'),
  }))
  const offers = parts.at(-1)?.offers ?? 'surface'
  const next = [...fittingOn(offers).values()]
  const refused = [...catalogue.mounts.values()].filter(({ needs }) => !fits(offers, needs))
  return (
    <Box>
      <Text color="soft" mb={1.5}>
        Mount, from the surface outwards
      </Text>
      {places.map(({ part, fitting }, index) => (
        <HStack key={index} align="end" mb={2} flexWrap="wrap">
          <Box flex="1" minW="180px">
            <Choose
              label={`${index + 1}`}
              value={part.id}
              options={partOptions(fitting)}
              onChoose={(id) =>
                onChange(
                  value.map((old, i) => (i === index ? id : old)),
                  Math.min(kept, index),
                )
              }
            />
          </Box>
          <Button
            variant="outline"
            colorPalette="inky"
            minH="44px"
            onClick={() =>
              onChange(
                value.filter((_, i) => i !== index),
                Math.min(kept, index),
              )
            }
            aria-label={`Take out ${part.name}`}
          >
            Take out
          </Button>
          <Box flexBasis="100%">
            <Tick checked={index < kept} onTick={(stays) => onChange([...value], stays ? index + 1 : index)}>
              {`Part ${index + 1} was there before and stays`}
            </Tick>
          </Box>
        </HStack>
      ))}
      {value.length < 8 && next.length > 0 ? (
        <Choose
          label={value.length === 0 ? 'Camera straight on the surface, or add a part' : 'Add a part'}
          value=""
          options={next.map(({ id, name }) => ({ value: id, label: name }))}
          onChoose={(id) => id && onChange([...value, id], kept)}
        />
      ) : null}
      {refused.length > 0 && value.length < 8 ? (
        <Box as="details" mt={1}>
          <Box as="summary" cursor="pointer" color="soft" minH="44px" display="flex" alignItems="center">
            {refused.length} parts do not fit here, and why
          </Box>
          <Box as="ul" aria-label="Parts that do not fit">
            {refused.map(({ id, name, needs }) => (
              <Text as="li" listStyleType="none" key={id} py={0.5}>
                <strong>{name}</strong> wants: {needs}. {parts.at(-1)?.name ?? 'The surface'} offers: {offers}
                .
              </Text>
            ))}
          </Box>
        </Box>
      ) : null}
      <Text mt={1.5} color={misfit ? 'stop' : 'good'} fontWeight={500} role="status">
        {misfit
          ? `■ ${misfit.part} needs a ${misfit.needs}; ${misfit.on} offers a ${misfit.offers}.`
          : '✓ The camera fits on it.'}
      </Text>
    </Box>
  )
}
