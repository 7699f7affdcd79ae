import { sha256 } from '@noble/hashes/sha2'
import { bytesToHex } from '@noble/hashes/utils'
import Dexie, { type EntityTable } from 'dexie'
import type { Command, Reason } from '@/core/job'

/** A command that waits to be sent, or that the server refused and a person must look at. */
export interface Waiting {
  readonly seq?: number
  readonly id: string
  readonly jobId: string
  readonly command: Command
  readonly reasons: readonly Reason[] | null
}

interface WaitingPhoto {
  readonly sha256: string
  readonly blob: Blob
}

class Store extends Dexie {
  waiting!: EntityTable<Waiting, 'seq'>
  photos!: EntityTable<WaitingPhoto, 'sha256'>

  constructor() {
    super('neat-bracket')
    this.version(1).stores({ waiting: '++seq, &id, jobId', photos: 'sha256' })
  }
}

export type Signal = 'sent' | 'sending' | 'no signal'

export interface OutboxState {
  readonly waiting: readonly Waiting[]
  readonly signal: Signal
  /** Local pictures of photos whose bytes are not with the server yet, by hash. */
  readonly pictures: ReadonlyMap<string, string>
}

type OnApplied = (commands: readonly Command[], revisions: Readonly<Record<string, number>>) => void

const EMPTY: OutboxState = { waiting: [], signal: 'sent', pictures: new Map() }
const BATCH = 200

/**
 * What this browser has said and the server has not acknowledged. It is kept on the device first, so that nothing typed
 * is lost to a reload or a dead spot, and sent in order as soon as there is signal.
 */
export class Outbox {
  private state: OutboxState = EMPTY
  private readonly listeners = new Set<() => void>()
  private readonly applied = new Set<OnApplied>()
  private readonly store = new Store()
  private readonly ready: Promise<void>
  private sending: Promise<void> | null = null
  private retry: ReturnType<typeof setTimeout> | null = null

  constructor() {
    this.ready = this.read()
    window.addEventListener('online', () => void this.send())
    void this.ready.then(() => this.send())
  }

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener)
    return () => this.listeners.delete(listener)
  }

  readonly snapshot = (): OutboxState => this.state

  /** Calls back with commands that the server has applied. */
  onApplied(listener: OnApplied): () => void {
    this.applied.add(listener)
    return () => this.applied.delete(listener)
  }

  /** Keeps a command and sends it when it can. Shown at once: the caller's view includes it before the server has it. */
  async add(command: Command): Promise<void> {
    const waiting: Waiting = { id: command.id, jobId: command.jobId, command, reasons: null }
    this.change({ waiting: [...this.state.waiting, waiting] })
    await this.ready
    await this.store.waiting.add({ ...waiting })
    await this.send()
  }

  /** Keeps a photo's bytes until they are with the server, and names them. */
  async addPhoto(blob: Blob): Promise<string> {
    const name = bytesToHex(sha256(new Uint8Array(await blob.arrayBuffer())))
    this.change({ pictures: new Map(this.state.pictures).set(name, URL.createObjectURL(blob)) })
    await this.store.photos.put({ sha256: name, blob })
    return name
  }

  /** Forgets a refused command. */
  async discard(id: string): Promise<void> {
    await this.store.waiting.where('id').equals(id).delete()
    this.change({ waiting: this.state.waiting.filter((one) => one.id !== id) })
  }

  private async read(): Promise<void> {
    const [waiting, photos] = await Promise.all([this.store.waiting.orderBy('seq').toArray(), this.store.photos.toArray()])
    const known = new Set(waiting.map(({ id }) => id))
    const pictures = new Map(this.state.pictures)
    for (const { sha256: name, blob } of photos) if (!pictures.has(name)) pictures.set(name, URL.createObjectURL(blob))
    this.change({ waiting: [...waiting, ...this.state.waiting.filter(({ id }) => !known.has(id))], pictures })
  }

  private send(): Promise<void> {
    this.sending ??= this.sendAll().finally(() => (this.sending = null))
    return this.sending
  }

  private async sendAll(): Promise<void> {
    await this.ready
    for (;;) {
      const stored = new Set((await this.store.waiting.toArray()).map(({ id }) => id))
      const batch = this.state.waiting.filter(({ id, reasons }) => reasons === null && stored.has(id)).slice(0, BATCH)
      if (batch.length === 0) return this.change({ signal: 'sent' })
      this.change({ signal: 'sending' })
      try {
        await this.sendBatch(batch)
      } catch {
        this.change({ signal: 'no signal' })
        if (this.retry) clearTimeout(this.retry)
        this.retry = setTimeout(() => void this.send(), 4000)
        return
      }
    }
  }

  private async sendBatch(batch: readonly Waiting[]): Promise<void> {
    for (const { command } of batch) if (command.type === 'addPhoto') await this.uploadPhoto(command.facts.sha256)
    const response = await fetch('/api/commands', { method: 'POST', headers: { 'content-type': 'application/json' }, body: JSON.stringify({ commands: batch.map(({ command }) => command) }) })
    const body = (await response.json()) as { answers?: { id: string; status: string; reasons?: Reason[] }[]; revisions?: Record<string, number>; detail?: string }
    if (!body.answers) {
      if (response.status >= 500) throw new Error(body.detail ?? 'The server failed.')
      return this.refuse(new Map(batch.map(({ id }) => [id, [{ path: '', message: body.detail ?? 'The server refused it.' }]])))
    }
    const refused = new Map(body.answers.filter(({ status }) => status === 'refused').map(({ id, reasons }) => [id, reasons ?? []]))
    const done = batch.filter(({ id }) => !refused.has(id))
    if (refused.size > 0) await this.refuse(refused)
    await this.store.waiting.where('id').anyOf(done.map(({ id }) => id)).delete()
    for (const listener of this.applied) listener(done.map(({ command }) => command), body.revisions ?? {})
    const gone = new Set(done.map(({ id }) => id))
    this.change({ waiting: this.state.waiting.filter(({ id }) => !gone.has(id)) })
  }

  private async refuse(refused: ReadonlyMap<string, readonly Reason[]>): Promise<void> {
    for (const [id, reasons] of refused) await this.store.waiting.where('id').equals(id).modify({ reasons })
    this.change({ waiting: this.state.waiting.map((one) => (refused.has(one.id) ? { ...one, reasons: refused.get(one.id)! } : one)) })
  }

  private async uploadPhoto(name: string): Promise<void> {
    const photo = await this.store.photos.get(name)
    if (!photo) return
    const response = await fetch(`/api/photos/${name}`, { method: 'PUT', body: photo.blob })
    if (response.status >= 500) throw new Error('The server could not keep the photo.')
    if (response.ok) await this.store.photos.delete(name) // the local picture stays until the page goes
  }

  private change(part: Partial<OutboxState>): void {
    this.state = { ...this.state, ...part }
    for (const listener of this.listeners) listener()
  }
}

const shared = globalThis as typeof globalThis & { neatBracketOutbox?: Outbox }

/** The one outbox of this page; only in a browser. */
export function outbox(): Outbox {
  shared.neatBracketOutbox ??= new Outbox()
  return shared.neatBracketOutbox
}

/** What a server render and the first paint show. */
export const NOTHING_WAITING = (): OutboxState => EMPTY
