import type { DeviceContext } from '../parts'
import { task, type Task } from './task'

/** What is done on the bench, before any stage. */
export const benchTasks = ({ camera, accessories }: DeviceContext): Task[] => [
  task('unpack', {
    id: 'bench/unpack',
    gives: ['unpacked'],
    before: [
      { fact: 'way up', because: 'What is missing is missed before the climb.' },
      { fact: 'place agreed', because: 'What is missing is missed before the climb.' },
    ],
    title: `Unpack and look over the ${camera.name}`,
    items: [...camera.notes, ...accessories.map(({ name }) => `${name} is here`)],
    detail: 'Check for transit damage; loose screws and covers go into the tray.',
    reason: 'A fault found on the bench costs minutes, on the ladder an hour.',
    photo: 'asked',
  }),
]
