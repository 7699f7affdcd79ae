// @vitest-environment jsdom
import 'fake-indexeddb/auto'
import { act, cleanup, render, screen, waitFor } from '@testing-library/react'
import { afterEach, beforeEach, expect, it, vi } from 'vitest'
import { ChakraProvider } from '@chakra-ui/react'
import { CATALOGUE } from '@/catalogue'
import { assess, MOST_AT_ONCE, type Assessment } from '@/core/assess'
import { system } from '@/ui/theme'
import { device, job, plannedThrough } from '@/testing/jobs'
import { prepareWindow } from '@/testing/page'
import { JobProvider, useAssessed } from './JobProvider'

let way = '/'
vi.mock('next/navigation', () => ({ usePathname: () => way, useRouter: () => ({}) }))

beforeEach(prepareWindow)
afterEach(() => {
  cleanup()
  vi.unstubAllGlobals()
})

const one = plannedThrough(device())
const yardOf = (count: number, id: string) =>
  job({ id, devices: Array.from({ length: count }, (_, i) => ({ ...one, id: `d${i}`, mark: `${i}` })) })

let seen: Assessment[] = []
function Watch() {
  seen.push(useAssessed())
  return <p>{seen.at(-1)!.sentence}</p>
}

const shown = (given: Parameters<typeof JobProvider>[0]['given']) => {
  seen = []
  render(
    <ChakraProvider value={system}>
      <JobProvider given={given}>
        <Watch />
      </JobProvider>
    </ChakraProvider>,
  )
}

it('a job that comes with the page is computed before it is shown', () => {
  const yard = yardOf(MOST_AT_ONCE, 'small')
  shown({ revision: 1, job: yard })
  expect(seen[0]).toEqual(assess(yard, CATALOGUE))
})

it.each([
  ['a larger one', MOST_AT_ONCE + 1, undefined],
  ['one that was kept on the device', MOST_AT_ONCE, []],
])(
  '%s is shown at once, the device looked at first, and fills until all is known',
  async (_, count, landed) => {
    const yard = yardOf(count, 'large')
    way = '/jobs/large/devices/d40/sight'
    shown({ revision: 1, job: yard, ...(landed && { landed }) })
    const known = seen[0]!.devices.flatMap(({ deviceId, pending }) => (pending ? [] : [deviceId]))
    expect(known).toEqual(['d40'])
    await waitFor(() => expect(seen.at(-1)).toEqual(assess(yard, CATALOGUE)))
  },
)

it(
  'a job that is too large for the page is fetched; without word of the server it says so ' +
    'and asks again',
  async () => {
    const yard = yardOf(2, 'fetched')
    way = '/'
    shown({ id: 'fetched', name: 'Long wall', devices: 900 })
    expect(screen.getByRole('status').textContent).toBe('Opening Long wall: 900 devices…')
    const again = await screen.findByRole('button', { name: 'Try again' })
    vi.stubGlobal('fetch', () => Promise.resolve(Response.json({ revision: 3, job: yard })))
    act(() => again.click())
    await waitFor(() => expect(seen.at(-1)).toEqual(assess(yard, CATALOGUE)))
  },
)
