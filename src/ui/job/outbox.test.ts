// @vitest-environment jsdom
import 'fake-indexeddb/auto'
import { Blob as NodeBlob } from 'node:buffer'
import { createHash, randomUUID } from 'node:crypto'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type { Command } from '@/core/job'
import { Outbox } from './outbox'

const NOW = '2026-03-02T09:30:00.000Z'
const command = (change: object = {}): Command => ({ id: randomUUID(), jobId: 'j', at: NOW, by: 'Lead', type: 'removePhoto', photoId: 'p', ...change })
type Sent = { commands: Command[] }

/** A stand-in for the server: answers what the test says, remembers what it was sent. */
let online = true
let refuse: (command: Command) => boolean = () => false
const sent: Command[][] = []
const uploads: string[] = []

beforeEach(async () => {
  online = true
  refuse = () => false
  sent.length = 0
  uploads.length = 0
  indexedDB.deleteDatabase('neat-bracket')
  await new Promise((resolve) => setTimeout(resolve, 5))
  URL.createObjectURL = () => 'blob:here'
  vi.stubGlobal('fetch', (url: string, init: { body: string }) => {
    if (!online) return Promise.reject(new TypeError('Failed to fetch'))
    if (url.startsWith('/api/photos/')) {
      uploads.push(url)
      return Promise.resolve(new Response('{}', { status: 201 }))
    }
    const { commands } = JSON.parse(init.body) as Sent
    sent.push(commands)
    const answers = commands.map((one) => (refuse(one) ? { id: one.id, status: 'refused', reasons: [{ path: '', message: 'no' }] } : { id: one.id, status: 'applied' }))
    return Promise.resolve(Response.json({ answers, revisions: { j: sent.length } }))
  })
})
afterEach(() => vi.unstubAllGlobals())

const settled = (box: Outbox) => vi.waitFor(() => expect(box.snapshot().signal).not.toBe('sending'))

describe('the outbox', () => {
  it('sends what is said and tells who listens', async () => {
    const box = new Outbox()
    const heard: [number, object][] = []
    box.onApplied((commands, revisions) => heard.push([commands.length, revisions]))
    await box.add(command())
    await vi.waitFor(() => expect(box.snapshot().waiting).toEqual([]))
    expect(heard).toEqual([[1, { j: 1 }]])
  })
  it('shows a command at once and keeps it through a reload while there is no signal', async () => {
    online = false
    const box = new Outbox()
    const one = command()
    const adding = box.add(one)
    expect(box.snapshot().waiting.map(({ id }) => id)).toEqual([one.id])
    await adding
    expect(box.snapshot().signal).toBe('no signal')

    online = true
    const reloaded = new Outbox()
    await vi.waitFor(() => expect(sent.flat().map(({ id }) => id)).toEqual([one.id]))
    await settled(reloaded)
    expect(reloaded.snapshot().waiting).toEqual([])
  })
  it('keeps the order in which things were said', async () => {
    online = false
    const box = new Outbox()
    const said = [command(), command(), command()]
    for (const one of said) await box.add(one)
    online = true
    window.dispatchEvent(new Event('online'))
    await vi.waitFor(() => expect(box.snapshot().waiting).toEqual([]))
    expect(sent.at(-1)!.map(({ id }) => id)).toEqual(said.map(({ id }) => id))
  })
  it('keeps a refused command with its reasons until it is put aside, and sends the others', async () => {
    const bad = command({ photoId: 'bad' })
    refuse = ({ id }) => id === bad.id
    const box = new Outbox()
    await box.add(bad)
    await box.add(command())
    await vi.waitFor(() => expect(box.snapshot().waiting.map(({ id, reasons }) => [id, reasons?.[0]?.message])).toEqual([[bad.id, 'no']]))
    await box.discard(bad.id)
    expect(box.snapshot().waiting).toEqual([])
  })
  it('uploads a photo under the hash of its bytes before the command that names it', async () => {
    const box = new Outbox()
    const bytes = new Uint8Array([1, 2, 3])
    const sha256 = await box.addPhoto(new NodeBlob([bytes]) as unknown as Blob)
    expect(sha256).toBe(createHash('sha256').update(bytes).digest('hex'))
    expect(box.snapshot().pictures.get(sha256)).toBe('blob:here')
    await box.add(command({ type: 'addPhoto', photoId: 'p', facts: { sha256, deviceId: null, stepId: null, faultId: null, caption: '' } }))
    await vi.waitFor(() => expect(box.snapshot().waiting).toEqual([]))
    expect(uploads).toEqual([`/api/photos/${sha256}`])
  })
})
