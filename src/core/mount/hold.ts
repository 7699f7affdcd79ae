import type { Fixing } from '../parts'
import { MOUNT_LIMITS } from './limits'

const LBF_PER_INCH_IN_N_PER_MM = 4.4482216 / 25.4

/**
 * Withdrawal of a wood screw in side grain, lb per inch of thread: 2850·G²·D, D in inches. NDS reference
 * value.
 */
export function woodScrewLbPerInch(specificGravity: number, diameterIn: number): number {
  return MOUNT_LIMITS.woodScrew.value * specificGravity ** 2 * diameterIn
}

/**
 * Withdrawal of a lag screw in side grain, lb per inch of thread, tip excluded: 1800·G^1.5·D^0.75. NDS
 * reference value.
 */
export function lagScrewLbPerInch(specificGravity: number, diameterIn: number): number {
  return MOUNT_LIMITS.lagScrew.value * specificGravity ** 1.5 * diameterIn ** 0.75
}

/**
 * What one fixing may carry in pull, newtons: computed for wood and lag screws from the thread in solid
 * wood (the duration factor of a load that stays unless another is given, wet service where rain reaches),
 * otherwise the maker's value or the catalogue's.
 */
export function pullCapacityN(
  fixing: Fixing,
  specificGravity: number,
  threadInWoodMm: number,
  wet: boolean,
  makersPullN: number | null,
  duration = MOUNT_LIMITS.permanent.value,
): number {
  if (makersPullN !== null) return makersPullN
  if (fixing.kind !== 'wood screw' && fixing.kind !== 'lag screw') return fixing.pullN ?? 0
  const perInch = (fixing.kind === 'wood screw' ? woodScrewLbPerInch : lagScrewLbPerInch)(
    specificGravity,
    fixing.diameterMm / 25.4,
  )
  const pullN =
    perInch *
    LBF_PER_INCH_IN_N_PER_MM *
    Math.min(threadInWoodMm, fixing.threadMm) *
    (wet ? MOUNT_LIMITS.wetService.value : 1) *
    duration
  return pullN < 1 ? 0 : pullN // less than a newton is no hold
}

/** Pilot for a screw in wood, millimetres before choosing a bit; null for fixings that take none. */
export function pilotMm(fixing: Fixing, specificGravity: number): number | null {
  const { pilotSoft, pilotHard } = MOUNT_LIMITS
  if (fixing.kind === 'lag screw') return (fixing.diameterMm * lagLead(specificGravity).value) / 100
  if (fixing.rootMm === null) return null
  return (fixing.rootMm * (specificGravity > 0.6 ? pilotHard : pilotSoft).value) / 100
}

/**
 * NDS 12.1.4 gives the lead hole of a lag's thread a range by the wood: the share taken lies inside it with
 * any bit.
 */
function lagLead(specificGravity: number) {
  const { lagLeadLight, lagLeadMiddle, lagLeadHeavy } = MOUNT_LIMITS
  if (specificGravity > 0.6) return lagLeadHeavy
  return specificGravity > 0.5 ? lagLeadMiddle : lagLeadLight
}

/** Least thread in wood for a screw to count at all, mm; null for other fixings. NDS 12.1.4 and 12.1.5. */
export function leastThreadMm({ kind, diameterMm }: Pick<Fixing, 'kind' | 'diameterMm'>): number | null {
  if (kind === 'lag screw') return MOUNT_LIMITS.lagThread.value * diameterMm
  return kind === 'wood screw' ? MOUNT_LIMITS.screwThread.value * diameterMm : null
}

/**
 * Ladder at 4 to 1 for a top support at `heightM`: working length along the ladder and foot distance,
 * metres.
 */
export function ladder(heightM: number): { readonly workingLengthM: number; readonly footM: number } {
  const share = MOUNT_LIMITS.ladderRatio.value / 100
  const workingLengthM = heightM / Math.sqrt(1 - share ** 2)
  return { workingLengthM, footM: workingLengthM * share }
}
