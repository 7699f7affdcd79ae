import { z } from 'zod'
import { reasonsOf } from '@/core/job'
import { answering, bodyOf } from '@/server/answer'
import { load } from '@/server/commands/batch'
import { dataFolder, record } from '@/server/db/open'
import { plainName } from '@/server/exports/attachment'
import { startPrint } from '@/server/print/prints'
import { jsonOf, noJob, problem } from '@/server/problem'

const Asked = z.strictObject({ deviceId: z.string().nullable().default(null) })

/** Starts printing the record of a job, or of one device of it: 202 with where to watch it. */
export const POST = answering<{ params: Promise<{ jobId: string }> }>(async (request, { params }) => {
  const { jobId } = await params
  const asked = Asked.safeParse(jsonOf(await bodyOf(request, 1024)) ?? {})
  if (!asked.success)
    return problem(400, 'Not an order', 'The body is {} or {"deviceId": "..."}.', reasonsOf(asked.error))
  const stored = load(record(), jobId)
  if (!stored) return noJob(jobId)
  const { deviceId } = asked.data
  const device = stored.job.devices.find(({ id }) => id === deviceId)
  if (deviceId !== null && !device)
    return problem(404, 'No such device', 'The job has no device with this id.')
  const name = plainName(device ? `${stored.job.name} ${device.mark} ${device.name}` : stored.job.name, 'pdf')
  const { id, state } = startPrint({ folder: dataFolder(), jobId, deviceId, name })
  return Response.json(
    { printId: id, state, name },
    { status: 202, headers: { location: `/api/prints/${id}` } },
  )
})
