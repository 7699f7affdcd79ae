import { along, boundsOf, crossing, distanceM, nearestOn, type PlanPoint } from '../geometry'
import type { Place } from '../job/plan'
import { SIGHT_LIMITS } from './limits'
import { firstBetween } from './occluders'
import { axesOf, rayThrough, type Imager, type Point, type Pose } from './projection'
import { nameOf, type Occluders } from '../plan'

/**
 * What stands along a camera's axis on plan, for the side elevation; distances from the lens, heights above
 * the floor.
 */
export interface AxisProfile {
  readonly uprights: readonly {
    readonly distanceM: number
    readonly fromM: number
    readonly toM: number
    readonly name: string
  }[]
  readonly boards: readonly {
    readonly fromDistanceM: number
    readonly toDistanceM: number
    readonly heightM: number
    readonly name: string
  }[]
}

export function alongAxis({ uprights, boards }: Occluders, place: Place, reachM: number): AxisProfile {
  const end = along(place, place.panDeg, reachM)
  const behind = along(place, place.panDeg, -BEHIND_M)
  const line = (share: number) => share * (reachM + BEHIND_M) - BEHIND_M
  return {
    uprights: uprights.flatMap(({ a, b, fromM, toM, thing }) => {
      const hit = crossing(behind, end, a, b)
      return hit ? [{ distanceM: line(hit.along), fromM, toM, name: nameOf(thing) }] : []
    }),
    boards: boards.flatMap(({ outline, heightM, thing }) => {
      const cuts = outline
        .flatMap((a, i) => crossing(behind, end, a, outline[(i + 1) % outline.length]!)?.along ?? [])
        .map(line)
      return cuts.length < 2
        ? []
        : [{ fromDistanceM: Math.min(...cuts), toDistanceM: Math.max(...cuts), heightM, name: nameOf(thing) }]
    }),
  }
}

/** How far behind the lens the elevation still shows what the camera hangs on. */
const BEHIND_M = 0.6

/** Something close to the lens that takes part of its picture, or of its infrared beam just outside it. */
export interface NearSurface {
  readonly name: string
  readonly kind: 'soffit' | 'wall' | 'obstacle'
  readonly nearestM: number
  /** Share of the picture it takes, 0 to 1, and of the beam round the picture. */
  readonly ofPicture: number
  readonly ofBeam: number
}

const ACROSS = 48
const UP = 27

/**
 * Near surfaces in the picture, by rays through an even raster of it; the beam is taken somewhat wider than
 * the picture.
 */
export function nearSurfaces(imager: Imager, pose: Pose, occluders: Occluders): NearSurface[] {
  const reach = SIGHT_LIMITS.nearSurfaceM.value
  const axes = axesOf(pose)
  const sees = imager.kind === 'rectilinear' ? axes.forward : null
  const uprights = occluders.uprights.filter(
    ({ a, b, fromM, toM }) =>
      nearestOn(a, b, pose).distanceM <= reach && (!sees || isAhead(sees, pose, a, b, fromM, toM)),
  )
  const boards = occluders.boards.filter(({ outline }) => {
    const box = boundsOf(outline)!
    return (
      pose.x > box.left - reach &&
      pose.x < box.right + reach &&
      pose.y > box.bottom - reach &&
      pose.y < box.top + reach
    )
  })
  if (uprights.length === 0 && boards.length === 0) return []
  const near: Occluders = { uprights, boards, solids: [] }
  const wider = 1 + SIGHT_LIMITS.beamMargin.value / 100
  const found = new Map<
    string,
    { kind: NearSurface['kind']; nearestM: number; picture: number; beam: number }
  >()
  let [inPicture, inBeam] = [0, 0]
  for (let row = 0; row < UP; row++) {
    for (let column = 0; column < ACROSS; column++) {
      const [sideways, upward] = [((column + 0.5) / ACROSS - 0.5) * wider, ((row + 0.5) / UP - 0.5) * wider]
      const isPicture = Math.abs(sideways) <= 0.5 && Math.abs(upward) <= 0.5
      if (isPicture) inPicture++
      else inBeam++
      const ray = rayThrough(
        imager,
        pose,
        (sideways + 0.5) * imager.widthPx,
        (upward + 0.5) * imager.heightPx,
        axes,
      )
      const hit = firstBetween(near, pose, {
        x: pose.x + ray.x * reach,
        y: pose.y + ray.y * reach,
        z: pose.z + ray.z * reach,
      })
      if (!hit) continue
      const { thing } = hit
      const known = found.get(thing.id) ?? {
        kind: thing.kind === 'soffit' || thing.kind === 'wall' ? thing.kind : ('obstacle' as const),
        nearestM: Infinity,
        picture: 0,
        beam: 0,
      }
      found.set(thing.id, {
        ...known,
        nearestM: Math.min(known.nearestM, hit.distanceM),
        picture: known.picture + (isPicture ? 1 : 0),
        beam: known.beam + (isPicture ? 0 : 1),
      })
    }
  }
  const names = new Map([...uprights, ...boards].map(({ thing }) => [thing.id, nameOf(thing)]))
  return [...found]
    .map(([id, { kind, nearestM, picture, beam }]) => ({
      name: names.get(id)!,
      kind,
      nearestM,
      ofPicture: picture / inPicture,
      ofBeam: inBeam === 0 ? 0 : beam / inBeam,
    }))
    .sort((a, b) => b.ofPicture - a.ofPicture)
}

/** Whether any corner of an upright lies before the lens: a flat picture shows nothing behind it. */
const isAhead = (
  forward: Point,
  pose: Pose,
  a: PlanPoint,
  b: PlanPoint,
  fromM: number,
  toM: number,
): boolean =>
  [a, b].some(({ x, y }) =>
    [fromM, toM].some(
      (z) => (x - pose.x) * forward.x + (y - pose.y) * forward.y + (z - pose.z) * forward.z > 0,
    ),
  )

/**
 * How much lower (m) a lens must hang so that a soffit's lip leaves the upper edge of its picture, straight
 * ahead: the lip stands `setBackM` out and its lower edge at `lipM`. Zero when it is out already; null when
 * the upper edge looks straight up.
 */
export function lipClearanceM(
  setBackM: number,
  lipM: number,
  lensM: number,
  tiltDeg: number,
  verticalFovDeg: number,
): number | null {
  const upDeg = verticalFovDeg / 2 - tiltDeg
  if (upDeg >= 89) return null
  return Math.max(0, lensM + setBackM * Math.tan((upDeg * Math.PI) / 180) - lipM)
}

/** Distance from a place to an upright along the camera's pan; null when it does not cross the axis ahead. */
export function setBackM(place: Place, a: PlanPoint, b: PlanPoint): number | null {
  const end = along(place, place.panDeg, 50)
  const hit = crossing(place, end, a, b)
  return hit ? hit.along * distanceM(place, end) : null
}
