import type { Job } from '../job/job'
import { tapeCodes, tapeWords } from '../labels'
import type { CableEnd, LedTo } from '../pathway'

/**
 * What the ends of cables at one place are called: each device or run by its mark, the tape on its cable and
 * its name, and once what cables are led to there.
 */
export function endWords(job: Job): (ends: readonly CableEnd[]) => readonly string[] {
  const codes = tapeCodes(job)
  const marked = new Map([...job.devices, ...job.runs].map((one) => [one.mark, one]))
  const places = new Map(job.things.map((thing) => [thing.id, thing]))
  const goal = (to: LedTo): string => {
    const thing = typeof to === 'string' ? places.get(to) : undefined
    const stands = thing?.kind === 'equipment' ? thing.equipmentId : null
    const led =
      to !== null && typeof to === 'object'
        ? job.devices.find(({ id }) => id === to.deviceId)
        : job.equipment.find(({ id }) => id === stands)
    return led ? `${led.mark} ${led.name}` : job.headEnd || 'the head end'
  }
  const device = (mark: string): string => {
    const one = marked.get(mark)
    const tape = one ? tapeWords(codes.get(one.id) ?? []) : ''
    return [mark, tape, one?.name].filter(Boolean).join(' · ')
  }
  return (ends) => [
    ...new Set(ends.flatMap(({ at, to }) => (at === 'goal' ? [goal(to)] : []))),
    ...ends.flatMap(({ at, mark }) => (at === 'device' ? [device(mark)] : [])),
  ]
}
