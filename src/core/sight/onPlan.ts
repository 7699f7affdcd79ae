import type { Floor } from '../job/choices'
import type { Device, Sight } from '../job/job'
import type { PlanThing } from '../job/plan'
import type { Camera, Catalogue } from '../parts'
import type { WalkCamera } from './ask'
import { eyeOf, targetOf } from './eye'
import { simulate, type SimulatedPicture } from './scene'

/** The picture a sight would give, with what stands on the plan where the device stands on it. */
export function pictureOf(
  camera: Pick<Camera, 'sensor' | 'lens'>,
  sight: Sight,
  things: readonly PlanThing[],
): SimulatedPicture {
  const place = sight.place ?? { floor: 'ground' as const, x: 0, y: 0, panDeg: 0, rollDeg: 0, locked: false }
  return simulate(eyeOf(camera, sight, place), sight.place ? things : [], place, targetOf(sight, place))
}

/** The cameras that stand on the plan of a floor, in the order of the job. */
export function camerasOn(devices: readonly Device[], catalogue: Catalogue, floor: Floor): WalkCamera[] {
  return devices.flatMap(({ id, mark, state, cameraId, sight }) => {
    const camera = catalogue.cameras.get(cameraId)
    if (!camera || state === 'taken away' || !sight?.place || sight.place.floor !== floor) return []
    return [{ deviceId: id, mark, eye: eyeOf(camera, sight, sight.place), shutterS: sight.shutterS }]
  })
}
