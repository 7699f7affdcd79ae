// @vitest-environment jsdom
import 'fake-indexeddb/auto'
import { Blob as NodeBlob } from 'node:buffer'
import { createHash } from 'node:crypto'
import { describe, expect, it, vi } from 'vitest'
import { command, emptied, ids, open, photo, server, standIn } from '@/testing/outboxServer'
import type { Outbox } from './outbox'
import { OutboxStore } from './store'

standIn()

describe('photos', () => {
  it('go up under the hash of their bytes before the command that names them', async () => {
    const box = open()
    const bytes = new Uint8Array([1, 2, 3])
    const sha256 = (await box.addPhoto(new NodeBlob([bytes]) as unknown as Blob))!
    expect(sha256).toBe(createHash('sha256').update(bytes).digest('hex'))
    expect(box.snapshot().pictures.get(sha256)).toBe('blob:here')
    await box.add(photo(sha256))
    await emptied(box)
    expect(server.uploads).toEqual([`/api/photos/${sha256}`])
  })
  const large = async (box: Outbox) => {
    const bytes = new Uint8Array(1_000_000).map((_, i) => (i * 7919) >> 3)
    return (await box.addPhoto(new NodeBlob([bytes]) as unknown as Blob))!
  }
  const puts = () =>
    server.uploads.filter((url) => url.includes('?at=')).map((url) => /at=(\d+)/.exec(url)![1])

  it('larger ones go piece by piece, and on from where the line broke, in another page too', async () => {
    const box = open()
    const sha256 = await large(box)
    const shares: number[] = []
    box.subscribe(() => {
      const { underway } = box.snapshot()
      if (underway) shares.push(underway.arrivedBytes / underway.bytes)
    })
    server.upload = () => {
      server.online = puts().length < 3
      if (!server.online) throw new TypeError('Failed to fetch')
      return new Response('{}', { status: 200 })
    }
    await box.add(photo(sha256))
    await vi.waitFor(() => expect(box.snapshot().signal).toBe('no signal'))
    expect(puts()).toEqual(['0', '262144', '524288'])
    server.upload = () => new Response('{}', { status: 200 })
    server.online = true
    const reloaded = open()
    reloaded.sendNow()
    await vi.waitFor(() => expect(server.sent.flat()).toHaveLength(1))
    expect(puts()).toEqual(['0', '262144', '524288', '524288', '786432'])
    expect(createHash('sha256').update(server.arrived.get(sha256)!).digest('hex')).toBe(sha256)
    expect(shares.slice(0, 3)).toEqual([0, 0.262144, 0.524288])
  })
  it('what was put together wrongly is sent in one; what does not arrive as it is sent ends', async () => {
    const box = open()
    const sha256 = await large(box)
    server.arrived.set(sha256, new Uint8Array(262_144))
    await box.add(photo(sha256))
    await emptied(box)
    expect(server.uploads.at(-1)).toBe(`/api/photos/${sha256}`)
    const [other, strange] = [open(), new Uint8Array(300_000).fill(5)]
    const name = (await other.addPhoto(new NodeBlob([strange]) as unknown as Blob))!
    server.upload = () => Response.json({ has: 7 }, { status: 409 })
    await other.add(photo(name))
    await vi.waitFor(() => expect(other.snapshot().waiting[0]?.held).toMatch(/does not arrive/))
  })
  it('are kept back while what was written goes, also one that is on its way, and go when they may', async () => {
    const box = open()
    const sha256 = await large(box)
    server.upload = () => {
      if (puts().length === 2) box.holdPhotos(true)
      return new Response('{}', { status: 200 })
    }
    await box.add(photo(sha256))
    const words = command({ photoId: 'other' })
    await box.add(words)
    await vi.waitFor(() => expect(ids(server.sent.flat())).toEqual([words.id]))
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
    expect(createHash('sha256').update(server.arrived.get(sha256)!).digest('hex')).toBe(sha256)
  })
  it('are drawn on only once they have arrived, and forgotten with all that was said of them', async () => {
    const box = open()
    server.online = false
    const sha256 = await large(box)
    const added = photo(sha256)
    const marked = command({ type: 'markPhoto', marks: [] })
    const others = command({ type: 'markPhoto', photoId: 'other', marks: [] })
    for (const one of [added, marked, others]) await box.add(one)
    server.online = true
    box.sendNow()
    await emptied(box)
    expect(ids(server.sent.flat())).toEqual([others.id, added.id, marked.id])

    server.online = false
    const again = await large(box)
    for (const one of [photo(again), command({ type: 'markPhoto', marks: [] }), others]) await box.add(one)
    await box.forgetPhoto('other') // is with the server: what is said of it goes there
    expect(box.snapshot().waiting).toHaveLength(3)
    await box.forgetPhoto('p')
    expect(ids(box.snapshot().waiting.map((one) => one.command))).toEqual([others.id])
    expect(await new OutboxStore(server.here).photos.count()).toBe(0)
  })
})
