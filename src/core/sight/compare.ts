import type { Finding, StageAssessment } from '../findings'
import { printReading, type UnitSystem } from '../units'
import { judgeSurvey } from './report'
import type { Elevation } from './sight'
import type { Survey } from './survey'

/** What a place of a camera comes to, so that two can be held beside each other. */
export interface PlaceFigures {
  readonly label: string
  readonly says: string
}

const counted = (findings: readonly Finding[], verdict: Finding['verdict']) =>
  findings.filter((one) => one.verdict === verdict).length

/** `sight`: what its own sheet says of it; `survey`: what all cameras see while it stands there. */
export function placeFigures(
  sight: Pick<StageAssessment<Elevation>, 'headline' | 'findings' | 'drawing'>,
  survey: Pick<Survey, 'areas' | 'targets' | 'privacy' | 'blindSpots' | 'blindM2' | 'watchedM2' | 'marks'>,
  units: UnitSystem,
): PlaceFigures[] {
  const { findings, drawing } = sight
  const promised = judgeSurvey(survey, units).findings
  const met = promised.filter(({ verdict }) => verdict === 'good').length
  const share = survey.watchedM2 === 0 ? 0 : survey.blindM2 / survey.watchedM2
  const byTwo = survey.areas.reduce((sum, { metByTwo, sizeM2 }) => sum + metByTwo * sizeM2, 0)
  const areaM2 = survey.areas.reduce((sum, { sizeM2 }) => sum + sizeM2, 0)
  return [
    { label: 'At the target', says: printReading(sight.headline, units) },
    {
      label: 'Its own findings',
      says: `${counted(findings, 'stop')} Stop, ${counted(findings, 'check')} Check`,
    },
    ...(promised.length > 0
      ? [{ label: 'What was promised', says: `${met} of ${promised.length} met` }]
      : []),
    ...(areaM2 > 0
      ? [{ label: 'Areas seen well by two', says: `${Math.floor((100 * byTwo) / areaM2)} %` }]
      : []),
    { label: 'Blind', says: `${Math.round(1000 * share) / 10} % of the ground` },
    ...(drawing.sun
      ? [{ label: 'Sun in the picture', says: `${Math.round(drawing.sun.hoursAYear)} h a year at most` }]
      : []),
  ]
}
