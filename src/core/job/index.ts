export * from './choices'
export * from './spaces'
export * from './job'
export * from './plan'
export * from './usual'
export { RECORD_VERSION } from './version'
export { apply, applyAll, calledOf, Command, type Change, type CommandType } from './command'
export { reasonsOf, type Applied, type Reason } from './commands/kind'
export { everyOne, thingsOf } from './commands/marked'
export { usersOf } from './commands/parts'
export { hashOf } from './commands/signing'
export { changeAt, conflictsOf } from './conflict'
export { inverseOf } from './inverse'
export { narrowed } from './narrow'
export { commandsOf, factsOf } from './rebuild'
export { upgradedCommand, upgradedJob } from './upgrades'
export { JobFile, jobFileSchema, openJobFile } from './file'
export {
  columnsOf,
  leastColumnsOf,
  FLAT_TABLES,
  libraryOf,
  openPartLibrary,
  partLibrarySchema,
  partsOfRows,
  rowsOfParts,
  type PartsRead,
} from './partFile'
