import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { dice } from '@/testing/dice'
import { openJobFile } from '../job'
import { cornersOf, occluderOf, PlanThing, withCorner, type ThingOf } from '.'

const opened = openJobFile(readFileSync('demo/jobs/3-kestrel-quay.job.json', 'utf8'))
if (!opened.ok) throw new Error('The demo job cannot be read.')
const { things } = opened.file.job

const wall = (change: Partial<ThingOf<'wall'>> = {}): ThingOf<'wall'> => ({
  id: 'wall',
  floor: 'ground',
  name: '',
  kind: 'wall',
  from: { x: 2, y: 1 },
  to: { x: 8, y: 9 }, // 10 m
  baseM: 0.5,
  heightM: 3,
  openings: [],
  ...change,
})
const opening = (alongM: number, widthM: number, sillM: number, headM: number) => ({
  id: 'opening',
  name: '',
  alongM,
  widthM,
  sillM,
  headM,
})

describe('a wall', () => {
  it('stands wherever it is and no opening is, whichever way openings overlap', () => {
    const throwDie = dice(11)
    for (let turn = 0; turn < 60; turn++) {
      const openings = Array.from({ length: Math.floor(throwDie(0, 5)) }, () => {
        const [alongM, sillM] = [throwDie(0, 9), throwDie(0, 3)]
        return opening(alongM, throwDie(0.1, 10 - alongM), sillM, sillM + throwDie(0.1, 2))
      })
      const { uprights } = occluderOf(wall({ openings }))
      for (let shot = 0; shot < 200; shot++) {
        const [alongM, heightM] = [throwDie(0, 10), throwDie(0, 4)]
        const inOpening = openings.some(
          (one) =>
            alongM > one.alongM &&
            alongM < one.alongM + one.widthM &&
            heightM > one.sillM &&
            heightM < one.headM,
        )
        const stands = heightM > 0.5 && heightM < 3.5 && !inOpening
        const x = 2 + 0.6 * alongM
        const hit = uprights.filter(
          ({ a, b, fromM, toM }) => x > a.x && x < b.x && heightM > fromM && heightM < toM,
        )
        expect(hit.length, `${alongM} ${heightM}`).toBe(stands ? 1 : 0)
      }
    }
  })
  it.each([
    ['it has no length', { to: { x: 2.0499, y: 1 } }, 'to'],
    ['just long enough', { to: { x: 2.05001, y: 1 } }, null],
    ['an opening up to its end', { openings: [opening(8, 2, 0, 2)] }, null],
    ['an opening past its end', { openings: [opening(8, 2.00001, 0, 2)] }, 'openings/0/widthM'],
    ['a head on the sill', { openings: [opening(1, 1, 0.9, 0.9)] }, 'openings/0/headM'],
    ['a head over the sill', { openings: [opening(1, 1, 0.9, 0.91)] }, null],
  ] as const)('%s', (_, change, path) => {
    const read = PlanThing.safeParse(wall(change as Partial<ThingOf<'wall'>>))
    expect(read.error?.issues.map((issue) => issue.path.join('/')) ?? []).toEqual(path === null ? [] : [path])
  })
})

it('corners close where the last leads back to the first', () => {
  const closed = new Map(things.map((thing) => [thing.kind, cornersOf(thing).closed]))
  for (const kind of ['area', 'premises', 'privacy'] as const) expect(closed.get(kind), kind).toBe(true)
  for (const kind of ['wall', 'soffit', 'walk', 'target', 'head end'] as const)
    expect(closed.get(kind), kind).toBe(false)
})

it('the rim of something round is taken by hand, down to a post that still stands', () => {
  const post = things.find((one) => one.kind === 'obstacle' && one.form.is === 'round') as ThingOf<'obstacle'>
  const { at } = post.form as { at: { x: number; y: number } }
  const radius = (thing: unknown) => (thing as { form: { radiusM: number } }).form.radiusM
  expect(radius(withCorner(post, 0, { x: at.x + 0.3, y: at.y - 0.4 }))).toBeCloseTo(0.5, 9)
  expect(radius(withCorner(post, 0, at))).toBe(0.02)
  expect(cornersOf(post).at[0]!.x).toBeCloseTo(at.x + radius(post), 9)
})
