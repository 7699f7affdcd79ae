export { cures } from './cures'
export { STAGES, PLANNED_STAGES, finding, gravest, byGravity, worstOf } from './finding'
export type { Stage, PlannedStage, Verdict, Finding, Figure, StageAssessment } from './finding'
