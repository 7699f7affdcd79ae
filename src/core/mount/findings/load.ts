import { finding, type Finding } from '../../findings'
import type { Mount } from '../../job/job'
import type { DeviceContext } from '../../parts'
import { inSentence, quantity, text } from '../../units'
import type { MountFacts } from '../facts'
import { leastThreadMm } from '../hold'
import { MOUNT_LIMITS } from '../limits'

/**
 * Whether the fixing carries weight and wind. `advise` finds the smallest change that passes; it is asked
 * only when needed.
 */
export function loadFindings(
  context: DeviceContext,
  mount: Mount,
  facts: MountFacts,
  advise: (id: string) => string,
): Finding[] {
  const findings = [
    threadFinding(context, mount, facts),
    weightFinding(context, mount, facts, advise),
    windFinding(context, facts, advise),
  ].filter((one) => one !== null)
  // How deep old fixings sit, and in what, nobody has seen: that they hold is not said.
  return context.partsKept === 0 ? findings : findings.filter(({ verdict }) => verdict !== 'good')
}

/** Which fixing gives way first, in words. */
function firstToFail({ overturning, topFixings }: MountFacts): string {
  if (!overturning) return 'All fail alike, any one'
  return topFixings === 1 ? 'The top one fails' : `The ${topFixings} top ones fail`
}

function basisOf(
  { printed }: DeviceContext,
  mount: Mount,
  { fixing, isScrew, wood, wet }: MountFacts,
): string {
  if (mount.makersPullN !== null) return 'maker’s figure entered for this job'
  if (!isScrew) return inSentence(fixing.basis)
  const thread = printed(Math.min(mount.threadInWoodMm, fixing.threadMm), 'size')
  return `${fixing.name}, ${thread} of thread in ${inSentence(wood.name)}${wet ? ', wet' : ''}`
}

function weightFinding(
  context: DeviceContext,
  mount: Mount,
  facts: MountFacts,
  advise: (id: string) => string,
): Finding {
  const { printed } = context
  const { fixing, overturning, usedByWeight } = facts
  const how = overturning
    ? 'The weight × 4 pulls the top fixings out of the wall.'
    : 'The weight × 4 is shared by the fixings.'
  const basis = basisOf(context, mount, facts)
  const source = mount.makersPullN !== null ? 'job' : fixing.source
  const common = {
    figure: quantity(facts.pullN, 'force'),
    limit: quantity(facts.capacityN, 'force'),
    source,
  } as const
  const percent = Math.round(100 * usedByWeight)
  if (usedByWeight <= 1) {
    const reason = `${how} Basis: ${basis}. Pull and shear use up ${percent} %.`
    return finding('mount', 'load', {
      ...common,
      verdict: 'good',
      title: 'The fixing holds four times the weight',
      reason,
    })
  }
  const together =
    facts.shearN > 0 && facts.pullN <= facts.capacityN
      ? `: pull and ${printed(facts.shearN, 'force')} across it together use up ${percent} %`
      : ''
  return finding('mount', 'load', {
    ...common,
    verdict: 'stop',
    title: 'The fixing is too weak for four times the weight',
    short: 'fixing too weak',
    reason: `${how} ${firstToFail(facts)} first${together}. Basis: ${basis}.`,
    advice: advise('mount/load'),
  })
}

function windFinding(
  { printed, windMS }: DeviceContext,
  facts: MountFacts,
  advise: (id: string) => string,
): Finding | null {
  if (facts.windN === 0 || facts.usedByWind <= 1 || facts.usedByWeight > 1) return null
  const { windAllowable } = MOUNT_LIMITS
  return finding('mount', 'wind', {
    verdict: 'stop',
    title: 'The wind is too strong for the fixing',
    short: 'too weak for wind',
    figure: quantity(facts.blown.pullN, 'force'),
    limit: quantity(facts.blown.capacityN, 'force'),
    reason:
      `${printed(windMS, 'speed')} pushes with ${printed(facts.windN, 'force')}; ` +
      `${windAllowable.value} % of it and the weight pull the worst fixing. ` +
      `${firstToFail(facts)} first.`,
    source: 'asce-7',
    advice: advise('mount/wind'),
  })
}

function threadFinding(
  { printed }: DeviceContext,
  { threadInWoodMm }: Mount,
  { fixing }: MountFacts,
): Finding | null {
  const least = leastThreadMm(fixing)
  if (least === null || threadInWoodMm >= least - 1e-9) return null
  const { screwThread, lagThread } = MOUNT_LIMITS
  const rule = fixing.kind === 'lag screw' ? lagThread : screwThread
  const advice =
    fixing.threadMm >= least
      ? `Bring at least ${printed(least, 'size')} of its thread into solid wood.`
      : 'Take a longer screw.'
  return finding('mount', 'thread', {
    verdict: 'stop',
    title: 'Too little thread in solid wood',
    short: 'too little thread',
    figure: quantity(threadInWoodMm, 'size'),
    limit: quantity(least, 'size'),
    reason: `${fixing.name} counts only from ${rule.value} diameters of thread.`,
    source: rule.source,
    advice,
  })
}

/** How many fixings: at least what the base asks for, at most its holes. */
export function countFindings({ fixingCount }: Mount, { base, fixing }: MountFacts): Finding[] {
  const { atLeast, holes } = base.fixing
  if (fixingCount < atLeast) {
    return [
      finding('mount', 'count', {
        verdict: 'stop',
        title: 'Too few fixings',
        short: `${fixingCount} of ${atLeast} fixings`,
        figure: quantity(fixingCount, 'count'),
        limit: quantity(atLeast, 'count'),
        reason: `${base.name} asks for at least ${atLeast}.`,
        source: 'catalogue',
        advice: `Use ${atLeast}.`,
      }),
    ]
  }
  if (holes === 0 || fixingCount <= holes) return []
  return [
    finding('mount', 'holes', {
      verdict: 'stop',
      title: 'More fixings than the base has holes',
      short: `only ${holes} holes`,
      figure: quantity(fixingCount, 'count'),
      limit: quantity(holes, 'count'),
      reason: `${base.name} has ${holes}; a hole drilled into it would let water in.`,
      source: 'catalogue',
      advice: `Use ${holes}${fixing.bandMm ? ' bands' : ''}, or take a base with more holes.`,
    }),
  ]
}

/** A wood that nobody named is reckoned as the weakest. */
export function woodFinding(mount: Mount, { isScrew, wood }: MountFacts): Finding | null {
  if (!isScrew || mount.woodId !== null) return null
  return finding('mount', 'wood', {
    verdict: 'check',
    title: 'The wood is not named',
    short: 'wood not named',
    figure: text('unknown'),
    limit: text('named'),
    reason: `Reckoned as ${inSentence(wood.name)}, the weakest in the table.`,
    source: 'nds',
    advice: 'Name the wood, or leave it so to be on the safe side.',
  })
}
