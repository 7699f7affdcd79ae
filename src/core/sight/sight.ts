import { finding, type Figure, type Finding, type StageAssessment } from '../findings'
import { LEVELS } from '../job/choices'
import { levelReached } from './levels'
import type { Sight } from '../job/job'
import type { Camera, DeviceContext } from '../parts'
import { quantity, text, type Reading } from '../units'
import { depressionDeg, farthestGroundM, nearestFaceM, nearestGroundM, tiltsThatShow, type Reach } from './elevation'
import { SIGHT_LIMITS } from './limits'
import { lookAround, planFindings } from './onPlan'
import { nameOf } from './occluders'
import { densityAt, imagerOf } from './projection'
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
  readonly form: Camera['form']
  readonly tiltRangeDeg: readonly [min: number, max: number]
  /** What stands along the axis, and what hides the target; null while the device is not on the plan. */
  readonly surroundings: (AxisProfile & { readonly hiddenBy: string | null }) | null
  /** The sun through the year; null indoors, off the plan, or while nobody said where the site lies. */
  readonly sun: SunInPicture | null
}

/** Tilts below level (degrees) that the camera's joint allows, its base facing out from a wall or straight down. */
export function tiltRangeDeg(camera: Pick<Camera, 'axisFromBaseDeg'>, facing: 'wall' | 'down'): readonly [min: number, max: number] {
  const [least, most] = camera.axisFromBaseDeg
  if (facing === 'down') return [90 - most, Math.min(90, 90 - least)]
  return [least < 0 ? least : -most, Math.min(90, most)]
}

/** Pixels per metre at a target straight ahead of the camera. */
export function targetDensityPxM(camera: Camera, sight: Sight): number {
  const pose = { x: 0, y: 0, z: sight.heightM, panDeg: 0, tiltDeg: sight.tiltDeg, rollDeg: 0 }
  return densityAt(imagerOf(camera, sight.focalMm, sight.portrait), pose, { x: 0, y: sight.targetDistanceM, z: sight.targetHeightM })
}

/** Start values for a device that nobody has sighted yet: the shortest lens, aimed at a face six metres out. */
export function proposeSight({ camera, facing, policies }: DeviceContext): Sight {
  const heightM = facing === 'down' ? 2.8 : 3
  const centred = Math.round(depressionDeg(heightM, SIGHT_LIMITS.faceHeightM.value, 6))
  const [least, most] = tiltRangeDeg(camera, facing)
  return {
    heightM, targetDistanceM: 6, targetHeightM: SIGHT_LIMITS.faceHeightM.value, level: policies.edition === '2014' ? 'recognise' : 'perceive',
    focalMm: camera.lens.focalMm[0], tiltDeg: Math.min(most, Math.max(least, centred)), portrait: false, shutterS: 1 / 100,
    wish: { place: '', at: null, kept: true, reason: '', agreedBy: '' }, place: null,
  }
}

/** Everything `sight` has to say of one device from its record. Total for every valid input. */
export function assessSight(context: DeviceContext, sight: Sight): StageAssessment<Elevation> {
  const { camera, facing, policies, say } = context
  const imager = imagerOf(camera, sight.focalMm, sight.portrait)
  const { verticalFovDeg, horizontalFovDeg } = imager
  const { heightM, tiltDeg, targetDistanceM, targetHeightM } = sight
  const level = LEVELS[sight.level]
  const density = targetDensityPxM(camera, sight)
  const reached = levelReached(density, policies.edition)
  const down = depressionDeg(heightM, targetHeightM, targetDistanceM)
  const shows = tiltsThatShow(down, verticalFovDeg)
  const inPicture = tiltDeg >= shows[0] && tiltDeg <= shows[1]
  const range = tiltRangeDeg(camera, facing)
  const near = nearestGroundM(heightM, tiltDeg, verticalFovDeg)
  const far = farthestGroundM(heightM, tiltDeg, verticalFovDeg)
  const blurPx = SIGHT_LIMITS.walkingMS.value * sight.shutterS * density

  const figures: Figure[] = [
    { label: 'Across', reading: quantity(horizontalFovDeg, 'angle') },
    { label: 'Up and down', reading: quantity(verticalFovDeg, 'angle') },
    { label: 'At the target', reading: inPicture ? quantity(density, 'density') : text('not in the picture') },
    { label: 'Scene across at the target', reading: camera.lens.kind === 'rectilinear' ? quantity(2 * Math.hypot(targetDistanceM, heightM - targetHeightM) * Math.tan((horizontalFovDeg * Math.PI) / 360), 'length') : text('all round') },
    { label: 'Level reached', reading: text(!inPicture || reached === null ? 'none' : LEVELS[reached].name) },
    { label: 'Nearest ground', reading: reachReading(near) },
    { label: 'Far limit', reading: reachReading(far) },
    { label: 'Nearest face', reading: reachReading(nearestFaceM(heightM, SIGHT_LIMITS.faceHeightM.value, tiltDeg, imager)) },
    { label: 'Tilt that centres the target', reading: quantity(down, 'angle') },
    { label: 'Tilt it allows here', reading: text(`${say(range[0], 'angle')} to ${say(range[1], 'angle')}`) },
    { label: `Walking blur at ${say(sight.shutterS, 'time')}`, reading: quantity(blurPx, 'pixels') },
  ]

  const onPlan = sight.place ? lookAround(context, sight, sight.place) : null
  if (onPlan?.sun) figures.push({ label: 'Sun in the picture', reading: text(`${Math.round(onPlan.sun.hoursAYear)} h a year at most`) })

  const findings = [
    ...lensFindings(context, sight),
    tiltFinding(context, sight, range, shows),
    pictureFinding(context, sight, inPicture, shows, range),
    ...(inPicture ? [levelFinding(context, sight, density), ...faceFindings(context, sight, down)] : []),
    ...nightFindings(context, sight),
    ...(onPlan ? planFindings(context, sight, onPlan) : []),
    ...wishFindings(context, sight),
  ].filter((f) => f !== null)

  return {
    headline: inPicture ? quantity(density, 'density') : text('target out of picture'),
    figures,
    findings,
    drawing: {
      heightM, targetDistanceM, targetHeightM, tiltDeg, verticalFovDeg, nearestGround: near, farthestGround: far, targetInPicture: inPicture,
      densityPxM: density, levelName: level.name, faceAngleDeg: down, facing, form: camera.form, tiltRangeDeg: range,
      surroundings: onPlan && { ...onPlan.profile, hiddenBy: onPlan.hidden && nameOf(onPlan.hidden.thing) },
      sun: onPlan?.sun ?? null,
    },
  }
}

function reachReading(reach: Reach): Reading {
  if (typeof reach === 'number') return quantity(reach, 'length')
  return text({ 'own feet': 'its own feet', endless: 'endless', none: 'none' }[reach])
}

function lensFindings({ camera, say }: DeviceContext, { focalMm }: Sight): Finding[] {
  const [shortest, longest] = camera.lens.focalMm
  if (focalMm >= shortest - 1e-9 && focalMm <= longest + 1e-9) return []
  return [finding('sight', 'lens', {
    verdict: 'stop', title: 'Lens does not reach this focal length', figure: quantity(focalMm, 'focal'),
    limit: text(`${say(shortest, 'focal')} to ${say(longest, 'focal')}`), reason: `${camera.name} cannot be set to it.`, source: 'catalogue',
    advice: `Set the lens between ${shortest} and ${longest} mm, or take another camera.`,
  })]
}

function tiltFinding({ camera, facing, say }: DeviceContext, { tiltDeg }: Sight, [least, most]: readonly [number, number], shows: readonly [number, number]): Finding | null {
  if (tiltDeg >= least - 1e-9 && tiltDeg <= most + 1e-9) return null
  const [from, to] = [Math.max(least, shows[0]), Math.min(most, shows[1])]
  return finding('sight', 'tilt', {
    verdict: 'stop', title: 'The joint does not turn that far', figure: quantity(tiltDeg, 'angle'),
    limit: text(`${say(least, 'angle')} to ${say(most, 'angle')}`),
    reason: facing === 'down' ? `Its base faces down and the lens leaves it by ${camera.axisFromBaseDeg[0]} to ${camera.axisFromBaseDeg[1]}°, so the axis cannot rise above ${say(least, 'angle')} below level.` : `On a wall the lens leaves its base by at most ${camera.axisFromBaseDeg[1]}°.`,
    source: 'catalogue',
    advice: from <= to ? `Tilt between ${say(from, 'angle')} and ${say(to, 'angle')}: the target is in the picture there too.` : 'Turn the base with another mount, stand nearer to the target, or take a camera with a wider joint.',
  })
}

function pictureFinding({ say }: DeviceContext, sight: Sight, inPicture: boolean, shows: readonly [number, number], range: readonly [number, number]): Finding | null {
  if (inPicture) return null
  const above = sight.tiltDeg > shows[1]
  const [from, to] = [Math.max(range[0], shows[0]), Math.min(range[1], shows[1])]
  return finding('sight', 'in-picture', {
    verdict: 'stop', title: above ? 'The target stands above the picture' : 'The target stands below the picture', figure: quantity(sight.tiltDeg, 'angle'),
    limit: text(`${say(shows[0], 'angle')} to ${say(shows[1], 'angle')}`), reason: `At ${say(sight.targetDistanceM, 'length')} a height of ${say(sight.targetHeightM, 'length')} is in the picture only between these tilts.`,
    source: 'physics', advice: from <= to ? `Tilt between ${say(from, 'angle')} and ${say(to, 'angle')}.` : 'Take a wider lens or stand farther back.',
  })
}

function levelFinding({ camera, policies, say }: DeviceContext, sight: Sight, density: number): Finding {
  const level = LEVELS[sight.level]
  const name = level.name.toLowerCase()
  const limit = quantity(level.densityPxM, 'density')
  if (level.edition !== policies.edition) {
    return finding('sight', 'level', {
      verdict: 'check', title: 'Level of the other edition', figure: text(level.name), limit: text(policies.edition),
      reason: `${level.name} belongs to the ${level.edition} edition; this job works by the ${policies.edition} one.`, source: level.source, advice: 'Choose a level of the job’s edition.',
    })
  }
  const holdsTo = (sight.targetDistanceM * density) / level.densityPxM
  if (density >= level.densityPxM) {
    const close = density < level.densityPxM * (1 + SIGHT_LIMITS.densityMargin.value / 100)
    return close
      ? finding('sight', 'level', { verdict: 'check', title: `Only just enough to ${name}`, figure: quantity(density, 'density'), limit, reason: `Less than ${SIGHT_LIMITS.densityMargin.value} % in hand: a small error of lens or distance loses the level.`, source: level.source, advice: 'A slightly longer lens gives room.' })
      : finding('sight', 'level', { verdict: 'good', title: `Enough to ${name}`, figure: quantity(density, 'density'), limit, reason: `It holds to about ${say(holdsTo, 'length')}.`, source: level.source })
  }
  return finding('sight', 'level', {
    verdict: 'stop', title: `Not enough to ${name}`, figure: quantity(density, 'density'), limit,
    reason: `At ${say(sight.targetDistanceM, 'length')} the target gets too few pixels.`, source: level.source, advice: moreDensity(camera, sight, level.densityPxM / density, holdsTo, say),
  })
}

function moreDensity(camera: Camera, sight: Sight, factor: number, holdsTo: number, say: DeviceContext['say']): string {
  const focal = Math.ceil(sight.focalMm * factor * 10) / 10
  const nearer = `bring the target within ${say(holdsTo, 'length')}`
  return camera.lens.kind === 'rectilinear' && focal <= camera.lens.focalMm[1]
    ? `Set the lens to ${focal} mm, or ${nearer}. A longer lens shows less to the sides.`
    : `This lens ends at ${camera.lens.focalMm[1]} mm: ${nearer}, or take a camera with a lens of ${focal} mm.`
}

function faceFindings({ say }: DeviceContext, sight: Sight, down: number): Finding[] {
  const findings: Finding[] = []
  const level = LEVELS[sight.level]
  const needsFace = level.densityPxM >= LEVELS.recognise.densityPxM
  const { faceAngleDeg, blurPx: blurLimit, walkingMS } = SIGHT_LIMITS
  const smearPx = walkingMS.value * sight.shutterS * level.densityPxM // at the detail that the level asks for; finer detail may smear
  if (needsFace && down > faceAngleDeg.value) {
    const drop = sight.heightM - sight.targetHeightM
    findings.push(finding('sight', 'face-angle', {
      verdict: 'check', title: 'Faces become tops of heads', figure: quantity(down, 'angle'), limit: quantity(faceAngleDeg.value, 'angle'),
      reason: 'The camera looks down on the face more steeply than usual.', source: faceAngleDeg.source,
      advice: `Lower the camera to ${say(sight.targetHeightM + sight.targetDistanceM * Math.tan((faceAngleDeg.value * Math.PI) / 180), 'length')}, or meet the face from ${say(drop / Math.tan((faceAngleDeg.value * Math.PI) / 180), 'length')}.`,
    }))
  }
  if (needsFace && smearPx > blurLimit.value) {
    findings.push(finding('sight', 'blur', {
      verdict: 'check', title: 'Walking smears the face', figure: quantity(smearPx, 'pixels'), limit: quantity(blurLimit.value, 'pixels'),
      reason: `${walkingMS.value} m/s during ${say(sight.shutterS, 'time')}, at the ${say(level.densityPxM, 'density')} that ${level.name.toLowerCase()} asks for.`, source: blurLimit.source,
      advice: `Ask for ${say(1 / Math.ceil((walkingMS.value * level.densityPxM) / blurLimit.value), 'time')} or shorter, with light to match.`,
    }))
  }
  return findings
}

function nightFindings({ camera, exposure, say }: DeviceContext, sight: Sight): Finding[] {
  const slantM = Math.hypot(sight.targetDistanceM, sight.heightM - sight.targetHeightM)
  if (!exposure.outdoors || slantM <= camera.infraredReachM) return []
  return [finding('sight', 'infrared', {
    verdict: 'check', title: camera.infraredReachM === 0 ? 'No infrared of its own' : 'Infrared ends before the target', figure: quantity(slantM, 'length'),
    limit: quantity(camera.infraredReachM, 'length'), reason: 'By night the target is lit by other lamps or not at all.', source: 'catalogue',
    advice: `Add light at the target, or take a camera whose infrared reaches ${say(Math.ceil(slantM), 'length')}.`,
  })]
}

function wishFindings({ say }: DeviceContext, { wish, place }: Sight): Finding[] {
  const away = wish.at && place ? distanceM(wish.at, place) : 0
  const moved = away > SIGHT_LIMITS.wishM.value
  if ((wish.kept && !moved) || (!wish.kept && wish.reason !== '' && wish.agreedBy !== '')) return []
  return [finding('sight', 'wish', {
    verdict: 'check', title: 'Moved from the customer’s wish', figure: moved ? quantity(away, 'length') : text('not agreed'), limit: moved ? quantity(SIGHT_LIMITS.wishM.value, 'length') : text('agreed'),
    reason: wish.place === '' && moved ? `It stands ${say(away, 'length')} from where the customer asked for it, and nobody is noted to have agreed.` : `The customer asked for: ${wish.place || 'another place'}.`,
    source: 'practice', advice: 'Note why it stands elsewhere and who agreed, before you drill.',
  })]
}
