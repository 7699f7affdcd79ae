'use client'

import { Box, Button, Grid, SimpleGrid, Text } from '@chakra-ui/react'
import { useState } from 'react'
import type { Finding } from '@/core/findings'
import { EquipmentChoice, EXPOSURES, STANDS, STATES, type Equipment } from '@/core/job'
import { PURPOSES } from '@/core/parts'
import { inSentence } from '@/core/units'
import { DetailFields } from '../device/DetailFields'
import { useCatalogue, useEquipment, useJob } from '../job/JobProvider'
import { Choose, optionsOf, partOptions } from '../kit/Choose'
import { FindingList, Judged } from '../kit/Findings'
import { go, GoLink } from '../kit/go'
import { LineField, refusal, refusalOf } from '../kit/LineField'
import { Beside, Nothing, Part, Refusal, Sentence } from '../kit/Page'
import { Removal } from '../kit/Removal'
import { InstallLog } from '../log/InstallLog'
import { loadWords } from './EquipmentPage'
import { PortTable } from './PortTable'
import { replaceable } from './replaceable'

/** The log of one piece of equipment. */
export function EquipmentLog({ equipmentId }: { equipmentId: string }) {
  const { job } = useJob()
  const found = useEquipment(equipmentId)
  if (!found) return <NotThere />
  const home = `/jobs/${job.id}/equipment/${equipmentId}`
  const { equipment, assessed } = found
  return (
    <>
      <Text px={{ base: 4, md: 6 }} pt={3} fontWeight={600}>
        <GoLink href={home}>
          <Text as="span" fontFamily="mono" fontSize="sm">
            {equipment.mark}
          </Text>{' '}
          <Text as="span" textDecoration="underline">
            {equipment.name}
          </Text>
        </GoLink>
      </Text>
      <InstallLog device={equipment} assessed={assessed} home={home} plan={home} record={home} />
    </>
  )
}

/** One piece of equipment: what it is, where it stands, its runs by port, what is wrong with it. */
export function EquipmentSheet({ equipmentId }: { equipmentId: string }) {
  const { job } = useJob()
  const found = useEquipment(equipmentId)
  if (!found) return <NotThere />
  const { equipment, assessed } = found
  const raise = (finding: Finding) =>
    go(`/jobs/${job.id}/punch-list/new?device=${equipmentId}&finding=${encodeURIComponent(finding.id)}`)
  return (
    <Grid templateColumns={{ base: 'minmax(0, 1fr)', xl: 'minmax(0, 1fr) 296px' }} minH="calc(100vh - 60px)">
      <Box px={{ base: 3, md: 5 }} py={5} minW={0}>
        <Sentence next={assessed.sentence}>
          <Text as="span" fontFamily="mono" fontSize="lg">
            {equipment.mark}
          </Text>{' '}
          {equipment.name}
        </Sentence>
        <Button asChild colorPalette="copper" minH="48px" px={6} mb={5} className="no-print">
          <GoLink href={`/jobs/${job.id}/equipment/${equipmentId}/log`}>
            Log {assessed.log.done}/{assessed.log.total}
          </GoLink>
        </Button>
        {assessed.uses.length > 0 ? (
          <Part
            title="Runs by port"
            aside={<Text className="figures">{loadWords(assessed, job.units)}</Text>}
          >
            <PortTable jobId={job.id} uses={assessed.uses} />
          </Part>
        ) : null}
        <Part title="What it is and where it stands">
          <Fields equipment={equipment} />
        </Part>
        <Part title="Written on it and given to it">
          <DetailFields device={equipment} />
        </Part>
        <Remove equipment={equipment} />
      </Box>
      <Beside title="Does it stand it, and carry them all">
        <FindingList findings={assessed.findings} units={job.units} onRaise={raise} />
        <Judged
          judged="Its case where it stands, its entries, its budget and its ports"
          unjudged={assessed.unjudged}
        />
      </Beside>
    </Grid>
  )
}

function Fields({ equipment }: { equipment: Equipment }) {
  const { job, send } = useJob()
  const catalogue = useCatalogue()
  const [refused, setRefused] = useState<string | null>(null)
  const { id: equipmentId, mark, name, partId, stands, exposure, state, replaces } = equipment
  const keep = (change: Partial<EquipmentChoice>) =>
    refusalOf(send({ type: 'putEquipment', equipmentId, change }))
  const choose = (change: Partial<EquipmentChoice>) => void keep(change).then(setRefused)
  const line = (key: 'mark' | 'name') => async (words: string) => {
    const parsed = EquipmentChoice.shape[key].safeParse(words)
    return parsed.success ? keep({ [key]: parsed.data }) : parsed.error.issues[0]!.message
  }
  const old = replaceable(job.equipment, equipmentId)
  return (
    <>
      <SimpleGrid columns={{ base: 1, md: 2 }} gap={4}>
        <LineField
          label="Mark"
          mono
          value={mark}
          draftKey={`mark:${job.id}:${equipmentId}`}
          onKeep={line('mark')}
        />
        <LineField
          label="Name"
          value={name}
          draftKey={`name:${job.id}:${equipmentId}`}
          onKeep={line('name')}
        />
        <Choose
          label="What it is"
          value={partId}
          options={partOptions(catalogue.equipment)}
          hint={catalogue.equipment
            .get(partId)
            ?.ports.map(({ purpose, count }) => `${count} × ${inSentence(PURPOSES[purpose])}`)
            .join(', ')}
          onChoose={(value) => choose({ partId: value })}
        />
        <Choose
          label="Where it stands"
          value={stands}
          options={optionsOf(STANDS)}
          onChoose={(value) => choose({ stands: value as Equipment['stands'] })}
        />
        <Choose
          label="Exposure"
          value={exposure}
          options={optionsOf(EXPOSURES)}
          hint={EXPOSURES[exposure].why}
          onChoose={(value) => choose({ exposure: value as Equipment['exposure'] })}
        />
        <Choose
          label="New or existing"
          value={state}
          options={optionsOf(STATES)}
          onChoose={(value) =>
            choose({ state: value as Equipment['state'], ...(value === 'new' ? {} : { replaces: null }) })
          }
        />
        {state === 'new' && (old.length > 0 || replaces !== null) ? (
          <Choose
            label="Takes the place of"
            value={replaces ?? ''}
            options={[{ value: '', label: 'Nothing' }, ...old]}
            onChoose={(value) => choose({ replaces: value === '' ? null : value })}
          />
        ) : null}
      </SimpleGrid>
      <Refusal>{refused}</Refusal>
    </>
  )
}

function Remove({ equipment }: { equipment: Equipment }) {
  const { job, send } = useJob()
  const [refused, setRefused] = useState<string | null>(null)
  return (
    <>
      <Removal
        label="Take it out of the job"
        asks={`Take ${equipment.mark} ${equipment.name} out?`}
        onRemove={async () => {
          const said = await send({ type: 'removeEquipment', equipmentId: equipment.id })
          if (said.ok) go(`/jobs/${job.id}/equipment`)
          else setRefused(refusal(said))
        }}
      />
      <Refusal>{refused}</Refusal>
    </>
  )
}

function NotThere() {
  const { job } = useJob()
  return (
    <Box p={5}>
      <Nothing
        action={
          <Button asChild>
            <GoLink href={`/jobs/${job.id}/equipment`}>To the equipment</GoLink>
          </Button>
        }
      >
        There is no equipment here with this address. It may have been taken out.
      </Nothing>
    </Box>
  )
}
