import Dexie, { type EntityTable } from 'dexie'
import type { Command, Reason } from '@/core/job'

/** A command that waits to be sent, or that the server refused and a person must look at. */
export interface Waiting {
  readonly seq?: number
  readonly id: string
  readonly jobId: string
  readonly command: Command
  /** Why the server refused it; null while it waits to be sent. */
  readonly reasons: readonly Reason[] | null
  /** What the server said the last time it put this one off; absent or null when nothing. */
  readonly held?: string | null
  /** Times the server failed on it while it served others. */
  readonly failures?: number
}

export interface WaitingPhoto {
  readonly sha256: string
  readonly blob: Blob
  /** The job wants its photos to keep where and when they were taken. */
  readonly keepsPlace?: boolean
}

/** A photo that the server has; kept here for a while, should that go back to an older back-up. */
export interface SentPhoto extends WaitingPhoto {
  readonly sentAt: string
}

const SENT_DAYS = 14
const MOST_SENT_BYTES = 500_000_000
/** Of the room that is left, so much may be taken by photos that the server has. */
const SHARE_OF_ROOM = 0.25
const DAY_MS = 86_400_000

/** What this browser keeps until the server has it, and photos a while longer; shared by all of its tabs. */
export class OutboxStore extends Dexie {
  waiting!: EntityTable<Waiting, 'seq'>
  photos!: EntityTable<WaitingPhoto, 'sha256'>
  sent!: EntityTable<SentPhoto, 'sha256'>

  constructor(name: string) {
    super(name)
    this.version(1).stores({ waiting: '++seq, &id, jobId', photos: 'sha256' })
    this.version(2).stores({ sent: 'sha256, sentAt' })
  }

  /** Keeps something; where there is no room, in the place of photos that the server has. */
  async withRoom<T>(keep: () => Promise<T>): Promise<T> {
    try {
      return await keep()
    } catch (error) {
      if ((await this.sent.count()) === 0) throw error
      await this.sent.clear()
      return keep()
    }
  }

  /** The server has a photo now. */
  async photoSent(sha256: string): Promise<void> {
    const photo = await this.photos.get(sha256)
    await this.photos.delete(sha256)
    if (!photo) return
    try {
      await this.sent.put({ ...photo, sentAt: new Date().toISOString() })
      await this.dropSent()
    } catch {
      await this.sent.clear() // no room: what waits goes before what the server has
    }
  }

  /** Puts photos back in line that the server had and has no more. */
  async putBackInLine(names: readonly string[]): Promise<void> {
    await this.transaction('rw', this.photos, this.sent, async () => {
      const known = (await this.sent.bulkGet([...names])).filter((photo) => photo !== undefined)
      await this.photos.bulkPut(known.map(({ sentAt: _, ...photo }) => photo))
      await this.sent.bulkDelete(known.map(({ sha256 }) => sha256))
    })
  }

  /** Lets go of the oldest of those that the server has: too old, or too many for the room that is left. */
  private async dropSent(): Promise<void> {
    await this.sent
      .where('sentAt')
      .below(new Date(Date.now() - SENT_DAYS * DAY_MS).toISOString())
      .delete()
    const { usage = 0, quota = Infinity } = (await navigator.storage?.estimate?.()) ?? {}
    const newestFirst = await this.sent.orderBy('sentAt').reverse().toArray()
    const held = newestFirst.reduce((sum, { blob }) => sum + blob.size, 0)
    let room = Math.min(MOST_SENT_BYTES, (quota - usage + held) * SHARE_OF_ROOM)
    const gone = newestFirst.filter(({ blob }) => (room -= blob.size) < 0)
    await this.sent.bulkDelete(gone.map(({ sha256 }) => sha256))
  }
}

/** Asks the browser, once, not to throw away what is kept here when room gets short. */
export async function askToPersist(): Promise<void> {
  try {
    if (!(await navigator.storage?.persisted())) await navigator.storage?.persist()
  } catch {
    // Without the answer things are kept as before.
  }
}
