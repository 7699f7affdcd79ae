import type { DeviceContext } from '../parts'
import type { Terminate } from './plan'
import { roomUnjudged } from './room'

/** What the two ends are judged by. */
export const TERMINATE_JUDGED =
  'Ends against cable and camera, their jackets, what goes on before the plug, the room of joint and slack ' +
  'in a box, where an analogue picture goes'

/** What is not judged of the ends, and why. */
export const unjudgedTerminate = (context: DeviceContext, terminate: Terminate): string[] => [
  ...roomUnjudged(context, terminate),
  'How the ends are made: wire map and loop resistance are read in the install log.',
]
