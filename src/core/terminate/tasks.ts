import { calledIn, tooWideFor, upOf } from '../assembly'
import { isFactoryMade, type DeviceContext } from '../parts'
import { accessoryTasks, task, type Need, type Task } from '../procedure'
import { PINS } from './pins'
import { leadProof, pairProofs, THERE } from './proofs'
import { threadOnOrder } from './terminate'

/** Everything threaded on, both ends made, and the cable proved. */
export function terminateTasks(context: DeviceContext): Task[] {
  const { device, catalogue, cable, policies } = context
  if (!device.terminate) return []
  const camera = catalogue.connectors.get(device.terminate.cameraEndId)!
  const threadOn = device.seal ? threadOnOrder(context, device.seal, camera) : []
  const pair = cable.kind === 'pair'
  const finished = isFactoryMade(camera)
  const tasks: Task[] = []
  if (threadOn.length > 0) {
    tasks.push(
      task('thread on', {
        id: 'terminate/thread-on',
        gives: ['threaded'],
        after: [THERE],
        before: [
          {
            fact: 'camera end',
            because: `Once the end is made, the ${calledIn(threadOn.at(-1)!.piece)} no longer goes on.`,
            force: 'reach',
            wayOut: 'Make the end by hand after it, or take a piece in two halves.',
          },
        ],
        title: 'Thread everything onto the cable',
        items: threadOn.map(({ piece, way, of }) => `${piece}: ${way} (${of})`),
        hold: 'Before you crimp',
        detail: 'In this order; the last stands nearest to the plug.',
        reason: 'Forgetting one means cutting the plug off again.',
        photo: 'asked',
        view: 'thread',
      }),
    )
  }
  if (!finished) {
    tasks.push(
      task('camera end', {
        id: 'terminate/camera-end',
        gives: ['camera end'],
        after: [THERE, ...passedFirst(context, camera.acrossMm)],
        title: `Make the camera end: ${camera.name}`,
        detail: camera.strip,
        items: pair ? PINS[policies.pinScheme].map(({ pin, wire }) => `${pin} ${wire}`) : [],
        reason: pair
          ? `Both ends ${policies.pinScheme}. A nicked core: trim back and start again.`
          : 'Not one strand of the shield may touch the core.',
        caution:
          camera.kind === 'mains joint'
            ? 'Isolated, locked off and proved dead; a licensed person where the law says so.'
            : 'Razor knives slip: use a stripping tool. Safety glasses for cut ends.',
      }),
    )
    const head = catalogue.connectors.get(device.terminate.headEndId)!
    if (head.kind !== 'mains joint' && device.route?.laid !== 'kept')
      tasks.push(
        task('head end', {
          id: 'terminate/head-end',
          gives: ['head end'],
          after: [THERE],
          title: `Make the head end: ${head.name}`,
          detail: head.strip,
          reason: pair ? `The same scheme, ${policies.pinScheme}.` : 'The same habit at both ends.',
        }),
      )
  }
  if (pair)
    tasks.push(...(finished ? leadProof() : pairProofs(context, device.route, ['camera end', 'head end'])))
  return [...tasks, ...accessoryTasks(context, 'terminate', 'map', { after: [THERE] })]
}

/** A hole that the finished end does not pass is passed before the end is made. */
function passedFirst(context: DeviceContext, acrossMm: number | null): Need[] {
  const narrow = tooWideFor(context, acrossMm)
  if (!narrow) return []
  const { placed, opening } = narrow
  const hole = context.printed(opening.holeMm!, 'size')
  return [
    {
      fact: upOf(placed),
      because:
        `The finished end, ${context.printed(acrossMm!, 'size')} across, does not pass the ` +
        `${opening.name} of ${hole}.`,
      force: 'reach',
      wayOut: 'Take a narrower end, or make it once the part is up.',
    },
  ]
}
