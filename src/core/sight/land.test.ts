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
import { device, job } from '@/testing/jobs'
import { area, block, flat, level, looking, onGround, wall, xy } from '@/testing/plans'
import type { PlanThing, Sight, ThingOf } from '../job'
import { resolve } from '../parts'
import { groundM, landBetween, landOf, type Land } from './land'
import {
  assessSight,
  cellMiddle,
  eachSeen,
  gridOver,
  imagerOf,
  lensQuestion,
  proposeSight,
  scratchFor,
  sightStage,
  survey,
  whoSees,
  type Setting,
} from '.'

const BULLET = CATALOGUE.cameras.get('bullet-4mp-vf')!
const GRID = gridOver({ left: -8, right: 8, bottom: 0, top: 16 }, 0.5)
const eye = (z = 3, tiltDeg = 15) => ({
  imager: imagerOf(BULLET, 2.8, false),
  pose: looking(0, 0, z, 0, tiltDeg),
})
const camera = { deviceId: 'd', mark: '01', eye: eye() }
const real = (min: number, max: number) => fc.double({ min, max, noNaN: true })

/** What a camera makes of every cell: its density, negative where it is hidden; 0 out of the picture. */
function looked(setting: Setting, planeM = 0, from = eye()): Float64Array {
  const found = new Float64Array(GRID.columns * GRID.rows)
  eachSeen(from, setting, GRID, planeM, scratchFor(GRID), (cell, pxM, hidden) => {
    found[cell] = hidden ? -pxM : pxM
  })
  return found
}

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
          const things = points.map(([x, y], i) => level([[x, y]], plane(x, y), `l${i}`))
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
    expect(groundM(landOf([level([[3, 4]], -1.5)], 'ground'), xy(40, 40))).toBe(-1.5)
    const two = landOf(
      [
        level(
          [
            [0, 0],
            [10, 0],
          ],
          0,
        ),
        level(
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
        level(
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
    expect(landOf([level([[0, 0]], 2)], 'upper')).toBeNull()
  })
})

describe('what the ground hides', () => {
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
        ...rim.map((at, i) => level([at], roll(-1, 1), `r${i}`)),
        ...Array.from({ length: 8 }, (_, i) => level([[roll(-18, 18), roll(-18, 18)]], roll(-3, 3), `h${i}`)),
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
      level(
        [
          [-20, -5],
          [20, -5],
        ],
        0,
      ),
      level(
        [
          [-20, 6],
          [20, 6],
        ],
        0,
        'b',
      ),
      level(
        [
          [-20, 7],
          [20, 7],
        ],
        -2,
        'c',
      ),
      level(
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

describe('a survey of ground that slopes', () => {
  const fence = [wall(-3, 6, 3, 6, { heightM: 1.2 }), block(-6, 9, 2, 2, { heightM: 1 })]
  it('of level ground is that of the flat plan, and of raised ground that of a raised plane', () => {
    for (const at of [0, 0.7]) {
      const raised = looked(onGround([...fence, level([[0, 0]], at)]))
      const plain = looked(onGround(fence), at)
      const off = [...raised].filter((one, i) => Math.abs(one - plain[i]!) > 1e-3)
      expect(off, `${at} m`).toHaveLength(0)
    }
    // Of ground that is 1.1 m lower the fence stands on it, 2.3 m high, and the lens 4.1 m above it.
    const taller = [wall(-3, 6, 3, 6, { heightM: 2.3 }), block(-6, 9, 2, 2, { heightM: 2.1 })]
    const lower = looked(onGround([...fence, level([[0, 0]], -1.1)]))
    const plain = looked(onGround(taller), 0, eye(4.1))
    expect([...lower].filter((one, i) => Math.abs(one - plain[i]!) > 1e-3)).toHaveLength(0)
  })
  it.each([
    [
      'a slope behind a fence',
      [
        [0, 0.5],
        [16, -1.5],
      ],
      fence,
      1,
    ],
    [
      'a brow',
      [
        [0, 0],
        [6, 0],
        [7, -2],
        [16, -2],
      ],
      [],
      0,
    ],
    [
      'a ridge as high as the lens in part',
      [
        [0, 0],
        [5, 1.8],
        [9, 0.4],
        [12, 2.6],
        [16, 0],
      ],
      [],
      0.5,
    ],
    [
      'a bank above the lens',
      [
        [0, 0],
        [6, 3.6],
        [9, 3.6],
        [12, 5],
        [16, 6],
      ],
      [],
      0,
    ],
  ] as const)(
    'says of every cell what asking at its middle says, but for edges: %s',
    (_, rows, things, planeM) => {
      const levels = rows.map(([y, z], i) =>
        level(
          [
            [-20, y],
            [20, y],
          ],
          z,
          `l${i}`,
          z + (i % 2) * 0.6,
        ),
      )
      const setting = onGround([...things, ...levels])
      const found = looked(setting, planeM)
      let differ = 0
      for (let cell = 0; cell < found.length; cell++) {
        const { seen, hidden } = whoSees(cellMiddle(GRID, cell), planeM, [camera], setting, '2014')
        const pxM = seen[0]?.densityPxM ?? 0
        if (Math.sign(found[cell]!) !== (pxM > 0 ? 1 : -Math.sign(hidden.length))) differ++
        else if (pxM > 0) expect(found[cell]).toBeCloseTo(pxM, 3)
      }
      const pictured = found.filter((one) => one !== 0).length
      const behind = found.filter((one) => one < 0).length
      expect([behind > 10, pictured - behind > 50]).toEqual([true, true])
      expect(differ / pictured).toBeLessThan(things.length > 0 ? 0.03 : 1e-9)
    },
  )
  it('areas are judged on their own ground', () => {
    const of = (...levels: PlanThing[]) =>
      survey({
        floor: 'ground',
        ...flat([area(-1, 7, 2, 2, { targetHeightM: 0 }), ...fence, ...levels]),
        backgrounds: [],
        cameras: [camera],
        planeM: 0,
        edition: '2014',
      }).areas[0]!
    // 3 m up, over a fence of 1.2 m 6 m out: ground is seen from 10 m on. Raised by 1 m: from 6.7 m on.
    expect(of()).toMatchObject({ hidden: 1, hiddenBy: 'a wall' })
    expect(of(level([[0, 8]], 1)).hidden).toBe(0)
    expect(of(level([[0, 8]], 0.3)).hidden).toBe(1)
  })
})

describe('one device on ground that slopes', () => {
  const sight = (change: Partial<Sight>) => {
    const context = resolve(device(), job(), CATALOGUE)
    if ('missing' in context) throw new Error('missing')
    const place = { floor: 'ground' as const, x: 0, y: 0, panDeg: 0, rollDeg: 0, locked: false }
    return { ...proposeSight(context), heightM: 3, targetDistanceM: 10, tiltDeg: 10, place, ...change }
  }
  const on = (things: PlanThing[]) => {
    const context = resolve(device(), job({ things }), CATALOGUE)
    if ('missing' in context) throw new Error('missing')
    return context
  }
  it('looks as steeply down on its target as the ground there makes it', () => {
    const slope = [
      level(
        [
          [-9, 0],
          [9, 0],
        ],
        0,
      ),
      level(
        [
          [-9, 20],
          [9, 20],
        ],
        -4,
        'b',
      ),
    ]
    const faceDeg = (things: PlanThing[]) => assessSight(on(things), sight({})).drawing.faceAngleDeg
    // A face of 1.6 m, 10 m out: 1.4 m below the lens on the level, 3.4 m on ground that is 2 m lower there.
    expect(faceDeg([])).toBeCloseTo((Math.atan2(1.4, 10) * 180) / Math.PI, 9)
    expect(faceDeg(slope)).toBeCloseTo((Math.atan2(3.4, 10) * 180) / Math.PI, 9)
    const unjudged = (things: PlanThing[]) => sightStage.unjudged(on(things), sight({})).join(' ')
    expect(unjudged(slope)).toMatch(/Ground that slopes/)
    expect(unjudged([])).not.toMatch(/slopes/)
  })
  it('is asked for a lens that shows its target, an area or a spot where they lie', () => {
    const things = [level([[0, 0]], -2)]
    const [only, gate] = [sight({}), area(-1, 8, 2, 2)]
    const heights = (what: ThingOf<'area'> | null, on: PlanThing[]) =>
      lensQuestion(only, [0, 90], 'metric', what, flat(on)).points.map(({ z }) => z)
    expect([heights(null, things), heights(gate, things)]).toEqual([[1.6 - 2], Array(4).fill(1.6 - 2)])
    expect([heights(null, []), heights(gate, [])]).toEqual([[1.6], Array(4).fill(1.6)])
  })
  it('has its target hidden by a rise, and the advice is about that', () => {
    const ridge = [
      level(
        [
          [-9, 0],
          [9, 0],
        ],
        0,
      ),
      level(
        [
          [-9, 5],
          [9, 5],
        ],
        2.6,
        'b',
      ),
      level(
        [
          [-9, 10],
          [9, 10],
        ],
        0,
        'c',
      ),
    ]
    const found = assessSight(on(ridge), sight({})).findings.find(({ id }) => id === 'sight/hidden')
    expect(found).toMatchObject({
      verdict: 'stop',
      reason: expect.stringMatching(/^The ground stands in between/) as string,
    })
  })
})
