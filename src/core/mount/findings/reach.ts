import { finding, type Finding } from '../../findings'
import { IMPACT_J, type DeviceContext } from '../../parts'
import { quantity, text } from '../../units'
import { MOUNT_LIMITS } from '../limits'
import { stackMassKg } from '../stack'

/** Getting up there, lifting it, and who can reach it afterwards. */
export function reachFindings(context: DeviceContext): Finding[] {
  return [ladderFinding(context), liftFinding(context), impactFinding(context)].filter((one) => one !== null)
}

function ladderFinding({ device, printed }: DeviceContext): Finding | null {
  const heightM = device.sight?.heightM
  const { ladderM, ladderWindMS } = MOUNT_LIMITS
  if (heightM === undefined || heightM <= ladderM.value) return null
  return finding('mount', 'ladder', {
    verdict: 'check',
    title: 'Too high for a ladder',
    short: 'tower or lift',
    figure: quantity(heightM, 'length'),
    limit: quantity(ladderM.value, 'length'),
    reason:
      'Two-handed work this high wants a platform; nobody works at height above ' +
      `${printed(ladderWindMS.value, 'speed')} of wind.`,
    source: ladderM.source,
    advice: `Bring a tower or lift to ${printed(heightM, 'length')}; local rules decide.`,
  })
}

function liftFinding({ mounts, camera }: DeviceContext): Finding | null {
  const { overheadKg } = MOUNT_LIMITS
  const massKg = stackMassKg({ mounts, camera })
  if (massKg <= overheadKg.value) return null
  return finding('mount', 'two-people', {
    verdict: 'check',
    title: 'Too heavy for one above the head',
    short: 'two people',
    figure: quantity(massKg, 'mass'),
    limit: quantity(overheadKg.value, 'mass'),
    reason: 'Everything that goes up, known at arm’s length while it is fixed.',
    source: overheadKg.source,
    advice: 'Two people, or hoist it in parts: mount first, then the camera.',
  })
}

function impactFinding({ device, camera, exposure, printed }: DeviceContext): Finding | null {
  const heightM = device.sight?.heightM
  const { impactHeightM, impactJ } = MOUNT_LIMITS
  if (heightM === undefined || heightM >= impactHeightM.value || !exposure.outdoors) return null
  const stands = camera.impact === null ? 0 : IMPACT_J[camera.impact]
  if (stands >= impactJ.value) return null
  return finding('mount', 'impact', {
    verdict: 'check',
    title: 'Within reach, and not made for blows',
    short: 'within reach',
    figure: camera.impact === null ? text('no class') : text(`${stands} J, ${camera.impact}`),
    limit: quantity(impactJ.value, 'energy'),
    reason: `At ${printed(heightM, 'length')} it can be struck or turned.`,
    source: 'iec-62262',
    advice: `Hang it at ${printed(impactHeightM.value, 'length')} or higher, or take one of class IK08 or better.`,
  })
}
