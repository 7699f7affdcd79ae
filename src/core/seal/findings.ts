import { finding, type Finding } from '../findings'
import type { DeviceContext } from '../parts'
import { quantity, text } from '../units'
import { covers, dustOf, printTests } from './ingress'
import { fitsHole, grips, needsPart, type ClosedOpening } from './openings'

/** Unused tails want something done where it is damp, or everywhere where the job seals always. */
export const tailsGetWet = ({
  freeTails,
  exposure,
  policies,
}: Pick<DeviceContext, 'freeTails' | 'exposure' | 'policies'>): boolean =>
  freeTails.length > 0 && (exposure.outdoors || policies.sealing === 'always')

/** Unused tails that the job leaves open where water reaches them. */
export function tailsFindings(context: DeviceContext): Finding[] {
  const { freeTails, exposure, policies } = context
  if (policies.deadTails !== 'leave' || !exposure.outdoors || !tailsGetWet(context)) return []
  return [
    finding('seal', 'tails', {
      verdict: 'check',
      title: 'Unused tails stay open',
      short: 'open tails',
      figure: text(freeTails.join(', ')),
      limit: text('capped or taken off'),
      reason: 'An open tail wicks water along its cores into the camera.',
      source: 'practice',
      advice: 'Have the job cap them, or take them off where they unplug: it is one of its habits.',
    }),
  ]
}

/** What is wrong with one opening as it is closed, and what is right with it. */
export function openingFindings(
  { cableMm, exposure, printed }: DeviceContext,
  closed: ClosedOpening,
  passed: ReadonlySet<number>,
): Finding[] {
  const { opening, seal, cables, needs, needsDust, partName, ref } = closed
  const where = `${partName}, ${opening.name}`
  const key = (what: string) => `${what}:${ref}`
  const needed = printTests(new Set(needs))
  if (!needsPart(opening)) {
    if (covers(passed, needs)) return dustFindings(closed, opening.builtIn, exposure.why)
    return [
      finding('seal', key('built-in'), {
        verdict: 'stop',
        title: 'This part is not made for here',
        short: 'not made for here',
        figure: text(opening.builtIn.join('/')),
        limit: text(needed),
        reason: `${where}. ${exposure.why}`,
        source: 'iec-60529',
        advice: 'Take another part, or find a drier place.',
      }),
    ]
  }
  if (!seal) {
    if (needs.length === 0) return []
    return [
      finding('seal', key('open'), {
        verdict: 'stop',
        title: `Open: ${opening.name}`,
        short: `open: ${opening.kind}`,
        figure: text('nothing'),
        limit: text(needed),
        reason: `${where}. ${exposure.why}`,
        source: 'iec-60529',
        advice:
          'Choose a part that closes ' +
          `it${opening.holeMm === null ? '' : `, for a ${printed(opening.holeMm, 'size')} hole`}.`,
      }),
    ]
  }
  const findings: Finding[] = []
  if (!seal.closes.includes(opening.kind)) {
    findings.push(
      finding('seal', key('kind'), {
        verdict: 'stop',
        title: 'Wrong part for this opening',
        short: 'wrong sealing part',
        figure: text(seal.name),
        limit: text(opening.kind),
        reason: `${where}. ${seal.name} closes a ${seal.closes.join(' or ')}.`,
        source: 'catalogue',
        advice: `Choose a part for a ${opening.kind}.`,
      }),
    )
    return findings
  }
  if (!fitsHole(seal, opening)) {
    findings.push(
      finding('seal', key('hole'), {
        verdict: 'stop',
        title: 'The thread does not fit the hole',
        short: 'thread does not fit',
        figure: quantity(seal.holeMm ?? 0, 'size'),
        limit: opening.holeMm === null ? text('no hole') : quantity(opening.holeMm, 'size'),
        reason: where,
        source: 'thread-sizes',
        advice: 'Take the gland of that thread, or an adapter.',
      }),
    )
  }
  if (seal.clampMm && !grips(seal, cableMm)) {
    const thin = cableMm < seal.clampMm[0]
    findings.push(
      finding('seal', key('grip'), {
        verdict: 'stop',
        title: thin ? 'The cable is too thin for it' : 'The cable is too thick for it',
        short: thin ? 'cable too thin' : 'cable too thick',
        figure: quantity(cableMm, 'size'),
        limit: text(`${printed(seal.clampMm[0], 'size')} to ${printed(seal.clampMm[1], 'size')}`),
        reason: `${where}. ${thin ? 'Too thin leaks.' : 'Too thick tears the lip.'}`,
        source: seal.source,
        advice: 'Choose a part whose range holds this cable, or a cable of that range.',
      }),
    )
  }
  if (cables > 1 && seal.clampMm) {
    findings.push(
      finding('seal', key('shared'), {
        verdict: 'stop',
        title: 'Two cables through one seal',
        short: 'two in one seal',
        figure: quantity(cables, 'count'),
        limit: quantity(1, 'count'),
        reason: `${where}. Water runs in between them.`,
        source: 'practice',
        advice: 'One cable an entry; use the spare entry for the other.',
      }),
    )
  }
  if (findings.length === 0 && !covers(passed, needs)) {
    findings.push(
      finding('seal', key('rating'), {
        verdict: 'stop',
        title: seal.kind === 'tape' ? 'Tape is the only seal in the wet' : 'Not tight enough for here',
        short: seal.kind === 'tape' ? 'only tape' : 'not tight enough',
        figure: text(seal.ratings.join('/') || 'no test'),
        limit: text(needed),
        reason: `${where}. ${exposure.why}`,
        source: 'iec-60529',
        advice:
          seal.kind === 'tape'
            ? 'Fit the full coupling, or bring the joint into a box.'
            : 'Choose a part that has passed that test.',
      }),
    )
  }
  return findings.length > 0 || needsDust === 0 ? findings : dustFindings(closed, seal.ratings, exposure.why)
}

/** Dust has a digit of its own. A rating without it (IPX4) says nothing of dust, and nothing is not Good. */
function dustFindings(
  { ref, partName, opening, needsDust }: ClosedOpening,
  ratings: readonly string[],
  why: string,
): Finding[] {
  const digit = dustOf(ratings)
  if ((digit ?? 0) >= needsDust) return []
  return [
    finding('seal', `dust:${ref}`, {
      verdict: 'stop',
      title: 'Not dust-tight enough for here',
      short: 'lets dust in',
      figure: text(digit === null ? 'not rated' : `IP${digit}X`),
      limit: text(`IP${needsDust}X`),
      reason: `${partName}, ${opening.name}. ${why}`,
      source: 'iec-60529',
      advice: 'Choose a part whose first digit is high enough.',
    }),
  ]
}
