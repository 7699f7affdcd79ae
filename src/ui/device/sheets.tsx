'use client'

import type { ComponentType } from 'react'
import type { DeviceAssessment } from '@/core/assess'
import type { PlannedStage } from '@/core/findings'
import type { Device } from '@/core/job'
import { MountSheet } from './MountSheet'
import { PowerSheet } from './PowerSheet'
import { RouteSheet } from './RouteSheet'
import { SealSheet } from './SealSheet'
import { SightSheet } from './SightSheet'
import { TerminateSheet } from './TerminateSheet'

/** The sheet on which each stage is planned. */
export const SHEETS: Record<
  PlannedStage,
  ComponentType<{ readonly device: Device; readonly assessed: DeviceAssessment }>
> = {
  sight: SightSheet,
  mount: MountSheet,
  route: RouteSheet,
  terminate: TerminateSheet,
  seal: SealSheet,
  power: PowerSheet,
}
