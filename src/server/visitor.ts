import 'server-only'
import { problem } from './problem'

/** Set by the door for what comes from a paired phone; nobody else can. */
const WHO = 'x-paired-phone'

/** The name of the person whose paired phone asks; null at the machine itself. */
export function pairedTo(request: Request): string | null {
  const name = request.headers.get(WHO)
  return name === null ? null : decodeURIComponent(name)
}

/** Only at the machine itself. */
export const notAtHome = (request: Request): Response | null =>
  pairedTo(request) === null
    ? null
    : problem(403, 'Only at the laptop', 'Phones are paired and ended at the machine that holds the record.')
