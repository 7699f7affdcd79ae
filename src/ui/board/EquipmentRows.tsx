import { Box, Heading, HStack, Text, VisuallyHidden } from '@chakra-ui/react'
import type { EquipmentAssessment, RunAssessment } from '@/core/assess'
import { worstOf } from '@/core/findings'
import { printReading, type UnitSystem } from '@/core/units'
import { loadWords } from '../equipment/loadWords'
import { GoLink } from '../kit/go'
import { MARKS, VERDICTS } from '../kit/Verdict'

/** Equipment on the board, below the cameras: one line each. */
export const EquipmentRows = ({
  home,
  equipment,
  units,
}: {
  home: string
  equipment: readonly EquipmentAssessment[]
  units: UnitSystem
}) => (
  <MarkedRows
    title="Equipment"
    rows={equipment.map((one) => ({
      one,
      href: `${home}/equipment/${one.deviceId}`,
      is: one.kind,
      figures: loadWords(one, units),
    }))}
  />
)

/** Runs that are no camera's own, below the equipment. */
export const RunRows = ({
  home,
  runs,
  units,
}: {
  home: string
  runs: readonly RunAssessment[]
  units: UnitSystem
}) => (
  <MarkedRows
    title="Runs between them"
    rows={runs.map((one) => ({
      one,
      href: `${home}/runs/${one.deviceId}`,
      is: one.ends,
      figures: one.way ? printReading(one.way.headline, units) : '',
    }))}
  />
)

interface Row {
  readonly one: Pick<EquipmentAssessment, 'deviceId' | 'mark' | 'name' | 'findings' | 'log'>
  readonly href: string
  /** What it is, where nothing is wrong with it. */
  readonly is: string
  readonly figures: string
}

function MarkedRows({ title, rows }: { title: string; rows: readonly Row[] }) {
  if (rows.length === 0) return null
  const id = title.toLowerCase().replaceAll(' ', '-')
  return (
    <Box as="section" mt={5} aria-labelledby={id}>
      <Heading as="h2" id={id} fontSize="md" borderBottomWidth="1.5px" borderColor="ink" pb={1}>
        {title}
      </Heading>
      <Box as="ul" listStyleType="none">
        {rows.map((row) => (
          <MarkedRow key={row.one.deviceId} {...row} />
        ))}
      </Box>
    </Box>
  )
}

function MarkedRow({ one: { mark, name, findings, log }, href, is, figures }: Row) {
  const worst = worstOf(findings)
  return (
    <HStack
      as="li"
      gap={3}
      flexWrap="wrap"
      borderBottomWidth="1px"
      borderColor="rule"
      _hover={{ bg: 'sheet' }}
    >
      <HStack asChild gap={2.5} minH="48px" data-row flex="1" minW="200px">
        <GoLink href={href}>
          <Text as="span" fontFamily="mono" fontSize="sm">
            {mark}
          </Text>
          {name}
        </GoLink>
      </HStack>
      <Text color={worst ? VERDICTS[worst.verdict].color : 'soft'} fontWeight={worst ? 500 : 400}>
        {worst ? `${VERDICTS[worst.verdict].sign} ${worst.short}` : is}
      </Text>
      <Text className="figures" minW={{ md: '210px' }}>
        {figures}
      </Text>
      <HStack
        asChild
        gap={1.5}
        minH="48px"
        data-row
        minW="64px"
        justify="flex-end"
        color={MARKS[log.mark].color}
      >
        <GoLink href={`${href}/log`}>
          <Text as="span" aria-hidden>
            {MARKS[log.mark].sign}
          </Text>
          <VisuallyHidden>{`${mark} log: ${MARKS[log.mark].word}, `}</VisuallyHidden>
          {log.done}/{log.total}
        </GoLink>
      </HStack>
    </HStack>
  )
}
