import { load } from '@/server/commands/batch'
import { dataFolder, record } from '@/server/db/open'
import { attachment } from '@/server/exports/attachment'
import { recordPdf } from '@/server/exports/recordPdf'
import { noJob, problem } from '@/server/problem'

/** The printed record as PDF; `?device=` for one device. */
export async function GET(request: Request, { params }: { params: Promise<{ jobId: string }> }): Promise<Response> {
  const { jobId } = await params
  const deviceId = new URL(request.url).searchParams.get('device')
  const stored = load(record(), jobId)
  if (!stored) return noJob(jobId)
  const pdf = await recordPdf(record(), dataFolder(), stored.job, deviceId)
  if (!pdf) return problem(404, 'No such device', 'The job has no device with this id.')
  const device = stored.job.devices.find(({ id }) => id === deviceId)
  return new Response(new Uint8Array(pdf), { headers: { 'content-type': 'application/pdf', ...attachment(device ? `${stored.job.name} ${device.mark} ${device.name}` : stored.job.name, 'pdf') } })
}
