import { getPosition } from 'suncalc'
import type { Site } from '../job/plan'
import type { Eye } from './eye'
import { axesOf, cornerRad, showsWay } from './projection'
import { blocked, type Ways } from './shade'
import type { Occluders } from '../plan'

const RAD = Math.PI / 180

/**
 * A common year of sun positions, every ten minutes of every second day: as good as any other for the hours
 * of a camera.
 */
const YEAR = 2026
const STEP_MIN = 10
const EVERY_DAYS = 2
const DAY_MS = 86_400_000

/** Where the sun stands: degrees clockwise from north and above the horizon, refraction included. */
export function sunAt(
  site: Pick<Site, 'latitudeDeg' | 'longitudeDeg'>,
  moment: number,
): { readonly azimuthDeg: number; readonly altitudeDeg: number } {
  const { azimuth, altitude } = getPosition(new Date(moment), site.latitudeDeg, site.longitudeDeg)
  return { azimuthDeg: azimuth, altitudeDeg: altitude }
}

/** Positions of a year, the lowest first. */
interface SunYear {
  readonly moments: Float64Array
  /** The month (from nought) and the day (since 1970) of each. */
  readonly months: Uint8Array
  readonly days: Int32Array
  /** Unit vectors in the frame of the plan, three numbers each. */
  readonly ways: Ways
}

const YEARS = new WeakMap<Site, SunYear>()

export function sunYear(site: Site): SunYear {
  const known = YEARS.get(site)
  if (known) return known
  const start = Date.UTC(YEAR, 0, 1)
  const positions: { readonly moment: number; readonly turn: number; readonly up: number }[] = []
  for (let step = 0; step < (365 * 1440) / STEP_MIN; step++) {
    const minute = (step + 0.5) * STEP_MIN
    if (Math.floor(minute / 1440) % EVERY_DAYS !== 0) continue
    const moment = start + minute * 60_000
    const { azimuthDeg, altitudeDeg } = sunAt(site, moment)
    if (altitudeDeg > 0)
      positions.push({ moment, turn: (azimuthDeg - site.upBearingDeg) * RAD, up: altitudeDeg * RAD })
  }
  positions.sort((a, b) => a.up - b.up)
  const year = {
    moments: Float64Array.from(positions, ({ moment }) => moment),
    months: Uint8Array.from(positions, ({ moment }) => new Date(moment).getUTCMonth()),
    days: Int32Array.from(positions, ({ moment }) => Math.floor(moment / DAY_MS)),
    ways: Float64Array.from(
      positions.flatMap(({ turn, up }) => [
        Math.sin(turn) * Math.cos(up),
        Math.cos(turn) * Math.cos(up),
        Math.sin(up),
      ]),
    ),
  }
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
  const { moments, months, days: dayOf, ways } = sunYear(site)
  const shown = shownOf({ imager, pose }, ways)
  const hidden = blocked(occluders, pose, ways, shown)
  const byMonth = new Array<number>(12).fill(0)
  const days = new Map<number, { first: number; last: number; minutes: number }>()
  for (const [n, i] of shown.entries()) {
    if (hidden[n]) continue
    const [moment, day] = [moments[i]!, dayOf[i]!]
    byMonth[months[i]!]! += (EVERY_DAYS * STEP_MIN) / 60
    const known = days.get(day)
    if (!known) days.set(day, { first: moment, last: moment, minutes: STEP_MIN })
    else {
      known.first = Math.min(known.first, moment)
      known.last = Math.max(known.last, moment)
      known.minutes += STEP_MIN
    }
  }
  return { hoursAYear: byMonth.reduce((sum, hours) => sum + hours, 0), byMonth, worst: worstDays(days, site) }
}

/** The positions of a year in the frame. The ways rise one above the other: none higher is asked about. */
function shownOf({ imager, pose }: Eye, ways: Ways): number[] {
  const axes = axesOf(pose)
  const { forward } = axes
  const half = cornerRad(imager)
  const [highest, ahead] = [Math.sin(Math.min(90 * RAD, half - pose.tiltDeg * RAD)), Math.cos(half)]
  const shown: number[] = []
  for (let i = 0; 3 * i < ways.length; i++) {
    const [x, y, z] = [ways[3 * i]!, ways[3 * i + 1]!, ways[3 * i + 2]!]
    if (z > highest) break
    if (x * forward.x + y * forward.y + z * forward.z < ahead) continue
    if (showsWay(imager, axes, x, y, z)) shown.push(i)
  }
  return shown
}

const FORMATS = new Map<string, { readonly clock: Intl.DateTimeFormat; readonly date: Intl.DateTimeFormat }>()

/** Formats of a clock, made once: they are slow to make. */
function formatsOf(timeZone: string) {
  const known = FORMATS.get(timeZone)
  if (known) return known
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
