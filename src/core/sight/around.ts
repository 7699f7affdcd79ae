import { along, boundsOf, contains, nearestOn, type PlanPoint } from '../geometry'
import { LEVELS, type Floor } from '../job/choices'
import type { Sight } from '../job/job'
import type { Place, PlanThing, ThingOf } from '../job/plan'
import { oncePer } from '../once'
import type { PlaceContext } from '../parts'
import { staysWithin } from './change'
import { eyeOf, onLand, targetOf, type Eye } from './eye'
import { levelsOf } from './levels'
import { SIGHT_LIMITS } from './limits'
import { boxAbout, occludersWithin, type Box } from './narrowed'
import { apartBy, FLOORS_UP, riseM, type World } from './floors'
import { hiddenBy, settingOf, type Setting } from './occluders'
import { sunLook, type SunInPicture, type SunLook } from './sun'
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
const LOOKED = new WeakMap<Sight, { readonly from: Surroundings; readonly found: Looked }>()

export function lookAround(context: PlaceContext, sight: Sight, place: Place): Around {
  const { camera, site, things, floorHeightsM, exposure, policies } = context
  const from: Surroundings = { camera, site, things, floorHeightsM, exposure, edition: policies.edition }
  const known = LOOKED.get(sight)
  const differs = (keys: readonly (keyof Surroundings)[]) =>
    keys.some((key) => known?.from[key] !== from[key])
  if (known && !differs([...OF_THE_EYE, 'things', 'floorHeightsM'])) return known.found.around
  const found = look(from, sight, place, known && !differs(OF_THE_EYE) ? partsOf(known.found) : NOTHING)
  LOOKED.set(sight, { from, found })
  return found.around
}

/** What is looked with, and from where under the sky: the rest is what stands around. */
const OF_THE_EYE = ['camera', 'site', 'exposure', 'edition'] as const

/** A value made when it is first asked for. */
class Once<T> {
  private made: { readonly value: T } | null = null
  constructor(private readonly make: () => T) {}

  readonly get = (): T => (this.made ??= { value: this.make() }).value

  /** Null as long as nobody has asked. */
  get known(): T | null {
    return this.made && this.made.value
  }
}

/** What stands close by and along the axis, and what is found there. */
type Ahead = { readonly setting: Setting } & ReturnType<typeof foundAhead>

/** Private ground that may be seen, and what stands between. */
interface Watched {
  readonly thing: ThingOf<'privacy'>
  readonly byM: number
  readonly setting: Setting
  readonly seen: ReturnType<typeof lookingInto>
}

/** A look round with its parts, each with what it was found among: kept as long as that stays. */
interface Looked {
  readonly around: Around
  readonly ahead: Once<Ahead>
  readonly sun: Once<SunLook | null>
  readonly watched: Once<readonly Watched[]>
}

const partsOf = ({ ahead, sun, watched }: Looked) => ({
  ahead: ahead.known,
  sun: sun.known,
  watched: watched.known ?? [],
})

type Parts = ReturnType<typeof partsOf>

const NOTHING: Parts = { ahead: null, sun: null, watched: [] }

function look(from: Surroundings, sight: Sight, place: Place, before: Parts): Looked {
  const { camera, site, things, exposure, edition } = from
  const eye = eyeOf(camera, sight, place)
  const allRound = eye.imager.horizontalFovDeg >= SIGHT_LIMITS.allRoundDeg.value
  const profileM = Math.max(sight.targetDistanceM * 1.6, 6)
  const ahead = new Once((): Ahead => {
    const axis = [along(place, place.panDeg, -profileM / 4), along(place, place.panDeg, profileM)]
    const box = boxAbout([place, ...axis], SIGHT_LIMITS.nearSurfaceM.value + 0.1)
    const setting = settingOf(from, place.floor)
    if (before.ahead && staysWithin(before.ahead.setting, setting, box)) return { ...before.ahead, setting }
    const target = targetOf(onLand(from, sight), place)
    const found = foundAhead(occludersWithin(setting, box), eye, place, profileM, target, allRound)
    return { setting, ...found }
  })
  const sunny = site !== null && exposure.outdoors && !allRound
  const sun = new Once(() => (sunny ? sunLook(eye, settingOf(from, place.floor), site, before.sun) : null))
  const watched = new Once(() => lookedInto(eye, from, place, before.watched))
  const leastPxM = LEVELS[levelsOf(edition)[0]!].densityPxM
  return {
    ahead,
    sun,
    watched,
    around: {
      profile: () => ahead.get().profile.get(),
      hidden: () => ahead.get().hidden.get(),
      near: () => ahead.get().near.get(),
      sun: () => sun.get()?.found ?? null,
      private: () =>
        watched.get().flatMap(({ thing, seen: { share, bestPxM } }) => {
          return share > 0 && bestPxM >= leastPxM ? [{ name: nameOf(thing), share, bestPxM }] : []
        }),
      lip: new Once(() => {
        const lip = lipAhead(ofKind(things, 'soffit', place.floor), place)
        return {
          setBackM: lip && setBackM(place, lip.from, lip.to),
          lipM: lip && lip.undersideM - lip.lipM,
        }
      }).get,
    },
  }
}

/** Asked for one by one. It stands by itself: what is kept of a look must not hold the looks before it. */
const foundAhead = (
  within: Setting,
  eye: Eye,
  place: Place,
  profileM: number,
  target: ReturnType<typeof targetOf>,
  allRound: boolean,
) => ({
  profile: new Once(() => alongAxis(within, place, profileM)),
  hidden: new Once(() => hiddenBy(within, eye.pose, target)),
  near: new Once(() => (allRound ? [] : nearSurfaces(eye.imager, eye.pose, within))),
})

/** Private ground that may be in reach, on any floor, with how much it makes out there. */
function lookedInto(eye: Eye, world: World, place: Place, before: readonly Watched[]): readonly Watched[] {
  return FLOORS_UP.flatMap((floor) => {
    const byM = apartBy(world, floor, place.floor) === null ? riseM(world, floor, place.floor) : null
    if (byM === null) return []
    const setting = settingOf(world, floor)
    return ofKind(world.things, 'privacy', floor).flatMap((thing): Watched[] => {
      if (!mayReach(eye.pose, thing.outline)) return []
      const box = boxAbout([place, ...thing.outline], 0.5)
      const was = before.find((one) => one.thing === thing && one.byM === byM)
      if (was && staysWithin(was.setting, setting, box)) return [{ ...was, setting }]
      const seenFrom = { ...eye, pose: { ...eye.pose, z: eye.pose.z + byM } }
      const seen = lookingInto(thing, seenFrom, occludersWithin(setting, box))
      return [{ thing, byM, setting, seen }]
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
  const isOver = (soffit: ThingOf<'soffit'>) =>
    isIn(boxOf(soffit), place) &&
    (contains(soffitBoard(soffit), place) || nearestOn(soffit.from, soffit.to, place).distanceM < 0.1)
  return soffits.find(isOver) ?? null
}

const boxOf = oncePer((soffit: ThingOf<'soffit'>) =>
  boxAbout([...soffitBoard(soffit), soffit.from, soffit.to], 0.1),
)

const isIn = ({ left, right, bottom, top }: Box, { x, y }: PlanPoint): boolean =>
  x >= left && x <= right && y >= bottom && y <= top

/** Far away and at no level: not worth a look. 150 m is beyond the lowest level of every lens in use. */
export function mayReach(from: PlanPoint, outline: readonly PlanPoint[]): boolean {
  const box = boundsOf(outline)!
  return (
    from.x > box.left - 150 && from.x < box.right + 150 && from.y > box.bottom - 150 && from.y < box.top + 150
  )
}
