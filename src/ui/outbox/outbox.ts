import { sha256 } from '@noble/hashes/sha2'
import { bytesToHex } from '@noble/hashes/utils'
import { upgradedCommand, type Command, type Reason } from '@/core/job'
import { Delivery, type PhotoUnderway } from './delivery'
import type { PhotoToSend } from './post'
import { askToPersist, OutboxStore, type Waiting } from './store'
import { waitingFile } from './waitingFile'

export type { PhotoUnderway } from './delivery'
export type { Waiting } from './store'

export type Signal = 'sent' | 'sending' | 'no signal'

export interface OutboxState {
  /** Everything kept here, in the order in which it was said. */
  readonly waiting: readonly Waiting[]
  readonly signal: Signal
  /** The server's own words when it wants to be asked later; null otherwise. */
  readonly says: string | null
  /** True once this device could not keep something. */
  readonly full: boolean
  /** Local pictures of photos whose bytes are not with the server yet, by hash. */
  readonly pictures: ReadonlyMap<string, string>
  /** The photo that is on its way; null while none is. */
  readonly underway: PhotoUnderway | null
  /** Photos wait until somebody lets them go, in all tabs. */
  readonly holdsPhotos: boolean
}

export type Kept = { readonly ok: true } | { readonly ok: false; readonly reasons: readonly Reason[] }

type OnApplied = (commands: readonly Command[], revisions: Readonly<Record<string, number>>) => void

/** What the tabs of one browser tell each other. */
type Heard =
  | { readonly is: 'stored' }
  | {
      readonly is: 'applied'
      readonly commands: readonly Command[]
      readonly revisions: Readonly<Record<string, number>>
    }

/** What was said before an update of the page, as this page says it; the server takes either. */
const asOfToday = (waiting: Waiting): Waiting => ({
  ...waiting,
  command: upgradedCommand(waiting.command) as Command,
})

const EMPTY: OutboxState = {
  waiting: [],
  signal: 'sent',
  says: null,
  full: false,
  pictures: new Map(),
  underway: null,
  holdsPhotos: false,
}
const FIRST_PAUSE_MS = 2000
const LONGEST_PAUSE_MS = 60_000
const NOT_KEPT: Kept = {
  ok: false,
  reasons: [
    {
      path: '',
      message:
        'This device cannot keep more: its storage is full. Save the waiting work as a file, make room, and try again.',
    },
  ],
}

/**
 * What this browser has said and the server has not acknowledged. It stands in the device's storage before
 * anything shows it, so that nothing is lost to a reload, a dead spot or a full store; one tab at a time
 * sends, in order, and all tabs hear what became of it.
 */
export class Outbox {
  private state: OutboxState = EMPTY
  private readonly listeners = new Set<() => void>()
  private readonly applied = new Set<OnApplied>()
  private readonly store: OutboxStore
  private readonly delivery: Delivery
  private readonly tabs: BroadcastChannel | null
  private readonly ready: Promise<void>
  /** Said and on the way into the storage. */
  private readonly storing = new Set<Command>()
  /** Applied already: a reading of the storage that began before must not bring them back. */
  private readonly gone = new Set<string>()
  private sending: Promise<void> | null = null
  private again = false
  /** Nobody answered when something else of this page asked last. */
  private away = false
  private pauses = 0
  private timer: ReturnType<typeof setTimeout> | null = null

  /** `name` of its storage, of its channel between tabs and of its lock. */
  constructor(private readonly name: string) {
    this.store = new OutboxStore(name)
    this.delivery = new Delivery(this.store, {
      sending: () => this.change({ signal: 'sending' }),
      delivered: () => {
        this.away = false
        this.pauses = 0
      },
      applied: (commands, revisions) => {
        this.settle(commands, revisions)
        this.tell({ is: 'applied', commands, revisions })
      },
      refused: async () => {
        await this.read()
        this.tell({ is: 'stored' })
      },
      underway: (underway) => this.change({ underway }),
      holdsPhotos: () => this.holds(),
    })
    this.tabs = typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel(name)
    this.ready = this.read()
    window.addEventListener('online', () => this.sendNow())
    window.addEventListener('offline', () => this.change({ signal: 'no signal' }))
    this.tabs?.addEventListener('message', ({ data }: MessageEvent<Heard>) => this.hear(data))
    void this.ready.then(() => this.send())
  }

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener)
    return () => this.listeners.delete(listener)
  }

  readonly snapshot = (): OutboxState => this.state

  /** Calls back with commands that the server has applied, whichever tab sent them. */
  onApplied(listener: OnApplied): () => void {
    this.applied.add(listener)
    return () => this.applied.delete(listener)
  }

  /** Commands of a job that the server has not applied, those still on the way into the storage included. */
  unsent(jobId: string): Command[] {
    const waiting = this.state.waiting.filter(({ reasons }) => reasons === null).map(({ command }) => command)
    const known = new Set(waiting.map(({ id }) => id))
    return [...waiting, ...[...this.storing].filter(({ id }) => !known.has(id))].filter(
      (command) => command.jobId === jobId,
    )
  }

  /**
   * Keeps a command on this device, then shows it, then sends it when it can. The answer tells whether it
   * is kept.
   */
  async add(command: Command): Promise<Kept> {
    const waiting: Waiting = { id: command.id, jobId: command.jobId, command, reasons: null }
    this.storing.add(command)
    try {
      await this.ready
      const seq = await this.store.withRoom(() => this.store.waiting.add({ ...waiting }))
      this.change({ waiting: [...this.state.waiting, { ...waiting, seq }], full: false })
    } catch {
      this.change({ full: true })
      return NOT_KEPT
    } finally {
      this.storing.delete(command)
    }
    this.tell({ is: 'stored' })
    void askToPersist()
    void this.send()
    return { ok: true }
  }

  /**
   * Keeps a photo's bytes until they are with the server, and names them; null when this device cannot keep
   * them.
   */
  async addPhoto(blob: Blob, keepsPlace = false): Promise<string | null> {
    const name = bytesToHex(sha256(new Uint8Array(await blob.arrayBuffer())))
    try {
      await this.store.withRoom(() => this.store.photos.put({ sha256: name, blob, keepsPlace }))
    } catch {
      this.change({ full: true })
      return null
    }
    this.change({ pictures: new Map(this.state.pictures).set(name, URL.createObjectURL(blob)) })
    return name
  }

  /**
   * Puts commands in line that a server had and, restored from an older back-up, has no more, with the photos
   * of them that are still here; false when this device cannot keep them.
   */
  async sayAgain(commands: readonly Command[]): Promise<boolean> {
    const { waiting } = this.store
    try {
      await this.store.transaction('rw', waiting, async () => {
        const known = new Set((await waiting.toArray()).map(({ id }) => id))
        const lacking = commands.filter(({ id }) => !known.has(id))
        await waiting.bulkAdd(
          lacking.map((command) => ({ id: command.id, jobId: command.jobId, command, reasons: null })),
        )
      })
      await this.store.putBackInLine(
        commands.flatMap((one) => (one.type === 'addPhoto' ? [one.facts.sha256] : [])),
      )
    } catch {
      this.change({ full: true })
      return false
    }
    for (const { id } of commands) this.gone.delete(id)
    await this.read()
    this.tell({ is: 'stored' })
    this.sendNow()
    return true
  }

  /** Forgets a command for good, with the bytes of its photo. */
  async drop(id: string): Promise<void> {
    const one = this.state.waiting.find((waiting) => waiting.id === id)
    await this.store.waiting.where('id').equals(id).delete()
    if (one?.command.type === 'addPhoto') await this.store.photos.delete(one.command.facts.sha256)
    this.gone.add(id)
    this.change({ waiting: this.state.waiting.filter((waiting) => waiting.id !== id) })
    this.tell({ is: 'stored' })
  }

  /** Forgets a photo that has not been sent, with all that was said of it. */
  async forgetPhoto(photoId: string): Promise<void> {
    const about = this.state.waiting.filter(
      ({ command }) => 'photoId' in command && command.photoId === photoId,
    )
    if (!about.some(({ command }) => command.type === 'addPhoto')) return
    this.delivery.stopPhoto()
    for (const { id } of about) await this.drop(id)
  }

  /** Puts a refused command back in line. */
  async retry(id: string): Promise<void> {
    await this.store.waiting.where('id').equals(id).modify({ reasons: null, failures: 0, held: null })
    await this.read()
    this.tell({ is: 'stored' })
    this.sendNow()
  }

  /** Puts everything of a job that was refused back in line. */
  async retryJob(jobId: string): Promise<void> {
    for (const { id, reasons } of this.state.waiting.filter((one) => one.jobId === jobId))
      if (reasons !== null) await this.retry(id)
  }

  /** A photo that the server had and that is still here; null when it is not. */
  async sentPhoto(name: string): Promise<PhotoToSend | null> {
    const { blob, keepsPlace = false } = (await this.store.sent.get(name)) ?? {}
    return blob ? { sha256: name, blob, keepsPlace } : null
  }

  /** Everything that waits, refused or not, as a file that imports elsewhere. */
  file(): Promise<Blob> {
    return waitingFile(this.store)
  }

  /** Keeps photos back on this device while words go on, or lets them go. */
  holdPhotos(hold: boolean): void {
    if (hold) localStorage.setItem(`${this.name}-holds-photos`, 'yes')
    else localStorage.removeItem(`${this.name}-holds-photos`)
    this.change({ holdsPhotos: hold })
    this.tell({ is: 'stored' })
    if (hold) this.delivery.stopPhoto()
    else this.sendNow()
  }

  private holds(): boolean {
    return localStorage.getItem(`${this.name}-holds-photos`) !== null
  }

  /** Sends at once, whatever pause there was. */
  sendNow(): void {
    this.pauses = 0
    void this.send()
  }

  /** Takes note of whether the server answered somebody else of this page. */
  answers(there: boolean): void {
    this.away = !there
    const { signal, waiting } = this.state
    if (!there) this.change({ signal: 'no signal' })
    else if (signal === 'no signal' && waiting.every(({ reasons }) => reasons !== null))
      this.change({ signal: 'sent', says: null })
  }

  private hear(heard: Heard): void {
    if (heard.is === 'applied') return this.settle(heard.commands, heard.revisions)
    if (this.holds()) this.delivery.stopPhoto()
    void this.read().then(() => this.send())
  }

  private tell(words: Heard): void {
    this.tabs?.postMessage(words)
  }

  private async read(): Promise<void> {
    const [kept, photos] = await Promise.all([
      this.store.waiting.orderBy('seq').toArray(),
      this.store.photos.toArray(),
    ])
    const rows = kept.map(asOfToday)
    const pictures = new Map(this.state.pictures)
    for (const { sha256: name, blob } of photos)
      if (!pictures.has(name)) pictures.set(name, URL.createObjectURL(blob))
    const held = new Set(rows.map(({ id }) => id))
    const since = this.state.waiting.filter(
      ({ id, seq }) => !held.has(id) && (seq ?? 0) > (rows.at(-1)?.seq ?? 0),
    ) // said while it was read
    this.change({
      waiting: [...rows, ...since].filter(({ id }) => !this.gone.has(id)),
      pictures,
      holdsPhotos: this.holds(),
    })
  }

  /** One sending at a time, in this tab by a promise and among tabs by a lock. */
  private send(): Promise<void> {
    if (this.sending) {
      this.again = true
      return this.sending
    }
    this.sending = this.ready
      .then(() =>
        navigator.locks
          ? navigator.locks.request(`${this.name}-outbox`, () => this.sendAll())
          : this.sendAll(),
      )
      .finally(() => {
        this.sending = null
        if (!this.again) return
        this.again = false
        void this.send()
      })
    return this.sending
  }

  private async sendAll(): Promise<void> {
    if (this.timer) clearTimeout(this.timer)
    this.timer = null
    const stopped = await this.delivery.all()
    if (!stopped) return this.change({ signal: this.away ? 'no signal' : 'sent', says: null })
    this.change({ signal: 'no signal', says: stopped.says })
    this.wait(stopped.afterMs)
  }

  /** Pauses grow from two seconds to a minute, a little different in every browser. */
  private wait(atLeastMs: number): void {
    const pause =
      Math.min(LONGEST_PAUSE_MS, FIRST_PAUSE_MS * 2 ** this.pauses++) * (0.8 + 0.4 * Math.random())
    this.timer = setTimeout(() => void this.send(), Math.max(atLeastMs, pause))
  }

  /**
   * Takes what the server has applied out of this tab's view, together with the new state that contains it.
   */
  private settle(done: readonly Command[], revisions: Readonly<Record<string, number>>): void {
    for (const { id } of done) this.gone.add(id)
    for (const listener of this.applied) listener(done, revisions)
    this.change({ waiting: this.state.waiting.filter(({ id }) => !this.gone.has(id)) })
  }

  private change(part: Partial<OutboxState>): void {
    this.state = { ...this.state, ...part }
    for (const listener of this.listeners) listener()
  }
}

const shared = globalThis as typeof globalThis & { neatBracketOutbox?: Outbox }

/** The one outbox of this page; only in a browser. */
export function outbox(): Outbox {
  shared.neatBracketOutbox ??= new Outbox('neat-bracket')
  return shared.neatBracketOutbox
}

/** What a server render and the first paint show. */
export const NOTHING_WAITING = (): OutboxState => EMPTY
