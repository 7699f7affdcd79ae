import { cableEndOf, portUses } from '../equipment'
import { thingsOf } from '../job/commands/marked'
import type { Job } from '../job/job'
import { withOwn, type Catalogue } from '../parts'
import { tapeCodes, type Tape } from './tape'

/** What labels are printed for. */
export const LABELLED = {
  things: { name: 'Devices, equipment and runs, with their codes' },
  ends: { name: 'Both ends of every cable, with port and tape' },
} as const
export type Labelled = keyof typeof LABELLED

export interface Label {
  readonly mark: string
  /** What stands under the mark. */
  readonly lines: readonly string[]
  /** Where its code leads, under the job's own address; null where it has none. */
  readonly to: string | null
  readonly tape: readonly Tape[]
}

/** The labels of a job: one a thing, or two a cable, its near end first. */
export function labelsOf(job: Job, shipped: Catalogue, what: Labelled): readonly Label[] {
  return what === 'things' ? ofThings(job) : ofEnds(job, withOwn(shipped, job.ownParts))
}

const gone = ({ state }: { readonly state: string }) => state === 'taken away'

function ofThings(job: Job): readonly Label[] {
  const codes = tapeCodes(job)
  const of = (list: Job['devices'] | Job['equipment'] | Job['runs'], to: (id: string) => string): Label[] =>
    list.flatMap((one) =>
      gone(one) ? [] : [{ mark: one.mark, lines: [one.name], to: to(one.id), tape: codes.get(one.id) ?? [] }],
    )
  return [
    ...of(job.devices, (id) => `devices/${id}/log`),
    ...of(job.equipment, (id) => `equipment/${id}`),
    ...of(job.runs, (id) => `runs/${id}`),
  ]
}

function ofEnds(job: Job, catalogue: Catalogue): readonly Label[] {
  const codes = tapeCodes(job)
  const named = new Map(thingsOf(job).map(({ id, mark, name }) => [id, `${mark} ${name}`]))
  const ports = new Map<string, string>()
  for (const [at, uses] of portUses(job, catalogue))
    for (const { deviceId, port } of uses)
      ports.set(`${deviceId} ${at}`, port === null ? named.get(at)! : `${named.get(at)!}, ${port}`)
  const ends = (id: string, at: string | null | undefined): string =>
    at == null ? job.headEnd || 'the head end' : (ports.get(`${id} ${at}`) ?? named.get(at) ?? at)
  const both = (id: string, mark: string, near: string, far: string): Label[] =>
    [
      [`At ${near}`, `goes to ${far}`],
      [`At ${far}`, `comes from ${near}`],
    ].map((lines) => ({ mark, lines, to: null, tape: codes.get(id) ?? [] }))
  return [
    ...job.devices.flatMap((one) =>
      gone(one)
        ? []
        : both(
            one.id,
            one.mark,
            `${one.mark} ${one.name}`,
            ends(one.id, cableEndOf(one, job.equipment, catalogue)?.id),
          ),
    ),
    ...job.runs.flatMap((one) =>
      gone(one) ? [] : both(one.id, one.mark, ends(one.id, one.fromId), ends(one.id, one.toId)),
    ),
  ]
}
