import type { Place } from '../order'
import type { Need } from './fact'
import { isolating } from './isolating'
import { inSentence } from '../units'
import { anyOf, choice, task, type Task } from './task'

/** What was there before: what stays is looked over; what goes is saved, freed, taken down, disposed of. */

interface Old {
  readonly name: string
  readonly place: Place
  /** It keeps settings or pictures that somebody may want. */
  readonly keeps: boolean
  readonly networked: boolean
  /** Volts of the mains that reaches its joints, printed; null where only a plug is pulled. */
  readonly mains: string | null
  readonly outdoors: boolean
  /** Parts of it that stay where they are, for what comes. */
  readonly staying: readonly string[]
}

/** What stays is looked over, and made the customer's. */
export const stayingTasks = ({ name, place, networked }: Old): Task[] => [
  task('place', {
    id: 'test/kept',
    place,
    gives: ['looked at'],
    title: `Look over the ${name} that stays`,
    items: ['it holds', 'dry inside, no rust, no cracked jacket', 'it works'],
    reason: 'Whoever works on it last is asked about it first.',
    entry: choice('sound', 'worn or damaged'),
    photo: 'asked',
    view: 'found',
    causes: { failed: 'other' },
  }),
  ...(networked
    ? [
        task('prove', {
          id: 'handover/password',
          after: [{ fact: 'looked at', because: 'What is broken is replaced, not set up.' }],
          title: 'Default password replaced',
          reason: 'Never written in this record.',
          entry: choice('replaced', 'not yet'),
          causes: { failed: 'default password' },
        }),
      ]
    : []),
]

/** What the old run may be found to be made to, by what is answered. */
export const PIN_SCHEME_FOUND: Readonly<Record<string, 'T568A' | 'T568B'>> = {
  'down, far end T568A': 'T568A',
  'down, far end T568B': 'T568B',
}

/** Before something new takes a place: what was there is down, and what its cable is made to is known. */
export const replacingTasks = (replaced: string): Task[] => [
  task('take down', {
    id: 'mount/replaced',
    gives: ['old one down'],
    before: [{ fact: 'drilled', because: 'The old holes are seen then, and where new ones must not be.' }],
    title: `${replaced} is down: look at what its cable is made to`,
    detail: 'The far end decides: its scheme counts for this run, whatever the job says.',
    reason: 'One run made to two schemes is crossed.',
    entry: anyOf([...Object.keys(PIN_SCHEME_FOUND), 'down, another kind of end'], 'still up'),
    photo: 'asked',
    view: 'found',
  }),
]

/** What goes: saved, dead, freed, down, its holes closed, disposed of. */
export function goingTasks({ name, place, keeps, mains, outdoors, staying }: Old): Task[] {
  const saved: Need[] = [{ fact: 'saved', because: 'What is on it is gone with its power.' }]
  return [
    ...(keeps
      ? [
          task('bench', {
            id: 'handover/saved',
            place: 'at the desk',
            gives: ['saved'],
            title: `Save what the customer wants from the ${name}`,
            detail: 'Settings, names, recordings of the days that are still asked for.',
            reason: 'Once it is off nobody gets them back.',
            entry: anyOf(['saved', 'nothing is wanted'], 'cannot be reached'),
            causes: { failed: 'other' },
          }),
        ]
      : []),
    ...(mains !== null ? isolating(place, ['freed', 'old one down'], mains) : []),
    task('take down', {
      id: 'terminate/off',
      place,
      gives: ['freed'],
      after: saved,
      title: 'Label every cable and take it off',
      detail: 'What is used again keeps its label; what is not is capped at both ends and told as dead.',
      reason: 'A cable without a name is found again by cutting it.',
      caution: mains !== null ? 'Isolated, locked off and proved dead.' : null,
      photo: 'asked',
      view: 'ends',
    }),
    task('take down', {
      id: 'mount/down',
      place,
      gives: ['old one down'],
      after: [{ fact: 'freed', because: 'It hangs on its cables otherwise.', force: 'reach' }],
      ...(staying.length > 0 ? leaving(name, staying) : closingHoles(name, outdoors)),
      caution: 'It may be heavier than it looks: one hand holds before the last screw is out.',
      photo: 'asked',
      view: 'found',
    }),
    task('desk', {
      id: 'handover/gone',
      after: [{ fact: 'old one down', because: 'It is down first.' }],
      title: 'Storage wiped or handed over, the rest to the electrical waste',
      reason: 'Pictures of people leave the site with nobody but their owner.',
      entry: anyOf(['done', 'kept by the customer'], 'not yet'),
    }),
  ]
}

const closingHoles = (name: string, outdoors: boolean) => ({
  title: `Take the ${name} down and close its holes`,
  detail: outdoors
    ? 'Plugs out, holes filled and sealed; an entry that is not used again is closed on both sides.'
    : 'Plugs out, holes filled.',
  reason: outdoors ? 'Water finds an open hole before the winter is over.' : 'An open hole is asked about.',
})

const leaving = (name: string, staying: readonly string[]) => ({
  title: `Take the ${name} down; leave what stays: ${staying.map(inSentence).join(', ')}`,
  detail: 'Its screws kept until the new one hangs; what stays open is covered until then.',
  reason: 'The new camera hangs on it, and rain comes before it does.',
})
