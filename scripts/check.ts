import { existsSync } from 'node:fs'
import { join } from 'node:path'
import { checkRecord } from '@/server/check'
import { dataFolder, openRecord } from '@/server/db/open'

/** Holds the record against its files: `npm run check`. Ends with 1 when something is wrong. */
const folder = dataFolder()
if (!existsSync(join(folder, 'record.sqlite'))) {
  console.error(`There is no record in ${folder}.`)
  process.exit(1)
}
const db = openRecord(folder)
const faults = checkRecord(db, folder)
db.close()
for (const { what, advice } of faults) console.log(`${what}\n    ${advice}`)
console.log(
  faults.length === 0 ? `The record in ${folder} and its files are whole.` : `\n${faults.length} found.`,
)
process.exitCode = faults.length === 0 ? 0 : 1
