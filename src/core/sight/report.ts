import { byGravity, type Finding } from '../findings'
import type { Floor } from '../job/choices'
import type { Job } from '../job/job'
import { withOwn, type Catalogue } from '../parts'
import { judgeArea, judgePrivacy, judgeTarget } from './judge'
import { camerasOn, notLooking, notLookingWords } from './onPlan'
import type { BlindSpot } from './rings'
import { survey, type Survey, type SurveyRequest } from './survey'

/** What a survey of a floor is made from. */
export function surveyRequest(
  job: Pick<Job, 'things' | 'floorHeightsM' | 'backgrounds' | 'devices' | 'policies'>,
  catalogue: Catalogue,
  floor: Floor,
  planeM = 0,
): SurveyRequest {
  return {
    floor,
    things: job.things,
    floorHeightsM: job.floorHeightsM,
    backgrounds: job.backgrounds,
    cameras: camerasOn(job, catalogue, floor),
    planeM,
    edition: job.policies.edition,
  }
}

/**
 * What a survey comes to: how things stand, and a finding for every area of interest and privacy area that
 * is seen.
 */
export interface SurveyVerdict {
  readonly sentence: string
  readonly next: string
  readonly findings: readonly Finding[]
}

/** Judges a survey in the units of its job. */
export function judgeSurvey(
  {
    areas,
    targets,
    privacy,
    blindSpots,
    blindM2,
    watchedM2,
    marks,
  }: Pick<Survey, 'areas' | 'targets' | 'privacy' | 'blindSpots' | 'blindM2' | 'watchedM2' | 'marks'>,
  units: Job['units'],
): SurveyVerdict {
  const judged = areas.map((area) => judgeArea(area, units))
  const looks = privacy.map((one) => judgePrivacy(one, units)).filter((one) => one !== null)
  const unmet = judged.filter(({ verdict }) => verdict !== 'good')
  const blind = watchedM2 === 0 ? 0 : Math.round((100 * blindM2) / watchedM2)
  const aimed = targets.map((target) => judgeTarget(target, units))
  const missed = aimed.find(({ verdict }) => verdict !== 'good')
  const findings = [...judged, ...aimed, ...looks]
  if (marks.length === 0)
    return {
      sentence: 'No camera stands on this plan yet.',
      next:
        areas.length === 0
          ? 'Draw walls and areas of interest, then put the devices where they go.'
          : 'Put the devices where they go.',
      findings,
    }
  const blindWords =
    blindSpots.length === 0
      ? 'Nothing is blind.'
      : `${blind} % is blind, in ${blindSpots.length} spot${blindSpots.length === 1 ? '' : 's'}.`
  if (areas.length === 0)
    return {
      sentence: `${marks.length} camera${marks.length === 1 ? '' : 's'} on this plan. ${blindWords}`,
      next: 'Draw the areas of interest, to see what is promised and what is met.',
      findings,
    }
  const [worst] = byGravity(unmet)
  const sentence =
    `${areas.length - unmet.length} of ${areas.length} area${areas.length === 1 ? '' : 's'} ` +
    `of interest ${areas.length === 1 || areas.length - unmet.length === 1 ? 'is' : 'are'} ` +
    `met. ${blindWords}`
  const sentenceOf = ({ title, reason, advice }: Finding) => `${title}: ${reason} ${advice}`
  const first = worst ?? missed
  if (first) return { sentence, next: sentenceOf(first), findings }
  const [look] = looks
  const next = look ? `${look.title}: ${look.reason}` : 'Every area gets what was promised for it.'
  return { sentence, next, findings }
}

export interface SurveyReport extends SurveyVerdict {
  readonly floor: Floor
  /** What was not judged of it, and why. */
  readonly unjudged: readonly string[]
  readonly cellM: number
  readonly areas: Survey['areas']
  readonly targets: Survey['targets']
  readonly privacy: Survey['privacy']
  readonly blindSpots: readonly BlindSpot[]
  readonly watchedM2: number
  readonly blindM2: number
}

/** The survey of a floor's ground as an export: everything but the cells. */
export function surveyReport(job: Job, catalogue: Catalogue, floor: Floor): SurveyReport {
  const made = survey(surveyRequest(job, withOwn(catalogue, job.ownParts), floor))
  const { grid, areas, targets, privacy, blindSpots, watchedM2, blindM2 } = made
  return {
    ...judgeSurvey(made, job.units),
    floor,
    unjudged: notLooking(job, floor).map(notLookingWords),
    cellM: grid.cellM,
    areas,
    targets,
    privacy,
    blindSpots,
    watchedM2,
    blindM2,
  }
}
