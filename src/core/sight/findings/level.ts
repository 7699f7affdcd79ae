import { finding, type Finding } from '../../findings'
import { LEVELS } from '../../job/choices'
import { quantity, text } from '../../units'
import { SIGHT_LIMITS } from '../limits'
import { focalThatReaches, keepsToM, nearerThatReaches } from '../ways'
import type { Asked } from './asked'

/** Whether the target gets the pixels that its level asks for. */
export const levelFindings = (asked: Asked): Finding[] => (asked.ahead.inPicture ? [levelFinding(asked)] : [])

function levelFinding({ context, sight, ahead, range, cured }: Asked): Finding {
  const { densityPxM } = ahead
  const { camera, policies, printed } = context
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
    const holds = cured === null ? null : keepsToM(camera, sight)
    return finding('sight', 'level', {
      ...common,
      verdict: 'good',
      title: `Enough to ${name}`,
      reason:
        holds === null ? 'It holds as far as the plan reaches.' : `It holds to ${printed(holds, 'length')}.`,
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
      reason:
        `Less than ${SIGHT_LIMITS.densityMargin.value} % in hand: a small error of lens or ` +
        'distance loses the level.',
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
    reason: `At ${printed(sight.targetDistanceM, 'length')} the target gets too few pixels.`,
    advice:
      ways.length > 0
        ? `${ways.join(', or ')}. A longer lens shows less to the sides.`
        : 'No lens setting of this camera reaches it, nor a nearer target: ask below which camera ' +
          'does, or place it nearer.',
  })
}
