import { expect, type Page } from '@playwright/test'
import { randomUUID } from 'node:crypto'
import { readFileSync } from 'node:fs'
import { commandsOf, JobFile } from '../src/core/job'

const DEMO = readFileSync('demo/jobs/3-kestrel-quay.job.json', 'utf8')

/** The address of a copy of the boatyard of which nothing is done yet, for one test alone. */
export async function ownYard(page: Page): Promise<string> {
  const { job } = JobFile.parse(JSON.parse(DEMO))
  const id = `yard-${randomUUID().slice(0, 8)}`
  const nothing = {
    records: [],
    faults: [],
    photos: [],
    handed: [],
    signed: [],
    conflicts: [],
    backgrounds: [],
  }
  const said = await page.request.post('/api/commands', {
    data: { commands: commandsOf({ ...job, ...nothing }, randomUUID, id) },
  })
  expect(said.ok()).toBe(true)
  return `/jobs/${id}`
}
