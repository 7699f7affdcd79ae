// @vitest-environment jsdom
import { act, cleanup, renderHook, waitFor } from '@testing-library/react'
import { afterEach, beforeEach, expect, it, vi } from 'vitest'
import { CATALOGUE } from '@/catalogue'
import { MOST_AT_ONCE } from '@/core/assess'
import type { Job } from '@/core/job'
import { foundOn, ledOn, type LedJob } from '@/core/pathway'
import { shownSheet } from '@/core/pull'
import { device, job, plannedThrough } from '@/testing/jobs'
import { headEnd, pathway } from '@/testing/plans'
import { useLed, useSheet } from './cables'

/** What the worker was asked, in order, with how it is answered. */
const asked: { of: LedJob | Job; answer: () => void; fail: () => void }[] = []

vi.mock('comlink', () => {
  const ask = (answerOf: (of: never) => unknown) => (of: LedJob | Job) =>
    new Promise((resolve, reject) =>
      asked.push({
        of,
        answer: () => resolve(answerOf(structuredClone(of) as never)),
        fail: () => reject(new Error('gone')),
      }),
    )
  const found = ask((of: LedJob) => structuredClone(foundOn(of, CATALOGUE)))
  const sheet = ask((of: Job) => structuredClone(shownSheet(of, CATALOGUE)))
  return { wrap: () => ({ found, sheet }) }
})

beforeEach(() => {
  asked.length = 0
  vi.stubGlobal('Worker', class {})
})
afterEach(() => {
  cleanup()
  vi.unstubAllGlobals()
})

const one = plannedThrough(device())
const camera = (id: string, x: number) => ({
  ...one,
  ...{ id, mark: id },
  sight: {
    ...one.sight!,
    place: { floor: 'ground' as const, x, y: 0.4, panDeg: 0, rollDeg: 0, locked: false },
  },
})
const row = Array.from({ length: 200 }, (_, i) =>
  pathway(
    [
      [i, 0],
      [i + 1, 0],
    ],
    { id: `p${i}` },
  ),
)
const start = () => job({ devices: [camera('a', 3)], things: [...row, headEnd(0, 0)] })
const slower = (of: Job, minutesPerM: number): Job => ({
  ...of,
  things: of.things.map((thing) => (thing.id === 'p1' ? { ...thing, minutesPerM } : thing)),
})
const minutes = (of: Job) => {
  const [{ found }] = ledOn(of, CATALOGUE) as [ReturnType<typeof ledOn>[number]]
  return 'way' in found ? found.way.minutes : null
}
const shows = (given: Job, mayWait?: (a: Job, b: Job) => boolean) =>
  renderHook(({ of }) => useLed(of, mayWait), { initialProps: { of: given } })

it('one pathway of many that changes: the last state is shown until the worker has answered', async () => {
  const before = start()
  const { result, rerender } = shows(before)
  expect(result.current).toBe(before)
  const now = slower(before, 9)
  rerender({ of: now })
  expect(result.current).toBe(before)
  await waitFor(() => expect(asked).toHaveLength(1))
  act(() => asked[0]!.answer())
  await waitFor(() => expect(result.current).toBe(now))
  const usual = row[1]!.minutesPerM
  expect(minutes(now)! - minutes(before)!).toBeCloseTo(9 - usual)
})
it('of what a hand drags on, what was overtaken is not asked any more', async () => {
  const { result, rerender } = shows(start())
  const states = [5, 6, 7, 8].map((slow) => slower(start(), slow))
  rerender({ of: states[0]! })
  await waitFor(() => expect(asked).toHaveLength(1))
  states.slice(1).forEach((of) => rerender({ of }))
  act(() => asked[0]!.answer())
  await waitFor(() => expect(asked).toHaveLength(2))
  expect(result.current).toBe(states[0])
  act(() => asked[1]!.answer())
  await waitFor(() => expect(result.current).toBe(states[3]))
  expect(asked).toHaveLength(2)
})
it('without the worker it is found on the page', async () => {
  const before = start()
  const { result, rerender } = shows(before)
  const now = slower(before, 9)
  rerender({ of: now })
  await waitFor(() => expect(asked).toHaveLength(1))
  act(() => asked[0]!.fail())
  await waitFor(() => expect(result.current).toBe(now))
  expect(minutes(now)).toBeGreaterThan(minutes(before)!)
})
it('whoever may not wait has the newest at once', () => {
  const before = start()
  const { result, rerender } = shows(before, (a, b) => a.devices === b.devices)
  const now = { ...slower(before, 9), devices: [camera('a', 3), camera('b', 5)] }
  rerender({ of: now })
  expect(result.current).toBe(now)
  expect(asked).toEqual([])
})

const yardOf = (count: number) =>
  job({ devices: Array.from({ length: count }, (_, i) => ({ ...one, id: `d${i}`, mark: `M${i}` })) })

it.each([
  [MOST_AT_ONCE, 0],
  [MOST_AT_ONCE + 1, 1],
])('the pull sheet of %s devices asks the worker %s times, and is the same', async (count, times) => {
  const yard = yardOf(count)
  const { result } = renderHook(() => useSheet(yard))
  if (times > 0) {
    expect(result.current).toBeNull()
    await waitFor(() => expect(asked).toHaveLength(times))
    act(() => asked[0]!.answer())
  }
  await waitFor(() => expect(result.current?.of).toBe(yard))
  expect(asked).toHaveLength(times)
  expect(result.current!.sheet).toEqual(shownSheet(yard, CATALOGUE))
})
