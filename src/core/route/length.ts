import { SPACES } from '../job/spaces'
import type { Route, Segment } from '../job/job'
import type { Cable, EndPlace, RunContext } from '../parts'
import { LENGTH_BY_TEMPERATURE, ROUTE_LIMITS } from './limits'
import type { CoilPlace } from './plan'

/** One line of the cut list: what the length is for, metres. */
export interface LengthItem {
  readonly label: string
  readonly lengthM: number
  /** True where it stays in the run and counts against the fixed-link limit. */
  readonly installed: boolean
}

/** Length of cable in a segment: its plan length and its rise or fall, metres. */
export function segmentM({ lengthM, riseM }: Segment): number {
  return lengthM + Math.abs(riseM)
}

type Lengths = Pick<RunContext, 'allowances' | 'ends'>
type Stretches = Pick<Route, 'segments'>

/**
 * The loop that lets water drip off before an entry, metres: only where water can run along the cable to
 * that end. On a pole it does; while no stretch is entered nobody knows, so it is left.
 */
function loopM(end: EndPlace, last: Segment | undefined, { dripLoopM }: RunContext['allowances']): number {
  const runs = last === undefined || SPACES[last.space].rained === true || end.onPole
  return end.outdoors && runs ? dripLoopM : 0
}

/** The drip loops of both ends, metres: the near one first. */
export const loopsM = ({ allowances, ends: [near, far] }: Lengths, { segments }: Stretches) =>
  [loopM(near, segments[0], allowances), loopM(far, segments.at(-1), allowances)] as const

/** The drip loops of both ends together, metres. */
export function dripLoopM(context: Lengths, way: Stretches): number {
  const [near, far] = loopsM(context, way)
  return near + far
}

/** Every allowance of a run, itemised in the order of the cut list. */
export function lengthItems(context: Lengths, route: Stretches): LengthItem[] {
  const { allowances, ends } = context
  const along = route.segments.reduce((sum, { lengthM }) => sum + lengthM, 0)
  const rises = route.segments.reduce((sum, { riseM }) => sum + Math.abs(riseM), 0)
  const loops = route.segments.some(({ space }) => space === 'loft') ? allowances.serviceLoopM : 0
  const installed: LengthItem[] = [
    { label: 'Along the way', lengthM: along, installed: true },
    { label: 'Rises and drops', lengthM: rises, installed: true },
    ...ends.map(({ called, slackM }) => ({
      label: `Slack at ${called}`,
      lengthM: slackM,
      installed: true,
    })),
    { label: 'Drip loop', lengthM: dripLoopM(context, route), installed: true },
    { label: 'Service loop in the loft', lengthM: loops, installed: true },
  ]
  const run = installedM(installed)
  return [
    ...installed,
    { label: 'Both ends for terminating', lengthM: 2 * allowances.terminationM, installed: false },
    { label: 'Scuffed first length cut off', lengthM: allowances.cutOffM, installed: false },
    {
      label: `Waste ${allowances.wastePercent} %`,
      lengthM: (run * allowances.wastePercent) / 100,
      installed: false,
    },
  ].filter(({ lengthM }) => lengthM > 0)
}

/** What stays in the run, metres. */
export function installedM(items: readonly LengthItem[]): number {
  return items.reduce((sum, item) => sum + (item.installed ? item.lengthM : 0), 0)
}

/** What to cut, metres. */
export function cutM(items: readonly LengthItem[]): number {
  return items.reduce((sum, { lengthM }) => sum + lengthM, 0)
}

/**
 * Allowed fixed link (metres) were the whole run at one temperature; table values, straight between them,
 * flat outside.
 */
export function allowedM(temperatureC: number, screened: boolean): number {
  const table = LENGTH_BY_TEMPERATURE
  let allowed = table[table.length - 1]![1]
  if (temperatureC <= table[0]![0]) allowed = table[0]![1]
  else {
    for (let i = 1; i < table.length; i++) {
      const [t1, l1] = table[i]!
      const [t0, l0] = table[i - 1]!
      if (temperatureC <= t1) {
        allowed = l0 + ((l1 - l0) * (temperatureC - t0)) / (t1 - t0)
        break
      }
    }
  }
  const full = ROUTE_LIMITS.fixedLinkM.value
  return screened ? full - (full - allowed) / 2 : allowed
}

/** A piece of a run and how warm it lies. */
export interface WarmPiece {
  readonly lengthM: number
  readonly temperatureC: number
}

/**
 * A run in pieces by temperature: each stretch by its own; slack and drip loop at the device by the stretch
 * that ends there, the service loop by the hottest loft, slack at the head end by the last stretch. 20 °C
 * where nothing is planned.
 */
export function warmPieces(context: Lengths, { segments }: Stretches): WarmPiece[] {
  const { allowances, ends } = context
  const loops = loopsM(context, { segments })
  const near = segments[0]?.temperatureC ?? ROOM_C
  const far = segments.at(-1)?.temperatureC ?? ROOM_C
  const lofts = segments.filter(({ space }) => space === 'loft').map(({ temperatureC }) => temperatureC)
  return [
    ...segments.map((segment) => ({ lengthM: segmentM(segment), temperatureC: segment.temperatureC })),
    { lengthM: ends[0].slackM + loops[0], temperatureC: near },
    ...(lofts.length > 0 ? [{ lengthM: allowances.serviceLoopM, temperatureC: Math.max(...lofts) }] : []),
    { lengthM: ends[1].slackM + loops[1], temperatureC: far },
  ]
}

/** Temperature at which lengths and resistances are stated, °C. */
export const ROOM_C = 20

/** Length that pieces count for at 20 °C, metres. */
export function lengthUsedM(pieces: readonly WarmPiece[], cable: Pick<Cable, 'screened'>): number {
  const full = ROUTE_LIMITS.fixedLinkM.value
  return pieces.reduce(
    (sum, { lengthM, temperatureC }) => sum + (lengthM * full) / allowedM(temperatureC, cable.screened),
    0,
  )
}

/** Mean temperature of pieces by length, °C. */
export function meanC(pieces: readonly WarmPiece[]): number {
  const total = pieces.reduce((sum, { lengthM }) => sum + lengthM, 0)
  return total === 0
    ? ROOM_C
    : pieces.reduce((sum, { lengthM, temperatureC }) => sum + lengthM * temperatureC, 0) / total
}

const deratingOf = (awg: number) =>
  (awg >= 26 ? ROUTE_LIMITS.cordDeratingThin : ROUTE_LIMITS.cordDerating).value

/** Longest cords (metres) that a fixed link of `linkM` leaves, by the gauge of the cords. */
export function cordLimitM(linkM: number, awg: number): number {
  return Math.max(0, (ROUTE_LIMITS.cordBaseM.value - linkM) / (1 + deratingOf(awg)))
}

/** Longest channel (metres) that is stranded all the way, by its gauge: a link of no length and its cords. */
export function strandedLimitM(awg: number): number {
  return Math.min(ROUTE_LIMITS.channelM.value, cordLimitM(0, awg))
}

type Coiled = Pick<Cable, 'diameterMm' | 'bendTimes'>

/** Across a coil, mm: as is usual, or as its cable bends. */
const coilAcrossMm = ({ diameterMm, bendTimes }: Coiled): number =>
  Math.max(ROUTE_LIMITS.coilM.value * 1000, 2 * bendTimes * diameterMm)

/** What one turn of a coil takes, m. */
export const oneTurnM = (cable: Coiled): number => (Math.PI * coilAcrossMm(cable)) / 1000

/** A coil of surplus cable: its turns, how wide it is, and how thick at the least, millimetres. */
export function coilOf(
  surplusM: number,
  cable: Coiled,
): { readonly turns: number; readonly acrossMm: number; readonly thickMm: number } {
  const turns = Math.ceil(surplusM / oneTurnM(cable))
  return { turns, acrossMm: coilAcrossMm(cable), thickMm: Math.ceil(Math.sqrt(turns)) * cable.diameterMm }
}

/** How warm a coil lies, °C: as the stretch at its end or the hottest of its space; the hottest of all while
 * nobody said where. */
export function coilC({ segments }: Stretches, coilAt: CoilPlace | null): number {
  if (coilAt === 'near end') return segments[0]?.temperatureC ?? ROOM_C
  if (coilAt === 'far end') return segments.at(-1)?.temperatureC ?? ROOM_C
  const there = segments.filter(({ space }) => space === coilAt)
  const among = there.length > 0 ? there : segments
  return among.length > 0 ? Math.max(...among.map(({ temperatureC }) => temperatureC)) : ROOM_C
}

/** Clips, hooks or straps for a run, by kind, spares included. */
export function supports(route: Stretches): { readonly name: string; readonly count: number }[] {
  const counts = new Map<string, number>()
  for (const segment of route.segments) {
    const { support } = SPACES[segment.space]
    if (!support || segmentM(segment) === 0) continue
    counts.set(support.name, (counts.get(support.name) ?? 0) + Math.ceil(segmentM(segment) / support.everyM))
  }
  return [...counts].map(([name, count]) => ({
    name,
    count: Math.ceil(count * (1 + ROUTE_LIMITS.spareSupports.value / 100)),
  }))
}
