import { connection } from 'next/server'
import { answering } from '@/server/answer'
import { record } from '@/server/db/open'

/** 200 while the record can be read. */
export const GET = answering(async () => {
  await connection()
  record().prepare('SELECT 1').get()
  return Response.json({ status: 'ok' }, { headers: { 'cache-control': 'no-store' } })
})
