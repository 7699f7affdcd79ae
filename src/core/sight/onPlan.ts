import { along, boundsOf, contains, nearestOn, type PlanPoint } from '../geometry'
import { LEVELS, type Floor } from '../job/choices'
import type { Device, Sight } from '../job/job'
import type { Place, PlanThing } from '../job/plan'
import { finding, type Finding } from '../findings'
import type { Camera, Catalogue, DeviceContext } from '../parts'
import { quantity, text } from '../units'
import type { WalkCamera } from './ask'
import type { Eye } from './footprint'
import { levelsOf } from './levels'
import { SIGHT_LIMITS } from './limits'
import { boxAbout, occludersWithin } from './narrowed'
import { firstBetween, nameOf, occludersOf, soffitBoard } from './occluders'
import { imagerOf, uprightHalfDeg, type Point } from './projection'
import { simulate, type SimulatedPicture } from './scene'
import { sunInPicture, type SunInPicture } from './sun'
import { lookingInto } from './survey'
import {
  alongAxis,
  lipClearanceM,
  nearSurfaces,
  setBackM,
  type AxisProfile,
  type NearSurface,
} from './surroundings'

/** A camera as it stands and looks on the plan. */
export function eyeOf(
  camera: Pick<Camera, 'sensor' | 'lens'>,
  { focalMm, portrait, heightM, tiltDeg }: Sight,
  { x, y, panDeg, rollDeg }: Place,
): Eye {
  return { imager: imagerOf(camera, focalMm, portrait), pose: { x, y, z: heightM, panDeg, tiltDeg, rollDeg } }
}

/** Where a placed device's target stands: straight ahead on plan. */
export function targetOf({ targetDistanceM, targetHeightM }: Sight, place: Place): Point {
  return { ...along(place, place.panDeg, targetDistanceM), z: targetHeightM }
}

/** The picture a sight would give, with what stands on the plan where the device stands on it. */
export function pictureOf(
  camera: Pick<Camera, 'sensor' | 'lens'>,
  sight: Sight,
  things: readonly PlanThing[],
): SimulatedPicture {
  const place = sight.place ?? { floor: 'ground' as const, x: 0, y: 0, panDeg: 0, rollDeg: 0 }
  return simulate(eyeOf(camera, sight, place), sight.place ? things : [], place, targetOf(sight, place))
}

/** The cameras that stand on the plan of a floor, in the order of the job. */
export function camerasOn(devices: readonly Device[], catalogue: Catalogue, floor: Floor): WalkCamera[] {
  return devices.flatMap(({ id, mark, cameraId, sight }) => {
    const camera = catalogue.cameras.get(cameraId)
    if (!camera || !sight?.place || sight.place.floor !== floor) return []
    return [{ deviceId: id, mark, eye: eyeOf(camera, sight, sight.place), shutterS: sight.shutterS }]
  })
}

export interface OnPlan {
  readonly profile: AxisProfile
  readonly hidden: ReturnType<typeof firstBetween>
  readonly near: readonly NearSurface[]
  readonly sun: SunInPicture | null
  readonly private: readonly { readonly name: string; readonly share: number; readonly bestPxM: number }[]
  readonly setBackM: number | null
  readonly lipM: number | null
  readonly eye: Eye
}

/**
 * What the plan says of one device: along its axis, close to it, in the sun's way, and where it must not
 * look.
 */
export function lookAround(context: DeviceContext, sight: Sight, place: Place): OnPlan {
  const { camera, site, things, exposure, policies } = context
  const held = LOOKED.get(sight)
  if (
    held &&
    held.camera === camera &&
    held.site === site &&
    held.things === things &&
    held.exposure === exposure &&
    held.edition === policies.edition
  )
    return held.found
  const found = look(context, sight, place)
  LOOKED.set(sight, { camera, site, things, exposure, edition: policies.edition, found })
  return found
}

/**
 * The last look round of each sight, with all that it depends on: other stages of a device change without
 * looking again.
 */
const LOOKED = new WeakMap<
  Sight,
  {
    camera: Camera
    site: DeviceContext['site']
    things: DeviceContext['things']
    exposure: DeviceContext['exposure']
    edition: string
    found: OnPlan
  }
>()

function look(
  { camera, site, things, exposure, policies }: DeviceContext,
  sight: Sight,
  place: Place,
): OnPlan {
  const occluders = occludersOf(things, place.floor)
  const eye = eyeOf(camera, sight, place)
  const allRound = eye.imager.horizontalFovDeg >= SIGHT_LIMITS.allRoundDeg.value
  const here = things.filter(({ floor }) => floor === place.floor)
  const lip = lipAhead(
    here.filter((thing) => thing.kind === 'soffit'),
    place,
  )
  const least = LEVELS[levelsOf(policies.edition)[0]!].densityPxM
  const profileM = Math.max(sight.targetDistanceM * 1.6, 6)
  const axis = [along(place, place.panDeg, -profileM / 4), along(place, place.panDeg, profileM)]
  const ahead = occludersWithin(occluders, boxAbout([place, ...axis], SIGHT_LIMITS.nearSurfaceM.value + 0.1))
  return {
    eye,
    profile: alongAxis(ahead, place, profileM),
    hidden: firstBetween(ahead, eye.pose, targetOf(sight, place)),
    near: allRound ? [] : nearSurfaces(eye.imager, eye.pose, ahead),
    sun: site && exposure.outdoors && !allRound ? sunInPicture(eye, occluders, site) : null,
    private: here.flatMap((thing) => {
      if (thing.kind !== 'privacy' || !mayReach(eye, thing.outline)) return []
      const between = occludersWithin(occluders, boxAbout([place, ...thing.outline], 0.5))
      const { share, bestPxM } = lookingInto(thing, eye, between)
      return share > 0 && bestPxM >= least ? [{ name: nameOf(thing), share, bestPxM }] : []
    }),
    setBackM: lip && setBackM(place, lip.from, lip.to),
    lipM: lip && lip.undersideM - lip.lipM,
  }
}

/** The soffit edge in front of a device that hangs under its board. */
function lipAhead<
  S extends { from: PlanPoint; to: PlanPoint; depthM: number; undersideM: number; lipM: number },
>(soffits: readonly S[], place: Place): S | null {
  return (
    soffits.find(
      (soffit) =>
        contains(soffitBoard(soffit), place) || nearestOn(soffit.from, soffit.to, place).distanceM < 0.1,
    ) ?? null
  )
}

/** Far away and at no level: not worth a look. 150 m is beyond the lowest level of every lens in use. */
function mayReach({ pose }: Eye, outline: readonly PlanPoint[]): boolean {
  const box = boundsOf(outline)!
  return (
    pose.x > box.left - 150 && pose.x < box.right + 150 && pose.y > box.bottom - 150 && pose.y < box.top + 150
  )
}

/**
 * What of it is worth saying. `cured` tells whether a change of the sight takes a finding away and brings
 * no other; null where no advice is wanted.
 */
export function planFindings(
  context: DeviceContext,
  sight: Sight,
  cured: Cured | null,
  { hidden, near, sun, private: into, setBackM: back, lipM, eye }: OnPlan,
): Finding[] {
  const { camera, say } = context
  const findings: Finding[] = []
  if (hidden) {
    findings.push(
      finding('sight', 'hidden', {
        verdict: 'stop',
        title: 'The target is hidden',
        short: 'target hidden',
        figure: quantity(hidden.distanceM, 'length'),
        limit: quantity(sight.targetDistanceM, 'length'),
        reason: `${cap(nameOf(hidden.thing))} stands in between, ${say(hidden.distanceM, 'length')} from the lens.`,
        source: 'physics',
        advice:
          'Move the camera or turn it past what stands there, go higher, or place another camera behind it.',
      }),
    )
  }
  const { nearShare, nearSurfaceM, beamMargin } = SIGHT_LIMITS
  for (const surface of near) {
    const seen = surface.ofPicture * 100 > nearShare.value
    const lit = camera.infraredReachM > 0 && surface.ofBeam > 0.02
    if (!seen && !lit) continue
    const drop =
      surface.kind === 'soffit' && back !== null && lipM !== null
        ? lipClearanceM(
            back,
            lipM,
            sight.heightM,
            sight.tiltDeg,
            2 * uprightHalfDeg(eye.imager, eye.pose.rollDeg),
          )
        : null
    const what = surface.kind === 'soffit' ? 'Soffit lip' : 'Near surface'
    findings.push(
      finding('sight', `near:${surface.kind}`, {
        verdict: 'check',
        title: seen ? `${what} in the picture` : `${what} in the infrared beam`,
        short: seen ? `${what.split(' ')[1]} in picture` : `${what.split(' ')[1]} in the beam`,
        figure: quantity((seen ? surface.ofPicture : surface.ofBeam) * 100, 'share'),
        limit: seen
          ? text(`${nearShare.value} %`)
          : text(`none within ${beamMargin.value} % round the picture`),
        reason: `${cap(surface.name)} stands ${say(surface.nearestM, 'length')} from the lens${camera.infraredReachM > 0 ? '; its infrared will glare on it by night' : ''}.`,
        source: seen ? nearShare.source : nearSurfaceM.source,
        advice: cured === null ? '' : nearAdvice(context, sight, cured, `sight/near:${surface.kind}`, drop),
      }),
    )
  }
  for (const { name, share, bestPxM } of into) {
    findings.push(
      finding('sight', 'privacy', {
        verdict: 'check',
        title: 'It looks where it must not',
        short: 'private ground',
        figure: quantity(share * 100, 'share'),
        limit: quantity(0, 'share'),
        reason: `It sees ${Math.max(1, Math.round(share * 100))} % of ${name}, at up to ${say(bestPxM, 'density')}.`,
        source: 'practice',
        advice:
          'Turn or tilt it away, or set a privacy mask over that part and note it for the hand-over. Local law decides.',
      }),
    )
  }
  if (sun && sun.hoursAYear > SIGHT_LIMITS.sunHoursAYear.value) {
    const worst = sun.worst[0]!
    findings.push(
      finding('sight', 'sun', {
        verdict: 'check',
        title: 'The sun stands in the picture',
        short: 'sun in picture',
        figure: text(`${Math.round(sun.hoursAYear)} h a year`),
        limit: text(`${SIGHT_LIMITS.sunHoursAYear.value} h`),
        reason: `Worst about ${worst.day}, ${worst.from} to ${worst.to}, if the sky is clear.`,
        source: SIGHT_LIMITS.sunHoursAYear.source,
        advice:
          'Turn it, tilt it further down, hang it under an edge that shades the lens, or cover the view from the other side.',
      }),
    )
  }
  return findings
}

/**
 * Lowering or tilting that takes a near surface out of the picture, tried first; else to turn it or move
 * it.
 */
function nearAdvice(
  { say }: DeviceContext,
  sight: Sight,
  cured: Cured,
  id: string,
  dropM: number | null,
): string {
  const ways: string[] = []
  const lower = dropM === null ? null : Math.ceil((dropM + 0.01) * 20) / 20
  if (lower !== null && sight.heightM - lower >= 0.3 && cured(id, { heightM: sight.heightM - lower }))
    ways.push(`Hang it ${say(lower, 'length')} lower`)
  const tilt = TILT_MORE_DEG.map((by) => Math.round(sight.tiltDeg + by)).find(
    (tiltDeg) => tiltDeg <= 90 && cured(id, { tiltDeg }),
  )
  if (tilt !== undefined) ways.push(`tilt it to ${say(tilt, 'angle')}`)
  return ways.length > 0
    ? `${cap(ways.join(', or '))}.`
    : 'Neither hanging it lower nor tilting it clears it without losing the target: turn it away, or bring it past the edge.'
}

/** Steps of tilt that are tried, degrees further down. */
const TILT_MORE_DEG = [2, 4, 6, 8, 10, 14, 18]

/** Whether a change of a sight takes a finding away and brings no other. */
export type Cured = (id: string, change: Partial<Sight>) => boolean

const cap = (words: string) => words[0]!.toUpperCase() + words.slice(1)
