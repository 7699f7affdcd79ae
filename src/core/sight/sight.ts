import { cures, finding, type Figure, type Finding, type StageAssessment } from '../findings'
import { LEVELS } from '../job/choices'
import { levelReached } from './levels'
import type { Sight } from '../job/job'
import type { Camera, DeviceContext } from '../parts'
import { quantity, text, type Reading } from '../units'
import { depressionDeg, farthestGroundM, nearestFaceM, nearestGroundM, type Reach } from './elevation'
import { aheadOf, type Ahead } from './ahead'
import { centredTiltDeg, faceWays, focalThatReaches, keepsToM, nearerThatReaches } from './ways'
import { SIGHT_LIMITS } from './limits'
import { lookAround, planFindings, type Cured } from './onPlan'
import { nameOf } from './occluders'
import type { SunInPicture } from './sun'
import type { AxisProfile } from './surroundings'
import { distanceM } from '../geometry'

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
 * Tilts below level (degrees) that the camera's joint allows, its base facing out from a wall or straight
 * down.
 */
export function tiltRangeDeg(
  camera: Pick<Camera, 'axisFromBaseDeg'>,
  facing: 'wall' | 'down',
): readonly [min: number, max: number] {
  const [least, most] = camera.axisFromBaseDeg
  if (facing === 'down') return [90 - most, Math.min(90, 90 - least)]
  return [least < 0 ? least : -most, Math.min(90, most)]
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
export function assessSight(context: DeviceContext, sight: Sight): StageAssessment<Elevation> {
  const { camera, facing, policies, say } = context
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
    { label: 'Tilt it allows here', reading: text(`${say(range[0], 'angle')} to ${say(range[1], 'angle')}`) },
    {
      label: `Walking blur at ${say(sight.shutterS, 'time')}, ${say(level.densityPxM, 'density')}`,
      reading: quantity(smearPx(sight), 'pixels'),
    },
  ]
  const onPlan = sight.place ? lookAround(context, sight, sight.place) : null
  if (onPlan?.sun)
    figures.push({
      label: 'Sun in the picture',
      reading: text(`${Math.round(onPlan.sun.hoursAYear)} h a year at most`),
    })

  const before = findingsOf(context, sight, null)
  const cured: Cured = (id, change) => cures(id, before, findingsOf(context, { ...sight, ...change }, null))
  return {
    headline: inPicture ? quantity(densityPxM, 'density') : text('target out of picture'),
    figures,
    findings: before.every(({ verdict }) => verdict === 'good') ? before : findingsOf(context, sight, cured),
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
      surroundings: onPlan && { ...onPlan.profile, hiddenBy: onPlan.hidden && nameOf(onPlan.hidden.thing) },
      sun: onPlan?.sun ?? null,
    },
  }
}

/** Every finding of a sight. `cured` tries advice before it is given; null where none is wanted. */
function findingsOf(context: DeviceContext, sight: Sight, cured: Cured | null): Finding[] {
  const ahead = aheadOf(context.camera, sight)
  const range = tiltRangeDeg(context.camera, context.facing)
  const onPlan = sight.place ? lookAround(context, sight, sight.place) : null
  return [
    lensFinding(context, sight, cured),
    tiltFinding(context, sight, range, cured),
    pictureFinding(context, sight, ahead, range, cured),
    ...(ahead.inPicture
      ? [
          levelFinding(context, sight, ahead, range, cured),
          ...faceFindings(context, sight, ahead, range, cured),
        ]
      : []),
    ...nightFindings(context, sight),
    ...(onPlan ? planFindings(context, sight, cured, onPlan) : []),
    ...wishFindings(context, sight),
  ].filter((f) => f !== null)
}

/** Smear of a walking person at the detail that the level asks for, pixels; finer detail may smear. */
const smearPx = ({ shutterS, level }: Sight): number =>
  SIGHT_LIMITS.walkingMS.value * shutterS * LEVELS[level].densityPxM

function reachReading(reach: Reach): Reading {
  if (typeof reach === 'number') return quantity(reach, 'length')
  return text({ 'own feet': 'its own feet', 'endless': 'endless', 'none': 'none' }[reach])
}

function lensFinding(
  { camera, say }: DeviceContext,
  { focalMm }: Sight,
  cured: Cured | null,
): Finding | null {
  const [shortest, longest] = camera.lens.focalMm
  if (focalMm >= shortest - 1e-9 && focalMm <= longest + 1e-9) return null
  const nearest = focalMm < shortest ? shortest : longest
  const clean = cured === null || cured('sight/lens', { focalMm: nearest })
  return finding('sight', 'lens', {
    verdict: 'stop',
    title: 'Lens does not reach this focal length',
    short: 'no such lens setting',
    figure: quantity(focalMm, 'focal'),
    limit: text(`${say(shortest, 'focal')} to ${say(longest, 'focal')}`),
    reason: `${camera.name} cannot be set to it.`,
    source: 'catalogue',
    advice: clean
      ? `Set the lens to ${say(nearest, 'focal')}, or take another camera.`
      : 'What it must show wants another lens: ask below which camera serves.',
  })
}

function tiltFinding(
  { camera, facing, say }: DeviceContext,
  { tiltDeg }: Sight,
  [least, most]: readonly [number, number],
  cured: Cured | null,
): Finding | null {
  if (tiltDeg >= least - 1e-9 && tiltDeg <= most + 1e-9) return null
  const nearest = tiltDeg < least ? least : most
  const clean = cured !== null && cured('sight/tilt', { tiltDeg: nearest })
  const down = `Its base faces down and the lens leaves it by ${camera.axisFromBaseDeg[0]} to ${camera.axisFromBaseDeg[1]}°, so the axis cannot rise above ${say(least, 'angle')} below level.`
  return finding('sight', 'tilt', {
    verdict: 'stop',
    title: 'The joint does not turn that far',
    short: 'tilt out of range',
    figure: quantity(tiltDeg, 'angle'),
    limit: text(`${say(least, 'angle')} to ${say(most, 'angle')}`),
    reason:
      facing === 'down'
        ? down
        : `On a wall the lens leaves its base by at most ${camera.axisFromBaseDeg[1]}°.`,
    source: 'catalogue',
    advice: clean
      ? `Tilt to ${say(nearest, 'angle')}: that still shows what was asked.`
      : 'No tilt that it allows does all that was asked: turn the base with another mount, move the camera, or take one with a wider joint.',
  })
}

function pictureFinding(
  { camera, say }: DeviceContext,
  sight: Sight,
  ahead: Ahead,
  range: readonly [number, number],
  cured: Cured | null,
): Finding | null {
  if (ahead.inPicture) return null
  const above = sight.tiltDeg > ahead.downDeg
  const shows = [ahead.downDeg - ahead.halfDeg, ahead.downDeg + ahead.halfDeg] as const
  const tiltDeg = centredTiltDeg(ahead, range)
  const wide = { focalMm: camera.lens.focalMm[0], tiltDeg }
  const id = 'sight/in-picture'
  const advice = () => {
    if (cured === null) return ''
    if (cured(id, { tiltDeg })) return `Tilt to ${say(tiltDeg, 'angle')}.`
    if (cured(id, wide))
      return `Set the lens to ${say(wide.focalMm, 'focal')} and tilt to ${say(tiltDeg, 'angle')}.`
    return 'Neither tilt nor lens of this camera gives what was asked from here: move it, or take another camera.'
  }
  return finding('sight', 'in-picture', {
    verdict: 'stop',
    title: above ? 'The target stands above the picture' : 'The target stands below the picture',
    short: above ? 'target above picture' : 'target below picture',
    figure: quantity(sight.tiltDeg, 'angle'),
    limit: text(`${say(shows[0], 'angle')} to ${say(shows[1], 'angle')}`),
    reason: `At ${say(sight.targetDistanceM, 'length')} a height of ${say(sight.targetHeightM, 'length')} is in the picture only between these tilts.`,
    source: 'physics',
    advice: advice(),
  })
}

function levelFinding(
  context: DeviceContext,
  sight: Sight,
  { densityPxM }: Ahead,
  range: readonly [number, number],
  cured: Cured | null,
): Finding {
  const { camera, policies, say } = context
  const level = LEVELS[sight.level]
  const name = level.name.toLowerCase()
  const common = {
    figure: quantity(densityPxM, 'density'),
    limit: quantity(level.densityPxM, 'density'),
    source: level.source,
  }
  if (level.edition !== policies.edition) {
    return finding('sight', 'level', {
      verdict: 'check',
      title: 'Level of the other edition',
      short: 'other edition',
      figure: text(level.name),
      limit: text(policies.edition),
      reason: `${level.name} belongs to the ${level.edition} edition; this job works by the ${policies.edition} one.`,
      source: level.source,
      advice: 'Choose a level of the job’s edition.',
    })
  }
  if (densityPxM >= level.densityPxM * (1 + SIGHT_LIMITS.densityMargin.value / 100)) {
    const holds = keepsToM(camera, sight)
    return finding('sight', 'level', {
      ...common,
      verdict: 'good',
      title: `Enough to ${name}`,
      reason:
        holds === null ? 'It holds as far as the plan reaches.' : `It holds to ${say(holds, 'length')}.`,
    })
  }
  const ways =
    cured === null
      ? []
      : [focalThatReaches(context, sight, range, cured), nearerThatReaches(context, sight, cured)].filter(
          (way) => way !== null,
        )
  if (densityPxM >= level.densityPxM) {
    return finding('sight', 'level', {
      ...common,
      verdict: 'check',
      title: `Only just enough to ${name}`,
      short: 'only just enough',
      reason: `Less than ${SIGHT_LIMITS.densityMargin.value} % in hand: a small error of lens or distance loses the level.`,
      advice:
        ways.length > 0
          ? `${ways.join(', or ')}.`
          : 'Neither its lens nor a nearer target gives room: move the camera, or take one with more pixels.',
    })
  }
  return finding('sight', 'level', {
    ...common,
    verdict: 'stop',
    title: `Not enough to ${name}`,
    short: 'too few pixels',
    reason: `At ${say(sight.targetDistanceM, 'length')} the target gets too few pixels.`,
    advice:
      ways.length > 0
        ? `${ways.join(', or ')}. A longer lens shows less to the sides.`
        : 'No lens setting of this camera reaches it, nor a nearer target: ask below which camera does, or place it nearer.',
  })
}

function faceFindings(
  context: DeviceContext,
  sight: Sight,
  { downDeg }: Ahead,
  range: readonly [number, number],
  cured: Cured | null,
): Finding[] {
  const { say } = context
  const findings: Finding[] = []
  const level = LEVELS[sight.level]
  const { faceAngleDeg, blurPx: blurLimit, walkingMS } = SIGHT_LIMITS
  if (level.densityPxM < LEVELS.recognise.densityPxM) return []
  if (downDeg > faceAngleDeg.value) {
    const ways = cured === null ? [] : faceWays(context, sight, range, cured)
    findings.push(
      finding('sight', 'face-angle', {
        verdict: 'check',
        title: 'Faces become tops of heads',
        short: 'too steep for faces',
        figure: quantity(downDeg, 'angle'),
        limit: quantity(faceAngleDeg.value, 'angle'),
        reason: 'The camera looks down on the face more steeply than usual.',
        source: faceAngleDeg.source,
        advice:
          ways.length > 0
            ? `${ways.join(', or ')}.`
            : 'Neither lowering it nor meeting the face farther out keeps all that was asked: take another spot or lens.',
      }),
    )
  }
  const smear = smearPx(sight)
  if (smear > blurLimit.value) {
    findings.push(
      finding('sight', 'blur', {
        verdict: 'check',
        title: 'Walking smears the face',
        short: 'walking smears',
        figure: quantity(smear, 'pixels'),
        limit: quantity(blurLimit.value, 'pixels'),
        reason: `${walkingMS.value} m/s during ${say(sight.shutterS, 'time')}, at the ${say(level.densityPxM, 'density')} that ${level.name.toLowerCase()} asks for.`,
        source: blurLimit.source,
        advice: `Ask for ${say(1 / Math.ceil((walkingMS.value * level.densityPxM) / blurLimit.value), 'time')} or shorter, with light to match.`,
      }),
    )
  }
  return findings
}

function nightFindings({ camera, exposure, say }: DeviceContext, sight: Sight): Finding[] {
  const slantM = Math.hypot(sight.targetDistanceM, sight.heightM - sight.targetHeightM)
  if (!exposure.outdoors || slantM <= camera.infraredReachM) return []
  return [
    finding('sight', 'infrared', {
      verdict: 'check',
      title: camera.infraredReachM === 0 ? 'No infrared of its own' : 'Infrared ends before the target',
      short: camera.infraredReachM === 0 ? 'no infrared' : 'infrared too short',
      figure: quantity(slantM, 'length'),
      limit: quantity(camera.infraredReachM, 'length'),
      reason: 'By night the target is lit by other lamps or not at all.',
      source: 'catalogue',
      advice: `Add light at the target, or take a camera whose infrared reaches ${say(Math.ceil(slantM), 'length')}.`,
    }),
  ]
}

function wishFindings({ say }: DeviceContext, { wish, place }: Sight): Finding[] {
  const away = wish.at && place ? distanceM(wish.at, place) : 0
  const moved = away > SIGHT_LIMITS.wishM.value
  if ((wish.kept && !moved) || (!wish.kept && wish.reason !== '' && wish.agreedBy !== '')) return []
  return [
    finding('sight', 'wish', {
      verdict: 'check',
      title: 'Moved from the customer’s wish',
      short: 'move not agreed',
      figure: moved ? quantity(away, 'length') : text('not agreed'),
      limit: moved ? quantity(SIGHT_LIMITS.wishM.value, 'length') : text('agreed'),
      reason:
        wish.place === '' && moved
          ? `It stands ${say(away, 'length')} from where the customer asked for it, and nobody is noted to have agreed.`
          : `The customer asked for: ${wish.place || 'another place'}.`,
      source: 'practice',
      advice: 'Note why it stands elsewhere and who agreed, before you drill.',
    }),
  ]
}
