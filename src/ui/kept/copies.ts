import Dexie, { type EntityTable } from 'dexie'
import { Job, RECORD_VERSION, upgradedCommand, upgradedJob, type Command } from '@/core/job'
import { withCommands } from '../job/withCommands'

/** A job as the server had it at a revision. */
export interface StoredJob {
  readonly revision: number
  readonly job: Job
}

/** A command of this device that the server applied, with the revision that has it. */
export interface Landed {
  readonly command: Command
  readonly revision: number
}

/** A job that is kept here, without its record. */
export interface KeptJob {
  readonly id: string
  readonly name: string
  readonly address: string
  /** The revision up to which it is known. */
  readonly upTo: number
  /** When the server was last heard of it. */
  readonly keptAt: string
}

interface Body {
  readonly id: string
  readonly revision: number
  /** Of the record, as it was written. */
  readonly version: number
  readonly job: unknown
}

/** What a job took after its record was written down here, a piece from one revision to the next. */
interface HeardPiece {
  readonly jobId: string
  readonly from: number
  readonly to: number
  readonly commands: readonly Command[]
  /** The name of the record that has them. */
  readonly record: string
}

interface LandedRow extends Landed {
  readonly id: string
  readonly jobId: string
  /** The name of the record that has it. */
  readonly record: string
  readonly at: string
}

class CopiesStore extends Dexie {
  jobs!: EntityTable<KeptJob, 'id'>
  bodies!: EntityTable<Body, 'id'>
  heard!: Dexie.Table<HeardPiece, [string, number]>
  landed!: EntityTable<LandedRow, 'id'>

  constructor(name: string) {
    super(name)
    this.version(1).stores({
      jobs: 'id',
      bodies: 'id',
      heard: '[jobId+from], jobId',
      landed: 'id, jobId, at',
    })
  }
}

/** How long a device remembers what it said, for a server that is restored from an older back-up. */
const REMEMBERED_DAYS = 60
const DAY_MS = 86_400_000

/**
 * Jobs that are kept on this device, so that they open where nobody answers: the record once, and after it
 * only what was added. Shared by all tabs; a device that cannot keep them works as before, with signal.
 */
export class Copies {
  private readonly store: CopiesStore

  constructor(name: string) {
    this.store = new CopiesStore(name)
  }

  /** Writes a whole job down. One that is known further stays, unless the server itself has gone back. */
  async keep({ revision, job }: StoredJob, evenIfOlder = false): Promise<void> {
    const { id, name, address } = job
    const { jobs, bodies, heard } = this.store
    await this.store.transaction('rw', jobs, bodies, heard, async () => {
      const known = await jobs.get(id)
      const keptAt = new Date().toISOString()
      if (known && known.upTo >= revision && !evenIfOlder) {
        await jobs.update(id, { keptAt })
        return
      }
      await bodies.put({ id, revision, version: RECORD_VERSION, job })
      await jobs.put({ id, name, address, upTo: revision, keptAt })
      await heard.where('jobId').equals(id).delete()
    })
  }

  /** Adds what a job took from a revision on; what does not join what is known is written down whole. */
  async hear(from: number, commands: readonly Command[], now: StoredJob, record: string): Promise<void> {
    const { id, name, address } = now.job
    const { jobs, heard } = this.store
    const joined = await this.store.transaction('rw', jobs, heard, async () => {
      const known = await jobs.get(id)
      if (known?.upTo !== from) return false
      if (commands.length > 0) await heard.put({ jobId: id, from, to: now.revision, commands, record })
      await jobs.put({ id, name, address, upTo: now.revision, keptAt: new Date().toISOString() })
      return true
    })
    if (!joined) await this.keep(now)
  }

  /** Remembers what this device said and the server has applied. */
  async land(
    commands: readonly Command[],
    revisions: Readonly<Record<string, number>>,
    record: string,
  ): Promise<void> {
    const at = new Date().toISOString()
    const rows = commands.flatMap((command): LandedRow[] => {
      const revision = revisions[command.jobId]
      const { id, jobId } = command
      return revision === undefined ? [] : [{ id, jobId, command, revision, record, at }]
    })
    await this.store.landed.bulkPut(rows)
  }

  /** A job as it is known here, and what this device said of it since; null when it is not kept. */
  async open(jobId: string): Promise<{ stored: StoredJob; landed: readonly Landed[] } | null> {
    const [known, body] = await Promise.all([this.store.jobs.get(jobId), this.store.bodies.get(jobId)])
    if (!known || !body) return null
    const job = asOfToday(body)
    if (!job) return null
    const commands = await this.since(jobId, body.revision)
    const landed = await this.landedAfter(jobId, known.upTo)
    return { stored: { revision: known.upTo, job: withCommands(job, commands) ?? job }, landed }
  }

  /** The last command of this device that the server took for a job; null when none is remembered. */
  async lastLanded(jobId: string): Promise<string | null> {
    const rows = await this.store.landed.where('jobId').equals(jobId).sortBy('revision')
    return rows.at(-1)?.id ?? null
  }

  /**
   * Every command of a job that is remembered here, in order: what is said again to a server whose record
   * went back to an older back-up. What another record had is forgotten: that one was begun anew.
   */
  async remembered(jobId: string, record: string): Promise<Command[]> {
    const { heard, landed } = this.store
    const foreign = (one: { record: string }) => one.record !== record
    await landed.where('jobId').equals(jobId).filter(foreign).delete()
    const pieces = (await heard.where('jobId').equals(jobId).toArray()).filter((one) => !foreign(one))
    const own = (await landed.where('jobId').equals(jobId).toArray()).map(({ command }) => command)
    const all = [...pieces.flatMap(({ commands }) => commands), ...own]
    const byId = new Map(all.map((one) => [one.id, upgradedCommand(one) as Command]))
    return [...byId.values()].sort(byTime)
  }

  /** Forgets what landed of a job, once it waits again. */
  async forgetLanded(jobId: string): Promise<void> {
    await this.store.landed.where('jobId').equals(jobId).delete()
  }

  list(): Promise<KeptJob[]> {
    return this.store.jobs.toArray()
  }

  private async since(jobId: string, revision: number): Promise<Command[]> {
    const pieces = await this.store.heard.where('jobId').equals(jobId).toArray()
    return pieces
      .filter(({ to }) => to > revision)
      .sort((a, b) => a.from - b.from)
      .flatMap(({ commands }) => commands.map((one) => upgradedCommand(one) as Command))
  }

  private async landedAfter(jobId: string, revision: number): Promise<Landed[]> {
    const long = new Date(Date.now() - REMEMBERED_DAYS * DAY_MS).toISOString()
    await this.store.landed.where('at').below(long).delete()
    const rows = await this.store.landed.where('jobId').equals(jobId).toArray()
    return rows
      .filter((row) => row.revision > revision)
      .map((row) => ({ command: upgradedCommand(row.command) as Command, revision: row.revision }))
      .sort((a, b) => byTime(a.command, b.command))
  }
}

const byTime = (a: Command, b: Command): number => a.at.localeCompare(b.at)

/** What was written down before an update of the application, as it is read today. */
function asOfToday({ job, version }: Body): Job | null {
  if (version === RECORD_VERSION) return job as Job
  return Job.safeParse(upgradedJob(job, version)).data ?? null
}

const shared = globalThis as typeof globalThis & { neatBracketCopies?: Copies }

/** The jobs of this browser; only in a browser. */
export function copies(): Copies {
  shared.neatBracketCopies ??= new Copies('neat-bracket-copies')
  return shared.neatBracketCopies
}

/** Keeping a copy is never in the way of work: a device that cannot does without. */
export const quietly = (kept: Promise<void>): void => void kept.catch(() => undefined)
