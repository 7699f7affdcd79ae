import { answering } from '@/server/answer'
import { revisionOf } from '@/server/db/job'
import { record } from '@/server/db/open'
import { noJob } from '@/server/problem'

/** How often the record is asked for something new: another process may write to it too. */
const EVERY_MS = 250
/** A line that says nothing, so that what lies in between keeps the connection. */
const STILL_HERE_MS = 15_000

/** The job's revision, now and whenever it changes, as server-sent events. */
export const GET = answering<{ params: Promise<{ jobId: string }> }>(async (request, { params }) => {
  const { jobId } = await params
  if (revisionOf(record(), jobId) === null) return noJob(jobId)
  const words = new TextEncoder()
  let timer: ReturnType<typeof setInterval> | undefined
  const stream = new ReadableStream<Uint8Array>({
    start(to) {
      let last = -1
      let saidAt = 0
      const tell = () => {
        const revision = revisionOf(record(), jobId)
        const now = Date.now()
        if (revision !== null && revision !== last) {
          last = revision
          saidAt = now
          to.enqueue(words.encode(`data: ${revision}\n\n`))
        } else if (now - saidAt > STILL_HERE_MS) {
          saidAt = now
          to.enqueue(words.encode(': still here\n\n'))
        }
      }
      tell()
      timer = setInterval(tell, EVERY_MS)
      request.signal.addEventListener('abort', () => {
        clearInterval(timer)
        to.close()
      })
    },
    cancel: () => clearInterval(timer),
  })
  const headers = { 'content-type': 'text/event-stream', 'cache-control': 'no-store, no-transform' }
  return new Response(stream, { headers })
})
