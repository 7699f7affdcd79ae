import type { DeviceContext } from '../parts'
import { choice, task, type Task } from './task'

/** What proves that the work is done: the picture by day and by night, and the camera made the customer's. */
export function provingTasks({ device }: DeviceContext): Task[] {
  if (!device.sight) return []
  return [
    task('prove', {
      id: 'test/picture-day',
      title: 'Look at the picture by day',
      detail: 'Target, edges, nothing of soffit, gutter or wall in it.',
      reason: 'What was promised, seen.',
      entry: choice('as promised', 'not as promised'),
      photo: 'required',
      causes: { failed: 'picture not as promised' },
    }),
    task('prove', {
      id: 'test/picture-night',
      title: 'Look again after dark',
      reason: 'Infrared back from bubble, soffit, web or gutter.',
      entry: choice('clear', 'glare', 'too dark'),
      photo: 'asked',
      causes: { answered: { 'glare': 'glare', 'too dark': 'picture not as promised' } },
    }),
    task('prove', {
      id: 'handover/password',
      title: 'Default password replaced, name on the picture',
      reason: 'Never written in this record.',
      entry: choice('both done', 'not yet'),
    }),
  ]
}
