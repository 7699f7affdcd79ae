import { CATALOGUE } from '@/catalogue'
import { apply, type Command, type Job } from '@/core/job'

/**
 * A job as it stands with these commands applied; refused ones (sent before and applied since) are passed
 * over.
 */
export function withCommands(job: Job | null, commands: readonly Command[]): Job | null {
  return commands.reduce<Job | null>((now, command) => {
    const applied = apply(now, command, CATALOGUE)
    return applied.ok ? applied.job : now
  }, job)
}
