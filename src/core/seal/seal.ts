import { keptParts, type JointPlace } from '../assembly'
import { finding, type Figure, type Finding, type StageAssessment } from '../findings'
import type { Policies, Seal as SealChoices } from '../job/job'
import type { DeviceContext, Seal } from '../parts'
import { atStart, quantity, text, type Reading } from '../units'
import { openingFindings, tailsFindings } from './findings'
import { common, covers, dustOf, printTests, testsOf } from './ingress'
import { closedOpenings, fitsHole, grips, needsPart, openingsOf, type ClosedOpening } from './openings'

/** One link of the chain as the drawing shows it. */
export interface SealLink {
  readonly ref: string
  readonly partName: string
  readonly openingName: string
  readonly kind: ClosedOpening['opening']['kind']
  readonly sealName: string | null
  readonly rating: string
  readonly needs: string
  /** It has passed what is asked of it, and nothing else stops it. */
  readonly holds: boolean
  /** It was there before: how it is closed by now nobody knows. */
  readonly old: boolean
  readonly place: JointPlace | null
  readonly clampMm: readonly [min: number, max: number] | null
}

export interface SealChain {
  readonly links: readonly SealLink[]
  readonly weakest: string | null
  readonly cableMm: number
  readonly exposureName: string
}

/**
 * Start values: for each opening the first part of the catalogue that fits the hole, the cable and the
 * exposure.
 */
export function proposeSeal(context: DeviceContext): SealChoices {
  const { catalogue, cableMm, exposure, policies, camera } = context
  const seals = [...catalogue.seals.values()]
  const always = policies.sealing === 'always' && camera.connection === 'network tail'
  const choices = openingsOf(context)
    .filter(({ opening }) => needsPart(opening))
    .map(({ ref, opening, needs, needsDust }) => {
      const fitting = seals.filter(
        (seal) =>
          seal.closes.includes(opening.kind) &&
          fitsHole(seal, opening) &&
          grips(seal, cableMm) &&
          covers(testsOf(seal.ratings), needs) &&
          (dustOf(seal.ratings) ?? 0) >= needsDust,
      )
      const wanted =
        exposure.outdoors ||
        (always && opening.kind === 'tail joint') ||
        needs.length > 0 ||
        opening.kind === 'cable entry' ||
        opening.kind === 'grommet seat'
      const sheltered = opening.kind === 'tail joint' && needs.length === 0 && !always
      const pick = sheltered ? (tapeOf(fitting, policies.tape) ?? fitting[0]) : fitting[0]
      return { opening: ref, sealId: wanted ? (pick?.id ?? null) : null, cables: 1 }
    })
  return { choices }
}

/** The tape of the job's habit: plain tape has passed no test. */
function tapeOf(fitting: readonly Seal[], tape: Policies['tape']): Seal | undefined {
  const tapes = fitting.filter(({ kind }) => kind === 'tape')
  const plain = tapes.find(({ ratings }) => ratings.length === 0)
  return tape === 'plain' && plain ? plain : tapes.find((one) => one !== plain)
}

/**
 * Tests that an opening passes as it is closed now: its own gasket, or the part chosen if that fits and
 * grips.
 */
function passes({ opening, seal, cables }: ClosedOpening, diameterMm: number): ReadonlySet<number> {
  if (!needsPart(opening)) return testsOf(opening.builtIn)
  if (
    !seal ||
    !seal.closes.includes(opening.kind) ||
    !fitsHole(seal, opening) ||
    !grips(seal, diameterMm) ||
    (cables > 1 && seal.clampMm !== null)
  )
    return new Set()
  return testsOf(seal.ratings)
}

/** An opening with the tests that it has passed as it is closed. */
interface Link {
  readonly closed: ClosedOpening
  readonly passed: ReadonlySet<number>
}

/** How well an opening holds, what counts most first: all that is asked, then jets, then a bath. */
const standOf = ({ closed, passed }: Link): readonly number[] => [
  covers(passed, closed.needs) ? 1 : 0,
  Math.max(0, ...[...passed].filter((test) => test <= 6)),
  passed.has(7) ? 1 : 0,
]

function weaker(a: Link, b: Link): boolean {
  const [one, other] = [standOf(a), standOf(b)]
  const differing = one.findIndex((value, i) => value !== other[i])
  return differing >= 0 && one[differing]! < other[differing]!
}

/** Everything `seal` has to say of one device from its record. */
export function assessSeal(context: DeviceContext, seal: SealChoices): StageAssessment<SealChain> {
  const { cableMm, exposure, policies } = context
  const openings = closedOpenings(context, seal)
  const links: Link[] = openings.map((closed) => ({ closed, passed: passes(closed, cableMm) }))
  // An edge that holds what reaches it is no part of the closed chain: what gets behind it runs out below.
  const outward = links.filter(
    ({ closed, passed }) =>
      closed.needs.length > 0 && (closed.opening.kind !== 'wall edge' || !covers(passed, closed.needs)),
  )
  const edge = links.find(({ closed }) => closed.opening.kind === 'wall edge' && closed.needs.length > 0)
  const chain = common(outward.map(({ passed }) => passed))
  const weakest = outward.length === 0 ? null : outward.reduce((a, b) => (weaker(b, a) ? b : a))
  const weakestName = weakest ? `${weakest.closed.partName}: ${weakest.closed.opening.name}` : null
  const headline = (): Reading => {
    if (weakest === null) return text('dry')
    const holds = covers(weakest.passed, weakest.closed.needs)
    return text(holds ? printTests(chain) : whyOpen(weakest.closed, cableMm, context))
  }

  const figures: Figure[] = [
    { label: 'Exposure', reading: text(exposure.name) },
    {
      label: 'Asks for',
      reading: text(exposure.tests.length === 0 ? 'no water test' : printTests(new Set(exposure.tests))),
    },
    {
      label: 'The whole chain holds',
      reading: text(outward.length === 0 ? 'no water expected' : printTests(chain)),
    },
    { label: 'Weakest opening', reading: text(weakestName ?? 'none') },
    ...(edge
      ? [
          {
            label: atStart(edge.closed.opening.name),
            reading: text(`${printTests(edge.passed)}: driven rain, not jets`),
          },
        ]
      : []),
    {
      label: context.measured.cableMm === null ? 'Cable' : 'Cable, as measured',
      reading: quantity(cableMm, 'size'),
    },
    { label: 'Contact grease', reading: text(greased(context) ? 'a thin film on both contacts' : 'none') },
  ]
  const findings = [
    ...links.flatMap(({ closed, passed }) => openingFindings(context, closed, passed)),
    ...tailsFindings(context),
  ]
  // Of what was there before nobody knows how it is closed by now: that every opening holds is not said.
  const kept = keptParts(context)
  const isOld = ({ closed }: Link) => kept.some(({ ref }) => closed.ref.startsWith(`${ref}/`))
  if (weakest && !outward.some(isOld) && findings.every(({ verdict }) => verdict !== 'stop')) {
    findings.push(
      finding('seal', 'chain', {
        verdict: 'good',
        title: 'Every opening holds',
        figure: text(printTests(chain)),
        limit: text(printTests(new Set(weakest.closed.needs))),
        reason: `Weakest: ${weakestName}, for what reaches it. ${exposure.why}`,
        source: 'iec-60529',
      }),
    )
  }
  const joint = openings.find(({ opening }) => opening.kind === 'tail joint')
  if (
    joint &&
    context.camera.connection === 'network tail' &&
    policies.sealing === 'always' &&
    joint.seal?.kind !== 'coupling kit'
  ) {
    findings.push(
      finding('seal', 'policy', {
        verdict: 'check',
        title: 'This job always fits the full coupling',
        short: 'no coupling kit',
        figure: text(joint.seal?.name ?? 'nothing'),
        limit: text('coupling kit'),
        reason: 'Set as the job’s policy.',
        source: 'job',
        advice: 'Fit a coupling kit, or change the policy of the job.',
      }),
    )
  }
  return {
    headline: headline(),
    figures,
    findings,
    drawing: {
      links: links.map((link) => ({
        ...shown(link, findings),
        old: isOld(link),
      })),
      weakest: weakest?.closed.ref ?? null,
      cableMm,
      exposureName: exposure.name,
    },
  }
}

/** A link of the chain for its drawing, with what stops its opening, dust among it. */
function shown({ closed, passed }: Link, findings: readonly Finding[]): Omit<SealLink, 'old'> {
  const { ref, partName, opening, seal, needs, place } = closed
  const stopped = findings.some(({ id, verdict }) => verdict === 'stop' && id.endsWith(`:${ref}`))
  return {
    ref,
    partName,
    openingName: opening.name,
    kind: opening.kind,
    sealName: needsPart(opening) ? (seal?.name ?? null) : 'its own gasket',
    rating: printTests(passed),
    needs: needs.length === 0 ? 'no test' : printTests(new Set(needs)),
    holds: covers(passed, needs) && !stopped,
    place,
    clampMm: seal?.clampMm ?? null,
  }
}

/**
 * The board's words for an opening that fails: `6.2 mm in 3.5–5 mm` where the cable does not suit, else
 * `open: cable entry`.
 */
function whyOpen({ opening, seal }: ClosedOpening, diameterMm: number, { printed }: DeviceContext): string {
  if (seal?.clampMm && !grips(seal, diameterMm))
    return `${printed(diameterMm, 'size')} in ${printed(seal.clampMm[0], 'size')}–${printed(seal.clampMm[1], 'size')}`
  return `open: ${opening.kind}`
}

/** True when contacts get a film of grease under the job's policy. */
export function greased({ policies, exposure }: Pick<DeviceContext, 'policies' | 'exposure'>): boolean {
  return policies.contactGrease === 'always' || (policies.contactGrease === 'in salt air' && exposure.salt)
}
