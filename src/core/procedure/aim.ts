import { inside, partsOf } from '../assembly'
import type { DeviceContext, Head } from '../parts'
import { PROCEDURE_LIMITS } from './limits'
import { measure, task, type Task } from './task'

interface Way {
  /** How it is tilted; null where nothing turns. */
  readonly tilt: string | null
  readonly level: string
  /** Set from the desk, by its motors. */
  readonly remote?: true
  /** Set while its cover is off. */
  readonly open?: true
}

/** How each kind of head is aimed, common practice, no source. */
const WAYS: Record<Head, Way> = {
  'three joints': {
    tilt: 'Loosen the locking screws of the joints, pan first, then tilt; tighten.',
    level: 'Turn the body about its own axis until the horizon is level, then tighten',
  },
  'ball': {
    tilt: 'Loosen the ring, turn the ball with clean gloves, tighten.',
    level: 'Turn the ball until the horizon is level, then tighten the ring',
  },
  'gimbal': {
    tilt: 'Turn the base of the lens, then tilt the lens; never turn past its stop.',
    level: 'Turn the lens ring until the horizon is level',
    open: true,
  },
  'slider': {
    tilt: 'Loosen the ball joint of the bracket, not the slider; tighten.',
    level: 'Level the housing on its bracket until the horizon is level',
  },
  'lamp joint': {
    tilt: 'Turn the camera at its own joint; the lamp heads after it, clear of its picture.',
    level: 'Turn the camera until the horizon is level, then tighten',
  },
  'motors': {
    tilt: 'From the browser: motors turn it. Never turn it by hand.',
    level: 'Look that the horizon is level; if not, level its base',
    remote: true,
  },
  'none': { tilt: null, level: 'Look that the horizon is level; if not, turn its base' },
}

/** What is set at the camera so that its picture becomes what was planned. */
export function aimTasks(context: DeviceContext): Task[] {
  const { device, camera, printed } = context
  const { sight } = device
  if (!sight) return []
  const off = PROCEDURE_LIMITS.tiltToleranceDeg.value
  const way = WAYS[camera.head]
  const parts = partsOf(context)
  const common: Pick<Task, 'gives' | 'after' | 'before' | 'reach'> = {
    gives: ['aimed'],
    after: [
      { fact: 'connected', because: 'It is aimed by its picture.' },
      { fact: 'up camera', because: 'What is aimed before it is fastened moves again.' },
      ...(way.remote ? [{ fact: 'closed', because: 'Its motors turn once it is closed.' } as const] : []),
    ],
    reach: way.open ? [inside(context, parts.at(-1)!, 'The lens is turned')] : [],
    before:
      way.open || way.remote ? [] : [{ fact: 'closed', because: 'Its last screws lock what was aimed.' }],
  }
  const phase = way.remote ? 'desk' : 'aim'
  const zoom =
    camera.lens.focalMm[0] === camera.lens.focalMm[1]
      ? ''
      : `Zoom to ${printed(sight.focalMm, 'focal')}, then focus. `
  const portrait = sight.portrait
    ? 'Portrait: the sun shroud comes off, the picture is turned 90°, the shroud goes back on. '
    : ''
  return [
    ...(way.tilt !== null
      ? [
          task(phase, {
            ...common,
            id: 'aim/tilt',
            title: `Aim: tilt ${printed(sight.tiltDeg, 'angle')} below level`,
            detail: `${zoom}${portrait}${way.tilt}`,
            reason: 'The promise of pixels at the target rests on it.',
            entry: measure('angle', 'Tilt below level', sight.tiltDeg - off, sight.tiltDeg + off),
          }),
        ]
      : []),
    task(phase, {
      ...common,
      id: 'aim/level',
      title: way.level,
      reason: 'A leaning picture is the first thing a customer sees.',
      entry: measure('angle', 'Picture off level', 0, PROCEDURE_LIMITS.pictureRollDeg.value),
    }),
  ]
}
