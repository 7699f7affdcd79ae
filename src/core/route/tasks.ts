import { SPACES } from '../job/choices'
import type { DeviceContext } from '../parts'
import { measure, task, type Task } from '../procedure'
import { dripLoopM, installedM, lengthItems } from './length'
import { ROUTE_LIMITS } from './limits'
import { runLengths } from './route'

/** The cable pulled, its length read, its loop and slack left. */
export function routeTasks(context: DeviceContext): Task[] {
  const { device, printed, cable } = context
  if (!device.route) return []
  const run = runLengths(context, device.route)
  const spaces = [...new Set(device.route.segments.map(({ space }) => space))]
  const lead = device.route.leadLengthM
  const target = lead ?? installedM(lengthItems(context, device.route))
  const off = (target * ROUTE_LIMITS.lengthTolerance.value) / 100
  return [
    task('pull', {
      id: 'route/pull',
      gives: ['cable there'],
      title:
        lead === null
          ? `Cut ${printed(run.cutM, 'cut')} of ${cable.name} and pull it`
          : `Lead the ready-made cable through`,
      items: device.route.segments.map(
        (segment) =>
          `${SPACES[segment.space].name}, ${printed(segment.lengthM + Math.abs(segment.riseM), 'length')}`,
      ),
      detail:
        `Mark both ends ${device.mark} before you pull. Pull no harder than ` +
        `${printed(cable.pullN, 'force')}; bend no tighter than ` +
        `${printed(cable.diameterMm * cable.bendTimes, 'size')}.`,
      reason: 'Two unmarked ends at the head end cost a ladder trip.',
      caution: spaces.map((space) => SPACES[space].caution).join(' '),
      photo: 'asked',
    }),
    ...(lead === null
      ? [
          task('pull', {
            id: 'route/length',
            after: [{ fact: 'cable there', because: 'It is read on the cable as it lies.' }],
            title: 'Read the length off the jacket marks',
            detail: `Planned ${printed(target, 'length')} installed, slack included. Cut off the first scuffed length.`,
            reason: 'The record of the run, and a check on the label.',
            entry: measure('length', 'Installed length', target - off, target + off),
            causes: { failed: 'wrong cable' },
          }),
        ]
      : []),
    ...(dripLoopM(context, device.route) > 0
      ? [
          task('seal', {
            id: 'route/drip-loop',
            after: [{ fact: 'cable there', because: 'The loop is a part of the cable that was pulled.' }],
            before: [{ fact: 'looked at', because: 'The picture shows the loop too.' }],
            title: 'Leave the drip loop and the slack',
            detail:
              `${printed(dripLoopM(context, device.route), 'length')} below the entry, ` +
              `${printed(context.allowances.deviceSlackM, 'length')} of slack at the device.`,
            reason: 'Water follows the cable; the loop lets it drip off.',
          }),
        ]
      : []),
  ]
}
