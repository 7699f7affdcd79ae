import type { DeviceContext } from '../parts'
import { accessoryTasks, choice, measure, task, type Task } from '../procedure'
import type { Sight } from '../sight/plan'
import { mountFacts, type MountFacts } from './facts'
import { MOUNT_LIMITS } from './limits'
import type { Mount } from './plan'
import { climb } from './reach'

/** The way up, the holes, the fixing, and the closing of what was mounted or sealed. */
export function mountTasks(context: DeviceContext): Task[] {
  const { device } = context
  const { sight, mount, seal } = device
  return [
    ...(sight ? [reaching(context, sight)] : []),
    ...(mount ? mounting(context, mount) : []),
    ...(mount || seal ? [closing(context)] : []),
  ]
}

function reaching({ printed, surface, mounts, camera }: DeviceContext, sight: Sight): Task {
  const up = climb(sight.heightM)
  const massKg = mounts.reduce((sum, part) => sum + part.massKg, camera.massKg)
  const { ladderWindMS, overheadKg } = MOUNT_LIMITS
  const extension =
    up.extensionM === null ? '' : `; an extension ladder of ${printed(up.extensionM, 'length')} reaches`
  const way = up.tower
    ? 'Too high for two-handed work from a ladder.'
    : `Working length ${printed(up.workingLengthM, 'length')} along the ladder to the top support${extension}.`
  const two = massKg > overheadKg.value ? ` Two people: ${printed(massKg, 'mass')} goes up.` : ''
  return task('reach', {
    id: 'mount/reach',
    title: up.tower
      ? `Set up the tower or lift for ${printed(sight.heightM, 'length')}`
      : `Set the ladder: foot ${printed(up.footM, 'length')} out`,
    detail: `${way} Not above ${printed(ladderWindMS.value, 'speed')} of wind.${two}`,
    reason: 'One out for four up; rails stand 0.9 m (3 ft) above a landing.',
    caution: surface.caution,
  })
}

function mounting(context: DeviceContext, mount: Mount): Task[] {
  const facts = mountFacts(context, mount)
  return [...drilling(context, facts, mount), ...fixing(context, facts, mount)]
}

function drilling(context: DeviceContext, facts: MountFacts, mount: Mount): Task[] {
  const { surface } = context
  const count = mount.fixingCount
  const bit = facts.pilotBit ?? facts.fixingBit
  return [
    ...(bit
      ? [
          task('drill', {
            id: 'mount/pilot',
            title: `Drill ${count} ${facts.pilotBit ? 'pilots' : 'holes'}, ${bit}`,
            detail: `${surface.watch} Template level, marked, then drilled.`,
            reason: facts.pilotBit
              ? 'A pilot keeps the wood from splitting and the screw straight.'
              : 'The anchor grips only in its own size of hole.',
            caution: surface.caution,
          }),
        ]
      : []),
    task('drill', {
      id: 'mount/cable-hole',
      title: `Drill the cable hole, ${facts.cableBit}`,
      detail: 'Pilot through first, then from small to large; look at the far side.',
      reason: `${mount.passage === 'bare cable' ? 'The bare cable' : `The ${mount.passage}`} must pass, and the base must cover it.`,
      caution: surface.caution,
    }),
  ]
}

function fixing(context: DeviceContext, facts: MountFacts, mount: Mount): Task[] {
  const { mounts, camera, surface, printed } = context
  const torn = mount.tethered
    ? [`Tether of ${printed(facts.loadN, 'force')} or more to the structure above`]
    : []
  return [
    task('fix', {
      id: 'mount/fix',
      title: `Fix ${facts.base.name} with ${mount.fixingCount} × ${facts.fixing.name}`,
      items: [
        ...mounts.map(({ name, before }) => (before ? `${name}. ${before}` : name)),
        ...torn,
        `${camera.name} last`,
      ],
      detail: surface.watch,
      reason: 'Every hole the load and the part ask for; gasket or sealant behind.',
      caution: surface.caution,
      photo: 'asked',
      causes: { failed: 'missing screws' },
    }),
    task('fix', {
      id: 'mount/level',
      title: 'Read the level on the base',
      reason: 'A leaning box is judged as bad work even if it is dry.',
      entry: measure('angle', 'Off level', 0, MOUNT_LIMITS.boxLevelDeg.value),
      causes: { failed: 'not upright or level' },
    }),
    task('fix', {
      id: 'mount/tug',
      title: 'Tug it',
      detail: 'By hand, as hard as a careless cleaner would.',
      reason: 'An anchor that spins shows now.',
      entry: choice('firm', 'moves'),
      causes: { answered: { moves: 'loose' } },
    }),
    ...accessoryTasks(context, 'mount', 'fix'),
  ]
}

function closing({ camera }: DeviceContext): Task {
  return task('close', {
    id: 'mount/close',
    title: camera.form === 'dome' ? 'Close the dome; film off last' : 'Close it; film off last',
    detail: 'Captive or tamper screws, snug all round; fingerprints off.',
    reason: 'Water finds the one loose screw.',
  })
}
