import { CATALOGUE } from '@/catalogue'
import { mountTemplate } from '@/core/mount'
import { resolve } from '@/core/parts'
import { PAPERS, templateSvg, type Paper } from '@/drawings'
import { answering } from '@/server/answer'
import { load } from '@/server/commands/batch'
import { record } from '@/server/db/open'
import { attachment } from '@/server/exports/attachment'
import { templatePdf } from '@/server/print/templatePdf'
import { noJob, problem } from '@/server/problem'

/** The drilling template of a device at 1:1: `?paper=a4|letter&format=pdf|svg`. */
export const GET = answering<{ params: Promise<{ jobId: string; deviceId: string }> }>(
  async (request, { params }) => {
    const { jobId, deviceId } = await params
    const query = new URL(request.url).searchParams
    const paper = (query.get('paper') ?? 'a4') as Paper
    const format = query.get('format') ?? 'pdf'
    if (!Object.hasOwn(PAPERS, paper) || (format !== 'pdf' && format !== 'svg'))
      return problem(400, 'No such template', 'paper is a4 or letter, format is pdf or svg.')
    const stored = load(record(), jobId)
    if (!stored) return noJob(jobId)
    const device = stored.job.devices.find(({ id }) => id === deviceId)
    if (!device) return problem(404, 'No such device', 'The job has no device with this id.')
    const context = resolve(device, stored.job, CATALOGUE)
    if ('missing' in context)
      return problem(422, 'No template', `The catalogue lacks ${context.missing.join(', ')}.`)
    if (!device.mount) return problem(422, 'No template yet', 'Plan the mount of this device first.')
    if (context.partsKept > 0)
      return problem(422, 'Nothing to drill', 'What this device hangs on was there before and stays.')
    const template = mountTemplate(context, device.mount, device)
    const about = [stored.job.name, stored.job.address, new Date().toISOString().slice(0, 10)]
      .filter(Boolean)
      .join(' · ')
    const name = attachment(`template ${device.mark} ${device.name}`, format)
    if (format === 'svg')
      return new Response(templateSvg(template, paper, about), {
        headers: { 'content-type': 'image/svg+xml', ...name },
      })
    return new Response(new Uint8Array(await templatePdf(template, paper, about)), {
      headers: { 'content-type': 'application/pdf', ...name },
    })
  },
)
