import { along, areaM2, bearingDeg, contains, distanceM, nearestOn, type PlanPoint } from '@/core/geometry'
import type { Floor, PlanThing } from '@/core/job'
import { STAND_OFF_M } from '@/core/sight'
import { obstacleOutline, pointsOf, soffitBoard, wallOutline } from '@/core/plan'

/** What a pointer's spot is drawn to. */
export type SnappedTo = 'end' | 'edge' | 'right angle' | 'grid' | 'nothing'

export interface Snapped {
  readonly at: PlanPoint
  readonly to: SnappedTo
}

export interface SnapOptions {
  readonly things: readonly PlanThing[]
  readonly floor: Floor
  /** The corner before, for right angles; and the one before that. */
  readonly from?: PlanPoint | undefined
  readonly before?: PlanPoint | undefined
  /** How near (m) counts, and the grid (m). */
  readonly reachM: number
  readonly gridM: number
  /** A thing that is being moved does not draw itself. */
  readonly except?: string
}

const round = (value: number, step: number) => Math.round(value / step) * step
const tidy = (value: number) => Math.round(value * 1e6) / 1e6
const tidied = ({ x, y }: PlanPoint): PlanPoint => ({ x: tidy(x), y: tidy(y) })

/** Ends first, then right angles to the line before, then the grid. */
export function snap(
  at: PlanPoint,
  { things, floor, from, before, reachM, gridM, except }: SnapOptions,
): Snapped {
  let nearest: PlanPoint | null = null
  for (const thing of things) {
    if (thing.floor !== floor || thing.id === except) continue
    for (const end of pointsOf(thing))
      if (distanceM(end, at) <= reachM && (!nearest || distanceM(end, at) < distanceM(nearest, at)))
        nearest = { x: end.x, y: end.y }
  }
  if (nearest) return { at: nearest, to: 'end' }
  if (from && distanceM(from, at) > 1e-9) {
    const square = before && distanceM(before, from) > 1e-9 ? bearingDeg(before, from) : 0
    const turn = bearingDeg(from, at) - square
    const straight = round(turn, 90)
    const off = Math.abs(Math.sin(((turn - straight) * Math.PI) / 180)) * distanceM(from, at)
    if (off <= reachM)
      return {
        at: tidied(
          along(
            from,
            square + straight,
            Math.max(
              gridM,
              round(distanceM(from, at) * Math.cos(((turn - straight) * Math.PI) / 180), gridM),
            ),
          ),
        ),
        to: 'right angle',
      }
  }
  return { at: { x: tidy(round(at.x, gridM)), y: tidy(round(at.y, gridM)) }, to: 'grid' }
}

export interface OnEdge {
  readonly at: PlanPoint
  /** The way out from what it is fixed to, degrees clockwise from up the sheet. */
  readonly outDeg: number
  readonly thing: PlanThing
}

/**
 * Where a device comes to stand on the nearest wall, soffit or obstacle: off its face, on the side the hand
 * is on. Null when none is near.
 */
export function ontoEdge(
  at: PlanPoint,
  { things, floor, reachM }: Pick<SnapOptions, 'things' | 'floor' | 'reachM'>,
): OnEdge | null {
  let best: (OnEdge & { distanceM: number }) | null = null
  const offer = (a: PlanPoint, b: PlanPoint, thing: PlanThing, outDeg: (left: number) => number) => {
    const near = nearestOn(a, b, at)
    if (near.distanceM > reachM || (best && best.distanceM <= near.distanceM)) return
    const way = outDeg(bearingDeg(a, b) - 90)
    best = {
      at: tidied(along(near.at, way, STAND_OFF_M)),
      outDeg: ((way % 360) + 360) % 360,
      thing,
      distanceM: near.distanceM,
    }
  }
  for (const thing of things) {
    if (thing.floor !== floor) continue
    if (thing.kind === 'wall') {
      const [, , farBack, nearBack] = wallOutline(thing)
      const thin = !farBack || !nearBack
      offer(thing.from, thing.to, thing, (left) =>
        thin && leftOf(thing.from, thing.to, at) ? left : left + 180,
      )
      if (!thin) offer(nearBack, farBack, thing, (left) => left)
    }
    if (thing.kind === 'obstacle') {
      const outline = obstacleOutline(thing)
      for (const [i, a] of outline.entries())
        offer(a, outline[(i + 1) % outline.length]!, thing, (left) =>
          contains(outline, along(nearestOn(a, outline[(i + 1) % outline.length]!, at).at, left, 0.01))
            ? left + 180
            : left,
        )
    }
    if (thing.kind === 'soffit' && areaM2(soffitBoard(thing)) > 0 && contains(soffitBoard(thing), at)) {
      // Under the board it hangs where it is put; it looks out over the edge.
      return { at: tidied(at), outDeg: (bearingDeg(thing.from, thing.to) + 90 + 360) % 360, thing }
    }
  }
  return best
}

const leftOf = (a: PlanPoint, b: PlanPoint, p: PlanPoint) =>
  (b.x - a.x) * (p.y - a.y) - (b.y - a.y) * (p.x - a.x) > 0
