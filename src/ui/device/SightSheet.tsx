'use client'

import { Box, Button, Grid, SimpleGrid, Text } from '@chakra-ui/react'
import { GoLink } from '../kit/go'
import type { DeviceAssessment } from '@/core/assess'
import { LEVELS, type Device, type Job, type LevelId, type Sight } from '@/core/job'
import { levelsOf, pictureOf } from '@/core/sight'
import { print } from '@/core/units'
import { pictureDrawing } from '@/drawings'
import { useJob, useCatalogue } from '../job/JobProvider'
import { Choose } from '../kit/Choose'
import { DrawingView, Sized } from '../kit/DrawingView'
import { LineField, refusalOf } from '../kit/LineField'
import { Part } from '../kit/Page'
import { PlanQuantity } from '../kit/PlanQuantity'
import { Tick } from '../kit/Tick'
import { ElevationEditor } from './ElevationEditor'
import { LensFinder } from './LensFinder'
import { usePlan } from './plan'
import { SunChart } from './SunChart'
import { WhyMoved } from './WhyMoved'

/** What will it see from here: drawing with handles, and the few inputs that matter. */
export function SightSheet({ assessed, device }: { assessed: DeviceAssessment; device: Device }) {
  const catalogue = useCatalogue()
  const { job } = useJob()
  const plan = usePlan('sight', assessed)
  const { input, result, attempt, keep, units, draft } = plan
  const camera = catalogue.cameras.get(device.cameraId)
  const lens = camera?.lens.focalMm ?? [1, 100]
  const [least, most] = result.drawing.tiltRangeDeg
  const levels = levelsOf(job.policies.edition)
  const { wish } = input
  return (
    <>
      <Grid
        templateColumns={{ base: 'minmax(0, 1fr)', lg: 'minmax(0, 1.55fr) minmax(0, 1fr)' }}
        gap={3}
        alignItems="start"
      >
        <Box bg="sheet" borderWidth="1px" borderColor="rule" px={{ base: 1, md: 2 }} py={2}>
          <Sized>
            {(width) => (
              <ElevationEditor
                elevation={result.drawing}
                units={units}
                width={width}
                onTry={attempt}
                onKeep={keep}
              />
            )}
          </Sized>
        </Box>
        <Box>
          {camera ? (
            <Sized>
              {(width) => <DrawingView drawing={pictureDrawing(pictureOf(camera, input, job), width)} />}
            </Sized>
          ) : null}
          <Text fontSize="sm" color="soft" mt={1}>
            {input.place
              ? 'The picture, simulated from the plan: people 1.75 m tall, lines on the ground every 5 m.'
              : 'The picture on open ground, one person at the target.'}
          </Text>
          <Button asChild size="sm" mt={1} minH="44px" variant="outline" colorPalette="inky">
            <GoLink href={`/jobs/${job.id}/plan?device=${device.id}`}>
              {input.place ? 'On the plan' : 'Put it on the plan'}
            </GoLink>
          </Button>
        </Box>
      </Grid>
      <SimpleGrid columns={{ base: 2, md: 4 }} columnGap={3} rowGap={1} mt={3}>
        <PlanQuantity
          plan={plan}
          label="Lens height"
          kind="length"
          value={input.heightM}
          least={0.3}
          most={60}
          field="height"
          hint="drag the camera"
          as={(heightM) => ({ heightM })}
        />
        <PlanQuantity
          plan={plan}
          label="Target distance"
          kind="length"
          value={input.targetDistanceM}
          least={0.3}
          most={500}
          field="distance"
          hint="drag the target"
          as={(targetDistanceM) => ({ targetDistanceM })}
        />
        <PlanQuantity
          plan={plan}
          label="Target height"
          kind="length"
          value={input.targetHeightM}
          least={0}
          most={20}
          field="target-height"
          hint={`a face: ${print({ value: 1.6, kind: 'length' }, units)}`}
          as={(targetHeightM) => ({ targetHeightM })}
        />
        <Choose
          label="Must show"
          value={input.level}
          options={levels.map((id) => ({
            value: id,
            label: `${LEVELS[id].name}, ${print({ value: LEVELS[id].densityPxM, kind: 'density' }, units)}`,
          }))}
          onChoose={(level) => keep({ level: level as LevelId })}
        />
        <PlanQuantity
          plan={plan}
          label="Lens"
          kind="focal"
          value={input.focalMm}
          least={0.5}
          most={300}
          field="lens"
          hint={lens[0] === lens[1] ? 'fixed' : `${lens[0]}–${lens[1]} mm`}
          as={(focalMm) => ({ focalMm })}
        />
        <PlanQuantity
          plan={plan}
          label="Tilt below level"
          kind="angle"
          value={input.tiltDeg}
          least={-90}
          most={90}
          field="tilt"
          hint={`${least} to ${most}° here`}
          as={(tiltDeg) => ({ tiltDeg })}
        />
        <PlanQuantity
          plan={plan}
          label="Shutter"
          kind="time"
          value={input.shutterS}
          least={0.00001}
          most={2}
          field="shutter"
          as={(shutterS) => ({ shutterS })}
        />
        <Box pt={{ base: 0, md: 6 }}>
          <Tick checked={input.portrait} onTick={(portrait) => keep({ portrait })}>
            Portrait picture
          </Tick>
        </Box>
      </SimpleGrid>
      <SimpleGrid columns={{ base: 1, md: 2 }} gap={3} mt={2}>
        <LineField
          label="Where the customer asked for it"
          value={wish.place}
          draftKey={draft('wish')}
          onKeep={(place) => refusalOf(keep({ wish: { ...wish, place } }))}
        />
        <Box pt={{ base: 0, md: 6 }}>
          <Tick checked={!wish.kept} onTick={(moved) => keep({ wish: { ...wish, kept: !moved } })}>
            It stands elsewhere
          </Tick>
        </Box>
        {wish.kept ? null : <WhyMoved wish={wish} draft={draft} keep={keep} />}
      </SimpleGrid>
      <Box mt={6}>
        <Part title="Which lens">
          <LensFinder device={device} sight={input} tiltRangeDeg={result.drawing.tiltRangeDeg} onSet={keep} />
        </Part>
        <Part title="The sun">
          {result.drawing.sun ? (
            <SunChart sun={result.drawing.sun} />
          ) : (
            <Text color="soft">{sunless(job, input)}</Text>
          )}
        </Part>
      </Box>
    </>
  )
}

/** Why there is no sun to show. */
function sunless({ site }: Job, { place }: Sight): string {
  if (!place) return 'Put it on the plan to reckon the sun.'
  return site
    ? 'Indoors, or so wide that sky is always in it: the sun is not reckoned.'
    : 'Say on the plan where the site lies to reckon the sun.'
}
