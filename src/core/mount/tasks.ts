import {
  calledIn,
  joint,
  keptParts,
  mainsReaches,
  partsOf,
  reachOfScrews,
  upOf,
  type Placed,
} from '../assembly'
import type { DeviceContext } from '../parts'
import { accessoryTasks, choice, measure, task, type Need, type Task } from '../procedure'
import type { Sight } from '../sight/plan'
import { mountFacts, type MountFacts } from './facts'
import { passingWords } from './lead'
import { MOUNT_LIMITS } from './limits'
import type { Mount } from './plan'
import { climb } from './reach'
import { comesThrough, drillsForCable, isCutIn, stackMassKg } from './stack'

/** The way up, the holes, every part of the stack fastened, and the closing of what was mounted or sealed. */
export function mountTasks(context: DeviceContext): Task[] {
  const { device } = context
  const { sight, mount, seal } = device
  return [
    ...(sight ? [reaching(context, sight)] : []),
    ...(mount ? mounting(context, mount) : []),
    ...(mount || seal ? [closing(context)] : []),
  ]
}

function reaching(context: DeviceContext, { heightM }: Pick<Sight, 'heightM'>): Task {
  const { printed, surface, exposure } = context
  const up = climb(heightM)
  const massKg = stackMassKg(context)
  const two = massKg > MOUNT_LIMITS.overheadKg.value ? ` Two people: ${printed(massKg, 'mass')} goes up.` : ''
  const way = exposure.outdoors || up.tower ? leaning(context, heightM) : STEP_LADDER
  return task('reach', {
    id: 'mount/reach',
    gives: ['way up'],
    after: [{ fact: 'place agreed', because: 'The ladder goes where the place is.' }],
    ...way,
    detail: `${way.detail}${two}`,
    caution: surface.caution,
  })
}

type Way = Pick<Task, 'title' | 'detail' | 'reason'>

/** Common practice, no source. */
const STEP_LADDER: Way = {
  title: 'Set the step ladder under it, locked open',
  detail: 'All four feet on firm level floor; three points of contact; never on the top two steps.',
  reason: 'Indoors nothing holds the head of a leaning ladder from sliding along.',
}

function leaning({ printed }: DeviceContext, heightM: number): Way {
  const up = climb(heightM)
  const extension =
    up.extensionM === null ? '' : `; an extension ladder of ${printed(up.extensionM, 'length')} reaches`
  const reach = up.tower
    ? 'Too high for two-handed work from a ladder.'
    : `Working length ${printed(up.workingLengthM, 'length')} along the ladder to the top support${extension}.`
  return {
    title: up.tower
      ? `Set up the tower or lift for ${printed(heightM, 'length')}`
      : `Set the ladder: foot ${printed(up.footM, 'length')} out`,
    detail: `${reach} Not above ${printed(MOUNT_LIMITS.ladderWindMS.value, 'speed')} of wind.`,
    reason: 'One out for four up; rails stand 0.9 m (3 ft) above a landing.',
  }
}

function mounting(context: DeviceContext, mount: Mount): Task[] {
  const facts = mountFacts(context, mount)
  const kept = context.partsKept
  return [
    ...(kept > 0 ? [lookingOver(context)] : [...takingDown(context), ...drilling(context, facts, mount)]),
    ...partsOf(context)
      .slice(kept)
      .map((placed) => fastening(context, placed, facts, mount)),
    ...proving(context),
    ...accessoryTasks(context, 'mount', 'fix', {
      before: [{ fact: 'closed', because: 'It is reached only while the camera is open.', force: 'reach' }],
    }),
  ]
}

/** What hangs on an old part hangs on its old fixings: they are looked at before anything is. */
function lookingOver(context: DeviceContext): Task {
  const kept = keptParts(context).map(({ part }) => calledIn(part.name))
  return task('take down', {
    id: 'mount/kept-parts',
    gives: ['sound'],
    after: [{ fact: 'old one down', because: 'What hung on it hides its face and its screws.' }],
    title: `Look over what stays: ${kept.join(', ')}`,
    items: [
      'fixings tight, none missing, none rusted',
      'no crack; threads and screw holes take a screw',
      'old gasket and sealant off, the face for the new gasket clean',
      'drain hole open, inside dry',
    ],
    detail: 'What is not sound comes off, and a new one goes up.',
    reason: 'The new camera hangs on what nobody here has fastened.',
    entry: choice('sound', 'worn or damaged'),
    photo: 'asked',
    view: 'found',
    causes: { failed: 'loose' },
  })
}

function takingDown({ surface }: DeviceContext): Task[] {
  if (surface.holding !== 'box') return []
  return [
    task('take down', {
      id: 'mount/take-down',
      gives: ['old one down'],
      title: 'Take the old fitting down',
      detail: 'Hold it while its last screw comes out; part its leads one by one and cap them.',
      reason: 'The new plate sits where it sat, and its gasket is old.',
      caution: surface.caution,
      photo: 'asked',
      view: 'found',
    }),
  ]
}

function drilling(context: DeviceContext, facts: MountFacts, mount: Mount): Task[] {
  const { surface } = context
  const count = mount.fixingCount
  const bit = facts.pilotBit ?? facts.fixingBit
  const before: Need[] = [
    { fact: 'cable there', because: 'The cable comes out of its hole.', force: 'reach' },
  ]
  return [
    ...(bit
      ? [
          task('drill', {
            id: 'mount/pilot',
            gives: ['drilled'],
            title: `Drill ${count} ${facts.pilotBit ? 'pilots' : 'holes'}, ${bit}`,
            detail: `${surface.watch} Template level, marked, then drilled.`,
            reason: facts.pilotBit
              ? 'A pilot keeps the wood from splitting and the screw straight.'
              : 'The anchor grips only in its own size of hole.',
            caution: surface.caution,
          }),
        ]
      : []),
    ...cutting(context),
    ...(drillsForCable(context)
      ? [
          task('drill', {
            id: 'mount/cable-hole',
            gives: ['drilled', 'cable hole'],
            before,
            title: `Drill the cable hole, ${facts.cableBit}`,
            detail: 'Pilot through first, then from small to large; look at the far side.',
            reason: `${passingWords(context, mount, `The ${mount.passage}`)} must pass, and the base must cover it.`,
            caution: surface.caution,
          }),
        ]
      : []),
    ...wallHole(context, mount),
  ]
}

/** The hole round a cable that comes through an outside wall; one that a tail is pushed into stays open. */
function wallHole(context: DeviceContext, { passage }: Mount): Task[] {
  const { surface, exposure } = context
  const narrow = passage === 'bare cable' || passage === 'plug'
  if (!narrow || !exposure.outdoors || surface.called !== 'wall' || !comesThrough(context)) return []
  const base = partsOf(context)[0]!
  return [
    task('entry', {
      id: 'mount/wall-hole',
      after: [{ fact: 'cable there', because: 'It closes round the cable.', force: 'reach' }],
      before: [
        {
          fact: upOf(base),
          because: `The hole lies behind the ${calledIn(base.part.name)}.`,
          force: 'reach',
        },
      ],
      title: 'Seal round the cable in the wall, inside and outside',
      detail: 'Sealant that stays soft; fire-stopping where the wall holds fire back.',
      reason: 'Rain is blown in from one side, damp air and insects from the other.',
      causes: { failed: 'unsealed entry or gland' },
    }),
  ]
}

/** The opening for a part that is let into the surface. */
function cutting(context: DeviceContext): Task[] {
  if (!isCutIn(context)) return []
  const { surface, printed } = context
  const { part } = partsOf(context)[0]!
  return [
    task('drill', {
      id: 'mount/cut-out',
      gives: ['drilled', 'cable hole'],
      before: [{ fact: 'cable there', because: 'The cable comes out of the opening.', force: 'reach' }],
      title: `Cut the opening for the ${calledIn(part.name)}`,
      items: [
        'template on its marks, outline drawn',
        'starter holes inside the line, far side looked at',
        'saw along the line, edge cleaned, dust away',
      ],
      detail: `About ${printed(part.baseMm, 'size')} across outside; the template of the part decides.`,
      reason: 'An opening too large cannot be made smaller.',
      caution: surface.caution,
    }),
  ]
}

/** A part fastened to what it sits on; the base of the stack to the surface. */
function fastening(context: DeviceContext, placed: Placed, facts: MountFacts, mount: Mount): Task {
  const { surface, printed } = context
  const { part, on } = placed
  const isCamera = placed.ref === 'camera'
  const tether =
    mount.tethered && on === null
      ? [`Tether of ${printed(facts.loadN, 'force')} or more to the structure above`]
      : []
  const common = {
    gives: [upOf(placed)],
    reach: reachOfScrews(context, placed),
    caution: surface.caution,
    causes: { failed: 'missing screws' },
  } as const
  const before = 'before' in part && part.before ? [part.before] : []
  if (on === null)
    return task('fix', {
      ...common,
      id: 'mount/fix',
      title: `Fix ${facts.base.name} with ${mount.fixingCount} × ${facts.fixing.name}`,
      items: [...before, ...tether],
      detail: surface.watch,
      reason: 'Every hole the load and the part ask for; gasket or sealant behind.',
      after: [
        { fact: 'drilled', because: 'Its screws go into these holes.' },
        { fact: 'place agreed', because: 'A hole cannot be moved.' },
        { fact: 'height agreed', because: 'A wrong height shows before anything is fixed.' },
        { fact: 'old one down', because: 'It sits where the old one sat.' },
        { fact: 'cable there', because: 'The cable is drawn through before the part covers its hole.' },
      ],
      photo: 'asked',
      view: 'fixed',
    })
  return task(isCamera ? 'hang' : 'join', {
    ...common,
    id: isCamera ? 'mount/camera' : `mount/join-${placed.ref.slice('mount-'.length)}`,
    title: `Fasten the ${calledIn(part.name)} to the ${calledIn(on.part.name)}`,
    items: before,
    detail: isCamera
      ? 'Hang it on its hook first if it has one; all screws in before the first is tight.'
      : 'All screws in before the first is tight.',
    reason: isCamera
      ? 'Slack tucked in, nothing pinched, gasket flat all round.'
      : 'The cable goes through each part in turn; its joint is tight.',
    ...joined(context, placed, on),
  })
}

/** On what stays the cable is there before the first new part covers where it comes out. */
function onWhatStays(context: DeviceContext, placed: Placed): Need[] {
  if (keptParts(context).at(-1)?.ref !== placed.on?.ref) return []
  const because = `It hangs on the ${calledIn(placed.on!.part.name)}, which stays and is looked over first.`
  return [
    { fact: 'sound', because },
    { fact: 'cable there', because: 'The cable is drawn through before the part covers it.' },
  ]
}

/** Parts go on from the surface outwards, unless the tail runs through them or their screws ask for it. */
function joined(context: DeviceContext, placed: Placed, on: Placed): Pick<Task, 'after' | 'before'> {
  const { joinedFirst, closer } = joint(context)
  const stays = onWhatStays(context, placed)
  if (closer && joinedFirst.some(({ ref }) => ref === placed.ref)) {
    const because =
      `Its tail runs through the ${calledIn(closer.part.name)} to the joint behind: they are ` +
      'joined first.'
    const wayOut = 'Put the box outermost, or take a part whose middle is open for the joint.'
    return { after: stays, before: [{ fact: upOf(closer), because, force: 'reach', wayOut }] }
  }
  if (placed.part.fastened === 'from behind') return { after: stays, before: [] }
  const because = `It hangs on the ${calledIn(on.part.name)}.`
  return { after: [{ fact: upOf(on), because, force: 'reach' }, ...stays], before: [] }
}

/** True when the camera is on a part before that goes up. */
function goesUpWith(context: DeviceContext, base: Placed): boolean {
  const camera = partsOf(context).at(-1)!
  const screwed = camera.part.fastened === 'from behind' && camera.on?.ref === base.ref
  return camera.ref === base.ref || screwed || joint(context).closer?.ref === base.ref
}

/** Parts that have a level of their own, or an edge to lay one on. */
const LEVELLED: ReadonlySet<string> = new Set(['junction box', 'back box', 'electrical box', 'plate'])

function proving(context: DeviceContext): Task[] {
  const [base] = partsOf(context)
  const { surface } = context
  const up = upOf(base!)
  const levelled =
    context.partsKept === 0 &&
    surface.facing === 'wall' &&
    'kind' in base!.part &&
    LEVELLED.has(base!.part.kind)
  return [
    ...(levelled
      ? [
          task('fix', {
            id: 'mount/level',
            gives: ['levelled'],
            after: [{ fact: up, because: 'It is read on the part itself.' }],
            title: 'Read the level on the base, then tighten',
            reason: 'A leaning box is judged as bad work even if it is dry.',
            entry: measure('angle', 'Off level', 0, MOUNT_LIMITS.boxLevelDeg.value),
            causes: { failed: 'not upright or level' },
          }),
        ]
      : []),
    task('fix', {
      id: 'mount/tug',
      after: [
        { fact: up, because: 'There is nothing to tug before.' },
        { fact: 'levelled', because: 'It is set level before it is tight.' },
        { fact: 'sound', because: 'What looks unsound comes off: nobody tugs it.' },
      ],
      before: goesUpWith(context, base!)
        ? []
        : [{ fact: 'up camera', because: 'An anchor that spins shows before the camera hangs on it.' }],
      title: 'Tug it',
      detail: 'By hand, as hard as a careless cleaner would.',
      reason: 'An anchor that spins shows now.',
      entry: choice('firm', 'moves'),
      causes: { answered: { moves: 'loose' } },
    }),
  ]
}

function closing(context: DeviceContext): Task {
  const { camera, policies } = context
  const what = camera.form === 'dome' ? 'Close the dome' : 'Close it'
  return task('close', {
    id: 'mount/close',
    gives: ['closed'],
    after: [
      { fact: 'up camera', because: 'It closes over what is fastened.', force: 'reach' },
      { fact: 'looked at', because: 'After it is closed nobody sees in.' },
      ...(mainsReaches(context)
        ? [{ fact: 'connected', because: 'The joint lies behind it.', force: 'reach' } as const]
        : []),
    ],
    title: policies.film === 'last' ? `${what}; film off last` : what,
    detail: 'Captive or tamper screws, snug all round; fingerprints off.',
    reason: 'Water finds the one loose screw.',
  })
}
