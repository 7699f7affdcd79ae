'use client'

import { Box, Grid, Heading, Text } from '@chakra-ui/react'
import { useState } from 'react'
import { assemblyView, inPlaceOf, type AssemblyView, type ShownPart } from '@/core/assembly'
import type { DeviceAssessment } from '@/core/assess'
import type { Device } from '@/core/job'
import type { StepState } from '@/core/procedure'
import { assemblyDrawing, type PlacedPart } from '@/drawings'
import { useJob, useCatalogue } from '../job/JobProvider'
import { Choose } from '../kit/Choose'
import { DrawingView, Sized } from '../kit/DrawingView'
import { GoLink } from '../kit/go'
import { refusal } from '../kit/LineField'
import { Refusal, Sentence } from '../kit/Page'

/** How the device goes together: drawn apart, with what each part closes and the steps up there. */
export function AssemblySheet({ device, assessed }: { device: Device; assessed: DeviceAssessment }) {
  const catalogue = useCatalogue()
  const { job } = useJob()
  const [pointed, point] = useState<string | null>(null)
  const view = assemblyView(job, device, assessed, catalogue)
  if (!view) return <Sentence>{assessed.sentence}</Sentence>
  const part = view.parts.find(({ ref }) => ref === pointed) ?? null
  return (
    <Box mb={5}>
      <Sentence next={view.weakest}>{view.sentence}</Sentence>
      <Grid
        templateColumns={{ base: 'minmax(0, 1fr)', xl: 'minmax(0, 1fr) 300px' }}
        gap={0}
        bg="sheet"
        borderWidth="1px"
        borderColor="rule"
      >
        <Box px={{ base: 1, md: 3 }} py={3} minW={0}>
          <Sized most={900}>
            {(width) => <Drawn view={view} width={width} pointed={pointed} point={point} />}
          </Sized>
        </Box>
        <Box borderLeftWidth={{ xl: '1px' }} borderTopWidth={{ base: '1px', xl: 0 }} borderColor="rule" p={4}>
          {part ? (
            <>
              <OfPart part={part} />
              <InItsPlace key={part.ref} device={device} view={view} part={part} />
            </>
          ) : (
            <Text color="soft">Point at a part: what it closes, what comes before.</Text>
          )}
          <UpThere jobId={job.id} device={device} steps={assessed.steps} part={part} />
        </Box>
      </Grid>
    </Box>
  )
}

function Drawn({
  view,
  width,
  pointed,
  point,
}: {
  view: AssemblyView
  width: number
  pointed: string | null
  point: (ref: string) => void
}) {
  const drawing = assemblyDrawing(view, width)
  return (
    <DrawingView drawing={drawing}>
      {drawing.places.map((place) => (
        <PointedAt
          key={place.ref}
          place={place}
          name={view.parts.find(({ ref }) => ref === place.ref)!.name}
          current={place.ref === pointed}
          onPoint={() => point(place.ref)}
        />
      ))}
    </DrawingView>
  )
}

/** What of a part takes a tap; corners are set round it while it is pointed at. */
function PointedAt({
  place: { left, top, right, bottom },
  name,
  current,
  onPoint,
}: {
  place: PlacedPart
  name: string
  current: boolean
  onPoint: () => void
}) {
  const [x1, y1, x2, y2] = [left - 7, top - 7, right + 7, bottom + 7]
  const corner = (x: number, y: number, dx: number, dy: number) => `M${x} ${y + dy}V${y}H${x + dx}`
  return (
    <g
      role="button"
      tabIndex={0}
      aria-label={name}
      aria-pressed={current}
      onClick={onPoint}
      onKeyDown={(event) => {
        if (event.key !== 'Enter' && event.key !== ' ') return
        event.preventDefault()
        onPoint()
      }}
      style={{ cursor: 'pointer' }}
    >
      <rect x={x1} y={y1} width={x2 - x1} height={y2 - y1} fill="transparent" />
      {current ? (
        <path
          d={[
            corner(x1, y1, 12, 12),
            corner(x2, y1, -12, 12),
            corner(x1, y2, 12, -12),
            corner(x2, y2, -12, -12),
          ].join('')}
          fill="none"
          stroke="var(--chakra-colors-copper-fg)"
          strokeWidth={2.4}
        />
      ) : null}
    </g>
  )
}

function OfPart({ part }: { part: ShownPart }) {
  return (
    <Box role="status" mb={3}>
      <Heading as="h2" fontSize="md">
        {part.number === null ? '' : `${part.number} `}
        {part.name}
      </Heading>
      {part.closes.length > 0 ? (
        <>
          <Text color="copper.fg" mt={1}>
            Once it is up, this is out of reach:
          </Text>
          {part.closes.map(({ number, title, why }) => (
            <Text key={number} mt={1}>
              {number} {title}.{' '}
              <Text as="span" color="soft">
                {why}
              </Text>
            </Text>
          ))}
        </>
      ) : (
        <Text color="soft">It closes nothing that has to be reached after.</Text>
      )}
      {part.openings.map((opening) => (
        <OfOpening key={opening.name} opening={opening} />
      ))}
      {part.pieces.map(({ name, way }) => (
        <Text key={name} mt={1}>
          Round the cable: {name}, {way}
        </Text>
      ))}
    </Box>
  )
}

/** An opening as it is sealed. */
function OfOpening({ opening }: { opening: ShownPart['openings'][number] }) {
  const { name, sealName, rating, holds, old } = opening
  const sealed = `${name}: ${sealName ?? 'its own'}, ${rating}`
  if (old && holds)
    return (
      <Text mt={1} color="soft">
        ○ {sealed}
      </Text>
    )
  return (
    <Text mt={1} color={holds ? 'good' : 'stop'}>
      {holds ? '✓' : '■'} {sealed}
    </Text>
  )
}

/** Another part in the place of this one: what fits is offered, and why the rest does not. */
function InItsPlace({ device, view, part }: { device: Device; view: AssemblyView; part: ShownPart }) {
  const catalogue = useCatalogue()
  const { send } = useJob()
  const [refused, setRefused] = useState<string | null>(null)
  const isCamera = part.ref === 'camera'
  const here = isCamera ? device.cameraId : device.mountIds[Number(part.ref.slice('mount-'.length))]!
  const candidates = inPlaceOf(view.stack, part.ref, catalogue)
  const fitting = candidates.filter(({ why }) => why === null)
  const others = candidates.filter(({ why }) => why !== null)
  const change = async (id: string) => {
    const at = isCamera ? device.mountIds.length : Number(part.ref.slice('mount-'.length))
    const mountIds = device.mountIds.map((old, i) => (i === at ? id : old))
    // Another part was not there before: neither it nor what sits on it stays.
    const partsKept = Math.min(device.partsKept, at)
    const said = await send({
      type: 'editDevice',
      deviceId: device.id,
      change: isCamera ? { cameraId: id } : { mountIds, partsKept },
    })
    setRefused(refusal(said))
  }
  return (
    <Box mb={4} className="no-print">
      <Choose
        label="In its place"
        value={here}
        options={fitting.map(({ id, name }) => ({ value: id, label: name }))}
        onChoose={(id) => void change(id)}
      />
      <Refusal>{refused}</Refusal>
      <Box as="details" mt={1}>
        <Box as="summary" cursor="pointer" color="soft" minH="44px" display="flex" alignItems="center">
          {others.length} parts do not fit here, and why
        </Box>
        <Box as="ul" aria-label="Parts that do not fit here">
          {others.map(({ id, name, why }) => (
            <Text as="li" listStyleType="none" key={id} py={0.5} fontSize="sm">
              <strong>{name}</strong>: {why}
            </Text>
          ))}
        </Box>
      </Box>
    </Box>
  )
}

/** The steps at the device, each with what holds it before the next; what belongs to the part stands out. */
function UpThere({
  jobId,
  device,
  steps,
  part,
}: {
  jobId: string
  device: Device
  steps: readonly StepState[]
  part: ShownPart | null
}) {
  const shown = steps.flatMap((state, i) =>
    state.step.place === 'at the device' ? [{ ...state, number: i + 1 }] : [],
  )
  const own = new Set([part?.number, ...(part?.closes.map(({ number }) => number) ?? [])])
  return (
    <Box as="ol" listStyleType="none" aria-label="Steps at the device">
      {shown.map(({ step, record, number }) => {
        const held = step.because.find(({ when }) => when === 'before')
        return (
          <Box
            as="li"
            key={step.id}
            borderTopWidth="1px"
            borderColor="rule"
            py={1.5}
            px={1}
            bg={own.has(number) ? 'inky.subtle' : undefined}
          >
            <GoLink href={`/jobs/${jobId}/devices/${device.id}/log?step=${encodeURIComponent(step.id)}`}>
              <Text as="span" fontFamily="mono" fontSize="sm" me={2}>
                {number}
              </Text>
              <Text as="span" fontWeight={500} textDecoration="underline" color={record ? 'soft' : 'ink'}>
                {step.title}
              </Text>
            </GoLink>
            {held ? (
              <Text fontSize="sm" color="copper.fg">
                {held.why}
              </Text>
            ) : null}
          </Box>
        )
      })}
    </Box>
  )
}
