import fc from 'fast-check'
import { expect, it } from 'vitest'
import { headEnd, pathway, stands } from '@/testing/plans'
import { cablesFrom, crossings, EVERYTHING, over, spot, yard } from '@/testing/ways'
import {
  bundlesIn,
  leadsAhead,
  pullsOf,
  treesOf,
  type Branch,
  type CableWay,
  type Pull,
  type Spot,
  type Way,
} from '.'

it('cables leave the head end as one bundle and part where their ways do: reckoned by hand', () => {
  // A trunk of 20 m; one leaves it at 8 m, two go on to its end and part there.
  const trunk = pathway(
    [
      [0, 0],
      [20, 0],
    ],
    { id: 'trunk', name: 'Trunk', heightM: 1, endM: 1 },
  )
  const left = pathway(
    [
      [20, 0],
      [20, 9],
    ],
    { id: 'left', name: 'Left', heightM: 1, endM: 1 },
  )
  const right = pathway(
    [
      [20, 0],
      [20, -5],
    ],
    { id: 'right', name: 'Right', heightM: 1, endM: 1 },
  )
  const finder = over([trunk, left, right, headEnd(0, 0)])
  const plan = pullsOf(cablesFrom(finder, [spot(8, 0, 1), spot(20, 9, 1), spot(20, -5, 1)]))
  expect(plan.turned).toEqual([])
  expect(
    plan.pulls.map(({ marks, through, togetherM, parts }) => [
      marks.join(' '),
      through.join(', '),
      +togetherM.toFixed(6),
      parts.map((part) => part.join(' ')).join(' | '),
    ]),
  ).toEqual([
    ['1 2 3', 'Trunk', 8, '2 3'],
    ['2 3', 'Trunk', 12, '2 | 3'],
    ['2', 'Left', 9, ''],
    ['3', 'Right', 5, ''],
  ])
  expect(bundlesIn(plan).map(({ marks }) => marks.join(' '))).toEqual(['1 2 3', '2 3'])
})

it('what comes the other way to a switch on site lies in the same bundle and is fed from its camera', () => {
  const trunk = pathway(
    [
      [0, 0],
      [30, 0],
    ],
    { id: 'trunk', name: 'Trunk', heightM: 1, endM: 1 },
  )
  const finder = over([trunk, headEnd(0, 0), stands('far', 30, 0, 1)])
  const [uplink, camera] = cablesFrom(finder, [spot(30, 0, 1), spot(10, 0, 1)])
  const led = (from: Spot): CableWay => ({
    ...camera!,
    found: finder.find(from, { ...EVERYTHING, to: 'stands-far' }),
  })
  const { pulls, turned, ends } = pullsOf([uplink!, led(spot(10, 0, 1))])
  expect(pulls.map(({ marks, togetherM }) => [marks.join(' '), +togetherM.toFixed(6)])).toEqual([
    ['1', 10],
    ['1 2', 20],
  ])
  expect(turned).toEqual(['2'])
  const place = (mark: string, at: string) => ends.find((one) => one.mark === mark && one.at === at)!.place
  expect(place('2', 'device')).toBe(pulls[0]!.to)
  expect([place('1', 'device'), place('2', 'goal')]).toEqual([pulls[1]!.to, pulls[1]!.to])
  expect(place('1', 'goal')).toBe(pulls[0]!.from)
})

it('every metre of every way lies in one pull, what lies together is pulled together, and pulls join up', () => {
  let bundled = 0
  const some = fc.array(crossings, { minLength: 1, maxLength: 7 })
  fc.assert(
    fc.property(yard, some, fc.nat(2), (lanes, spots, firsts) => {
      const finder = over([...lanes, headEnd(8, 8), stands('far', 0, 0, 2.5)])
      const led = cablesFrom(
        finder,
        spots.map(({ x, y }) => spot(4 * x + 0.5, 4 * y)),
      ).map((one, i) => (i % 2 === 0 ? one : { ...one, found: finder.find(one.from, FAR) }))
      const ways = led.flatMap(({ mark, found }) => ('way' in found ? [{ mark, way: found.way }] : []))
      const first = ways.slice(0, firsts).map(({ mark }) => mark)
      const plan = pullsOf(
        led,
        led.flatMap(({ mark, id }) => (first.includes(mark) ? [id] : [])),
      )
      expect(plan.first).toEqual(first)
      const alone = plan.pulls.filter(({ marks }) => marks.some((mark) => first.includes(mark)))
      expect(alone).toEqual(plan.pulls.slice(0, alone.length))
      expect(alone.every(({ marks }) => marks.length === 1)).toBe(true)
      for (const { mark, lengthM } of leadsAhead(plan))
        expect(lengthM).toBeCloseTo(drawnM(ways.find((one) => one.mark === mark)!.way), 6)
      const pulledM = (...marks: readonly string[]) =>
        plan.pulls
          .filter((pull) => marks.every((mark) => pull.marks.includes(mark)))
          .reduce((sum, { togetherM }) => sum + togetherM, 0)
      for (const { mark, way } of ways) {
        expect(pulledM(mark)).toBeCloseTo(drawnM(way), 6)
        const of = plan.pulls.filter(({ marks }) => marks.includes(mark))
        const [goal, end] = ['goal', 'device'].map(
          (at) => plan.ends.find((one) => one.mark === mark && one.at === at)?.place,
        )
        const passed = [...of.map(({ from }) => from), of.at(-1)?.to]
        if (of.length > 0)
          expect([passed[0], passed.at(-1)]).toEqual(plan.turned.includes(mark) ? [end, goal] : [goal, end])
        of.slice(1).forEach((pull, i) => {
          expect(pull.from).toBe(of[i]!.to)
          expect(of[i]!.parts.find((part) => part.includes(mark))).toEqual(
            expect.arrayContaining(pull.marks.filter((other) => of[i]!.marks.includes(other))),
          )
        })
      }
      if (plan.pulls.every(({ later }) => later.length === 0))
        ways.forEach((one, i) =>
          ways
            .slice(i + 1)
            .forEach((other) =>
              expect(pulledM(one.mark, other.mark)).toBeCloseTo(besideM(one.way, other.way), 6),
            ),
        )
      const branches: Branch[] = []
      const gather = (parts: readonly Branch[], from: readonly number[]) => {
        for (const branch of parts) {
          const { pull, back, meets } = branch
          expect(from).toContain(back ? pull.to : pull.from)
          if (meets) expect([branch.parts, branch.ends]).toEqual([[], []])
          branches.push(branch)
          gather(branch.parts, [back ? pull.from : pull.to])
        }
      }
      const trees = treesOf(plan)
      for (const { ends, parts } of trees) gather(parts, [...new Set(ends.map(({ place }) => place))])
      expect(branches.map(({ pull }) => pull).sort(byPlace)).toEqual([...plan.pulls].sort(byPlace))
      expect(branches.flatMap(({ order }) => order ?? []).sort((a, b) => a - b)).toEqual(
        bundlesIn(plan).map((_, i) => i + 1),
      )
      const told = [...trees, ...branches].flatMap(({ ends }) => ends)
      expect(new Set(told)).toEqual(new Set(plan.ends))
      expect(told).toHaveLength(plan.ends.length)
      bundled += bundlesIn(plan).length
    }),
    { numRuns: 400 },
  )
  expect(bundled).toBeGreaterThan(10)
})
const byPlace = (a: Pull, b: Pull) => a.from - b.from || a.to - b.to || (a.marks[0]! < b.marks[0]! ? -1 : 1)
const FAR = { ...EVERYTHING, to: 'stands-far' }

/** Along its lanes with their rises, and beside them on the plan, as it is drawn, m. */
const drawnM = ({ traces }: Way): number =>
  traces.reduce((sum, { points, on }) => {
    const across = points.slice(1).map((p, i) => Math.hypot(p.x - points[i]!.x, p.y - points[i]!.y))
    const rise = on ? Math.abs(on.lane.riseM * (on.to - on.from)) : 0
    return sum + across.reduce((all, one) => all + one, rise)
  }, 0)

/** How far two ways lie in the same pathways, by where they come and go in each; and beside the pathways. */
function besideM(one: Way, other: Way): number {
  const pairs = one.traces.flatMap((a) => other.traces.map((b) => [a, b] as const))
  return pairs.reduce((sum, [a, b]) => {
    if (a.on && b.on && a.on.lane === b.on.lane) {
      const [low, high] = [a.on, b.on]
        .map(({ from, to }) => [from, to].sort((x, y) => x - y))
        .reduce(([l, h], [x, y]) => [Math.max(l!, x!), Math.min(h!, y!)])
      const { lengthM, riseM } = a.on.lane
      return sum + Math.max(0, high! - low!) * (lengthM + Math.abs(riseM))
    }
    const ends = ({ points }: typeof a) =>
      points
        .map(({ x, y }) => `${x} ${y}`)
        .sort()
        .join(' ')
    if (a.on || b.on || a.floor !== b.floor || ends(a) !== ends(b)) return sum
    return sum + Math.hypot(a.points[1]!.x - a.points[0]!.x, a.points[1]!.y - a.points[0]!.y)
  }, 0)
}
