import { finding, type Figure, type Finding, type StageAssessment } from '../findings'
import type { DeviceContext, Supply } from '../parts'
import { ROUTE_LIMITS } from '../route'
import { ohmPerKm } from '../terminate'
import { quantity, text } from '../units'
import { powerAtEnd, voltsAtLoad } from './circuit'
import type { Base, PowerLadder } from './ladder'
import { POE_CLASSES, POWER_LIMITS, type PoeClass } from './limits'

/** Power over data pairs: class, volts and watts at the camera. */

/** The smallest PoE class that carries `deviceW` at the camera; null above the highest. */
export function poeClassFor(deviceW: number): PoeClass | null {
  return POE_CLASSES.find((poe) => deviceW <= poe.deviceW) ?? null
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

/** What a camera gets over its data pairs. */
export function overData(
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
