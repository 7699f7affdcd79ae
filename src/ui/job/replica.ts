import { z } from 'zod'
import { Command, type Change, type Job } from '@/core/job'
import { copies, quietly, type Landed, type StoredJob } from '../kept/copies'
import { outgrown } from '../kept/serviceWorker'
import { outbox } from '../outbox/outbox'
import { author, isPaired } from './author'
import { envelope } from './commands'
import { withCommands } from './withCommands'

/** What others said, as the server gives it after a revision. */
const Since = z.object({ revision: z.number(), commands: z.array(Command), record: z.string() })
/** The record has gone back to an older back-up, or was begun anew. */
const GoneBack = z.object({ record: z.string() })

/** Changes that touch every device of a floor: too much for each move of a hand. */
const TOO_MANY_TO_JUDGE: ReadonlySet<Change['type']> = new Set(['putThing', 'editThing'])

/**
 * How long without word of the server before it is asked, ms: where server-sent events do not come through.
 */
const ASK_EVERY_MS = 10_000

/**
 * This page's copy of one job: what the server has, what has landed there and is not in the copy yet, what
 * waits in the outbox, and what is being tried. It follows the server live, so that two tabs and two people
 * see each other's work.
 */
export class Replica {
  private served: StoredJob
  private landing: readonly Landed[]
  private tried: readonly Change[] = []
  private shown: Job
  private saidJob: Job
  private readonly listeners = new Set<() => void>()
  private asking: Promise<void> | null = null
  private wanted = 0
  /** The last command that the server is known to have; null while none is. */
  private knows: string | null = null

  /** `landed`: what this device said and the server has, that is not in the copy yet. */
  constructor(stored: StoredJob, landed: readonly Landed[] = []) {
    this.served = stored
    this.landing = landed
    this.saidJob = stored.job
    this.shown = stored.job
  }

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener)
    return () => this.listeners.delete(listener)
  }

  /** The job as it is shown: everything said in it, and what is being tried. */
  readonly job = (): Job => this.shown

  /** The job as it is judged: a thing of the plan that is only being dragged does not count yet. */
  readonly judged = (): Job =>
    this.tried.some(({ type }) => TOO_MANY_TO_JUDGE.has(type)) ? this.saidJob : this.shown

  get jobId(): string {
    return this.served.job.id
  }

  /** The revision that what is shown stands on. */
  get revision(): number {
    return this.served.revision
  }

  /**
   * The job with everything said in it, also what is only now being kept: what the next change starts from.
   */
  readonly latest = (): Job => this.with(outbox().unsent(this.jobId))

  /** Shows changes without saying them; none ends it. */
  readonly preview = (...changes: readonly Change[]): void => {
    this.tried = changes
    this.show()
  }

  /** Answers with what ends the trial that is shown now, and none that has begun since. */
  readonly trial = (): (() => void) => {
    const { tried } = this
    return () => {
      if (this.tried === tried) this.preview()
    }
  }

  /** Follows the outbox and the server until the answer is called. */
  follow(): () => void {
    const ends = [
      outbox().onApplied((commands, revisions) => this.land(commands, revisions)),
      outbox().subscribe(() => this.reckon()),
      this.listen(),
    ]
    this.reckon()
    quietly(copies().keep(this.served))
    void this.begin()
    return () => ends.forEach((end) => end())
  }

  /** Commands of this page that the server has applied: they stay shown until the copy holds them. */
  private land(commands: readonly Command[], revisions: Readonly<Record<string, number>>): void {
    const revision = revisions[this.jobId]
    const landed = commands.filter(({ jobId }) => jobId === this.jobId)
    if (revision === undefined || landed.length === 0) return
    this.knows = landed.at(-1)!.id
    this.landing = [...this.landing, ...landed.map((command) => ({ command, revision }))]
    this.reckon()
    this.catchUp(revision)
  }

  /**
   * Hears of new revisions: one tab of the browser holds the connection, as a browser has few of them, and
   * tells the others. Where it does not come through, the server is asked now and then.
   */
  private listen(): () => void {
    const name = `neat-bracket-live-${this.jobId}`
    const tabs = typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel(name)
    tabs?.addEventListener('message', ({ data }: MessageEvent<number>) => this.catchUp(data))
    const timer = setInterval(() => void this.ask(), ASK_EVERY_MS)
    const ended = new AbortController()
    const hear = () =>
      new Promise<void>((end) => {
        const events = new EventSource(`/api/jobs/${this.jobId}/live`)
        events.addEventListener('message', ({ data }: MessageEvent<string>) => {
          this.catchUp(Number(data))
          tabs?.postMessage(Number(data))
        })
        ended.signal.addEventListener('abort', () => {
          events.close()
          end()
        })
      })
    if (typeof EventSource !== 'undefined') {
      const heard = navigator.locks ? navigator.locks.request(name, { signal: ended.signal }, hear) : hear()
      heard.catch(() => undefined) // ended while another tab held the connection
    }
    return () => {
      clearInterval(timer)
      ended.abort()
      tabs?.close()
    }
  }

  /** Asks for what came since the page was written, by the last that this device knows the server to have. */
  private async begin(): Promise<void> {
    this.knows ??= await copies()
      .lastLanded(this.jobId)
      .catch(() => null)
    await this.ask()
  }

  /** Brings the copy up to a revision that the server is known to have. */
  private catchUp(revision: number): void {
    this.wanted = Math.max(this.wanted, revision)
    if (this.served.revision < this.wanted) void this.ask()
  }

  private ask(): Promise<void> {
    this.asking ??= this.fetchSince().finally(() => {
      this.asking = null
    })
    return this.asking
  }

  private async fetchSince(): Promise<void> {
    const from = this.served.revision
    const knows = this.knows === null ? '' : `&knows=${this.knows}`
    const response = await fetch(`/api/jobs/${this.jobId}/commands?since=${from}${knows}`).catch(() => null)
    outbox().answers(response !== null)
    if (response?.status === 409) return this.tellAgain(GoneBack.safeParse(await bodyOf(response)).data)
    if (response?.status === 410) return this.fetchWhole()
    if (!response?.ok) return // what is shown stays, and the next word of the server brings it up to date
    const since = Since.safeParse(await bodyOf(response))
    if (!since.success) return outgrown()
    const { revision, commands, record } = since.data
    const job = withCommands(this.served.job, commands)
    if (!job || revision === from) return
    this.knows = commands.at(-1)?.id ?? this.knows
    quietly(copies().hear(from, commands, { revision, job }, record))
    this.serve({ revision, job })
  }

  private async fetchWhole(goneBack = false): Promise<void> {
    const response = await fetch(`/api/jobs/${this.jobId}`).catch(() => null)
    if (!response?.ok) return
    const stored = (await response.json()) as StoredJob
    quietly(copies().keep(stored, goneBack))
    this.serve(stored)
  }

  /** The server has been restored from an older back-up: what is known here and not there waits again. */
  private async tellAgain(to: z.infer<typeof GoneBack> | undefined): Promise<void> {
    if (!to) return
    const all = await copies()
      .remembered(this.jobId, to.record)
      .catch(() => [])
    // Conflicts are noted by the server itself; a paired phone speaks for nobody but its own.
    const known = all.filter(({ type, by }) => type !== 'noteConflict' && (!isPaired() || by === author()))
    if (!(await outbox().sayAgain(known))) return
    await copies()
      .forgetLanded(this.jobId)
      .catch(() => undefined)
    this.wanted = 0
    this.knows = null
    this.landing = []
    await this.fetchWhole(true)
  }

  private serve(stored: StoredJob): void {
    this.served = stored
    this.landing = this.landing.filter(({ revision }) => revision > stored.revision)
    this.reckon()
    if (this.wanted > stored.revision) void Promise.resolve().then(() => this.ask())
  }

  private with(unsent: readonly Command[]): Job {
    const landing = this.landing.map(({ command }) => command)
    return withCommands(this.served.job, [...landing, ...unsent]) ?? this.served.job
  }

  private lastReckoned: readonly unknown[] = []

  /** Puts together what is shown, unless everything it is made of is the same. */
  private reckon(): void {
    const waiting = outbox()
      .snapshot()
      .waiting.filter(({ jobId, reasons }) => jobId === this.jobId && reasons === null)
      .map(({ command }) => command)
    const inputs = [this.served, ...this.landing, ...waiting]
    if (
      inputs.length === this.lastReckoned.length &&
      inputs.every((input, i) => input === this.lastReckoned[i])
    ) {
      return
    }
    this.lastReckoned = inputs
    this.saidJob = this.with(waiting)
    this.show()
  }

  private show(): void {
    const { tried } = this
    const next =
      tried.length > 0
        ? (withCommands(
            this.saidJob,
            tried.map((change) => envelope(this.jobId, change)),
          ) ?? this.saidJob)
        : this.saidJob
    if (next === this.shown) return
    this.shown = next
    for (const listener of this.listeners) listener()
  }
}

const bodyOf = (response: Response): Promise<unknown> => response.json().catch(() => null)
