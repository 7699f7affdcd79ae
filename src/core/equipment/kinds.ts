import { choice, task, type Need, type Task } from '../procedure'
import type { EquipmentKind } from '../parts'
import type { EquipmentContext } from './context'

/** What only one kind of equipment asks for. */

const HELD: Need[] = [{ fact: 'held', because: 'Nothing hangs on a cable.' }]
const FED: Need[] = [{ fact: 'fed', because: 'It runs by then.' }]

const nothing = (): Task[] => []

/** A clock and a disk before there is anything to keep. */
const recorder = (): Task[] => [
  task('bench', {
    id: 'bench/disk',
    after: [{ fact: 'set up', because: 'It is reached by then.' }],
    title: 'Disk seen and formatted, clock set from the network',
    reason: 'A wrong hour makes a recording useless as evidence.',
    entry: choice('both', 'no disk', 'wrong time'),
  }),
]

/** What goes in and what goes out, named from its own side. */
const directed =
  (title: string, detail: string) =>
  ({ place }: EquipmentContext): Task[] => [
    task('connect', {
      id: 'terminate/direction',
      place,
      after: HELD,
      before: [{ fact: 'fed', because: 'The wrong way round is found before there is power.' }],
      title,
      detail,
      reason: 'The wrong way round it does nothing, or harm.',
      entry: choice('the right way round', 'cannot be told'),
    }),
  ]

/** Line side and equipment side, and an earth that is worth something. */
const protector = (context: EquipmentContext): Task[] => [
  ...directed(
    'Long cable to the line side, patch lead to the equipment side',
    'A protector the wrong way round protects nothing.',
  )(context),
  task('connect', {
    id: 'power/earth',
    place: context.place,
    gives: ['earthed'],
    after: HELD,
    title: 'Bond it to earth, short and straight',
    detail: 'The same earth as what it protects; no loops, no sharp bends.',
    reason: 'A surge takes the straight way.',
    caution: 'Lightning about: stop outdoor work. Local code decides on bonding.',
    entry: choice('bonded, short and straight', 'no earth found'),
    photo: 'required',
    view: 'earth',
    causes: { failed: 'no bonding or protector' },
  }),
]

const converter = ({ place }: EquipmentContext): Task[] => [
  task('prove', {
    id: 'test/fibre',
    place,
    after: FED,
    title: 'Look for the link light of the fibre',
    detail: 'None: swap the two fibres at one end; caps stay on what is not plugged.',
    reason: 'What sends at one end must be heard at the other.',
    caution: 'Never look into a fibre or its socket: its light is not seen and burns.',
    entry: choice('lit at both ends', 'dark'),
    causes: { failed: 'bad termination' },
  }),
]

const circuit = ({ uses }: EquipmentContext): Task[] => [
  task('connect', {
    id: 'power/named',
    place: 'head end',
    after: FED,
    title: 'Name the circuit at the board and press its test button',
    items: uses.map(({ mark, name }) => `feeds ${mark} ${name}`),
    reason: 'Whoever switches it off next must know what goes dark.',
    caution: 'The board is for a licensed person where the law says so.',
    entry: choice('named, trips and resets', 'does not trip'),
    photo: 'asked',
    view: 'circuit',
  }),
]

const plate = ({ place, pinScheme }: EquipmentContext): Task[] => [
  task('head end', {
    id: 'terminate/punch',
    place,
    after: HELD,
    gives: ['plugged in'],
    title: `Punch its jacks to ${pinScheme}, caps on, labels behind the window`,
    detail: 'Pairs twisted to the slot, jacket to the jack, no more bare than a thumbnail is wide.',
    reason: 'Both ends of a run have one scheme.',
    caution: 'The blade of the tool cuts fingers as it cuts cores.',
    entry: choice('punched and labelled', 'not all'),
    photo: 'asked',
    view: 'ports',
    causes: { failed: 'bad termination' },
  }),
]

const microphone = (): Task[] => [
  task('prove', {
    id: 'test/sound',
    after: FED,
    title: 'Listen to it at the recorder',
    detail: 'Speak at the place that matters; the wind and the hum of mains are heard now or never.',
    reason: 'Hum comes from a screen that is earthed twice.',
    caution: 'Recording speech needs consent in many places: the customer answers for it.',
    entry: choice('speech is understood', 'hum', 'nothing'),
    causes: { answered: { hum: 'no bonding or protector', nothing: 'bad termination' } },
  }),
]

const lamp = ({ place }: EquipmentContext): Task[] => [
  task('aim', {
    id: 'aim/lamp',
    place,
    gives: ['aimed'],
    after: HELD,
    before: [{ fact: 'closed', because: 'Its joint moves until then.' }],
    title: 'Turn it to where the camera looks',
    detail: 'Its near edge past walls, gutters and leaves: what is close shines back.',
    reason: 'Light on a wall beside the lens blinds the picture.',
    caution: 'Do not look into it from near: infrared is not seen and warms the eye.',
    entry: choice('aimed', 'shines back'),
    causes: { failed: 'glare' },
  }),
]

/** One line a kind: what is not here does not compile. */
export const OF_ITS_KIND: Record<EquipmentKind, (context: EquipmentContext) => Task[]> = {
  'recorder': recorder,
  'switch': nothing,
  'supply': nothing,
  'circuit': circuit,
  'injector': directed('Network in, camera out', '"In" comes from the switch, "out" goes to the camera.'),
  'splitter': directed('Network in, camera and DC out', 'Plug and volts are those that the camera takes.'),
  'in-line adapter': directed('Network in, camera out', 'Its ports are named from its own side.'),
  'protector': protector,
  'media converter': converter,
  'box': nothing,
  'jack plate': plate,
  'microphone': microphone,
  'lamp': lamp,
}
