import { finding, type Figure, type Finding, type StageAssessment } from '../findings'
import type { Camera, DeviceContext, Supply } from '../parts'
import { quantity, text } from '../units'
import { voltsAtLoad } from './circuit'
import type { Base, PowerLadder } from './ladder'
import { POWER_LIMITS } from './limits'

/** What a camera gets over cores of its own at a low voltage. */
export function overCores(
  context: DeviceContext,
  part: Supply,
  ohmPerM: number,
  base: Base,
): StageAssessment<PowerLadder> {
  const { camera, printed, measured } = context
  const [leastV, mostV] = camera.power.dcV!
  const { jointOhm, dcJoints } = POWER_LIMITS
  const circuitOhm = 2 * (ohmPerM * base.lengthM + dcJoints.value * jointOhm.value)
  const reckonedV = voltsAtLoad(part.volts, camera.power.worstW, circuitOhm)
  const volts = measured.volts ?? reckonedV
  const drawW = reckonedV === null ? null : (camera.power.worstW * part.volts) / reckonedV
  const figures: Figure[] = [
    { label: 'Camera, worst hour', reading: quantity(camera.power.worstW, 'power') },
    { label: 'At the supply', reading: quantity(part.volts, 'voltage') },
    { label: 'Cores and joints, there and back', reading: quantity(circuitOhm, 'resistance') },
    {
      label: measured.volts === null ? 'At the camera' : 'At the camera, as measured',
      reading: volts === null ? text('cannot start') : quantity(volts, 'voltage'),
    },
    { label: 'Camera takes', reading: text(`${printed(leastV, 'voltage')} to ${printed(mostV, 'voltage')}`) },
    ...(drawW === null ? [] : [{ label: 'Drawn at the supply', reading: quantity(drawW, 'power') }]),
  ]
  const when = measured.volts === null ? 'In the worst hour, infrared on.' : 'As measured at the camera.'
  const common = {
    figure: volts === null ? text('cannot start') : quantity(volts, 'voltage'),
    limit: quantity(leastV, 'voltage'),
    source: 'catalogue',
  } as const
  const findings: Finding[] = []
  if (volts === null || volts < leastV) {
    findings.push(
      finding('power', 'volts', {
        ...common,
        verdict: 'stop',
        title: 'Too few volts arrive',
        short: volts === null ? 'cannot start' : 'too few volts',
        reason: `A camera takes more current as the volts fall, so a weak run collapses at night. ${when}`,
        advice: `Thicker cores, a shorter run, a supply nearer to it${setUp(part, camera, circuitOhm, printed)}.`,
      }),
    )
  } else
    findings.push(
      finding('power', 'volts', { ...common, verdict: 'good', title: 'Enough volts arrive', reason: when }),
    )
  const highest = Math.max(part.volts, measured.volts ?? 0)
  if (highest > mostV) {
    const lower = part.adjustV !== null && part.adjustV[0] <= mostV
    findings.push(
      finding('power', 'over-volts', {
        verdict: 'stop',
        title: 'The supply is set too high',
        short: 'too many volts',
        figure: quantity(highest, 'voltage'),
        limit: quantity(mostV, 'voltage'),
        reason: 'By day the drop is small and the camera gets nearly all of it.',
        source: 'catalogue',
        advice: lower
          ? `Set it to ${printed(mostV, 'voltage')} or less.`
          : `Take a supply of ${printed(mostV, 'voltage')} or less.`,
      }),
    )
  }
  return {
    headline: volts === null ? text('cannot start') : quantity(volts, 'voltage'),
    figures,
    findings,
    drawing: {
      ...base,
      sourceV: part.volts,
      circuitOhm,
      atCameraV: volts,
      leastV,
      lossW: drawW === null ? 0 : drawW - camera.power.worstW,
      poeClass: null,
      drawW,
    },
  }
}

/** Words for setting a supply up, only where it can be set and that alone brings enough volts. */
function setUp(
  { adjustV, volts }: Supply,
  { power }: Camera,
  circuitOhm: number,
  printed: DeviceContext['printed'],
): string {
  if (adjustV === null) return ''
  const toV = Math.min(adjustV[1], power.dcV![1])
  const at = voltsAtLoad(toV, power.worstW, circuitOhm)
  return toV > volts && at !== null && at >= power.dcV![0]
    ? `, or set the supply up to ${printed(toV, 'voltage')}`
    : ''
}
