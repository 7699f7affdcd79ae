import { describe, expect, it } from 'vitest'
import { CATALOGUE } from '@/catalogue'
import { dice } from '@/testing/dice'
import { device, equipment, job, NOW, plannedThrough, run } from '@/testing/jobs'
import { assess, jobRound, type JobRound } from '../assess'
import { PLACES, type Place } from '../order'
import type { Step } from '../procedure'
import { goingsOf, ROUND_LIMITS, roundOf, spotsOf, type Block, type Unfinished } from '.'

const SHARED: readonly Place[] = ['bench', 'head end', 'on the way', 'at the desk']
const visitCost = (goings: readonly { place: Place }[]) =>
  goings.reduce((sum, { place }) => sum + PLACES[place].visit, 0)

/** Chains of blocks at shared places, at spots of their own, and at spots that several things share. */
function anyChains(throwDie: (least: number, most: number) => number): Block[][] {
  const whole = (most: number) => Math.floor(throwDie(0, most))
  return Array.from({ length: 1 + whole(4) }, (_, chain) => {
    const spot = whole(3) === 0 ? 'spot shared' : `spot ${chain}`
    const blocks: Block[] = []
    for (let i = 1 + whole(5); i > 0; i--) {
      const place: Place = whole(2) === 0 ? 'at the device' : SHARED[whole(SHARED.length)]!
      const at = place === 'at the device' ? spot : place
      if (blocks.at(-1)?.at !== at) blocks.push({ at, place })
    }
    return blocks
  })
}

/** The least cost by trying everything: at each going any of those who could go on there may stay behind. */
function leastCost(chains: readonly Block[][]): number {
  const known = new Map<string, number>()
  const from = (done: readonly number[]): number => {
    const key = done.join()
    if (known.has(key)) return known.get(key)!
    const next = chains.map((chain, i) => chain[done[i]!])
    let least = next.every((block) => block === undefined) ? 0 : Infinity
    for (const at of new Set(next.flatMap((block) => (block ? [block.at] : [])))) {
      const here = next.flatMap((block, i) => (block?.at === at ? [i] : []))
      const visit = PLACES[next[here[0]!]!.place].visit
      for (let mask = 1; mask < 1 << here.length; mask++) {
        const going = new Set(here.filter((_, i) => mask & (1 << i)))
        least = Math.min(least, visit + from(done.map((count, i) => (going.has(i) ? count + 1 : count))))
      }
    }
    known.set(key, least)
    return least
  }
  return from(chains.map(() => 0))
}

describe('goings', () => {
  it('work every chain through in its order, and cost the least that there is', () => {
    for (let seed = 1; seed <= 1500; seed++) {
      const chains = anyChains(dice(seed))
      const goings = goingsOf(chains)
      const walked = chains.map((): string[] => [])
      for (const { at, chains: on } of goings) for (const i of on) walked[i]!.push(at)
      expect(walked).toEqual(chains.map((chain) => chain.map(({ at }) => at)))
      expect([seed, visitCost(goings)]).toEqual([seed, leastCost(chains)])
    }
  })
  it('begin where one stands when something can be done there, and go nowhere without a reason', () => {
    for (let seed = 1; seed <= 300; seed++) {
      const chains = anyChains(dice(seed))
      const ready = [...new Set(chains.map((chain) => chain[0]!.at))]
      for (const at of ready) expect(goingsOf(chains, at)[0]!.at).toBe(at)
      const first = goingsOf(chains, 'nowhere')
      expect(visitCost(first)).toBe(leastCost(chains))
      for (const { chains: on } of first) expect(on.length).toBeGreaterThan(0)
    }
  })
  it('gather a thousand devices of many kinds without looking at every state', () => {
    const throwDie = dice(7)
    const chains = Array.from({ length: 1000 }, () => anyChains(throwDie)[0]!)
    const goings = goingsOf(chains)
    const climbs = chains.flat().filter(({ at, place }) => place === 'at the device' && at !== 'spot shared')
    const up = goings.filter(({ at, place }) => place === 'at the device' && at !== 'spot shared')
    expect(up.length).toBeLessThanOrEqual(climbs.length)
    expect(goings.flatMap(({ chains: on }) => on)).toHaveLength(chains.flat().length)
  })
})

const step = (id: string, place: Place) => ({ id, place, title: `do ${id}` }) as Step
const thing = (mark: string, ...places: Place[]): Unfinished => ({
  id: mark,
  mark,
  name: `thing ${mark}`,
  left: places.map((place, i) => step(`${mark}${i}`, place)),
})
const stands = (visits: ReturnType<typeof roundOf>['visits']) =>
  visits.map(({ place, spot, stints }) => [
    spot?.id ?? place,
    stints.flatMap(({ steps }) => steps.map(({ id }) => id)).join(' '),
  ])

describe('a round', () => {
  it('pulls all cables before anything is hung, and brings head-end work of all together', () => {
    const kind: Place[] = ['bench', 'on the way', 'head end', 'at the device', 'at the desk']
    const { visits, climbs } = roundOf([thing('a', ...kind), thing('b', ...kind)], new Map())
    expect(stands(visits)).toEqual([
      ['bench', 'a0 b0'],
      ['on the way', 'a1 b1'],
      ['head end', 'a2 b2'],
      ['a', 'a3'],
      ['b', 'b3'],
      ['at the desk', 'a4 b4'],
    ])
    expect(climbs).toBe(2)
  })
  it('keeps steps in a row together, also where others have fewer', () => {
    const { visits } = roundOf(
      [thing('a', 'bench', 'bench', 'at the device', 'head end', 'at the device'), thing('b', 'head end')],
      new Map(),
    )
    expect(stands(visits)).toEqual([
      ['bench', 'a0 a1'],
      ['a', 'a2'],
      ['head end', 'a3 b0'],
      ['a', 'a4'],
    ])
  })
  it('begins where one stands, and tells what there waits for what', () => {
    const things = [thing('a', 'bench', 'head end', 'at the device'), thing('b', 'head end')]
    const here = roundOf(things, new Map(), 'head end')
    expect(stands(here.visits)[0]).toEqual(['head end', 'b0'])
    expect(here.waiting).toEqual([{ of: things[0], steps: 1, first: 'do a1', on: 'do a0', onAt: 'bench' }])
    expect(roundOf(things, new Map()).waiting).toEqual([])
    expect(roundOf(things, new Map(), { spot: 'a' }).waiting).toEqual([
      { of: things[0], steps: 1, first: 'do a2', on: 'do a1', onAt: 'head end' },
    ])
  })
  it('goes to the nearest next, other floors later, what is on no plan last', () => {
    const at = (id: string, floor: string, x: number) =>
      [id, { id, marks: [id], name: id, heightM: 3, at: { floor, x, y: 0 } }] as const
    const spots = new Map([
      at('a', 'ground', 0),
      at('far', 'ground', 30),
      at('near', 'ground', 4),
      at('up', 'first', 0),
    ])
    const things = ['a', 'none', 'up', 'far', 'near'].map((id) => thing(id, 'at the device'))
    expect(roundOf(things, spots).visits.map(({ stints }) => stints[0]!.of.id)).toEqual([
      'a',
      'near',
      'far',
      'up',
      'none',
    ])
    const from = roundOf(things, spots, { spot: 'far' }).visits.map(({ stints }) => stints[0]!.of.id)
    expect(from).toEqual(['far', 'near', 'a', 'up', 'none'])
  })
})

describe('spots', () => {
  const reach = ROUND_LIMITS.armsReachM.value
  const placed = (id: string, x: number, heightM = 3, floor = 'ground') => {
    const { sight } = plannedThrough(device())
    return device({
      id,
      mark: id,
      sight: { ...sight!, heightM, place: { floor, x, y: 0, panDeg: 0, rollDeg: 0 } } as never,
    })
  }
  const shared = (...devices: ReturnType<typeof placed>[]) => {
    const spots = spotsOf(job({ devices }))
    return new Set(devices.map(({ id }) => spots.get(id))).size === 1
  }
  it.each([
    ['within reach', reach - 1e-6, 3, true],
    ['just at reach', reach, 3, true],
    ['out of reach', reach + 1e-6, 3, false],
    ['over it, out of reach', 0, 3 + reach + 1e-6, false],
  ])('one stand of the ladder serves what is %s', (_, x, heightM, one) => {
    expect(shared(placed('a', 0), placed('b', x, heightM))).toBe(one)
  })
  it('floors apart are climbs apart, and what is not placed shares none', () => {
    expect(shared(placed('a', 0), placed('b', 0, 3, 'first'))).toBe(false)
    expect(shared(device({ id: 'a' }), device({ id: 'b', mark: 'b' }))).toBe(false)
  })
  it('a run is worked on at its end away from the head end', () => {
    const recorder = equipment({ id: 'nvr', stands: 'head end' })
    const box = equipment({ id: 'box', mark: 'B1', stands: 'on site' })
    const between = run({ id: 'r', fromId: 'nvr', toId: 'box' })
    const toCamera = run({ id: 's', mark: 'S', fromId: 'a', toId: 'nvr' })
    const spots = spotsOf(
      job({ devices: [placed('a', 0)], equipment: [recorder, box], runs: [between, toCamera] }),
    )
    expect([spots.get('r')!.id, spots.get('s')!.id, spots.has('nvr')]).toEqual(['box', 'a', false])
  })
})

describe('the round of a job', () => {
  const through = plannedThrough(device())
  it('is every step that is left of what can be installed, and names what it leaves out', () => {
    const stopped = { ...through, id: 'far', mark: '02', sight: { ...through.sight!, targetDistanceM: 60 } }
    const bare = device({ id: 'bare', mark: '03' })
    const on = job({ devices: [through, stopped, bare] })
    const assessment = assess(on, CATALOGUE)
    const round = jobRound(on, assessment)
    expect(round.left.map(({ mark, why }) => [mark, why])).toEqual([
      ['02', 'stopped'],
      ['03', 'not planned through'],
    ])
    const steps = round.visits.flatMap(({ stints }) =>
      stints.flatMap((stint) => stint.steps.map(({ id }) => id)),
    )
    const own = [assessment.devices[0]!, ...assessment.equipment]
    expect([...steps].sort()).toEqual(own.flatMap((one) => one.steps.map(({ step: { id } }) => id)).sort())
    const of = round.visits.flatMap(({ stints }) => stints.filter((stint) => stint.of.id === through.id))
    expect(of.flatMap((stint) => stint.steps)).toEqual(assessment.devices[0]!.steps.map((one) => one.step))
    expect(round.sentence).toMatch(/^\d+ steps on \d things?: \d+ visits, [12] of them at devices\.$/)
  })
  it('cuts what a colleague is left with, and what waits for it, out of one’s own', () => {
    const plain = job({ devices: [through] })
    const { steps } = assess(plain, CATALOGUE).devices[0]!
    const ids = steps.map(({ step }) => step.id)
    const give = (stepId: string, colleague: string) => ({
      deviceId: through.id,
      stepId,
      title: 'as it was called',
      colleague,
      note: 'the key is with me',
      at: NOW,
      by: 'Lead',
    })
    const on = { ...plain, handed: [give(ids[4]!, 'Installer 2'), give('mount/gone', 'Installer 3')] }
    const roundFor = (me: string | null) => jobRound(on, assess(on, CATALOGUE), null, me)
    const stepsOf = (me: string | null) =>
      roundFor(me).visits.flatMap(({ stints }) =>
        stints.flatMap(({ of, steps }) => (of.id === through.id ? steps.map(({ id }) => id) : [])),
      )
    expect(stepsOf('Lead')).toEqual(ids.slice(0, 4))
    for (const me of ['Installer 2', null]) expect(stepsOf(me)).toEqual(ids)
    const told = ({ leftToMe, leftToOthers }: JobRound) =>
      [leftToMe, leftToOthers].map((list) => list.map(({ stepId, holdsUp }) => [stepId, holdsUp]))
    const gone = ['mount/gone', null]
    const left = [ids[4], ids.length - 5]
    expect(told(roundFor('Lead'))).toEqual([[], [left, gone]])
    expect(told(roundFor('Installer 2'))).toEqual([[left], [gone]])
    const first = { ...plain, equipment: [], handed: [give(ids[0]!, 'Installer 2')] }
    const none = jobRound(first, assess(first, CATALOGUE), null, 'Lead')
    expect([none.visits, none.sentence]).toEqual([[], 'Nothing is left for you to do.'])
  })
  it('has nothing left when everything is recorded, and says so', () => {
    const none = job({ devices: [], equipment: [] })
    expect(jobRound(none, assess(none, CATALOGUE))).toMatchObject({
      visits: [],
      sentence: 'Nothing is left to do.',
    })
  })
})
