import { expect, test, type APIRequestContext } from '@playwright/test'
import { randomUUID } from 'node:crypto'
import { RECORD_VERSION } from '../src/core/job'
import { accessible, watch } from './watch'

/** A job of 700 devices: it opens at once, fills, and loses nothing typed while it is computed anew. */

interface Thing {
  readonly id: string
}
interface Record {
  readonly [field: string]: unknown
  readonly devices: readonly (Thing & Record)[]
}

/** The demo's planned devices over and over, imported as a job of its own; the address of its board. */
async function largeJob(request: APIRequestContext, name: string): Promise<string> {
  const { format, version, job } = (await (
    await request.get('/api/jobs/kestrel-quay/job-file')
  ).json()) as Record & { format: string; version: number; job: Record }
  const planned = job.devices.filter(({ power }) => power !== null)
  const devices = Array.from({ length: 700 }, (_, i) => ({
    ...planned[i % planned.length]!,
    id: `device-${i}`,
    mark: `${i}`,
  }))
  const left = { backgrounds: [], records: [], handed: [], photos: [], faults: [], conflicts: [], signed: [] }
  const imported = await request.post('/api/import?as=copy', {
    data: { format, version, job: { ...job, ...left, name, devices }, photos: [] },
  })
  expect(imported.status(), await imported.text()).toBe(201)
  return `/jobs/${((await imported.json()) as { jobId: string }).jobId}`
}

test('a job of 700 devices opens at once and fills; the list of jobs does not wait for it', async ({
  page,
  request,
}) => {
  const { quiet } = watch(page)
  const home = await largeJob(request, 'Seven hundred')
  await page.goto('/')
  const listed = page.getByRole('listitem').filter({ hasText: 'Seven hundred' })
  await expect(listed).toBeVisible()
  await expect(listed).toContainText(/700 devices\. /, { timeout: 30_000 })

  // The list has asked again meanwhile; the page still goes by the nonce that it came with.
  await page.getByRole('button', { name: /^Theme/ }).click()
  await expect(page.locator('html')).toHaveClass(/dark/)

  await page.goto(home)
  await expect(page.getByRole('heading', { name: /^\d+ of 700 devices are computed…$/ })).toBeVisible()
  await expect(page.getByRole('row').nth(8)).toContainText('…')
  await accessible(page)
  await page.getByRole('link', { name: 'Hand-over' }).click()
  await expect(page.getByText('it waits for the last')).toBeVisible() // nothing is signed of half a job
  await expect(page.getByText('700 devices', { exact: false }).first()).toBeVisible()
  await expect(page.getByText('it waits for the last')).toBeHidden({ timeout: 30_000 })
  await page.getByRole('link', { name: 'Board' }).click()
  await expect(page.getByRole('heading', { name: /^700 devices\. / })).toBeVisible()
  quiet()
})

test('the device that is looked at is computed first, and takes entries while the rest is not', async ({
  page,
  request,
}) => {
  const home = await largeJob(request, 'Looked at first')
  await page.goto(`${home}/devices/device-690/sight`)
  const tilt = page.getByLabel('Tilt below level', { exact: true })
  await tilt.fill('33')
  await tilt.blur()
  await expect(tilt).toHaveValue('33.0°')
  const kept = async () => {
    const { job } = (await (await request.get(`/api${home}`)).json()) as { job: Record }
    return (job.devices[690]!.sight as { tiltDeg: number }).tiltDeg
  }
  await expect.poll(kept).toBe(33)
})

test('what is typed stays while somebody else’s change has everything computed anew', async ({
  page,
  request,
}) => {
  const home = await largeJob(request, 'Wind changed')
  await page.goto(`${home}/settings`)
  const address = page.getByLabel('Address')
  await expect(address).toBeVisible({ timeout: 30_000 })
  await address.fill('half a wo')
  const wind = {
    id: randomUUID(),
    jobId: home.slice('/jobs/'.length),
    at: new Date().toISOString(),
    by: 'Office',
    version: RECORD_VERSION,
    type: 'editJob',
    madeOn: '',
    base: null,
    change: { windMS: 38 },
  }
  expect((await request.post('/api/commands', { data: { commands: [wind] } })).ok()).toBe(true)
  await expect(page.getByText('it waits for the last')).toBeVisible()
  await expect(address).toBeVisible({ timeout: 30_000 })
  await expect(address).toHaveValue('half a wo')
})
