import type { Command, Reason } from '@/core/job'

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

/** Sends the bytes of a photo; never throws. */
export async function putPhoto(sha256: string, blob: Blob, keepsPlace: boolean): Promise<Reply> {
  const asked = await ask(
    `/api/photos/${sha256}${keepsPlace ? '?place=keep' : ''}`,
    { method: 'PUT', headers: { 'content-type': 'application/octet-stream' }, body: blob },
    photoLimitMs(blob.size),
  )
  if ('is' in asked) return asked
  return asked.ok
    ? { is: 'answered', refused: new Map(), revisions: {}, record: '' }
    : { is: 'refused', says: words(asked.body) }
}

/** Whether the server is there at all. */
export async function serverAnswers(): Promise<boolean> {
  const response = await fetch('/api/health', { signal: AbortSignal.timeout(5000), cache: 'no-store' }).catch(
    () => null,
  )
  return response?.ok ?? false
}

async function ask(
  url: string,
  init: RequestInit,
  limitMs: number,
): Promise<Exclude<Reply, { is: 'answered' }> | { readonly ok: boolean; readonly body: Body }> {
  let response: Response
  let text: string
  try {
    response = await fetch(url, { ...init, signal: AbortSignal.timeout(limitMs) })
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
