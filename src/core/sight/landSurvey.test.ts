import { describe, expect, it } from 'vitest'
import { CATALOGUE } from '@/catalogue'
import { device, job } from '@/testing/jobs'
import { area, block, flat, groundLevel, looking, onGround, wall } from '@/testing/plans'
import type { PlanThing, Sight, ThingOf } from '../job'
import { resolve } from '../parts'
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

/** What a camera makes of every cell: its density, negative where it is hidden; 0 out of the picture. */
function looked(setting: Setting, planeM = 0, from = eye()): Float64Array {
  const found = new Float64Array(GRID.columns * GRID.rows)
  eachSeen(from, setting, GRID, planeM, scratchFor(GRID), (cell, pxM, hidden) => {
    found[cell] = hidden ? -pxM : pxM
  })
  return found
}

describe('a survey of ground that slopes', () => {
  const fence = [wall(-3, 6, 3, 6, { heightM: 1.2 }), block(-6, 9, 2, 2, { heightM: 1 })]
  it('of level ground is that of the flat plan, and of raised ground that of a raised plane', () => {
    for (const at of [0, 0.7]) {
      const raised = looked(onGround([...fence, groundLevel([[0, 0]], at)]))
      const plain = looked(onGround(fence), at)
      const off = [...raised].filter((one, i) => Math.abs(one - plain[i]!) > 1e-3)
      expect(off, `${at} m`).toHaveLength(0)
    }
    // Of ground that is 1.1 m lower the fence stands on it, 2.3 m high, and the lens 4.1 m above it.
    const taller = [wall(-3, 6, 3, 6, { heightM: 2.3 }), block(-6, 9, 2, 2, { heightM: 2.1 })]
    const lower = looked(onGround([...fence, groundLevel([[0, 0]], -1.1)]))
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
        groundLevel(
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
      let [differ, seenWrongly] = [0, 0]
      for (let cell = 0; cell < found.length; cell++) {
        const { seen, hidden } = whoSees(cellMiddle(GRID, cell), planeM, [camera], setting, '2014')
        const pxM = seen[0]?.densityPxM ?? 0
        if (Math.sign(found[cell]!) !== (pxM > 0 ? 1 : -Math.sign(hidden.length))) {
          differ++
          if (found[cell]! > 0) seenWrongly++
        } else if (pxM > 0) expect(found[cell]).toBeCloseTo(pxM, 3)
      }
      const pictured = found.filter((one) => one !== 0).length
      const behind = found.filter((one) => one < 0).length
      expect([behind > 10, pictured - behind > 50]).toEqual([true, true])
      expect(seenWrongly).toBe(0) // sooner hidden than seen
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
    expect(of(groundLevel([[0, 8]], 1)).hidden).toBe(0)
    expect(of(groundLevel([[0, 8]], 0.3)).hidden).toBe(1)
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
      groundLevel(
        [
          [-9, 0],
          [9, 0],
        ],
        0,
      ),
      groundLevel(
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
    const things = [groundLevel([[0, 0]], -2)]
    const [only, gate] = [sight({}), area(-1, 8, 2, 2)]
    const heights = (what: ThingOf<'area'> | null, on: PlanThing[]) =>
      lensQuestion(only, [0, 90], 'metric', what, flat(on)).points.map(({ z }) => z)
    expect([heights(null, things), heights(gate, things)]).toEqual([[1.6 - 2], Array(4).fill(1.6 - 2)])
    expect([heights(null, []), heights(gate, [])]).toEqual([[1.6], Array(4).fill(1.6)])
  })
  it('has its target hidden by a rise, and the advice is about that', () => {
    const ridge = [
      groundLevel(
        [
          [-9, 0],
          [9, 0],
        ],
        0,
      ),
      groundLevel(
        [
          [-9, 5],
          [9, 5],
        ],
        2.6,
        'b',
      ),
      groundLevel(
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
