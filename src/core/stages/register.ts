import { PLANNED_STAGES } from '../findings'
import { PROCEDURE_LIMITS } from '../procedure'
import type { Register } from '../sources'
import { STAGE_TABLE } from './table'

/** Every constant and formula of the product by stage, for the page of sources and its check. */
export const REGISTER: readonly (Register & { readonly title: string })[] = [
  ...PLANNED_STAGES.map((stage) => ({ title: STAGE_TABLE[stage].title, ...STAGE_TABLE[stage].register })),
  { title: 'Install log', limits: Object.values(PROCEDURE_LIMITS), formulas: [] },
]
