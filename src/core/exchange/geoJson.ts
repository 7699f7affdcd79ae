import { signedAreaM2, type Outline, type PlanPoint } from '../geometry'
import { FLOORS, LEVELS, type Floor } from '../job/choices'
import type { Job } from '../job/job'
import type { PlanThing } from '../plan'
import type { Catalogue } from '../parts'
import { seenPolygons, type Survey } from '../sight'
import { besideForm, formOf, type Form } from './bounded'
import { toEarth, type Anchor } from './earth'

type Position = readonly [longitude: number, latitude: number]

/** GeoJSON (RFC 7946): longitude first, WGS 84, outer rings against the clock. */
export type Geometry =
  | { readonly type: 'Point'; readonly coordinates: Position }
  | { readonly type: 'LineString'; readonly coordinates: readonly Position[] }
  | { readonly type: 'Polygon'; readonly coordinates: readonly (readonly Position[])[] }
  | {
      readonly type: 'MultiPolygon'
      readonly coordinates: readonly (readonly (readonly Position[])[])[]
    }

export interface Feature {
  readonly type: 'Feature'
  readonly id?: string
  readonly geometry: Geometry
  readonly properties: Readonly<Record<string, unknown>>
}

export interface FeatureCollection {
  readonly type: 'FeatureCollection'
  readonly name: string
  readonly features: readonly Feature[]
}

/** A tenth of a millimetre is finer than anybody measures. */
const FINE = 1e9
const fine = (deg: number) => Math.round(deg * FINE) / FINE

const position = (anchor: Anchor, point: PlanPoint): Position => {
  const { latitudeDeg, longitudeDeg } = toEarth(anchor, point)
  return [fine(longitudeDeg), fine(latitudeDeg)]
}

const ring = (anchor: Anchor, outline: Outline, hole = false): Position[] => {
  const left = signedAreaM2(outline) > 0
  const round = left === hole ? [...outline].reverse() : outline
  return [...round, round[0]!].map((point) => position(anchor, point))
}

const pointOf = (anchor: Anchor, at: PlanPoint): Geometry => ({
  type: 'Point',
  coordinates: position(anchor, at),
})

function geometryOf(anchor: Anchor, form: Form): Geometry {
  switch (form.is) {
    case 'path':
      return { type: 'LineString', coordinates: form.points.map((at) => position(anchor, at)) }
    case 'ring':
      return { type: 'Polygon', coordinates: [ring(anchor, form.points)] }
    case 'point':
    case 'round':
      return pointOf(anchor, form.at)
  }
}

function featureOf(anchor: Anchor, thing: PlanThing): Feature {
  const form = formOf(thing)
  const round = form.is === 'round' ? { radiusM: form.radiusM } : {}
  return {
    type: 'Feature',
    id: thing.id,
    geometry: geometryOf(anchor, form),
    properties: { ...besideForm(thing), ...round },
  }
}

/** Everything on a floor as GeoJSON: what is drawn, the devices, and what they see as polygons. */
export function geoJsonOf(
  job: Job,
  anchor: Anchor,
  floor: Floor,
  survey: Survey | null,
  catalogue: Catalogue,
): FeatureCollection {
  const devices = job.devices.flatMap((device): Feature[] => {
    const { sight, mark, name, cameraId, state } = device
    if (!sight?.place || sight.place.floor !== floor || state === 'taken away') return []
    const { place, heightM, tiltDeg, focalMm } = sight
    return [
      {
        type: 'Feature',
        id: device.id,
        geometry: pointOf(anchor, place),
        properties: {
          kind: 'device',
          mark,
          name,
          camera: catalogue.cameras.get(cameraId)?.name ?? cameraId,
          heightM,
          bearingDeg: (((place.panDeg + anchor.upBearingDeg) % 360) + 360) % 360,
          tiltDownDeg: tiltDeg,
          focalMm,
        },
      },
    ]
  })
  return {
    type: 'FeatureCollection',
    name: `${job.name}: ${FLOORS[floor]}`,
    features: [
      ...job.things.filter((thing) => thing.floor === floor).map((thing) => featureOf(anchor, thing)),
      ...devices,
      ...(survey ? seenOf(anchor, survey) : []),
    ],
  }
}

function seenOf(anchor: Anchor, survey: Survey): Feature[] {
  return survey.contours.flatMap(({ level, densityPxM }): Feature[] => {
    const polygons = seenPolygons(survey, 'density', densityPxM)
    if (polygons.length === 0) return []
    return [
      {
        type: 'Feature',
        geometry: {
          type: 'MultiPolygon',
          coordinates: polygons.map((rings) => rings.map((one, i) => ring(anchor, one, i > 0))),
        },
        properties: {
          kind: 'seen',
          level: LEVELS[level].name,
          densityPxM,
          heightM: survey.planeM,
          cellM: survey.grid.cellM,
        },
      },
    ]
  })
}
