import { boundsOf, type Bounds, type Outline, type PlanPoint } from '../geometry'
import type { FloorBackground, PlanThing } from '../job/plan'
import type { SurveyCamera } from './eye'
import { cellCount, fillOutline, type Grid } from './grid'
import { landOver } from './landOver'
import type { Setting } from './occluders'
import { pointsOf } from '../plan'

/** What a cell is: outside what matters, ground that matters, or taken up by something solid. */
export const OUTSIDE = 0
export const WATCHED = 1
export const SOLID = 2

/** How far the sheet reaches beyond what stands on it, and round a camera. */
const MARGIN_M = 3
const ROUND_CAMERA_M = 15

/** Corners of a background as it lies on the plan. */
export function backgroundCorners({
  at,
  widthPx,
  heightPx,
  metresPerPx,
  turnDeg,
}: Pick<FloorBackground, 'at' | 'widthPx' | 'heightPx' | 'metresPerPx' | 'turnDeg'>): Outline {
  const [c, s] = [Math.cos((turnDeg * Math.PI) / 180), Math.sin((turnDeg * Math.PI) / 180)]
  const corner = (u: number, v: number): PlanPoint => {
    const [x, y] = [u * metresPerPx, -v * metresPerPx]
    return { x: at.x + x * c + y * s, y: at.y - x * s + y * c }
  }
  return [corner(0, 0), corner(widthPx, 0), corner(widthPx, heightPx), corner(0, heightPx)]
}

export function extent(
  things: readonly PlanThing[],
  backgrounds: readonly FloorBackground[],
  cameras: readonly SurveyCamera[],
): Bounds {
  const drawn = boundsOf([...things.flatMap(pointsOf), ...backgrounds.flatMap(backgroundCorners)])
  const round = boundsOf(
    cameras.flatMap(({ eye: { pose } }) => [
      { x: pose.x - ROUND_CAMERA_M, y: pose.y - ROUND_CAMERA_M },
      { x: pose.x + ROUND_CAMERA_M, y: pose.y + ROUND_CAMERA_M },
    ]),
  )
  const of = (side: keyof Bounds, pick: (...values: number[]) => number, margin: number) => {
    const sides = [drawn ? drawn[side] + margin : null, round ? round[side] : null].filter(
      (value) => value !== null,
    )
    return sides.length === 0 ? margin : pick(...sides)
  }
  return {
    left: of('left', Math.min, -MARGIN_M),
    right: of('right', Math.max, MARGIN_M),
    bottom: of('bottom', Math.min, -MARGIN_M),
    top: of('top', Math.max, MARGIN_M),
  }
}

/** What each cell is: the premises and the areas of interest matter; without any, everything drawn does. */
export function groundOf(
  things: readonly PlanThing[],
  { solids, land }: Setting,
  grid: Grid,
  planeM: number,
): Uint8Array {
  const ground = new Uint8Array(cellCount(grid))
  const matter = things.filter((thing) => thing.kind === 'premises' || thing.kind === 'area')
  // on an empty sheet there is nothing to be blind to
  if (matter.length === 0 && things.length > 0) ground.fill(WATCHED)
  for (const { outline } of matter) fillOutline(grid, ground, outline, WATCHED)
  takeOut(solids, land, grid, planeM, ground, SOLID)
  return ground
}

/** Marks the cells where something solid stands at a height above their ground. */
export function takeOut(
  solids: Setting['solids'],
  land: Setting['land'],
  grid: Grid,
  planeM: number,
  mask: Uint8Array,
  as: number,
): void {
  if (!land) {
    for (const { outline, fromM, toM } of solids)
      if (planeM >= fromM && planeM < toM) fillOutline(grid, mask, outline, as)
    return
  }
  const { heights } = landOver(land, grid)
  const inside = new Uint8Array(mask.length)
  for (const { outline, fromM, toM } of solids) {
    inside.fill(0)
    fillOutline(grid, inside, outline, 1)
    for (let cell = 0; cell < mask.length; cell++) {
      const atM = planeM + heights[cell]!
      if (inside[cell] === 1 && atM >= fromM && atM < toM) mask[cell] = as
    }
  }
}
