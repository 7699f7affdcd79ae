import { finding, type Finding } from '../../findings'
import { LEVELS } from '../../job/choices'
import { quantity } from '../../units'
import { smearPx } from '../blur'
import { SIGHT_LIMITS } from '../limits'
import { faceWays } from '../ways'
import type { Asked } from './asked'

/** Whether a face is met at an angle, and long enough, to be a face. */
export function faceFindings({ context, sight, ahead, range, cured }: Asked): Finding[] {
  if (!ahead.inPicture) return []
  const { downDeg } = ahead
  const { printed } = context
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
            : 'Neither lowering it nor meeting the face farther out keeps all that was asked: take ' +
              'another spot or lens.',
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
        reason:
          `${walkingMS.value} m/s during ${printed(sight.shutterS, 'time')}, at the ` +
          `${printed(level.densityPxM, 'density')} that ${level.name.toLowerCase()} asks for.`,
        source: blurLimit.source,
        advice:
          'Ask for ' +
          `${printed(1 / Math.ceil((walkingMS.value * level.densityPxM) / blurLimit.value), 'time')} ` +
          'or shorter, with light to match.',
      }),
    )
  }
  return findings
}
