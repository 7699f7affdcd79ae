import {
  BufferAttribute,
  BufferGeometry,
  DoubleSide,
  Mesh,
  MeshBasicMaterial,
  Raycaster,
  Vector3,
} from 'three'
import { acceleratedRaycast, MeshBVH } from 'three-mesh-bvh'
import { UNKNOWN_HEIGHTS, type PlanThing } from '@/core/job'
import { CATALOGUE } from '@/catalogue'
import {
  cellMiddle,
  eachSeen,
  gridOver,
  imagerOf,
  project,
  inFrame,
  scratchFor,
  settingOf,
  survey,
  SurveyMemory,
  type Eye,
  type SurveyCamera,
} from '@/core/sight'

/**
 * The survey of a 100 by 80 metre site with 300 walls, beside the same map made by casting a ray a cell
 * through a BVH.
 */

const WIDE = 100
const DEEP = 80
const WALLS = 300
const CELL_M = 0.25

function dice(seed: number): (least: number, most: number) => number {
  let state = seed
  return (least, most) => {
    state = (state * 1_103_515_245 + 12_345) % 2_147_483_648
    return least + (state / 2_147_483_648) * (most - least)
  }
}

const roll = dice(7)
const walls = Array.from({ length: WALLS }, (_, i): PlanThing => {
  const [x, y, turn, length] = [roll(0, WIDE), roll(0, DEEP), roll(0, 2 * Math.PI), roll(1, 7)]
  return {
    id: `w${i}`,
    floor: 'ground',
    name: '',
    locked: false,
    kind: 'wall',
    from: { x, y },
    to: { x: x + Math.cos(turn) * length, y: y + Math.sin(turn) * length },
    baseM: 0,
    heightM: roll(1, 5),
    thicknessM: 0,
    openings: [],
  }
})
const things: PlanThing[] = [
  ...walls,
  {
    id: 'site',
    floor: 'ground',
    name: '',
    locked: false,
    kind: 'premises',
    outline: [
      { x: 0, y: 0 },
      { x: WIDE, y: 0 },
      { x: WIDE, y: DEEP },
      { x: 0, y: DEEP },
    ],
  },
]
const camera = CATALOGUE.cameras.get('bullet-4mp-vf')!
const cameras = (count: number): SurveyCamera[] =>
  Array.from({ length: count }, (_, i) => ({
    deviceId: `d${i}`,
    mark: String(i),
    eye: {
      imager: imagerOf(camera, roll(2.8, 7), false),
      pose: {
        x: roll(0, WIDE),
        y: roll(0, DEEP),
        z: roll(3, 5),
        panDeg: roll(0, 360),
        tiltDeg: roll(8, 30),
        rollDeg: 0,
      },
    },
  }))

const timed = (work: () => void, runs: number): number => {
  work()
  const times = Array.from({ length: runs }, () => {
    const start = performance.now()
    work()
    return performance.now() - start
  })
  return times.sort((a, b) => a - b)[Math.floor(runs / 2)]!
}

const grid = gridOver({ left: 0, right: WIDE, bottom: 0, top: DEEP }, CELL_M)
const scratch = scratchFor(grid)
const occluders = settingOf({ things, floorHeightsM: UNKNOWN_HEIGHTS }, 'ground')

function own(eyes: readonly Eye[]): Uint8Array {
  const count = new Uint8Array(grid.columns * grid.rows)
  for (const eye of eyes)
    eachSeen(eye, occluders, grid, 0, scratch, (cell, _, hidden) => void (hidden || count[cell]!++))
  return count
}

/** The peer: every cell in a picture gets one ray, stopped by the first triangle. */
function peer(): (eyes: readonly Eye[]) => Uint8Array {
  const at: number[] = []
  for (const { a, b, fromM, toM } of occluders.uprights) {
    const [p, q, r, s] = [
      [a.x, fromM, -a.y],
      [b.x, fromM, -b.y],
      [b.x, toM, -b.y],
      [a.x, toM, -a.y],
    ]
    at.push(...p, ...q, ...r, ...p, ...r, ...s)
  }
  const geometry = new BufferGeometry()
  geometry.setAttribute('position', new BufferAttribute(new Float32Array(at), 3))
  const mesh = new Mesh(geometry, new MeshBasicMaterial({ side: DoubleSide }))
  geometry.boundsTree = new MeshBVH(geometry)
  mesh.raycast = acceleratedRaycast
  const caster = new Raycaster()
  caster.firstHitOnly = true
  return (eyes) => {
    const count = new Uint8Array(grid.columns * grid.rows)
    const [from, way] = [new Vector3(), new Vector3()]
    for (const { imager, pose } of eyes) {
      from.set(pose.x, pose.z, -pose.y)
      for (let cell = 0; cell < count.length; cell++) {
        const { x, y } = cellMiddle(grid, cell)
        const pictured = project(imager, pose, { x, y, z: 0 })
        if (!pictured || !inFrame(imager, pictured)) continue
        way.set(x, 0, -y).sub(from)
        const length = way.length()
        caster.set(from, way.divideScalar(length))
        caster.near = 1e-4
        caster.far = length - 1e-4
        if (caster.intersectObject(mesh).length === 0) count[cell]!++
      }
    }
    return count
  }
}

export function surveying(): void {
  console.log(
    `\nSurvey of ${WIDE} × ${DEEP} m, ${WALLS} walls, cells of ${CELL_M} m ` +
      `(${grid.columns * grid.rows} cells), median of runs, one thread`,
  )
  const twenty = cameras(20)
  const eyes = twenty.map(({ eye }) => eye)
  const cast = peer()
  const [ours, theirs] = [own(eyes), cast(eyes)]
  const differing = ours.reduce((sum, count, cell) => sum + (count === theirs[cell] ? 0 : 1), 0)
  const ownMs = timed(() => own(eyes), 9)
  const peerMs = timed(() => cast(eyes), 3)
  console.log(
    `  what 20 cameras see         ${ownMs.toFixed(0).padStart(6)} ms   ray casting with a ` +
      `BVH ${peerMs.toFixed(0)} ms   ratio 1 : ${(peerMs / ownMs).toFixed(1)}`,
  )
  console.log(
    `  the same cells, but for     ${differing} of ${ours.length} ` +
      `(${((100 * differing) / ours.length).toFixed(3)} %; tolerance 0.1 %: the peer casts in ` +
      'single precision)',
  )
  if (differing > ours.length / 1000) throw new Error('The two maps differ by more than the tolerance.')
  let one = 0
  console.log(
    `  one camera’s footprint      ${timed(() => void own([eyes[one++ % 20]!]), 60)
      .toFixed(1)
      .padStart(6)} ms   (aim: within a frame, 16 ms)`,
  )
  const whole = [20, 50, 100, 200].map((count) => {
    const request = {
      floor: 'ground' as const,
      things,
      floorHeightsM: UNKNOWN_HEIGHTS,
      backgrounds: [],
      cameras: cameras(count),
      planeM: 0,
      edition: '2014' as const,
    }
    const ms = timed(() => void survey(request), 5)
    console.log(
      `  whole survey, ${String(count).padStart(3)} cameras   ${ms.toFixed(0).padStart(6)} ms  ` +
        ' with blind spots, contours',
    )
    return ms
  })
  const many = cameras(200)
  const memory = new SurveyMemory()
  const request = {
    floor: 'ground' as const,
    things,
    floorHeightsM: UNKNOWN_HEIGHTS,
    backgrounds: [],
    planeM: 0,
    edition: '2014' as const,
  }
  survey({ ...request, cameras: many }, memory)
  let steps = 0
  const movedMs = timed(() => {
    const panDeg = ++steps % 360
    const turned = many.map((one, i) =>
      i === 100 ? { ...one, eye: { ...one.eye, pose: { ...one.eye.pose, panDeg } } } : one,
    )
    survey({ ...request, cameras: turned }, memory)
  }, 9)
  console.log(`  one of 200 cameras turned   ${movedMs.toFixed(0).padStart(6)} ms   (aim 50 ms)`)
  console.log(
    `  growth 20 → 200: × ${(whole[3]! / whole[0]!).toFixed(1)} for × 10 cameras (aims: 20 in 300 ms, 200 in 1 s)`,
  )
}
