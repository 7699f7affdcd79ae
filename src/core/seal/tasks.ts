import type { DeviceContext } from '../parts'
import { accessoryTasks, measure, task, type Task } from '../procedure'
import { SEAL_LIMITS } from './limits'
import { closedOpenings, needsPart } from './openings'
import type { Seal } from './plan'
import { greased } from './seal'

/** The cable measured for its seal, every opening closed, and the look before the box closes. */
export function sealTasks(context: DeviceContext): Task[] {
  const { mount, seal, terminate } = context.device
  return [
    ...(seal && terminate ? cableAcross(context, seal, terminate.cameraEndId) : []),
    ...(seal ? closingOpenings(context, seal) : []),
    ...(seal || mount ? [lookBeforeClosing()] : []),
  ]
}

type Range = readonly [number, number]

/**
 * What both the seal and the plug hold, mm; what the seal holds where no cable suits both, or the plug
 * grips the coax alone.
 */
function gripped(clampMm: Range, jacketMm: Range | null): Range {
  const both: Range = [
    Math.max(clampMm[0], jacketMm?.[0] ?? 0),
    Math.min(clampMm[1], jacketMm?.[1] ?? Infinity),
  ]
  return both[0] < both[1] ? both : clampMm
}

function cableAcross(context: DeviceContext, plan: Seal, cameraEndId: string): Task[] {
  const { cable, catalogue } = context
  const gripping = closedOpenings(context, plan).find(
    ({ seal, opening }) => seal?.clampMm && needsPart(opening),
  )?.seal
  if (!gripping?.clampMm) return []
  const connector = catalogue.connectors.get(cameraEndId)!
  const [least, most] = gripped(
    gripping.clampMm,
    cable.fittingMm === cable.diameterMm ? connector.jacketMm : null,
  )
  const sealOnly = least === gripping.clampMm[0] && most === gripping.clampMm[1]
  return [
    task('cable across', {
      id: 'seal/cable',
      title: 'Measure the cable where the seal will grip it',
      detail: `Across the jacket, before anything goes on: ${gripping.name}${sealOnly ? '' : `, and then ${connector.name}`}.`,
      reason: 'Too thin leaks, too thick tears the lip. One cable to an entry.',
      entry: measure('size', 'Cable across', least, most),
      causes: { failed: 'wrong cable' },
    }),
  ]
}

function closingOpenings(context: DeviceContext, plan: Seal): Task[] {
  const { camera } = context
  const chosen = closedOpenings(context, plan).filter(
    (closed) => closed.seal !== null && needsPart(closed.opening),
  )
  return [
    ...chosen.map(({ seal, opening, partName, ref }) =>
      task('seal', {
        id: `seal/${ref}`,
        title: `Seal the ${opening.name}: ${seal!.name}`,
        detail: seal!.make,
        items: seal!.pieces.map(({ name, way }) => `${name}: ${way}`),
        reason: `${partName}. ${seal!.kind === 'grommet' ? `Leave about ${SEAL_LIMITS.insideMm.value} mm of cable inside.` : 'Water follows the cable and sits in the box.'}`,
      }),
    ),
    ...(greased(context)
      ? [
          task('seal', {
            id: 'seal/grease',
            title: 'A thin film of contact grease on both contacts',
            reason: 'Salt air creeps into every joint.',
          }),
        ]
      : []),
    ...(camera.unusedTails.length > 0
      ? [
          task('seal', {
            id: 'seal/tails',
            title: `Cap the unused tails: ${camera.unusedTails.join(', ')}`,
            reason: 'An open tail wicks water along its cores.',
          }),
        ]
      : []),
    ...accessoryTasks(context, 'seal', 'seal'),
  ]
}

function lookBeforeClosing(): Task {
  return task('look before closing', {
    id: 'seal/before-closing',
    title: 'Look at gaskets, seals and slack; photograph them',
    detail: 'No dust, hair or swarf on the gasket; no core across the lens; nothing pinched.',
    reason: 'The one picture that proves the box was dry when it closed.',
    hold: 'Before you close',
    photo: 'required',
  })
}
