import type { DeviceContext } from '../parts'
import { inSentence } from '../units'
import type { Need } from './fact'
import { task, type Task } from './task'

const LOOKED_OVER: Need[] = [{ fact: 'unpacked', because: 'What is damaged goes back whole.' }]
const UP: Need[] = [
  { fact: 'way up', because: 'What is missing is missed before the climb.' },
  { fact: 'place agreed', because: 'What is missing is missed before the climb.' },
]

/** What is done on the bench, before any stage. */
export const benchTasks = ({ camera, accessories, policies }: DeviceContext): Task[] => [
  task('unpack', {
    id: 'bench/unpack',
    gives: ['unpacked'],
    before: UP,
    title: `Unpack and look over the ${camera.name}`,
    items: [...camera.notes, ...accessories.map(({ name }) => `In the bag: ${inSentence(name)}`)],
    detail: 'Check for transit damage; loose screws and covers go into the tray.',
    reason: 'A fault found on the bench costs minutes, on the ladder an hour.',
    photo: 'asked',
    view: 'parts',
  }),
  ...(policies.film === 'on the bench'
    ? [
        task('bench', {
          id: 'bench/film',
          after: LOOKED_OVER,
          before: UP,
          title: 'Film off lens and bubble',
          detail: 'Clean gloves from here on; wipe with the cloth that came with it.',
          reason: 'Nobody climbs again for a film.',
        }),
      ]
    : []),
  ...(policies.memoryCard === 'on the bench'
    ? accessories
        .filter(({ card }) => card)
        .map(({ name, step, reason, id }) =>
          task('bench', {
            id: `mount/accessory-${id}`,
            after: LOOKED_OVER,
            before: UP,
            title: name,
            detail: step,
            reason,
          }),
        )
    : []),
]
