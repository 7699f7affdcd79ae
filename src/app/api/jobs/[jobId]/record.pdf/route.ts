import { answering } from '@/server/answer'
import { load } from '@/server/commands/batch'
import { record } from '@/server/db/open'
import { plainName } from '@/server/exports/attachment'
import { printNow } from '@/server/print/answer'
import { noJob } from '@/server/problem'

/** The printed record as PDF, when it is done; `?device=` for one device. Whoever hangs up ends it. */
export const GET = answering<{ params: Promise<{ jobId: string }> }>(async (request, { params }) => {
  const { jobId } = await params
  const deviceId = new URL(request.url).searchParams.get('device')
  const stored = load(record(), jobId)
  if (!stored) return noJob(jobId)
  const device = stored.job.devices.find(({ id }) => id === deviceId)
  const name = plainName(device ? `${stored.job.name} ${device.mark} ${device.name}` : stored.job.name, 'pdf')
  const print = { what: 'record', deviceId } as const
  return printNow(request, { jobId, print, name }, { status: 404, title: 'No such device' })
})
