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

  describe('that the server has', () => {
    const bytesOf = (size: number, fill: number) => new Uint8Array(size).fill(fill)
    const sent = async (size: number, fill: number) => {
      const box = open()
      const name = (await box.addPhoto(new NodeBlob([bytesOf(size, fill)]) as unknown as Blob))!
      const added = photo(name)
      await box.add(added)
      await emptied(box)
      return { box, name, added }
    }
    const stored = () => new OutboxStore(server.here)
    const names = async () => (await stored().sent.orderBy('sentAt').toArray()).map(({ sha256 }) => sha256)

    it('are sent again, bytes and all, to one that was restored from an older back-up', async () => {
      const { box, name, added } = await sent(1000, 1)
      expect((await box.sentPhoto(name))!.blob.size).toBe(1000)
      server.uploads = []
      expect(await box.sayAgain([added])).toBe(true)
      await emptied(box)
      expect(server.uploads).toEqual([`/api/photos/${name}`])
      expect(ids(server.sent.at(-1)!)).toEqual([added.id])
      expect(await names()).toEqual([name])
    })
    it('stay for fourteen days, and within a quarter of the room that is left, the newest first', async () => {
      const roomFor = (bytes: number) =>
        Object.defineProperty(navigator, 'storage', {
          configurable: true,
          value: { estimate: () => Promise.resolve({ usage: 0, quota: bytes }) },
        })
      const { name: first } = await sent(1000, 1)
      const aged = async (days: number) =>
        stored().sent.update(first, {
          sentAt: new Date(Date.now() - days * 86_400_000 + 60_000).toISOString(),
        })
      await aged(14)
      const { name: second } = await sent(1000, 2)
      expect(await names()).toEqual([first, second])
      await aged(15)
      const { name: third } = await sent(1000, 3)
      expect(await names()).toEqual([second, third])
      roomFor(4 * 1000)
      const { name: fourth } = await sent(1000, 4)
      expect(await names()).toEqual([fourth]) // a quarter of 4,000 left and the 3,000 held
      Object.defineProperty(navigator, 'storage', { configurable: true, value: undefined })
    })
    it('make room for what waits', async () => {
      const { box } = await sent(1000, 1)
      const add = vi.spyOn(Reflect.get(Reflect.get(box, 'store'), 'waiting') as OutboxStore['waiting'], 'add')
      add.mockRejectedValueOnce(new DOMException('full', 'QuotaExceededError'))
      expect(await box.add(command({ photoId: 'other' }))).toEqual({ ok: true })
      expect(await names()).toEqual([])
    })
  })
})
