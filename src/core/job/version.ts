/**
 * The version of the record: of job files and of commands alike. `upgrades.ts` brings what is older up to it,
 * a step a version.
 */
export const RECORD_VERSION = 20
