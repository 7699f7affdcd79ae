import { answering } from '@/server/answer'
import { record } from '@/server/db/open'
import { startPairing } from '@/server/phones'
import { problem } from '@/server/problem'
import { notAtHome } from '@/server/visitor'

/** A secret that pairs one phone, and the address where: only at the machine itself, while it is open. */
export const POST = answering((request) => {
  const refused = notAtHome(request)
  if (refused) return refused
  const address = process.env.NEAT_BRACKET_LAN_ADDRESS
  if (!address)
    return problem(409, 'Not open', 'The application is not open to the network: start it with --lan.')
  const { secret, lapsesAt } = startPairing(record())
  // Behind the hash it travels to no server and into no log.
  return Response.json({ address: `${address}/pair#${secret}`, lapsesAt }, { status: 201 })
})
