import type { DeviceAssessment } from '@/core/assess'
import type { Device, Floor, Job } from '@/core/job'
import type { Bundle } from '@/core/pathway'
import type { Survey } from '@/core/sight'
import type { Seen } from '../plan'
import type { SheetPaper } from './papers'

/** What is asked of a printed plan. */
export interface SheetWish {
  readonly floor: Floor
  readonly seen: Seen
  /** Whether the cables are drawn on their ways. */
  readonly cables: boolean
  readonly paper: SheetPaper
  readonly upright: boolean
  /** How many times smaller than the site; null for the largest that fits. */
  readonly scale: number | null
}

export interface SheetOf {
  readonly job: Job
  /** What is seen of the floor; null where nothing of it is to be shown. */
  readonly survey: Survey | null
  /** The cables on their ways, of all floors; none where they are not to be shown. */
  readonly bundles: readonly Bundle[]
  readonly devices: readonly DeviceAssessment[]
  readonly cameraName: (device: Device) => string
  /** Half the picture's width, degrees. */
  readonly halfFov: (device: Device) => number
  /** Day that stands on it. */
  readonly today: string
}

/** How wide words come out, in the units of the size. */
export type Measure = (words: string, size: number, bold: boolean) => number
