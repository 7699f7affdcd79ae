import 'server-only'
import type { Reason } from '@/core/job'

/** An answer of RFC 9457: problem details as JSON, with the fields it concerns. */
export function problem(
  status: number,
  title: string,
  detail: string,
  errors: readonly Reason[] = [],
  extra: object = {},
): Response {
  const body = {
    type: 'about:blank',
    title,
    status,
    detail,
    ...(errors.length > 0
      ? { errors: errors.map(({ path, message }) => ({ pointer: path, detail: message })) }
      : {}),
    ...extra,
  }
  return new Response(JSON.stringify(body), {
    status,
    headers: { 'content-type': 'application/problem+json' },
  })
}

export const noJob = (id: string): Response =>
  problem(404, 'No such job', `There is no job with the id ${id.slice(0, 64)}.`)

/** What a body says as JSON; undefined when it is none. */
export function jsonOf(body: Buffer): unknown {
  try {
    return JSON.parse(body.toString('utf8')) as unknown
  } catch {
    return undefined
  }
}
