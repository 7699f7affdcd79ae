import type { DeviceContext } from '../parts'
import { accessoryTasks, choice, measure, task, type Task } from '../procedure'
import { assessPower } from './power'

/** The camera tried on the bench, then connected and its volts read. */
export const powerTasks = (context: DeviceContext): Task[] => [...onTheBench(context), ...connecting(context)]

function onTheBench({ device, camera }: DeviceContext): Task[] {
  if (!device.power || !camera.power.poe) return []
  return [
    task('bench', {
      id: 'bench/power-up',
      title: 'Power it on the bench and give it its address',
      detail: 'Replace the default password now. Never photograph pairing codes.',
      reason: 'Its name and address are easier to set here than up there.',
      entry: choice('picture and address', 'picture only', 'dead'),
    }),
  ]
}

function connecting(context: DeviceContext): Task[] {
  const { device, camera } = context
  const extra = accessoryTasks(context, 'power', 'connect', 'Lightning about: stop outdoor work.')
  const plan = device.power && assessPower(context, device.power)
  if (!plan) return extra
  const { supplyName, port, kind, leastV } = plan.drawing
  if (kind === 'mains') {
    return [
      ...extra,
      task('connect', {
        id: 'power/mains',
        title: 'Mains joint by a licensed person',
        detail: 'Earth first, then neutral, then live; drain hole left open.',
        reason: 'Local code decides who may, box fill and earthing.',
        caution: 'Isolate, lock off, prove dead. No live work.',
        entry: choice('made and proved by a licensed person', 'not made'),
        photo: 'asked',
      }),
    ]
  }
  return [
    ...extra,
    task('connect', {
      id: 'power/connect',
      title: `Connect to ${supplyName}${port === null ? '' : `, port ${port}`}`,
      reason: 'Link light: the network is there. Camera light: power is there.',
      entry: choice('link and camera light', 'link only', 'nothing'),
      causes: { answered: { 'link only': 'not enough power', 'nothing': 'bad termination' } },
    }),
    ...(kind === 'dc supply' || kind === 'ac supply'
      ? [
          task('connect', {
            id: 'power/volts',
            title: 'Measure the volts at the camera',
            detail: 'With the camera running and infrared covered.',
            reason: 'A weak run collapses at night.',
            caution: 'Check polarity before you plug in; never into an audio tail.',
            entry: measure('voltage', 'At the camera', leastV, camera.power.dcV?.[1] ?? null),
            causes: { above: 'too many volts' },
          }),
        ]
      : []),
  ]
}
