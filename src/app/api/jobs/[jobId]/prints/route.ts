import { z } from 'zod'
import { reasonsOf } from '@/core/job'
import { answering, bodyOf } from '@/server/answer'
import { load } from '@/server/commands/batch'
import { dataFolder, record } from '@/server/db/open'
import { plainName } from '@/server/exports/attachment'
import { startPrint } from '@/server/print/prints'
import { planName, planOrder, PlanWish } from '@/server/print/wish'
import { jsonOf, noJob, problem } from '@/server/problem'

const Asked = z.union([
  z.strictObject({ plan: PlanWish }),
  z.strictObject({ deviceId: z.string().nullable().default(null) }),
])

/** Starts printing the record of a job, of a device, or the plan of a floor: 202 with where to watch it. */
export const POST = answering<{ params: Promise<{ jobId: string }> }>(async (request, { params }) => {
  const { jobId } = await params
  const asked = Asked.safeParse(jsonOf(await bodyOf(request, 1024)) ?? {})
  if (!asked.success)
    return problem(
      400,
      'Not an order',
      'The body is {}, {"deviceId": "..."} or {"plan": {"floor": "ground"}}.',
      reasonsOf(asked.error),
    )
  const stored = load(record(), jobId)
  if (!stored) return noJob(jobId)
  const { job } = stored
  const order = { folder: dataFolder(), jobId }
  const started = (print: ReturnType<typeof startPrint>) =>
    Response.json(
      { printId: print.id, state: print.state, name: print.name },
      { status: 202, headers: { location: `/api/prints/${print.id}` } },
    )
  if ('plan' in asked.data) {
    const { plan } = asked.data
    return started(
      startPrint({ ...order, print: { what: 'plan', order: planOrder(plan) }, name: planName(job, plan) }),
    )
  }
  const { deviceId } = asked.data
  const device = job.devices.find(({ id }) => id === deviceId)
  if (deviceId !== null && !device)
    return problem(404, 'No such device', 'The job has no device with this id.')
  const name = plainName(device ? `${job.name} ${device.mark} ${device.name}` : job.name, 'pdf')
  return started(startPrint({ ...order, print: { what: 'record', deviceId }, name }))
})
