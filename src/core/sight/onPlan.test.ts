import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { CATALOGUE } from '@/catalogue'
import { area, flat, looking, onGround, soffit, thing, wall, xy } from '@/testing/plans'
import { device, job } from '@/testing/jobs'
import { LEVELS, type Job, type PlanThing, type Place, type Sight } from '../job'
import { resolve } from '../parts'
import {
  assessSight,
  camerasOn,
  densityAt,
  imagerOf,
  judgeArea,
  lipClearanceM,
  nearSurfaces,
  positionSteps,
  project,
  proposeSight,
  rayThrough,
  simulate,
  survey,
  walk,
  whoSees,
} from '.'

const near = (value: number) => expect.closeTo(value, 9) as number
const BULLET = CATALOGUE.cameras.get('bullet-4mp-vf')!
const LONDON = { latitudeDeg: 51.5, longitudeDeg: -0.12, upBearingDeg: 0, timeZone: 'Europe/London' }
const angle = (most: number) => fc.double({ min: -most, max: most, noNaN: true })

describe('rays and projection', () => {
  it.each([
    ['pinhole', 'bullet-4mp-vf'],
    ['f-theta', 'panoramic-12mp'],
  ])('%s: a ray through a picture position is pictured there', (_, id) => {
    const camera = CATALOGUE.cameras.get(id)!
    fc.assert(
      fc.property(
        angle(180),
        angle(60),
        angle(40),
        fc.double({ min: 0.02, max: 0.98, noNaN: true }),
        fc.double({ min: 0.02, max: 0.98, noNaN: true }),
        (pan, tilt, roll, across, down) => {
          const imager = imagerOf(camera, camera.lens.focalMm[0], false)
          const pose = looking(3, -2, 4, pan, tilt, roll)
          const [u, v] = [across * imager.widthPx, down * imager.heightPx]
          const ray = rayThrough(imager, pose, u, v)
          expect(Math.hypot(ray.x, ray.y, ray.z)).toBeCloseTo(1, 9)
          const at = project(imager, pose, {
            x: pose.x + ray.x * 9,
            y: pose.y + ray.y * 9,
            z: pose.z + ray.z * 9,
          })!
          expect([at.u - u, at.v - v].every((off) => Math.abs(off) < 1e-3)).toBe(true)
        },
      ),
      { numRuns: 300 },
    )
  })
})

describe('near surfaces', () => {
  const imager = imagerOf(BULLET, 2.8, false)
  it('share of a wall that fills the left half is a half', () => {
    const [left] = nearSurfaces(imager, looking(0, 0, 3), onGround([wall(0, 0.3, -9, 0.3, { heightM: 9 })]))
    expect(left).toMatchObject({ kind: 'wall' })
    expect(left!.ofPicture).toBeCloseTo(0.5, 1)
    expect(left!.nearestM).toBeCloseTo(0.3, 1)
  })
  it('a lip leaves the picture just when the lens hangs as much lower as the formula says', () => {
    // Underside 3 m with a 0.2 m lip, 0.5 m ahead of the lens.
    const lip = onGround([soffit(5, 0.5, -5, 0.5, { depthM: 1 })])
    const drop = lipClearanceM(0.5, 2.8, 2.9, 10, imager.verticalFovDeg)!
    expect(drop).toBeGreaterThan(0.1)
    const share = (z: number) => nearSurfaces(imager, looking(0, 0, z, 0, 10), lip)[0]?.ofPicture ?? 0
    expect([share(2.9) > 0.02, share(2.9 - drop + 0.03) > 0, share(2.9 - drop - 0.01)]).toEqual([
      true,
      true,
      0,
    ])
    expect(lipClearanceM(0.5, 2.8, 2.9, -89, 60)).toBeNull()
  })
})

const context = (change: Partial<Job>, of: Parameters<typeof device>[0] = {}) => {
  const found = resolve(device(of), job(change), CATALOGUE)
  if ('missing' in found) throw new Error(found.missing.join())
  return found
}

describe('what the plan adds to a device’s sight', () => {
  const place: Place = { floor: 'ground', x: 0, y: 0, panDeg: 0, rollDeg: 0, locked: false }
  const assess = (things: PlanThing[], change: Partial<Sight> = {}, site: Job['site'] = null) => {
    const on = context({ things, site })
    return assessSight(on, { ...proposeSight(on), place, ...change })
  }
  const ids = (things: PlanThing[], change: Partial<Sight> = {}, site: Job['site'] = null) =>
    assess(things, change, site)
      .findings.filter(({ verdict }) => verdict !== 'good')
      .map(({ id }) => id)

  it('nothing, where nothing stands', () => expect(ids([])).toEqual(ids([], { place: null })))
  it.each<[string, PlanThing[], Partial<Sight>, Job['site']]>([
    ['sight/hidden', [wall(-3, 4, 3, 4)], {}, null],
    ['sight/near:soffit', [soffit(5, 0.5, -5, 0.5)], { heightM: 2.9, tiltDeg: 10 }, null],
    ['sight/near:wall', [wall(0.4, 0, 0.4, 8, { heightM: 5 })], {}, null],
    ['sight/privacy', [thing('privacy', -1, 5, 2, 2)], {}, null],
    ['sight/sun', [], { place: { ...place, panDeg: 240 }, tiltDeg: 5 }, LONDON],
    ['sight/wish', [], { wish: { place: '', at: xy(2, 0), kept: true, reason: '', agreedBy: '' } }, null],
  ])('finds %s, with a figure, a limit and what to do', (id, things, change, site) => {
    const found = assess(things, change, site).findings.find((one) => one.id === id)!
    expect(found).toMatchObject({ verdict: id === 'sight/hidden' ? 'stop' : 'check' })
    expect(found.advice!.length).toBeGreaterThan(20)
    expect(found.limit).not.toBeNull()
  })
  it('is content with a moved wish that was agreed', () => {
    expect(
      ids([], { wish: { place: '', at: xy(2, 0), kept: false, reason: 'lamp', agreedBy: 'Owner' } }),
    ).not.toContain('sight/wish')
  })
  it('knows what stands along the axis', () => {
    const { surroundings } = assess([
      wall(-3, 4, 3, 4, { name: 'Fence', heightM: 1.2 }),
      soffit(5, 0.5, -5, 0.5),
    ]).drawing
    expect(surroundings!.uprights).toContainEqual({ distanceM: near(4), fromM: 0, toM: 1.2, name: 'Fence' })
    expect(surroundings!.boards[0]).toMatchObject({
      heightM: 3,
      fromDistanceM: near(-0.5),
      toDistanceM: near(0.5),
    })
    expect(assess([]).drawing.surroundings).toMatchObject({ hiddenBy: null })
    expect(assess([], { place: null }).drawing.surroundings).toBeNull()
  })
})

describe('asking and walking', () => {
  const cameras = camerasOn(
    {
      ...flat([]),
      devices: [
        device({
          sight: {
            ...proposeSight(context({})),
            heightM: 3,
            tiltDeg: 12,
            focalMm: 4,
            place: { floor: 'ground', x: 0, y: 0, panDeg: 0, rollDeg: 0, locked: false },
          },
        }),
        device({ id: 'd2', mark: '02', sight: proposeSight(context({})) }),
      ],
    },
    CATALOGUE,
    'ground',
  )
  it('only what stands on the floor takes part', () =>
    expect(cameras.map(({ mark }) => mark)).toEqual(['01']))
  it('says who sees a point, how well, and who does not for what stands between', () => {
    const free = whoSees(xy(0, 8), 1.6, cameras, onGround([]), '2014')
    const { imager, pose } = cameras[0]!.eye
    const densityPxM = densityAt(imager, pose, { x: 0, y: 8, z: 1.6 })
    expect(free).toEqual({
      hidden: [],
      seen: [{ deviceId: 'device-1', mark: '01', densityPxM, level: 'recognise' }],
    })
    expect(densityPxM).toBeGreaterThan(LEVELS.recognise.densityPxM)
    expect(whoSees(xy(0, 8), 1.6, cameras, onGround([wall(-2, 5, 2, 5, { name: 'Fence' })]), '2014')).toEqual(
      { seen: [], hidden: [{ mark: '01', by: 'Fence' }] },
    )
    expect(whoSees(xy(0, -8), 1.6, cameras, onGround([]), '2014')).toEqual({
      seen: [],
      hidden: [],
    })
  })
  it('walks towards a camera: in view with the face shown until it is under it, then a gap', () => {
    const {
      lengthM,
      timesS,
      cameras: [seen],
      gaps,
    } = walk([xy(0, 14), xy(0, -7)], cameras, onGround([]), '2014')
    expect([lengthM, timesS.at(-1)]).toEqual([21, near(15)]) // 1.4 m/s
    expect(seen!.facingS).toBeCloseTo(seen!.inViewS, 6)
    expect(seen!.bestAtS).toBeCloseTo(timesS[seen!.densities.lastIndexOf(Math.max(...seen!.densities))]!, 6)
    // It leaves the lower edge where H − 1.6 over tan(tilt + half the picture) says.
    const { verticalFovDeg } = cameras[0]!.eye.imager
    const last = 14 - 1.4 / Math.tan(((12 + verticalFovDeg / 2) * Math.PI) / 180)
    expect(seen!.inViewS * 1.4).toBeCloseTo(last, 0)
    expect(gaps).toHaveLength(1)
    expect(gaps[0]!.to).toEqual(xy(0, -7))
  })
  it('tells the nearer of two cameras first, and on a walk the one that sees first', () => {
    const { imager, pose } = cameras[0]!.eye
    const eye = (y: number, panDeg: number) => ({ imager, pose: { ...pose, y, panDeg } })
    const pair = [
      { ...cameras[0]!, deviceId: 'far', mark: '02', eye: eye(30, 180) },
      { ...cameras[0]!, mark: '01', eye: eye(0, 0) },
    ]
    const none = onGround([])
    const { seen } = whoSees(xy(0, 9), 1.6, pair, none, '2014')
    expect(seen.map(({ mark }) => mark)).toEqual(['01', '02'])
    expect(seen[0]!.densityPxM).toBeGreaterThan(seen[1]!.densityPxM)
    const marks = (from: number, to: number) =>
      walk([xy(0, from), xy(0, to)], pair, none, '2014').cameras.map(({ mark }) => mark)
    // Close to a camera one passes below its picture: the far one sees first.
    expect(marks(1, 29)).toEqual(['02', '01'])
    expect(marks(29, 1)).toEqual(['01', '02'])
  })
  it('walks away from a camera: in view, never facing it', () => {
    expect(walk([xy(0, 5), xy(0, 14)], cameras, onGround([]), '2014').cameras[0]).toMatchObject({
      facingS: 0,
    })
  })
})

describe('positions', () => {
  const gate = area(-2, 6, 4, 3, { level: 'recognise' })
  const ask = (edges: PlanThing[], things: PlanThing[]) => {
    const steps = positionSteps({
      area: gate,
      edges,
      ...flat(things),
      site: LONDON,
      camera: BULLET,
      heightM: 3,
      portrait: false,
      tiltRangeDeg: [0, 90],
      headEnd: xy(8, -2),
    })
    for (;;) {
      const { done, value } = steps.next()
      if (done) return value
      expect(value).toBeLessThanOrEqual(1)
    }
  }
  it('what it ranks first really covers what it says', () => {
    const front = wall(-10, 0, 10, 0, { name: 'Front' })
    const [best] = ask([front], [gate, front])
    expect(best).toMatchObject({ on: 'Front' })
    expect(best!.covered).toBeGreaterThan(0.95)
    const eye = {
      imager: imagerOf(BULLET, best!.focalMm, false),
      pose: looking(best!.x, best!.y, best!.heightM, best!.panDeg, best!.tiltDeg),
    }
    const checked = survey({
      floor: 'ground',
      ...flat([gate, front]),
      backgrounds: [],
      cameras: [{ deviceId: 'd', mark: '01', eye }],
      planeM: 0,
      edition: '2014',
    }).areas[0]!
    expect(checked.met).toBeCloseTo(best!.covered, 1)
    expect(judgeArea(checked, 'metric').verdict).toBe('good')
  })
  it('offers nothing from behind a wall, and ranks by score', () => {
    const [screen, back] = [wall(-20, 3, 20, 3, { id: 'screen', heightM: 9 }), wall(-6, 0, 6, 0)]
    expect(ask([back], [gate, screen, back])).toEqual([])
    const scores = ask([back], [gate, back]).map(({ score }) => score)
    expect([...scores].sort((a, b) => b - a)).toEqual(scores)
  })
})

describe('judging an area', () => {
  const result = {
    thingId: 'a',
    name: 'Slip',
    level: 'recognise' as const,
    sizeM2: 10,
    met: 0.4,
    metByTwo: 0,
    short: 0.35,
    hidden: 0.2,
    outOfPicture: 0.05,
    bestMark: '01',
    hiddenBy: 'the crane',
    shortAtPxM: 88,
  }
  it('says why by what is missing most', () => {
    const found = judgeArea(result, 'metric')
    expect(found).toMatchObject({
      verdict: 'check',
      reason:
        '35 % gets too few pixels (down to 88 px/m of 125 px/m), 20 % is hidden by the crane, 5 ' +
        '% is in nobody’s picture.',
    })
    expect(found.advice).toMatch(/longer lens/)
    expect(judgeArea({ ...result, hidden: 0.5, short: 0.1 }, 'metric').advice).toMatch(/the crane/)
    expect(judgeArea({ ...result, met: 0 }, 'metric').verdict).toBe('stop')
    expect(judgeArea({ ...result, met: 0.97 }, 'metric')).toMatchObject({ verdict: 'good', advice: null })
  })
})

describe('the simulated picture', () => {
  it('puts the target’s head where the projection has it, and a wall in front of what it hides', () => {
    const eye = { imager: imagerOf(BULLET, 4, false), pose: looking(0, 0, 3, 0, 12) }
    const { patches, widthPx, heightPx } = simulate(
      eye,
      flat([wall(-2, 12, 2, 12, { name: 'Fence' })]),
      { floor: 'ground' },
      { x: 0, y: 8, z: 1.6 },
    )
    const head = project(eye.imager, eye.pose, { x: 0, y: 8, z: 1.62 })!
    const heads = patches.filter(({ kind }) => kind === 'person').at(-1)!
    const middle = heads.spots.reduce(
      (sum, [u, v]) => [sum[0] + u / heads.spots.length, sum[1] + v / heads.spots.length],
      [0, 0],
    )
    expect([Math.abs(middle[0] - head.u), Math.abs(middle[1] - head.v)].every((off) => off < 4)).toBe(true)
    const order = patches.map(({ kind }) => kind)
    expect(order.indexOf('wall')).toBeLessThan(order.indexOf('person'))
    expect(order[0]).toBe('ground')
    for (const { spots } of patches)
      for (const [u, v] of spots)
        expect(u >= -1e-6 && u <= widthPx + 1e-6 && v >= -1e-6 && v <= heightPx + 1e-6).toBe(true)
  })
})
