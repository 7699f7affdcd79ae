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
  /** The job wants its photos to keep where they were taken. */
  readonly keepsPlace?: boolean
}

/** What this browser keeps until the server has it; shared by all of its tabs. */
export class OutboxStore extends Dexie {
  waiting!: EntityTable<Waiting, 'seq'>
  photos!: EntityTable<WaitingPhoto, 'sha256'>

  constructor(name: string) {
    super(name)
    this.version(1).stores({ waiting: '++seq, &id, jobId', photos: 'sha256' })
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
