import {
  BufferAttribute,
  BufferGeometry,
  DoubleSide,
  Mesh,
  MeshBasicMaterial,
  PerspectiveCamera,
  Raycaster,
  Vector3,
} from 'three'
import { compute as visibilityPolygon, inPolygon } from 'visibility-polygon'
import { describe, expect, it } from 'vitest'
import type { PlanThing } from '../job'
import { dice } from '@/testing/dice'
import {
  ALL_ROUND,
  area,
  block,
  flat,
  looking,
  onGround,
  rectangle,
  soffit,
  thing,
  wall,
  xy,
} from '@/testing/plans'
import {
  cellAt,
  cellMiddle,
  densityAt,
  eachSeen,
  firstBetween,
  gridOver,
  imagerOf,
  inFrame,
  judgeSurvey,
  nearEdge,
  project,
  scratchFor,
  survey,
  SOLID,
  type Eye,
  type Pose,
} from '.'

const FOUR_MP = {
  sensor: { widthMm: 5.38, heightMm: 3.04, widthPx: 2688, heightPx: 1520 },
  lens: { kind: 'rectilinear' as const, focalMm: [2.8, 12] as const },
}

function randomThings(roll: ReturnType<typeof dice>, walls: number): PlanThing[] {
  const plain = Array.from({ length: walls }, (_, i) => {
    const [x, y, turn, length] = [roll(0, 40), roll(0, 30), roll(0, 6.28), roll(1, 7)]
    return wall(x, y, x + Math.cos(turn) * length, y + Math.sin(turn) * length, {
      id: `w${i}`,
      baseM: i % 5 === 0 ? roll(0.5, 2) : 0,
      heightM: roll(0.6, 5),
      openings:
        i % 4 === 0
          ? [
              {
                id: 'o',
                name: '',
                alongM: length * 0.2,
                widthM: length * 0.5,
                sillM: roll(0, 0.9),
                headM: roll(1, 2.2),
              },
            ]
          : [],
    })
  })
  return [
    ...plain,
    block(roll(2, 30), roll(2, 25), roll(1, 5), roll(1, 4), { heightM: roll(0.5, 4) }),
    soffit(5, 15, 20, 17, { undersideM: roll(2.2, 3.5), lipM: 0.3 }),
  ]
}

/** The same things as triangles for the general library: one quad an upright, a fan a board. */
function meshOf(things: readonly PlanThing[]): Mesh {
  const { uprights, boards } = onGround(things)
  const at: number[] = []
  const put = (...corners: (readonly [number, number, number])[]) => {
    for (let i = 1; i + 1 < corners.length; i++)
      for (const [x, y, z] of [corners[0]!, corners[i]!, corners[i + 1]!]) at.push(x, z, -y)
  }
  for (const { a, b, fromM, toM } of uprights)
    put([a.x, a.y, fromM], [b.x, b.y, fromM], [b.x, b.y, toM], [a.x, a.y, toM])
  for (const { outline, heightM } of boards) put(...outline.map(({ x, y }) => [x, y, heightM] as const))
  const geometry = new BufferGeometry()
  geometry.setAttribute('position', new BufferAttribute(new Float32Array(at), 3))
  return new Mesh(geometry, new MeshBasicMaterial({ side: DoubleSide }))
}

const threeCamera = ({ imager, pose }: Eye) => {
  const rad = Math.PI / 180
  // of the chip: its pixels need not be square
  const aspect = Math.tan((imager.horizontalFovDeg * rad) / 2) / Math.tan((imager.verticalFovDeg * rad) / 2)
  const camera = new PerspectiveCamera(imager.verticalFovDeg, aspect, 0.01, 10_000)
  camera.position.set(pose.x, pose.z, -pose.y)
  camera.rotation.set(-pose.tiltDeg * rad, -pose.panDeg * rad, -pose.rollDeg * rad, 'YXZ')
  camera.updateMatrixWorld()
  return camera
}

describe('what a camera sees, against ray casting and projection by a general 3D library (three)', () => {
  it.each(Array.from({ length: 12 }, (_, i) => i))(
    'scene %i: the same cells in the picture, hidden and free',
    (seed) => {
      const roll = dice(seed * 7919 + 3)
      const things = randomThings(roll, 24)
      const eye: Eye = {
        imager: imagerOf(FOUR_MP, roll(2.8, 6), seed % 3 === 0),
        pose: looking(
          roll(0, 40),
          roll(0, 30),
          roll(1, 6),
          roll(0, 360),
          roll(-5, 50),
          seed % 2 === 0 ? roll(-30, 30) : 0,
        ),
      }
      const planeM = seed % 2 === 0 ? 0 : 1.6
      const grid = gridOver({ left: 0, right: 40, bottom: 0, top: 30 }, 0.5)
      const state = new Int8Array(grid.columns * grid.rows) // 0 not in the picture, 1 seen, 2 hidden
      const density = new Float32Array(state.length)
      const occluders = onGround(things)
      eachSeen(eye, occluders, grid, planeM, scratchFor(grid), (cell, pxM, hidden) => {
        state[cell] = hidden ? 2 : 1
        density[cell] = pxM
      })

      const camera = threeCamera(eye)
      const mesh = meshOf(things)
      const from = new Vector3(eye.pose.x, eye.pose.z, -eye.pose.y)
      let [checked, differing] = [0, 0]
      for (let cell = 0; cell < state.length; cell += 3) {
        const { x, y } = cellMiddle(grid, cell)
        const to = new Vector3(x, planeM, -y)
        const ndc = to.clone().project(camera)
        const ahead = to.clone().sub(from).dot(camera.getWorldDirection(new Vector3())) > 0.01
        const edge = Math.min(Math.abs(Math.abs(ndc.x) - 1), Math.abs(Math.abs(ndc.y) - 1)) < 1e-6
        const inPicture = ahead && Math.abs(ndc.x) <= 1 && Math.abs(ndc.y) <= 1
        if (!edge) expect([cell, state[cell] !== 0]).toEqual([cell, inPicture])
        if (!inPicture || edge) continue
        const length = from.distanceTo(to)
        const hits = new Raycaster(
          from,
          to.clone().sub(from).normalize(),
          1e-5,
          length - 1e-5,
        ).intersectObject(mesh)
        checked++
        if (hits.length > 0 !== (state[cell] === 2)) differing++
        expect(Math.abs(density[cell]! - densityAt(eye.imager, eye.pose, { x, y, z: planeM }))).toBeLessThan(
          1e-3 * density[cell]!,
        )
        expect(firstBetween(occluders, eye.pose, { x, y, z: planeM }) !== null).toBe(state[cell] === 2)
      }
      // The other library works in single precision: a ray along an edge may fall either way.
      expect(differing).toBeLessThanOrEqual(Math.ceil(checked * 0.002))
    },
  )

  it('sees the region that a general visibility-polygon library finds among walls higher than the lens', () => {
    const roll = dice(11)
    for (let scene = 0; scene < 10; scene++) {
      // Short walls, one a square of a chessboard, so that none cross.
      const things = Array.from({ length: 24 }, (_, i) => {
        const [x, y, turn] = [(i % 6) * 6 + 3, Math.floor(i / 6) * 6 + 3, roll(0, 6.28)]
        return wall(
          x - Math.cos(turn) * 2,
          y - Math.sin(turn) * 2,
          x + Math.cos(turn) * 2,
          y + Math.sin(turn) * 2,
          { id: `w${i}`, heightM: 20 },
        )
      })
      const at = xy(roll(1, 35), roll(1, 23))
      const grid = gridOver({ left: 0, right: 36, bottom: 0, top: 24 }, 0.25)
      const seen = new Uint8Array(grid.columns * grid.rows)
      eachSeen(
        { imager: ALL_ROUND, pose: looking(at.x, at.y, 3, 0, 90) },
        onGround(things),
        grid,
        0,
        scratchFor(grid),
        (cell, _, hidden) => (seen[cell] = hidden ? 0 : 1),
      )
      const border = rectangle(0, 0, 36, 24)
      const segments = [
        ...things.map(
          ({ from, to }) =>
            [
              [from.x, from.y],
              [to.x, to.y],
            ] as [number, number][],
        ),
        ...border.map((a, i): [number, number][] => [
          [a.x, a.y],
          [border[(i + 1) % 4]!.x, border[(i + 1) % 4]!.y],
        ]),
      ]
      const region = visibilityPolygon([at.x, at.y], segments)
      let differing = 0
      seen.forEach((own, cell) => {
        const { x, y } = cellMiddle(grid, cell)
        if (inPolygon([x, y], region) !== (own === 1)) differing++
      })
      expect(differing / seen.length).toBeLessThan(0.002)
    }
  })
})

describe('heights', () => {
  const eye = (z: number): Eye => ({ imager: imagerOf(FOUR_MP, 2.8, false), pose: looking(0, 0, z, 0, 10) })
  const free = (things: readonly PlanThing[], z: number, y: number, at: number) =>
    firstBetween(onGround(things), eye(z).pose, { x: 0, y, z: at }) === null

  it('a low wall hides the ground behind it by similar triangles, and no more', () => {
    // Lens 4 m, wall 2 m high at 6 m: its shade ends at 6·4/(4−2) = 12 m.
    const low = [wall(-5, 6, 5, 6, { heightM: 2 })]
    expect([
      free(low, 4, 5.9, 0),
      free(low, 4, 6.1, 0),
      free(low, 4, 11.9, 0),
      free(low, 4, 12.1, 0),
    ]).toEqual([true, false, false, true])
    expect(free(low, 4, 9.1, 1)).toBe(true) // at 1 m up the shade ends at 6·3/2 = 9 m
  })
  it('sees through a door and over its sill, and under a raised board', () => {
    const door = [
      wall(-5, 6, 5, 6, {
        heightM: 8,
        openings: [{ id: 'd', name: 'door', alongM: 4, widthM: 2, sillM: 0, headM: 2.1 }],
      }),
    ]
    expect([
      free(door, 1.6, 9, 1.6),
      firstBetween(onGround(door), eye(1.6).pose, { x: 6, y: 9, z: 1.6 }) === null,
    ]).toEqual([true, false])
    expect(free(door, 4, 9, 0)).toBe(true) // crosses the wall at 1.33 m, under the head
    expect(free(door, 4, 9, 1.6)).toBe(false) // crosses it at 2.4 m, above the head
    expect(free([wall(-5, 6, 5, 6, { baseM: 3, heightM: 3 })], 2, 20, 0)).toBe(true)
  })
  it('a soffit hides from above what lies under it', () => {
    // the wall lies beyond, at 4 to 6 m or 6 to 8 m
    const eaves = [soffit(5, 6, -5, 6, { depthM: 2, undersideM: 3, lipM: 0 })]
    const under = firstBetween(onGround(eaves), looking(0, 0, 9), { x: 0, y: 5, z: 0 })
    const beyond = firstBetween(onGround(eaves), looking(0, 5, 9), { x: 0, y: 5, z: 0 })
    expect([under === null, beyond?.thing.id]).toEqual([true, 'soffit'])
  })
})

describe('the dead zone', () => {
  it('ends on the axis where H / tan(θ + VFOV/2) says, and nowhere for a lens that sees its own feet', () => {
    // Check values: H 3.0 m, θ 25°, VFOV 37.30° → 3.14 m.
    const imager = imagerOf(
      {
        sensor: { widthMm: 4.8, heightMm: 2.7, widthPx: 1920, heightPx: 1080 },
        lens: { kind: 'rectilinear', focalMm: [4, 4] },
      },
      4,
      false,
    )
    const edge = nearEdge({ imager, pose: looking(0, 0, 3, 90, 25) }, 0)
    expect(edge[6]!.x).toBeCloseTo(3.14, 2)
    expect(edge.every(({ x }) => Math.abs(x - edge[6]!.x) < 1e-9)).toBe(true) // a straight line across
    expect(nearEdge({ imager, pose: looking(0, 0, 3, 90, 80) }, 0)).toEqual([])
    expect(nearEdge({ imager, pose: looking(0, 0, 3, 90, -40) }, 0)).toEqual([])
  })
})

describe('the survey of a floor', () => {
  const camera = (mark: string, pose: Pose, focalMm = 2.8) => ({
    deviceId: `d${mark}`,
    mark,
    eye: { imager: imagerOf(FOUR_MP, focalMm, false), pose },
  })
  const ask = (things: readonly PlanThing[], cameras: ReturnType<typeof camera>[], planeM = 0) =>
    survey({ floor: 'ground', ...flat(things), backgrounds: [], cameras, planeM, edition: '2014' })

  it('counts cameras and keeps the best density in every cell', () => {
    const [near, far] = [camera('01', looking(10, 0, 3, 0, 20)), camera('02', looking(10, 20, 3, 180, 20))]
    const { grid, best, count } = ask([thing('premises', 0, 0, 20, 20)], [near, far])
    const at = (x: number, y: number) => cellAt(grid, xy(x, y))
    const middle = (x: number, y: number) => ({ ...cellMiddle(grid, at(x, y)), z: 0 })
    expect([count[at(10, 10)], count[at(10, 1)]]).toEqual([2, 1]) // 01's own feet are seen by 02 alone
    expect(best[at(10, 6)]).toBeCloseTo(densityAt(near.eye.imager, near.eye.pose, middle(10, 6)), 3)
    expect(best[at(10, 14)]).toBeCloseTo(densityAt(far.eye.imager, far.eye.pose, middle(10, 14)), 3)
  })
  it('finds the blind spot behind a block, of the size the shade has', () => {
    // All round at 5 m over (0, 5), block 2 m high, 4 m wide from y 10 to 12: its shade runs on to k = 5/3
    // times its far side.
    const things = [thing('premises', -30, -10, 60, 50), block(-2, 10, 4, 2, { heightM: 2 })]
    const { blindSpots, ground, grid, watchedM2, blindM2 } = ask(things, [
      { deviceId: 'd', mark: '01', eye: { imager: ALL_ROUND, pose: looking(0, 5, 5, 0, 90) } },
    ])
    // Stretched from the lens, the near corners reach ±2·k at 5k, the far ones at 7k: a convex hull less
    // the block itself.
    const k = 5 / 3
    const hull = [
      xy(-2, 10),
      xy(2, 10),
      xy(2 * k, 5 + 5 * k),
      xy(2 * k, 5 + 7 * k),
      xy(-2 * k, 5 + 7 * k),
      xy(-2 * k, 5 + 5 * k),
    ]
    const size =
      0.5 *
        Math.abs(
          hull.reduce((sum, p, i) => sum + p.x * hull[(i + 1) % 6]!.y - hull[(i + 1) % 6]!.x * p.y, 0),
        ) -
      8
    expect(blindSpots).toHaveLength(1)
    expect(Math.abs(blindSpots[0]!.sizeM2 - size) / size).toBeLessThan(0.03)
    expect(Math.abs(blindM2 - size) / size).toBeLessThan(0.03)
    expect(watchedM2).toBeCloseTo(60 * 50 - 8, 0)
    expect(ground[cellAt(grid, xy(0, 11))]).toBe(SOLID)
  })
  it('says of an area how much is met and why the rest is not', () => {
    const things = [area(-6, 4, 12, 10), wall(1, 6, 5, 6, { id: 'w', name: 'the sign', heightM: 4 })]
    const [result] = ask(things, [camera('07', looking(0, 0, 3, 0, 12), 4)]).areas
    const { met, short, hidden, outOfPicture, hiddenBy, bestMark } = result!
    expect(met + short + hidden + outOfPicture).toBeCloseTo(1, 9)
    expect([hiddenBy, bestMark]).toEqual(['the sign', '07'])
    for (const share of [met, hidden, outOfPicture]) expect(share).toBeGreaterThan(0.02)
    expect(ask([area(-6, 4, 12, 10)], []).areas[0]).toMatchObject({ met: 0, outOfPicture: 1, bestMark: null })
  })
  it('names who looks into a privacy area, and nobody once it is walled off', () => {
    const window = thing('privacy', -2, 8, 4, 2)
    const looks = camera('03', looking(0, 0, 3, 0, 10))
    expect(ask([window], [looks]).privacy[0]!.seenBy[0]).toMatchObject({ mark: '03', share: 1 })
    expect(ask([window, wall(-9, 5, 9, 5, { heightM: 6 })], [looks]).privacy[0]!.seenBy).toEqual([])
  })
  it('judges a single target by the best camera that sees it, and says what is in the way', () => {
    const pump: PlanThing = {
      id: 'pump',
      floor: 'ground',
      name: 'Pump',
      locked: false,
      kind: 'target',
      at: xy(0, 8),
      level: 'recognise',
      targetHeightM: 1.6,
    }
    const verdict = (things: readonly PlanThing[], focalMm: number) =>
      judgeSurvey(ask(things, [camera('01', looking(0, 0, 3, 0, 12), focalMm)]), 'metric').findings.find(
        ({ id }) => id === 'sight/target:pump',
      )
    const { imager, pose } = camera('01', looking(0, 0, 3, 0, 12), 4).eye
    expect(verdict([pump], 4)).toMatchObject({
      verdict: 'good',
      figure: { value: densityAt(imager, pose, { x: 0, y: 8, z: 1.6 }) },
    })
    expect(verdict([{ ...pump, level: 'inspect' }], 4)).toMatchObject({
      verdict: 'stop',
      advice: 'A longer lens, or a camera nearer to it.',
    })
    expect(verdict([pump, wall(-2, 5, 2, 5, { name: 'Fence' })], 4)).toMatchObject({
      verdict: 'stop',
      reason: '01 is blocked by Fence.',
    })
    expect(verdict([{ ...pump, at: xy(0, -8) }], 4)).toMatchObject({
      verdict: 'stop',
      reason: 'It is in nobody’s picture.',
    })
  })
  it('draws contours where the density is that of the level', () => {
    const { imager, pose } = camera('01', looking(0, 0, 4, 0, 15)).eye
    const { contours } = ask(
      [thing('premises', -50, 0, 100, 60)],
      [{ deviceId: 'd', mark: '01', eye: { imager, pose } }],
    )
    const line = contours.find(({ level }) => level === 'observe')!
    const inside = line.rings.flat().filter((p) => {
      const at = project(imager, pose, { ...p, z: 0 })
      return (
        at &&
        inFrame(imager, at) &&
        at.u > 120 &&
        at.u < imager.widthPx - 120 &&
        at.v > 60 &&
        at.v < imager.heightPx - 60
      )
    })
    expect(inside.length).toBeGreaterThan(20)
    // a quarter-metre cell at ten metres
    for (const p of inside)
      expect(Math.abs(densityAt(imager, pose, { ...p, z: 0 }) - 62.5) / 62.5).toBeLessThan(0.01)
  })
  it('takes an empty floor: nothing to watch, nothing to be blind to', () => {
    expect(ask([], [])).toMatchObject({ areas: [], blindSpots: [] })
    expect(ask([thing('premises', -5, 0, 10, 6)], []).blindSpots).toHaveLength(1)
  })
})
