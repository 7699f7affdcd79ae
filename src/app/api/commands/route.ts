import { reasonsOf } from '@/core/job'
import { answering, bodyOf } from '@/server/answer'
import { Batch } from '@/server/commands/batch'
import { applyTogether } from '@/server/commands/together'
import { nameOf, record } from '@/server/db/open'
import { jsonOf, problem } from '@/server/problem'
import { pairedTo } from '@/server/visitor'

const MOST_BYTES = 8 * 1024 * 1024
/** Answers to up to so many commands take longer to pack than to send. */
const FEW = 20
const UNPACKED = { 'cache-control': 'no-store, no-transform' }

/** What comes from a paired phone is said by whom it is paired to. */
const saidBy = (commands: readonly unknown[], name: string | null): readonly unknown[] =>
  name === null
    ? commands
    : commands.map((one) => (typeof one === 'object' && one !== null ? { ...one, by: name } : one))

/**
 * Applies a batch of commands. 200 with an answer for each; 422 when every one was refused; 400 when it is
 * no batch.
 */
export const POST = answering(async (request) => {
  const body = jsonOf(await bodyOf(request, MOST_BYTES))
  if (body === undefined) return problem(400, 'Not a batch', 'The body must be JSON: {"commands": [...]}.')
  const batch = Batch.safeParse(body)
  if (!batch.success)
    return problem(400, 'Not a batch', 'The body must be {"commands": [...]}.', reasonsOf(batch.error))
  const answer = {
    ...(await applyTogether(record(), saidBy(batch.data.commands, pairedTo(request)))),
    record: nameOf(record()),
  }
  if (answer.answers.some(({ status }) => status !== 'refused'))
    return Response.json(answer, answer.answers.length <= FEW ? { headers: UNPACKED } : {})
  const errors = answer.answers.flatMap((one, index) =>
    one.status === 'refused'
      ? one.reasons.map(({ path, message }) => ({ path: `/commands/${index}${path}`, message }))
      : [],
  )
  return problem(422, 'Nothing could be applied', errors[0]?.message ?? '', errors, answer)
})
