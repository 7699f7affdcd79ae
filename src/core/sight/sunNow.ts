import type { Outline, PlanPoint } from '../geometry'
import type { Site } from '../job/plan'
import type { Occluders } from '../plan'
import { axesOf, showsWay } from './projection'
import { askedOf, blocked } from './shade'
import { sunAt } from './sun'
import type { SurveyCamera } from './eye'

const RAD = Math.PI / 180
/** The shade of a low sun is drawn no longer than this, m. */
const LONGEST_M = 200

/** What the sun does to a floor at a moment. */
export interface SunOnPlan {
  /** Clockwise from north, and above the horizon, degrees. */
  readonly azimuthDeg: number
  readonly altitudeDeg: number
  /** Ground in the shade of what stands on the plan; pieces may overlap. */
  readonly shades: readonly Outline[]
  /** Cameras that have it in their picture with nothing on the plan in between. */
  readonly inPictureOf: readonly string[]
}

/** `moment`: milliseconds since 1970. Below the horizon it shades nothing and dazzles nobody. */
export function sunOnPlan(
  cameras: readonly SurveyCamera[],
  occluders: Occluders,
  site: Site,
  moment: number,
): SunOnPlan {
  const { azimuthDeg, altitudeDeg } = sunAt(site, moment)
  if (altitudeDeg <= 0) return { azimuthDeg, altitudeDeg, shades: [], inPictureOf: [] }
  const [turn, up] = [(azimuthDeg - site.upBearingDeg) * RAD, altitudeDeg * RAD]
  const way = [Math.sin(turn) * Math.cos(up), Math.cos(turn) * Math.cos(up), Math.sin(up)] as const
  const ways = Float64Array.from(way)
  const inPictureOf = cameras.flatMap(({ deviceId, eye: { imager, pose } }) =>
    showsWay(imager, axesOf(pose), ...way) && blocked(occluders, askedOf(pose, ways, [0]))[0] === 0
      ? [deviceId]
      : [],
  )
  return { azimuthDeg, altitudeDeg, shades: shadesOf(occluders, turn, up), inPictureOf }
}

/** The shade falls away from the sun, as long as what casts it is high by the tangent of the sun's height. */
function shadesOf({ uprights, boards }: Occluders, turn: number, up: number): Outline[] {
  const cast = ({ x, y }: PlanPoint, heightM: number): PlanPoint => {
    const long = Math.min(LONGEST_M, heightM / Math.tan(up))
    return { x: x - Math.sin(turn) * long, y: y - Math.cos(turn) * long }
  }
  // What lies below this floor shades nothing of it.
  return [
    ...uprights.flatMap(({ a, b, fromM, toM }) => {
      const footM = Math.max(0, fromM)
      return toM <= 0 ? [] : [[cast(a, footM), cast(b, footM), cast(b, toM), cast(a, toM)]]
    }),
    ...boards.flatMap(({ outline, heightM }) =>
      heightM <= 0 ? [] : [outline.map((point) => cast(point, heightM))],
    ),
  ]
}
