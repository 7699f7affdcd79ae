import { readFile } from 'node:fs/promises'
import { answering } from '@/server/answer'
import { load } from '@/server/commands/batch'
import { dataFolder, record } from '@/server/db/open'
import { plainName } from '@/server/exports/attachment'
import { cancelPrint, printed, startPrint } from '@/server/print/prints'
import { noJob, problem } from '@/server/problem'

/** The printed record as PDF, when it is done; `?device=` for one device. Whoever hangs up ends it. */
export const GET = answering<{ params: Promise<{ jobId: string }> }>(async (request, { params }) => {
  const { jobId } = await params
  const deviceId = new URL(request.url).searchParams.get('device')
  const stored = load(record(), jobId)
  if (!stored) return noJob(jobId)
  const device = stored.job.devices.find(({ id }) => id === deviceId)
  const name = plainName(device ? `${stored.job.name} ${device.mark} ${device.name}` : stored.job.name, 'pdf')
  const { id } = startPrint({ folder: dataFolder(), jobId, print: { what: 'record', deviceId }, name })
  request.signal.addEventListener('abort', () => cancelPrint(id))
  const print = await printed(id)
  if (print.state === 'refused') return problem(404, 'No such device', print.message!)
  if (print.state !== 'done') throw new Error(print.message ?? 'The print did not end.')
  return new Response(new Uint8Array(await readFile(print.path)), {
    headers: { 'content-type': 'application/pdf', 'content-disposition': `attachment; filename="${name}"` },
  })
})
