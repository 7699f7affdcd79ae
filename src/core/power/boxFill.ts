import { finding, type Finding } from '../findings'
import type { DeviceContext } from '../parts'
import { quantity, text } from '../units'
import { BOX_FILL_ML } from './limits'

/**
 * What a mains joint takes of its box, mL, by NEC 314.16(B): each conductor that ends or is spliced in it,
 * all earths together once, the inside clamp once.
 */
export function boxFillMl(awg: number): number | null {
  const each = BOX_FILL_ML.find((row) => row.awg === awg)
  if (!each) return null
  const [supply, camera, earths, clamp] = [2, 2, 1, 1]
  return (supply + camera + earths + clamp) * each.ml
}

/** Whether the mains joint finds room in its box. */
export function boxFillFinding({ mounts, surface, cable }: DeviceContext): Finding | null {
  const neededMl = cable.awg === null ? null : boxFillMl(cable.awg)
  if (neededMl === null) return null
  const volumeMl = mounts.find(({ kind }) => kind === 'electrical box')?.volumeMl ?? null
  const common = {
    figure: quantity(neededMl, 'volume'),
    reason: 'Two cores of the supply, two of the camera, the earths, the clamp.',
    source: 'nec-314-16',
  } as const
  if (volumeMl === null && surface.holding !== 'box')
    return finding('power', 'box-fill', {
      ...common,
      verdict: 'stop',
      title: 'No box for the mains joint',
      short: 'no box',
      limit: text('a box'),
      advice: 'Put an electrical box first in the stack: a mains joint lies in a box.',
    })
  if (volumeMl === null)
    return finding('power', 'box-fill', {
      ...common,
      verdict: 'check',
      title: 'The old box may be too full',
      short: 'box fill unknown',
      limit: text('its own volume'),
      advice: 'Read the volume stamped in the box and count what it holds before anything is added.',
    })
  return volumeMl >= neededMl
    ? finding('power', 'box-fill', {
        ...common,
        verdict: 'good',
        title: 'The mains joint finds room in its box',
        limit: quantity(volumeMl, 'volume'),
      })
    : finding('power', 'box-fill', {
        ...common,
        verdict: 'stop',
        title: 'The box is too small for the mains joint',
        short: 'box too small',
        limit: quantity(volumeMl, 'volume'),
        advice: 'Take a deeper box.',
      })
}
