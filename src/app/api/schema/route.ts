import { jobFileSchema } from '@/core/job'
import { answering } from '@/server/answer'

/** The JSON Schema of the job file. */
export const GET = answering(() => {
  return new Response(JSON.stringify(jobFileSchema(), null, 2), {
    headers: { 'content-type': 'application/schema+json' },
  })
})
