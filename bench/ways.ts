import Graph from 'graphology'
import dijkstra from 'graphology-shortest-path/dijkstra'
import { deserialize, serialize } from 'node:v8'
import { CATALOGUE } from '@/catalogue'
import type { PlanThing } from '@/core/job'
import { foundOn, networkOf, WayFinder } from '@/core/pathway'
import { usualPathway } from '@/core/plan'
import { SIGHT } from '@/testing/drawn'
import { device, job } from '@/testing/jobs'

const ACROSS = 32
const APART_M = 4
const DEVICES = 300
const LAID = { stands: [] } as const

/** A grid of pathways of one piece each, 1,984 of them, in two kinds of space, its head end in a corner. */
function yard(): PlanThing[] {
  const common = { floor: 'ground', name: '', locked: false } as const
  const piece = (x: number, y: number, dx: number, dy: number): PlanThing => ({
    ...common,
    id: `${x}-${y}-${dx}`,
    kind: 'pathway',
    path: [
      { x: x * APART_M, y: y * APART_M },
      { x: (x + dx) * APART_M, y: (y + dy) * APART_M },
    ],
    ...usualPathway((x * 7 + y * 3) % 5 < 2 ? 'loft' : 'trunking indoors'),
  })
  const spots = Array.from(
    { length: ACROSS * ACROSS },
    (_, i) => [i % ACROSS, Math.floor(i / ACROSS)] as const,
  )
  return [
    ...spots.filter(([x]) => x + 1 < ACROSS).map(([x, y]) => piece(x, y, 1, 0)),
    ...spots.filter(([, y]) => y + 1 < ACROSS).map(([x, y]) => piece(x, y, 0, 1)),
    { ...common, id: 'head-end', kind: 'head end', at: { x: 0, y: 0 } },
  ]
}

const spotOf = (i: number) => ({
  floor: 'ground' as const,
  at: { x: ((i * 37) % 120) + 0.3, y: ((i * 53) % 120) + 0.7 },
  heightM: 2.5,
})

/** The same as what a worker is told: cameras, and what their cables are led over. */
const cablesOver = (things: PlanThing[]) =>
  job({
    things,
    devices: Array.from({ length: DEVICES }, (_, i) => {
      const { floor, at, heightM } = spotOf(i)
      const place = { floor, ...at, panDeg: 0, rollDeg: 0, locked: false }
      return device({ id: `d${i}`, mark: `M${i}`, sight: { ...SIGHT, heightM, place } })
    }),
  })

/** So often in one run: the one in the middle is told. */
const TIMES = 9
const middle = (of: readonly number[]): number => [...of].sort((a, b) => a - b)[Math.floor(of.length / 2)]!

const took = <T>(work: () => T): readonly [T, number] => {
  const since = performance.now()
  return [work(), performance.now() - since]
}

const often = (work: () => unknown): number => middle(Array.from({ length: TIMES }, () => took(work)[1]))

/** 300 devices over 2,000 pathways: all of them, and one that moves, beside a general graph library. */
export function ways(): void {
  // Told like a job: what is put together by spreading is several times slower to read.
  const world = structuredClone({
    things: yard(),
    floorHeightsM: { upper: null, loft: null, roof: null },
  })
  const all = () => {
    const finder = new WayFinder(networkOf(world))
    return { finder, found: Array.from({ length: DEVICES }, (_, i) => finder.find(spotOf(i), LAID)) }
  }
  const [{ finder, found }, firstMs] = took(all)
  const ms = often(all)
  const [, oneMs] = took(() => finder.find(spotOf(7), LAID))
  const cables = cablesOver(world.things)
  const ledMs = often(() => deserialize(serialize(foundOn(structuredClone(cables), CATALOGUE))))

  const { steps, goals } = finder.network
  const names = new Map([...steps.keys()].map((stop, i) => [stop, String(i)]))
  const makeGraph = () => {
    const made = new Graph({ type: 'undirected', multi: true })
    for (const name of names.values()) made.addNode(name)
    for (const [stop, next] of steps)
      for (const { to, minutes } of next)
        if (names.get(stop)! < names.get(to)!) made.addEdge(names.get(stop)!, names.get(to)!, { minutes })
    return made
  }
  const graph = makeGraph()
  const look = () =>
    dijkstra.singleSource(graph, names.get(goals[0]!.stop)!, 'minutes') as Record<string, string[]>
  const paths = look()
  const [madeMs, peerMs] = [often(makeGraph), often(look)]
  const shown = (of: number) => of.toFixed(1)
  console.log(`${DEVICES} devices over ${finder.network.lanes.length} pathways`)
  console.log(
    `  all of them, graph and all: ${shown(ms)} ms (the first time ${shown(firstMs)} ms); ` +
      `${found.filter((one) => 'way' in one).length} ways`,
  )
  console.log(`  told to a worker as a job, led with all pulls, and told back: ${shown(ledMs)} ms`)
  console.log(`  one that moves: ${oneMs.toFixed(2)} ms`)
  console.log(
    `  a general graph library, from the head end to ${Object.keys(paths).length} stops: ${shown(peerMs)} ms ` +
      `and ${shown(madeMs)} ms to make its graph (1 : ${shown((peerMs + madeMs) / ms)})`,
  )
}
