import 'server-only'
import { spawn, type ChildProcess } from 'node:child_process'
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import type { TaskName, Tasks } from './tasks'

/** Thrown when a task took too much; says of what. */
export class TooMuch extends Error {}

/** Thrown when whoever asked for a task no longer wants it. */
export class Cancelled extends Error {}

interface Bounds {
  readonly seconds: number
  readonly megabytes: number
}

/** How long a task may take and how much memory; beyond that it is ended. */
const BOUNDS: Record<TaskName, Bounds> = {
  photo: { seconds: 20, megabytes: 1200 },
  background: { seconds: 20, megabytes: 1500 },
  import: { seconds: 180, megabytes: 2500 },
  summary: { seconds: 60, megabytes: 1500 },
  labels: { seconds: 120, megabytes: 1500 },
  boxes: { seconds: 120, megabytes: 1500 },
  pull: { seconds: 120, megabytes: 1500 },
  record: { seconds: 180, megabytes: 1500 },
  plan: { seconds: 180, megabytes: 1500 },
}

/** Never more processes than this at once; the rest waits its turn. */
const HANDS = 2
/** A process that has nothing to do is kept so long, ready for the next. */
const IDLE_MS = 60_000
const WATCH_MS = 100

type Said =
  | { readonly is: 'ready' }
  | { readonly is: 'progress'; readonly done: number; readonly total: number }
  | { readonly is: 'done'; readonly result: unknown }
  | { readonly is: 'failed'; readonly message: string }

interface Hand {
  readonly child: ChildProcess
  readonly ready: Promise<void>
  idle: ReturnType<typeof setTimeout> | null
}

interface Workshop {
  readonly free: Hand[]
  working: number
  readonly queue: (() => void)[]
}

const shared = globalThis as typeof globalThis & { neatBracketWorkshop?: Workshop }
const workshop = (): Workshop => (shared.neatBracketWorkshop ??= { free: [], working: 0, queue: [] })

export interface WorkOptions {
  readonly signal?: AbortSignal
  readonly onProgress?: (done: number, total: number) => void
  /** Other bounds than the task's own. */
  readonly bounds?: Bounds
}

/**
 * Does a task in a process of its own, within its bounds. Rejects with `TooMuch`, `Cancelled`, or what went
 * wrong.
 */
export async function work<T extends TaskName>(
  task: T,
  input: Parameters<Tasks[T]>[0],
  { signal, onProgress, bounds = BOUNDS[task] }: WorkOptions = {},
): Promise<Awaited<ReturnType<Tasks[T]>>> {
  const shop = workshop()
  if (shop.working >= HANDS) await new Promise<void>((turn) => shop.queue.push(turn))
  shop.working++
  const hand = take(shop)
  try {
    return (await doing(hand, task, input, bounds, signal, onProgress)) as Awaited<ReturnType<Tasks[T]>>
  } finally {
    shop.working--
    if (hand.child.exitCode === null && !hand.child.killed) give(shop, hand)
    shop.queue.shift()?.()
  }
}

/** A process that waits already, or a new one. */
function take(shop: Workshop): Hand {
  const waiting = shop.free.pop()
  if (waiting) {
    if (waiting.idle) clearTimeout(waiting.idle)
    waiting.child.ref()
    return waiting
  }
  const root = /* turbopackIgnore: true */ process.cwd()
  const child = spawn(
    process.execPath,
    ['--max-old-space-size=1024', '--import', 'tsx', join(root, 'src/server/workshop/hand.ts')],
    {
      cwd: root,
      stdio: ['ignore', 'ignore', 'inherit', 'ipc'],
      env: {
        ...process.env,
        NODE_ENV: 'production',
        NODE_OPTIONS: '',
        TSX_TSCONFIG_PATH: join(root, 'tsconfig.workshop.json'),
      },
    },
  )
  const ready = new Promise<void>((resolve, reject) => {
    child.once('message', () => resolve())
    child.once('exit', () => reject(new Error('The process that reads files did not start.')))
    child.once('error', reject)
  })
  return { child, ready, idle: null }
}

function give(shop: Workshop, hand: Hand): void {
  hand.child.unref()
  hand.idle = setTimeout(() => {
    shop.free.splice(shop.free.indexOf(hand), 1)
    hand.child.kill()
  }, IDLE_MS)
  hand.idle.unref()
  shop.free.push(hand)
}

async function doing(
  { child, ready }: Hand,
  task: TaskName,
  input: object,
  { seconds, megabytes }: Bounds,
  signal?: AbortSignal,
  onProgress?: WorkOptions['onProgress'],
): Promise<unknown> {
  await ready
  return new Promise((resolve, reject) => {
    const end = (error: Error) => {
      child.kill('SIGKILL')
      settle(() => reject(error))
    }
    const started = Date.now()
    const watch = setInterval(() => {
      if (Date.now() - started > seconds * 1000)
        end(new TooMuch(`It took longer than ${seconds} seconds to read: there is too much in it.`))
      else if (megabytesOf(child.pid) > megabytes)
        end(new TooMuch(`It needs more than ${megabytes} MB of memory: there is too much in it.`))
    }, WATCH_MS)
    const cancel = () => end(new Cancelled('Nobody waits for it any more.'))
    const hear = (said: Said) => {
      if (said.is === 'progress') onProgress?.(said.done, said.total)
      else if (said.is === 'done') settle(() => resolve(said.result))
      else if (said.is === 'failed') settle(() => reject(new Error(said.message)))
    }
    const exit = () =>
      settle(() =>
        reject(new TooMuch('It broke the process that reads it: it is damaged, or there is too much in it.')),
      )
    const settle = (then: () => void) => {
      clearInterval(watch)
      child.off('message', hear)
      child.off('exit', exit)
      signal?.removeEventListener('abort', cancel)
      then()
    }
    child.on('message', hear)
    child.on('exit', exit)
    signal?.addEventListener('abort', cancel)
    if (signal?.aborted) return cancel()
    child.send({ task, input })
  })
}

/** Memory that a process holds, MB; 0 where the machine does not say. */
function megabytesOf(pid: number | undefined): number {
  try {
    return (Number(readFileSync(`/proc/${pid}/statm`, 'utf8').split(' ')[1]) * 4096) / 1024 / 1024
  } catch {
    return 0
  }
}
