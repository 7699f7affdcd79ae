import type { DeviceAssessment } from '../assess'
import type { Finding } from '../findings'
import { FLOORS, LEVELS, type Floor } from '../job/choices'
import type { Job } from '../job/job'
import { floorsStoodOn, judgeSurvey, notLooking, notLookingWords, type Survey } from '../sight'
import { print } from '../units'

/** What is seen of one floor, in the words of the hand-over, for paper and screen alike. */
export interface SurveyRecord {
  readonly floor: Floor
  readonly title: string
  readonly sentence: string
  /** Promised against reached: every area, target and privacy area. */
  readonly findings: readonly Finding[]
  readonly facts: readonly { readonly label: string; readonly says: string }[]
  /** What was not judged, and why. */
  readonly unjudged: readonly string[]
}

/** So many blind spots are named, the largest. */
const NAMED_SPOTS = 8

/** What somebody wants to know of: whether it is seen. */
const ASKED_OF: ReadonlySet<string> = new Set(['area', 'target', 'privacy'])

/** The floors on which a device stands, and those of which something is asked while any device stands. */
export function surveyedFloors({ devices, things }: Pick<Job, 'devices' | 'things'>): Floor[] {
  const standing = floorsStoodOn({ devices })
  return (Object.keys(FLOORS) as Floor[]).filter(
    (floor) =>
      standing.has(floor) ||
      (standing.size > 0 && things.some((thing) => thing.floor === floor && ASKED_OF.has(thing.kind))),
  )
}

export function surveyRecord(
  job: Job,
  assessed: readonly DeviceAssessment[],
  survey: Pick<
    Survey,
    'floor' | 'grid' | 'areas' | 'targets' | 'privacy' | 'blindSpots' | 'blindM2' | 'watchedM2' | 'marks'
  >,
): SurveyRecord {
  const { floor, areas, blindSpots, blindM2, watchedM2 } = survey
  const { units } = job
  const { sentence, findings } = judgeSurvey(survey, units)
  const ground = (value: number) => print({ value, kind: 'ground' }, units)
  const length = (value: number) => print({ value, kind: 'length' }, units)
  const share = (of: number) => `${Math.floor(100 * of)} %`
  const here = new Set(job.devices.filter(({ sight }) => sight?.place?.floor === floor).map(({ id }) => id))
  const suns = assessed.flatMap(({ deviceId, mark, stages }) => {
    const sight = stages?.sight
    const sun = here.has(deviceId) && sight?.planned ? sight.result.drawing.sun : null
    return sun ? [`${mark}: ${Math.round(sun.hoursAYear)} h`] : []
  })
  const spots = blindSpots
    .slice(0, NAMED_SPOTS)
    .map(({ sizeM2, middle }) => `${ground(sizeM2)} about x ${length(middle.x)}, y ${length(middle.y)}`)
  const left = blindSpots.length - spots.length
  return {
    floor,
    title: `What is seen: ${FLOORS[floor]}`,
    sentence,
    findings,
    facts: [
      { label: 'Cameras', says: survey.marks.join(', ') || 'none' },
      ...areas.map(({ name, level, met, metByTwo, sizeM2 }) => ({
        label: name,
        says:
          `promised ${LEVELS[level].name.toLowerCase()} on ${ground(sizeM2)}; ` +
          `reached on ${share(met)}, by two cameras on ${share(metByTwo)}`,
      })),
      { label: 'Ground that matters', says: `${ground(watchedM2)}, of it blind ${ground(blindM2)}` },
      ...(spots.length === 0
        ? []
        : [{ label: 'Blind spots', says: `${spots.join('; ')}${left > 0 ? `; ${left} smaller` : ''}` }]),
      ...(suns.length === 0 ? [] : [{ label: 'Sun in the picture, a year at most', says: suns.join(', ') }]),
    ],
    unjudged: [
      `What stands there but is not drawn. Cells are ${length(survey.grid.cellM)} wide; ` +
        'blind spots count on the ground.',
      ...notLooking(job, floor).map(notLookingWords),
      ...(job.site ? [] : ['The sun: nobody has said where the site lies.']),
      ...(areas.length === 0 ? ['What was promised: no area of interest is drawn.'] : []),
    ],
  }
}
