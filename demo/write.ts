import { mkdirSync, writeFileSync } from 'node:fs'
import type { JobFile } from '@/core/job'
import { kestrelQuay } from './kestrelQuay'
import { quarryLane } from './quarryLane'
import { tamariskSurgery } from './tamariskSurgery'

/** Writes the demo jobs as job files, pictures drawn and included. Run after changing the scenario. */
mkdirSync('demo/jobs', { recursive: true })
const files: [string, JobFile][] = [
  ['3-kestrel-quay', await kestrelQuay()],
  ['2-tamarisk-surgery', await tamariskSurgery()],
  ['1-quarry-lane', await quarryLane()],
]
for (const [name, file] of files) {
  const words = JSON.stringify(file)
  writeFileSync(`demo/jobs/${name}.job.json`, `${words}\n`)
  console.log(
    `${name}: ${file.job.devices.length} devices, ${file.job.records.length} records, ` +
      `${file.photos.length} photos, ${Math.round(words.length / 1024)} KiB`,
  )
}
