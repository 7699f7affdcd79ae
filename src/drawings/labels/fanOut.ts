import { type Box, type Spot } from './place'

export interface Marked {
  readonly id: string
  readonly at: Spot
}

/** Aside, marks stand on rings of so many spots, each ring so much farther out, px. */
const ROUND = 12
const RINGS = [1, 1.5, 2]

/**
 * Where round marks stand so that none covers another: on their own spot, the first come first; one whose
 * spot is covered stands beside it, as near as there is room. Where there is none, it is left out.
 * `across`: the width of a mark with its clearance, px.
 */
export function fanOut(marks: readonly Marked[], across: number): ReadonlyMap<string, Spot> {
  const stand = new Map<string, Spot>()
  const cells = new Map<string, Spot[]>()
  const cellOf = (px: number) => Math.floor(px / across)
  const free = ([x, y]: Spot) => {
    for (const i of [-1, 0, 1])
      for (const j of [-1, 0, 1])
        if (near(cells.get(`${cellOf(x) + i}:${cellOf(y) + j}`), [x, y], across)) return false
    return true
  }
  const put = (id: string, [x, y]: Spot) => {
    stand.set(id, [x, y])
    const key = `${cellOf(x)}:${cellOf(y)}`
    cells.set(key, [...(cells.get(key) ?? []), [x, y]])
  }
  const beside: Marked[] = []
  for (const mark of marks) {
    if (free(mark.at)) put(mark.id, mark.at)
    else beside.push(mark)
  }
  for (const { id, at } of beside) {
    const room = ringed(at, across).find(free)
    if (room) put(id, room)
  }
  return stand
}

const near = (spots: readonly Spot[] | undefined, [x, y]: Spot, across: number) =>
  spots?.some(([u, v]) => Math.hypot(u - x, v - y) < across - 1e-9) ?? false

const ringed = ([x, y]: Spot, across: number): Spot[] =>
  RINGS.flatMap((ring) =>
    Array.from({ length: ROUND }, (_, i): Spot => {
      const turn = (2 * Math.PI * i) / ROUND
      return [x + Math.sin(turn) * across * ring, y - Math.cos(turn) * across * ring]
    }),
  )

/** The box round a mark. */
export const boxOf = ([x, y]: Spot, radius: number): Box => ({
  minX: x - radius,
  minY: y - radius,
  maxX: x + radius,
  maxY: y + radius,
})
