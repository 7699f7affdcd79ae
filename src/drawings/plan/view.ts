import type { Bounds, PlanPoint } from '@/core/geometry'

/**
 * How the plan lies in the window: pixels a metre, and where the plan's origin falls. Up the sheet is up
 * the screen.
 */
export interface ViewBox {
  readonly perMetre: number
  readonly x0: number
  readonly y0: number
}

export const toScreen = ({ perMetre, x0, y0 }: ViewBox, { x, y }: PlanPoint): readonly [number, number] => [
  x0 + x * perMetre,
  y0 - y * perMetre,
]
export const toPlan = ({ perMetre, x0, y0 }: ViewBox, [u, v]: readonly [number, number]): PlanPoint => ({
  x: (u - x0) / perMetre,
  y: (y0 - v) / perMetre,
})

const LEAST_PER_METRE = 0.5
const MOST_PER_METRE = 400

/** What stays clear round what is shown, px. */
export interface Room {
  readonly side: number
  readonly top: number
  readonly bottom: number
}
const ROOM: Room = { side: 24, top: 24, bottom: 24 }

/** The view that shows bounds whole, with some room round them. */
export function fit(bounds: Bounds, width: number, height: number, room = ROOM): ViewBox {
  const [w, h] = [Math.max(1, bounds.right - bounds.left), Math.max(1, bounds.top - bounds.bottom)]
  const perMetre = Math.min(
    MOST_PER_METRE,
    Math.max(LEAST_PER_METRE, Math.min((width - 2 * room.side) / w, (height - room.top - room.bottom) / h)),
  )
  return {
    perMetre,
    x0: width / 2 - ((bounds.left + bounds.right) / 2) * perMetre,
    y0: (height + room.top - room.bottom) / 2 + ((bounds.bottom + bounds.top) / 2) * perMetre,
  }
}

/** Zooms by a factor and keeps what lies under a screen point there; `moved` carries it along (pinching). */
export function zoom(
  view: ViewBox,
  factor: number,
  [u, v]: readonly [number, number],
  [du, dv]: readonly [number, number] = [0, 0],
): ViewBox {
  const perMetre = Math.min(MOST_PER_METRE, Math.max(LEAST_PER_METRE, view.perMetre * factor))
  const k = perMetre / view.perMetre
  return { perMetre, x0: u + du - (u - view.x0) * k, y0: v + dv - (v - view.y0) * k }
}

/** A length for the scale bar: 1, 2 or 5 times a power of ten, at most `most` pixels long. */
export function scaleBarM({ perMetre }: ViewBox, most: number): number {
  const longest = most / perMetre
  const ten = 10 ** Math.floor(Math.log10(longest))
  return [5, 2, 1].map((step) => step * ten).find((m) => m <= longest) ?? ten
}
