// @vitest-environment jsdom
import { cleanup, render, screen, waitFor } from '@testing-library/react'
import { afterEach, beforeEach, expect, it, vi } from 'vitest'
import type { SurveyRequest } from '@/core/sight'
import { useSyncExternalStore } from 'react'
import { useAsked, useSurvey } from './worker'

/** How far the worker is comes by another way than its answer: here it is told when the test says so. */
const told: ((share: number) => void)[] = []
let answer: (result: unknown) => void = () => undefined

vi.mock('comlink', () => {
  const asked = (_: unknown, tell: (share: number) => void) => {
    told.push(tell)
    return new Promise((resolve) => (answer = resolve))
  }
  return { proxy: (tell: unknown) => tell, wrap: () => ({ survey: asked, positions: asked }) }
})

const request = {} as SurveyRequest
function Survey() {
  const { howFar, result } = useSurvey(request)
  const progress = useSyncExternalStore(howFar.subscribe, howFar.now)
  return <output>{JSON.stringify({ result, progress })}</output>
}
function Positions() {
  const { ask, progress } = useAsked('positions')
  return (
    <>
      <output>{JSON.stringify(progress)}</output>
      <button onClick={() => ask({} as never)}>ask</button>
    </>
  )
}
const shown = () => JSON.parse(screen.getByRole('status').textContent) as unknown

beforeEach(() => {
  told.length = 0
  vi.stubGlobal('Worker', class {})
})
afterEach(() => {
  cleanup()
  vi.unstubAllGlobals()
})

it('a survey that is there is not under way any more, whatever is still told of it', async () => {
  render(<Survey />)
  await waitFor(() => expect(told).toHaveLength(1))
  told[0]!(0.4)
  await waitFor(() => expect(shown()).toMatchObject({ progress: 0.4, result: null }))
  answer({ floor: 'ground' })
  await waitFor(() => expect(shown()).toMatchObject({ progress: null, result: { floor: 'ground' } }))
  told[0]!(0.8)
  await new Promise((resolve) => setTimeout(resolve, 20))
  expect(shown()).toMatchObject({ progress: null })
})
it('nor is the ranking of positions', async () => {
  render(<Positions />)
  screen.getByRole('button').click()
  await waitFor(() => expect(told).toHaveLength(1))
  told[0]!(0.4)
  await waitFor(() => expect(shown()).toBe(0.4))
  answer([])
  await waitFor(() => expect(shown()).toBeNull())
  told[0]!(0.8)
  await new Promise((resolve) => setTimeout(resolve, 20))
  expect(shown()).toBeNull()
})
