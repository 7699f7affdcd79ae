import { LABELLED, onSheet, STOCKS, type Labelled, type StockId } from '@/core/labels'
import { answering } from '@/server/answer'
import { load } from '@/server/commands/batch'
import { dataFolder, record } from '@/server/db/open'
import { attachment } from '@/server/exports/attachment'
import { noJob, problem } from '@/server/problem'
import { work } from '@/server/workshop/workshop'

/**
 * Labels on sheets as PDF: `?what=things|ends&stock=a4-21&first=1&at=http://...`, the first free label of the
 * first sheet, and the address at which phones reach this application.
 */
export const GET = answering<{ params: Promise<{ jobId: string }> }>(async (request, { params }) => {
  const { jobId } = await params
  const query = new URL(request.url).searchParams
  const what = (query.get('what') ?? 'things') as Labelled
  const stock = (query.get('stock') ?? 'a4-21') as StockId
  if (!Object.hasOwn(LABELLED, what))
    return problem(400, 'No such labels', `what is ${Object.keys(LABELLED).join(' or ')}.`)
  if (!Object.hasOwn(STOCKS, stock))
    return problem(400, 'No such sheets', `stock is one of ${Object.keys(STOCKS).join(', ')}.`)
  const first = Number(query.get('first') ?? 1)
  if (!Number.isInteger(first) || first < 1 || first > onSheet(stock))
    return problem(400, 'No such label', `first is a whole number from 1 to ${onSheet(stock)}.`)
  const at = query.get('at') ?? `http://${request.headers.get('host') ?? 'localhost'}`
  if (!URL.canParse(at) || !/^https?:$/.test(new URL(at).protocol) || at.length > 200)
    return problem(400, 'No such address', 'at is an address that begins with http:// or https://.')
  const stored = load(record(), jobId)
  if (!stored) return noJob(jobId)
  const home = `${new URL(at).origin}/jobs/${jobId}`
  const made = await work(
    'labels',
    { folder: dataFolder(), jobId, what, order: { stock, first, home } },
    { signal: request.signal },
  )
  if (made === null) return noJob(jobId)
  return new Response(Buffer.from(made, 'base64'), {
    headers: {
      'content-type': 'application/pdf',
      ...attachment(`${stored.job.name} labels ${what}`, 'pdf'),
    },
  })
})
