import 'server-only'
import { readFile } from 'node:fs/promises'
import { dataFolder } from '../db/open'
import { problem } from '../problem'
import { cancelPrint, printed, startPrint, type Print, type Printable } from './prints'

/** What was printed, as a download. */
export const printFile = async ({ path, type, name }: Print): Promise<Response> =>
  new Response(new Uint8Array(await readFile(path)), {
    headers: { 'content-type': type, 'content-disposition': `attachment; filename="${name}"` },
  })

/** Prints something and answers with it; `refusal` where it cannot be. Whoever hangs up ends it. */
export async function printNow(
  { signal }: Request,
  order: { readonly jobId: string; readonly print: Printable; readonly name: string },
  refusal: { readonly status: 404 | 422; readonly title: string },
): Promise<Response> {
  const { id } = startPrint({ folder: dataFolder(), ...order })
  signal.addEventListener('abort', () => cancelPrint(id))
  const print = await printed(id)
  if (print.state === 'refused') return problem(refusal.status, refusal.title, print.message!)
  if (print.state !== 'done') throw new Error(print.message ?? 'The print did not end.')
  return printFile(print)
}
