import { getPosition } from 'suncalc'
import type { Site } from '../job/plan'
import type { Eye } from './footprint'
import { byBearing } from './narrowed'
import { firstBetween, type Occluders } from './occluders'
import { axesOf, showsWay } from './projection'

const RAD = Math.PI / 180

/**
 * A common year of sun positions, every ten minutes of every second day: as good as any other for the hours
 * of a camera.
 */
const YEAR = 2026
const STEP_MIN = 10
const EVERY_DAYS = 2
const DAY_MS = 86_400_000
/** How far out the sun stands for what blocks it: beyond anything on a plan. */
const FAR_M = 20_000

/** Where the sun stands: degrees clockwise from north and above the horizon, refraction included. */
export function sunAt(
  site: Pick<Site, 'latitudeDeg' | 'longitudeDeg'>,
  moment: number,
): { readonly azimuthDeg: number; readonly altitudeDeg: number } {
  const { azimuth, altitude } = getPosition(new Date(moment), site.latitudeDeg, site.longitudeDeg)
  return { azimuthDeg: azimuth, altitudeDeg: altitude }
}

interface SunYear {
  readonly moments: Float64Array
  /** Unit vectors in the frame of the plan, three numbers each. */
  readonly directions: Float64Array
}

const YEARS = new WeakMap<Site, SunYear>()

function sunYear(site: Site): SunYear {
  const held = YEARS.get(site)
  if (held) return held
  const start = Date.UTC(YEAR, 0, 1)
  const moments: number[] = []
  const directions: number[] = []
  for (let step = 0; step < (365 * 1440) / STEP_MIN; step++) {
    const minute = (step + 0.5) * STEP_MIN
    if (Math.floor(minute / 1440) % EVERY_DAYS !== 0) continue
    const moment = start + minute * 60_000
    const { azimuthDeg, altitudeDeg } = sunAt(site, moment)
    if (altitudeDeg <= 0) continue
    const [turn, up] = [(azimuthDeg - site.upBearingDeg) * RAD, altitudeDeg * RAD]
    moments.push(moment)
    directions.push(Math.sin(turn) * Math.cos(up), Math.cos(turn) * Math.cos(up), Math.sin(up))
  }
  const year = { moments: Float64Array.from(moments), directions: Float64Array.from(directions) }
  YEARS.set(site, year)
  return year
}

/** A day on which the sun stands long in the picture; times on the site's own clock. */
export interface SunDay {
  readonly day: string
  readonly from: string
  readonly to: string
  readonly minutes: number
}

export interface SunInPicture {
  readonly hoursAYear: number
  /** Hours in each month, January first. */
  readonly byMonth: readonly number[]
  /** Days with the most of it, worst first, no two within a fortnight. */
  readonly worst: readonly SunDay[]
}

/**
 * How long in a year the sun stands inside a camera's picture with nothing on the plan in between. Clouds
 * and what is not on the plan are left out of it, so it is the most that can happen.
 */
export function sunInPicture({ imager, pose }: Eye, occluders: Occluders, site: Site): SunInPicture {
  const { moments, directions } = sunYear(site)
  const axes = axesOf(pose)
  const near = byBearing(occluders, pose)
  const byMonth = new Array<number>(12).fill(0)
  const days = new Map<number, { first: number; last: number; minutes: number }>()
  for (let i = 0; i < moments.length; i++) {
    const [x, y, z] = [directions[3 * i]!, directions[3 * i + 1]!, directions[3 * i + 2]!]
    if (!showsWay(imager, axes, x, y, z)) continue
    const sun = { x: pose.x + x * FAR_M, y: pose.y + y * FAR_M, z: pose.z + z * FAR_M }
    if (firstBetween(near(x, y), pose, sun)) continue
    const moment = moments[i]!
    byMonth[new Date(moment).getUTCMonth()]! += (EVERY_DAYS * STEP_MIN) / 60
    const day = Math.floor(moment / DAY_MS)
    const known = days.get(day)
    days.set(day, { first: known?.first ?? moment, last: moment, minutes: (known?.minutes ?? 0) + STEP_MIN })
  }
  return { hoursAYear: byMonth.reduce((sum, hours) => sum + hours, 0), byMonth, worst: worstDays(days, site) }
}

const FORMATS = new Map<string, { readonly clock: Intl.DateTimeFormat; readonly date: Intl.DateTimeFormat }>()

/** Formats of a clock, made once: they are slow to make. */
function formatsOf(timeZone: string) {
  const held = FORMATS.get(timeZone)
  if (held) return held
  const made = {
    clock: new Intl.DateTimeFormat('en-GB', { timeZone, hour: '2-digit', minute: '2-digit' }),
    date: new Intl.DateTimeFormat('en-GB', { timeZone, day: 'numeric', month: 'long' }),
  }
  FORMATS.set(timeZone, made)
  return made
}

function worstDays(
  days: ReadonlyMap<number, { first: number; last: number; minutes: number }>,
  { timeZone }: Site,
): SunDay[] {
  const { clock, date } = formatsOf(timeZone)
  const chosen: number[] = []
  for (const [day] of [...days].sort((a, b) => b[1].minutes - a[1].minutes || a[0] - b[0])) {
    if (chosen.length < 3 && chosen.every((other) => Math.abs(other - day) > 14)) chosen.push(day)
  }
  const half = (STEP_MIN / 2) * 60_000
  return chosen.map((day) => {
    const { first, last, minutes } = days.get(day)!
    return {
      day: date.format(first),
      from: clock.format(first - half),
      to: clock.format(last + half),
      minutes,
    }
  })
}
