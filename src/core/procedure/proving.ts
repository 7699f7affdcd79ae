import type { DeviceContext } from '../parts'
import type { Need } from './fact'
import { choice, task, type Task } from './task'

const CLOSED: Need[] = [
  { fact: 'closed', because: 'What is judged is the picture that stays.' },
  { fact: 'aimed', because: 'What is judged is the picture that stays.' },
  { fact: 'connected', because: 'There is no picture before.' },
]

/** What proves that the work is done: the picture by day and by night, and the camera made the customer's. */
export function provingTasks({ device, camera }: DeviceContext): Task[] {
  if (!device.sight) return []
  return [
    task('prove', {
      id: 'test/picture-day',
      gives: ['seen by day'],
      after: CLOSED,
      title: 'Look at the picture by day',
      detail: 'Target, edges, nothing of soffit, gutter or wall in it.',
      reason: 'What was promised, seen.',
      entry: choice('as promised', 'not as promised'),
      photo: 'required',
      view: 'screen',
      causes: { failed: 'picture not as promised' },
    }),
    task('prove', {
      id: 'test/picture-night',
      after: [...CLOSED, { fact: 'seen by day', because: 'The night comes after.' }],
      title: 'Look again after dark',
      reason: 'Infrared back from bubble, soffit, web or gutter.',
      entry: choice('clear', 'glare', 'too dark'),
      photo: 'asked',
      view: 'screen',
      causes: { answered: { 'glare': 'glare', 'too dark': 'picture not as promised' } },
    }),
    ...(camera.cable === 'coax and power'
      ? []
      : [
          task('prove', {
            id: 'handover/password',
            after: CLOSED,
            title: 'Default password replaced, name on the picture',
            reason: 'Never written in this record.',
            entry: choice('both done', 'not yet'),
          }),
        ]),
  ]
}
