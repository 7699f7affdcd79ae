import 'server-only'
import { randomUUID } from 'node:crypto'
import { mkdirSync, rmSync } from 'node:fs'
import { join } from 'node:path'
import type { Printing, Written } from '../workshop/tasks'
import { Cancelled, work, type WorkOptions } from '../workshop/workshop'
import { PLAN_FORMATS, type PlanFormat, type PlanOrder } from './planPrint'

/** Something that is being printed, or was: it can be watched, ended, and fetched. */
export interface Print {
  readonly id: string
  readonly path: string
  readonly name: string
  readonly type: string
  readonly state: 'printing' | 'done' | 'failed' | 'cancelled' | 'refused'
  readonly done: number
  readonly total: number
  readonly message: string | null
}

interface Running {
  print: Print
  readonly cancel: AbortController
}

const KEPT_MS = 10 * 60_000
const shared = globalThis as typeof globalThis & { neatBracketPrints?: Map<string, Running> }
const prints = (): Map<string, Running> => (shared.neatBracketPrints ??= new Map<string, Running>())

/** What is to be printed of a job. */
export type Printable =
  | { readonly what: 'record'; readonly deviceId: string | null }
  | { readonly what: 'plan'; readonly order: PlanOrder }
  | { readonly what: 'pull' }

interface PrintOrder {
  readonly folder: string
  readonly jobId: string
  readonly print: Printable
  /** File name of the download. */
  readonly name: string
}

const formatOf = (print: Printable): PlanFormat => (print.what === 'plan' ? print.order.format : 'pdf')

/** Starts a print and answers at once. */
export function startPrint({ folder, jobId, print, name }: PrintOrder): Print {
  const id = randomUUID()
  const incoming = join(/* turbopackIgnore: true */ folder, 'incoming')
  mkdirSync(incoming, { recursive: true })
  const running: Running = {
    print: {
      id,
      path: join(/* turbopackIgnore: true */ incoming, `${id}.${formatOf(print)}`),
      name,
      type: PLAN_FORMATS[formatOf(print)],
      state: 'printing',
      done: 0,
      total: 0,
      message: null,
    },
    cancel: new AbortController(),
  }
  prints().set(id, running)
  const change = (part: Partial<Print>) => (running.print = { ...running.print, ...part })
  const today = new Date().toISOString().slice(0, 10)
  const input = { folder, jobId, today, to: running.print.path }
  const options: WorkOptions = {
    signal: running.cancel.signal,
    onProgress: (done, total) => change({ done, total }),
  }
  void written(print, input, options)
    .then((made) => change(made.ok ? { state: 'done' } : { state: 'refused', message: made.message }))
    .catch((error: unknown) =>
      change({
        state: error instanceof Cancelled ? 'cancelled' : 'failed',
        message: error instanceof Error ? error.message.split('\n')[0]! : 'It broke.',
      }),
    )
    .finally(() => setTimeout(() => forget(id), KEPT_MS).unref())
  return running.print
}

function written(print: Printable, input: Printing, options: WorkOptions): Promise<Written> {
  switch (print.what) {
    case 'record':
      return work('record', { ...input, deviceId: print.deviceId }, options)
    case 'plan':
      return work('plan', { ...input, order: print.order }, options)
    case 'pull':
      return work('pull', input, options)
  }
}

export const printOf = (id: string): Print | null => prints().get(id)?.print ?? null

export function cancelPrint(id: string): Print | null {
  prints().get(id)?.cancel.abort()
  return printOf(id)
}

function forget(id: string): void {
  const running = prints().get(id)
  if (running) rmSync(running.print.path, { force: true })
  prints().delete(id)
}

/** Waits until a print has ended one way or another. */
export async function printed(id: string): Promise<Print> {
  for (;;) {
    const print = printOf(id)!
    if (print.state !== 'printing') return print
    await new Promise((again) => setTimeout(again, 50))
  }
}
