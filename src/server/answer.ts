import 'server-only'
import { randomUUID } from 'node:crypto'
import { createWriteStream } from 'node:fs'
import { mkdir, rm } from 'node:fs/promises'
import { join } from 'node:path'
import { Readable } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import { problem } from './problem'
import { Cancelled, TooMuch } from './workshop/workshop'

/** A body that is longer than its route takes; told while it still comes in, whatever its head promised. */
class TooLong extends Error {
  constructor(readonly mostBytes: number) {
    super('too long')
  }
}

const megabytes = (bytes: number) => `${Math.round(bytes / 1024 / 1024)} MB`

/**
 * The body of a request as bytes, at most so many. Where its head says how long it is, no more than that is
 * ever read of it, and it is taken at once.
 */
export async function bodyOf(request: Request, mostBytes: number): Promise<Buffer> {
  const promised = Number(request.headers.get('content-length') ?? NaN)
  if (promised <= mostBytes) return Buffer.from(await request.arrayBuffer())
  const parts: Buffer[] = []
  for await (const part of limited(request, mostBytes)) parts.push(part)
  return Buffer.concat(parts)
}

/**
 * Puts the body of a request, at most so many bytes, into a file of the data folder for as long as `read`
 * lasts.
 */
export async function withBodyFile<T>(
  request: Request,
  folder: string,
  mostBytes: number,
  read: (path: string) => Promise<T>,
): Promise<T> {
  const incoming = join(/* turbopackIgnore: true */ folder, 'incoming')
  await mkdir(incoming, { recursive: true })
  const path = join(/* turbopackIgnore: true */ incoming, randomUUID())
  try {
    await pipeline(Readable.from(limited(request, mostBytes)), createWriteStream(path))
    return await read(path)
  } finally {
    await rm(path, { force: true })
  }
}

async function* limited(request: Request, mostBytes: number): AsyncGenerator<Buffer> {
  let length = 0
  if (!request.body) return
  for await (const part of request.body as unknown as AsyncIterable<Uint8Array>) {
    length += part.byteLength
    if (length > mostBytes) throw new TooLong(mostBytes)
    yield Buffer.from(part)
  }
}

type Handle<C> = (request: Request, context: C) => Promise<Response> | Response

/**
 * A route that always answers in words: what is too long or too much gets a 4xx that says so, what nobody
 * foresaw a 500 with the number under which the log has it. Problems carry that number too.
 */
export function answering<C>(handle: Handle<C>): (request: Request, context: C) => Promise<Response> {
  return async (request, context) => {
    const id = request.headers.get('x-request-id') ?? randomUUID()
    try {
      return await numbered(await handle(request, context), id)
    } catch (error) {
      if (error instanceof TooLong)
        return numbered(
          problem(413, 'Too large', `At most ${megabytes(error.mostBytes)} can be sent here.`),
          id,
        )
      if (error instanceof TooMuch) return numbered(problem(413, 'Too much in it', error.message), id)
      if (error instanceof Cancelled) return numbered(problem(409, 'Cancelled', error.message), id)
      console.error(
        JSON.stringify({
          at: new Date().toISOString(),
          id,
          path: new URL(request.url).pathname,
          error: error instanceof Error ? error.stack : String(error),
        }),
      )
      return numbered(
        problem(
          500,
          'The server failed',
          'Something here broke. Nothing that was kept is lost; try again, and tell this number if it goes on.',
        ),
        id,
      )
    }
  }
}

async function numbered(response: Response, id: string): Promise<Response> {
  if (response.headers.get('content-type') !== 'application/problem+json') return response
  const body = (await response.json()) as object
  return new Response(JSON.stringify({ ...body, instance: `urn:uuid:${id}` }), {
    status: response.status,
    headers: response.headers,
  })
}
