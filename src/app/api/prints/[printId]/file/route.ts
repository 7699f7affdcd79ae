import { answering } from '@/server/answer'
import { printFile } from '@/server/print/answer'
import { printOf } from '@/server/print/prints'
import { problem } from '@/server/problem'

/** What was printed. */
export const GET = answering<{ params: Promise<{ printId: string }> }>(async (_, { params }) => {
  const print = printOf((await params).printId)
  if (print?.state !== 'done')
    return problem(404, 'No such file', 'Nothing is printed under this number yet.')
  return printFile(print)
})
