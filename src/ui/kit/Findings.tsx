'use client'

import { Box, Button, Stack, Text } from '@chakra-ui/react'
import { byGravity, type Figure, type Finding } from '@/core/findings'
import { SOURCES } from '@/core/sources'
import { inSentence, printReading, type UnitSystem } from '@/core/units'
import { VerdictLine } from './Verdict'

interface FindingNoteProps {
  readonly finding: Finding
  readonly units: UnitSystem
  /** Where it was found, when the list mixes devices. */
  readonly where?: string
  readonly onRaise?: () => void
}

/** What is wrong with figure and limit, why, by what source, then in copper what to do. */
export function FindingNote({ finding, units, where, onRaise }: FindingNoteProps) {
  const { verdict, title, figure, limit, reason, advice, source } = finding
  return (
    <Box
      as="li"
      listStyleType="none"
      py={3}
      borderTopWidth="1px"
      borderColor="rule"
      data-finding={finding.id}
    >
      <VerdictLine verdict={verdict}>{where ? `${where}: ${title}` : title}</VerdictLine>
      <Text>
        <strong>{printReading(figure, units)}</strong>
        {limit ? <> against {printReading(limit, units)}. </> : '. '}
        {reason}
      </Text>
      {advice ? (
        <Text color="copper.fg" fontWeight={500}>
          {advice}
        </Text>
      ) : null}
      <Text color="soft" fontSize="xs" mt={0.5}>
        {SOURCES[source].cite}
      </Text>
      {onRaise ? (
        <Button
          mt={1.5}
          size="xs"
          variant="outline"
          colorPalette="inky"
          onClick={onRaise}
          className="no-print"
        >
          Raise a fault
        </Button>
      ) : null}
    </Box>
  )
}

/** Findings, the gravest first. */
export function FindingList({
  findings,
  units,
  onRaise,
}: {
  findings: readonly Finding[]
  units: UnitSystem
  onRaise?: (finding: Finding) => void
}) {
  if (findings.length === 0) return null
  return (
    <Box as="ul" aria-label="Findings">
      {byGravity(findings).map((finding) => (
        <FindingNote
          key={finding.id}
          finding={finding}
          units={units}
          {...(onRaise && finding.verdict !== 'good' ? { onRaise: () => onRaise(finding) } : {})}
        />
      ))}
    </Box>
  )
}

/** Figures as a ruled list; parts of a sum are set in. */
export function FigureList({
  figures,
  units,
  title,
}: {
  figures: readonly Figure[]
  units: UnitSystem
  title?: string
}) {
  return (
    <Stack gap={0} as="dl" className="figures" aria-label={title ?? 'Figures'}>
      {figures.map(({ label, reading }) => {
        const part = label.startsWith('· ')
        return (
          <Box
            key={label}
            display="flex"
            justifyContent="space-between"
            gap={4}
            py={part ? 0.5 : 1.5}
            borderBottomWidth={part ? 0 : '1px'}
            borderColor="rule"
            color={part ? 'soft' : 'ink'}
            pl={part ? 3 : 0}
            fontSize={part ? 'sm' : undefined}
          >
            <Text as="dt">{part ? label.slice(2) : label}</Text>
            <Text as="dd" fontWeight={part ? 400 : 600} textAlign="right">
              {printReading(reading, units)}
            </Text>
          </Box>
        )
      })}
    </Stack>
  )
}

/** What was judged and what was not, at the foot of the findings: Good is never said of the latter. */
export function Judged({ judged, unjudged }: { judged: string; unjudged: readonly string[] }) {
  return (
    <Box color="soft" fontSize="sm" mt={4} borderTopWidth="1px" borderColor="rule" pt={2}>
      <Text>Judged: {inSentence(judged)}.</Text>
      <Text mt={1}>Not judged:</Text>
      <Box as="ul" ps={4} listStyleType="disc">
        {unjudged.map((line) => (
          <li key={line}>{line}</li>
        ))}
      </Box>
    </Box>
  )
}
