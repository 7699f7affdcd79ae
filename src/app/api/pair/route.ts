import { reasonsOf } from '@/core/job'
import { answering, bodyOf } from '@/server/answer'
import { record } from '@/server/db/open'
import { COOKIE, COOKIE_S, pair, Pairing } from '@/server/phones'
import { jsonOf, problem } from '@/server/problem'

/** Pairs a phone by the secret that it read: 201 with its cookie; 410 when that is used or has lapsed. */
export const POST = answering(async (request) => {
  const asked = Pairing.safeParse(jsonOf(await bodyOf(request, 1000)))
  if (!asked.success)
    return problem(400, 'Not a pairing', 'The body must be {"secret", "name"}.', reasonsOf(asked.error))
  const token = pair(record(), asked.data)
  if (token === null)
    return problem(410, 'The code has lapsed', 'A code pairs one phone, within five minutes: show a new one.')
  const cookie = [
    `${COOKIE}=${token}`,
    'Path=/',
    'HttpOnly',
    'Secure',
    'SameSite=Strict',
    `Max-Age=${COOKIE_S}`,
  ].join('; ')
  return Response.json({ name: asked.data.name }, { status: 201, headers: { 'set-cookie': cookie } })
})
