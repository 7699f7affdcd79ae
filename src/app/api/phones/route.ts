import { connection } from 'next/server'
import { answering } from '@/server/answer'
import { record } from '@/server/db/open'
import { phones } from '@/server/phones'
import { notAtHome } from '@/server/visitor'

/** The paired phones: only at the machine itself. */
export const GET = answering(async (request) => {
  await connection()
  return notAtHome(request) ?? Response.json({ phones: phones(record()) })
})
