// @vitest-environment jsdom
import 'fake-indexeddb/auto'
import { afterEach, expect, it, vi } from 'vitest'
import type { JobFile } from '@/core/job'
import { device, job, photo } from '@/testing/jobs'
import { problem } from '@/testing/outboxServer'
import { putBack } from './putBack'

const [there, lost] = ['a'.repeat(64), 'b'.repeat(64)]
const kept = job({
  devices: [device()],
  photos: [there, lost, there].map((sha256, i) => photo({ id: `${i + 1}`, sha256 })),
})

/** A server that has one of the two pictures. */
function serverThat(imports: () => Response | Promise<Response>): JobFile[] {
  const taken: JobFile[] = []
  vi.stubGlobal('fetch', async (url: string, init?: { body?: string }) => {
    if (url.endsWith('/pieces')) return Response.json({ has: 0, whole: url.includes(there) })
    if (url !== '/api/import') return Response.json({ revision: 1, job: kept })
    const answer = await imports()
    if (answer.ok) taken.push(JSON.parse(init!.body!) as JobFile)
    return answer
  })
  return taken
}
afterEach(() => vi.unstubAllGlobals())

it('a job goes back with those pictures that the server has, and tells how many are left out', async () => {
  const taken = serverThat(() => Response.json({ jobId: kept.id, refused: 0 }, { status: 201 }))
  expect(await putBack(kept)).toEqual({ ok: true, left: 1 })
  expect(taken.map((file) => file.job.photos.map(({ id }) => id))).toEqual([['1', '3']])
  expect(taken[0]!.job.devices).toEqual(kept.devices)
})

it('what the server says against it is told, and so is that nobody answers', async () => {
  serverThat(() => problem(409, 'This job is here already.'))
  expect(await putBack(kept)).toEqual({ ok: false, says: 'This job is here already.' })
  serverThat(() => Promise.reject(new TypeError('Failed to fetch')))
  expect(await putBack(kept)).toEqual({ ok: false, says: 'No answer. Try again where there is signal.' })
  vi.stubGlobal('fetch', () => Promise.reject(new TypeError('Failed to fetch')))
  expect(await putBack(kept)).toMatchObject({
    ok: false,
    says: expect.stringMatching(/does not answer/) as string,
  })
})
