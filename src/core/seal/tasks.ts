import { joint, partsBefore, reachOfOpening, upOf, calledIn, type Placed } from '../assembly'
import type { DeviceContext, Seal, SealPiece } from '../parts'
import { accessoryTasks, measure, task, type Need, type Task } from '../procedure'
import { inSentence } from '../units'
import { SEAL_LIMITS } from './limits'
import { openingsToClose, placedAt, type ClosedOpening } from './openings'
import type { Seal as SealChoices } from './plan'
import { tailsGetWet } from './findings'
import { greased } from './seal'

/** The cable measured for its seal, every opening closed, and the look before the box closes. */
export function sealTasks(context: DeviceContext): Task[] {
  const { mount, seal, terminate } = context.device
  return [
    ...(seal && terminate ? cableAcross(context, seal, terminate.cameraEndId) : []),
    ...(seal ? closingOpenings(context, seal) : []),
    ...(seal || mount ? [lookBeforeClosing(context)] : []),
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

function cableAcross(context: DeviceContext, plan: SealChoices, cameraEndId: string): Task[] {
  const { cable, catalogue } = context
  const gripping = openingsToClose(context, plan).find(({ seal }) => seal.clampMm)?.seal
  if (!gripping?.clampMm) return []
  const connector = catalogue.connectors.get(cameraEndId)!
  const [least, most] = gripped(
    gripping.clampMm,
    cable.fittingMm === cable.diameterMm ? connector.jacketMm : null,
  )
  const sealOnly = least === gripping.clampMm[0] && most === gripping.clampMm[1]
  const because = 'What it reads decides whether the seal grips.'
  return [
    task('cable across', {
      id: 'seal/cable',
      gives: ['cable measured'],
      after: [{ fact: 'cable there', because: 'It is measured on the cable that was pulled.' }],
      before: [
        { fact: 'threaded', because },
        { fact: 'camera end', because },
        { fact: 'sealed', because },
      ],
      title: 'Measure the cable where the seal will grip it',
      detail:
        'Across the jacket, before anything goes on: ' +
        `${gripping.name}${sealOnly ? '' : `, and then ${connector.name}`}.`,
      reason: 'Too thin leaks, too thick tears the lip. One cable to an entry.',
      entry: measure('size', 'Cable across', least, most),
      causes: { failed: 'wrong cable' },
    }),
  ]
}

/** What holds for the sealing of an opening: what comes first, and by which way it is reached. */
function placeOf(
  context: DeviceContext,
  { opening, ref }: ClosedOpening,
): Partial<Pick<Task, 'after' | 'before' | 'reach'>> {
  if (opening.kind === 'tail joint')
    return {
      after: [
        { fact: 'connected', because: 'The body is turned home, or the tape laid, over the mated plug.' },
        { fact: 'threaded', because: 'Its pieces are on the cable first.' },
      ],
      reach: joint(context).reach,
    }
  const placed = placedAt(context, ref)
  const up = `up ${placed.ref}` as const
  if (opening.kind === 'wall edge')
    return {
      after: [{ fact: up, because: 'The bead lies along the edge where it stands.', force: 'reach' }],
      before: [{ fact: 'closed', because: 'Then nothing is left to do behind it.', force: 'habit' }],
      reach: [],
    }
  const cable: Need[] =
    opening.kind === 'spare entry'
      ? []
      : [
          { fact: 'cable there', because: 'It closes round the cable.', force: 'reach' },
          { fact: 'threaded', because: 'Its pieces are on the cable first.' },
          ...comesThrough(context, placed),
        ]
  return { after: cable, reach: reachOfOpening(context, placed, opening) }
}

/** The cable comes through every part before the one it is sealed to. */
const comesThrough = (context: DeviceContext, placed: Placed): Need[] =>
  partsBefore(context, placed).map((part) => ({
    fact: upOf(part),
    because: `The cable comes through the ${calledIn(part.part.name)} first.`,
    force: 'reach',
  }))

function closingOpenings(context: DeviceContext, plan: SealChoices): Task[] {
  const { policies } = context
  const chosen = openingsToClose(context, plan)
  const tailsReach = joint(context).reach
  return [
    ...chosen.flatMap(({ seal, opening, ref }) =>
      opening.kind === 'tail joint' && seal.makeFirst ? [closedFirst(seal, seal.makeFirst, ref)] : [],
    ),
    ...chosen.map((closed) => {
      const { seal, opening, partName, ref } = closed
      const onCable = opening.kind === 'cable entry' || opening.kind === 'grommet seat'
      return task(phaseOf(opening.kind), {
        id: `seal/${ref}`,
        gives: opening.kind === 'wall edge' ? [] : ['sealed'],
        ...placeOf(context, closed),
        title: `Seal the ${opening.name}: ${seal.name}`,
        detail: context.surface.facing === 'down' ? (seal.makeBelow ?? seal.make) : seal.make,
        items: (seal.makeFirst ? seal.pieces.filter(onTail) : seal.pieces).map(piece),
        reason: `${partName}. ${seal.kind === 'grommet' ? INSIDE : WHY[onCable ? 'cable' : 'rest']}`,
      })
    }),
    ...(greased(context)
      ? [
          task('connect', {
            id: 'seal/grease',
            gives: ['greased'],
            after: [{ fact: 'camera end', because: 'It goes onto the contacts of the finished end.' }],
            before: [{ fact: 'connected', because: 'Once mated the contacts are covered.', force: 'reach' }],
            title: 'A thin film of contact grease on both contacts',
            reason: 'Salt air creeps into every joint.',
          }),
        ]
      : []),
    ...(tailsGetWet(context) && policies.deadTails !== 'leave'
      ? [
          task('seal joint', {
            id: 'seal/tails',
            gives: ['sealed'],
            reach: tailsReach,
            ...TAILS[policies.deadTails === 'take off' ? 'take off' : 'cap'](context.freeTails.join(', ')),
            reason: 'An open tail wicks water along its cores.',
          }),
        ]
      : []),
    ...accessoryTasks(context, 'seal', 'seal', { reach: tailsReach }),
  ]
}

const onTail = ({ when }: SealPiece): boolean => when === 'on the tail'
const piece = ({ name, way }: SealPiece): string => `${name}: ${way}`

/** What of a kit its maker wants closed on the finished end before that is mated. */
const closedFirst = (seal: Seal, makeFirst: string, ref: string): Task =>
  task('connect', {
    id: `seal/${ref}/first`,
    after: [
      { fact: 'threaded', because: 'Its pieces are on the cable first.' },
      { fact: 'camera end', because: 'It closes behind the finished plug.' },
    ],
    before: [{ fact: 'connected', because: 'The maker of this kit has it closed before it is mated.' }],
    title: `Close the ${inSentence(seal.name)} on the cable, before it is mated`,
    detail: makeFirst,
    items: seal.pieces.filter((one) => !onTail(one)).map(piece),
    reason: 'Mated first, its nut turns the plug in its socket.',
  })

const TAILS = {
  'cap': (tails: string) => ({ title: `Cap the unused tails: ${tails}` }),
  'take off': (tails: string) => ({
    title: `Take the unused tails off: ${tails}`,
    detail: 'Only where they unplug; one that does not is capped. Nobody cuts a maker’s tail.',
  }),
}

const INSIDE = `Leave about ${SEAL_LIMITS.insideMm.value} mm of cable inside.`

const WHY = {
  cable: 'Water follows the cable and sits in the box.',
  rest: 'Water finds every opening that is left.',
}

function phaseOf(kind: ClosedOpening['opening']['kind']): Task['phase'] {
  if (kind === 'tail joint') return 'seal joint'
  return kind === 'cable entry' || kind === 'grommet seat' ? 'entry' : 'seal'
}

function lookBeforeClosing(context: DeviceContext): Task {
  const { place, reach } = joint(context)
  const because = 'The picture shows what was made, and after that nobody sees it.'
  return task('look before closing', {
    id: 'seal/before-closing',
    gives: ['looked at'],
    after: [
      { fact: 'sealed', because },
      { fact: 'connected', because: 'A joint is proved before the box closes over it.' },
    ],
    reach: place === 'in the open' ? [] : reach,
    title: 'Look at gaskets, seals and slack; photograph them',
    detail: 'No dust, hair or swarf on the gasket; no core across the lens; nothing pinched.',
    reason: 'The one picture that proves the box was dry when it closed.',
    hold: 'Before you close',
    photo: 'required',
    view: 'closing',
  })
}
