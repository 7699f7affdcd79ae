import { calledIn, tooWideFor, upOf } from '../assembly'
import type { DeviceContext } from '../parts'
import { accessoryTasks, choice, measure, task, type Need, type Task } from '../procedure'
import { runLengths } from '../route'
import { PINS } from './pins'
import { loopLeastOhm, loopLimitOhm } from './resistance'
import { threadOnOrder } from './terminate'

/** Everything threaded on, both ends made, and the cable proved. */
export function terminateTasks(context: DeviceContext): Task[] {
  const { device, catalogue, cable, policies } = context
  if (!device.terminate) return []
  const camera = catalogue.connectors.get(device.terminate.cameraEndId)!
  const threadOn = device.seal ? threadOnOrder(context, device.seal, camera) : []
  const pair = cable.kind === 'pair'
  const finished = camera.boot === 'moulded' || camera.kind === 'fibre'
  const run = runLengths(context, device.route)
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
    if (head.kind !== 'mains joint')
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
  if (pair && finished)
    tasks.push(
      task('cable across', {
        id: 'terminate/lead-look',
        gives: ['cable proved'],
        after: [THERE],
        title: 'Look over both plugs of the lead',
        detail: 'Latch whole, contacts bright and level, moulding not pulled off the jacket.',
        reason: 'It was made and proved in the factory; what a pull has done shows at its ends.',
        entry: choice('sound', 'damaged'),
        causes: { answered: { damaged: 'bad termination' } },
      }),
    )
  if (pair && !finished) {
    tasks.push(
      task('map', {
        id: 'terminate/wire-map',
        gives: ['cable proved'],
        after: [
          THERE,
          { fact: 'camera end', because: 'It is read from end to end.' },
          { fact: 'head end', because: 'It is read from end to end.' },
        ],
        title: 'Read the wire map',
        reason: 'Proved before the camera hangs on it.',
        entry: choice('pass', 'open', 'short', 'reversed pair', 'crossed pair', 'split pair'),
        causes: {
          answered: { 'open': 'bad termination', 'short': 'bad termination', 'reversed pair': 'polarity' },
        },
      }),
    )
    if (run.installedM > 0)
      tasks.push(
        task('head end', {
          id: 'terminate/loop',
          gives: ['cable proved'],
          after: [THERE],
          title: 'Measure the loop resistance of one pair',
          detail: 'Far end shorted.',
          reason: 'A high reading is a joint or a cable that is not copper; a low one is a short on the way.',
          entry: measure(
            'resistance',
            'Loop resistance',
            cable.awg === null ? 0 : loopLeastOhm(cable.awg, run.installedM, run.meanC),
            loopLimitOhm(run.installedM, run.meanC),
          ),
          causes: { above: 'bad termination' },
        }),
      )
  }
  return [...tasks, ...accessoryTasks(context, 'terminate', 'map', { after: [THERE] })]
}

const THERE: Need = { fact: 'cable there', because: 'The cable is there first.', force: 'reach' }

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
