import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { dice } from '@/testing/dice'
import { onGround } from '@/testing/plans'
import { openJobFile } from '../job'
import { firstBetween } from '../sight'
import { cornersOf, occluderOf, PlanThing, turnedRound, wallOutline, withCorner, type ThingOf } from '.'

const opened = openJobFile(readFileSync('demo/jobs/3-kestrel-quay.job.json', 'utf8'))
if (!opened.ok) throw new Error('The demo job cannot be read.')
const { things } = opened.file.job

const wall = (change: Partial<ThingOf<'wall'>> = {}): ThingOf<'wall'> => ({
  id: 'wall',
  floor: 'ground',
  name: '',
  locked: false,
  kind: 'wall',
  from: { x: 2, y: 1 },
  to: { x: 8, y: 9 }, // 10 m
  baseM: 0.5,
  heightM: 3,
  thicknessM: 0,
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

type Spot = readonly [x: number, y: number, z: number]
type Block = readonly (readonly [least: number, most: number])[]

/** What is left of a wall 10 m long, 0.5 to 3.5 m high, beside, under and over doors that do not overlap. */
function solidBlocks(doors: readonly ReturnType<typeof opening>[], thicknessM: number): Block[] {
  const jambs = [0, ...doors.flatMap(({ alongM, widthM }) => [alongM, alongM + widthM]), 10]
  const block = (from: number, to: number, low: number, high: number): Block[] =>
    to - from > 1e-9 && high - low > 1e-9
      ? [
          [
            [from, to],
            [0, thicknessM],
            [low, high],
          ],
        ]
      : []
  return [
    ...jambs.flatMap((from, i) => (i % 2 === 0 ? block(from, jambs[i + 1]!, 0.5, 3.5) : [])),
    ...doors.flatMap(({ alongM, widthM, sillM, headM }) => [
      ...block(alongM, alongM + widthM, 0.5, Math.min(3.5, sillM)),
      ...block(alongM, alongM + widthM, Math.max(0.5, headM), 3.5),
    ]),
  ]
}

const within = (spot: Spot, block: Block) =>
  block.every(([least, most], i) => spot[i]! >= least && spot[i]! <= most)

/** Liang and Barsky's clipping of a line by a block. Through the top or foot alone nothing leaves a wall. */
function pierces(from: Spot, to: Spot, block: Block): boolean {
  let [enters, leaves] = [0, 1]
  let [top, bottom] = [false, false]
  for (const [i, [least, most]] of block.entries()) {
    const way = to[i]! - from[i]!
    if (Math.abs(way) < 1e-12) {
      if (from[i]! < least || from[i]! > most) return false
      continue
    }
    const [a, b] = [(least - from[i]!) / way, (most - from[i]!) / way].sort((p, q) => p - q)
    if (a! > enters) [enters, top] = [a!, i === 2]
    if (b! < leaves) [leaves, bottom] = [b!, i === 2]
  }
  return enters < leaves && !(top && bottom)
}

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
  it('of some thickness hides whatever goes through a part of it, and nothing else', () => {
    const throwDie = dice(12)
    let [through, past] = [0, 0]
    for (let turn = 0; turn < 150; turn++) {
      const thicknessM = throwDie(0.05, 2)
      const doors = Array.from({ length: Math.floor(throwDie(0, 4)) }, (_, i) =>
        opening(3.3 * i + throwDie(0, 1), throwDie(0.3, 2), throwDie(0, 2), throwDie(2.1, 4)),
      )
      const one = wall({ from: { x: 0, y: 0 }, to: { x: 10, y: 0 }, thicknessM, openings: doors })
      // The wall lies to the left: 0 to its thickness up the sheet. Cut into blocks by hand.
      const blocks = solidBlocks(doors, thicknessM)
      for (let shot = 0; shot < 60; shot++) {
        const [from, to] = [0, 1].map(() => [throwDie(-3, 13), throwDie(-4, 6), throwDie(0.01, 5)] as const)
        if ([from!, to!].some((end) => blocks.some((block) => within(end, block)))) continue
        const meets = blocks.some((block) => pierces(from!, to!, block))
        const [a, b] = [from!, to!].map(([x, y, z]) => ({ x, y, z }))
        const hit = firstBetween(onGround([one]), a!, b!) !== null
        expect(hit, JSON.stringify([from, to, doors, thicknessM])).toBe(meets)
        if (meets) through++
        else past++
      }
    }
    expect(Math.min(through, past)).toBeGreaterThan(1000)
  })
  it('told from its other end stands on its other side, its openings where they were', () => {
    const one = wall({ thicknessM: 0.3, openings: [opening(1, 2, 0, 2), opening(6, 1, 1, 2)] })
    const round = turnedRound(one)
    expect(round.openings.map(({ alongM }) => alongM)).toEqual([7, 3])
    expect(turnedRound(round)).toEqual(one)
    const mean = (outline: readonly { x: number; y: number }[]) => ({
      x: outline.reduce((sum, { x }) => sum + x, 0) / 4,
      y: outline.reduce((sum, { y }) => sum + y, 0) / 4,
    })
    // The line goes 6 right and 8 up: left of it is up the sheet and to the left.
    const [left, right] = [mean(wallOutline(one)), mean(wallOutline(round))]
    expect([left.x, left.y]).toEqual([expect.closeTo(5 - 0.12, 9), expect.closeTo(5 + 0.09, 9)])
    expect([right.x, right.y]).toEqual([expect.closeTo(5 + 0.12, 9), expect.closeTo(5 - 0.09, 9)])
  })
  it('nobody stands where it goes down to its foot; in its doorways they do', () => {
    const { solids } = occluderOf(
      wall({ thicknessM: 0.3, openings: [opening(1, 1, 0, 2), opening(4, 1, 1, 2)] }),
    )
    expect(solids.map(({ outline: [a, b] }) => Math.hypot(b!.x - a!.x, b!.y - a!.y).toFixed(3))).toEqual([
      '1.000',
      '2.000',
      '1.000',
      '5.000',
    ])
    expect(occluderOf(wall()).solids).toEqual([])
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
