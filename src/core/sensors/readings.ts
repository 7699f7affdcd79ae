import { SENSOR_LIMITS } from './limits'

/** What phones tell of how they lie; some also which way they point, and how sure they are of it. */
export interface Orientation {
  readonly alpha: number | null
  readonly beta: number | null
  readonly gamma: number | null
  readonly absolute?: boolean
  /** Degrees clockwise from magnetic north, and how far off that may be; below 0 where it is not known. */
  readonly webkitCompassHeading?: number
  readonly webkitCompassAccuracy?: number
}

/**
 * How far off upright a phone is whose edge lies against a box: degrees, from the two tilts of its sensor.
 */
export function offUprightDeg({ beta, gamma }: Pick<Orientation, 'beta' | 'gamma'>): number | null {
  if (beta === null || gamma === null) return null
  // Held upright by its long edge, beta is near ±90 and what is off is told by gamma; held by its short
  // edge, the other way.
  const nearest = (deg: number) => Math.abs(deg - 90 * Math.round(deg / 90))
  return Math.abs(Math.abs(beta) - 90) < 45 ? nearest(gamma) : Math.max(nearest(beta), nearest(gamma))
}

export interface Bearing {
  /** Clockwise from magnetic north, of the upper edge of a phone that lies flat. */
  readonly deg: number
  readonly uncertainDeg: number
}

/** Which way a phone points; null where it does not know, or is not held flat. */
export function bearingOf(told: Orientation): Bearing | null {
  const { alpha, beta, gamma, absolute, webkitCompassHeading: heading } = told
  const flat = SENSOR_LIMITS.flatDeg.value
  const uncertain = SENSOR_LIMITS.compassDeg.value
  if (Math.abs(beta ?? 90) > flat || Math.abs(gamma ?? 90) > flat) return null
  if (heading !== undefined) {
    const accuracy = told.webkitCompassAccuracy ?? -1
    return accuracy < 0 ? null : { deg: heading, uncertainDeg: Math.max(accuracy, uncertain) }
  }
  // alpha counts counter-clockwise; without `absolute` from wherever the phone began.
  if (alpha === null || !absolute) return null
  return { deg: (360 - alpha) % 360, uncertainDeg: uncertain }
}
