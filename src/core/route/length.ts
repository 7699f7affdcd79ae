import { SPACES } from '../job/choices'
import type { Route, Segment } from '../job/job'
import type { Cable, DeviceContext } from '../parts'
import { LENGTH_BY_TEMPERATURE, ROUTE_LIMITS } from './limits'

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

/** Every allowance of a run, itemised in the order of the cut list. */
export function lengthItems({ allowances, exposure }: Pick<DeviceContext, 'allowances' | 'exposure'>, route: Route): LengthItem[] {
  const along = route.segments.reduce((sum, { lengthM }) => sum + lengthM, 0)
  const rises = route.segments.reduce((sum, { riseM }) => sum + Math.abs(riseM), 0)
  const loops = route.segments.some(({ space }) => space === 'loft') ? allowances.serviceLoopM : 0
  const drip = exposure.outdoors ? allowances.dripLoopM : 0
  const installed: LengthItem[] = [
    { label: 'Along the way', lengthM: along, installed: true },
    { label: 'Rises and drops', lengthM: rises, installed: true },
    { label: 'Slack at the device', lengthM: allowances.deviceSlackM, installed: true },
    { label: 'Slack at the head end', lengthM: allowances.headEndSlackM, installed: true },
    { label: 'Drip loop', lengthM: drip, installed: true },
    { label: 'Service loop in the loft', lengthM: loops, installed: true },
  ]
  const run = installedM(installed)
  return [
    ...installed,
    { label: 'Both ends for terminating', lengthM: 2 * allowances.terminationM, installed: false },
    { label: 'Scuffed first length cut off', lengthM: allowances.cutOffM, installed: false },
    { label: `Waste ${allowances.wastePercent} %`, lengthM: (run * allowances.wastePercent) / 100, installed: false },
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

/** Allowed fixed link (metres) were the whole run at one temperature; table values, straight between them, flat outside. */
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

/**
 * Length that a run counts for at 20 °C (metres): each stretch by its own temperature. Slack counts at the temperature
 * of the end where it lies; a run without segments counts as it is.
 */
export function lengthUsedM(route: Route, runM: number, cable: Pick<Cable, 'screened'>): number {
  const full = ROUTE_LIMITS.fixedLinkM.value
  let used = runM
  for (const segment of route.segments) used += segmentM(segment) * (full / allowedM(segment.temperatureC, cable.screened) - 1)
  return used
}

/** Longest cords (metres) that a fixed link of `linkM` leaves, by gauge. */
export function cordLimitM(linkM: number, awg: number): number {
  const { cordBaseM, cordDerating, cordDeratingThin } = ROUTE_LIMITS
  return Math.max(0, (cordBaseM.value - linkM) / (1 + (awg >= 26 ? cordDeratingThin : cordDerating).value))
}

/** Clips, hooks or straps for a run, by kind, spares included. */
export function supports(route: Route): { readonly name: string; readonly count: number }[] {
  const counts = new Map<string, number>()
  for (const segment of route.segments) {
    const { support } = SPACES[segment.space]
    if (!support || segmentM(segment) === 0) continue
    counts.set(support.name, (counts.get(support.name) ?? 0) + Math.ceil(segmentM(segment) / support.everyM))
  }
  return [...counts].map(([name, count]) => ({ name, count: Math.ceil(count * (1 + ROUTE_LIMITS.spareSupports.value / 100)) }))
}
