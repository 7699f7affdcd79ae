// @vitest-environment jsdom
import 'fake-indexeddb/auto'
import { Blob as NodeBlob } from 'node:buffer'
import { randomUUID } from 'node:crypto'
import { describe, expect, it, vi } from 'vitest'
import type { Command } from '@/core/job'
import { device, job } from '@/testing/jobs'
import { withCommands } from '../job/withCommands'
import { command, emptied, ids, open, photo, problem, server, settled, standIn } from '@/testing/outboxServer'
import { OutboxStore } from './store'

standIn()

describe('the outbox', () => {
  it('sends what is said and tells who listens', async () => {
    const box = open()
    const heard: [number, object][] = []
    box.onApplied((commands, revisions) => heard.push([commands.length, revisions]))
    expect(await box.add(command())).toEqual({ ok: true })
    await emptied(box)
    expect(heard).toEqual([[1, { [server.here]: 1 }]])
  })
  it('keeps a command before it shows it, and through a reload while there is no signal', async () => {
    server.online = false
    const box = open()
    const one = command()
    const adding = box.add(one)
    // not shown as kept, yet the next change builds on it
    expect([box.snapshot().waiting, ids(box.unsent(server.here))]).toEqual([[], [one.id]])
    await adding
    const store = new OutboxStore(server.here)
    expect(ids(await store.waiting.toArray())).toEqual([one.id])
    expect(ids(box.snapshot().waiting)).toEqual([one.id])
    await vi.waitFor(() => expect(box.snapshot().signal).toBe('no signal'))
    server.online = true
    const reloaded = open()
    await vi.waitFor(() => expect(ids(server.sent.flat())).toEqual([one.id]))
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
    server.online = false
    await box.add(second)
    server.refuse = ({ id }) => id === third.id
    expect(await box.sayAgain([first, second, third])).toBe(true)
    expect(await box.sayAgain([first])).toBe(true)
    expect(ids(box.snapshot().waiting)).toEqual([second.id, first.id, third.id])
    server.sent.length = 0
    server.online = true
    box.sendNow()
    await vi.waitFor(() => expect(ids(box.snapshot().waiting)).toEqual([third.id]))
    expect(ids(server.sent.flat())).toEqual([second.id, first.id, third.id])
    expect(box.snapshot().waiting[0]!.reasons).toEqual([{ path: '', message: 'no' }])
  })
  it('shows what was said before an update as this page says it, and sends it', async () => {
    server.online = false
    const first = open()
    await settled(first)
    const store = new OutboxStore(server.here)
    // Word for word as pages of versions 5 and 7 kept them.
    const envelope = {
      jobId: server.here,
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
    for (const one of old)
      await store.waiting.add({ id: one.id, jobId: server.here, command: one, reasons: null })
    const page = open()
    await vi.waitFor(() => expect(page.snapshot().waiting).toHaveLength(2))
    expect(page.unsent(server.here)).toMatchObject([
      { type: 'putEquipment', equipmentId: 'dc', change: { partId: 'dc-12-5' } },
      { type: 'recordStep', title: '', stepId: 'mount/fix' },
    ])
    const shown = withCommands(
      job({ id: server.here, devices: [device({ id: 'd' })] }),
      page.unsent(server.here),
    )
    expect(shown!.equipment.map(({ id }) => id)).toContain('dc')
    expect(shown!.records).toMatchObject([{ stepId: 'mount/fix', title: '' }])
    server.online = true
    page.sendNow()
    await vi.waitFor(() => expect(ids(server.sent.flat())).toEqual(ids(old)))
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
    server.online = false
    const box = open()
    const said = [command(), command(), command()]
    for (const one of said) await box.add(one)
    server.online = true
    window.dispatchEvent(new Event('online'))
    await emptied(box)
    expect(ids(server.sent.at(-1)!)).toEqual(ids(said))
  })
  it('two tabs send each command once, and both hear of it', async () => {
    const [one, two] = [open(), open()]
    await Promise.all(Array.from({ length: 12 }, (_, i) => (i % 2 ? one : two).add(command())))
    await Promise.all([emptied(one), emptied(two)])
    expect(new Set(ids(server.sent.flat())).size).toBe(12)
    expect(server.sent.flat()).toHaveLength(12)
  })
})

describe('what the server does not take', () => {
  it(
    'keeps a refused command with its reasons, sends the others, tries it again when asked, ' +
      'and drops it when told to',
    async () => {
      const bad = command({ photoId: 'bad' })
      server.refuse = ({ id }) => id === bad.id
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
      await vi.waitFor(() => expect(server.sent.flat().filter(({ id }) => id === bad.id)).toHaveLength(2))
      await stands()
      await box.drop(bad.id)
      await emptied(box)
      const store = new OutboxStore(server.here)
      expect(await store.waiting.count()).toBe(0)
    },
  )
  it('splits a batch that fails until the one bad command stands alone', async () => {
    server.online = false
    const box = open()
    const said = Array.from({ length: 9 }, () => command())
    for (const one of said) await box.add(one)
    server.batch = (commands) =>
      commands.some(({ id }) => id === said[4]!.id) ? problem(422, 'This command breaks the server.') : null
    server.online = true
    box.sendNow()
    await vi.waitFor(() => expect(server.sent.flat()).toHaveLength(8))
    expect(ids(server.sent.flat())).toEqual(ids(said.filter((_, i) => i !== 4)))
    await vi.waitFor(() =>
      expect(box.snapshot().waiting).toMatchObject([
        { id: said[4]!.id, reasons: [{ message: 'This command breaks the server.' }] },
      ]),
    )
  })
  it.each([401, 403, 408, 429, 503])('waits and keeps everything on %i', async (status) => {
    server.batch = () => problem(status, 'Later, please.')
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
    server.upload = () => problem(413, 'The photo is larger than 20 MB.')
    const box = open()
    const sha256 = await box.addPhoto(new NodeBlob([new Uint8Array([9])]) as unknown as Blob)
    const waits = photo(sha256!)
    await box.add(waits)
    const words = command({ photoId: 'other' })
    await box.add(words)
    await vi.waitFor(() => expect(ids(server.sent.flat())).toEqual([words.id]))
    await vi.waitFor(() =>
      expect(box.snapshot()).toMatchObject({
        waiting: [{ id: waits.id, reasons: null }],
        says: 'The photo is larger than 20 MB.',
      }),
    )
  })
})
