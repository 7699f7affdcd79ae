import { partLibrarySchema } from '@/core/job'
import { answering } from '@/server/answer'

/** The JSON Schema of a library of own parts. */
export const GET = answering(() => {
  return new Response(JSON.stringify(partLibrarySchema(), null, 2), {
    headers: { 'content-type': 'application/schema+json' },
  })
})
