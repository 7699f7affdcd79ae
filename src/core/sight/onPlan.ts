import type { Floor } from '../job/choices'
import type { Job, Sight } from '../job/job'
import { UNKNOWN_HEIGHTS } from '../job/usual'
import type { Camera, Catalogue } from '../parts'
import type { WalkCamera } from './ask'
import { eyeOf, onLand, targetOf } from './eye'
import { apartBy, called, FLOORS_UP, riseM, type World } from './floors'
import { simulate, type SimulatedPicture } from './scene'

/** The picture a sight would give, with what stands on the plan where the device stands on it. */
export function pictureOf(
  camera: Pick<Camera, 'sensor' | 'lens'>,
  sight: Sight,
  world: World,
): SimulatedPicture {
  const place = sight.place ?? { floor: 'ground' as const, x: 0, y: 0, panDeg: 0, rollDeg: 0, locked: false }
  return simulate(
    eyeOf(camera, sight, place),
    sight.place ? world : NOTHING,
    place,
    targetOf(onLand(world, sight), place),
  )
}

const NOTHING: World = { things: [], floorHeightsM: UNKNOWN_HEIGHTS }

/** What cameras of a job look at, and where they stand. */
type Looking = World & Pick<Job, 'devices'>

/**
 * The cameras that look at a floor, in the order of the job: those that stand on its plan, and those of
 * other floors that are known to see it, in heights above this floor.
 */
export function camerasOn(job: Looking, catalogue: Catalogue, floor: Floor): WalkCamera[] {
  const lifts = new Map<Floor, number | null>(
    FLOORS_UP.map((other) => [other, apartBy(job, floor, other) === null ? riseM(job, floor, other) : null]),
  )
  return job.devices.flatMap(({ id, mark, state, cameraId, sight }) => {
    const camera = catalogue.cameras.get(cameraId)
    if (!camera || state === 'taken away' || !sight?.place) return []
    const byM = lifts.get(sight.place.floor) ?? null
    if (byM === null) return []
    const { imager, pose } = eyeOf(camera, sight, sight.place)
    const eye = { imager, pose: { ...pose, z: pose.z + byM } }
    return [{ deviceId: id, mark, eye, shutterS: sight.shutterS }]
  })
}

/** The floors on which a camera stands that is not taken away. */
export const floorsStoodOn = ({ devices }: Pick<Job, 'devices'>): ReadonlySet<Floor> =>
  new Set(
    devices.flatMap(({ state, sight }) =>
      sight?.place && state !== 'taken away' ? [sight.place.floor] : [],
    ),
  )

/** A floor whose cameras are not known to see another or not, and why. */
export interface Apart {
  readonly floor: Floor
  readonly why: string
}

/** Floors with cameras that are not known to see a floor. */
export function notLooking(job: Looking, floor: Floor): readonly Apart[] {
  const standing = floorsStoodOn(job)
  return FLOORS_UP.flatMap((other) => {
    const why = other !== floor && standing.has(other) ? apartBy(job, floor, other) : null
    return why === null ? [] : [{ floor: other, why }]
  })
}

export const notLookingWords = ({ floor, why }: Apart): string =>
  `What cameras on ${called(floor)} see of this floor: ${why}.`
