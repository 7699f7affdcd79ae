import type { Figure, StageAssessment } from '../findings'
import { LEVELS } from '../job/choices'
import { levelReached } from './levels'
import type { Sight } from '../job/job'
import type { Camera, DeviceContext, PlaceContext } from '../parts'
import { quantity, text, type Reading } from '../units'
import { depressionDeg, farthestGroundM, nearestFaceM, nearestGroundM, type Reach } from './elevation'
import { aheadOf } from './ahead'
import { onLand } from './eye'
import { lookAround, type Around } from './around'
import { smearPx } from './blur'
import { findingsOf } from './findings'
import { tiltRangeDeg } from './joint'
import { SIGHT_LIMITS } from './limits'
import type { SunInPicture } from './sun'
import type { AxisProfile } from './surroundings'

/** What the side elevation draws; metres and degrees, nothing rounded. */
export interface Elevation {
  readonly heightM: number
  readonly targetDistanceM: number
  readonly targetHeightM: number
  readonly tiltDeg: number
  readonly verticalFovDeg: number
  readonly nearestGround: Reach
  readonly farthestGround: Reach
  readonly targetInPicture: boolean
  readonly densityPxM: number
  readonly levelName: string
  readonly faceAngleDeg: number
  readonly facing: 'wall' | 'down'
  readonly onPole: boolean
  readonly form: Camera['form']
  readonly tiltRangeDeg: readonly [min: number, max: number]
  /** What stands along the axis, and what hides the target; null while the device is not on the plan. */
  readonly surroundings: (AxisProfile & { readonly hiddenBy: string | null }) | null
  /** The sun through the year; null indoors, off the plan, or while nobody said where the site lies. */
  readonly sun: SunInPicture | null
}

/**
 * Start values for a device that nobody has sighted yet: the shortest lens, aimed at a face six metres out.
 */
export function proposeSight({ camera, facing, policies }: DeviceContext): Sight {
  const heightM = facing === 'down' ? 2.8 : 3
  const centred = Math.round(depressionDeg(heightM, SIGHT_LIMITS.faceHeightM.value, 6))
  const [least, most] = tiltRangeDeg(camera, facing)
  return {
    heightM,
    targetDistanceM: 6,
    targetHeightM: SIGHT_LIMITS.faceHeightM.value,
    level: policies.edition === '2014' ? 'recognise' : 'perceive',
    focalMm: camera.lens.focalMm[0],
    tiltDeg: Math.min(most, Math.max(least, centred)),
    portrait: false,
    shutterS: 1 / 100,
    wish: { place: '', at: null, kept: true, reason: '', agreedBy: '' },
    place: null,
  }
}

/** Everything `sight` has to say of one device from its record. Total for every valid input. */
export function assessSight(context: PlaceContext, planned: Sight): StageAssessment<Elevation> {
  const sight = onLand(context, planned)
  const { camera, facing, policies, printed } = context
  const ahead = aheadOf(camera, sight)
  const { imager, halfDeg, densityPxM, inPicture, downDeg } = ahead
  const { heightM, tiltDeg, targetDistanceM, targetHeightM } = sight
  const level = LEVELS[sight.level]
  const reached = levelReached(densityPxM, policies.edition)
  const range = tiltRangeDeg(camera, facing)
  const near = nearestGroundM(heightM, tiltDeg, 2 * halfDeg)
  const far = farthestGroundM(heightM, tiltDeg, 2 * halfDeg)

  const figures: Figure[] = [
    { label: 'Across', reading: quantity(imager.horizontalFovDeg, 'angle') },
    { label: 'Up and down', reading: quantity(imager.verticalFovDeg, 'angle') },
    {
      label: 'At the target',
      reading: inPicture ? quantity(densityPxM, 'density') : text('not in the picture'),
    },
    {
      label: 'Scene across at the target',
      reading: ahead.acrossM === null ? text('all round') : quantity(ahead.acrossM, 'length'),
    },
    { label: 'Level reached', reading: text(!inPicture || reached === null ? 'none' : LEVELS[reached].name) },
    { label: 'Nearest ground', reading: reachReading(near) },
    { label: 'Far limit', reading: reachReading(far) },
    {
      label: 'Nearest face',
      reading: reachReading(nearestFaceM(heightM, SIGHT_LIMITS.faceHeightM.value, tiltDeg, halfDeg)),
    },
    { label: 'Tilt that centres the target', reading: quantity(downDeg, 'angle') },
    {
      label: 'Tilt it allows here',
      reading: text(`${printed(range[0], 'angle')} to ${printed(range[1], 'angle')}`),
    },
    {
      label: `Walking blur at ${printed(sight.shutterS, 'time')}, ${printed(level.densityPxM, 'density')}`,
      reading: quantity(smearPx(sight), 'pixels'),
    },
  ]
  const around = planned.place ? lookAround(context, planned, planned.place) : null
  const sun = around?.sun() ?? null
  if (sun)
    figures.push({
      label: 'Sun in the picture',
      reading: text(`${Math.round(sun.hoursAYear)} h a year at most`),
    })

  return {
    headline: inPicture ? quantity(densityPxM, 'density') : text('target out of picture'),
    figures,
    findings: findingsOf(context, planned),
    drawing: {
      heightM,
      targetDistanceM,
      targetHeightM,
      tiltDeg,
      verticalFovDeg: 2 * halfDeg,
      nearestGround: near,
      farthestGround: far,
      targetInPicture: inPicture,
      densityPxM,
      levelName: level.name,
      faceAngleDeg: downDeg,
      facing,
      onPole: context.surface.holding === 'pole',
      form: camera.form,
      tiltRangeDeg: range,
      surroundings: around && surroundingsOf(around),
      sun,
    },
  }
}

function reachReading(reach: Reach): Reading {
  if (typeof reach === 'number') return quantity(reach, 'length')
  return text({ 'own feet': 'its own feet', 'endless': 'endless', 'none': 'none' }[reach])
}

function surroundingsOf(around: Around): Elevation['surroundings'] {
  const hidden = around.hidden()
  return { ...around.profile(), hiddenBy: hidden && hidden.name }
}
