import fc from 'fast-check'
import {
  BufferAttribute,
  BufferGeometry,
  DoubleSide,
  Mesh,
  MeshBasicMaterial,
  Raycaster,
  Vector3,
} from 'three'
import { describe, expect, it } from 'vitest'
import { CATALOGUE } from '@/catalogue'
import { dice } from '@/testing/dice'
import { groundLevel, looking, onGround, wall, xy } from '@/testing/plans'
import { landBetween } from './brows'
import { groundM, landOf, type Land } from './land'
import { imagerOf, whoSees } from '.'

const real = (min: number, max: number) => fc.double({ min, max, noNaN: true })

describe('the height of the ground', () => {
  it('is exact on a slope, whatever points it was told by, and flat beyond them along their edge', () => {
    fc.assert(
      fc.property(
        real(-0.5, 0.5),
        real(-0.5, 0.5),
        fc.uniqueArray(fc.tuple(fc.integer({ min: -9, max: 9 }), fc.integer({ min: -9, max: 9 })), {
          minLength: 4,
          maxLength: 20,
          selector: ([x, y]) => `${x} ${y}`,
        }),
        fc.array(real(0, 1), { minLength: 20, maxLength: 20 }),
        (east, north, points, weights) => {
          const plane = (x: number, y: number) => 1 + east * x + north * y
          const things = points.map(([x, y], i) => groundLevel([[x, y]], plane(x, y), `l${i}`))
          const land = landOf(things, 'ground')
          // Any mean of the points lies inside them.
          const sum = points.reduce((all, _, i) => all + weights[i]! + 1e-9, 0)
          const mean = (of: 0 | 1) =>
            points.reduce((all, point, i) => all + point[of] * (weights[i]! + 1e-9), 0) / sum
          const [x, y] = [mean(0), mean(1)]
          // Of points on one line only the line is known.
          if (land!.facets.length > 0) expect(groundM(land, { x, y })).toBeCloseTo(plane(x, y), 6)
          for (const [px, py] of points) expect(groundM(land, { x: px, y: py })).toBeCloseTo(plane(px, py), 6)
        },
      ),
      { numRuns: 200 },
    )
  })
  it('one point is one height everywhere; a line keeps its height; beyond, the nearest edge has it', () => {
    expect(groundM(landOf([groundLevel([[3, 4]], -1.5)], 'ground'), xy(40, 40))).toBe(-1.5)
    const two = landOf(
      [
        groundLevel(
          [
            [0, 0],
            [10, 0],
          ],
          0,
        ),
        groundLevel(
          [
            [0, 10],
            [10, 10],
          ],
          2,
          'b',
        ),
      ],
      'ground',
    )
    expect([xy(3.3, 0), xy(7, 10), xy(5, 5), xy(5, 25), xy(-9, 2.5)].map((at) => groundM(two, at))).toEqual([
      0,
      expect.closeTo(2, 9),
      expect.closeTo(1, 9),
      expect.closeTo(2, 9),
      expect.closeTo(0.5, 9),
    ])
    // A ramp's edge with a corner in it falls evenly along its 10 m.
    const ramp = landOf(
      [
        groundLevel(
          [
            [0, 0],
            [6, 0],
            [6, 4],
          ],
          1,
          'r',
          -1,
        ),
      ],
      'ground',
    )
    expect([xy(0, 0), xy(3, 0), xy(6, 0), xy(6, 4)].map((at) => groundM(ramp, at))).toEqual([
      1,
      expect.closeTo(0.4, 9),
      expect.closeTo(-0.2, 9),
      -1,
    ])
    expect(groundM(landOf([wall(0, 0, 4, 0)], 'ground'), xy(1, 1))).toBe(0)
    expect(landOf([groundLevel([[0, 0]], 2)], 'upper')).toBeNull()
  })
})

describe('ground drawn without measure', () => {
  it('long lines all over the widest plan are taken up within bounds, and have their heights', () => {
    const roll = dice(5)
    const corner = () => [roll(-5000, 5000), roll(-5000, 5000)] as const
    const lines = Array.from({ length: 300 }, (_, i) =>
      groundLevel([corner(), corner()], roll(-50, 50), `l${i}`),
    )
    const land = landOf(lines, 'ground')!
    expect(land.facets.length).toBeLessThan(40_000)
    expect(land.squares.size).toBeLessThanOrEqual(65 * 65)
    for (const { path, groundM: height } of lines.slice(0, 40))
      expect(groundM(land, path[0]!)).toBeCloseTo(height, 6)
  })
  it('more points than can be told at once', () => {
    const roll = dice(6)
    const lines = Array.from({ length: 1000 }, (_, i) =>
      groundLevel(
        Array.from({ length: 150 }, () => [roll(-90, 90), roll(-90, 90)] as const),
        roll(-5, 5),
        `l${i}`,
      ),
    )
    const { leastM, mostM } = landOf(lines, 'ground')!
    expect([leastM, mostM]).toEqual([
      lines.reduce((least, one) => Math.min(least, one.groundM), Infinity),
      lines.reduce((most, one) => Math.max(most, one.groundM), -Infinity),
    ])
  })
  it.each<readonly [string, readonly (readonly [number, number])[]]>([
    ['one point', [[1, 1]]],
    [
      'a point twice',
      [
        [1, 1],
        [1, 1],
      ],
    ],
    [
      'a line there and back',
      [
        [0, 0],
        [4, 0],
        [0, 0],
      ],
    ],
    [
      'three on one line',
      [
        [0, 0],
        [4, 0],
        [9, 0],
      ],
    ],
  ])('%s is ground of its height', (_, path) => {
    const land = landOf([groundLevel(path, 1.5)], 'ground')
    expect([xy(0, 0), xy(2, 0), xy(-40, 7)].map((at) => groundM(land, at))).toEqual([1.5, 1.5, 1.5])
  })
})

describe('what the ground hides', () => {
  const camera = {
    deviceId: 'd',
    mark: '01',
    eye: {
      imager: imagerOf(CATALOGUE.cameras.get('bullet-4mp-vf')!, 2.8, false),
      pose: looking(0, 0, 3, 0, 15),
    },
  }

  it('is what the rays of a general 3D library (three) meet of its triangles', () => {
    const roll = dice(31)
    const meshOf = ({ facets }: Land, byM: number) => {
      const at = facets.flatMap((facet) => facet.flatMap(({ x, y, z }) => [x, z + byM, -y]))
      const geometry = new BufferGeometry()
      geometry.setAttribute('position', new BufferAttribute(new Float32Array(at), 3))
      return new Mesh(geometry, new MeshBasicMaterial({ side: DoubleSide }))
    }
    let [free, hidden] = [0, 0]
    for (let turn = 0; turn < 30; turn++) {
      const rim = [
        [-20, -20],
        [20, -20],
        [20, 20],
        [-20, 20],
      ] as const
      const things = [
        ...rim.map((at, i) => groundLevel([at], roll(-1, 1), `r${i}`)),
        ...Array.from({ length: 8 }, (_, i) =>
          groundLevel([[roll(-18, 18), roll(-18, 18)]], roll(-3, 3), `h${i}`),
        ),
      ]
      const land = landOf(things, 'ground')!
      // A ray that grazes the ground may fall either way: raised and lowered ground must agree on it.
      const [high, low] = [meshOf(land, 0.1), meshOf(land, -0.1)]
      for (let shot = 0; shot < 60; shot++) {
        const [x, y, u, v] = [roll(-18, 18), roll(-18, 18), roll(-18, 18), roll(-18, 18)]
        const from = { x, y, z: groundM(land, { x, y }) + roll(0.5, 4) }
        const to = { x: u, y: v, z: groundM(land, { x: u, y: v }) + roll(0.5, 2) }
        const [a, b] = [from, to].map((p) => new Vector3(p.x, p.z, -p.y)) as [Vector3, Vector3]
        const way = b.clone().sub(a)
        const long = way.length()
        const ray = new Raycaster(a, way.normalize(), 0.35, long - 0.35)
        const [met, meetsLow] = [high, low].map((mesh) => ray.intersectObject(mesh).length > 0)
        if (met !== meetsLow) continue
        expect(landBetween(land.brows, from, to) !== null, JSON.stringify([turn, from, to])).toBe(met)
        if (met) hidden++
        else free++
      }
    }
    expect(Math.min(free, hidden)).toBeGreaterThan(200)
  })
  it('a camera does not see over the brow of a terrace; standing nearer its edge, it does', () => {
    // Level ground, and a bank down to 2 m lower between 6 and 7 m out.
    const bank = [
      groundLevel(
        [
          [-20, -5],
          [20, -5],
        ],
        0,
      ),
      groundLevel(
        [
          [-20, 6],
          [20, 6],
        ],
        0,
        'b',
      ),
      groundLevel(
        [
          [-20, 7],
          [20, 7],
        ],
        -2,
        'c',
      ),
      groundLevel(
        [
          [-20, 20],
          [20, 20],
        ],
        -2,
        'd',
      ),
    ]
    // From 3 m up the line over the brow 6 m out comes down on the lower ground 10 m out.
    const sees = (y: number) => whoSees(xy(0, y), 0, [camera], onGround(bank), '2014')
    expect(sees(9.7)).toMatchObject({ seen: [], hidden: [{ mark: '01', by: 'the ground' }] })
    expect(sees(10.3).seen).toHaveLength(1)
    expect(whoSees(xy(0, 8), 1.6, [camera], onGround(bank), '2014').seen).toHaveLength(1)
  })
})
