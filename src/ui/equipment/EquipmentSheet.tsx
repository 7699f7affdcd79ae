'use client'

import { SimpleGrid, Text } from '@chakra-ui/react'
import { useState } from 'react'
import { EquipmentChoice, EXPOSURES, STANDS, type Equipment } from '@/core/job'
import { PURPOSES } from '@/core/parts'
import { inSentence } from '@/core/units'
import { DetailFields } from '../device/DetailFields'
import { useCatalogue, useEquipment, useJob } from '../job/JobProvider'
import { Choose, optionsOf, partOptions } from '../kit/Choose'
import { LineField, refusalOf } from '../kit/LineField'
import { Part, Refusal } from '../kit/Page'
import { loadWords } from './loadWords'
import { MarkedLog, MarkedSheet, NotThere, StandingChoices, TakeOut } from './Marked'
import { PortTable } from './PortTable'
import { replaceable } from './replaceable'

/** The log of one piece of equipment. */
export function EquipmentLog({ equipmentId }: { equipmentId: string }) {
  const { job } = useJob()
  const found = useEquipment(equipmentId)
  if (!found) return <NotThere what="equipment" />
  const { equipment, assessed } = found
  return (
    <MarkedLog marked={equipment} assessed={assessed} home={`/jobs/${job.id}/equipment/${equipmentId}`} />
  )
}

/** One piece of equipment: what it is, where it stands, its runs by port, what is wrong with it. */
export function EquipmentSheet({ equipmentId }: { equipmentId: string }) {
  const { job, send } = useJob()
  const found = useEquipment(equipmentId)
  if (!found) return <NotThere what="equipment" />
  const { equipment, assessed } = found
  return (
    <MarkedSheet
      assessed={assessed}
      home={`/jobs/${job.id}/equipment/${equipmentId}`}
      question="Does it stand it, and carry them all"
      judged="Its case where it stands, its entries, its budget and its ports"
    >
      {assessed.uses.length > 0 ? (
        <Part title="Runs by port" aside={<Text className="figures">{loadWords(assessed, job.units)}</Text>}>
          <PortTable jobId={job.id} uses={assessed.uses} />
        </Part>
      ) : null}
      <Part title="What it is and where it stands">
        <Fields equipment={equipment} />
      </Part>
      <Part title="Written on it and given to it">
        <DetailFields device={equipment} />
      </Part>
      <TakeOut marked={equipment} onRemove={() => send({ type: 'removeEquipment', equipmentId })} />
    </MarkedSheet>
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
        <StandingChoices state={state} replaces={replaces} old={old} onChoose={choose} />
      </SimpleGrid>
      <Refusal>{refused}</Refusal>
    </>
  )
}
