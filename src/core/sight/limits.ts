import { LEVELS } from '../job/choices'
import { FASCIA_M } from '../plan'
import { limit, type Formula, type Register } from '../sources'

export const SIGHT_LIMITS = {
  faceAngleDeg: limit('Steepest angle at which a face is still a face', 30, '°', 'practice'),
  walkingMS: limit('Walking speed used for blur', 1.4, 'm/s', 'practice'),
  blurPx: limit('Blur that still leaves a face or plate readable', 2, 'px', 'practice'),
  faceHeightM: limit('Height of a face', 1.6, 'm', 'practice'),
  nearSurfaceM: limit(
    'Distance within which a surface in the picture or the infrared beam glares',
    2,
    'm',
    'practice',
  ),
  beamMargin: limit('How much wider than the picture the infrared beam is taken', 15, '%', 'practice'),
  allRoundDeg: limit('Picture so wide that sky and its own mount are always in it', 150, '°', 'practice'),
  nearShare: limit('Share of the picture that a near surface may take', 0.5, '%', 'practice'),
  turnedFaceDeg: limit(
    'Angle to the camera within which a walking person shows the face',
    45,
    '°',
    'practice',
  ),
  sunHoursAYear: limit(
    'Hours a year with the sun in the picture that are worth a thought',
    60,
    'h',
    'practice',
  ),
  wishM: limit('Distance from the customer’s wish that needs agreement', 0.3, 'm', 'practice'),
  areaShare: limit('Share of an area of interest that must be seen at its level', 95, '%', 'practice'),
  fasciaM: FASCIA_M,
  standOffM: limit('How far a lens stands off what it is fixed to, on plan', 0.12, 'm', 'practice'),
  leastBlindM2: limit('Smallest blind spot worth naming: what a person takes up', 1, 'm²', 'practice'),
  coveredWeight: limit('Weight of what is covered when positions are ranked', 60, '%', 'practice'),
  faceWeight: limit('Weight of the angle to faces when positions are ranked', 20, '%', 'practice'),
  sunWeight: limit('Weight of the sun when positions are ranked', 10, '%', 'practice'),
  cableWeight: limit('Weight of the cable when positions are ranked', 10, '%', 'practice'),
  densityMargin: limit('Margin over a level under which it is called close', 5, '%', 'practice'),
} as const

export const SIGHT_FORMULAS: readonly Formula[] = [
  { name: 'Field of view', formula: '2·atan(w / 2f)', source: 'physics' },
  {
    name: 'Pixel density on the axis',
    formula: 'Nx / (2·D·tan(HFOV/2)); off the axis from the full projection',
    source: 'physics',
  },
  { name: 'Nearest visible ground', formula: 'H / tan(θ + VFOV/2)', source: 'physics' },
  { name: 'Far limit', formula: 'H / tan(θ − VFOV/2); endless when θ ≤ VFOV/2', source: 'physics' },
  { name: 'Focal length for a density', formula: 'ρ·D·w / Nx', source: 'physics' },
  {
    name: 'What an upright hides of a plane',
    formula: 'the plan segment stretched from the lens by 1/u, u from (z₀ − H)/(z − H) to (z₁ − H)/(z − H)',
    source: 'physics',
  },
  {
    name: 'What a board hides of a plane',
    formula: 'its outline stretched from the lens by (z − H)/(h − H)',
    source: 'physics',
  },
  { name: 'Drop that clears a soffit lip', formula: 'H + s·tan(VFOV/2 − θ) − lip', source: 'physics' },
  {
    name: 'Sun position',
    formula: 'Meeus, by a sun-position library; every ten minutes of a common year',
    source: 'meeus',
  },
  { name: 'Motion blur', formula: 'speed × shutter × density', source: 'physics' },
]

/** Everything sight rests on. */
export const SIGHT_REGISTER: Register = {
  limits: [
    ...Object.values(LEVELS).map(({ name, edition, densityPxM, source }) =>
      limit(`${name} (${edition})`, densityPxM, 'px/m', source),
    ),
    ...Object.values(SIGHT_LIMITS),
  ],
  formulas: SIGHT_FORMULAS,
}
