import { finding, type Finding } from '../../findings'
import { quantity, text } from '../../units'
import { centredTiltDeg } from '../ways'
import type { Asked } from './asked'

/** Whether lens and joint can be set to it, and whether the target is then in the picture. */
export const aimFindings = (asked: Asked): Finding[] => [
  ...lensFindings(asked),
  ...tiltFindings(asked),
  ...pictureFindings(asked),
]

function lensFindings({ context, sight, cured }: Asked): Finding[] {
  const { camera, printed } = context
  const { focalMm } = sight
  const [shortest, longest] = camera.lens.focalMm
  if (focalMm >= shortest - 1e-9 && focalMm <= longest + 1e-9) return []
  const nearest = focalMm < shortest ? shortest : longest
  const clean = cured === null || cured('sight/lens', { focalMm: nearest })
  return [
    finding('sight', 'lens', {
      verdict: 'stop',
      title: 'Lens does not reach this focal length',
      short: 'no such lens setting',
      figure: quantity(focalMm, 'focal'),
      limit: text(`${printed(shortest, 'focal')} to ${printed(longest, 'focal')}`),
      reason: `${camera.name} cannot be set to it.`,
      source: 'catalogue',
      advice: clean
        ? `Set the lens to ${printed(nearest, 'focal')}, or take another camera.`
        : 'What it must show wants another lens: ask below which camera serves.',
    }),
  ]
}

function tiltFindings({ context, sight, range, cured }: Asked): Finding[] {
  const { camera, facing, printed } = context
  const { tiltDeg } = sight
  const [least, most] = range
  if (tiltDeg >= least - 1e-9 && tiltDeg <= most + 1e-9) return []
  const nearest = tiltDeg < least ? least : most
  const clean = cured !== null && cured('sight/tilt', { tiltDeg: nearest })
  const down =
    `Its base faces down and the lens leaves it by ${camera.axisFromBaseDeg[0]} to ` +
    `${camera.axisFromBaseDeg[1]}°, so the axis cannot rise above ${printed(least, 'angle')} ` +
    'below level.'
  return [
    finding('sight', 'tilt', {
      verdict: 'stop',
      title: 'The joint does not turn that far',
      short: 'tilt out of range',
      figure: quantity(tiltDeg, 'angle'),
      limit: text(`${printed(least, 'angle')} to ${printed(most, 'angle')}`),
      reason:
        facing === 'down'
          ? down
          : `On a wall the lens leaves its base by at most ${camera.axisFromBaseDeg[1]}°.`,
      source: 'catalogue',
      advice: clean
        ? `Tilt to ${printed(nearest, 'angle')}: that still shows what was asked.`
        : 'No tilt that it allows does all that was asked: turn the base with another mount, move ' +
          'the camera, or take one with a wider joint.',
    }),
  ]
}

function pictureFindings({ context, sight, ahead, range, cured }: Asked): Finding[] {
  const { camera, printed } = context
  if (ahead.inPicture) return []
  const above = sight.tiltDeg > ahead.downDeg
  const shows = [ahead.downDeg - ahead.halfDeg, ahead.downDeg + ahead.halfDeg] as const
  const tiltDeg = centredTiltDeg(ahead, range)
  const wide = { focalMm: camera.lens.focalMm[0], tiltDeg }
  const id = 'sight/in-picture'
  const advice = () => {
    if (cured === null) return ''
    if (cured(id, { tiltDeg })) return `Tilt to ${printed(tiltDeg, 'angle')}.`
    if (cured(id, wide))
      return `Set the lens to ${printed(wide.focalMm, 'focal')} and tilt to ${printed(tiltDeg, 'angle')}.`
    return 'Neither tilt nor lens of this camera gives what was asked from here: move it, or take another camera.'
  }
  return [
    finding('sight', 'in-picture', {
      verdict: 'stop',
      title: above ? 'The target stands above the picture' : 'The target stands below the picture',
      short: above ? 'target above picture' : 'target below picture',
      figure: quantity(sight.tiltDeg, 'angle'),
      limit: text(`${printed(shows[0], 'angle')} to ${printed(shows[1], 'angle')}`),
      reason:
        `At ${printed(sight.targetDistanceM, 'length')} a height of ` +
        `${printed(sight.targetHeightM, 'length')} is in the picture only between these tilts.`,
      source: 'physics',
      advice: advice(),
    }),
  ]
}
