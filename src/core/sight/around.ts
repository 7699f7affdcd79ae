import { along, boundsOf, contains, nearestOn, type PlanPoint } from '../geometry'
import { LEVELS, type Floor } from '../job/choices'
import type { Sight } from '../job/job'
import type { Place, PlanThing, ThingOf } from '../job/plan'
import type { PlaceContext } from '../parts'
import { eyeOf, onLand, targetOf, type Eye } from './eye'
import { levelsOf } from './levels'
import { SIGHT_LIMITS } from './limits'
import { boxAbout, occludersWithin } from './narrowed'
import { apartBy, FLOORS_UP, riseM, type World } from './floors'
import { hiddenBy, settingOf } from './occluders'
import { sunInPicture, type SunInPicture } from './sun'
import { lookingInto } from './watched'
import { alongAxis, nearSurfaces, setBackM, type AxisProfile, type NearSurface } from './surroundings'
import { nameOf, soffitBoard } from '../plan'

/**
 * What the plan says of one device: along its axis, close to it, in the sun's way, and where it must not
 * look. Each is found when it is first asked for.
 */
export interface Around {
  readonly profile: () => AxisProfile
  readonly hidden: () => ReturnType<typeof hiddenBy>
  readonly near: () => readonly NearSurface[]
  readonly sun: () => SunInPicture | null
  readonly private: () => readonly {
    readonly name: string
    readonly share: number
    readonly bestPxM: number
  }[]
  /** The soffit it hangs under: how far its edge stands out from the lens, and how low (m). */
  readonly lip: () => { readonly setBackM: number | null; readonly lipM: number | null }
}

/** What a look round depends on, beside the sight itself. */
type Surroundings = Pick<PlaceContext, 'camera' | 'site' | 'things' | 'floorHeightsM' | 'exposure'> & {
  readonly edition: PlaceContext['policies']['edition']
}

/**
 * The last look round of each sight, with all that it depends on: other stages of a device change without
 * looking again.
 */
const LOOKED = new WeakMap<Sight, { readonly from: Surroundings; readonly found: Around }>()

export function lookAround(context: PlaceContext, sight: Sight, place: Place): Around {
  const { camera, site, things, floorHeightsM, exposure, policies } = context
  const from: Surroundings = { camera, site, things, floorHeightsM, exposure, edition: policies.edition }
  const known = LOOKED.get(sight)
  if (known && (Object.keys(from) as (keyof Surroundings)[]).every((key) => known.from[key] === from[key]))
    return known.found
  const found = look(from, sight, place)
  LOOKED.set(sight, { from, found })
  return found
}

/** A value made when it is first asked for. */
function once<T>(make: () => T): () => T {
  let made: { readonly value: T } | null = null
  return () => (made ??= { value: make() }).value
}

function look(from: Surroundings, sight: Sight, place: Place): Around {
  const { camera, site, things, exposure, edition } = from
  const eye = eyeOf(camera, sight, place)
  const allRound = eye.imager.horizontalFovDeg >= SIGHT_LIMITS.allRoundDeg.value
  const profileM = Math.max(sight.targetDistanceM * 1.6, 6)
  const ahead = once(() => {
    const axis = [along(place, place.panDeg, -profileM / 4), along(place, place.panDeg, profileM)]
    const box = boxAbout([place, ...axis], SIGHT_LIMITS.nearSurfaceM.value + 0.1)
    return occludersWithin(settingOf(from, place.floor), box)
  })
  const sunny = site !== null && exposure.outdoors && !allRound
  return {
    profile: once(() => alongAxis(ahead(), place, profileM)),
    hidden: once(() => hiddenBy(ahead(), eye.pose, targetOf(onLand(from, sight), place))),
    near: once(() => (allRound ? [] : nearSurfaces(eye.imager, eye.pose, ahead()))),
    sun: once(() => (sunny ? sunInPicture(eye, settingOf(from, place.floor), site) : null)),
    private: once(() => lookedInto(eye, from, place, LEVELS[levelsOf(edition)[0]!].densityPxM)),
    lip: once(() => {
      const lip = lipAhead(ofKind(things, 'soffit', place.floor), place)
      return {
        setBackM: lip && setBackM(place, lip.from, lip.to),
        lipM: lip && lip.undersideM - lip.lipM,
      }
    }),
  }
}

/** Private ground, on any floor, where it makes out somebody: at the lowest level or better. */
function lookedInto(eye: Eye, world: World, place: Place, leastPxM: number) {
  return FLOORS_UP.flatMap((floor) => {
    const byM = apartBy(world, floor, place.floor) === null ? riseM(world, floor, place.floor) : null
    if (byM === null) return []
    const seenFrom = { ...eye, pose: { ...eye.pose, z: eye.pose.z + byM } }
    return ofKind(world.things, 'privacy', floor).flatMap((thing) => {
      if (!mayReach(eye.pose, thing.outline)) return []
      const between = occludersWithin(settingOf(world, floor), boxAbout([place, ...thing.outline], 0.5))
      const { share, bestPxM } = lookingInto(thing, seenFrom, between)
      return share > 0 && bestPxM >= leastPxM ? [{ name: nameOf(thing), share, bestPxM }] : []
    })
  })
}

const KINDS = new WeakMap<readonly PlanThing[], Map<string, readonly PlanThing[]>>()

/** The things of a kind on a floor; found once for one and the same list of things. */
function ofKind<K extends PlanThing['kind']>(
  things: readonly PlanThing[],
  kind: K,
  floor: Floor,
): readonly ThingOf<K>[] {
  const known = KINDS.get(things) ?? new Map<string, readonly PlanThing[]>()
  KINDS.set(things, known)
  const key = `${kind} ${floor}`
  const found = known.get(key) ?? things.filter((thing) => thing.kind === kind && thing.floor === floor)
  known.set(key, found)
  return found as readonly ThingOf<K>[]
}

/** The soffit edge in front of a device that hangs under its board. */
function lipAhead(soffits: readonly ThingOf<'soffit'>[], place: Place): ThingOf<'soffit'> | null {
  return (
    soffits.find(
      (soffit) =>
        contains(soffitBoard(soffit), place) || nearestOn(soffit.from, soffit.to, place).distanceM < 0.1,
    ) ?? null
  )
}

/** Far away and at no level: not worth a look. 150 m is beyond the lowest level of every lens in use. */
export function mayReach(from: PlanPoint, outline: readonly PlanPoint[]): boolean {
  const box = boundsOf(outline)!
  return (
    from.x > box.left - 150 && from.x < box.right + 150 && from.y > box.bottom - 150 && from.y < box.top + 150
  )
}
