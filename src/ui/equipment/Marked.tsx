'use client'

import { Box, Button, Grid, Text } from '@chakra-ui/react'
import { useState, type ReactNode } from 'react'
import type { EquipmentAssessment, RunAssessment } from '@/core/assess'
import type { Finding } from '@/core/findings'
import { STATES, type Equipment, type State } from '@/core/job'
import type { Said } from '../job/commands'
import { useJob } from '../job/JobProvider'
import { Choose, optionsOf, type Option } from '../kit/Choose'
import { FindingList, Judged } from '../kit/Findings'
import { go, GoLink } from '../kit/go'
import { refusal } from '../kit/LineField'
import { Beside, Nothing, Refusal, Sentence } from '../kit/Page'
import { Removal } from '../kit/Removal'
import { InstallLog } from '../log/InstallLog'
import type { Logged } from '../log/OneStep'

/** What the sheets of equipment and of runs have in common. */

type Assessed = EquipmentAssessment | RunAssessment
type Named = Pick<Equipment, 'id' | 'mark' | 'name'>

/** The log, under what it is the log of. */
export function MarkedLog({
  marked,
  assessed,
  home,
}: {
  marked: Logged & Named
  assessed: Assessed
  home: string
}) {
  return (
    <>
      <Text px={{ base: 4, md: 6 }} pt={3} fontWeight={600}>
        <GoLink href={home}>
          <Text as="span" fontFamily="mono" fontSize="sm">
            {marked.mark}
          </Text>{' '}
          <Text as="span" textDecoration="underline">
            {marked.name}
          </Text>
        </GoLink>
      </Text>
      <InstallLog device={marked} assessed={assessed} home={home} plan={home} record={home} />
    </>
  )
}

/** Its name and how it stands, the way to its log, what is said of it beside what it is. */
export function MarkedSheet({
  assessed,
  home,
  question,
  figures,
  judged,
  children,
}: {
  assessed: Assessed
  home: string
  /** What the findings answer. */
  question: string
  figures?: ReactNode
  judged: string
  children: ReactNode
}) {
  const { job } = useJob()
  const { deviceId, mark, name, sentence, log, findings, unjudged } = assessed
  const raise = (finding: Finding) =>
    go(`/jobs/${job.id}/punch-list/new?device=${deviceId}&finding=${encodeURIComponent(finding.id)}`)
  return (
    <Grid templateColumns={{ base: 'minmax(0, 1fr)', xl: 'minmax(0, 1fr) 296px' }} minH="calc(100vh - 60px)">
      <Box px={{ base: 3, md: 5 }} py={5} minW={0}>
        <Sentence next={sentence}>
          <Text as="span" fontFamily="mono" fontSize="lg">
            {mark}
          </Text>{' '}
          {name}
        </Sentence>
        <Button asChild colorPalette="copper" minH="48px" px={6} mb={5} className="no-print">
          <GoLink href={`${home}/log`}>
            Log {log.done}/{log.total}
          </GoLink>
        </Button>
        {children}
      </Box>
      <Beside title={question}>
        {figures}
        <FindingList findings={findings} units={job.units} onRaise={raise} />
        <Judged judged={judged} unjudged={unjudged} />
      </Beside>
    </Grid>
  )
}

interface Stands {
  readonly state: State
  readonly replaces: string | null
}

/** Whether it is new, and what it takes the place of. */
export function StandingChoices({
  state,
  replaces,
  old,
  onChoose,
}: Stands & {
  /** What is taken away and could be replaced by it. */
  readonly old: readonly Option[]
  readonly onChoose: (change: Partial<Stands>) => void
}) {
  return (
    <>
      <Choose
        label="New or existing"
        value={state}
        options={optionsOf(STATES)}
        onChoose={(value) =>
          onChoose({ state: value as State, ...(value === 'new' ? {} : { replaces: null }) })
        }
      />
      {state === 'new' && (old.length > 0 || replaces !== null) ? (
        <Choose
          label="Takes the place of"
          value={replaces ?? ''}
          options={[{ value: '', label: 'Nothing' }, ...old]}
          onChoose={(value) => onChoose({ replaces: value === '' ? null : value })}
        />
      ) : null}
    </>
  )
}

/** Takes it out of the job, or says why it stays. */
export function TakeOut({
  marked: { mark, name },
  onRemove,
}: {
  marked: Pick<Named, 'mark' | 'name'>
  onRemove: () => Promise<Said>
}) {
  const { job } = useJob()
  const [refused, setRefused] = useState<string | null>(null)
  return (
    <>
      <Removal
        label="Take it out of the job"
        asks={`Take ${mark} ${name} out?`}
        onRemove={async () => {
          const said = await onRemove()
          if (said.ok) go(`/jobs/${job.id}/equipment`)
          else setRefused(refusal(said))
        }}
      />
      <Refusal>{refused}</Refusal>
    </>
  )
}

/** An address of something that is not there. */
export function NotThere({ what }: { what: string }) {
  const { job } = useJob()
  return (
    <Box p={5}>
      <Nothing
        action={
          <Button asChild>
            <GoLink href={`/jobs/${job.id}/equipment`}>To equipment and runs</GoLink>
          </Button>
        }
      >
        There is no {what} here with this address. It may have been taken out.
      </Nothing>
    </Box>
  )
}
