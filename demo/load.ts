import { formatISO } from 'date-fns'
import { readdirSync, readFileSync } from 'node:fs'
import { dataFolder, openRecord } from '@/server/db/open'
import { importJobFile } from '@/server/imports/jobFile'
import { asOf } from './shift'

/**
 * Loads the demo jobs that the record lacks, through commands. Jobs that are there keep what was entered.
 * Their days count from today.
 */
const folder = dataFolder()
const db = openRecord(folder)
for (const name of readdirSync('demo/jobs')
  .filter((file) => file.endsWith('.job.json'))
  .sort()) {
  const imported = await importJobFile(
    db,
    folder,
    asOf(readFileSync(`demo/jobs/${name}`, 'utf8'), formatISO(new Date(), { representation: 'date' })),
    false,
  )
  if (imported.ok) console.log(`  loaded ${name}`)
  else if (imported.status !== 409)
    throw new Error(
      `${name}: ${imported.title}. ${imported.reasons.map(({ path, message }) => `${path} ${message}`).join(' ')}`,
    )
}
db.close()
