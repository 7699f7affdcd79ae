import {
  anyOf,
  choice,
  goingTasks,
  isolating,
  measure,
  stayingTasks,
  task,
  type Need,
  type Task,
} from '../procedure'
import { inSentence } from '../units'
import type { EquipmentContext } from './context'
import { OF_ITS_KIND } from './kinds'

/** What is to do at a piece of equipment, by what it is and whether it comes, stays or goes. */
export function equipmentTasks(context: EquipmentContext): Task[] {
  const { equipment, part, place, exposure, mainsV, printed } = context
  const old = {
    name: inSentence(part.name),
    place,
    keeps: part.records === true || part.networked,
    networked: part.networked,
    mains: part.runsOn === 'mains joint' ? printed(mainsV, 'voltage') : null,
    outdoors: exposure.outdoors,
    staying: [],
  }
  if (equipment.state === 'taken away') return goingTasks(old)
  if (equipment.state === 'kept') return [...stayingTasks(old), ...plugging(context)]
  return [
    ...onTheBench(context),
    ...(old.mains === null ? [] : isolating(place, ['held', 'fed'], old.mains)),
    ...holding(context),
    ...OF_ITS_KIND[part.kind](context),
    ...feeding(context),
    ...plugging(context),
    ...sealing(context),
    ...proving(context),
  ]
}

/** Looked over, set up and tried before it is carried anywhere. */
function onTheBench({ part }: EquipmentContext): Task[] {
  if (part.kind === 'circuit') return []
  const before: Need[] = [{ fact: 'held', because: 'What is missing is missed before it is carried there.' }]
  return [
    task('unpack', {
      id: 'bench/unpack',
      gives: ['unpacked'],
      before,
      title: `Unpack and look over the ${inSentence(part.name)}`,
      detail: 'Transit damage, its leads, brackets and screws.',
      reason: 'A fault found on the bench costs minutes, out there an hour.',
      photo: 'asked',
      view: 'parts',
    }),
    ...(part.networked
      ? [
          task('bench', {
            id: 'bench/set-up',
            gives: ['set up'],
            after: [{ fact: 'unpacked', because: 'What is damaged is not powered.' }],
            before,
            title: 'Power it on the bench and give it its address',
            detail: 'Replace the default password now. Never photograph pairing codes.',
            reason: 'Two devices with one address hide each other.',
            entry: choice('reached at its address', 'lights only', 'dead'),
            causes: { answered: { 'lights only': 'wrong address or name' } },
          }),
        ]
      : []),
  ]
}

const HELD: Record<EquipmentContext['part']['held'], string> = {
  'in a rack': 'In the rack: its air holes free, the heavier ones low.',
  'on a shelf': 'On the shelf: a hand’s width of air on every side, nothing on top.',
  'on the wall': 'On the wall: screwed into something that holds, upright, its lid free to open.',
  'on the pole': 'On the pole: two bands, entries down, out of reach of the ground.',
  'in line': 'In the line: tied so that its weight hangs on no plug.',
  'in a box': 'In its box: screwed flush, nothing trapped behind it.',
}

function holding({ part, place, equipment, replaced }: EquipmentContext): Task[] {
  if (part.kind === 'circuit') return []
  return [
    task('fix', {
      id: 'mount/hold',
      place,
      gives: ['held'],
      title: `Put the ${inSentence(part.name)} in its place`,
      detail: `${HELD[part.held]}${replaced === null ? '' : ` It takes the place of ${replaced}.`}`,
      reason: 'What is not fixed is pulled down by its own cables.',
      caution:
        part.massKg >= 3 ? 'Heavy to hold overhead: two people, or a strap until the screws are in.' : null,
      photo: 'asked',
      view: 'stands',
      entry:
        equipment.stands === 'on site' ? choice('holds, upright', 'does not hold') : choice('holds', 'loose'),
      causes: { failed: 'loose' },
    }),
  ]
}

/** Its own feed, and the volts it gives before anything hangs on it. */
function feeding({ part, place, printed, mainsV }: EquipmentContext): Task[] {
  const held: Need[] = [{ fact: 'held', because: 'Nothing hangs on a cable.' }]
  const adjust = part.feeds?.adjustV ?? null
  return [
    ...(part.runsOn === 'mains joint'
      ? [
          task('connect', {
            id: 'power/mains',
            place,
            gives: ['fed'],
            after: [...held, { fact: 'dead', because: 'No live work.', force: 'safety' }],
            title: 'Mains joint by a licensed person',
            items: ['cable in through its clamp', 'earth first', 'then neutral', 'then live'],
            detail: `${printed(mainsV, 'voltage')} by the job. Each joint tugged; the circuit is named at the board.`,
            reason: 'Local code decides who may, and how it is protected.',
            caution: 'Isolated, locked off and proved dead. No live work.',
            entry: choice('made and proved by a licensed person', 'not made'),
            photo: 'asked',
            view: 'joint',
          }),
        ]
      : []),
    ...(part.runsOn === 'mains plug'
      ? [
          task('connect', {
            id: 'power/plug',
            place,
            gives: ['fed'],
            after: held,
            title: 'Plug it in',
            detail: 'A socket of its own that nobody switches off to hoover, behind a surge protector.',
            reason: 'Every camera behind it goes dark with this plug.',
            entry: choice('on', 'dead'),
            causes: { failed: 'not enough power' },
          }),
        ]
      : []),
    ...(part.runsOn === 'DC' || part.runsOn === 'PoE'
      ? [
          task('connect', {
            id: 'power/fed',
            place,
            gives: ['fed'],
            after: held,
            title:
              part.runsOn === 'DC' ? 'Check polarity, then connect its DC' : 'Connect its network and power',
            reason:
              part.runsOn === 'DC'
                ? 'The wrong way round is dead for good.'
                : 'Its light tells that power is there.',
            entry: choice('runs', 'dead'),
            causes: { failed: part.runsOn === 'DC' ? 'polarity' : 'not enough power' },
          }),
        ]
      : []),
    ...(adjust === null
      ? []
      : [
          task('connect', {
            id: 'power/set-volts',
            place,
            gives: ['volts set'],
            after: [{ fact: 'fed', because: 'It is read with the supply on.' }],
            before: [{ fact: 'plugged in', because: 'Too many volts are known before a camera gets them.' }],
            title: 'Set and read its volts',
            detail: 'At its terminals, nothing connected yet.',
            reason: 'What was set for the last job is wrong for this one.',
            caution: 'Mains is under the same lid: cover on, insulated tools, or a licensed person.',
            entry: measure('voltage', 'At its terminals', adjust[0], adjust[1]),
            causes: { above: 'too many volts' },
          }),
        ]),
  ]
}

/** Every run into its own port, by its label. */
function plugging({ uses, place, part }: EquipmentContext): Task[] {
  if (uses.length === 0) return []
  const mains = part.runsOn === 'mains joint' && part.feeds?.kind === 'mains'
  if (mains) return []
  return [
    task('connect', {
      id: 'terminate/ports',
      place,
      gives: ['plugged in'],
      after: [{ fact: 'held', because: 'Nothing hangs on a cable.' }],
      title: uses.length === 1 ? 'Connect its run' : `Connect its ${uses.length} runs`,
      items: uses.map(({ port, mark, name }) => `${port ?? 'any free port'}: ${mark} ${name}`),
      detail: 'Label facing out, slack combed behind, no cable across another’s way out.',
      reason: 'Whoever comes at night finds a camera by its port.',
      entry: choice('as listed', 'otherwise: see the note'),
      photo: 'asked',
      view: 'ports',
      causes: { failed: 'label missing' },
    }),
    ...(part.feeds && part.feeds.kind !== 'dc supply'
      ? [
          task('prove', {
            id: 'test/links',
            place,
            gives: ['links'],
            after: [
              { fact: 'plugged in', because: 'There is nothing to see before.' },
              { fact: 'fed', because: 'There is nothing to see before.' },
            ],
            before: [{ fact: 'closed', because: 'They are seen with the lid open.', force: 'reach' }],
            title: 'Look at the lights of every port in use',
            reason: 'A dark port is a bad end or a camera that is not up yet.',
            entry: choice('all lit', 'some dark'),
            causes: { failed: 'bad termination' },
          }),
        ]
      : []),
  ]
}

/** Its entries, once every cable is in. */
function sealing({ part, place, exposure }: EquipmentContext): Task[] {
  if (part.entries === 0 || exposure.tests.length === 0) return []
  return [
    task('seal', {
      id: 'seal/entries',
      place,
      gives: ['closed'],
      after: [
        { fact: 'fed', because: 'Its joint lies behind the lid.', force: 'reach' },
        { fact: 'plugged in', because: 'The plugs are reached with the lid open.', force: 'reach' },
        { fact: 'earthed', because: 'Its terminal lies behind the lid.', force: 'reach' },
      ],
      title: 'Tighten every gland, blank what is not used, close the lid',
      items: ['entries down or to the side', 'one round cable a gland', 'gasket clean and seated'],
      reason: exposure.why,
      entry: choice('all closed', 'one is open'),
      photo: 'required',
      view: 'closing',
      causes: { failed: 'unsealed entry or gland' },
    }),
  ]
}

function proving({ part }: EquipmentContext): Task[] {
  return [
    ...(part.networked
      ? [
          task('prove', {
            id: 'handover/password',
            after: [{ fact: 'fed', because: 'It runs by then.' }],
            title: 'Default password replaced, settings saved to a file',
            reason: 'Never written in this record.',
            entry: choice('both done', 'not yet'),
            causes: { failed: 'default password' },
          }),
        ]
      : []),
    ...(part.records
      ? [
          task('prove', {
            id: 'test/play-back',
            after: [
              { fact: 'links', because: 'Every camera is there by then.' },
              { fact: 'fed', because: 'It runs by then.' },
            ],
            title: 'Play a minute of every camera back',
            items: ['name and time are right', 'by day and by night'],
            reason: 'A live picture proves no recording.',
            entry: anyOf(['all play back'], 'some are missing', 'wrong time'),
            causes: { failed: 'other' },
          }),
        ]
      : []),
  ]
}
