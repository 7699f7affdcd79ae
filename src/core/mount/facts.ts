import type { Mount } from '../job/job'
import { remembered, type Fixing } from '../parts'
import { bitMm, printBit } from './bits'
import { pilotMm, pullCapacityN } from './hold'
import { leadPassMm } from './lead'
import { MOUNT_LIMITS } from './limits'
import { passageMm } from './passage'
import { basePart, hungParts, stackMassKg } from './stack'
import { exposureCoefficient, partAreaM2, sideAreaM2, velocityPressurePa, windForceN, windward } from './wind'

/** The bit for a fixing's own hole, millimetres and in words; null where nothing is drilled for it. */
function fixingHole(
  { holeMm, holeFit }: Fixing,
  units: 'metric' | 'imperial',
): { readonly mm: number; readonly bit: string } | null {
  if (holeMm === null || holeMm === 0) return null
  return { mm: bitMm(holeMm, holeFit, units), bit: printBit(holeMm, holeFit, units) }
}

/** Pull and shear on the worst fixing, newtons, and what one fixing holds in pull. */
interface LoadCase {
  readonly pullN: number
  readonly shearN: number
  readonly capacityN: number
}

/** Fixing, wood, and the numbers that mount findings, steps and lists share. */
export const mountFacts = remembered((context, mount: Mount) => {
  const { catalogue, surface, device, cable, units, mounts, camera, exposure, windMS, terrain } = context
  const fixing = catalogue.fixings.get(mount.fixingId)!
  const isScrew = fixing.kind === 'wood screw' || fixing.kind === 'lag screw'
  const woods = [...catalogue.woods.values()]
  const weakest = woods.reduce((a, b) => (b.specificGravity < a.specificGravity ? b : a))
  const wood = mount.woodId === null ? weakest : catalogue.woods.get(mount.woodId)!
  const wet =
    device.exposure === 'open weather' ||
    device.exposure === 'marine' ||
    device.exposure === 'buried or flooding'
  const gravity = MOUNT_LIMITS.gravityMS2.value
  const weightN = stackMassKg(context) * gravity
  const loadN = weightN * MOUNT_LIMITS.loadFactor.value
  const base = basePart(context)
  const overturning = surface.facing === 'wall'
  const hung = hungParts(context)

  const kz = exposureCoefficient(terrain, device.sight?.heightM ?? 0)
  const pressurePa = exposure.outdoors ? velocityPressurePa(windMS, kz) : 0
  const windN = windForceN(pressurePa, sideAreaM2(mounts, camera))
  const allowed = MOUNT_LIMITS.windAllowable.value / 100

  // Weight turns a wall's stack about its foot by its reach alone; wind by its whole distance, out and down.
  const weightNm = overturning
    ? hung.reduce((sum, { part, outM }) => sum + part.massKg * gravity * outM, 0)
    : 0
  const inWind = new Set(windward(mounts, camera))
  const windNm = hung.reduce(
    (sum, { part, outM, dropM }) =>
      inWind.has(part) ? sum + windForceN(pressurePa, partAreaM2(part)) * Math.hypot(outM, dropM) : sum,
    0,
  )
  const spacingMm = Math.max(20, base.fixing.spacingMm)
  const topFixings = Math.max(1, Math.floor(mount.fixingCount / 2))
  const shared = (n: number) => n / mount.fixingCount
  const tipped = (momentNm: number) => momentNm / ((spacingMm / 1000) * topFixings)
  const holds = (duration?: number) =>
    pullCapacityN(fixing, wood.specificGravity, mount.threadInWoodMm, wet, mount.makersPullN, duration)

  // A wall carries the weight across its fixings, a ceiling along them.
  const still: LoadCase = {
    pullN: overturning ? tipped(MOUNT_LIMITS.loadFactor.value * weightNm) : shared(loadN),
    shearN: overturning ? shared(loadN) : 0,
    capacityN: holds(),
  }
  const blown: LoadCase = {
    pullN: tipped(weightNm + allowed * windNm) + (overturning ? 0 : shared(weightN)),
    shearN: overturning ? Math.hypot(shared(weightN), shared(allowed * windN)) : shared(allowed * windN),
    capacityN: isScrew ? holds(MOUNT_LIMITS.windDuration.value) : holds(),
  }
  const used = ({ pullN, shearN, capacityN }: LoadCase) =>
    (capacityN > 0 ? pullN / capacityN : Infinity) + shearN / fixing.shearN
  const [usedByWeight, usedByWind] = [used(still), used(blown)]

  const pilot = isScrew ? pilotMm(fixing, wood.specificGravity) : null
  const hole = fixingHole(fixing, units)
  const passMm = Math.max(passageMm(mount.passage, cable.diameterMm), leadPassMm(context, mount))
  const oldHoleMm = mount.hole === 'kept' ? mount.holeMm : null
  return {
    fixing,
    wood,
    isScrew,
    wet,
    weightN,
    loadN,
    base,
    spacingMm,
    overturning,
    topFixings,
    pullN: still.pullN,
    shearN: still.shearN,
    capacityN: still.capacityN,
    windN,
    windNm,
    weightNm,
    blown,
    usedByWeight,
    usedByWind,
    used: Math.max(usedByWeight, usedByWind),
    pilotMm: pilot,
    pilotBit: pilot === null ? null : printBit(pilot, 'pilot', units),
    fixingHoleMm: hole?.mm ?? null,
    fixingBit: hole?.bit ?? null,
    passMm,
    /** As it will be: as wide as it was measured, or as it is drilled. */
    cableHoleMm: oldHoleMm ?? bitMm(passMm, 'clear', units),
    cableBit: printBit(passMm, 'clear', units),
  }
})

export type MountFacts = ReturnType<typeof mountFacts>
