import { PLANNED_STAGES } from '../findings'
import { KNOWN_LENGTHS, PHOTO_FORMULAS, PHOTO_LIMITS } from '../photo'
import { PROCEDURE_LIMITS } from '../procedure'
import { ROUND_LIMITS } from '../round'
import { SENSOR_LIMITS } from '../sensors'
import type { Register } from '../sources'
import { STAGE_TABLE } from './table'

/** Every constant and formula of the product by stage, for the page of sources and its check. */
export const REGISTER: readonly (Register & { readonly title: string })[] = [
  ...PLANNED_STAGES.map((stage) => ({ title: STAGE_TABLE[stage].title, ...STAGE_TABLE[stage].register })),
  { title: 'Install log', limits: Object.values(PROCEDURE_LIMITS), formulas: [] },
  { title: 'Round', limits: Object.values(ROUND_LIMITS), formulas: [] },
  {
    title: 'Photos',
    limits: [...Object.values(PHOTO_LIMITS), ...Object.values(KNOWN_LENGTHS)],
    formulas: PHOTO_FORMULAS,
  },
  { title: 'Sensors of a phone', limits: Object.values(SENSOR_LIMITS), formulas: [] },
]
