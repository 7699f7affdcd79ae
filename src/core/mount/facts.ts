import { type PassageId } from '../job/choices'
import type { Mount } from '../job/job'
import { remembered } from '../parts'
import { bitMm, printBit } from './bits'
import { pilotMm, pullCapacityN } from './hold'
import { MOUNT_LIMITS } from './limits'
import { basePart, leverM, stackMassKg } from './stack'
import { sideAreaM2, windForceN } from './wind'

/** Clear hole that a passage needs, millimetres. */
export function passageMm(passage: PassageId, cableDiameterMm: number): number {
  const { cableClearanceMm, plugHoleMm, couplerHoleMm, tailHoleMm } = MOUNT_LIMITS
  if (passage === 'bare cable') return cableDiameterMm + cableClearanceMm.value
  return { 'plug': plugHoleMm, 'coupler': couplerHoleMm, 'tail and plugs': tailHoleMm }[passage].value
}

/** Fixing, wood, and the numbers that mount findings, steps and lists share. */
export const mountFacts = remembered((context, mount: Mount) => {
  const { catalogue, surface, device, cable, units, mounts, camera, exposure, windMS } = context
  const fixing = catalogue.fixings.get(mount.fixingId)!
  const isScrew = fixing.kind === 'wood screw' || fixing.kind === 'lag screw'
  const woods = [...catalogue.woods.values()]
  const weakest = woods.reduce((a, b) => (b.specificGravity < a.specificGravity ? b : a))
  const wood = mount.woodId === null ? weakest : catalogue.woods.get(mount.woodId)!
  const wet = device.exposure === 'open weather' || device.exposure === 'marine' || device.exposure === 'buried or flooding'
  const weightN = stackMassKg(context) * MOUNT_LIMITS.gravityMS2.value
  const loadN = weightN * MOUNT_LIMITS.loadFactor.value
  const base = basePart(context)
  const spacingMm = Math.max(20, base.fixing.spacingMm)
  const topFixings = Math.max(1, Math.floor(mount.fixingCount / 2))
  const overturning = surface.facing === 'wall'
  const pullN = overturning ? (loadN * leverM(context)) / ((spacingMm / 1000) * topFixings) : loadN / mount.fixingCount
  const capacityN = pullCapacityN(fixing, wood.specificGravity, mount.threadInWoodMm, wet, mount.makersPullN)
  const windN = exposure.outdoors ? windForceN(windMS, sideAreaM2(mounts, camera)) : 0
  const shared = (n: number) => n / mount.fixingCount
  /** Pull on the worst fixing by a weight and a side wind, N: the lever over the spacing on a wall, the share on a ceiling. */
  const pulled = (weight: number, wind: number) => {
    const tipped = ((overturning ? weight : 0) + wind) * leverM(context)
    return tipped / ((spacingMm / 1000) * topFixings) + (overturning ? 0 : shared(weight))
  }
  const share = (pull: number, hold: number, shear: number) => (hold > 0 ? pull / hold : Infinity) + shear / fixing.shearN
  const onlyWeight = { pullN, shearN: overturning ? shared(loadN) : 0 }
  const allowed = (windN * MOUNT_LIMITS.windAllowable.value) / 100
  const blown = { pullN: pulled(weightN, allowed), shearN: overturning ? Math.hypot(shared(weightN), shared(allowed)) : shared(allowed), capacityN: isScrew ? pullCapacityN(fixing, wood.specificGravity, mount.threadInWoodMm, wet, mount.makersPullN, MOUNT_LIMITS.windDuration.value) : capacityN }
  const usedByWeight = share(onlyWeight.pullN, capacityN, onlyWeight.shearN)
  const usedByWind = share(blown.pullN, blown.capacityN, blown.shearN)
  const pilot = isScrew ? pilotMm(fixing, wood.specificGravity) : null
  const passMm = passageMm(mount.passage, cable.diameterMm)
  return {
    fixing, wood, isScrew, wet, weightN, loadN, base, spacingMm, overturning, pullN, capacityN, shearN: onlyWeight.shearN, windN, blown, usedByWeight, usedByWind, used: Math.max(usedByWeight, usedByWind), topFixings, pilotMm: pilot,
    pilotBit: pilot === null ? null : printBit(pilot, 'pilot', units), passMm, cableHoleMm: bitMm(passMm, 'clear', units), cableBit: printBit(passMm, 'clear', units),
    fixingBit: fixing.holeMm === null || fixing.holeMm === 0 ? null : printBit(fixing.holeMm, 'clear', units),
  }
})

export type MountFacts = ReturnType<typeof mountFacts>
