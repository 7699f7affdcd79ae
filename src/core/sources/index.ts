export { SOURCES, limit } from './sources'
export type { Source, SourceId, SourceKind, Limit, Formula, Register } from './sources'
