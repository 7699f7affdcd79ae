import fc from 'fast-check'
import Graph from 'graphology'
import dijkstra from 'graphology-shortest-path/dijkstra'
import { expect, it } from 'vitest'
import { headEnd, pathway, xy } from '@/testing/plans'
import { UNKNOWN_HEIGHTS } from '../job'
import { networkOf, WayFinder } from '.'

/**
 * Least labour against a general graph library. The graph is made by hand: pathways from crossing to crossing
 * of a grid of 8 m, a node for every pathway at every crossing. Labour as stated: minutes a metre along and
 * upright, 10 minutes from one kind of space into another, 8 minutes a metre beside the pathways.
 */

const GRID_M = 8
const spaces = ['loft', 'joist bay', 'trunking indoors'] as const
const cross = fc.record({ x: fc.integer({ min: 0, max: 3 }), y: fc.integer({ min: 0, max: 3 }) })
const turns = [
  [1, 0],
  [0, 1],
  [-1, 0],
  [0, -1],
] as const
const lanes = fc.array(
  fc.record({
    from: cross,
    turns: fc.array(fc.constantFrom(...turns), { minLength: 1, maxLength: 6 }),
    space: fc.constantFrom(...spaces),
    minutesPerM: fc.integer({ min: 1, max: 9 }),
    heightM: fc.constantFrom(2, 2.5, 3),
    beside: fc.boolean(),
  }),
  { minLength: 1, maxLength: 16 },
)

it('the least labour is what a general graph library finds', () => {
  let found = 0
  fc.assert(
    fc.property(lanes, cross, (drawn, from) => {
      const graph = new Graph({ type: 'undirected', multi: false })
      const node = (i: number, x: number, y: number) => `${i}@${x},${y}`
      const edge = (a: string, b: string, minutes: number) => {
        if (a === b) return
        const known = graph.hasEdge(a, b) ? (graph.getEdgeAttribute(a, b, 'minutes') as number) : Infinity
        if (minutes < known) graph.mergeEdge(a, b, { minutes })
      }
      const things = drawn.map(({ from: start, turns: by, beside, ...rest }, i) => {
        let [x, y] = [start.x, start.y]
        graph.mergeNode(node(i, x, y))
        const path = [[x * GRID_M, y * GRID_M] as const]
        for (const [dx, dy] of by) {
          graph.mergeNode(node(i, x + dx, y + dy))
          edge(node(i, x, y), node(i, x + dx, y + dy), (rest.minutesPerM + (beside ? 1 : 0)) * GRID_M)
          ;[x, y] = [x + dx, y + dy]
          path.push([x * GRID_M, y * GRID_M])
        }
        return pathway(path, { id: `p${i}`, ...rest, endM: rest.heightM, besideMains: beside })
      })
      const at = (i: number, name: string) => name.slice(String(i).length)
      for (const [i, a] of drawn.entries())
        for (const [j, b] of drawn.entries()) {
          if (i >= j || Math.abs(a.heightM - b.heightM) > 0.5) continue
          const change = a.space === b.space ? 0 : 10
          const perM = Math.max(a.minutesPerM, b.minutesPerM)
          for (const one of graph.filterNodes((name) => name.startsWith(`${i}@`)))
            if (graph.hasNode(`${j}${at(i, one)}`))
              edge(one, `${j}${at(i, one)}`, change + perM * Math.abs(a.heightM - b.heightM))
        }
      graph.addNode('device')
      graph.addNode('head end')
      for (const [i, { heightM, minutesPerM }] of drawn.entries()) {
        const perM = Math.max(8, minutesPerM)
        if (graph.hasNode(node(i, from.x, from.y)))
          edge('device', node(i, from.x, from.y), perM * Math.abs(heightM - 2.2))
        if (graph.hasNode(node(i, 1, 1))) edge('head end', node(i, 1, 1), perM * (heightM - 1))
      }
      const finder = new WayFinder(
        networkOf({ things: [...things, headEnd(GRID_M, GRID_M)], floorHeightsM: UNKNOWN_HEIGHTS }),
      )
      const spot = { floor: 'ground', at: xy(from.x * GRID_M, from.y * GRID_M), heightM: 2.2 } as const
      const asked = finder.find(spot, { stands: [] })
      const nodes = dijkstra.bidirectional(graph, 'device', 'head end', 'minutes') as string[] | null
      const least = nodes
        ? nodes
            .slice(1)
            .reduce((sum, to, i) => sum + (graph.getEdgeAttribute(nodes[i]!, to, 'minutes') as number), 0)
        : null
      if ('way' in asked) {
        found++
        expect(asked.way.minutes).toBeCloseTo(least!, 6)
      } else expect(least).toBeNull()
      // Through the first pathway: there, along one edge of it, and on from there.
      const minutesOf = (a: string, b: string) => graph.getEdgeAttribute(a, b, 'minutes') as number
      // No cable goes through the device or the head end on its way.
      const farFrom = (start: string, without: string) => {
        const rest = graph.copy()
        rest.dropNode(without)
        const paths = dijkstra.singleSource(rest, start, 'minutes') as Record<string, string[]>
        const cost = (path: readonly string[]) =>
          path.slice(1).reduce((sum, next, i) => sum + minutesOf(path[i]!, next), 0)
        return Object.fromEntries(Object.entries(paths).map(([to, path]) => [to, cost(path)]))
      }
      const [near, far] = [farFrom('device', 'head end'), farFrom('head end', 'device')]
      const along = graph.filterEdges((_, __, a, b) => [a, b].every((name) => name.startsWith('0@')))
      const through = along.flatMap((one) => {
        const [a, b] = graph.extremities(one)
        const by = [near[a]! + far[b]!, near[b]! + far[a]!].filter((minutes) => !Number.isNaN(minutes))
        return by.map((minutes) => minutes + minutesOf(a, b))
      })
      const forced = finder.findThrough(spot, { stands: [] }, 'p0')
      expect(forced?.minutes ?? Infinity).toBeCloseTo(Math.min(Infinity, ...through), 6)
      if (!forced) return
      expect(forced.legs.some(({ pathway: { id } }) => id === 'p0')).toBe(true)
      expect(finder.findThrough(spot, { stands: [] }, 'p0', new Set(['p0']))).toBeNull()
    }),
    { numRuns: 600 },
  )
  expect(found).toBeGreaterThan(100)
})
