import { finding, type Figure, type Finding, type StageAssessment } from '../findings'
import type { Seal, Terminate } from '../job/job'
import { isFactoryMade, type Connector, type DeviceContext } from '../parts'
import { runLengths } from '../route'
import { openingsToClose, proposeSeal } from '../seal'
import { inSentence, quantity, text } from '../units'
import { cameraFinding, jackFinding } from './camera'
import { grippedMm, matchFindings } from './match'
import { isAnalogue, pictureFinding, recordersIn } from './picture'
import { PINS, type Pin } from './pins'
import { NO_RECORDER } from './plan'
import { roomFinding } from './room'
import { loopLeastOhm, loopLimitOhm, pairLoopOhm } from './resistance'

/** One thing to thread onto the cable, in order; the last stands nearest to the plug. */
export interface ThreadOn {
  readonly piece: string
  readonly way: string
  readonly of: string
}

export interface CableEnds {
  readonly pins: readonly Pin[] | null
  readonly scheme: string
  readonly threadOn: readonly ThreadOn[]
  readonly cameraEnd: string
  readonly headEnd: string
  readonly strip: string
  /** Its picture goes to a video input. */
  readonly analogue: boolean
}

const CAMERA_END = { key: 'camera', called: 'camera end' } as const
const HEAD_END = { key: 'head', called: 'head end' } as const

/**
 * Start values: a plug without boot at the camera, at the head end what the job is used to, or what the
 * cable calls for.
 */
export function proposeTerminate(context: DeviceContext): Terminate {
  const { cable, catalogue, device, policies } = context
  const all = [...catalogue.connectors.values()]
  if (device.route?.lead) {
    const ready = all.filter(isFactoryMade)
    const made = (ready.find(({ takes }) => takes.includes(cable.kind)) ?? ready[0] ?? all[0])!.id
    return { cameraEndId: made, headEndId: made, ...NO_RECORDER }
  }
  const suits = (connector: Connector) =>
    connector.takes.includes(cable.kind) &&
    connector.conductor.includes(cable.conductor) &&
    cable.fittingMm >= connector.jacketMm[0] &&
    cable.fittingMm <= connector.jacketMm[1]
  const fitting = all.filter(
    (c) =>
      c.takes.includes(cable.kind) &&
      (c.kind === 'fibre' || !isFactoryMade(c)) &&
      (c.coax === null || (c.coax === cable.coax && c.school === policies.coaxSchool)),
  )
  const plug = fitting.find((c) => suits(c) && c.kind !== 'jack') ?? fitting[0] ?? all[0]!
  const jack = fitting.find((c) => suits(c) && c.kind === 'jack')
  const head = policies.headEndWith === 'jack' ? (jack ?? plug) : plug
  const recorderId = isAnalogue(context) ? (recordersIn(context)[0]?.id ?? null) : null
  return { cameraEndId: plug.id, headEndId: head.id, recorderId, recorderPort: null }
}

/**
 * What must be on the cable before the plug at the camera, in the order of threading: from the opening
 * nearest to the building to the one nearest to the plug, then the boot or cap of the plug itself.
 */
export function threadOnOrder(context: DeviceContext, seal: Seal, connector: Connector): ThreadOn[] {
  const pieces = openingsToClose(context, seal).flatMap(({ seal: closing, opening }) =>
    closing.pieces
      .filter(({ when }) => when === 'before the plug')
      .map(({ name, way }) => ({ piece: name, way, of: `${closing.name}, ${opening.name}` })),
  )
  const own: ThreadOn[] = []
  if (connector.boot === 'slide-on' && !isFactoryMade(connector))
    own.push({ piece: 'boot', way: 'narrow end away from the plug', of: connector.name })
  if (connector.school === 'crimp-on')
    own.push({ piece: 'outer cap', way: 'open end toward the fitting', of: connector.name })
  return [...pieces, ...own]
}

/** Everything `terminate` has to say of one device from its record. */
export function assessTerminate(context: DeviceContext, terminate: Terminate): StageAssessment<CableEnds> {
  const { catalogue, cable, device, policies } = context
  const camera = catalogue.connectors.get(terminate.cameraEndId)!
  const head = catalogue.connectors.get(terminate.headEndId)!
  const seal = device.seal ?? proposeSeal(context)
  const threadOn = threadOnOrder(context, seal, camera)
  const pair = cable.kind === 'pair'
  const run = runLengths(context, device.route)
  const scheme = pair ? policies.pinScheme : (camera.school ?? camera.kind)

  const figures: Figure[] = [
    { label: pair ? 'Pin scheme, both ends' : 'Fitting', reading: text(scheme) },
    {
      label: 'On the cable before the plug',
      reading: threadOn.length === 0 ? text('nothing') : quantity(threadOn.length, 'count'),
    },
    ...(pair && cable.awg !== null && run.installedM > 0
      ? [
          {
            label: `A pair’s loop should read, ${context.printed(run.meanC, 'temperature')}`,
            reading: quantity(pairLoopOhm(cable.awg, run.installedM, run.meanC), 'resistance' as const),
          },
          {
            label: 'and never less than',
            reading: quantity(loopLeastOhm(cable.awg, run.installedM, run.meanC), 'resistance' as const),
          },
          {
            label: 'and never more than',
            reading: quantity(loopLimitOhm(run.installedM, run.meanC), 'resistance' as const),
          },
        ]
      : []),
  ]
  const findings = [
    cameraFinding(context),
    pictureFinding(context, terminate),
    jackFinding(context, camera),
    ...matchFindings(context, camera, CAMERA_END),
    ...matchFindings(context, head, HEAD_END),
    ...bootFindings(context, seal, camera),
    ...leadFindings(context, camera, head, threadOn),
  ].filter((one) => one !== null)
  if (findings.length === 0) {
    findings.push(
      finding('terminate', 'match', {
        verdict: 'good',
        title: 'Both ends suit the cable',
        figure: quantity(grippedMm(context), 'size'),
        limit: text(
          `${context.printed(camera.jacketMm[0], 'size')} to ${context.printed(camera.jacketMm[1], 'size')}`,
        ),
        reason: `${camera.name} at the camera, ${inSentence(head.name)} at the head end.`,
        source: 'catalogue',
      }),
    )
  }
  const room = roomFinding(context, terminate)
  if (room) findings.push(room)
  return {
    headline: text(scheme),
    figures,
    findings,
    drawing: {
      pins: pair ? PINS[policies.pinScheme] : null,
      scheme,
      threadOn,
      cameraEnd: camera.name,
      headEnd: head.name,
      strip: camera.strip,
      analogue: isAnalogue(context),
    },
  }
}

function bootFindings(context: DeviceContext, seal: Seal, camera: Connector): Finding[] {
  if (camera.boot === 'none') return []
  const bare = [...context.catalogue.connectors.values()].find(
    (one) =>
      isFactoryMade(one) && one.boot === 'none' && matchFindings(context, one, CAMERA_END).length === 0,
  )
  const otherLead = bare ? `a lead that ends there with ${inSentence(bare.name)}, ` : ''
  const refusing = openingsToClose(context, seal).find((closed) => closed.seal.refusesBoot)
  if (!refusing) return []
  return [
    finding('terminate', 'boot', {
      verdict: 'stop',
      title: 'A booted plug does not enter this seal',
      short: 'booted plug',
      figure: text(camera.name),
      limit: text('no boot'),
      reason: `${refusing.seal.name} at ${refusing.partName}.`,
      source: 'catalogue',
      advice: isFactoryMade(camera)
        ? `Take ${otherLead}another seal, or cut the cable from a drum and make the plug by hand.`
        : 'Leave the boot off.',
    }),
  ]
}

function leadFindings(
  { device }: DeviceContext,
  camera: Connector,
  head: Connector,
  threadOn: readonly ThreadOn[],
): Finding[] {
  const lead = device.route?.lead != null
  const both = [camera, head]
  const ready = both.find(isFactoryMade)
  const byHand = both.find((one) => !isFactoryMade(one))
  if (lead && byHand)
    return [
      finding('terminate', 'lead', {
        verdict: 'check',
        title: 'A ready-made lead has its own plug',
        short: 'lead has its plug',
        figure: text(byHand.name),
        limit: text('factory ends'),
        reason: 'The route plans a ready-made lead, which comes with both its ends.',
        source: 'job',
        advice: 'Choose the factory ends here, or cut from a drum in the route.',
      }),
    ]
  if (!lead && ready)
    return [
      finding('terminate', 'lead', {
        verdict: 'stop',
        title: 'A factory plug cannot be made on site',
        short: 'factory plug',
        figure: text(ready.name),
        limit: text('hand-made plug'),
        reason: 'The route cuts the cable from a drum.',
        source: 'job',
        advice: 'Choose a plug made by hand, or plan a ready-made lead in the route.',
      }),
    ]
  if (!lead || threadOn.length === 0) return []
  return [
    finding('terminate', 'lead-thread', {
      verdict: 'stop',
      title: 'Nothing can be threaded past a finished plug',
      short: 'plug in the way',
      figure: quantity(threadOn.length, 'count'),
      limit: quantity(0, 'count'),
      reason: `${threadOn[0]!.piece} of ${threadOn[0]!.of} would have to go on before the plug.`,
      source: 'practice',
      advice: 'Choose seals that pass a plug, or cut from a drum.',
    }),
  ]
}
