export { SOURCES, limit } from './sources'
export type { Source, SourceId, SourceKind, Limit, Formula } from './sources'
