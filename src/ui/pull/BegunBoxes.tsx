'use client'

import { Box, Button, Heading, SimpleGrid, Text } from '@chakra-ui/react'
import { useRef, useState } from 'react'
import { v4 as uuid } from 'uuid'
import type { CableBox } from '@/core/job'
import { useCatalogue, useJob } from '../job/JobProvider'
import { Choose, partOptions } from '../kit/Choose'
import { useDraft } from '../kit/draft'
import { LineField, refusal, refusalOf } from '../kit/LineField'
import { Refusal } from '../kit/Page'
import { QuantityField } from '../kit/QuantityField'
import { Removal } from '../kit/Removal'
import { unread } from '../kit/unread'

const [LEAST_M, MOST_M] = [0.1, 2000]

/** Boxes and drums that are begun: what is written on them, and what is left in them. */
export function BegunBoxes({ usual }: { usual: string }) {
  const { job, send } = useJob()
  const { cables } = useCatalogue()
  const keep = (box: CableBox) => send({ type: 'putBox', box })
  return (
    <Box className="no-print">
      <Heading as="h3" fontSize="sm" mb={2}>
        Begun boxes on the van
      </Heading>
      {job.boxes.map((box) => (
        <SimpleGrid
          key={box.id}
          columns={{ base: 1, md: 4 }}
          gap={3}
          role="group"
          aria-label={`Begun box ${box.name}`}
        >
          <Choose
            label="Cable"
            value={box.cableId}
            options={partOptions(cables)}
            onChoose={(cableId) => void keep({ ...box, cableId })}
          />
          <LineField
            label="Written on it"
            value={box.name}
            draftKey={`box-name:${job.id}:${box.id}`}
            onKeep={(name) => refusalOf(keep({ ...box, name }))}
          />
          <QuantityField
            label="Left in it"
            kind="cut"
            units={job.units}
            value={box.leftM}
            least={LEAST_M}
            most={MOST_M}
            draftKey={`box-left:${job.id}:${box.id}`}
            onKeep={(leftM) => leftM !== null && keep({ ...box, leftM })}
          />
          <Box alignSelf="center">
            <Removal
              label={`Take ${box.name || 'the box'} out`}
              icon
              asks={`Take ${box.name || 'the box'} off the van?`}
              onRemove={() => send({ type: 'removeBox', boxId: box.id })}
            />
          </Box>
        </SimpleGrid>
      ))}
      <AddBox usual={usual} onAdd={keep} />
    </Box>
  )
}

/** B1, B2 and on, after the highest there is. */
const nextName = (boxes: readonly CableBox[]): string =>
  `B${Math.max(0, ...boxes.map(({ name }) => Number(/^B(\d{1,4})$/.exec(name)?.[1] ?? 0))) + 1}`

interface AddBoxProps {
  /** The cable that is chosen to begin with. */
  readonly usual: string
  readonly onAdd: (box: CableBox) => ReturnType<ReturnType<typeof useJob>['send']>
}

function AddBox({ usual, onAdd }: AddBoxProps) {
  const { job } = useJob()
  const { cables } = useCatalogue()
  const draftKey = `add-box:${job.id}`
  const [, setWords] = useDraft(draftKey)
  const [cableId, setCableId] = useState(usual)
  const [leftM, setLeftM] = useState<number | null>(null)
  const [failed, setFailed] = useState<string | null>(null)
  const fields = useRef<HTMLDivElement>(null)
  const add = async () => {
    const wrong = unread(fields.current) ?? (leftM === null ? 'Say how much is left in it.' : null)
    if (wrong !== null || leftM === null) return setFailed(wrong)
    const said = await onAdd({ id: uuid(), name: nextName(job.boxes), cableId, leftM })
    setFailed(refusal(said))
    if (!said.ok) return
    setWords(null)
    setLeftM(null)
  }
  return (
    <SimpleGrid
      ref={fields}
      columns={{ base: 1, md: 4 }}
      gap={3}
      mt={2}
      role="group"
      aria-label="Another begun box"
    >
      <Choose label="Cable" value={cableId} options={partOptions(cables)} onChoose={setCableId} />
      <QuantityField
        label="Left in a begun box"
        kind="cut"
        units={job.units}
        value={leftM}
        least={LEAST_M}
        most={MOST_M}
        draftKey={draftKey}
        optional
        takesDraft
        onTry={setLeftM}
        onKeep={setLeftM}
      />
      <Box alignSelf="center">
        <Button variant="outline" colorPalette="inky" minH="44px" onClick={() => void add()}>
          Add the box
        </Button>
        <Refusal>{failed}</Refusal>
      </Box>
      <Text color="soft" alignSelf="center">
        Feet or metres stand on the jacket: the mark at the end less the mark at the start.
      </Text>
    </SimpleGrid>
  )
}
