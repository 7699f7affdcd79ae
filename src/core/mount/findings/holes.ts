import { finding, type Finding } from '../../findings'
import type { Mount } from '../../job/job'
import type { DeviceContext, Holding } from '../../parts'
import type { Limit } from '../../sources'
import { quantity } from '../../units'
import { printBit } from '../bits'
import { mountFacts, type MountFacts } from '../facts'
import { nearestFixingMm } from '../holes'
import { fedOtherwise } from '../lead'
import { MOUNT_LIMITS } from '../limits'

/** The cable hole and the fixings' holes: covered, wide enough, and with enough material left round them. */
export function holeFindings(context: DeviceContext, mount: Mount, facts: MountFacts): Finding[] {
  // The hole behind what stays nobody sees; how far its fixings stand from an edge anybody measures.
  const ofTheCable =
    context.partsKept > 0
      ? []
      : [
          widthFinding(context, mount, facts),
          coverFinding(context, mount, facts),
          slotFinding(context, mount, facts),
          leftFinding(context, facts),
        ]
  return [...ofTheCable, edgeFinding(context, mount, facts)].filter((one) => one !== null)
}

/** Whether what is drawn through a hole that was there finds room in it. */
function widthFinding(context: DeviceContext, mount: Mount, { passMm }: MountFacts): Finding | null {
  const { device, units } = context
  const { hole, holeMm } = mount
  if (hole !== 'kept' || holeMm === null || device.route?.laid === 'kept') return null
  const common = {
    figure: quantity(holeMm, 'size'),
    limit: quantity(passMm, 'size'),
    reason: 'Its width against the room that what is drawn through it wants.',
    source: MOUNT_LIMITS.cableClearanceMm.source,
  } as const
  if (holeMm >= passMm)
    return finding('mount', 'hole-width', {
      ...common,
      verdict: 'good',
      title: 'The hole that is there is wide enough',
    })
  return finding('mount', 'hole-width', {
    ...common,
    verdict: 'stop',
    title: 'The hole that is there is too narrow',
    short: 'old hole too narrow',
    advice:
      turned(context, mount, passMm, holeMm) ??
      `Drill it anew, ${printBit(passMm, 'clear', units)}, or let less pass it.`,
  })
}

function coverFinding(
  context: DeviceContext,
  mount: Mount,
  { base, cableHoleMm }: MountFacts,
): Finding | null {
  const { printed } = context
  const { coverMm } = MOUNT_LIMITS
  const mostMm = Math.max(0, base.baseMm - 2 * coverMm.value)
  if (cableHoleMm + 2 * coverMm.value <= base.baseMm) return null
  return finding('mount', 'hole-cover', {
    verdict: 'stop',
    title: 'The base does not cover the cable hole',
    short: 'hole not covered',
    figure: quantity(cableHoleMm, 'size'),
    limit: quantity(mostMm, 'size'),
    reason:
      `${base.name} is ${printed(base.baseMm, 'size')} across and must cover the hole by ` +
      `${printed(coverMm.value, 'size')} all round.`,
    source: coverMm.source,
    advice: turned(context, mount, cableHoleMm, mostMm) ?? 'Let less pass the hole, or take a larger base.',
  })
}

/**
 * The hole as wide as it would be with the lead fed from its other end, where that narrows it, mm, and the
 * advice to do so.
 */
function turned(context: DeviceContext, mount: Mount, holeMm: number, limitMm: number): string | null {
  const other = fedOtherwise(context)
  if (!other || holeMm <= limitMm) return null
  const { passMm, cableHoleMm } = mountFacts(other.context, mount)
  const narrower = mount.hole === 'kept' ? passMm : cableHoleMm
  return narrower <= limitMm ? `Feed the lead from ${other.called}: its narrower end passes.` : null
}

/**
 * How far a fixing stands from an edge or joint, by what it holds in: so many diameters of the screw, or of
 * its hole.
 */
const EDGE_RULES: Partial<
  Record<Holding, { readonly limit: Limit; readonly of: 'screw' | 'hole'; readonly breaks: string }>
> = {
  'wood': { limit: MOUNT_LIMITS.edgeWood, of: 'screw', breaks: 'wood splits' },
  'masonry': { limit: MOUNT_LIMITS.edgeMasonry, of: 'hole', breaks: 'edge breaks out' },
  'hollow masonry': { limit: MOUNT_LIMITS.edgeMasonry, of: 'hole', breaks: 'edge breaks out' },
}

function edgeFinding(
  { surface, printed }: DeviceContext,
  { edgeMm }: Mount,
  { fixing }: MountFacts,
): Finding | null {
  const rule = EDGE_RULES[surface.holding]
  if (!rule || edgeMm === null) return null
  const acrossMm = rule.of === 'hole' ? (fixing.holeMm ?? fixing.diameterMm) : fixing.diameterMm
  const leastMm = rule.limit.value * acrossMm
  if (edgeMm >= leastMm) return null
  return finding('mount', 'edge', {
    verdict: 'stop',
    title: 'A fixing stands too near the edge',
    short: 'too near the edge',
    figure: quantity(edgeMm, 'size'),
    limit: quantity(leastMm, 'size'),
    reason: `${rule.limit.value} times ${printed(acrossMm, 'size')}: nearer, the ${rule.breaks}.`,
    source: rule.limit.source,
    advice: `Move it ${printed(leastMm - edgeMm, 'size')} away from the edge or joint.`,
  })
}

const UNDRILLED: readonly Holding[] = ['pole', 'box']

function slotFinding(
  { surface, printed }: DeviceContext,
  { slotMm }: Mount,
  { cableHoleMm }: MountFacts,
): Finding | null {
  const { holeToSlotMm } = MOUNT_LIMITS
  const leastMm = cableHoleMm / 2 + holeToSlotMm.value
  if (slotMm === null || UNDRILLED.includes(surface.holding) || slotMm >= leastMm) return null
  return finding('mount', 'slot', {
    verdict: 'stop',
    title: 'The cable hole runs into a slot, joist or joint',
    short: 'hole meets a slot',
    figure: quantity(slotMm, 'size'),
    limit: quantity(leastMm, 'size'),
    reason:
      `The hole is ${printed(cableHoleMm, 'size')} across and wants ` +
      `${printed(holeToSlotMm.value, 'size')} of material round it.`,
    source: holeToSlotMm.source,
    advice: `Turn or shift the base by ${printed(leastMm - slotMm, 'size')}, or let less pass the hole.`,
  })
}

function leftFinding(
  { surface, printed }: DeviceContext,
  { base, cableHoleMm, fixing }: MountFacts,
): Finding | null {
  const nearMm = nearestFixingMm(base.fixing.holes, base.fixing.spacingMm)
  if (nearMm === null || UNDRILLED.includes(surface.holding) || surface.holding === 'tile') return null
  const { holeToFixing } = MOUNT_LIMITS
  const leftMm = nearMm - cableHoleMm / 2 - fixing.diameterMm / 2
  const leastMm = holeToFixing.value * fixing.diameterMm
  if (leftMm >= leastMm) return null
  return finding('mount', 'hole-fixing', {
    verdict: 'check',
    title: 'The cable hole leaves little for a fixing',
    short: 'hole near a fixing',
    figure: quantity(Math.max(0, leftMm), 'size'),
    limit: quantity(leastMm, 'size'),
    reason: `Between a ${printed(cableHoleMm, 'size')} hole in the middle and the nearest fixing.`,
    source: holeToFixing.source,
    advice: 'Let less pass the hole, drill it off the middle where the base allows, or take a larger base.',
  })
}
