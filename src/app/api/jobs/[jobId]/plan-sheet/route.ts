import { reasonsOf } from '@/core/job'
import { answering } from '@/server/answer'
import { load } from '@/server/commands/batch'
import { record } from '@/server/db/open'
import { printNow } from '@/server/print/answer'
import { planName, planOrder, PlanWish } from '@/server/print/wish'
import { noJob, problem } from '@/server/problem'

/**
 * The plan of a floor to scale as PDF or SVG, when it is done:
 * `?floor=&seen=&faces=&cables=&paper=&upright=&scale=&format=`, each with its usual value where it is left
 * out. Whoever hangs up ends it.
 */
export const GET = answering<{ params: Promise<{ jobId: string }> }>(async (request, { params }) => {
  const { jobId } = await params
  const query = Object.fromEntries(new URL(request.url).searchParams)
  const yes = (name: string) => (name in query ? { [name]: query[name] === 'true' } : {})
  const asked = PlanWish.safeParse({
    ...query,
    ...yes('faces'),
    ...yes('cables'),
    ...yes('upright'),
    ...('scale' in query ? { scale: Number(query.scale) } : {}),
  })
  if (!asked.success)
    return problem(400, 'No such sheet', 'What was asked for cannot be printed.', reasonsOf(asked.error))
  const stored = load(record(), jobId)
  if (!stored) return noJob(jobId)
  const print = { what: 'plan', order: planOrder(asked.data) } as const
  const name = planName(stored.job, asked.data)
  return printNow(request, { jobId, print, name }, { status: 422, title: 'It cannot be printed so' })
})
