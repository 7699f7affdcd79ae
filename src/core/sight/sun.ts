import { getPosition } from 'suncalc'
import type { Site } from '../job/plan'
import { changeOf } from './change'
import type { Eye } from './eye'
import { axesOf, cornerRad, showsWay } from './projection'
import { askedOf, blocked, type Asked, type Ways } from './shade'
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
  /** The day (since 1970) of each. */
  readonly days: Int32Array
  /** Unit vectors in the frame of the plan, three numbers each. */
  readonly ways: Ways
}

/** Of the last sites asked about, so many: a server answers for several jobs. */
const MOST_YEARS = 8
const YEARS = new Map<string, SunYear>()

export function sunYear(site: Omit<Site, 'timeZone'>): SunYear {
  const key = `${site.latitudeDeg} ${site.longitudeDeg} ${site.upBearingDeg}`
  const known = YEARS.get(key)
  if (known) return known
  const start = Date.UTC(YEAR, 0, 1)
  const at = alongYear(site, start)
  const shown: { readonly moment: number; readonly way: Way }[] = []
  for (let day = 0; day < 365; day += EVERY_DAYS)
    for (let minute = STEP_MIN / 2; minute < 1440; minute += STEP_MIN) {
      const moment = start + day * DAY_MS + minute * 60_000
      const way = at(moment)
      if (way) shown.push({ moment, way })
    }
  shown.sort((a, b) => a.way[2] - b.way[2])
  const year = {
    moments: new Float64Array(shown.length),
    days: new Int32Array(shown.length),
    ways: new Float64Array(3 * shown.length),
  }
  shown.forEach(({ moment, way }, i) => {
    year.moments[i] = moment
    year.days[i] = Math.floor(moment / DAY_MS)
    for (let axis = 0; axis < 3; axis++) year.ways[3 * i + axis] = way[axis]!
  })
  if (YEARS.size === MOST_YEARS) YEARS.clear()
  YEARS.set(key, year)
  return year
}

type Way = readonly [x: number, y: number, z: number]

/** The sine of a height from which refraction does not lift the sun into sight. */
const NIGHT = -0.02

/**
 * The way to the sun in the frame of the plan at any moment of a year, null by night: from its declination
 * and its hour angle at every noon, which change by less than half a degree from one to the next. Tens of
 * thousands are asked for, and each by itself costs several times as much.
 */
function alongYear(site: Omit<Site, 'timeZone'>, start: number): (moment: number) => Way | null {
  const [latitude, turned] = [site.latitudeDeg * RAD, site.upBearingDeg * RAD]
  const [sinLatitude, cosLatitude] = [Math.sin(latitude), Math.cos(latitude)]
  const [sinTurned, cosTurned] = [Math.sin(turned), Math.cos(turned)]
  const first = start - (0.5 + site.longitudeDeg / 360) * DAY_MS
  const noons = Array.from({ length: 368 }, (_, day) => {
    const { azimuthDeg, altitudeDeg } = sunAt(site, first + day * DAY_MS)
    const [azimuth, up] = [azimuthDeg * RAD, unrefracted(altitudeDeg * RAD)]
    const [east, north] = [Math.sin(azimuth) * Math.cos(up), Math.cos(azimuth) * Math.cos(up)]
    const toPole = Math.sin(up) * sinLatitude + north * cosLatitude
    return {
      declination: Math.asin(toPole),
      hour: Math.atan2(-east, Math.sin(up) * cosLatitude - north * sinLatitude),
    }
  })
  return (moment) => {
    const days = (moment - first) / DAY_MS
    const [noon, share] = [Math.floor(days), days % 1]
    const [before, after] = [noons[noon]!, noons[noon + 1]!]
    const declination = before.declination + share * (after.declination - before.declination)
    const hour = before.hour + share * (after.hour - before.hour + 2 * Math.PI)
    const [along, across] = [Math.sin(declination), Math.cos(declination) * Math.cos(hour)]
    const sinUp = sinLatitude * along + cosLatitude * across
    if (sinUp < NIGHT) return null
    const up = Math.asin(sinUp)
    const shown = up + refraction(up)
    if (shown <= 0) return null
    const flat = Math.cos(shown) / Math.cos(up)
    const [east, north] = [
      -flat * Math.cos(declination) * Math.sin(hour),
      flat * (cosLatitude * along - sinLatitude * across),
    ]
    return [east * cosTurned - north * sinTurned, north * cosTurned + east * sinTurned, Math.sin(shown)]
  }
}

/** How much higher the sun shows than it stands, radians (J. Meeus, Astronomical Algorithms, 16.4). */
function refraction(up: number): number {
  const above = Math.max(0, up)
  return 0.0002967 / Math.tan(above + 0.00312536 / (above + 0.08901179))
}

/** How high it stands when it shows at a height, both in radians. */
function unrefracted(shown: number): number {
  let up = shown
  for (let i = 0; i < 4; i++) up = shown - refraction(up)
  return up
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

/** The sun in one picture: the positions in it, which of them something hides, and what they come to. */
export interface SunLook {
  readonly occluders: Occluders
  readonly asked: Asked
  readonly hidden: Uint8Array
  readonly found: SunInPicture
}

/**
 * How long in a year the sun stands inside a camera's picture with nothing on the plan in between. Clouds
 * and what is not on the plan are left out of it, so it is the most that can happen.
 */
export const sunInPicture = (eye: Eye, occluders: Occluders, site: Site): SunInPicture =>
  sunLook(eye, occluders, site, null).found

/** The same with what it was found by; `before` is an earlier look of the same eye from the same site. */
export function sunLook(eye: Eye, occluders: Occluders, site: Site, before: SunLook | null): SunLook {
  const asked = before?.asked ?? askedOf(eye.pose, sunYear(site).ways, shownOf(eye, sunYear(site).ways))
  if (!before) {
    const hidden = blocked(occluders, asked)
    return { occluders, asked, hidden, found: inPicture(asked.chosen, hidden, site) }
  }
  const hidden = hiddenAgain(occluders, before)
  if (hidden === before.hidden || hidden.every((is, n) => is === before.hidden[n]))
    return { ...before, occluders }
  return { occluders, asked, hidden, found: inPicture(asked.chosen, hidden, site) }
}

/** Only what something that is gone hid, and nothing new hides, wants a look past all the rest. */
function hiddenAgain(occluders: Occluders, { occluders: then, asked, hidden }: SunLook): Uint8Array {
  const { gone, come } = changeOf(then, occluders)
  const [behindGone, behindCome] = [blocked(gone, asked), blocked(come, asked)]
  if (!behindGone.includes(1) && !behindCome.includes(1)) return hidden
  const again = hidden.map((was, n) => was | behindCome[n]!)
  const open = [...again.keys()].filter((n) => behindGone[n] && !behindCome[n])
  const { from, ways, chosen } = asked
  const ofOpen = askedOf(
    from,
    ways,
    open.map((n) => chosen[n]!),
  )
  for (const [i, still] of blocked(occluders, ofOpen).entries()) again[open[i]!] = still
  return again
}

function inPicture(shown: readonly number[], hidden: Uint8Array, site: Site): SunInPicture {
  const { moments, days: dayOf } = sunYear(site)
  const days = new Map<number, { first: number; last: number; minutes: number }>()
  for (const [n, i] of shown.entries()) {
    if (hidden[n]) continue
    const [moment, day] = [moments[i]!, dayOf[i]!]
    const known = days.get(day)
    if (!known) days.set(day, { first: moment, last: moment, minutes: STEP_MIN })
    else {
      known.first = Math.min(known.first, moment)
      known.last = Math.max(known.last, moment)
      known.minutes += STEP_MIN
    }
  }
  const byMonth = new Array<number>(12).fill(0)
  for (const [day, { minutes }] of days)
    byMonth[new Date(day * DAY_MS).getUTCMonth()]! += (EVERY_DAYS * minutes) / 60
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
