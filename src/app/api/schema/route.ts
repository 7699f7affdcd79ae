import { jobFileSchema } from '@/core/job'

/** The JSON Schema of the job file. */
export function GET(): Response {
  return new Response(JSON.stringify(jobFileSchema(), null, 2), { headers: { 'content-type': 'application/schema+json' } })
}
