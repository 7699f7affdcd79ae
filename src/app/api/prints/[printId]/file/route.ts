import { readFile } from 'node:fs/promises'
import { answering } from '@/server/answer'
import { printOf } from '@/server/print/prints'
import { problem } from '@/server/problem'

/** What was printed. */
export const GET = answering<{ params: Promise<{ printId: string }> }>(async (_, { params }) => {
  const print = printOf((await params).printId)
  if (print?.state !== 'done')
    return problem(404, 'No such file', 'Nothing is printed under this number yet.')
  return new Response(new Uint8Array(await readFile(print.path)), {
    headers: {
      'content-type': print.type,
      'content-disposition': `attachment; filename="${print.name}"`,
    },
  })
})
