import { finding, type Figure, type Finding, type StageAssessment } from '../findings'
import type { Power } from '../job/job'
import { remembered, type Camera, type DeviceContext, type Supply } from '../parts'
import { runLengths, segmentM } from '../route'
import { ohmPerKm } from '../terminate'
import { quantity, text } from '../units'
import { powerAtEnd, voltsAtLoad } from './circuit'
import { POE_CLASSES, type PoeClass } from './limits'

/** What the power ladder draws. Null volts: the circuit cannot carry the load. */
export interface PowerLadder {
  readonly supplyName: string
  readonly partName: string
  readonly port: number | null
  readonly kind: Supply['kind']
  readonly sourceV: number
  readonly lengthM: number
  readonly circuitOhm: number
  readonly loadW: number
  readonly atCameraV: number | null
  readonly leastV: number
  readonly lossW: number
  readonly poeClass: number | null
  /** What it draws from its supply in the worst hour; null when it cannot run from it. */
  readonly drawW: number | null
}

/** Start values: the first supply of the job that can feed this camera; null when there is none. */
export function proposePower({ supplies, catalogue, camera }: DeviceContext): Power | null {
  const fit = supplies.find(({ partId }) => {
    const part = catalogue.supplies.get(partId)
    return part !== undefined && feeds(part, camera)
  })
  return fit ? { supplyId: fit.id, port: null } : null
}

/** True when the kind of supply and the camera's inputs go together. */
export function feeds(supply: Supply, camera: Camera): boolean {
  if (supply.kind === 'mains') return camera.power.mains
  if (supply.kind === 'dc supply' || supply.kind === 'ac supply') return camera.power.dcV !== null
  return camera.power.poe
}

/** The smallest PoE class that carries `deviceW` at the camera; null above the highest. */
export function poeClassFor(deviceW: number): PoeClass | null {
  return POE_CLASSES.find((poe) => deviceW <= poe.deviceW) ?? null
}

/** Mean temperature of a run by length, °C; 20 when nothing is planned. */
function meanTemperatureC({ device }: DeviceContext): number {
  const segments = device.route?.segments ?? []
  const total = segments.reduce((sum, segment) => sum + segmentM(segment), 0)
  return total === 0 ? 20 : segments.reduce((sum, segment) => sum + segment.temperatureC * segmentM(segment), 0) / total
}

/** Everything `power` has to say of one device from its record; null when the job has no such supply. */
export const assessPower = remembered((context, power: Power): StageAssessment<PowerLadder> | null => {
  const { supplies, catalogue, camera, cable, device } = context
  const named = supplies.find(({ id }) => id === power.supplyId)
  const part = named && catalogue.supplies.get(named.partId)
  if (!named || !part) return null
  const lengthM = runLengths(context, device.route).installedM
  const r = cable.awg === null ? null : ohmPerKm(cable.awg, meanTemperatureC(context)) / 1000
  const base = { supplyName: named.name, partName: part.name, port: power.port, kind: part.kind, lengthM, loadW: camera.power.worstW }
  const isPoe = part.kind === 'poe switch' || part.kind === 'injector'
  if (!feeds(part, camera) || (isPoe && cable.kind !== 'pair') || (!isPoe && part.kind !== 'mains' && (cable.kind === 'pair' || cable.kind === 'coax' || cable.kind === 'fibre')) || r === null) {
    return mismatch(context, part, { ...base, sourceV: part.volts, circuitOhm: 0, atCameraV: null, leastV: 0, lossW: 0, poeClass: null, drawW: null })
  }
  if (part.kind === 'mains') return mains({ ...base, sourceV: part.volts, circuitOhm: 2 * r * lengthM, atCameraV: part.volts, leastV: 0, lossW: 0, poeClass: null, drawW: camera.power.worstW })
  return isPoe ? overData(context, part, r, base) : overCores(context, part, r, base)
})

type Base = Pick<PowerLadder, 'supplyName' | 'partName' | 'port' | 'kind' | 'lengthM' | 'loadW'>

function mismatch({ camera, cable }: DeviceContext, part: Supply, drawing: PowerLadder): StageAssessment<PowerLadder> {
  const takes = [camera.power.poe ? 'PoE' : null, camera.power.dcV ? `${camera.power.dcV[0]}–${camera.power.dcV[1]} V DC` : null, camera.power.mains ? 'mains' : null].filter((word) => word !== null).join(' or ')
  return {
    headline: text('no power'), figures: [{ label: 'Camera takes', reading: text(takes) }, { label: 'Cable', reading: text(cable.name) }],
    findings: [finding('power', 'match', { verdict: 'stop', title: 'This supply cannot feed it', figure: text(part.name), limit: text(takes), reason: `Through ${cable.name}.`, source: 'catalogue', advice: 'Choose a supply of that kind, or a cable that carries it.' })],
    drawing,
  }
}

function mains(drawing: PowerLadder): StageAssessment<PowerLadder> {
  return {
    headline: text('electrician'), figures: [{ label: 'Worst hour', reading: quantity(drawing.loadW, 'power') }],
    findings: [finding('power', 'mains', { verdict: 'check', title: 'Mains work', figure: quantity(drawing.sourceV, 'voltage'), limit: null, reason: 'Isolate, lock off, prove dead; no live work.', source: 'practice', advice: 'A licensed person makes this joint where the law says so; local code decides box fill and earthing.' })],
    drawing,
  }
}

function overData(context: DeviceContext, part: Supply, r: number, base: Base): StageAssessment<PowerLadder> {
  const { camera } = context
  const poe = poeClassFor(camera.power.worstW)
  const top = POE_CLASSES.find(({ poeClass }) => poeClass === part.poeClass) ?? POE_CLASSES[0]!
  const used = poe ?? POE_CLASSES[POE_CLASSES.length - 1]!
  const circuitOhm = r * base.lengthM * (used.pairs === 4 ? 0.5 : 1)
  const volts = voltsAtLoad(used.sourceV, camera.power.worstW, circuitOhm)
  const drawW = volts === null ? null : (camera.power.worstW * used.sourceV) / volts
  const arrives = Math.max(0, powerAtEnd(used.sourceW, used.sourceV, circuitOhm))
  const figures: Figure[] = [
    { label: 'Camera, worst hour', reading: quantity(camera.power.worstW, 'power') },
    { label: 'PoE class', reading: poe ? quantity(poe.poeClass, 'count') : text('above 8') },
    { label: 'Can arrive over this length', reading: quantity(arrives, 'power') },
    { label: 'Circuit', reading: quantity(circuitOhm, 'resistance') },
    { label: 'At the camera', reading: volts === null ? text('none') : quantity(volts, 'voltage') },
    { label: 'Drawn at the port', reading: drawW === null ? text('none') : quantity(drawW, 'power') },
  ]
  const findings: Finding[] = []
  if (poe === null || used.poeClass > top.poeClass) {
    findings.push(finding('power', 'class', { verdict: 'stop', title: 'The port gives too low a class', figure: poe ? text(`class ${poe.poeClass}`) : text('above class 8'), limit: text(`class ${top.poeClass}`), reason: `${camera.name} takes ${camera.power.worstW} W in its worst hour; ${part.name} gives ${top.deviceW} W at the camera.`, source: 'ieee-802-3', advice: 'Take a switch or injector of that class.' }))
  }
  const common = { figure: quantity(arrives, 'power'), limit: quantity(camera.power.worstW, 'power'), source: 'ieee-802-3' } as const
  if (volts === null || arrives < camera.power.worstW) {
    findings.push(finding('power', 'arrives', { ...common, verdict: 'stop', title: 'Too little power arrives', reason: 'The cable’s resistance takes the rest.', advice: 'Shorten the run, take thicker conductors, or put the switch nearer.' }))
  } else if (findings.length === 0) {
    findings.push(finding('power', 'arrives', { ...common, verdict: 'good', title: 'Enough power arrives', reason: `Class ${used.poeClass}: ${used.sourceW} W at the port, ${used.pairs} pairs.` }))
  }
  return { headline: drawW === null ? text('none') : quantity(drawW, 'power'), figures, findings, drawing: { ...base, sourceV: used.sourceV, circuitOhm, atCameraV: volts, leastV: used.leastDeviceV, lossW: drawW === null ? 0 : drawW - camera.power.worstW, poeClass: used.poeClass, drawW } }
}

function overCores({ camera, say }: DeviceContext, part: Supply, r: number, base: Base): StageAssessment<PowerLadder> {
  const [leastV, mostV] = camera.power.dcV!
  const circuitOhm = 2 * r * base.lengthM
  const volts = voltsAtLoad(part.volts, camera.power.worstW, circuitOhm)
  const drawW = volts === null ? null : (camera.power.worstW * part.volts) / volts
  const figures: Figure[] = [
    { label: 'Camera, worst hour', reading: quantity(camera.power.worstW, 'power') },
    { label: 'At the supply', reading: quantity(part.volts, 'voltage') },
    { label: 'Cores, there and back', reading: quantity(circuitOhm, 'resistance') },
    { label: 'At the camera', reading: volts === null ? text('cannot start') : quantity(volts, 'voltage') },
    { label: 'Camera takes', reading: text(`${say(leastV, 'voltage')} to ${say(mostV, 'voltage')}`) },
    ...(drawW === null ? [] : [{ label: 'Drawn at the supply', reading: quantity(drawW, 'power') }]),
  ]
  const findings: Finding[] = []
  const common = { figure: volts === null ? text('cannot start') : quantity(volts, 'voltage'), limit: quantity(leastV, 'voltage'), source: 'catalogue' } as const
  const advice = `Thicker cores, a shorter run, a supply nearer to it${part.volts < mostV ? `, or set the supply up to ${say(mostV, 'voltage')}` : ''}.`
  if (volts === null || volts < leastV) findings.push(finding('power', 'volts', { ...common, verdict: 'stop', title: 'Too few volts arrive', reason: 'A camera takes more current as the volts fall, so a weak run collapses at night.', advice: advice }))
  else findings.push(finding('power', 'volts', { ...common, verdict: 'good', title: 'Enough volts arrive', reason: 'In the worst hour, infrared on.' }))
  if (part.volts > mostV) findings.push(finding('power', 'over-volts', { verdict: 'stop', title: 'The supply is set too high', figure: quantity(part.volts, 'voltage'), limit: quantity(mostV, 'voltage'), reason: 'By day the drop is small and the camera gets nearly all of it.', source: 'catalogue', advice: `Set it to ${say(mostV, 'voltage')} or less.` }))
  return { headline: volts === null ? text('cannot start') : quantity(volts, 'voltage'), figures, findings, drawing: { ...base, sourceV: part.volts, circuitOhm, atCameraV: volts, leastV, lossW: drawW === null ? 0 : drawW - camera.power.worstW, poeClass: null, drawW } }
}
