import { z } from 'zod'
import { withOwn, type Catalogue } from '../parts'
import { COMMANDS } from './commands'
import { recordedAll } from './commands/log'
import { ENVELOPE, refuse, type Applied, type Envelope, type Touched } from './commands/kind'
import { jobMade } from './commands/site'
import type { Job } from './job'

/** The only ways to change anything. Each carries who, when, and an id made by whoever says it. */

type Kinds = typeof COMMANDS
export type CommandType = keyof Kinds
type Carried<T extends CommandType> = z.infer<z.ZodObject<Kinds[T]['shape']>>

/** What a person or screen says; the envelope is added by whoever sends it. */
export type Change = { [T in CommandType]: { readonly type: T } & Carried<T> }[CommandType]
export type Command = { [T in CommandType]: { type: T } & Envelope & Carried<T> }[CommandType]

const schemas = Object.entries(COMMANDS).map(([type, { shape }]) =>
  z.strictObject({ ...ENVELOPE, type: z.literal(type), ...shape }),
)
export const Command = z.discriminatedUnion(
  'type',
  schemas as unknown as [z.ZodObject<{ type: z.ZodLiteral<CommandType> }>],
) as unknown as z.ZodType<Command>

/** What is common to all kinds, whatever they carry. */
interface AnyKind {
  readonly called: string
  readonly apply: (job: Job, command: Command, catalogue: Catalogue) => Applied
  readonly touches?: (command: Change) => Touched
}
const kindOf = (type: CommandType): AnyKind => COMMANDS[type] as unknown as AnyKind

/** What a command is called by those who gave it. */
export const calledOf = ({ type }: Pick<Change, 'type'>): string => kindOf(type).called

/** The single fields that a command sets. */
export const touchedBy = (change: Change): Touched => kindOf(change.type).touches?.(change) ?? []

/**
 * Applies one command to a job and returns the new job, sharing whatever did not change, or the reasons for
 * refusing it. Pure: the server persists what differs, the page shows it before the server has answered. A
 * field that is set again is no longer in conflict.
 */
export function apply(job: Job | null, command: Command, catalogue: Catalogue): Applied {
  if (command.type === 'createJob' && !job) return { ok: true, job: jobMade(command) }
  if (!job) return refuse('/jobId', 'There is no job with this id.')
  // A page that is older than its server hears of kinds that it does not know.
  if (!Object.hasOwn(COMMANDS, command.type))
    return refuse('/type', 'It is of a newer version: reload the page.')
  const applied = kindOf(command.type).apply(job, command, withOwn(catalogue, job.ownParts))
  if (!applied.ok || applied.job.conflicts.length === 0 || command.type === 'noteConflict') return applied
  const set = new Set(touchedBy(command).map(([path]) => path))
  const left = applied.job.conflicts.filter(({ path }) => !set.has(path))
  return left.length === applied.job.conflicts.length
    ? applied
    : { ok: true, job: { ...applied.job, conflicts: left } }
}

/** Applies commands in order, the same as one by one; the first that is refused ends it. */
export function applyAll(job: Job | null, commands: readonly Command[], catalogue: Catalogue): Applied {
  let now = job
  for (let i = 0; i < commands.length; ) {
    const steps = stepsFrom(commands, i)
    const many = now !== null && now.conflicts.length === 0 && steps.length > 1
    const applied = many ? recordedAll(now!, steps) : apply(now, commands[i]!, catalogue)
    if (!applied.ok) return applied
    now = applied.job
    i += many ? steps.length : 1
  }
  return now ? { ok: true, job: now } : refuse('', 'Nothing was said.')
}

type Step = Extract<Command, { type: 'recordStep' }>

/** The run of recorded steps that begins at a place. */
function stepsFrom(commands: readonly Command[], from: number): Step[] {
  let to = from
  while (commands[to]?.type === 'recordStep') to++
  return commands.slice(from, to) as Step[]
}
