import { choice, isolating, task, type Fact, type Need, type Task } from '../procedure'
import { routeTasks } from '../route'
import { leadProof, pairProofs, PINS, THERE } from '../terminate'
import { CARRIES, type Carried } from './carries'
import { isFinished, routeOf, type RunEnd, type RunOf } from './context'

/** What is to do on a run, by whether it comes, stays or goes, each where the run is. */
export function runTasks(context: RunOf): Task[] {
  const tasks = tasksOf(context)
  if (context.ends.some(({ place }) => place === 'at the device')) return tasks
  return tasks.map((one) => (one.place === 'at the device' ? { ...one, place: 'head end' } : one))
}

function tasksOf(context: RunOf): Task[] {
  const { run, printed, mainsV } = context
  const dead = run.carries === 'mains' ? isolating('at the device', TOUCHED, printed(mainsV, 'voltage')) : []
  if (run.state === 'taken away') return [...dead, ...drawnOut(context)]
  const laid = routeTasks(context, routeOf(run))
  if (run.state === 'kept') return [...dead, ...laid, works(context, [THERE])]
  return [
    ...dead,
    ...drawnIn(context),
    ...laid,
    ...endTasks(context),
    ...proofs(context),
    ...connecting(context),
    works(context, [
      { fact: 'cable proved', because: 'What is not proved is not powered.' },
      { fact: 'connected', because: 'There is nothing to see before.' },
    ]),
  ]
}

const TOUCHED: readonly Fact[] = ['near end', 'far end', 'freed', 'connected']

const drawnOut = ({ run, ends: [from, to] }: RunOf): Task[] => [
  task('take down', {
    id: 'terminate/off',
    gives: ['freed'],
    title: `Free it at ${from.mark} and at ${to.mark}`,
    detail: 'Its marks are read at both ends before anything is pulled out.',
    reason: 'The wrong cable pulled out is a camera that is dark.',
    photo: 'asked',
    view: 'ends',
  }),
  task('take down', {
    id: 'route/out',
    after: [{ fact: 'freed', because: 'It is free at both ends first.', force: 'reach' }],
    title: `Draw ${run.mark} out, or cap it and name it as dead`,
    detail: 'A string tied to it takes the next cable along; holes that stay open are closed on both sides.',
    reason: 'A dead cable in a full conduit is in the way of the next.',
    entry: choice('drawn out', 'capped and named as dead'),
  }),
]

/** An old cable that lies loose is the best string there is. */
const drawnIn = ({ run, replaced }: RunOf): Task[] =>
  replaced === null
    ? []
    : [
        task('pull', {
          id: 'route/tie-on',
          before: [{ fact: 'cable there', because: 'The old one is in its way, and draws it in.' }],
          title: `Tie ${run.mark} to ${replaced}, free at both ends`,
          detail: 'It draws the new one in where it lies loose; clipped or stapled it stays, named as dead.',
          reason: 'Where one cable came through, another goes through.',
        }),
      ]

/** What the factory has finished is not made on site. */
const finished = ({ ends }: RunOf): boolean => ends.some(isFinished)

const FACT_OF = { from: 'near end', to: 'far end' } as const satisfies Record<RunEnd['key'], Fact>

function endTasks(context: RunOf): Task[] {
  const { run, cable, ends, policies } = context
  if (finished(context)) return []
  const pair = cable.kind === 'pair'
  return ends.flatMap((end) =>
    end.connector === null
      ? []
      : [
          task('head end', {
            id: `terminate/${end.key}-end`,
            place: end.place,
            gives: [FACT_OF[end.key]],
            after: [THERE],
            title: `Make its end at ${end.mark}: ${end.connector.name}`,
            detail: end.connector.strip,
            items: pair ? PINS[policies.pinScheme].map(({ pin, wire }) => `${pin} ${wire}`) : [],
            reason: pair ? `Both ends ${policies.pinScheme}.` : 'The same habit at both ends.',
            caution:
              run.carries === 'mains'
                ? 'Isolated, locked off and proved dead; a licensed person where the law says so.'
                : 'Razor knives slip: use a stripping tool. Safety glasses for cut ends.',
          }),
        ],
  )
}

function proofs(context: RunOf): Task[] {
  const { run, cable } = context
  if (cable.kind === 'fibre') return [fibreLook()]
  if (cable.kind === 'pair')
    return finished(context) ? leadProof() : pairProofs(context, routeOf(run), ['near end', 'far end'])
  return [
    task('map', {
      id: 'terminate/continuity',
      gives: ['cable proved'],
      after: [
        THERE,
        { fact: 'near end', because: 'It is read from end to end.' },
        { fact: 'far end', because: 'It is read from end to end.' },
      ],
      title: 'Ring every core through, and to its neighbour',
      detail: 'Far end open, then joined; nothing connected yet.',
      reason: 'A short behind a wall is found now or with the power on.',
      entry: choice('through, none to another', 'open', 'short', 'reversed'),
      causes: { answered: { open: 'bad termination', short: 'bad termination', reversed: 'polarity' } },
    }),
  ]
}

const fibreLook = (): Task =>
  task('cable across', {
    id: 'terminate/fibre-look',
    gives: ['cable proved'],
    after: [THERE],
    title: 'Clean both ends and look at them through the scope',
    detail:
      'Caps stay on until the moment of plugging; what sends at one end goes to what hears at the other.',
    reason: 'Dust on the face of a fibre costs more light than a kilometre of it.',
    caution: 'Never look into a fibre or its socket: its light is not seen and burns.',
    entry: choice('clean', 'scratched'),
    causes: { failed: 'bad termination' },
  })

/** Plugged in at a camera here; at equipment its own log has it among its ports. */
const connecting = ({ run, ends }: RunOf): Task[] => [
  task('connect', {
    id: 'terminate/connect',
    gives: ['connected'],
    place: ends.some(({ camera }) => camera) ? 'at the device' : 'head end',
    after: [{ fact: 'cable proved', because: 'It is proved with nothing on it.' }],
    title: `Connect ${run.mark} at both ends`,
    items: ends.map(({ mark, name, portName }) => `${mark} ${name}: ${portName ?? 'port as it comes'}`),
    detail: 'Its mark at both ends, facing out; slack combed, nothing hanging on the plug.',
    reason: 'Whoever comes at night finds it by its mark.',
    photo: 'asked',
    view: 'ports',
    causes: { failed: 'label missing' },
  }),
]

const works = ({ run, ends }: RunOf, after: Need[]): Task =>
  task('prove', {
    id: 'test/carries',
    after,
    title: `${CARRIES[run.carries].name} from ${ends[0].mark} arrives at ${ends[1].mark}`,
    ...ARRIVES[run.carries],
  })

type Arrives = Pick<Task, 'reason' | 'entry'> & Partial<Pick<Task, 'detail' | 'caution' | 'causes'>>

/** How somebody sees that what a run carries has arrived. */
const ARRIVES: Record<Carried, Arrives> = {
  network: {
    detail: 'Both lights, and at the speed that both ends have.',
    reason: 'A link that fell back to a tenth of its speed is a bad pair.',
    entry: choice('link at full speed', 'link, but slower', 'dark'),
    causes: { failed: 'bad termination' },
  },
  fibre: {
    reason: 'A dark link is two fibres the wrong way round, or dust.',
    caution: 'Never look into a fibre or its socket: its light is not seen and burns.',
    entry: choice('link at both ends', 'dark'),
    causes: { failed: 'bad termination' },
  },
  video: {
    reason: 'Rolling bars are a loop through earth, snow is a bad end.',
    entry: choice('steady picture', 'bars or snow', 'nothing'),
    causes: { failed: 'bad termination' },
  },
  dc: {
    detail: 'Read at the far end with everything on it that will ever hang there.',
    reason: 'Without a load even a bad joint shows all its volts.',
    entry: choice('volts right, plus is plus', 'too few volts', 'reversed'),
    causes: { answered: { 'too few volts': 'not enough power', 'reversed': 'polarity' } },
  },
  audio: {
    detail: 'Speak at the place that matters.',
    reason: 'Hum comes from a screen that is earthed twice.',
    caution: 'Recording speech needs consent in many places: the customer answers for it.',
    entry: choice('speech is understood', 'hum', 'nothing'),
    causes: { answered: { hum: 'no bonding or protector', nothing: 'bad termination' } },
  },
  alarm: {
    reason: 'A contact that nobody has tripped is a wish.',
    entry: choice('trips and clears', 'the other way round', 'nothing'),
    causes: { failed: 'bad termination' },
  },
  earth: {
    reason: 'A protector without earth leads a stroke into what it should protect.',
    caution: 'Lightning about: stop outdoor work. Local code decides on bonding.',
    entry: choice('bonded at both ends', 'not bonded'),
    causes: { failed: 'no bonding or protector' },
  },
  mains: {
    reason: 'Local code decides who may, and how it is protected.',
    caution: 'A licensed person where the law says so.',
    entry: choice('made and proved by a licensed person', 'not made'),
  },
}

/** The two ends in words: `E2 Jetty switch, fibre 1 → E8 Fibre from the jetty, fibre 1`. */
export const endsInWords = ({ ends }: RunOf): string =>
  ends.map(({ mark, name, portName }) => [`${mark} ${name}`, portName].filter(Boolean).join(', ')).join(' → ')
