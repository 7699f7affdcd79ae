import { randomUUID } from 'node:crypto'
import { readFileSync } from 'node:fs'
import { expect, test } from '@playwright/test'
import { factsOf, RECORD_VERSION, type Job } from '../src/core/job'
import { accessible, awake, watch } from './watch'

/** A real part instead of a generic one: from its sheet into a device, and on to the next job. */

/** A job of this file alone: others count the demo's devices. */
const home = () => `/jobs/parts-${test.info().project.name}`

test.beforeAll(async ({ playwright, baseURL }) => {
  const { job } = JSON.parse(readFileSync('demo/jobs/1-quarry-lane.job.json', 'utf8')) as { job: Job }
  const command = {
    type: 'createJob',
    facts: { ...factsOf(job), name: 'Parts yard' },
    id: randomUUID(),
    jobId: home().slice('/jobs/'.length),
    at: '2026-03-02T09:30:00.000Z',
    by: 'Lead',
    version: RECORD_VERSION,
    madeOn: '',
    base: null,
  }
  const request = await playwright.request.newContext({ baseURL: baseURL! })
  expect((await request.post('/api/commands', { data: { commands: [command] } })).ok()).toBe(true)
  await request.dispose()
})

test('a camera is entered from its sheet, chosen, and what was not read of it is told until it is', async ({
  page,
}) => {
  const { quiet } = watch(page)
  const name = `Gate bullet ${test.info().project.name}`
  await page.goto(`${home()}/add`)
  await awake(page)
  await page.getByRole('link', { name: 'Enter it from its maker’s sheet' }).click()
  await page.getByLabel('Most like this generic part').selectOption({ label: 'Bullet, 4 MP, 2.8–12 mm' })
  await page.getByLabel('Name', { exact: true }).fill(name)
  await page.getByLabel('Mass').fill('heavy')
  await page.reload() // what was typed survives, mistakes and all
  await awake(page)
  await expect(page.getByLabel('Name', { exact: true })).toHaveValue(name)
  await expect(page.getByText(/"heavy" is not understood/)).toBeVisible()
  await page.getByRole('button', { name: 'Keep it' }).click()
  await expect(page.getByText('It is not kept yet: one field wants a look.')).toBeVisible()
  await page.getByLabel('Mass').fill('900 g')
  await page.getByLabel('Focal length').fill('2.8-13.5')
  await accessible(page)
  await page.getByRole('button', { name: 'Keep it' }).click()
  const row = page.getByRole('row').filter({ hasText: name })
  await expect(row).toContainText('2 of 27')

  await page.goto(`${home()}/add`)
  await awake(page)
  const mark = `P${test.info().workerIndex}`
  await page.getByLabel('Mark').fill(mark)
  await page.getByLabel('Name of the place').fill(`Gate ${test.info().project.name}`)
  await page.getByLabel('Camera').selectOption({ label: name })
  await page.getByRole('button', { name: 'Add it and sight it' }).click()
  const found = page.getByRole('list', { name: 'Findings' })
  await expect(found).toContainText('Values not read from the maker’s sheet')
  await expect(found).toContainText(`${name}: form; picture width; picture height; sensor width`)

  await page.goto(`${home()}/parts`)
  await awake(page)
  await expect(row).toContainText(mark)
  await page.getByRole('link', { name }).click()
  for (const [label, value] of [
    ['Form', 'bullet'],
    ['The picture turns by', 'three joints'],
  ] as const)
    await page.getByLabel(label).selectOption(value)
  for (const [label, words] of [
    ['Picture width', '2688'],
    ['Picture height', '1520'],
    ['Sensor width', '5.4 mm'],
    ['Sensor height', '3.05 mm'],
    ['Lens axis from the normal of its base', '0 to 90'],
    ['Infrared reach', '40 m'],
  ] as const)
    await page.getByLabel(label).fill(words)
  await page.getByRole('button', { name: 'Keep it' }).click()
  await expect(row).toContainText('10 of 27')
  await page.goBack()
  await page.goto(home())
  await page
    .getByRole('link', { name: new RegExp(`^${mark} `) })
    .first()
    .click()
  await page.getByRole('link', { name: 'Sight' }).first().click()
  await expect(page.getByRole('list', { name: 'Findings' })).not.toContainText('Values not read')
  quiet()
})

test('parts go from job to job as a library and as a table; a bad line is named and nothing of it is taken', async ({
  page,
}) => {
  const { quiet } = watch(page)
  await page.goto('/jobs/kestrel-quay/parts')
  await awake(page)
  const saved = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Save the library' }).click()
  const library = await (await saved).path()
  expect(JSON.parse(readFileSync(library, 'utf8'))).toMatchObject({ format: 'neat-bracket-parts' })
  await page.getByLabel('Table of', { exact: true }).selectOption({ label: 'Cable' })
  const table = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Save the table' }).click()
  const csv = readFileSync(await (await table).path(), 'utf8')
  expect(csv).toContain('"Grey drum in the store, 6.4 mm",cat6-outdoor,Print on the jacket,pair,6.4 mm')

  const drum = `Second drum ${test.info().project.name}`
  await page.goto(`${home()}/parts`)
  await awake(page)
  const take = (name: string, words: string) =>
    page.getByTestId('parts-file').setInputFiles({ name, mimeType: '', buffer: Buffer.from(words) })
  await take('library.json', readFileSync(library, 'utf8'))
  await expect(page.getByRole('status').filter({ hasText: 'taken in' })).toHaveText('2 of 2 taken in.')
  await take('cables.csv', csv.replace('6.4 mm,', 'thick,').replace('own-yard-cable', ''))
  await expect(page.getByText(/^Line 2: Across the jacket: "thick" is not understood/)).toBeVisible()
  await take('cables.csv', csv.replace(/own-yard-cable,"[^"]*"/, `,${drum}`))
  await expect(page.getByRole('status').filter({ hasText: 'taken in' })).toHaveText('1 of 1 taken in.')
  await expect(page.getByRole('row').filter({ hasText: drum })).toContainText('5 of 12')
  await take('picture.json', '{"format":"something else"}')
  await expect(page.getByText('This is not a library of own parts.')).toBeVisible()
  await accessible(page)
  quiet()
})
