import type { Command, JobFile, Reason } from '@/core/job'

/** What the server made of a request. */
export type Reply =
  | {
      readonly is: 'answered'
      readonly refused: ReadonlyMap<string, readonly Reason[]>
      readonly revisions: Readonly<Record<string, number>>
      /** The name of the server's record. */
      readonly record: string
    }
  /** No answer at all: no signal, or no server. */
  | { readonly is: 'unreachable' }
  /** It wants to be asked again later: sign in, too much at once, too much in one. */
  | { readonly is: 'later'; readonly status: number; readonly says: string; readonly afterMs: number }
  /** It answers, but fails on this. */
  | { readonly is: 'failed'; readonly says: string }
  /** It will never take this. */
  | { readonly is: 'refused'; readonly says: string }

const LATER = new Set([401, 403, 408, 413, 425, 429, 503])
const COMMANDS_LIMIT_MS = 20_000
/** A photo larger than a piece goes piece by piece: a line that breaks costs one of them. */
const PIECE_BYTES = 256 * 1024
/** So often in a row may the server have something else than was thought. */
const MOST_SURPRISES = 3
/** A photo gets as long as a slow line needs: 25 kB a second, and a start. */
const photoLimitMs = (bytes: number) => 20_000 + Math.ceil(bytes / 25)

interface Body {
  readonly answers?: readonly {
    readonly id: string
    readonly status: string
    readonly reasons?: readonly Reason[]
  }[]
  readonly revisions?: Record<string, number>
  readonly record?: string
  /** Of a photo: bytes that have arrived, and whether it is all there. */
  readonly has?: number
  readonly whole?: boolean
  readonly title?: string
  readonly detail?: string
  readonly instance?: string
}

/** Sends a batch of commands; never throws. */
export async function postCommands(commands: readonly Command[]): Promise<Reply> {
  const headers = { 'content-type': 'application/json' }
  const asked = await ask(
    '/api/commands',
    { method: 'POST', headers, body: JSON.stringify({ commands }) },
    COMMANDS_LIMIT_MS,
  )
  if ('is' in asked) return asked
  const { body } = asked
  if (!body.answers) return { is: 'refused', says: words(body) }
  const refused = new Map(
    body.answers.filter(({ status }) => status === 'refused').map(({ id, reasons }) => [id, reasons ?? []]),
  )
  return { is: 'answered', refused, revisions: body.revisions ?? {}, record: body.record ?? '' }
}

export interface PhotoToSend {
  readonly sha256: string
  readonly blob: Blob
  readonly keepsPlace: boolean
}

/** How a photo gets on: told with each piece that has arrived. Aborted, it stops where it is. */
export interface Underway {
  readonly signal: AbortSignal
  readonly arrived: (bytes: number) => void
}

/** Sends the bytes of a photo, from where an earlier try came to; never throws. */
export async function putPhoto(photo: PhotoToSend, underway: Underway): Promise<Reply> {
  const { sha256, blob } = photo
  const whole = `/api/photos/${sha256}`
  if (blob.size <= PIECE_BYTES) return takenOf(await putBytes(photo, whole, blob, underway))
  const begun = await ask(`${whole}/pieces`, { signal: underway.signal }, COMMANDS_LIMIT_MS)
  if ('is' in begun) return begun
  if (begun.body.whole) return TAKEN
  let has = begun.body.has ?? 0
  let surprises = 0
  for (;;) {
    underway.arrived(has)
    const piece = blob.slice(has, has + PIECE_BYTES)
    const asked = await putBytes(photo, `${whole}/pieces?at=${has}&of=${blob.size}`, piece, underway)
    if ('is' in asked) return asked
    // What was put together is not the photo: sent in one, the server says so of the photo itself.
    const now = asked.body.has
    if (now === undefined) return asked.ok ? TAKEN : takenOf(await putBytes(photo, whole, blob, underway))
    if (now !== has + piece.size && ++surprises > MOST_SURPRISES)
      return { is: 'failed', says: 'The photo does not arrive as it is sent.' }
    has = now
  }
}

/** Whether the server has a photo, given it where it lacks it and it is here; null where nobody answers. */
export async function photoThere(sha256: string, here: PhotoToSend | null): Promise<boolean | null> {
  if (here) {
    const reply = await putPhoto(here, { signal: new AbortController().signal, arrived: () => undefined })
    return reply.is === 'answered' || (reply.is === 'refused' ? false : null)
  }
  const asked = await ask(`/api/photos/${sha256}/pieces`, {}, COMMANDS_LIMIT_MS)
  return 'is' in asked ? null : asked.body.whole === true
}

/** Gives a job file to the server; what it says against it, null when it took it. */
export async function importFile(file: JobFile): Promise<string | null> {
  const headers = { 'content-type': 'application/json' }
  const body = JSON.stringify(file)
  const asked = await ask('/api/import', { method: 'POST', headers, body }, photoLimitMs(body.length))
  if ('is' in asked)
    return asked.is === 'unreachable' ? 'No answer. Try again where there is signal.' : asked.says
  return asked.ok ? null : words(asked.body)
}

const TAKEN: Reply = { is: 'answered', refused: new Map(), revisions: {}, record: '' }

const takenOf = (asked: Asked): Reply => {
  if ('is' in asked) return asked
  return asked.ok ? TAKEN : { is: 'refused', says: words(asked.body) }
}

function putBytes({ keepsPlace }: PhotoToSend, to: string, body: Blob, { signal }: Underway): Promise<Asked> {
  const place = keepsPlace ? `${to.includes('?') ? '&' : '?'}place=keep` : ''
  const headers = { 'content-type': 'application/octet-stream' }
  return ask(to + place, { method: 'PUT', headers, body, signal }, photoLimitMs(body.size))
}

/** Whether the server is there at all. */
export async function serverAnswers(): Promise<boolean> {
  const response = await fetch('/api/health', { signal: AbortSignal.timeout(5000), cache: 'no-store' }).catch(
    () => null,
  )
  return response?.ok ?? false
}

type Asked = Exclude<Reply, { is: 'answered' }> | { readonly ok: boolean; readonly body: Body }

async function ask(url: string, init: RequestInit, limitMs: number): Promise<Asked> {
  let response: Response
  let text: string
  try {
    const late = AbortSignal.timeout(limitMs)
    response = await fetch(url, {
      ...init,
      signal: init.signal ? AbortSignal.any([init.signal, late]) : late,
    })
    text = await response.text()
  } catch {
    return { is: 'unreachable' }
  }
  const { status, ok } = response
  const body = read(text)
  if (LATER.has(status)) {
    const seconds = Number(response.headers.get('retry-after'))
    return { is: 'later', status, says: words(body), afterMs: Number.isFinite(seconds) ? seconds * 1000 : 0 }
  }
  if (status >= 500 || body === null) return { is: 'failed', says: words(body) }
  return { ok, body }
}

function read(text: string): Body | null {
  try {
    const body: unknown = JSON.parse(text)
    return typeof body === 'object' && body !== null ? body : null
  } catch {
    return null
  }
}

/** The server's own words, and the number under which its log has it. */
function words(body: Body | null): string {
  if (!body) return 'The server answered nothing that can be read.'
  return [body.detail ?? body.title ?? 'The server refused it.', body.instance ? `(${body.instance})` : '']
    .filter(Boolean)
    .join(' ')
}
