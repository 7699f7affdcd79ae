import { calledIn, fits, joint, partsOf, type Placed } from '../assembly'
import { finding, type Finding } from '../findings'
import type { Terminate } from '../job/job'
import { passageMm } from '../mount'
import type { DeviceContext, MountPart } from '../parts'
import { coilPlaces, coilWords, runLengths, surplusM } from '../route'
import type { CoilPlace } from '../route/plan'
import { openingsToClose, proposeSeal } from '../seal'
import { inSentence, quantity } from '../units'
import { TERMINATE_LIMITS } from './limits'

/** The box in which the joint lies, once everything is closed; null where it lies in none. */
function boxOf(context: DeviceContext): (Placed & { readonly part: MountPart }) | null {
  if (joint(context).place !== 'in the box') return null
  const placed = partsOf(context).findLast(({ part }) => 'enclosesJoint' in part && part.enclosesJoint)
  return placed ? { ...placed, part: placed.part as MountPart } : null
}

const cylinderMl = (acrossMm: number, lengthMm: number) => ((Math.PI / 4) * acrossMm ** 2 * lengthMm) / 1000

/** Of a ready-made lead: its surplus too where it is coiled at the camera; else it lies along its way. */
function coiledThereM(context: DeviceContext, coilAt: CoilPlace | null, slackM: number): number {
  const { route } = context.device
  return coilAt === 'near end' ? slackM + surplusM(runLengths(context, route)) : 0
}

/**
 * What slack, tails and joint take of the box, mL: the cable's slack at the device, with the surplus of a
 * ready-made lead that is coiled there, every tail of the camera, each joint of a tail in use. Null while a
 * length is not known.
 */
export function takenMl(context: DeviceContext, { cameraEndId }: Terminate, slackM: number): number | null {
  const { camera, cable, device, catalogue } = context
  const { acrossMm } = catalogue.connectors.get(cameraEndId)!
  if (camera.tailsMm === undefined || acrossMm === null) return null
  const used = camera.connection === 'coax and power tails' ? 2 : 1
  const tails = used + camera.unusedTails.length
  const lead = device.route?.lead ?? null
  const leftM = lead ? coiledThereM(context, lead.coilAt, slackM) : slackM
  const slack = cylinderMl(cable.diameterMm, leftM * 1000)
  const kit = openingsToClose(context, device.seal ?? proposeSeal(context)).some(
    ({ opening, seal }) => opening.kind === 'tail joint' && seal.kind === 'coupling kit',
  )
  const { tailMm, jointMm, kitMm } = TERMINATE_LIMITS
  const one = kit
    ? cylinderMl(passageMm('coupler', cable.diameterMm), kitMm.value)
    : cylinderMl(acrossMm, jointMm.value)
  return slack + tails * cylinderMl(tailMm.value, camera.tailsMm) + used * one
}

/** Whether the joint, its tails and the slack find room in their box. A mains joint is judged by box fill. */
export function roomFinding(context: DeviceContext, terminate: Terminate): Finding | null {
  const box = context.camera.power.mains ? null : boxOf(context)
  const slackM = context.allowances.deviceSlackM
  const neededMl = takenMl(context, terminate, slackM)
  if (box?.part.volumeMl === undefined || neededMl === null) return null
  const { fill } = TERMINATE_LIMITS
  const mostMl = (volumeMl: number) => (fill.value / 100) * volumeMl
  const common = {
    figure: quantity(neededMl, 'volume'),
    limit: quantity(mostMl(box.part.volumeMl), 'volume'),
    reason:
      `${fill.value} % of the ${context.printed(box.part.volumeMl, 'volume')} of the ` +
      `${calledIn(box.part.name)}: slack, tails and joint that fill more are pinched when it closes.`,
    source: fill.source,
  } as const
  if (neededMl <= mostMl(box.part.volumeMl))
    return finding('terminate', 'room', { ...common, verdict: 'good', title: 'Joint and slack find room' })
  return finding('terminate', 'room', {
    ...common,
    verdict: 'check',
    title: 'Joint and slack hardly find room',
    short: 'little room in the box',
    advice: wayOut(context, terminate, box, mostMl),
  })
}

/** Less slack, where some is left to give; else a part that fits in the place of the box and holds enough. */
function wayOut(
  context: DeviceContext,
  terminate: Terminate,
  box: Placed & { readonly part: MountPart },
  mostMl: (volumeMl: number) => number,
): string {
  const { printed, cable, catalogue, allowances, mounts, camera } = context
  const elsewhere = coiledElsewhere(context, terminate, mostMl(box.part.volumeMl!))
  if (elsewhere) return elsewhere
  const [withAll, withNone] = [
    takenMl(context, terminate, allowances.deviceSlackM)!,
    takenMl(context, terminate, 0)!,
  ]
  const perM = cylinderMl(cable.diameterMm, 1000)
  const slackM = Math.floor((10 * (mostMl(box.part.volumeMl!) - withNone)) / perM) / 10
  if (withAll > withNone && slackM >= TERMINATE_LIMITS.leastSlackM.value)
    return `Leave ${printed(slackM, 'length')} of slack at the device: it is one of the job’s allowances.`
  const at = mounts.indexOf(box.part)
  const larger = [...catalogue.mounts.values()].find(
    ({ needs, offers, enclosesJoint, volumeMl = 0 }) =>
      enclosesJoint &&
      mostMl(volumeMl) >= withAll &&
      fits(mounts[at - 1]?.offers ?? 'surface', needs) &&
      fits(offers, (mounts[at + 1] ?? camera).needs),
  )
  return larger
    ? `Take the ${inSentence(larger.name)} instead: it holds ${printed(larger.volumeMl!, 'volume')}.`
    : 'No part of the catalogue that fits there holds enough: lead the slack back behind the surface.'
}

/** The advice to coil the surplus of a lead along its way, where that leaves room; null where it does not. */
function coiledElsewhere(context: DeviceContext, terminate: Terminate, mostMl: number): string | null {
  const { device, allowances } = context
  const { route } = device
  if (route?.lead?.coilAt !== 'near end') return null
  const place = coilPlaces(context, route).find((one) => one !== 'near end')
  if (!place) return null
  const there = { ...device, route: { ...route, lead: { ...route.lead, coilAt: place } } }
  const takes = takenMl({ ...context, device: there }, terminate, allowances.deviceSlackM)!
  return takes <= mostMl ? `Coil the surplus of the lead ${coilWords(context, place)} instead.` : null
}

/** Why the room of a joint in a box is not judged; nothing where it is, or where there is no such box. */
export function roomUnjudged(context: DeviceContext, { cameraEndId }: Terminate): readonly string[] {
  const box = context.camera.power.mains ? null : boxOf(context)
  if (box === null) return []
  const lacking = [
    ...(box.part.volumeMl === undefined ? [`how much the ${calledIn(box.part.name)} holds`] : []),
    ...(context.camera.tailsMm === undefined ? ['how long the camera’s tails are'] : []),
    ...(context.catalogue.connectors.get(cameraEndId)!.acrossMm === null ? ['how wide its end is'] : []),
  ]
  return lacking.length > 0
    ? [`Whether joint and slack find room: nobody said ${lacking.join(' and ')}.`]
    : []
}
