import { answering } from '@/server/answer'
import { record } from '@/server/db/open'
import { endPhone } from '@/server/phones'
import { problem } from '@/server/problem'
import { notAtHome } from '@/server/visitor'

/** Ends a phone's way in: only at the machine itself. */
export const DELETE = answering<{ params: Promise<{ phoneId: string }> }>(async (request, { params }) => {
  const refused = notAtHome(request)
  if (refused) return refused
  if (endPhone(record(), (await params).phoneId)) return new Response(null, { status: 204 })
  return problem(404, 'No such phone', 'It has been ended already.')
})
