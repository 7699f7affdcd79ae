import { calledIn } from '../assembly'
import { finding, type Finding } from '../findings'
import type { Cable, Camera, Connector, DeviceContext } from '../parts'
import { text } from '../units'

/** Which kinds of cable bring what a camera works with. */
const WORKS_ON: Record<
  Camera['cable'],
  { readonly cables: readonly Cable['kind'][]; readonly says: string }
> = {
  'pair': { cables: ['pair'], says: 'a network camera' },
  'coax and power': { cables: ['coax', 'coax and power'], says: 'an analogue camera' },
  'mains': { cables: ['power'], says: 'a mains camera' },
}

/**
 * Whether camera and cable speak the same language, or something that goes with the device translates
 * between them.
 */
export function cameraFinding({ camera, cable, accessories, catalogue }: DeviceContext): Finding | null {
  const { cables, says } = WORKS_ON[camera.cable]
  if (cables.includes(cable.kind)) return null
  const translates = ({ adapts }: (typeof accessories)[number]) =>
    adapts?.camera === camera.cable &&
    (adapts.onto === cable.kind || (adapts.onto === 'coax' && cable.kind === 'coax and power'))
  if (accessories.some(translates)) return null
  const between = [...catalogue.accessories.values()].find(translates)
  const other = [...catalogue.cables.values()].find(({ kind }) => cables.includes(kind))
  return finding('terminate', 'camera', {
    verdict: 'stop',
    title: 'Camera and cable do not go together',
    short: `${cable.kind} cable`,
    figure: text(cable.name),
    limit: text(`${cables.join(' or ')} cable`),
    reason: `${camera.name} is ${says}; nothing comes out of it that ${cable.kind} cable carries.`,
    source: 'catalogue',
    advice:
      `${between ? `Add ${between.name}, or lead` : 'Lead'} ${cables.join(' or ')} ` +
      `cable${other ? `, such as ${other.name}` : ''}.`,
  })
}

/** A camera's tail or socket is a jack: a second jack has nothing to go into. */
export function jackFinding({ cable, catalogue }: DeviceContext, connector: Connector): Finding | null {
  if (connector.kind !== 'jack') return null
  const plug = [...catalogue.connectors.values()].find(
    ({ kind, takes, conductor, boot }) =>
      kind === 'plug' && boot === 'none' && takes.includes(cable.kind) && conductor.includes(cable.conductor),
  )
  return finding('terminate', 'jack', {
    verdict: 'stop',
    title: 'Jack onto jack',
    short: 'jack onto jack',
    figure: text(connector.name),
    limit: text('a plug'),
    reason: 'The camera’s own end is a jack already; it takes a plug.',
    source: 'practice',
    advice: plug ? `Make the ${calledIn(plug.name)} at the camera.` : 'Make a plug at the camera.',
  })
}
