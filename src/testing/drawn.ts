import { CATALOGUE } from '@/catalogue'
import { assessDevice } from '@/core/assess'
import type { Device, Sight } from '@/core/job'
import type { Drawing, Mark, Spot } from '@/drawings'
import { device, job } from './jobs'

/** What is in a drawing, and what a device is drawn from. */

export const wordsOf = ({ marks }: Drawing) =>
  marks.flatMap((mark) => (mark.kind === 'words' ? [mark.words] : []))
export const spotsOf = (mark: Mark): readonly Spot[] => {
  if (mark.kind === 'line') return [mark.from, mark.to]
  return mark.kind === 'shape' ? mark.spots : [mark.at]
}
export const stagesOf = (change: Partial<Device> = {}) =>
  assessDevice(device(change), job(), CATALOGUE).stages!
export const SIGHT: Sight = {
  heightM: 3,
  targetDistanceM: 8,
  targetHeightM: 1.6,
  level: 'recognise',
  focalMm: 4,
  tiltDeg: 20,
  portrait: false,
  shutterS: 0.01,
  wish: { place: '', at: null, kept: true, reason: '', agreedBy: '' },
  place: null,
}
