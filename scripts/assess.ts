import { readFileSync } from 'node:fs'
import { CATALOGUE } from '@/catalogue'
import { assess } from '@/core/assess'
import { openJobFile } from '@/core/job'

/** Prints the assessment of a job file as JSON: `npm run assess -- job.json`, or `-` for standard input. */
const path = process.argv[2]
if (path === undefined) fail(['Name a job file, or - for standard input.'])
let words: string
try {
  words = readFileSync(path === '-' ? 0 : path, 'utf8')
} catch (error) {
  fail([`${path} cannot be read: ${(error as Error).message}`])
}
const opened = openJobFile(words)
if (!opened.ok) fail(opened.reasons.map(({ path, message }) => (path ? `${path}: ${message}` : message)))
process.stdout.write(`${JSON.stringify(assess(opened.file.job, CATALOGUE), null, 2)}\n`)

function fail(messages: readonly string[]): never {
  process.stderr.write(`${messages.join('\n')}\n`)
  process.exit(1)
}
