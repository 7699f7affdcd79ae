import { limit, type Formula } from '../sources'

export const SIGHT_LIMITS = {
  faceAngleDeg: limit('Steepest angle at which a face is still a face', 30, '°', 'practice'),
  walkingMS: limit('Walking speed used for blur', 1.4, 'm/s', 'practice'),
  blurPx: limit('Blur that still leaves a face or plate readable', 2, 'px', 'practice'),
  faceHeightM: limit('Height of a face', 1.6, 'm', 'practice'),
  densityMargin: limit('Margin over a level under which it is called close', 5, '%', 'practice'),
} as const

export const SIGHT_FORMULAS: readonly Formula[] = [
  { name: 'Field of view', formula: '2·atan(w / 2f)', source: 'physics' },
  { name: 'Pixel density on the axis', formula: 'Nx / (2·D·tan(HFOV/2)); off the axis from the full projection', source: 'physics' },
  { name: 'Nearest visible ground', formula: 'H / tan(θ + VFOV/2)', source: 'physics' },
  { name: 'Far limit', formula: 'H / tan(θ − VFOV/2); endless when θ ≤ VFOV/2', source: 'physics' },
  { name: 'Focal length for a density', formula: 'ρ·D·w / Nx', source: 'physics' },
  { name: 'Motion blur', formula: 'speed × shutter × density', source: 'physics' },
]
