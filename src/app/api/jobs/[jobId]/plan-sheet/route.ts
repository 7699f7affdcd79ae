import { readFile } from 'node:fs/promises'
import { reasonsOf } from '@/core/job'
import { answering } from '@/server/answer'
import { load } from '@/server/commands/batch'
import { dataFolder, record } from '@/server/db/open'
import { cancelPrint, printed, startPrint } from '@/server/print/prints'
import { planName, planOrder, PlanWish } from '@/server/print/wish'
import { noJob, problem } from '@/server/problem'

/**
 * The plan of a floor to scale as PDF or SVG, when it is done:
 * `?floor=&seen=&faces=&paper=&upright=&scale=&format=`, each with its usual value where it is left out.
 * Whoever hangs up ends it.
 */
export const GET = answering<{ params: Promise<{ jobId: string }> }>(async (request, { params }) => {
  const { jobId } = await params
  const query = Object.fromEntries(new URL(request.url).searchParams)
  const yes = (name: string) => (name in query ? { [name]: query[name] === 'true' } : {})
  const asked = PlanWish.safeParse({
    ...query,
    ...yes('faces'),
    ...yes('upright'),
    ...('scale' in query ? { scale: Number(query.scale) } : {}),
  })
  if (!asked.success)
    return problem(400, 'No such sheet', 'What was asked for cannot be printed.', reasonsOf(asked.error))
  const stored = load(record(), jobId)
  if (!stored) return noJob(jobId)
  const name = planName(stored.job, asked.data)
  const order = planOrder(asked.data)
  const { id } = startPrint({ folder: dataFolder(), jobId, print: { what: 'plan', order }, name })
  request.signal.addEventListener('abort', () => cancelPrint(id))
  const print = await printed(id)
  if (print.state === 'refused') return problem(422, 'It does not fit', print.message!)
  if (print.state !== 'done') throw new Error(print.message ?? 'The print did not end.')
  return new Response(new Uint8Array(await readFile(print.path)), {
    headers: { 'content-type': print.type, 'content-disposition': `attachment; filename="${name}"` },
  })
})
