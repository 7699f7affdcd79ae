import type { PlanPoint } from '../geometry'
import type { Site } from '../job/plan'

/** Where the plan's origin lies and how the plan is turned. */
export type Anchor = Pick<Site, 'latitudeDeg' | 'longitudeDeg' | 'upBearingDeg'>

export interface EarthPoint {
  readonly latitudeDeg: number
  readonly longitudeDeg: number
}

/** WGS 84 (NIMA TR8350.2, table 3.1): half the longer axis, m, and the flattening. */
const AXIS_M = 6_378_137
const FLATTENING = 1 / 298.257_223_563
const E2 = FLATTENING * (2 - FLATTENING)
const RAD = Math.PI / 180

/** Metres to a radian north and east at a latitude: the ellipsoid's two radii of curvature. */
function metresPerRadian(latitudeDeg: number): { readonly north: number; readonly east: number } {
  const sin = Math.sin(latitudeDeg * RAD)
  const w = 1 - E2 * sin * sin
  return {
    north: (AXIS_M * (1 - E2)) / w ** 1.5,
    east: (AXIS_M / Math.sqrt(w)) * Math.cos(latitudeDeg * RAD),
  }
}

/**
 * A point of the plan on the earth. Taken at the latitude midway: on a site a kilometre across it is true to
 * the centimetre.
 */
export function toEarth(anchor: Anchor, { x, y }: PlanPoint): EarthPoint {
  const [sin, cos] = [Math.sin(anchor.upBearingDeg * RAD), Math.cos(anchor.upBearingDeg * RAD)]
  const [eastM, northM] = [x * cos + y * sin, y * cos - x * sin]
  let { latitudeDeg } = anchor
  for (let i = 0; i < 3; i++) {
    const midway = (anchor.latitudeDeg + latitudeDeg) / 2
    latitudeDeg = anchor.latitudeDeg + northM / metresPerRadian(midway).north / RAD
  }
  const { east } = metresPerRadian((anchor.latitudeDeg + latitudeDeg) / 2)
  return { latitudeDeg, longitudeDeg: turned(anchor.longitudeDeg + eastM / east / RAD) }
}

/** A point of the earth on the plan, m. */
export function fromEarth(anchor: Anchor, { latitudeDeg, longitudeDeg }: EarthPoint): PlanPoint {
  const { north, east } = metresPerRadian((anchor.latitudeDeg + latitudeDeg) / 2)
  const northM = (latitudeDeg - anchor.latitudeDeg) * RAD * north
  const eastM = turned(longitudeDeg - anchor.longitudeDeg) * RAD * east
  const [sin, cos] = [Math.sin(anchor.upBearingDeg * RAD), Math.cos(anchor.upBearingDeg * RAD)]
  return { x: eastM * cos - northM * sin, y: eastM * sin + northM * cos }
}

/** An angle brought between -180° and 180°: sites lie on the date line too. */
const turned = (deg: number) => ((((deg + 180) % 360) + 360) % 360) - 180
