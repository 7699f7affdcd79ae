import { calledIn, hiddenBehind, joint, mainsReaches, partsOf, reachOfOpening, upOf } from '../assembly'
import type { DeviceContext } from '../parts'
import {
  accessoryTasks,
  choice,
  isolating,
  measure,
  task,
  type Fact,
  type Need,
  type Task,
} from '../procedure'
import { assessPower } from './power'

/** Mains made safe, the camera tried on the bench, then connected and its volts read. */
export const powerTasks = (context: DeviceContext): Task[] => [
  ...madeSafe(context),
  ...onTheBench(context),
  ...connecting(context),
]

/** What nobody does near mains that is not proved dead. */
const TOUCHED: readonly Fact[] = [
  'old one down',
  'drilled',
  'cable there',
  'threaded',
  'camera end',
  'sealed',
  'connected',
  'up mount-0',
  'up camera',
]

/** The circuit switched off, locked and proved dead: two hold points of their own. */
function madeSafe(context: DeviceContext): Task[] {
  const { device, mainsV, printed } = context
  if (!mainsReaches(context) || !(device.mount || device.power)) return []
  return isolating('at the device', TOUCHED, printed(mainsV, 'voltage'))
}

function onTheBench({ device, camera }: DeviceContext): Task[] {
  if (!device.power || !camera.power.poe) return []
  return [
    task('bench', {
      id: 'bench/power-up',
      gives: ['tested'],
      after: [{ fact: 'unpacked', because: 'What is damaged is not powered.' }],
      before: [
        { fact: 'way up', because: 'A fault found on the bench costs minutes, on the ladder an hour.' },
        { fact: 'place agreed', because: 'A fault found on the bench costs minutes, on the ladder an hour.' },
      ],
      title: 'Power it on the bench and give it its address',
      detail: 'Replace the default password now. Never photograph pairing codes.',
      reason: 'Its name and address are easier to set here than up there.',
      entry: choice('picture and address', 'picture only', 'dead'),
    }),
  ]
}

function connecting(context: DeviceContext): Task[] {
  const { device, camera } = context
  const { reach, carriedBy } = joint(context)
  const extra = accessoryTasks(context, 'power', 'connect', {
    caution: 'Lightning about: stop outdoor work.',
    after: [{ fact: 'cable there', because: 'The cable is there first.', force: 'reach' }],
    before: [{ fact: 'connected', because: 'It stands between the cable and the camera.', force: 'reach' }],
    reach,
  })
  const plan = device.power && assessPower(context, device.power)
  if (!plan) return extra
  const { supplyName, port, kind, leastV } = plan.drawing
  const after: Need[] = [
    { fact: 'camera end', because: 'The end is made first.', force: 'reach' },
    { fact: 'head end', because: 'The end is made first.', force: 'reach' },
    { fact: 'cable there', because: 'The cable is there first.', force: 'reach' },
    { fact: 'cable proved', because: 'The cable is proved before the camera hangs on it.' },
    ...carriedBy.map(
      (placed): Need => ({
        fact: upOf(placed),
        because: `Nothing hangs on a cable: the ${calledIn(placed.part.name)} is up first.`,
      }),
    ),
  ]
  if (kind === 'mains') {
    return [
      ...extra,
      ...clamping(context),
      task('connect', {
        id: 'power/mains',
        gives: ['connected'],
        after,
        reach,
        title: 'Mains joint by a licensed person',
        items: ['earth first', 'then neutral', 'then live'],
        detail: 'Each joint tugged; the drain hole left open.',
        reason: 'Local code decides who may, box fill and earthing.',
        caution: 'Isolated, locked off and proved dead. No live work.',
        entry: choice('made and proved by a licensed person', 'not made'),
        photo: 'asked',
        view: 'joint',
      }),
    ]
  }
  return [
    ...extra,
    task('connect', {
      id: 'power/connect',
      gives: ['connected'],
      after,
      reach,
      title: `Connect to ${supplyName}${port === null ? '' : `, port ${port}`}`,
      ...(camera.cable === 'pair'
        ? {
            reason: 'Link light: the network is there. Camera light: power is there.',
            entry: choice('link and camera light', 'link only', 'nothing'),
            causes: { answered: { 'link only': 'not enough power', 'nothing': 'bad termination' } },
          }
        : {
            reason: 'A picture on a test screen: video and power are there.',
            entry: choice('picture', 'power only', 'nothing'),
            causes: { answered: { 'power only': 'bad termination', 'nothing': 'not enough power' } },
          }),
    }),
    ...(kind === 'dc supply' || kind === 'ac supply'
      ? [
          task('connect', {
            id: 'power/volts',
            after: [{ fact: 'connected', because: 'It is read with the camera running.' }],
            before: [{ fact: 'looked at', because: 'The contacts are reached until then.' }],
            reach,
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

/** The mains cable led into its box and clamped there. */
function clamping(context: DeviceContext): Task[] {
  const placed = partsOf(context).find(({ part }) => part.openings.some(({ kind }) => kind === 'cable entry'))
  const entry = placed?.part.openings.find(({ kind }) => kind === 'cable entry')
  if (!placed || !entry) return []
  const reach = reachOfOpening(context, placed, entry)
  // An old cable behind an old box was clamped when it was laid.
  if (context.device.route?.laid === 'kept' && reach.some((way) => hiddenBehind(context, way))) return []
  return [
    task('entry', {
      id: 'power/clamp',
      gives: ['sealed'],
      after: [{ fact: 'cable there', because: 'The clamp grips the cable.', force: 'reach' }],
      reach,
      title: `Lead the cable into the ${calledIn(placed.part.name)} and clamp it`,
      detail: 'Jacket through the clamp, cores free; earth longest.',
      reason: 'A pull on the cable must never reach the joint.',
      caution: 'Isolated, locked off and proved dead.',
    }),
  ]
}
