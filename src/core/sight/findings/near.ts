import { finding, type Finding } from '../../findings'
import type { Sight } from '../../job/job'
import type { DeviceContext } from '../../parts'
import { quantity, text } from '../../units'
import { SIGHT_LIMITS } from '../limits'
import { lipClearanceM } from '../surroundings'
import type { Asked, Cured } from './asked'
import { capital } from './words'

/** Whether something close to the lens takes part of its picture, or of its infrared beam. */
export function nearFindings({ context, sight, ahead, around, cured }: Asked): Finding[] {
  if (!around) return []
  const { camera, printed } = context
  const { setBackM, lipM } = around.lip()
  const findings: Finding[] = []
  const { nearShare, nearSurfaceM, beamMargin } = SIGHT_LIMITS
  for (const surface of around.near()) {
    const seen = surface.ofPicture * 100 > nearShare.value
    const lit = camera.infraredReachM > 0 && surface.ofBeam > 0.02
    if (!seen && !lit) continue
    const drop =
      surface.kind === 'soffit' && setBackM !== null && lipM !== null
        ? lipClearanceM(setBackM, lipM, sight.heightM, sight.tiltDeg, 2 * ahead.halfDeg)
        : null
    const what = surface.kind === 'soffit' ? 'Soffit lip' : 'Near surface'
    findings.push(
      finding('sight', `near:${surface.kind}`, {
        verdict: 'check',
        title: seen ? `${what} in the picture` : `${what} in the infrared beam`,
        short: seen ? `${what.split(' ')[1]} in picture` : `${what.split(' ')[1]} in the beam`,
        figure: quantity((seen ? surface.ofPicture : surface.ofBeam) * 100, 'share'),
        limit: seen
          ? text(`${nearShare.value} %`)
          : text(`none within ${beamMargin.value} % round the picture`),
        reason:
          `${capital(surface.name)} stands ${printed(surface.nearestM, 'length')} from the ` +
          `lens${camera.infraredReachM > 0 ? '; its infrared will glare on it by night' : ''}.`,
        source: seen ? nearShare.source : nearSurfaceM.source,
        advice: cured === null ? '' : nearAdvice(context, sight, cured, `sight/near:${surface.kind}`, drop),
      }),
    )
  }
  return findings
}

/**
 * Lowering or tilting that takes a near surface out of the picture, tried first; else to turn it or move
 * it.
 */
function nearAdvice(
  { printed }: DeviceContext,
  sight: Sight,
  cured: Cured,
  id: string,
  dropM: number | null,
): string {
  const ways: string[] = []
  const lower = dropM === null ? null : Math.ceil((dropM + 0.01) * 20) / 20
  if (lower !== null && sight.heightM - lower >= 0.3 && cured(id, { heightM: sight.heightM - lower }))
    ways.push(`Hang it ${printed(lower, 'length')} lower`)
  const tilt = TILT_MORE_DEG.map((by) => Math.round(sight.tiltDeg + by)).find(
    (tiltDeg) => tiltDeg <= 90 && cured(id, { tiltDeg }),
  )
  if (tilt !== undefined) ways.push(`tilt it to ${printed(tilt, 'angle')}`)
  return ways.length > 0
    ? `${capital(ways.join(', or '))}.`
    : 'Neither hanging it lower nor tilting it clears it without losing the target: turn it ' +
        'away, or bring it past the edge.'
}

/** Steps of tilt that are tried, degrees further down. */
const TILT_MORE_DEG = [2, 4, 6, 8, 10, 14, 18]
