import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { runs } from '@/testing/runs'
import { inOrder, PLACES, type Before, type BeforeLast, type Doable, type Place } from '.'

const item = (id: string, place: Place = 'bench', rank = 0): Doable => ({ id, place, rank })
const before = (first: string, then: string, change: Partial<Before> = {}): Before => ({
  first,
  then,
  because: `${first} before ${then}`,
  force: 'craft',
  ...change,
})
const ids = (items: readonly Doable[], befores: readonly Before[], lasts: readonly BeforeLast[] = []) =>
  inOrder(items, befores, lasts).order.map(({ id }) => id)

const placeOf = (items: readonly Doable[], id: string) => items.find((one) => one.id === id)!.place
function costOf(items: readonly Doable[], order: readonly string[]): number {
  const places = order.map((id) => placeOf(items, id))
  return places.reduce((sum, place, i) => sum + (place === places[i - 1] ? 0 : PLACES[place].visit), 0)
}
const meets = (order: readonly string[], befores: readonly Before[], lasts: readonly BeforeLast[] = []) =>
  befores.every(({ first, then }) => order.indexOf(first) < order.indexOf(then)) &&
  lasts.every(({ first, closings }) => closings.some((id) => order.indexOf(first) < order.indexOf(id)))

function* allOrders(left: readonly string[], done: readonly string[] = []): Generator<readonly string[]> {
  if (left.length === 0) yield done
  for (const id of left)
    yield* allOrders(
      left.filter((one) => one !== id),
      [...done, id],
    )
}

describe('the order', () => {
  it('goes by place, then by rank, then as given, where nothing forces it', () => {
    const items = [
      item('d', 'at the device', 1),
      item('b2', 'bench', 2),
      item('b1', 'bench', 1),
      item('desk', 'at the desk'),
      item('b1b', 'bench', 1),
    ]
    expect(ids(items, [])).toEqual(['b1', 'b1b', 'b2', 'd', 'desk'])
  })
  it('climbs once more only where it must', () => {
    const items = [
      item('drill', 'at the device', 1),
      item('pull', 'on the way'),
      item('plug', 'at the device', 2),
      item('jack', 'head end'),
    ]
    expect(ids(items, [])).toEqual(['jack', 'pull', 'drill', 'plug'])
    expect(ids(items, [before('drill', 'pull'), before('pull', 'jack'), before('pull', 'plug')])).toEqual([
      'drill',
      'pull',
      'jack',
      'plug',
    ])
  })
  it('tells the tightest of what holds a thing in its place, from either side', () => {
    const items = ['a', 'b', 'c', 'd'].map((id, i) => item(id, 'bench', i))
    const all = [before('a', 'c'), before('b', 'c'), before('a', 'd'), before('c', 'd')]
    const { order } = inOrder(items, all)
    expect(
      order.map(({ id, after, before: then }) => [id, after?.because ?? null, then?.because ?? null]),
    ).toEqual([
      ['a', null, 'a before c'],
      ['b', null, 'b before c'],
      ['c', 'b before c', 'c before d'],
      ['d', 'c before d', null],
    ])
  })
  it('tells of reach before craft, however near the craft is', () => {
    const items = ['a', 'b', 'c'].map((id, i) => item(id, 'bench', i))
    const { order } = inOrder(items, [
      before('a', 'b'),
      before('a', 'c', { force: 'reach' }),
      before('b', 'c'),
    ])
    expect(order.map((one) => [one.before?.then, one.after?.first])).toEqual([
      ['c', undefined],
      ['c', 'a'],
      [undefined, 'a'],
    ])
  })
  it('comes before the last of the ways that close, whichever that is', () => {
    const items = ['lid', 'plate', 'nut'].map((id, i) => item(id, 'bench', i))
    const last = {
      first: 'nut',
      closings: ['lid', 'plate'],
      because: 'reached by either',
      force: 'reach' as const,
    }
    expect(ids(items, [before('lid', 'nut')], [last])).toEqual(['lid', 'nut', 'plate'])
    expect(ids(items, [before('plate', 'nut')], [last])).toEqual(['plate', 'nut', 'lid'])
    const { contradictions, order } = inOrder(items, [before('plate', 'nut'), before('lid', 'nut')], [last])
    expect(contradictions).toHaveLength(1)
    expect(order).toHaveLength(3)
  })
})

describe('a contradiction', () => {
  const plug = [
    before('plug', 'nut', { force: 'reach', because: 'the lead is ready-made' }),
    before('nut', 'plug', { force: 'reach', because: 'the plug does not pass the nut' }),
  ]
  it('is told as the shortest circle, and there is an order all the same', () => {
    const items = ['nut', 'plug', 'box', 'lid'].map((id, i) => item(id, 'bench', i))
    const long = [before('plug', 'box'), before('box', 'lid'), before('lid', 'plug', { force: 'habit' })]
    const { contradictions, order } = inOrder(items, [...long, ...plug])
    expect(contradictions[0]!.map(({ because }) => because).sort()).toEqual([
      'the lead is ready-made',
      'the plug does not pass the nut',
    ])
    expect(contradictions).toHaveLength(2)
    expect(
      meets(
        order.map(({ id }) => id),
        long.slice(0, 2),
      ),
    ).toBe(true) // the habit gave way, not the craft
  })
})

const LETTERS = ['a', 'b', 'c', 'd', 'e', 'f']
const anyItems = fc
  .array(fc.tuple(fc.constantFrom(...(Object.keys(PLACES) as Place[])), fc.nat(3)), {
    minLength: 3,
    maxLength: 6,
  })
  .map((all) => all.map(([place, rank], i) => item(LETTERS[i]!, place, rank)))
const befores = (minLength: number, maxLength: number) =>
  fc.array(
    fc
      .tuple(fc.constantFrom(...LETTERS), fc.constantFrom(...LETTERS))
      .map(([first, then]) => before(first, then)),
    { minLength, maxLength },
  )
const anyBefores = befores(0, 8)
const crowded = befores(6, 14)
const anyLasts = fc.array(
  fc
    .tuple(
      fc.constantFrom(...LETTERS),
      fc.uniqueArray(fc.constantFrom(...LETTERS), { minLength: 2, maxLength: 3 }),
    )
    .map(([first, closings]) => ({ first, closings, because: `${first} by a way`, force: 'reach' as const })),
  { maxLength: 2 },
)

describe('against all orders there are', () => {
  it('meets what can be met at the least cost, and calls a contradiction what no order meets', () => {
    const tally = { met: 0, contradicted: 0 }
    fc.assert(
      fc.property(anyItems, anyBefores, anyLasts, (items, wanted, lasts) => {
        const known = items.map(({ id }) => id)
        const named = wanted.filter(
          ({ first, then }) => first !== then && known.includes(first) && known.includes(then),
        )
        const closing = lasts
          .map((last) => ({
            ...last,
            closings: last.closings.filter((id) => known.includes(id) && id !== last.first),
          }))
          .filter(({ first, closings }) => known.includes(first) && closings.length > 0)
        const { order, contradictions } = inOrder(items, wanted, lasts)
        const found = order.map(({ id }) => id)
        expect([...found].sort()).toEqual([...known].sort())
        const met = [...allOrders(known)].filter((one) => meets(one, named, closing))
        if (met.length === 0) {
          tally.contradicted++
          expect(contradictions.length).toBeGreaterThan(0)
          return
        }
        tally.met++
        expect(contradictions).toEqual([])
        expect(meets(found, named, closing)).toBe(true)
        expect(costOf(items, found)).toBe(Math.min(...met.map((one) => costOf(items, one))))
      }),
      { numRuns: runs(400) },
    )
    expect(Math.min(tally.met, tally.contradicted)).toBeGreaterThan(20)
  })
  it('a contradiction is minimal: without any one of its members the rest of it can be met', () => {
    let seen = 0
    fc.assert(
      fc.property(anyItems, crowded, (items, wanted) => {
        for (const circle of inOrder(items, wanted).contradictions) {
          seen++
          expect(inOrder(items, circle).contradictions).toHaveLength(1)
          circle.forEach((member) =>
            expect(
              inOrder(
                items,
                circle.filter((one) => one !== member),
              ).contradictions,
            ).toEqual([]),
          )
        }
      }),
      { numRuns: runs(300) },
    )
    expect(seen).toBeGreaterThan(50)
  })
})
