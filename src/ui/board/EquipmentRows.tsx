import { Box, Heading, HStack, Text, VisuallyHidden } from '@chakra-ui/react'
import type { EquipmentAssessment } from '@/core/assess'
import { worstOf } from '@/core/findings'
import type { UnitSystem } from '@/core/units'
import { loadWords } from '../equipment/EquipmentPage'
import { GoLink } from '../kit/go'
import { MARKS, VERDICTS } from '../kit/Verdict'

/** Equipment on the board, below the cameras: one line each. */
export function EquipmentRows({
  home,
  equipment,
  units,
}: {
  home: string
  equipment: readonly EquipmentAssessment[]
  units: UnitSystem
}) {
  if (equipment.length === 0) return null
  return (
    <Box as="section" mt={5} aria-labelledby="equipment">
      <Heading as="h2" id="equipment" fontSize="md" borderBottomWidth="1.5px" borderColor="ink" pb={1}>
        Equipment
      </Heading>
      <Box as="ul" listStyleType="none">
        {equipment.map((one) => {
          const worst = worstOf(one.findings)
          return (
            <HStack
              as="li"
              key={one.deviceId}
              gap={3}
              flexWrap="wrap"
              borderBottomWidth="1px"
              borderColor="rule"
              _hover={{ bg: 'sheet' }}
            >
              <HStack asChild gap={2.5} minH="44px" flex="1" minW="200px">
                <GoLink href={`${home}/equipment/${one.deviceId}`}>
                  <Text as="span" fontFamily="mono" fontSize="sm">
                    {one.mark}
                  </Text>
                  {one.name}
                </GoLink>
              </HStack>
              <Text color={worst ? VERDICTS[worst.verdict].color : 'soft'} fontWeight={worst ? 500 : 400}>
                {worst ? `${VERDICTS[worst.verdict].sign} ${worst.short}` : one.kind}
              </Text>
              <Text className="figures" minW={{ md: '210px' }}>
                {loadWords(one, units)}
              </Text>
              <HStack
                asChild
                gap={1.5}
                minH="44px"
                minW="64px"
                justify="flex-end"
                color={MARKS[one.log.mark].color}
              >
                <GoLink href={`${home}/equipment/${one.deviceId}/log`}>
                  <Text as="span" aria-hidden>
                    {MARKS[one.log.mark].sign}
                  </Text>
                  <VisuallyHidden>{`${one.mark} log: ${MARKS[one.log.mark].word}, `}</VisuallyHidden>
                  {one.log.done}/{one.log.total}
                </GoLink>
              </HStack>
            </HStack>
          )
        })}
      </Box>
    </Box>
  )
}
