'use client'

import { Box, SimpleGrid } from '@chakra-ui/react'
import { CATALOGUE } from '@/catalogue'
import type { DeviceAssessment } from '@/core/assess'
import { LEVELS, type LevelId } from '@/core/job'
import { print } from '@/core/units'
import { useJob } from '../job/JobProvider'
import { Choose } from '../kit/Choose'
import { Sized } from '../kit/DrawingView'
import { LineField, refusal } from '../kit/LineField'
import { QuantityField } from '../kit/QuantityField'
import { Tick } from '../kit/Tick'
import { ElevationEditor } from './ElevationEditor'
import { usePlan } from './plan'

/** What will it see from here: drawing with handles, and the few inputs that matter. */
export function SightSheet({ assessed, cameraId }: { assessed: DeviceAssessment; cameraId: string }) {
  const { job } = useJob()
  const { input, result, attempt, keep, giveUp, units, draft } = usePlan('sight', assessed)
  const lens = CATALOGUE.cameras.get(cameraId)?.lens.focalMm ?? [1, 100]
  const [least, most] = result.drawing.tiltRangeDeg
  const levels = (Object.keys(LEVELS) as LevelId[]).filter((id) => LEVELS[id].edition === job.policies.edition)
  const { wish } = input
  return (
    <>
      <Box bg="sheet" borderWidth="1px" borderColor="rule" px={{ base: 1, md: 3 }} py={3}>
        <Sized>{(width) => <ElevationEditor elevation={result.drawing} units={units} width={width} onTry={attempt} onKeep={keep} />}</Sized>
      </Box>
      <SimpleGrid columns={{ base: 2, md: 3, xl: 4 }} gap={3} mt={4}>
        <QuantityField label="Lens height" kind="length" units={units} value={input.heightM} least={0.3} most={60} draftKey={draft('height')} hint="drag the camera" onTry={(heightM) => attempt({ heightM })} onKeep={(heightM) => heightM !== null && keep({ heightM })} onGiveUp={giveUp} />
        <QuantityField label="Target distance" kind="length" units={units} value={input.targetDistanceM} least={0.3} most={500} draftKey={draft('distance')} hint="drag the target" onTry={(targetDistanceM) => attempt({ targetDistanceM })} onKeep={(targetDistanceM) => targetDistanceM !== null && keep({ targetDistanceM })} onGiveUp={giveUp} />
        <QuantityField label="Target height" kind="length" units={units} value={input.targetHeightM} least={0} most={20} draftKey={draft('target-height')} hint={`a face: ${print({ value: 1.6, kind: 'length' }, units)}`} onTry={(targetHeightM) => attempt({ targetHeightM })} onKeep={(targetHeightM) => targetHeightM !== null && keep({ targetHeightM })} onGiveUp={giveUp} />
        <Choose label="Must show" value={input.level} options={levels.map((id) => ({ value: id, label: `${LEVELS[id].name}, ${print({ value: LEVELS[id].densityPxM, kind: 'density' }, units)}` }))} onChoose={(level) => keep({ level: level as LevelId })} />
        <QuantityField label="Lens" kind="focal" units={units} value={input.focalMm} least={0.5} most={300} draftKey={draft('lens')} hint={lens[0] === lens[1] ? 'fixed' : `${lens[0]}–${lens[1]} mm`} onTry={(focalMm) => attempt({ focalMm })} onKeep={(focalMm) => focalMm !== null && keep({ focalMm })} onGiveUp={giveUp} />
        <QuantityField label="Tilt below level" kind="angle" units={units} value={input.tiltDeg} least={-90} most={90} draftKey={draft('tilt')} hint={`${least} to ${most}° here`} onTry={(tiltDeg) => attempt({ tiltDeg })} onKeep={(tiltDeg) => tiltDeg !== null && keep({ tiltDeg })} onGiveUp={giveUp} />
        <QuantityField label="Shutter" kind="time" units={units} value={input.shutterS} least={0.00001} most={2} draftKey={draft('shutter')} onTry={(shutterS) => attempt({ shutterS })} onKeep={(shutterS) => shutterS !== null && keep({ shutterS })} onGiveUp={giveUp} />
        <Box pt={{ base: 0, md: 6 }}><Tick checked={input.portrait} onTick={(portrait) => keep({ portrait })}>Portrait picture</Tick></Box>
      </SimpleGrid>
      <SimpleGrid columns={{ base: 1, md: 2 }} gap={3} mt={2}>
        <LineField label="Where the customer asked for it" value={wish.place} draftKey={draft('wish')} onKeep={(place) => refusal(keep({ wish: { ...wish, place } }))} />
        <Box pt={{ base: 0, md: 6 }}><Tick checked={!wish.kept} onTick={(moved) => keep({ wish: { ...wish, kept: !moved } })}>It stands elsewhere</Tick></Box>
        {wish.kept ? null : (
          <>
            <LineField label="Why it was moved" value={wish.reason} draftKey={draft('moved')} onKeep={(reason) => refusal(keep({ wish: { ...wish, reason } }))} />
            <LineField label="Who agreed" value={wish.agreedBy} draftKey={draft('agreed')} onKeep={(agreedBy) => refusal(keep({ wish: { ...wish, agreedBy } }))} />
          </>
        )}
      </SimpleGrid>
    </>
  )
}
