import { finding, type Finding } from '../findings'
import { LEVELS } from '../job/choices'
import { print, quantity, text, type UnitSystem } from '../units'
import { SIGHT_LIMITS } from './limits'
import type { TargetResult } from './survey'
import type { AreaResult, PrivacyResult } from './watched'

const percent = (share: number) => `${Math.round(share * 100)} %`

/** Whether an area of interest gets what was promised for it, and why not where it does not. */
export function judgeArea(area: AreaResult, units: UnitSystem): Finding {
  const { areaShare } = SIGHT_LIMITS
  const level = LEVELS[area.level]
  const limit = quantity(areaShare.value, 'share')
  const figure = quantity(Math.floor(area.met * 100), 'share')
  const id = `area:${area.thingId}`
  if (area.met * 100 >= areaShare.value) {
    return finding('sight', id, {
      verdict: 'good',
      title: `${area.name}: enough to ${level.name.toLowerCase()}`,
      figure,
      limit,
      reason: `${percent(area.metByTwo)} of it by two cameras or more.`,
      source: areaShare.source,
    })
  }
  const reasons = [
    {
      share: area.short,
      says:
        `${percent(area.short)} gets too few pixels (down to ` +
        `${print({ value: area.shortAtPxM, kind: 'density' }, units)} of ` +
        `${print({ value: level.densityPxM, kind: 'density' }, units)})`,
      advice: 'A longer lens, or a camera nearer to it.',
    },
    {
      share: area.hidden,
      says: `${percent(area.hidden)} is hidden${area.hiddenBy ? ` by ${area.hiddenBy}` : ''}`,
      advice: `Look round ${area.hiddenBy ?? 'what hides it'} from the other side, or from higher up.`,
    },
    {
      share: area.outOfPicture,
      says: `${percent(area.outOfPicture)} is in nobody’s picture`,
      advice: 'Turn or widen a camera, or place another.',
    },
  ]
    .filter(({ share }) => share >= 0.005)
    .sort((a, b) => b.share - a.share)
  return finding('sight', id, {
    verdict: area.met === 0 ? 'stop' : 'check',
    title: `${area.name}: not enough to ${level.name.toLowerCase()}`,
    short: 'area not met',
    figure,
    limit,
    reason: `${reasons.map(({ says }) => says).join(', ') || 'Nothing of it is seen'}.`,
    source: areaShare.source,
    advice: reasons[0]?.advice ?? 'Place a camera that sees it.',
  })
}

/** Whether a single target gets its level from any camera, and why not where it does not. */
export function judgeTarget(
  { thingId, name, level, asked: { seen, hidden } }: TargetResult,
  units: UnitSystem,
): Finding {
  const { name: levelName, densityPxM, source } = LEVELS[level]
  const limit = quantity(densityPxM, 'density')
  const [best] = seen
  const id = `target:${thingId}`
  if (best && best.densityPxM >= densityPxM)
    return finding('sight', id, {
      verdict: 'good',
      title: `${name}: enough to ${levelName.toLowerCase()}`,
      figure: quantity(best.densityPxM, 'density'),
      limit,
      reason: `Seen by ${seen.map(({ mark }) => mark).join(', ')}.`,
      source,
    })
  const blocked = hidden.map(({ mark, by }) => `${mark} is blocked by ${by}`).join('; ')
  const why = () => {
    if (best)
      return {
        reason: `${best.mark} sees it best, at ${print({ value: best.densityPxM, kind: 'density' }, units)}.`,
        advice: 'A longer lens, or a camera nearer to it.',
      }
    return blocked === ''
      ? { reason: 'It is in nobody’s picture.', advice: 'Turn or widen a camera, or place another.' }
      : {
          reason: `${blocked}.`,
          advice: 'Look past what stands there from the other side, or from higher up.',
        }
  }
  return finding('sight', id, {
    verdict: 'stop',
    title: `${name}: not enough to ${levelName.toLowerCase()}`,
    short: 'target not met',
    figure: best ? quantity(best.densityPxM, 'density') : text('not seen'),
    limit,
    source,
    ...why(),
  })
}

/** Who looks where nobody may; null when nobody does. */
export function judgePrivacy({ thingId, name, seenBy }: PrivacyResult, units: UnitSystem): Finding | null {
  const worst = seenBy.reduce<PrivacyResult['seenBy'][number] | null>(
    (most, one) => (most && most.bestPxM >= one.bestPxM ? most : one),
    null,
  )
  if (!worst) return null
  return finding('sight', `privacy:${thingId}`, {
    verdict: 'check',
    title: `${name}: must not be seen`,
    short: 'must not be seen',
    figure: quantity(worst.share * 100, 'share'),
    limit: quantity(0, 'share'),
    reason:
      seenBy
        .map(
          ({ mark, share, bestPxM }) =>
            `${mark} sees ${percent(Math.max(0.01, share))} of it at up to ` +
            `${print({ value: bestPxM, kind: 'density' }, units)}`,
        )
        .join('; ') + '.',
    source: 'practice',
    advice:
      'Turn the camera away, or set a privacy mask there and note it for the hand-over. Local law decides.',
  })
}
