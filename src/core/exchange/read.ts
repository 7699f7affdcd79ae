import { z } from 'zod'
import { distanceM, type PlanPoint } from '../geometry'
import { reasonsOf } from '../job/commands/kind'
import type { Floor } from '../job/choices'
import type { Job } from '../job/job'
import { copyOf, PlanThing, THINGS, type ThingName } from '../plan'
import { placedBy, usualOf } from './bounded'
import { fromEarth, type Anchor } from './earth'

/** What a foreign file comes to on a plan. */
export type Read =
  | { readonly ok: true; readonly things: readonly PlanThing[]; readonly leftOut: readonly LeftOut[] }
  | { readonly ok: false; readonly message: string }

/** What of a file was not taken, and why. */
export interface LeftOut {
  readonly what: string
  readonly why: string
}

export interface Onto {
  readonly job: Pick<Job, 'policies'>
  readonly floor: Floor
  /** Where the plan lies; null while nobody has said. */
  readonly anchor: Anchor | null
  readonly newId: () => string
}

/** So many things of one file, and no more. */
export const MOST_READ = 2000
/** Farther from the plan's origin nothing is drawn, m. */
const FARTHEST_M = 5000

const Coordinate = z.tuple([z.number(), z.number()]).rest(z.number())
const Geometry = z.discriminatedUnion('type', [
  z.object({ type: z.literal('Point'), coordinates: Coordinate }),
  z.object({ type: z.literal('MultiPoint'), coordinates: z.array(Coordinate) }),
  z.object({ type: z.literal('LineString'), coordinates: z.array(Coordinate) }),
  z.object({ type: z.literal('MultiLineString'), coordinates: z.array(z.array(Coordinate)) }),
  z.object({ type: z.literal('Polygon'), coordinates: z.array(z.array(Coordinate)) }),
  z.object({ type: z.literal('MultiPolygon'), coordinates: z.array(z.array(z.array(Coordinate))) }),
])
type Geometry = z.infer<typeof Geometry>
const Feature = z.object({
  type: z.literal('Feature'),
  geometry: Geometry,
  properties: z.record(z.string(), z.unknown()).nullish(),
})
const Collection = z.object({ type: z.literal('FeatureCollection'), features: z.array(z.unknown()) })

const refuse = (message: string): Read => ({ ok: false, message })

/**
 * The features of a GeoJSON file (RFC 7946) as things: a line is a wall a side, an area a block, a point a
 * target, unless their `kind` says what they are. What cannot be drawn is left out and said.
 */
export function readGeoJson(words: string, onto: Onto): Read {
  if (!onto.anchor)
    return refuse('GeoJSON lies on the earth: say first where this site lies, under “Where it lies”.')
  let file: unknown
  try {
    file = JSON.parse(words)
  } catch {
    return refuse('This is no JSON: it is cut short or damaged.')
  }
  const one = Feature.safeParse(file)
  const all = one.success
    ? { success: true as const, data: { features: [file] } }
    : Collection.safeParse(file)
  if (!all.success) return refuse('This is no GeoJSON: it has no features.')
  const { anchor } = onto
  const candidates: Candidate[] = []
  const leftOut: LeftOut[] = []
  for (const [i, raw] of all.data.features.entries()) {
    const what = `Feature ${i + 1}`
    const feature = Feature.safeParse(raw)
    if (!feature.success) leftOut.push({ what, why: 'It has no geometry that a plan can show.' })
    else candidates.push(...candidatesOf(feature.data, what, anchor, leftOut))
  }
  return taken(candidates, leftOut, onto)
}

/** The rows of a table of points, by their headings: metres, feet, or latitude and longitude. */
export function readPoints(rows: readonly Readonly<Record<string, string>>[], onto: Onto): Read {
  if (rows.length === 0) return refuse('The file has no rows under its headings.')
  const candidates: Candidate[] = []
  const leftOut: LeftOut[] = []
  for (const [i, row] of rows.entries()) {
    const what = `Row ${i + 2}${row.name ? `, ${row.name}` : ''}`
    const at = spotOf(row, onto.anchor)
    if (typeof at === 'string') {
      leftOut.push({ what, why: at })
      continue
    }
    const height = row.height ? numberOf(row.height) : undefined
    const radiusM = row.radius ? numberOf(row.radius) : undefined
    const kind = (row.kind ?? '').trim().toLowerCase() || 'target'
    const fields = { name: row.name ?? '', heightM: height, targetHeightM: height, radiusM }
    candidates.push({ what, kind, points: [at], fields })
  }
  return taken(candidates, leftOut, onto)
}

/** A number of a table; a comma may stand for the point. */
const numberOf = (words: string): number => Number(words.trim().replace(',', '.') || Number.NaN)

const FEET = 0.3048
const PAIRS: readonly (readonly [x: string, y: string, metres: number])[] = [
  ['x', 'y', 1],
  ['x_ft', 'y_ft', FEET],
]

function spotOf(row: Readonly<Record<string, string>>, anchor: Anchor | null): PlanPoint | string {
  for (const [x, y, metres] of PAIRS) {
    if (!row[x] && !row[y]) continue
    const at = { x: numberOf(row[x] ?? '') * metres, y: numberOf(row[y] ?? '') * metres }
    return Number.isFinite(at.x) && Number.isFinite(at.y) ? at : `Its ${x} and ${y} are not both numbers.`
  }
  if (!row.latitude && !row.longitude) return 'It has neither x and y nor latitude and longitude.'
  if (!anchor) return 'It lies on the earth, and nobody has said where this site lies.'
  const on = { latitudeDeg: numberOf(row.latitude ?? ''), longitudeDeg: numberOf(row.longitude ?? '') }
  if (!(Math.abs(on.latitudeDeg) <= 90 && Math.abs(on.longitudeDeg) <= 180))
    return 'Its latitude and longitude are not both degrees.'
  return fromEarth(anchor, on)
}

/** What may become a thing: its points on the plan, and what else is known of it. */
interface Candidate {
  readonly what: string
  readonly kind: string
  readonly points: readonly PlanPoint[]
  readonly fields: Readonly<Record<string, unknown>>
}

/** What is in our own files beside what is drawn. */
const NOT_DRAWN: Readonly<Record<string, string>> = {
  device: 'Devices are added with their parts, not drawn.',
  seen: 'What is seen is worked out, not drawn.',
}

function candidatesOf(
  { geometry, properties }: z.infer<typeof Feature>,
  what: string,
  anchor: Anchor,
  leftOut: LeftOut[],
): Candidate[] {
  const fields = properties ?? {}
  const said = typeof fields.kind === 'string' ? fields.kind : ''
  const named = typeof fields.name === 'string' && fields.name ? `${what}, ${fields.name}` : what
  if (Object.hasOwn(NOT_DRAWN, said)) {
    leftOut.push({ what: named, why: NOT_DRAWN[said]! })
    return []
  }
  const known = Object.hasOwn(THINGS, said)
  const on = ([longitudeDeg, latitudeDeg]: readonly number[]) =>
    fromEarth(anchor, { latitudeDeg: latitudeDeg!, longitudeDeg: longitudeDeg! })
  const make = (kind: string, points: readonly PlanPoint[]): Candidate => ({
    what: named,
    kind: known ? said : kind,
    points,
    fields,
  })
  const lines = (paths: readonly (readonly number[][])[]) =>
    paths.flatMap((path) => {
      const points = path.map(on)
      if (known && said !== 'wall') return [make('wall', points)]
      return points.slice(1).map((to, i) => make('wall', [points[i]!, to]))
    })
  const areas = (polygons: readonly (readonly (readonly number[][])[])[]) =>
    polygons.flatMap(([outer, ...holes]) => {
      if (holes.length > 0) leftOut.push({ what: named, why: 'Its holes: they are filled.' })
      return outer ? [make('obstacle', outer.slice(0, -1).map(on))] : []
    })
  switch (geometry.type) {
    case 'Point':
      return [make('target', [on(geometry.coordinates)])]
    case 'MultiPoint':
      return geometry.coordinates.map((point) => make('target', [on(point)]))
    case 'LineString':
      return lines([geometry.coordinates])
    case 'MultiLineString':
      return lines(geometry.coordinates)
    case 'Polygon':
      return areas([geometry.coordinates])
    case 'MultiPolygon':
      return areas(geometry.coordinates)
  }
}

function taken(candidates: readonly Candidate[], before: readonly LeftOut[], onto: Onto): Read {
  if (candidates.length > MOST_READ)
    return refuse(`It holds ${candidates.length} things; at most ${MOST_READ} are taken in at once.`)
  const leftOut = [...before]
  const things = candidates.flatMap((candidate): PlanThing[] => {
    const made = thingOf(candidate, onto)
    if (typeof made !== 'string') return [made]
    leftOut.push({ what: candidate.what, why: made })
    return []
  })
  return { ok: true, things, leftOut }
}

/** The thing that a candidate is; in words why it is none. */
function thingOf({ kind, points, fields }: Candidate, { job, floor, newId }: Onto): PlanThing | string {
  if (!Object.hasOwn(THINGS, kind)) return `A plan has no ${kind}.`
  const far = points.find((point) => !(distanceM(point, { x: 0, y: 0 }) <= FARTHEST_M))
  if (far)
    return (
      `It lies ${Math.round(distanceM(far, { x: 0, y: 0 }) / 1000)} km from here: ` +
      'is it said rightly where this site lies?'
    )
  const name = kind as ThingName
  const shape = THINGS[name].schema.shape
  const given = Object.fromEntries(
    Object.entries({ ...usualOf(name, job.policies), ...defined(fields) }).filter(([key]) =>
      Object.hasOwn(shape, key),
    ),
  )
  const made = PlanThing.safeParse({
    ...given,
    ...placedBy(name, points, typeof fields.radiusM === 'number' ? fields.radiusM : null),
    name: typeof fields.name === 'string' ? fields.name.trim().slice(0, 80) : '',
    id: newId(),
    kind: name,
    floor,
  })
  return made.success ? copyOf(made.data) : (reasonsOf(made.error)[0]?.message ?? 'It cannot be drawn.')
}

const defined = (fields: Readonly<Record<string, unknown>>) =>
  Object.fromEntries(Object.entries(fields).filter(([, value]) => value !== undefined && value !== null))
