import { complex, multiply, type Complex } from 'mathjs'
import { describe, expect, it } from 'vitest'
import { dice } from '@/testing/dice'
import { area, block, soffit, wall, xy } from '@/testing/plans'
import { bearingDeg, distanceM, nearestOn, type PlanPoint } from '../geometry'
import {
  boundsOfThing,
  endNear,
  extended,
  mirrored,
  mirroredDeg,
  mirroredPoint,
  moved,
  PlanThing,
  pointsOf,
  soffitBoard,
  toEdge,
  trimmed,
  turned,
  turnedPoint,
  type Axis,
  type Edge,
  type ThingOf,
} from '.'

const things: readonly PlanThing[] = [
  wall(0, 0, 4, 3),
  soffit(0, 0, 4, 0),
  block(1, 1, 2, 3),
  block(0, 0, 1, 1, { id: 'tree', form: { is: 'round', at: xy(1, 1), radiusM: 0.5 } }),
  area(0, 0, 2, 2),
  { id: 'w', floor: 'ground', name: '', locked: false, kind: 'walk', path: [xy(0, 0), xy(2, 2), xy(5, 1)] },
]
const AXES: readonly Axis[] = ['upright', 'level']
const same = (a: PlanPoint, b: PlanPoint) => expect(distanceM(a, b)).toBeLessThan(1e-5)

describe('turning', () => {
  it('is the product of complex numbers, clockwise on a sheet whose y goes up', () => {
    const throwDie = dice(3)
    for (let turn = 0; turn < 100; turn++) {
      const [point, about, deg] = [
        xy(throwDie(-9, 9), throwDie(-9, 9)),
        xy(throwDie(-9, 9), throwDie(-9, 9)),
        throwDie(-400, 400),
      ]
      const rad = (-deg * Math.PI) / 180
      const way = complex(point.x - about.x, point.y - about.y)
      const by = multiply(way, complex(Math.cos(rad), Math.sin(rad))) as Complex
      same(turnedPoint(point, about, deg), xy(about.x + by.re, about.y + by.im))
    }
  })
  it.each(things.map((thing) => [`${thing.kind} ${thing.id}`, thing] as const))(
    '%s: four quarters make a whole, every one of them valid',
    (_, thing) => {
      let now = thing
      for (let quarter = 0; quarter < 4; quarter++) now = PlanThing.parse(turned(now, xy(1.5, -2), 90))
      expect(now).toEqual(thing)
    },
  )
  it('turns a wall’s bearing by just as much', () => {
    const { from, to } = turned(wall(0, 0, 0, 5), xy(7, 7), 30) as ThingOf<'wall'>
    expect(bearingDeg(from, to)).toBeCloseTo(30, 4)
  })
})

describe('mirroring', () => {
  it.each(things.flatMap((thing) => AXES.map((axis) => [thing.id, axis, thing] as const)))(
    '%s, %s: twice is as it was, and once keeps its bounds',
    (_, axis, thing) => {
      const { left, right, top, bottom } = boundsOfThing(thing)
      const about = xy((left + right) / 2, (top + bottom) / 2)
      const once = PlanThing.parse(mirrored(thing, about, axis))
      expect(mirrored(once, about, axis)).toEqual(thing)
      expect(boundsOfThing(once)).toEqual(boundsOfThing(thing))
    },
  )
  it('leaves the board of a soffit on the side where its wall is', () => {
    const eaves = soffit(0, 0, 4, 0)
    const board = soffitBoard(mirrored(eaves, xy(0, 0), 'level') as ThingOf<'soffit'>)
    const wanted = soffitBoard(eaves).map((point) => mirroredPoint(point, xy(0, 0), 'level'))
    for (const corner of wanted)
      expect(Math.min(...board.map((point) => distanceM(point, corner)))).toBeLessThan(1e-5)
  })
  it.each(AXES)('a bearing is mirrored as the way it points in: %s', (axis) => {
    for (let deg = 0; deg < 360; deg += 15) {
      const rad = (deg * Math.PI) / 180
      const tip = mirroredPoint(xy(Math.sin(rad), Math.cos(rad)), xy(0, 0), axis)
      const off = Math.abs(mirroredDeg(deg, axis) - bearingDeg(xy(0, 0), tip)) % 360
      expect(Math.min(off, 360 - off)).toBeLessThan(1e-6)
      expect(mirroredDeg(deg, axis) >= 0 && mirroredDeg(deg, axis) < 360).toBe(true)
    }
  })
})

describe('lining up', () => {
  const [small, large] = [block(1, 1, 1, 1), block(4, 3, 2, 5)]
  const all = { left: 1, right: 6, bottom: 1, top: 8 }
  const after = (edge: Edge) =>
    [small, large].map((one) => boundsOfThing(moved(one, ...toEdge(boundsOfThing(one), all, edge))))
  it.each([
    ['left', (b: typeof all) => b.left, 1],
    ['right', (b: typeof all) => b.right, 6],
    ['top', (b: typeof all) => b.top, 8],
    ['bottom', (b: typeof all) => b.bottom, 1],
    ['centre', (b: typeof all) => (b.left + b.right) / 2, 3.5],
    ['middle', (b: typeof all) => (b.top + b.bottom) / 2, 4.5],
  ] as const)('%s', (edge, of, at) => expect(after(edge).map((b) => of(b))).toEqual([at, at]))
})

describe('walls that meet', () => {
  const opening = { id: 'door', name: '', alongM: 1, widthM: 0.9, sillM: 0, headM: 2.1 }
  const fence = wall(0, 0, 6, 0, { id: 'fence', openings: [opening] })
  const across = (x: number) => wall(x, -5, x, 5, { id: `across-${x}` })
  const ends = (made: ReturnType<typeof extended>) =>
    made && [made.from.x, made.to.x].map((x) => Math.round(x * 1e9) / 1e9)

  it('is carried on to the next wall, not to the one behind it', () => {
    expect(ends(extended(fence, 'to', [fence, across(20), across(9)]))).toEqual([0, 9])
    expect(ends(extended(fence, 'from', [fence, across(-3)]))).toEqual([-3, 6])
  })
  it('is not carried on where none stands, nor to another floor, nor to one it meets already', () => {
    expect(extended(fence, 'to', [fence, wall(9, 1, 9, 5)])).toBeNull()
    expect(extended(fence, 'to', [fence, { ...across(9), floor: 'roof' }])).toBeNull()
    expect(extended(fence, 'to', [fence, across(6)])).toBeNull()
  })
  it('is cut back to the last wall that crosses it', () => {
    expect(ends(trimmed(fence, 'to', [fence, across(3), across(5)]))).toEqual([0, 5])
    expect(ends(trimmed(fence, 'from', [fence, across(0.5)]))).toEqual([0.5, 6])
    expect(trimmed(fence, 'to', [fence])).toBeNull()
  })
  it('never through a door', () => {
    expect(trimmed(fence, 'to', [fence, across(1.5)])).toBeNull()
    expect(ends(trimmed(fence, 'to', [fence, across(1.9)]))).toEqual([0, 1.9])
    expect(trimmed(fence, 'from', [fence, across(1.2)])).toBeNull()
  })
  it('its door stays where it is, whichever end moves', () => {
    for (const made of [extended(fence, 'from', [across(-3)]), trimmed(fence, 'from', [across(0.5)])])
      expect(made!.from.x + made!.openings[0]!.alongM).toBeCloseTo(1, 6)
    expect(extended(fence, 'to', [across(9)])!.openings).toEqual([opening])
  })
  it('ends on the other wall and runs as it ran, at any slant', () => {
    const throwDie = dice(8)
    const point = () => xy(throwDie(-20, 20), throwDie(-20, 20))
    let met = 0
    for (let turn = 0; turn < 300; turn++) {
      const [a, b, c, d] = [point(), point(), point(), point()]
      const [one, other] = [wall(a.x, a.y, b.x, b.y), wall(c.x, c.y, d.x, d.y)]
      for (const made of [extended(one, 'to', [other]), trimmed(one, 'to', [other])]) {
        if (!made) continue
        met++
        expect(nearestOn(other.from, other.to, made.to).distanceM).toBeLessThan(1e-6)
        expect(
          nearestOn(one.from, one.to, made.to).distanceM < 2e-6 || distanceM(a, made.to) > distanceM(a, b),
        ).toBe(true)
        expect(Math.cos(((bearingDeg(a, b) - bearingDeg(made.from, made.to)) * Math.PI) / 180)).toBeCloseTo(
          1,
          9,
        )
      }
    }
    expect(met).toBeGreaterThan(60)
  })
  it('knows which end the hand is at', () => {
    expect([endNear(fence, xy(1, 1)), endNear(fence, xy(5, 1))]).toEqual(['from', 'to'])
    expect(pointsOf(fence)).toHaveLength(2)
  })
})
