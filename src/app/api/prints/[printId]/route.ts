import { answering } from '@/server/answer'
import { cancelPrint, printOf, type Print } from '@/server/print/prints'
import { problem } from '@/server/problem'

type Context = { params: Promise<{ printId: string }> }

const told = (print: Print | null) => {
  if (!print) return problem(404, 'No such print', 'It was never started here, or is long over.')
  const { state, done, total, message, name } = print
  return Response.json({ state, done, total, message, name }, { headers: { 'cache-control': 'no-store' } })
}

/** How far a print is. */
export const GET = answering<Context>(async (_, { params }) => told(printOf((await params).printId)))

/** Ends a print. */
export const DELETE = answering<Context>(async (_, { params }) => told(cancelPrint((await params).printId)))
