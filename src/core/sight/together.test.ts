import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { CATALOGUE } from '@/catalogue'
import { real } from '@/testing/anyValue'
import { area, block, flat, pathway, rectangle, soffit, wall, xy } from '@/testing/plans'
import type { PlanThing } from '../job'
import { imagerOf, survey, SurveyMemory, type Survey, type SurveyCamera, type SurveyRequest } from '.'

const bullet = CATALOGUE.cameras.get('bullet-4mp-vf')!
const round = [...CATALOGUE.cameras.values()].find(({ lens }) => lens.kind === 'f-theta') ?? bullet
const pose = fc.record({
  x: real(-4, 14),
  y: real(-4, 14),
  z: real(2, 5),
  panDeg: real(0, 360),
  tiltDeg: real(0, 60),
  rollDeg: fc.constantFrom(0, 0, 12),
})
const camera = (id: number, at: SurveyCamera['eye']['pose'], wide: boolean): SurveyCamera => ({
  deviceId: `d${id}`,
  mark: String(id),
  eye: { imager: imagerOf(wide ? round : bullet, wide ? round.lens.focalMm[0] : 4, false), pose: at },
})
const THINGS: readonly PlanThing[] = [
  wall(0, 5, 8, 5),
  soffit(0, 0, 6, 0),
  block(3, 1, 1, 2),
  area(1, 6, 3, 2, { id: 'front' }),
  area(9, 9, 2, 2, { id: 'back' }),
  {
    id: 'private',
    floor: 'ground',
    name: '',
    locked: false,
    kind: 'privacy',
    outline: rectangle(6, 7, 2, 2),
  },
  {
    id: 'till',
    floor: 'ground',
    name: '',
    locked: false,
    kind: 'target',
    at: xy(2, 3),
    level: 'identify',
    targetHeightM: 1.6,
  },
]

/** What may happen between two surveys. */
const change = fc.oneof(
  {
    weight: 6,
    arbitrary: fc.record({ is: fc.constant('camera' as const), id: fc.nat(4), at: pose, wide: fc.boolean() }),
  },
  { weight: 2, arbitrary: fc.record({ is: fc.constant('gone' as const), id: fc.nat(4) }) },
  {
    weight: 1,
    arbitrary: fc.record({
      is: fc.constant('thing' as const),
      n: fc.nat(THINGS.length - 1),
      by: real(-2, 2),
    }),
  },
  { weight: 1, arbitrary: fc.record({ is: fc.constant('plane' as const), planeM: fc.constantFrom(0, 1.6) }) },
  {
    weight: 1,
    arbitrary: fc.record({
      is: fc.constant('renamed' as const),
      id: fc.nat(4),
      mark: fc.constantFrom('A', 'B'),
    }),
  },
)

const START: SurveyRequest = {
  floor: 'ground',
  ...flat(THINGS),
  backgrounds: [],
  cameras: [],
  planeM: 0,
  edition: '2014',
}

function after(
  now: SurveyRequest,
  done: typeof change extends fc.Arbitrary<infer T> ? T : never,
): SurveyRequest {
  switch (done.is) {
    case 'camera': {
      const made = camera(done.id, done.at, done.wide)
      const others = now.cameras.filter(({ deviceId }) => deviceId !== made.deviceId)
      return { ...now, cameras: [...others, made].sort((a, b) => (a.deviceId < b.deviceId ? -1 : 1)) }
    }
    case 'gone':
      return { ...now, cameras: now.cameras.filter(({ deviceId }) => deviceId !== `d${done.id}`) }
    case 'thing':
      return {
        ...now,
        things: now.things.map((one, i) =>
          i === done.n && one.kind === 'wall' ? { ...one, to: { x: one.to.x + done.by, y: one.to.y } } : one,
        ),
      }
    case 'plane':
      return { ...now, planeM: done.planeM }
    case 'renamed':
      return {
        ...now,
        cameras: now.cameras.map((one) =>
          one.deviceId === `d${done.id}` ? { ...one, mark: done.mark } : one,
        ),
      }
  }
}

/** A survey in words, to be compared fast. */
const told = (of: Survey): string =>
  JSON.stringify(of, (_, value: unknown) =>
    ArrayBuffer.isView(value) ? Buffer.from(value.buffer as ArrayBuffer).toString('base64') : value,
  )

describe('a survey that remembers', () => {
  it('comes to the same as one from nothing, whatever happened in between', () =>
    fc.assert(
      fc.property(fc.array(change, { minLength: 2, maxLength: 10 }), (changes) => {
        const memory = new SurveyMemory()
        let now = START
        for (const done of changes) {
          now = after(now, done)
          expect(told(survey(now, memory))).toBe(told(survey(now)))
        }
      }),
      { numRuns: 30 },
    ))
  it('only what changed looks again: the layers of the others are the same objects', () => {
    const at = { x: 0, y: 0, z: 3, panDeg: 45, tiltDeg: 20, rollDeg: 0 }
    const two = [camera(0, at, false), camera(1, { ...at, x: 5 }, false)]
    const memory = new SurveyMemory()
    survey({ ...START, cameras: two }, memory)
    const before = memory.kept!.together.layers
    survey({ ...START, cameras: [two[0]!, camera(1, { ...at, x: 5, panDeg: 46 }, false)] }, memory)
    const now = memory.kept!.together.layers
    expect(now.get('d0')).toBe(before.get('d0'))
    expect(now.get('d1')).not.toBe(before.get('d1'))
  })
  it('a pathway that moves makes nobody look again; a wall does', () => {
    const cameras = [camera(0, { x: 0, y: 0, z: 3, panDeg: 45, tiltDeg: 20, rollDeg: 0 }, false)]
    const lane = (x: number) =>
      pathway([
        [x, 0],
        [x, 2],
      ])
    const looked = (things: SurveyRequest['things']) => {
      survey({ ...START, things, cameras }, memory)
      return memory.kept!.together.layers.get('d0')
    }
    const memory = new SurveyMemory()
    const before = looked([...START.things, lane(1)])
    expect(looked([...START.things, lane(2)])).toBe(before)
    expect(looked([...START.things, lane(2), wall(1, 1, 2, 1)])).not.toBe(before)
  })
  it('what was given away is not what is remembered', () => {
    const cameras = [camera(0, { x: 0, y: 0, z: 3, panDeg: 45, tiltDeg: 20, rollDeg: 0 }, false)]
    const memory = new SurveyMemory()
    const first = survey({ ...START, cameras }, memory)
    const before = told(first)
    first.best.fill(0)
    first.count.fill(0)
    first.ground.fill(0)
    expect(told(survey({ ...START, cameras }, memory))).toBe(before)
  })
})
