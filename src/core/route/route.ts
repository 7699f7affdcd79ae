import { finding, type Figure, type Finding, type StageAssessment } from '../findings'
import { SPACES } from '../job/spaces'
import { remembered, type Cable, type DeviceContext, type EndPlace, type RunContext } from '../parts'
import { quantity } from '../units'
import { conduitFindings } from './conduit'
import { looseFindings } from './loose'
import { jacketFinding } from './jacket'
import { midway } from './midway'
import {
  coilC,
  cordLimitM,
  cutM,
  installedM,
  lengthItems,
  lengthUsedM,
  loopsM,
  meanC,
  ROOM_C,
  segmentM,
  strandedLimitM,
  supports,
  warmPieces,
  type LengthItem,
  type WarmPiece,
} from './length'
import { leadBoreFindings, leadFigures, leadFinding, leadShown, type LeadShown } from './lead'
import { ROUTE_LIMITS } from './limits'
import type { Route, Way } from './plan'

interface StripEnd {
  readonly called: string
  readonly leftM: number
}

/** What the route strip draws: stretches in proportion, metres. */
export interface RouteStrip {
  /** What its ends are called, and how much is left over there: the near one first. */
  readonly ends: readonly [near: StripEnd, far: StripEnd]
  readonly stretches: readonly {
    readonly name: string
    readonly lengthM: number
    readonly riseM: number
    readonly temperatureC: number
  }[]
  readonly items: readonly LengthItem[]
  /** The way with its slack. */
  readonly wayM: number
  readonly installedM: number
  /** What is cut from the box; null for a ready-made lead, and for what is there already. */
  readonly cutM: number | null
  readonly limitM: number | null
  readonly usedM: number
  readonly lead: LeadShown | null
}

/** Lengths of one run, metres. */
export interface RunLengths {
  /** The way with its slack, as planned, or as the jacket marks gave it once they were read. */
  readonly wayM: number
  /** What lies there electrically: the way, or the whole ready-made lead where it reaches. */
  readonly installedM: number
  readonly cutM: number
  /** What it counts for at 20 °C. */
  readonly usedM: number
  readonly meanC: number
  readonly measured: boolean
  readonly items: readonly LengthItem[]
}

/** Start values: one stretch the way the surface suggests. */
export function proposeRoute({ facing, exposure, cable, policies }: DeviceContext): Route {
  const outside = cable.stands.includes('sunlight') ? 'clipped outside' : 'wall cavity'
  const level = exposure.outdoors ? outside : 'trunking indoors'
  const space = facing === 'down' ? 'loft' : level
  const first = {
    id: 'way-1',
    space,
    lengthM: 15,
    riseM: 3,
    temperatureC: SPACES[space].temperatureC,
    conduitId: null,
    conduitName: '',
  } as const
  return {
    laid: 'new',
    segments: [first],
    cordsM: policies.headEndWith === 'jack' ? 2 : 0,
    forced: null,
    lead: null,
  }
}

/** Lengths of a device's run; zero where no route is planned. */
export function runLengths(context: RunContext, route: Way | null): RunLengths {
  return route ? lengthsOf(context, route) : NO_RUN
}

/** What is left of a ready-made lead, m; none where it does not reach. */
export const surplusM = ({ installedM, wayM }: Pick<RunLengths, 'installedM' | 'wayM'>): number =>
  installedM - wayM

const NO_RUN: RunLengths = {
  wayM: 0,
  installedM: 0,
  cutM: 0,
  usedM: 0,
  meanC: ROOM_C,
  measured: false,
  items: [],
}

const lengthsOf = remembered((context: RunContext, route: Way): RunLengths => {
  const items = lengthItems(context, route)
  const planned = installedM(items)
  const { installedM: read } = context.measured
  const wayM = read ?? planned
  // A lead that does not reach makes room for one that does.
  const lies = Math.max(route.lead?.lengthM ?? 0, wayM)
  // What was measured lies warm in the proportions of the plan; the surplus of a lead where it is coiled.
  const along = warmPieces(context, route).map(({ lengthM, temperatureC }) => ({
    lengthM: planned > 0 ? (lengthM * wayM) / planned : 0,
    temperatureC,
  }))
  const coiled = { lengthM: lies - wayM, temperatureC: coilC(route, route.lead?.coilAt ?? null) }
  const pieces = coiled.lengthM > 0 ? [...along, coiled] : along
  const usedM = planned > 0 ? lengthUsedM(pieces, context.cable) : lies
  return {
    wayM,
    installedM: lies,
    cutM: cutM(items),
    usedM,
    meanC: meanC(pieces),
    measured: read !== null,
    items,
  }
})

/**
 * Longest length that counts for a run: by the standard for pairs, by the catalogue for the rest; null
 * where nobody says.
 */
function limitOf({ cable }: RunContext, { cordsM }: Way): number | null {
  if (cable.kind !== 'pair') return cable.longestRunM
  return cable.conductor === 'stranded'
    ? Math.max(0, strandedLimitM(cable.awg ?? ROUTE_LIMITS.cordAwg.value) - cordsM)
    : ROUTE_LIMITS.fixedLinkM.value
}

/** Everything `route` has to say of one cable from the record. */
export function assessRoute(context: RunContext, route: Route): StageAssessment<RouteStrip> {
  const { cable } = context
  const run = runLengths(context, route)
  const { lead } = route
  const pair = cable.kind === 'pair'
  const pulled = route.laid === 'new'

  const figures: Figure[] = [
    ...(pulled && !lead ? cutFigures(run) : []),
    ...(pulled ? leadFigures(context, route, run.wayM) : []),
    { label: run.measured ? 'Installed, as measured' : 'Installed', reading: quantity(run.wayM, 'length') },
    ...(pair ? [{ label: 'Counts as, at 20 °C', reading: quantity(run.usedM, 'length') }] : []),
    ...(pulled ? supports(route) : []).map(({ name, count }) => ({
      label: `Take: ${name}, with spares`,
      reading: quantity(count, 'count'),
    })),
    { label: 'Bend no tighter than, radius', reading: quantity(cable.diameterMm * cable.bendTimes, 'size') },
    { label: 'Pull no harder than', reading: quantity(cable.pullN, 'force') },
  ]
  const findings = [
    emptyFinding(context, route),
    pair ? pairFinding(context, route, run) : otherFinding(context, route, run),
    cordsFinding(context, route, run),
    pulled ? drumFinding(context, route, run) : null,
    ...heatFindings(context, route),
    ...conduitFindings(context, route),
    leadFinding(context, route, run.wayM),
    ...leadBoreFindings(context, route),
    ...(pulled ? looseFindings(context, route) : []),
    jacketFinding(context, route),
  ].filter((f) => f !== null)
  // Nobody knows how long a way is of which nothing is entered: that it is short enough is not said.
  const known = route.segments.length > 0 || run.measured

  return {
    headline: lead === null && pulled ? quantity(run.cutM, 'cut') : quantity(run.installedM, 'length'),
    figures,
    findings: known ? findings : findings.filter(({ verdict }) => verdict !== 'good'),
    drawing: {
      ends: stripEnds(context, route),
      stretches: route.segments.map((segment) => ({
        name: SPACES[segment.space].name,
        lengthM: segmentM(segment),
        riseM: segment.riseM,
        temperatureC: segment.temperatureC,
      })),
      items: run.items,
      wayM: run.wayM,
      installedM: run.installedM,
      cutM: lead === null && pulled ? run.cutM : null,
      limitM: limitOf(context, route),
      usedM: pair ? run.usedM : run.installedM,
      lead: leadShown(context, route, run.wayM),
    },
  }
}

/** Both ends with what is left over there, slack and drip loop. */
function stripEnds(context: RunContext, route: Route): RouteStrip['ends'] {
  const loops = loopsM(context, route)
  const end = ({ called, slackM }: EndPlace, loopM: number): StripEnd => ({
    called: called.replace(/^the /, ''),
    leftM: slackM + loopM,
  })
  return [end(context.ends[0], loops[0]), end(context.ends[1], loops[1])]
}

/** What is cut, item by item. */
const cutFigures = ({ cutM, items }: RunLengths): Figure[] => [
  { label: 'Cut', reading: quantity(cutM, 'cut') },
  ...items.map(({ label, lengthM }) => ({ label: `· ${label}`, reading: quantity(lengthM, 'length') })),
]

function emptyFinding({ ends: [near, far] }: RunContext, route: Way): Finding | null {
  if (route.segments.length > 0) return null
  return finding('route', 'empty', {
    verdict: 'check',
    title: 'No way is drawn',
    short: 'no way drawn',
    figure: quantity(0, 'count'),
    limit: quantity(1, 'count'),
    reason: 'Only the slacks are counted.',
    source: 'job',
    advice: `Add the stretches from ${near.called} to ${far.called}.`,
  })
}

const asTheyLie = (pieces: readonly WarmPiece[]): number =>
  pieces.reduce((sum, { lengthM }) => sum + lengthM, 0)

function otherFinding(context: RunContext, route: Way, run: RunLengths): Finding {
  const { cable } = context
  const longest = cable.longestRunM
  const common = {
    figure: quantity(run.installedM, 'length'),
    limit: longest === null ? null : quantity(longest, 'length'),
    source: cable.source,
  }
  if (run.installedM <= (longest ?? Infinity)) {
    return finding('route', 'length', {
      ...common,
      verdict: 'good',
      title: 'Short enough for its signal',
      reason: `${cable.name} carries it.`,
    })
  }
  const parted = midway(context, route, longest ?? Infinity, run.installedM, asTheyLie)
  return finding('route', 'length', {
    ...common,
    verdict: 'stop',
    title: 'Too long for its signal',
    short: 'too long',
    reason: `${cable.name} weakens the picture beyond that.`,
    advice: `${parted ? `Put an amplifier ${parted.where}, take` : 'Take'} thicker coax, or go to fibre.`,
  })
}

function pairFinding(context: RunContext, route: Way, run: RunLengths): Finding {
  const { cable, printed } = context
  const { fixedLinkM } = ROUTE_LIMITS
  const limitM = limitOf(context, route)!
  const stranded = cable.conductor === 'stranded'
  const hot = run.usedM - run.installedM > 0.5
  const length = `${printed(run.installedM, 'length')} ${run.measured ? 'as measured' : 'installed'}`
  const kind = stranded ? ` Stranded ${cable.awg} AWG loses more, so the whole channel ends sooner.` : ''
  const reason = hot
    ? `${length}; the warm stretches make it count as ${printed(run.usedM, 'length')} at 20 °C.${kind}`
    : `${length}, slack included; cut-off and waste do not count.${kind}`
  const source = stranded || hot ? 'tia-568-heat' : fixedLinkM.source
  const common = {
    figure: quantity(run.usedM, 'length'),
    limit: quantity(limitM, 'length'),
    reason,
    source,
  } as const
  if (run.usedM <= limitM)
    return finding('route', 'length', {
      ...common,
      verdict: 'good',
      title: stranded ? 'Within the channel' : 'Within the fixed link',
    })
  const over = printed(run.usedM - limitM, 'length')
  const parted = midway(context, route, limitM, run.usedM, (pieces) => lengthUsedM(pieces, cable))
  const screened = hot && !cable.screened ? ' Screened cable loses about half as much to heat.' : ''
  return finding('route', 'length', {
    ...common,
    verdict: run.installedM <= limitM ? 'check' : 'stop',
    title: hot ? 'Too long for its heat' : 'Longer than the standard allows',
    short: hot ? 'too long, too hot' : 'too long',
    advice:
      `Save ${over}: a cooler or shorter way, ${stranded ? 'solid cable from a drum, ' : ''}` +
      `${parted ? `a switch ${parted.where}, ` : ''}or fibre.${screened}`,
  })
}

function cordsFinding({ cable, printed }: RunContext, route: Way, run: RunLengths): Finding | null {
  if (cable.kind !== 'pair' || cable.conductor === 'stranded' || run.usedM > ROUTE_LIMITS.fixedLinkM.value)
    return null
  const { cordAwg, channelM } = ROUTE_LIMITS
  const most = Math.min(cordLimitM(run.usedM, cordAwg.value), Math.max(0, channelM.value - run.usedM))
  if (route.cordsM <= most + 1e-9) return null
  return finding('route', 'cords', {
    verdict: 'check',
    title: 'Patch leads too long for this link',
    short: 'patch leads too long',
    figure: quantity(route.cordsM, 'length'),
    limit: quantity(most, 'length'),
    reason: `Link and leads together make the channel; leads reckoned as ${cordAwg.value} AWG.`,
    source: 'tia-568-heat',
    advice: `Take patch leads of ${printed(most, 'length')} or less together.`,
  })
}

/** What parts a cable of a kind into two; nothing where none does. */
const BETWEEN: Partial<Record<Cable['kind'], string>> = {
  'pair': 'a switch',
  'fibre': 'a switch',
  'coax': 'an amplifier',
  'coax and power': 'an amplifier',
}

function drumFinding(context: RunContext, route: Way, run: RunLengths): Finding | null {
  const { cable, printed, allowances } = context
  if (route.lead !== null || run.cutM <= cable.drumM) return null
  const { terminationM, cutOffM, wastePercent } = allowances
  const mostM = (cable.drumM - 2 * terminationM - cutOffM) / (1 + wastePercent / 100)
  const between = BETWEEN[cable.kind]
  const parted = midway(context, route, mostM, installedM(run.items), asTheyLie)
  return finding('route', 'drum', {
    verdict: 'stop',
    title: 'Longer than a drum',
    short: 'longer than a drum',
    figure: quantity(run.cutM, 'cut'),
    limit: quantity(cable.drumM, 'length'),
    reason: `${cable.name} is sold in lengths of ${printed(cable.drumM, 'length')}, and a run has no joint.`,
    source: 'catalogue',
    advice: `Shorten the way, ${parted && between ? `put ${between} ${parted.where}, ` : ''}or order a longer drum.`,
  })
}

function heatFindings({ printed }: RunContext, route: Way): Finding[] {
  const { hottestC } = ROUTE_LIMITS
  const hottest = route.segments.reduce((most, { temperatureC }) => Math.max(most, temperatureC), -Infinity)
  if (hottest <= hottestC.value) return []
  return [
    finding('route', 'heat', {
      verdict: 'stop',
      title: 'Too hot for the cable',
      short: 'too hot',
      figure: quantity(hottest, 'temperature'),
      limit: quantity(hottestC.value, 'temperature'),
      reason: 'The length table ends there, and so do ordinary jackets.',
      source: hottestC.source,
      advice: `Go round the hot space, or bring it under ${printed(hottestC.value, 'temperature')}.`,
    }),
  ]
}
