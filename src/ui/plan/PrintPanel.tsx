'use client'

import { Flex, SimpleGrid, Stack, Text } from '@chakra-ui/react'
import { useState } from 'react'
import { SEEN, type Seen } from '@/drawings/plan'
import { SCALES, SHEETS, type SheetPaper } from '@/drawings/sheet'
import { Choose, optionsOf } from '../kit/Choose'
import { PrintButton } from '../kit/PrintButton'
import type { Editor } from './editor'
import type { Layers } from './layers'

const LYING = { lying: 'Lying', upright: 'Upright' } as const
const FILES = [
  ['PDF', 'pdf'],
  ['SVG', 'svg'],
  ['GeoJSON', 'geojson'],
  ['DXF', 'dxf'],
] as const

/** The plan of this floor on paper to scale, or as a file for other programs. */
export function PrintPanel({ editor: { job, floor }, layers }: { editor: Editor; layers: Layers }) {
  const [seen, setSeen] = useState<Seen>(layers.seen)
  const [paper, setPaper] = useState<SheetPaper>(job.units === 'metric' ? 'a4' : 'letter')
  const [way, setWay] = useState<keyof typeof LYING>('lying')
  const [scale, setScale] = useState('')
  const plan = {
    floor,
    seen,
    faces: layers.faces,
    cables: layers.cable,
    paper,
    upright: way === 'upright',
    scale: scale === '' ? null : Number(scale),
  }
  const scales = SCALES[job.units].map(([times, words]) => ({ value: String(times), label: words }))
  return (
    <Stack gap={3}>
      <SimpleGrid columns={2} gap={3}>
        <Choose label="Shows" value={seen} options={optionsOf(SEEN)} onChoose={(to) => setSeen(to as Seen)} />
        <Choose
          label="Scale"
          value={scale}
          options={[{ value: '', label: 'Largest' }, ...scales]}
          onChoose={setScale}
        />
        <Choose
          label="Paper"
          value={paper}
          options={optionsOf(SHEETS)}
          onChoose={(to) => setPaper(to as SheetPaper)}
        />
        <Choose
          label="Sheet"
          value={way}
          options={optionsOf(LYING)}
          onChoose={(to) => setWay(to as keyof typeof LYING)}
        />
      </SimpleGrid>
      <Flex gap={2} flexWrap="wrap">
        {FILES.map(([label, format]) => (
          <PrintButton key={format} jobId={job.id} order={{ plan: { ...plan, format } }} label={label} />
        ))}
      </Flex>
      <Text color="soft" fontSize="sm">
        PDF and SVG are sheets to scale with title block, legend and devices. GeoJSON lies on the earth, DXF
        is in metres; both hold what is drawn, the devices, and what is seen as areas.
      </Text>
    </Stack>
  )
}
