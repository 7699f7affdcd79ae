import { finding, type Finding, type StageAssessment } from '../findings'
import type { Power } from '../job/job'
import { remembered, supplyOf, type Camera, type DeviceContext, type Supply } from '../parts'
import { runLengths } from '../route'
import { ohmPerKm } from '../terminate'
import { quantity, text } from '../units'
import { boxFillFinding } from './boxFill'
import type { Base, PowerLadder } from './ladder'
import { overCores } from './overCores'
import { overData } from './overData'
import { surgeFinding } from './surge'

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

/** Everything `power` has to say of one device from its record; null when the job has no such supply. */
export const assessPower = remembered((context, power: Power): StageAssessment<PowerLadder> | null => {
  const fed = fedBy(context, power)
  if (!fed) return null
  const surge = surgeFinding(context)
  const gone = goneFinding(context, power)
  const findings = gone ? [gone, ...fed.findings.filter(({ verdict }) => verdict !== 'good')] : fed.findings
  return { ...fed, findings: surge ? [...findings, surge] : findings }
})

/** What is taken away feeds nobody, whatever would arrive from it. */
function goneFinding({ equipment }: DeviceContext, { supplyId }: Power): Finding | null {
  const named = equipment.find(({ id }) => id === supplyId)
  if (named?.state !== 'taken away') return null
  return finding('power', 'gone', {
    verdict: 'stop',
    title: 'Its supply is taken away',
    short: 'supply goes',
    figure: text(`${named.mark} ${named.name}`),
    limit: text('one that stays'),
    reason: 'It goes dark with what feeds it.',
    source: 'job',
    advice: 'Choose another supply.',
  })
}

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
