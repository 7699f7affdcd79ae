import { finding, type Figure, type Finding, type StageAssessment } from '../findings'
import type { Power } from '../job/job'
import { remembered, supplyOf, type Camera, type DeviceContext, type Supply } from '../parts'
import { ROUTE_LIMITS, runLengths } from '../route'
import { ohmPerKm } from '../terminate'
import { quantity, text } from '../units'
import { boxFillFinding } from './boxFill'
import { powerAtEnd, voltsAtLoad } from './circuit'
import { POE_CLASSES, POWER_LIMITS, type PoeClass } from './limits'
import { surgeFinding } from './surge'

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
  /**
   * What it takes of its supply in the worst hour, or what its port reserves; null when it cannot run from
   * it.
   */
  readonly drawW: number | null
}

/** Start values: the first supply of the job that can feed this camera; null when there is none. */
export function proposePower({ equipment, catalogue, camera }: DeviceContext): Power | null {
  const fit = equipment.find(({ partId, state }) => {
    const part = supplyOf(catalogue, partId)
    return part !== null && state !== 'taken away' && feeds(part, camera)
  })
  return fit ? { supplyId: fit.id, port: null } : null
}

/** True when the kind of supply and the camera's inputs go together. */
export function feeds(supply: Supply, camera: Camera): boolean {
  if (supply.kind === 'mains') return camera.power.mains
  if (supply.kind === 'dc supply' || supply.kind === 'ac supply') return camera.power.dcV !== null
  return camera.power.poe
}

const overPairs = ({ kind }: Supply) => kind === 'poe switch' || kind === 'injector'

/**
 * True when the cable may carry what the supply gives: data pairs PoE, cores of a combined or power cable
 * the rest, mains only power cable.
 */
function carries(supply: Supply, { cable }: DeviceContext): boolean {
  if (overPairs(supply)) return cable.kind === 'pair'
  return supply.kind === 'mains'
    ? cable.kind === 'power'
    : cable.kind === 'power' || cable.kind === 'coax and power'
}

/** The smallest PoE class that carries `deviceW` at the camera; null above the highest. */
export function poeClassFor(deviceW: number): PoeClass | null {
  return POE_CLASSES.find((poe) => deviceW <= poe.deviceW) ?? null
}

/** Everything `power` has to say of one device from its record; null when the job has no such supply. */
export const assessPower = remembered((context, power: Power): StageAssessment<PowerLadder> | null => {
  const fed = fedBy(context, power)
  if (!fed) return null
  const surge = surgeFinding(context)
  return surge ? { ...fed, findings: [...fed.findings, surge] } : fed
})

function fedBy(context: DeviceContext, power: Power): StageAssessment<PowerLadder> | null {
  const { equipment, catalogue, camera, cable, device, mainsV } = context
  const named = equipment.find(({ id }) => id === power.supplyId)
  const part = named && supplyOf(catalogue, named.partId)
  if (!named || !part) return null
  const run = runLengths(context, device.route)
  const base: Base = {
    supplyName: named.name,
    partName: part.name,
    port: power.port,
    kind: part.kind,
    lengthM: run.installedM,
    loadW: camera.power.worstW,
  }
  const sourceV = part.kind === 'mains' ? mainsV : part.volts
  if (!feeds(part, camera) || !carries(part, context) || cable.awg === null) {
    return mismatch(context, part, {
      ...base,
      sourceV,
      circuitOhm: 0,
      atCameraV: null,
      leastV: 0,
      lossW: 0,
      poeClass: null,
      drawW: null,
    })
  }
  const ohmPerM = ohmPerKm(cable.awg, run.meanC) / 1000
  if (part.kind === 'mains')
    return mains(context, {
      ...base,
      sourceV,
      circuitOhm: 2 * ohmPerM * run.installedM,
      atCameraV: sourceV,
      leastV: 0,
      lossW: 0,
      poeClass: null,
      drawW: camera.power.worstW,
    })
  return overPairs(part) ? overData(context, part, ohmPerM, base) : overCores(context, part, ohmPerM, base)
}

type Base = Pick<PowerLadder, 'supplyName' | 'partName' | 'port' | 'kind' | 'lengthM' | 'loadW'>

function mismatch(context: DeviceContext, part: Supply, drawing: PowerLadder): StageAssessment<PowerLadder> {
  const { camera, cable } = context
  const takes = [
    camera.power.poe ? 'PoE' : null,
    camera.power.dcV ? `${camera.power.dcV[0]}–${camera.power.dcV[1]} V DC` : null,
    camera.power.mains ? 'mains' : null,
  ]
    .filter((word) => word !== null)
    .join(' or ')
  const byCable = feeds(part, camera)
  const mainsCable = part.kind === 'mains' && byCable
  return {
    headline: text('no power'),
    figures: [
      { label: 'Camera takes', reading: text(takes) },
      { label: 'Cable', reading: text(cable.name) },
    ],
    findings: [
      finding('power', 'match', {
        verdict: 'stop',
        title: byCable ? 'This cable must not carry its power' : 'This supply cannot feed it',
        short: byCable ? 'wrong cable' : 'wrong supply',
        figure: text(byCable ? cable.name : part.name),
        limit: text(byCable ? cableFor(part) : takes),
        reason: mainsCable
          ? 'Mains over data or coax cable kills: its insulation is not made for it.'
          : `${part.name} through ${cable.name}.`,
        source: byCable ? 'practice' : 'catalogue',
        advice: byCable ? `Lead ${cableFor(part)}.` : `Choose a supply that gives ${takes}.`,
      }),
    ],
    drawing,
  }
}

function cableFor(part: Supply): string {
  if (overPairs(part)) return 'pair cable'
  return part.kind === 'mains' ? 'mains cable' : 'cable with power cores'
}

function mains(context: DeviceContext, drawing: PowerLadder): StageAssessment<PowerLadder> {
  const { printed } = context
  const fill = boxFillFinding(context)
  return {
    headline: text('electrician'),
    figures: [
      { label: 'Worst hour', reading: quantity(drawing.loadW, 'power') },
      { label: 'Mains of this job', reading: quantity(drawing.sourceV, 'voltage') },
    ],
    findings: [
      finding('power', 'mains', {
        verdict: 'check',
        title: 'Mains work',
        short: 'electrician',
        figure: quantity(drawing.sourceV, 'voltage'),
        limit: null,
        reason:
          `Isolate, lock off, prove dead; no live work. ${printed(drawing.sourceV, 'voltage')} by ` +
          'the job: prove it with a tester.',
        source: 'practice',
        advice: 'A licensed person makes this joint where the law says so; local code decides on earthing.',
      }),
      ...(fill ? [fill] : []),
    ],
    drawing,
  }
}

/** Contacts between the port and the camera: one at each end, and one more at a jack with its patch lead. */
function contactsOf({ device, catalogue }: DeviceContext): number {
  const head = device.terminate && catalogue.connectors.get(device.terminate.headEndId)
  const patched = head ? head.kind === 'jack' : (device.route?.cordsM ?? 0) > 0
  return patched ? 3 : 2
}

/** Circuit resistance (Ω) of two pairs: the run, its patch leads and the contacts; four pairs halve it. */
function pairCircuitOhm(context: DeviceContext, ohmPerM: number, lengthM: number): number {
  const cordsM = context.device.route?.cordsM ?? 0
  const cords = (ohmPerKm(ROUTE_LIMITS.cordAwg.value) / 1000) * cordsM
  return ohmPerM * lengthM + cords + contactsOf(context) * POWER_LIMITS.contactOhm.value
}

function overData(
  context: DeviceContext,
  part: Supply,
  ohmPerM: number,
  base: Base,
): StageAssessment<PowerLadder> {
  const { camera, measured } = context
  const needs = poeClassFor(camera.power.worstW)
  const top = POE_CLASSES.find(({ poeClass }) => poeClass === part.poeClass) ?? POE_CLASSES[0]!
  const used = needs ?? POE_CLASSES[POE_CLASSES.length - 1]!
  const circuitOhm = pairCircuitOhm(context, ohmPerM, base.lengthM) * (used.pairs === 4 ? 0.5 : 1)
  const reckonedV = voltsAtLoad(used.sourceV, camera.power.worstW, circuitOhm)
  const volts = measured.volts ?? reckonedV
  const takesW = reckonedV === null ? null : (camera.power.worstW * used.sourceV) / reckonedV
  // Without signalling the port knows the class alone, and keeps all of its watts ready.
  const drawW = part.signals ? takesW : used.sourceW
  const arrives = Math.max(0, powerAtEnd(used.sourceW, used.sourceV, circuitOhm))
  const atCamera = measured.volts === null ? 'At the camera, lowest port volts' : 'At the camera, as measured'
  const figures: Figure[] = [
    { label: 'Camera, worst hour', reading: quantity(camera.power.worstW, 'power') },
    { label: 'PoE class', reading: needs ? quantity(needs.poeClass, 'count') : text('above 8') },
    { label: 'Can arrive over this length', reading: quantity(arrives, 'power') },
    { label: 'Circuit, leads and contacts included', reading: quantity(circuitOhm, 'resistance') },
    { label: atCamera, reading: volts === null ? text('none') : quantity(volts, 'voltage') },
    {
      label: part.signals ? 'Drawn at the port' : 'Reserved by the port',
      reading: drawW === null ? text('none') : quantity(drawW, 'power'),
    },
  ]
  const findings = overDataFindings(context, part, needs, top, used, { arrives, volts })
  return {
    headline: drawW === null ? text('none') : quantity(drawW, 'power'),
    figures,
    findings,
    drawing: {
      ...base,
      sourceV: used.sourceV,
      circuitOhm,
      atCameraV: volts,
      leastV: used.leastDeviceV,
      lossW: takesW === null ? 0 : takesW - camera.power.worstW,
      poeClass: used.poeClass,
      drawW: reckonedV === null ? null : drawW,
    },
  }
}

function overDataFindings(
  { camera, printed, measured }: DeviceContext,
  part: Supply,
  needs: PoeClass | null,
  top: PoeClass,
  used: PoeClass,
  { arrives, volts }: { arrives: number; volts: number | null },
): Finding[] {
  const findings: Finding[] = []
  if (needs === null || used.poeClass > top.poeClass) {
    findings.push(
      finding('power', 'class', {
        verdict: 'stop',
        title: 'The port gives too low a class',
        short: 'PoE class too low',
        figure: needs ? text(`class ${needs.poeClass}`) : text('above class 8'),
        limit: text(`class ${top.poeClass}`),
        reason:
          `${camera.name} takes ${camera.power.worstW} W in its worst hour; ${part.name} gives ` +
          `${top.deviceW} W at the camera.`,
        source: 'ieee-802-3',
        advice: needs
          ? 'Take a switch or injector of that class.'
          : 'No class carries it: feed it from its own supply.',
      }),
    )
  }
  if (volts !== null && volts < used.leastDeviceV) {
    findings.push(
      finding('power', 'device-volts', {
        verdict: 'stop',
        title: 'Too few volts at the camera',
        short: 'too few volts',
        figure: quantity(volts, 'voltage'),
        limit: quantity(used.leastDeviceV, 'voltage'),
        reason:
          `${measured.volts === null ? 'With the port at its lowest volts' : 'As measured'}, a ` +
          `class ${used.poeClass} device may switch off below ` +
          `${printed(used.leastDeviceV, 'voltage')}, whatever its watts.`,
        source: 'ieee-802-3',
        advice: 'Shorten the run, take thicker conductors, or put the switch nearer.',
      }),
    )
  }
  const common = {
    figure: quantity(arrives, 'power'),
    limit: quantity(camera.power.worstW, 'power'),
    source: 'ieee-802-3',
  } as const
  if (volts === null || arrives < camera.power.worstW) {
    findings.push(
      finding('power', 'arrives', {
        ...common,
        verdict: 'stop',
        title: 'Too little power arrives',
        short: 'too little power',
        reason: 'The resistance of cable, leads and contacts takes the rest.',
        advice: 'Shorten the run, take thicker conductors, or put the switch nearer.',
      }),
    )
  } else if (findings.length === 0) {
    findings.push(
      finding('power', 'arrives', {
        ...common,
        verdict: 'good',
        title: 'Enough power arrives',
        reason: `Class ${used.poeClass}: ${used.sourceW} W at the port, ${used.pairs} pairs.`,
      }),
    )
  }
  return findings
}

function overCores(
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
