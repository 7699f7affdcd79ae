import type { Command, Reason } from '@/core/job'
import { copies } from '../kept/copies'
import { postCommands, putPhoto, serverAnswers, type Reply } from './post'
import type { OutboxStore, Waiting } from './store'

const BATCH = 200
const MOST_FAILURES = 2

/** Why not everything went out. */
export interface Stopped {
  /** The server's own words; null where nobody answered. */
  readonly says: string | null
  /** It wants to be left alone for so long. */
  readonly afterMs: number
}

/** What a delivery tells while it goes on. */
export interface Told {
  readonly sending: () => void
  /** Something has gone out. */
  readonly delivered: () => void
  readonly applied: (commands: readonly Command[], revisions: Readonly<Record<string, number>>) => void
  /** A person must look at something in the store. */
  readonly refused: () => Promise<void>
  /** A photo is on its way: so much of it has arrived; null once none is. */
  readonly underway: (photo: PhotoUnderway | null) => void
  /** Whether photos wait until somebody lets them go. */
  readonly holdsPhotos: () => boolean
}

export interface PhotoUnderway {
  readonly sha256: string
  readonly arrivedBytes: number
  readonly bytes: number
}

/** Sending stopped: nothing more goes out until the pause is over. */
class Pause extends Error {
  constructor(
    readonly says: string | null,
    readonly afterMs: number,
  ) {
    super('pause')
  }
}

/** Brings what waits in the store to the server, in order; one at a time among all tabs of a browser. */
export class Delivery {
  private upload: AbortController | null = null

  constructor(
    private readonly store: OutboxStore,
    private readonly told: Told,
  ) {}

  /** Stops the photo that is on its way; what has arrived of it stays there. */
  stopPhoto(): void {
    this.upload?.abort()
  }

  /** Sends everything that waits; null once it is all there, else why the rest is not. */
  async all(): Promise<Stopped | null> {
    const passed = new Set<string>() // put off this time
    try {
      for (;;) {
        const all = (await this.store.waiting.orderBy('seq').toArray()).filter(
          ({ id, reasons }) => reasons === null && !passed.has(id),
        )
        const rows = this.told.holdsPhotos() ? all.filter(({ command }) => !isOfPhoto(command, all)) : all
        if (rows.length === 0) break
        this.told.sending()
        // Photos are large and go one by one; what was said meanwhile does not wait for them.
        const plain = rows.filter(({ command }) => !isOfPhoto(command, rows))
        const next = plain.length > 0 ? plain.slice(0, BATCH) : rows.slice(0, 1)
        await this.deliver(next, passed)
        this.told.delivered()
      }
      if (passed.size > 0) throw new Pause(null, 0)
      return null
    } catch (error) {
      if (!(error instanceof Pause)) throw error
      const left = (await this.store.waiting.toArray()).find(({ held, reasons }) => held && reasons === null)
      return { says: error.says ?? left?.held ?? null, afterMs: error.afterMs }
    }
  }

  /**
   * Delivers rows; a batch that fails is split until the one bad command stands alone and the others have
   * gone on.
   */
  private async deliver(rows: readonly Waiting[], passed: Set<string>): Promise<void> {
    const [first] = rows
    if (
      rows.length === 1 &&
      first!.command.type === 'addPhoto' &&
      !(await this.photoIsThere(first!, first!.command.facts.sha256, passed))
    )
      return
    const reply = await postCommands(rows.map(({ command }) => command))
    if (reply.is === 'unreachable') throw new Pause(null, 0)
    if (reply.is === 'answered') return this.answered(rows, reply)
    const tooMuch = reply.is === 'later' && reply.status === 413
    if (reply.is === 'later' && !tooMuch) throw new Pause(reply.says, reply.afterMs)
    if (rows.length > 1) {
      const half = Math.ceil(rows.length / 2)
      await this.deliver(rows.slice(0, half), passed)
      return this.deliver(rows.slice(half), passed)
    }
    if (reply.is === 'refused')
      return this.refuse(new Map([[first!.id, [{ path: '', message: reply.says }]]]))
    if (tooMuch) return this.putOff(first!, reply.says, passed)
    await this.fails(first!, reply.says, passed)
  }

  /**
   * The server failed on this one alone: put off while it fails on everything, set aside when it serves
   * others.
   */
  private async fails(row: Waiting, says: string, passed: Set<string>): Promise<void> {
    if (!(await serverAnswers())) throw new Pause(says, 0)
    const failures = (row.failures ?? 0) + 1
    if (failures >= MOST_FAILURES) return this.refuse(new Map([[row.id, [{ path: '', message: says }]]]))
    await this.store.waiting.where('id').equals(row.id).modify({ failures })
    await this.putOff(row, says, passed)
  }

  private async putOff({ id }: Waiting, says: string, passed: Set<string>): Promise<void> {
    passed.add(id)
    await this.store.waiting.where('id').equals(id).modify({ held: says })
  }

  private async photoIsThere(row: Waiting, name: string, passed: Set<string>): Promise<boolean> {
    const photo = await this.store.photos.get(name)
    if (!photo) return true // uploaded before, or kept by the server already
    const { blob, keepsPlace = false } = photo
    const { signal } = (this.upload = new AbortController())
    const arrived = (arrivedBytes: number) => {
      if (arrivedBytes > 0) this.told.delivered()
      this.told.underway({ sha256: name, arrivedBytes, bytes: blob.size })
    }
    const reply = await putPhoto({ sha256: name, blob, keepsPlace }, { signal, arrived })
    this.told.underway(null)
    if (signal.aborted) return false // held back meanwhile: it is passed over from now on
    if (reply.is === 'answered') return true // the bytes stay until the command that names them is applied
    if (reply.is === 'unreachable') throw new Pause(null, 0)
    if (reply.is === 'refused') await this.refuse(new Map([[row.id, [{ path: '', message: reply.says }]]]))
    else if (reply.is === 'failed') await this.fails(row, reply.says, passed)
    else if (reply.status === 413) await this.putOff(row, reply.says, passed)
    else throw new Pause(reply.says, reply.afterMs)
    return false
  }

  private async answered(
    rows: readonly Waiting[],
    { refused, revisions, record }: Extract<Reply, { is: 'answered' }>,
  ): Promise<void> {
    if (refused.size > 0) await this.refuse(refused)
    const done = rows.filter(({ id }) => !refused.has(id)).map(({ command }) => command)
    // remembered before it is forgotten here: a page that opens in between still shows it
    await copies()
      .land(done, revisions, record)
      .catch(() => undefined)
    await this.store.waiting
      .where('id')
      .anyOf(done.map(({ id }) => id))
      .delete()
    // the local picture stays until the page goes
    for (const command of done)
      if (command.type === 'addPhoto') await this.store.photoSent(command.facts.sha256)
    this.told.applied(done, revisions)
  }

  private async refuse(refused: ReadonlyMap<string, readonly Reason[]>): Promise<void> {
    for (const [id, reasons] of refused) await this.store.waiting.where('id').equals(id).modify({ reasons })
    await this.told.refused()
  }
}

/** True for a photo, and for a command about one that waits itself. */
function isOfPhoto(command: Command, rows: readonly Waiting[]): boolean {
  if (command.type === 'addPhoto') return true
  return (
    (command.type === 'removePhoto' || command.type === 'markPhoto') &&
    rows.some(({ command: other }) => other.type === 'addPhoto' && other.photoId === command.photoId)
  )
}
