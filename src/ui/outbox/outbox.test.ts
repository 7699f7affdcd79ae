// @vitest-environment jsdom
import 'fake-indexeddb/auto'
import { Blob as NodeBlob } from 'node:buffer'
import { createHash, randomUUID } from 'node:crypto'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type { Command } from '@/core/job'
import { device, job, said } from '@/testing/jobs'
import { withCommands } from '../job/withCommands'
import { Outbox } from './outbox'
import { OutboxStore } from './store'

/** One storage and one job for each test: what an earlier one left behind sends nothing into the next. */
let here = ''
const command = (change: object = {}): Command =>
  said({ type: 'removePhoto', photoId: 'p', ...change }, { jobId: here })
const photo = (sha256: string) =>
  command({
    type: 'addPhoto',
    photoId: 'p',
    facts: { sha256, deviceId: null, stepId: null, faultId: null, caption: '' },
  })
const problem = (status: number, detail: string) =>
  new Response(JSON.stringify({ title: 'No', detail, status }), {
    status,
    headers: { 'content-type': 'application/problem+json' },
  })

/** A stand-in for the server: answers what the test says, remembers what it was sent. */
let online = true
let refuse: (command: Command) => boolean = () => false
let batch: (commands: Command[]) => Response | null = () => null
let upload: () => Response = () => new Response('{}', { status: 201 })
const sent: Command[][] = []
const uploads: string[] = []
/** The bytes of photos that have arrived at it, by their name. */
let arrived = new Map<string, Uint8Array>()
let boxes: Outbox[] = []

/** Takes pieces as the server does: each where the last one ended, and the whole by its hash. */
async function piece(url: string, body: Blob | undefined): Promise<Response> {
  const { pathname, searchParams } = new URL(url, 'http://here')
  const name = pathname.split('/')[3]!
  const here = arrived.get(name) ?? new Uint8Array()
  if (!body) return Response.json({ has: here.length, whole: false })
  const instead = upload()
  if (!instead.ok) return instead
  if (Number(searchParams.get('at')) !== here.length)
    return Response.json({ has: here.length }, { status: 409 })
  const now = new Uint8Array([...here, ...new Uint8Array(await body.arrayBuffer())])
  arrived.set(name, now)
  if (now.length < Number(searchParams.get('of'))) return Response.json({ has: now.length })
  const whole = createHash('sha256').update(now).digest('hex') === name
  return whole ? Response.json({ sha256: name }, { status: 201 }) : problem(422, 'The bytes do not match.')
}

beforeEach(() => {
  online = true
  refuse = () => false
  batch = () => null
  upload = () => new Response('{}', { status: 201 })
  sent.length = 0
  uploads.length = 0
  arrived = new Map()
  boxes = []
  here = randomUUID()
  let held: Promise<unknown> = Promise.resolve()
  Object.defineProperty(navigator, 'locks', {
    configurable: true,
    value: { request: (_: string, work: () => Promise<void>) => (held = held.then(work, work)) },
  })
  URL.createObjectURL = () => 'blob:here'
  vi.stubGlobal('fetch', (url: string, init: { body: string | Blob }) =>
    online
      ? Promise.resolve().then(() => answer(url, init))
      : Promise.reject(new TypeError('Failed to fetch')),
  )
  const answer = async (url: string, init: { body: string | Blob }) => {
    if (url.startsWith('/api/health')) return Response.json({ status: 'ok' })
    if (url.startsWith('/api/photos/')) {
      uploads.push(url)
      return /[/]pieces/.test(url) ? piece(url, init?.body as Blob | undefined) : upload()
    }
    const { commands } = JSON.parse(init.body as string) as { commands: Command[] }
    if (commands.some(({ jobId }) => jobId !== here)) throw new TypeError('of an earlier test')
    const instead = batch(commands)
    if (instead) return instead
    sent.push(commands)
    const answers = commands.map((one) =>
      refuse(one)
        ? { id: one.id, status: 'refused', reasons: [{ path: '', message: 'no' }] }
        : { id: one.id, status: 'applied' },
    )
    return Response.json({ answers, revisions: { [here]: sent.length } })
  }
})
afterEach(async () => {
  online = false
  await vi.waitFor(() => expect(boxes.every((box) => box.snapshot().signal !== 'sending')).toBe(true))
  vi.restoreAllMocks()
  vi.unstubAllGlobals()
})

const open = () => {
  const box = new Outbox(here)
  boxes.push(box)
  return box
}
const emptied = (box: Outbox) =>
  vi.waitFor(() => expect(box.snapshot().waiting).toEqual([]), { timeout: 8000 })
const settled = (box: Outbox) => vi.waitFor(() => expect(box.snapshot().signal).not.toBe('sending'))
const ids = (commands: readonly { id: string }[]) => commands.map(({ id }) => id)

describe('the outbox', () => {
  it('sends what is said and tells who listens', async () => {
    const box = open()
    const heard: [number, object][] = []
    box.onApplied((commands, revisions) => heard.push([commands.length, revisions]))
    expect(await box.add(command())).toEqual({ ok: true })
    await emptied(box)
    expect(heard).toEqual([[1, { [here]: 1 }]])
  })
  it('keeps a command before it shows it, and through a reload while there is no signal', async () => {
    online = false
    const box = open()
    const one = command()
    const adding = box.add(one)
    // not shown as kept, yet the next change builds on it
    expect([box.snapshot().waiting, ids(box.unsent(here))]).toEqual([[], [one.id]])
    await adding
    const store = new OutboxStore(here)
    expect(ids(await store.waiting.toArray())).toEqual([one.id])
    expect(ids(box.snapshot().waiting)).toEqual([one.id])
    await vi.waitFor(() => expect(box.snapshot().signal).toBe('no signal'))
    online = true
    const reloaded = open()
    await vi.waitFor(() => expect(ids(sent.flat())).toEqual([one.id]))
    await emptied(reloaded)
  })
  it('tells that nobody answers also while nothing waits, until somebody does', async () => {
    const box = open()
    box.answers(false) // before it has looked at its own store
    const told: string[] = []
    box.subscribe(() => told.push(box.snapshot().signal))
    box.sendNow()
    await vi.waitFor(() => expect(told.length).toBeGreaterThan(1))
    expect(new Set(told)).toEqual(new Set(['no signal']))
    box.answers(true)
    expect(box.snapshot().signal).toBe('sent')
    box.answers(false)
    await box.add(command())
    await emptied(box)
    expect(box.snapshot().signal).toBe('sent')
  })
  it('says again what a restored server lacks: once, in order, and what is refused is shown', async () => {
    const box = open()
    const [first, second, third] = [command(), command(), command()]
    await box.add(first)
    await emptied(box)
    online = false
    await box.add(second)
    refuse = ({ id }) => id === third.id
    expect(await box.sayAgain([first, second, third])).toBe(true)
    expect(await box.sayAgain([first])).toBe(true)
    expect(ids(box.snapshot().waiting)).toEqual([second.id, first.id, third.id])
    sent.length = 0
    online = true
    box.sendNow()
    await vi.waitFor(() => expect(ids(box.snapshot().waiting)).toEqual([third.id]))
    expect(ids(sent.flat())).toEqual([second.id, first.id, third.id])
    expect(box.snapshot().waiting[0]!.reasons).toEqual([{ path: '', message: 'no' }])
  })
  it('shows what was said before an update as this page says it, and sends it', async () => {
    online = false
    const first = open()
    await settled(first)
    const store = new OutboxStore(here)
    // Word for word as pages of versions 5 and 7 kept them.
    const envelope = {
      jobId: here,
      at: '2026-03-02T09:30:00.000Z',
      by: 'Installer 1',
      madeOn: '',
      base: null,
    }
    const supply = { id: 'dc', name: 'Loft supply', partId: 'dc-12-5' }
    const outcome = { state: 'done', value: null, choice: null, note: '' }
    const old = [
      { ...envelope, id: randomUUID(), version: 5, type: 'putSupply', supply },
      {
        ...envelope,
        id: randomUUID(),
        version: 7,
        type: 'recordStep',
        deviceId: 'd',
        stepId: 'mount/fix',
        outcome,
      },
    ] as unknown as Command[]
    for (const one of old) await store.waiting.add({ id: one.id, jobId: here, command: one, reasons: null })
    const page = open()
    await vi.waitFor(() => expect(page.snapshot().waiting).toHaveLength(2))
    expect(page.unsent(here)).toMatchObject([
      { type: 'putEquipment', equipmentId: 'dc', change: { partId: 'dc-12-5' } },
      { type: 'recordStep', title: '', stepId: 'mount/fix' },
    ])
    const shown = withCommands(job({ id: here, devices: [device({ id: 'd' })] }), page.unsent(here))
    expect(shown!.equipment.map(({ id }) => id)).toContain('dc')
    expect(shown!.records).toMatchObject([{ stepId: 'mount/fix', title: '' }])
    online = true
    page.sendNow()
    await vi.waitFor(() => expect(ids(sent.flat())).toEqual(ids(old)))
  })
  it('says when this device cannot keep more, and shows nothing as kept', async () => {
    const box = open()
    await settled(box)
    const full = new DOMException('full', 'QuotaExceededError')
    vi.spyOn(
      Object.getPrototypeOf(
        (box as unknown as { store: OutboxStore }).store.waiting,
      ) as OutboxStore['waiting'],
      'add',
    ).mockRejectedValue(full)
    vi.spyOn(
      Object.getPrototypeOf((box as unknown as { store: OutboxStore }).store.photos) as OutboxStore['photos'],
      'put',
    ).mockRejectedValue(full)
    expect(await box.add(command())).toMatchObject({
      ok: false,
      reasons: [{ message: expect.stringMatching(/storage is full/) as string }],
    })
    expect(await box.addPhoto(new NodeBlob([new Uint8Array([1])]) as unknown as Blob)).toBeNull()
    expect(box.snapshot()).toMatchObject({ waiting: [], full: true })
  })
  it('asks the browser not to throw away what is kept', async () => {
    const persist = vi.fn(() => Promise.resolve(true))
    const storage = { persisted: () => Promise.resolve(false), persist }
    Object.defineProperty(navigator, 'storage', { configurable: true, value: storage })
    const box = open()
    await box.add(command())
    await vi.waitFor(() => expect(persist).toHaveBeenCalledOnce())
    await emptied(box)
    Reflect.deleteProperty(navigator, 'storage')
  })
  it('keeps the order in which things were said', async () => {
    online = false
    const box = open()
    const said = [command(), command(), command()]
    for (const one of said) await box.add(one)
    online = true
    window.dispatchEvent(new Event('online'))
    await emptied(box)
    expect(ids(sent.at(-1)!)).toEqual(ids(said))
  })
  it('two tabs send each command once, and both hear of it', async () => {
    const [one, two] = [open(), open()]
    await Promise.all(Array.from({ length: 12 }, (_, i) => (i % 2 ? one : two).add(command())))
    await Promise.all([emptied(one), emptied(two)])
    expect(new Set(ids(sent.flat())).size).toBe(12)
    expect(sent.flat()).toHaveLength(12)
  })
})

describe('what the server does not take', () => {
  it(
    'keeps a refused command with its reasons, sends the others, tries it again when asked, ' +
      'and drops it when told to',
    async () => {
      const bad = command({ photoId: 'bad' })
      refuse = ({ id }) => id === bad.id
      const box = open()
      await box.add(bad)
      await box.add(command())
      const stands = () =>
        vi.waitFor(() =>
          expect(box.snapshot().waiting.map(({ id, reasons }) => [id, reasons?.[0]?.message])).toEqual([
            [bad.id, 'no'],
          ]),
        )
      await stands()
      await box.retry(bad.id)
      await vi.waitFor(() => expect(sent.flat().filter(({ id }) => id === bad.id)).toHaveLength(2))
      await stands()
      await box.drop(bad.id)
      await emptied(box)
      const store = new OutboxStore(here)
      expect(await store.waiting.count()).toBe(0)
    },
  )
  it('splits a batch that fails until the one bad command stands alone', async () => {
    online = false
    const box = open()
    const said = Array.from({ length: 9 }, () => command())
    for (const one of said) await box.add(one)
    batch = (commands) =>
      commands.some(({ id }) => id === said[4]!.id) ? problem(422, 'This command breaks the server.') : null
    online = true
    box.sendNow()
    await vi.waitFor(() => expect(sent.flat()).toHaveLength(8))
    expect(ids(sent.flat())).toEqual(ids(said.filter((_, i) => i !== 4)))
    await vi.waitFor(() =>
      expect(box.snapshot().waiting).toMatchObject([
        { id: said[4]!.id, reasons: [{ message: 'This command breaks the server.' }] },
      ]),
    )
  })
  it.each([401, 403, 408, 429, 503])('waits and keeps everything on %i', async (status) => {
    batch = () => problem(status, 'Later, please.')
    const box = open()
    await box.add(command())
    await vi.waitFor(() =>
      expect(box.snapshot()).toMatchObject({
        signal: 'no signal',
        says: 'Later, please.',
        waiting: [{ reasons: null }],
      }),
    )
  })
  it('a photo that is too large for the server does not hold up the words', async () => {
    upload = () => problem(413, 'The photo is larger than 20 MB.')
    const box = open()
    const sha256 = await box.addPhoto(new NodeBlob([new Uint8Array([9])]) as unknown as Blob)
    const waits = photo(sha256!)
    await box.add(waits)
    const words = command({ photoId: 'other' })
    await box.add(words)
    await vi.waitFor(() => expect(ids(sent.flat())).toEqual([words.id]))
    await vi.waitFor(() =>
      expect(box.snapshot()).toMatchObject({
        waiting: [{ id: waits.id, reasons: null }],
        says: 'The photo is larger than 20 MB.',
      }),
    )
  })
})

describe('photos', () => {
  it('go up under the hash of their bytes before the command that names them', async () => {
    const box = open()
    const bytes = new Uint8Array([1, 2, 3])
    const sha256 = (await box.addPhoto(new NodeBlob([bytes]) as unknown as Blob))!
    expect(sha256).toBe(createHash('sha256').update(bytes).digest('hex'))
    expect(box.snapshot().pictures.get(sha256)).toBe('blob:here')
    await box.add(photo(sha256))
    await emptied(box)
    expect(uploads).toEqual([`/api/photos/${sha256}`])
  })
  const large = async (box: Outbox) => {
    const bytes = new Uint8Array(1_000_000).map((_, i) => (i * 7919) >> 3)
    return (await box.addPhoto(new NodeBlob([bytes]) as unknown as Blob))!
  }
  const puts = () => uploads.filter((url) => url.includes('?at=')).map((url) => /at=(\d+)/.exec(url)![1])

  it('larger ones go piece by piece, and on from where the line broke, in another page too', async () => {
    const box = open()
    const sha256 = await large(box)
    const shares: number[] = []
    box.subscribe(() => {
      const { underway } = box.snapshot()
      if (underway) shares.push(underway.arrivedBytes / underway.bytes)
    })
    upload = () => {
      online = puts().length < 3
      if (!online) throw new TypeError('Failed to fetch')
      return new Response('{}', { status: 200 })
    }
    await box.add(photo(sha256))
    await vi.waitFor(() => expect(box.snapshot().signal).toBe('no signal'))
    expect(puts()).toEqual(['0', '262144', '524288'])
    upload = () => new Response('{}', { status: 200 })
    online = true
    const reloaded = open()
    reloaded.sendNow()
    await vi.waitFor(() => expect(sent.flat()).toHaveLength(1))
    expect(puts()).toEqual(['0', '262144', '524288', '524288', '786432'])
    expect(createHash('sha256').update(arrived.get(sha256)!).digest('hex')).toBe(sha256)
    expect(shares.slice(0, 3)).toEqual([0, 0.262144, 0.524288])
  })
  it('what was put together wrongly is sent in one; what does not arrive as it is sent ends', async () => {
    const box = open()
    const sha256 = await large(box)
    arrived.set(sha256, new Uint8Array(262_144))
    await box.add(photo(sha256))
    await emptied(box)
    expect(uploads.findLast((url) => url.includes(sha256))).toBe(`/api/photos/${sha256}`)
    const [other, strange] = [open(), new Uint8Array(300_000).fill(5)]
    const name = (await other.addPhoto(new NodeBlob([strange]) as unknown as Blob))!
    upload = () => Response.json({ has: 7 }, { status: 409 })
    await other.add(photo(name))
    await vi.waitFor(() => expect(other.snapshot().waiting[0]?.held).toMatch(/does not arrive/))
  })
  it('are kept back while what was written goes, also one that is on its way, and go when they may', async () => {
    const box = open()
    const sha256 = await large(box)
    upload = () => {
      if (puts().length === 2) box.holdPhotos(true)
      return new Response('{}', { status: 200 })
    }
    await box.add(photo(sha256))
    const words = command({ photoId: 'other' })
    await box.add(words)
    await vi.waitFor(() => expect(ids(sent.flat())).toEqual([words.id]))
    await vi.waitFor(() =>
      expect(box.snapshot()).toMatchObject({ holdsPhotos: true, underway: null, signal: 'sent' }),
    )
    const before = puts().length
    const reloaded = open()
    reloaded.sendNow()
    await vi.waitFor(() => expect(reloaded.snapshot().holdsPhotos).toBe(true))
    expect(ids(reloaded.snapshot().waiting.map(({ command }) => command))).toEqual([
      box.snapshot().waiting[0]!.id,
    ])
    expect(puts()).toHaveLength(before)
    reloaded.holdPhotos(false)
    await emptied(reloaded)
    expect(createHash('sha256').update(arrived.get(sha256)!).digest('hex')).toBe(sha256)
  })
})
