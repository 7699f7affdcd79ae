import type { DeviceContext } from '../parts'
import { choice, measure, PROCEDURE_LIMITS, task, type Task } from '../procedure'

/** Where the camera is held, and how high its lens comes to be. */
export function sightTasks({ device, surface, printed }: DeviceContext): Task[] {
  const { sight } = device
  if (!sight) return []
  const off = (sight.heightM * PROCEDURE_LIMITS.heightTolerance.value) / 100
  const moved = !sight.wish.kept
  return [
    task('place', {
      id: 'sight/place',
      gives: ['place agreed'],
      before: [{ fact: 'drilled', because: 'A hole cannot be moved.' }],
      title: moved ? 'Hold it at the agreed place' : 'Hold it at the customer’s place',
      detail: moved
        ? `Asked for: ${sight.wish.place}. Moved: ${sight.wish.reason}. Agreed by ` +
          `${sight.wish.agreedBy || 'nobody yet'}.`
        : sight.wish.place,
      reason: 'A camera moved to suit the cable is a classic complaint.',
      entry: choice('as planned', 'moved'),
      photo: 'asked',
      view: 'place',
      causes: { answered: { moved: 'wrong position against the wish' } },
    }),
    task('height', {
      id: 'sight/height',
      gives: ['height agreed'],
      after: [{ fact: 'place agreed', because: 'It is measured at the agreed place.' }],
      before: [{ fact: 'drilled', because: 'A wrong height shows before there is a hole.' }],
      title: 'Measure the height of the lens',
      detail:
        `Planned ${printed(sight.heightM, 'length')} above the ` +
        `ground${surface.facing === 'down' ? `, under the ${surface.called}` : ''}.`,
      reason: 'Dead zone, face angle and density all hang on it.',
      entry: measure('length', 'Height of the lens', sight.heightM - off, sight.heightM + off),
    }),
  ]
}
