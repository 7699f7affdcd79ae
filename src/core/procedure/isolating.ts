import type { Place } from '../order'
import type { Fact } from './fact'
import { choice, task, type Task } from './task'

/**
 * A circuit switched off, locked and proved dead before anything of it is touched: two hold points of their
 * own. `mains` are its volts, printed.
 */
export function isolating(place: Place, touched: readonly Fact[], mains: string): Task[] {
  const lit =
    'A lamp next to it may hang on another circuit: its supply stays live until it is switched off too.'
  return [
    task('lock off', {
      id: 'power/isolate',
      gives: ['locked off'],
      title: 'Switch the circuit off, lock it and hang the tag on it',
      detail: `The key stays with whoever works. ${lit}`,
      reason: 'A breaker that somebody can switch on again protects nobody.',
      hold: 'Before anything is touched',
      caution: 'Mains kills. A licensed person where the law says so.',
      entry: choice('off, locked and tagged', 'cannot be locked'),
      photo: 'asked',
      view: 'lock',
    }),
    task('prove dead', {
      id: 'power/dead',
      place,
      gives: ['dead'],
      after: [
        { fact: 'locked off', because: 'Dead counts only while nobody can switch it on.', force: 'safety' },
      ],
      before: touched.map((fact) => ({
        fact,
        because: 'Nothing that mains reaches is touched before it is proved dead.',
        force: 'safety',
      })),
      title: 'Prove it dead',
      detail:
        'The tester on a known live source first; live to neutral, live to earth, neutral to ' +
        'earth; then the tester once more.',
      items: [lit],
      reason: `A tester that fails reads dead at ${mains} too.`,
      hold: 'Before anything is touched',
      caution: 'No live work. A licensed person where the law says so.',
      entry: choice('dead, tester proved before and after', 'still live'),
    }),
  ]
}
