import { DRILLED } from '../mount/plan'
import { FED_FREELY } from '../route/plan'
import { NO_RECORDER } from '../terminate/plan'
import { SPACES, type SpaceId } from './spaces'
import { NO_DETAILS, USUAL_EQUIPMENT, USUAL_MAINS_V, USUAL_POLICIES, USUAL_WIND_MS } from './usual'

/**
 * How records of earlier versions become what they are today. An upgrade names the pieces that it changes;
 * the pieces stand in job files and in commands alike, so both open from any year. What is malformed stays
 * so, for the schema to name.
 */

type Rough = Record<string, unknown>
type Change = (piece: Rough) => Rough
const isRough = (value: unknown): value is Rough =>
  typeof value === 'object' && value !== null && !Array.isArray(value)
const changedIf = (value: unknown, change: Change | undefined): unknown =>
  change && isRough(value) ? change(value) : value
const each = (list: unknown, change: Change): unknown =>
  Array.isArray(list) ? list.map((one: unknown) => changedIf(one, change)) : list

interface Upgrade {
  /** Facts of a job, as its first and its later commands carry them. A later one may hold only some. */
  readonly facts?: Change
  /** Plans of a device, by stage. */
  readonly plans?: Readonly<Record<string, Change>>
  /** What carries the id of a step: records, photos, commands. */
  readonly step?: Change
  readonly fault?: Change
  /** Something on the plan. */
  readonly thing?: Change
  /** What only a whole device, a whole job or a whole command shows. */
  readonly device?: Change
  readonly job?: Change
  readonly command?: Change
}

/** Steps on the bench no longer carry the name of a stage. */
const RENAMED_STEPS: Readonly<Record<string, string>> = {
  'test/unpack': 'bench/unpack',
  'test/bench': 'bench/power-up',
}
const renamed = (stepId: unknown): unknown =>
  typeof stepId === 'string' ? (RENAMED_STEPS[stepId] ?? stepId) : stepId

/** One step a version, oldest first: the first leads to version 2. */
const UPGRADES: readonly Upgrade[] = [
  {
    // 2 knows the plan: site, backgrounds, things, and where each device and wish stands on it.
    plans: {
      sight: (sight) => ({
        place: null,
        ...sight,
        wish: isRough(sight.wish) ? { at: null, ...sight.wish } : sight.wish,
      }),
    },
    job: (job) => ({ site: null, backgrounds: [], things: [], ...job }),
  },
  {
    // 3 knows the wind, poles, and what stands near the holes.
    facts: (facts) => ({ windMS: USUAL_WIND_MS, ...facts }),
    plans: { mount: (mount) => ({ edgeMm: null, slotMm: null, pole: null, ...mount }) },
  },
  {
    // 4 knows terrain, mains volts, shared conduits, and whether photos keep their place.
    facts: (facts) => ({
      terrain: 'open',
      mainsV: facts.units === 'imperial' ? USUAL_MAINS_V.imperial : USUAL_MAINS_V.metric,
      keepPhotoPlace: false,
      ...facts,
    }),
    plans: {
      route: (route) => ({
        ...route,
        segments: each(route.segments, (segment) => ({ conduitName: '', ...segment })),
      }),
    },
    step: (one) => ({ ...one, stepId: renamed(one.stepId) }),
    fault: (fault) =>
      typeof fault.origin === 'string' && fault.origin.startsWith('step:')
        ? { ...fault, origin: `step:${String(renamed(fault.origin.slice(5)))}` }
        : fault,
    // The all-round lens is f-theta.
    device: (device) =>
      device.cameraId === 'panoramic-12mp' && isRough(device.sight) && device.sight.focalMm === 1.6
        ? { ...device, sight: { ...device.sight, focalMm: 2.36 } }
        : device,
  },
  {
    // 5 knows fields that two people set at once, signed records, and commands that say fields.
    job: (job) => ({ conflicts: [], signed: [], ...job }),
    command: (command) => ({ madeOn: '', base: null, ...inFields(command) }),
  },
  {
    // 6 knows equipment, which supplies are too, and what was there before.
    job: withEquipment,
    device: (device) => ({ ...AS_NEW, ...device }),
    command: onEquipment,
  },
  {
    // 7 knows more of a job's habits: card, film, dead tails, the end at the head end.
    facts: inHabits,
    command: (command) =>
      command.type === 'editJob' ? { ...command, change: changedIf(command.change, inHabits) } : command,
  },
  {
    // 8 knows own parts, and what a step asked when it was recorded.
    job: (job) => ({
      ownParts: [],
      ...job,
      records: each(job.records, (record) => ({ title: '', ...record })),
    }),
    command: (command) => (command.type === 'recordStep' ? { title: '', ...command } : command),
  },
  {
    // 9 knows runs that are no camera's own, and whether a cable was there before.
    job: (job) => ({ runs: [], ...job }),
    plans: {
      route: (route) => ({ laid: 'new', ...route }),
      terminate: (terminate) => ({ ...NO_RECORDER, ...terminate }),
    },
    command: (command) =>
      command.type === 'setPlan'
        ? {
            ...command,
            plan: changedIf(command.plan, (plan) => ({
              ...plan,
              ...('route' in plan ? { route: changedIf(plan.route, whole(WAY, { laid: 'new' })) } : {}),
              ...('terminate' in plan
                ? { terminate: changedIf(plan.terminate, whole(ENDS, NO_RECORDER)) }
                : {}),
            })),
          }
        : command,
  },
  {
    // 10 knows parts and holes that were there before, and the habit of tape.
    facts: inTapes,
    plans: { mount: (mount) => ({ ...DRILLED, ...mount }) },
    device: (device) => ({ partsKept: 0, ...device }),
    command: (command) => ({
      ...command,
      ...(command.type === 'addDevice'
        ? { choice: changedIf(command.choice, (choice) => ({ partsKept: 0, ...choice })) }
        : {}),
      ...(command.type === 'setPlan'
        ? {
            plan: changedIf(command.plan, (plan) =>
              'mount' in plan ? { ...plan, mount: changedIf(plan.mount, whole(HELD, DRILLED)) } : plan,
            ),
          }
        : {}),
      ...(command.type === 'editJob' ? { change: changedIf(command.change, inTapes) } : {}),
    }),
  },
  {
    // 11 knows what is drawn on photos, and steps that are left to a colleague.
    job: (job) => ({
      handed: [],
      ...job,
      photos: each(job.photos, (photo) => ({ marks: [], ...photo })),
    }),
  },
  {
    // 12 knows locks on the plan, how thick walls are, and how high the floors lie.
    facts: (facts) => ({ floorHeightsM: UNKNOWN_HEIGHTS, ...facts }),
    plans: { sight: unlocked },
    thing: (thing) => ({ locked: false, ...(thing.kind === 'wall' ? { thicknessM: 0 } : {}), ...thing }),
    command: (command) =>
      command.type === 'setPlan'
        ? {
            ...command,
            plan: changedIf(command.plan, (plan) =>
              'sight' in plan ? { ...plan, sight: changedIf(plan.sight, unlocked) } : plan,
            ),
          }
        : command,
  },
  // 13 knows pathways; what is older has none, and nothing else changed.
  {},
  {
    // 14 knows boxes of cable that are begun.
    job: (job) => ({ boxes: [], ...job }),
  },
  {
    // 15 knows which conduit a pathway is, and pull points.
    thing: (thing) => ({ ...(thing.kind === 'pathway' ? { conduitId: null } : {}), ...thing }),
  },
  {
    // 16 knows where equipment stands on the plan, and how cold a pathway gets.
    thing: (thing) => ({
      ...(thing.kind === 'pathway' ? { coldestC: coldestOf(thing), expansionFitted: false } : {}),
      ...thing,
    }),
  },
  {
    // 17 knows which cables lie in a conduit already.
    thing: (thing) => ({ ...(thing.kind === 'pathway' ? { lyingCables: 0, lyingMm: 8 } : {}), ...thing }),
  },
  {
    // 18 knows which way somebody wants a cable to be led.
    plans: { route: (route) => ({ forced: null, ...route }) },
    job: (job) => ({ ...job, runs: each(job.runs, (run) => ({ forced: null, ...run })) }),
    command: (command) =>
      command.type === 'setPlan'
        ? {
            ...command,
            plan: changedIf(command.plan, (plan) =>
              'route' in plan
                ? { ...plan, route: changedIf(plan.route, whole(WAY, { forced: null })) }
                : plan,
            ),
          }
        : command,
  },
  {
    // 19 knows how wide a pathway is that is no conduit, and which conduits are yet to be put up.
    thing: (thing) => ({ ...(thing.kind === 'pathway' ? { freeMm: 0, yetToPut: false } : {}), ...thing }),
  },
  {
    // 20 knows how a ready-made lead is fed and where its surplus is coiled, and which edges are bare.
    thing: (thing) => ({ ...(thing.kind === 'pathway' ? { bareEdges: false } : {}), ...thing }),
    plans: { route: asLead },
    job: (job) => ({ ...job, runs: each(job.runs, asLead) }),
    command: (command) => ({
      ...command,
      ...('plan' in command
        ? {
            plan: changedIf(command.plan, (plan) =>
              'route' in plan ? { ...plan, route: changedIf(plan.route, asLead) } : plan,
            ),
          }
        : {}),
      ...(command.type === 'putRun' ? { change: changedIf(command.change, asLead) } : {}),
    }),
  },
]

/** The length of a lead was all that was known of it. */
function asLead(way: Rough): Rough {
  if (!('leadLengthM' in way)) return way
  const { leadLengthM: lengthM, ...rest } = way
  return { ...rest, lead: lengthM === null ? null : { lengthM, ...FED_FREELY } }
}

/** As cold as its space usually gets, and never warmer than it is said to be. */
function coldestOf({ space, temperatureC }: Rough): number {
  const usual = isSpace(space) ? SPACES[space].coldestC : 0
  return typeof temperatureC === 'number' ? Math.min(usual, temperatureC) : usual
}
const isSpace = (space: unknown): space is SpaceId =>
  typeof space === 'string' && Object.hasOwn(SPACES, space)

const UNKNOWN_HEIGHTS = { upper: null, loft: null, roof: null }

/** Where a camera stands was not locked before it could be. */
function unlocked(sight: Rough): Rough {
  return isRough(sight.place) ? { ...sight, place: { locked: false, ...sight.place } } : sight
}

const WAY = ['segments', 'cordsM', 'leadLengthM'] as const
const HELD = ['fixingId', 'fixingCount', 'passage'] as const
const ENDS = ['cameraEndId', 'headEndId'] as const

/** A plan that comes whole gets what it did not know; single fields of one leave the rest as it is. */
const whole =
  (fields: readonly string[], unknown: Rough): Change =>
  (plan) =>
    fields.every((field) => field in plan) ? { ...unknown, ...plan } : plan

/** Supplies become equipment with marks of their own: E1, E2 … after the highest there is. */
function withEquipment(job: Rough): Rough {
  const { supplies, ...rest } = job
  if (!Array.isArray(supplies)) return { equipment: [], ...rest }
  const marks = (Array.isArray(job.devices) ? job.devices : []).map((device: unknown) =>
    isRough(device) ? Number(/^E(\d{1,4})$/.exec(String(device.mark))?.[1] ?? 0) : 0,
  )
  const highest = Math.max(0, ...marks)
  const equipment = supplies.map((supply: unknown, index) =>
    isRough(supply)
      ? { ...USUAL_EQUIPMENT, mark: `E${highest + index + 1}`, details: NO_DETAILS, ...supply }
      : supply,
  )
  return { ...rest, equipment }
}

/** Commands of before equipment, as ones of today. */
function onEquipment(command: Rough): Rough {
  const { supply, supplyId, ...rest } = command
  if (command.type === 'putSupply' && isRough(supply)) {
    const { id: equipmentId, ...change } = supply
    return { ...rest, type: 'putEquipment', equipmentId, change }
  }
  if (command.type === 'removeSupply') return { ...rest, type: 'removeEquipment', equipmentId: supplyId }
  if (command.type === 'addDevice' && isRough(command.choice))
    return { ...command, choice: { ...AS_NEW, ...command.choice } }
  return command
}

const AS_NEW = { state: 'new', replaces: null } as const

/** Habits that nobody had said stay what they were before they could be said. */
function inHabits(facts: Rough): Rough {
  if (!isRough(facts.policies)) return facts
  const { memoryCard, film, deadTails, headEndWith } = USUAL_POLICIES
  const usual = { memoryCard, film, deadTails, headEndWith }
  return { ...facts, policies: { ...usual, ...facts.policies } }
}

function inTapes(facts: Rough): Rough {
  if (!isRough(facts.policies)) return facts
  return { ...facts, policies: { tape: USUAL_POLICIES.tape, ...facts.policies } }
}

/** Commands that carried whole plans, each of a type of its own, as ones that say fields. */
function inFields(command: Rough): Rough {
  const { type, ...rest } = command
  const stage = typeof type === 'string' ? WHOLE_PLANS[type] : undefined
  if (stage !== undefined && stage in rest) {
    const { [stage]: plan, ...others } = rest
    return { ...others, type: 'setPlan', plan: { [stage]: plan } }
  }
  const [now, key] = (typeof type === 'string' ? WHOLE_FACTS[type] : undefined) ?? []
  if (now === undefined || key === undefined || !(key in rest)) return command
  const { [key]: change, ...others } = rest
  return { ...others, type: now, change }
}

const WHOLE_PLANS: Readonly<Record<string, string>> = {
  setSight: 'sight',
  setMount: 'mount',
  setRoute: 'route',
  setTerminate: 'terminate',
  setSeal: 'seal',
  setPower: 'power',
}
const WHOLE_FACTS: Readonly<Record<string, readonly [now: string, key: string]>> = {
  setDetails: ['editDetails', 'details'],
  editJob: ['editJob', 'facts'],
  editDevice: ['editDevice', 'choice'],
  editFault: ['editFault', 'facts'],
}

function upgradeJob(job: Rough, upgrade: Upgrade): Rough {
  const { facts, plans = {}, step, fault, thing, device, job: whole } = upgrade
  const planned: Change = (one) => {
    const made = Object.entries(plans).map(([stage, change]) => [stage, changedIf(one[stage], change)])
    const known = made.filter(([stage]) => (stage as string) in one)
    return changedIf({ ...one, ...Object.fromEntries(known) }, device) as Rough
  }
  const next: Rough = {
    ...(facts ? facts(job) : job),
    devices: each(job.devices, planned),
    ...(step ? { records: each(job.records, step), photos: each(job.photos, step) } : {}),
    ...(fault ? { faults: each(job.faults, fault) } : {}),
    ...(thing ? { things: each(job.things, thing) } : {}),
  }
  return whole ? whole(next) : next
}

/** Until version 4 a command carried whole facts and plans; what it lacks of them is filled in. */
function upgradeCommand(command: Rough, upgrade: Upgrade): Rough {
  const { facts, plans = {}, step, fault, thing, command: whole } = upgrade
  let next = command
  const { type } = command
  const inFacts = (change: Change | undefined) => {
    if ('facts' in next) next = { ...next, facts: changedIf(next.facts, change) }
  }
  if (type === 'createJob' || type === 'editJob') inFacts(facts)
  for (const [stage, change] of Object.entries(plans)) {
    if (stage in next) next = { ...next, [stage]: changedIf(next[stage], change) }
  }
  if (step && 'stepId' in next) next = step(next)
  if (type === 'addPhoto') inFacts(step)
  if (type === 'putThing') next = { ...next, thing: changedIf(next.thing, thing) }
  if (type === 'raiseFault' || type === 'editFault') inFacts(fault)
  return whole ? whole(next) : next
}

/** A job of an older version as one of today's. */
export function upgradedJob(job: unknown, from: number): unknown {
  return isRough(job) ? UPGRADES.slice(from - 1).reduce(upgradeJob, job) : job
}

/** A command of any version as one of today's; one that names no version is of before versions were named. */
export function upgradedCommand(command: unknown): unknown {
  if (!isRough(command)) return command
  const { version } = command
  const from = version === undefined ? 1 : version
  if (typeof from !== 'number' || !Number.isInteger(from) || from < 1 || from > UPGRADES.length + 1) {
    return command
  }
  return { ...UPGRADES.slice(from - 1).reduce(upgradeCommand, command), version: UPGRADES.length + 1 }
}
