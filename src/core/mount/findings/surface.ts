import { calledIn, firstMisfit, type Misfit } from '../../assembly'
import { finding, type Finding } from '../../findings'
import type { Mount } from '../../job/job'
import type { DeviceContext, Fixing, MountPart } from '../../parts'
import { inSentence, text } from '../../units'
import { stackMassKg } from '../stack'

/**
 * Whether the stack fits together, stands on the right kind of surface, and the fixing holds there at all.
 */
export function surfaceFindings(context: DeviceContext, mount: Mount, fixing: Fixing): Finding[] {
  return [
    misfitFinding(context),
    facingFinding(context),
    holdingFinding(context, mount, fixing),
    ...sheetFindings(context, mount),
  ].filter((one) => one !== null)
}

/** The part that goes into a joint that does not fit, so that the whole stack does; null when none does. */
function between({ mounts, camera, surface, catalogue }: DeviceContext, misfit: Misfit): MountPart | null {
  const stack = [...mounts, camera]
  const at = stack.findIndex(({ name }) => name === misfit.part)
  const tried = [...catalogue.mounts.values()].filter(
    ({ onlyOn }) => onlyOn === undefined || onlyOn === surface.facing,
  )
  return tried.find((part) => firstMisfit({ mounts: mounts.toSpliced(at, 0, part), camera }) === null) ?? null
}

function misfitFinding(context: DeviceContext): Finding | null {
  const misfit = firstMisfit(context)
  const bridge = misfit && between(context, misfit)
  return (
    misfit &&
    finding('mount', 'stack', {
      verdict: 'stop',
      title: 'The stack does not fit together',
      short: 'parts do not fit',
      figure: text(misfit.offers),
      limit: text(misfit.needs),
      reason: `${misfit.part} needs a ${misfit.needs}; ${misfit.on} offers a ${misfit.offers}.`,
      source: 'catalogue',
      advice: bridge
        ? `Put the ${calledIn(bridge.name)} between.`
        : `No part here goes between: take another ${calledIn(misfit.part)}.`,
    })
  )
}

const FACING = { wall: 'an upright surface', down: 'a ceiling or soffit' }

function facingFinding({ mounts, surface, catalogue }: DeviceContext): Finding | null {
  const wrong = mounts.find(({ onlyOn }) => onlyOn !== undefined && onlyOn !== surface.facing)
  if (!wrong) return null
  const other = [...catalogue.mounts.values()].find(
    ({ onlyOn, needs, offers }) =>
      onlyOn === surface.facing && needs === wrong.needs && offers === wrong.offers,
  )
  return finding('mount', 'facing', {
    verdict: 'stop',
    title: 'This part is made for another surface',
    short: surface.facing === 'down' ? 'not for a ceiling' : 'not for a wall',
    figure: text(FACING[surface.facing]),
    limit: text(FACING[wrong.onlyOn!]),
    reason: `${wrong.name} hangs on ${FACING[wrong.onlyOn!]}; ${inSentence(surface.name)} is not one.`,
    source: 'catalogue',
    advice: other
      ? `Take ${other.name}.`
      : 'No part of the catalogue does the same here: take another mount.',
  })
}

function holdingFinding({ surface, catalogue }: DeviceContext, mount: Mount, fixing: Fixing): Finding | null {
  const backed =
    mount.backed &&
    (surface.holding === 'soft sheet' || surface.holding === 'steel sheet') &&
    fixing.holdsIn.includes('wood')
  if (fixing.holdsIn.includes(surface.holding) || backed) return null
  const other = [...catalogue.fixings.values()].find(({ holdsIn }) => holdsIn.includes(surface.holding))
  const board = surface.holding === 'soft sheet' ? ', or put a backing board behind and screw into that' : ''
  return finding('mount', 'fixing', {
    verdict: 'stop',
    title: 'This fixing does not hold here',
    short: 'fixing does not hold',
    figure: text(fixing.name),
    limit: text(surface.holding),
    reason: `It is made for ${fixing.holdsIn.join(' or ')}; ${inSentence(surface.name)} is ${surface.holding}.`,
    source: 'practice',
    advice: other
      ? `Take one for ${surface.holding}, such as ${other.name}${board}.`
      : `The catalogue has none for ${surface.holding}${board}.`,
  })
}

function sheetFindings({ surface, mounts, printed, camera }: DeviceContext, mount: Mount): Finding[] {
  if (surface.holding === 'tile') {
    const plate = mounts.some(({ spreadsTile }) => spreadsTile)
    if (mount.tethered && plate) return []
    const lacks = [plate ? null : 'spread plate', mount.tethered ? null : 'tether']
      .filter((word) => word !== null)
      .join(' and ')
    return [
      finding('mount', 'tile', {
        verdict: 'stop',
        title: 'A ceiling tile carries the camera alone',
        short: `no ${lacks}`,
        figure: text(`no ${lacks}`),
        limit: text('plate and tether'),
        reason: surface.watch,
        source: 'practice',
        advice: `Add the ${lacks}: tie ${printed(stackMassKg({ mounts, camera }), 'mass')} to the structure above.`,
      }),
    ]
  }
  if (surface.holding !== 'soft sheet' || mount.backed) return []
  return [
    finding('mount', 'backing', {
      verdict: 'stop',
      title: 'Nothing solid behind the sheet',
      short: 'no backing',
      figure: text('no backing'),
      limit: text('board or joist'),
      reason: surface.watch,
      source: 'practice',
      advice: 'Put a backing board or reach the joist, then mark it here.',
    }),
  ]
}
