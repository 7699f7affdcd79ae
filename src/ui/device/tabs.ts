import { PLANNED_STAGES } from '@/core/findings'

/** The tabs of a device sheet, in order. */
export const TABS = ['device', ...PLANNED_STAGES, 'log'] as const
export type Tab = (typeof TABS)[number]
