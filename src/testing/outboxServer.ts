import { createHash, randomUUID } from 'node:crypto'
import { afterEach, beforeEach, expect, vi } from 'vitest'
import type { Command } from '@/core/job'
import { said } from './jobs'
import { Outbox } from '@/ui/outbox/outbox'

/** A stand-in for the server: answers what a test of the outbox says, remembers what it was sent. */

const TAKEN = () => new Response('{}', { status: 201 })
const START = () => ({
  online: true,
  refuse: (_: Command): boolean => false,
  batch: (_: Command[]): Response | null => null,
  upload: TAKEN,
  sent: [] as Command[][],
  uploads: [] as string[],
  /** The bytes of photos that have arrived at it, by their name. */
  arrived: new Map<string, Uint8Array>(),
  boxes: [] as Outbox[],
  /** One storage and one job for each test: what an earlier one left behind sends nothing into the next. */
  here: randomUUID() as string,
})
export const server = START()

export const command = (change: object = {}): Command =>
  said({ type: 'removePhoto', photoId: 'p', ...change }, { jobId: server.here })
export const photo = (sha256: string) =>
  command({
    type: 'addPhoto',
    photoId: 'p',
    facts: { sha256, deviceId: null, stepId: null, faultId: null, caption: '' },
  })
export const problem = (status: number, detail: string) =>
  new Response(JSON.stringify({ title: 'No', detail, status }), {
    status,
    headers: { 'content-type': 'application/problem+json' },
  })

/** Takes pieces as the server does: each where the last one ended, and the whole by its hash. */
async function piece(url: string, body: Blob | undefined): Promise<Response> {
  const { pathname, searchParams } = new URL(url, 'http://here')
  const name = pathname.split('/')[3]!
  const had = server.arrived.get(name) ?? new Uint8Array()
  if (!body) return Response.json({ has: had.length, whole: false })
  const instead = server.upload()
  if (!instead.ok) return instead
  if (Number(searchParams.get('at')) !== had.length)
    return Response.json({ has: had.length }, { status: 409 })
  const now = new Uint8Array([...had, ...new Uint8Array(await body.arrayBuffer())])
  server.arrived.set(name, now)
  if (now.length < Number(searchParams.get('of'))) return Response.json({ has: now.length })
  const whole = createHash('sha256').update(now).digest('hex') === name
  return whole ? Response.json({ sha256: name }, { status: 201 }) : problem(422, 'The bytes do not match.')
}

/** Stands in for the server in every test of a file. */
export function standIn(): void {
  beforeEach(() => {
    Object.assign(server, START())
    let held: Promise<unknown> = Promise.resolve()
    Object.defineProperty(navigator, 'locks', {
      configurable: true,
      value: { request: (_: string, work: () => Promise<void>) => (held = held.then(work, work)) },
    })
    URL.createObjectURL = () => 'blob:here'
    vi.stubGlobal('fetch', (url: string, init: { body: string | Blob }) =>
      server.online
        ? Promise.resolve().then(() => answer(url, init))
        : Promise.reject(new TypeError('Failed to fetch')),
    )
    const answer = async (url: string, init: { body: string | Blob }) => {
      if (url.startsWith('/api/health')) return Response.json({ status: 'ok' })
      if (url.startsWith('/api/photos/')) {
        server.uploads.push(url)
        return /[/]pieces/.test(url) ? piece(url, init?.body as Blob | undefined) : server.upload()
      }
      const { commands } = JSON.parse(init.body as string) as { commands: Command[] }
      if (commands.some(({ jobId }) => jobId !== server.here)) throw new TypeError('of an earlier test')
      const instead = server.batch(commands)
      if (instead) return instead
      server.sent.push(commands)
      const answers = commands.map((one) =>
        server.refuse(one)
          ? { id: one.id, status: 'refused', reasons: [{ path: '', message: 'no' }] }
          : { id: one.id, status: 'applied' },
      )
      return Response.json({ answers, revisions: { [server.here]: server.sent.length } })
    }
  })
  afterEach(async () => {
    server.online = false
    await vi.waitFor(() =>
      expect(server.boxes.every((box) => box.snapshot().signal !== 'sending')).toBe(true),
    )
    vi.restoreAllMocks()
    vi.unstubAllGlobals()
  })
}

export const open = () => {
  const box = new Outbox(server.here)
  server.boxes.push(box)
  return box
}
export const emptied = (box: Outbox) =>
  vi.waitFor(() => expect(box.snapshot().waiting).toEqual([]), { timeout: 8000 })
export const settled = (box: Outbox) => vi.waitFor(() => expect(box.snapshot().signal).not.toBe('sending'))
export const ids = (commands: readonly { id: string }[]) => commands.map(({ id }) => id)
