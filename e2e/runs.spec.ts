import { randomUUID } from 'node:crypto'
import { readFileSync } from 'node:fs'
import { expect, test } from '@playwright/test'
import { DeviceChoice, factsOf, RECORD_VERSION, type Change, type Device, type Job } from '../src/core/job'
import type { PlanChange } from '../src/core/stages'
import { accessible, awake, watch } from './watch'

/** A cable between two things, from the day it is added to the record. A job of this file alone. */

const jobId = () => `runs-${test.info().project.name}`
const home = () => `/jobs/${jobId()}`

/** What is planned of a device but what feeds it, which stands in another job. */
const plansOf = ({ sight, mount, route, terminate, seal }: Device) =>
  ({ sight, mount, route, terminate, seal }) as PlanChange

test.beforeAll(async ({ playwright, baseURL }) => {
  const { job } = JSON.parse(readFileSync('demo/jobs/1-quarry-lane.job.json', 'utf8')) as { job: Job }
  const camera = job.devices.find(({ mountIds }) => mountIds[0] === 'junction-box')!
  const changes: Change[] = [
    { type: 'createJob', facts: { ...factsOf(job), name: 'Cable yard', units: 'metric' } },
    { type: 'putEquipment', equipmentId: 'switch', change: { name: 'Rack switch', partId: 'switch-16' } },
    { type: 'putEquipment', equipmentId: 'recorder', change: { name: 'Recorder', partId: 'recorder-16' } },
    { type: 'putEquipment', equipmentId: 'panel', change: { name: 'Panel', partId: 'jack-panel-16' } },
    { type: 'addDevice', deviceId: 'camera', choice: DeviceChoice.strip().parse(camera) },
    { type: 'setPlan', deviceId: 'camera', plan: plansOf(camera) },
  ]
  const commands = changes.map((change) => ({
    ...change,
    id: randomUUID(),
    jobId: jobId(),
    at: '2026-03-02T09:30:00.000Z',
    by: 'Lead',
    version: RECORD_VERSION,
    madeOn: '',
    base: null,
  }))
  const request = await playwright.request.newContext({ baseURL: baseURL! })
  expect((await request.post('/api/commands', { data: { commands } })).ok()).toBe(true)
  await request.dispose()
})

test('a run is added, its ends and way chosen, its steps recorded, and it stands where it ends', async ({
  page,
}) => {
  const { quiet } = watch(page)
  await page.goto(`${home()}/equipment`)
  await awake(page)
  await page.getByRole('link', { name: 'Add a run' }).click()
  await page.getByRole('button', { name: 'Add it' }).click()
  await expect(page.getByText('Give it a name.')).toBeVisible()
  await expect(page.getByText('Choose what it ends at.').first()).toBeVisible()
  await page.getByLabel('Name').fill('Recorder to the rack')
  await page.getByLabel('From').selectOption({ label: 'E2 Recorder' })
  await page.getByLabel('To', { exact: true }).selectOption({ label: 'E2 Recorder' })
  await page.reload() // what was chosen survives
  await awake(page)
  await expect(page.getByLabel('Name')).toHaveValue('Recorder to the rack')
  await page.getByRole('button', { name: 'Add it' }).click()
  await expect(page.getByText(/goes from one thing to another: choose another end/)).toBeVisible()
  await page.getByLabel('To', { exact: true }).selectOption({ label: 'E1 Rack switch' })
  await page.getByRole('button', { name: 'Add it' }).click()
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(/^R1 Recorder to the rack$/)

  const found = page.getByRole('list', { name: 'Findings' })
  await expect(found).toContainText('No way is drawn')
  await expect(found).toContainText('Its port at E2 is not chosen')
  await expect(found).not.toContainText('Both ends suit the cable')
  await page.getByLabel('Port at E2').selectOption({ label: 'uplink 1' })
  await page.getByLabel('Port at E1').selectOption({ label: 'uplink 2' })
  await page.getByLabel('Ends at E2 with').selectOption({ label: 'RJ45 plug, no boot' })
  await page.getByLabel('Ends at E1 with').selectOption({ label: 'RJ45 plug, no boot' })
  await expect(found).toContainText('Both ends suit the cable')
  await page.getByRole('button', { name: 'Add a stretch' }).click()
  const stretch = page.getByRole('group', { name: 'Stretch 1' })
  await stretch.getByLabel('1 through').selectOption({ label: 'Trunking indoors' })
  await stretch.getByLabel('Length').fill('95 m')
  await expect(found).toContainText('Too long for its heat') // while it is typed
  await stretch.getByLabel('Length').fill('8 m')
  await stretch.getByLabel('Length').press('Enter')
  await expect(found).toContainText('Within the fixed link')
  await page.reload()
  await expect(found).toContainText('Within the fixed link')
  await accessible(page)

  await awake(page)
  await page.getByRole('link', { name: /^Log 0\// }).click()
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(/^Cut 8\.\d+ m of Cat 6.*and pull it$/)
  // What follows on the same way is answered here too, and nothing is recorded while its answer is missing.
  const too = page.getByRole('group', { name: 'Then, here too' })
  await too.getByRole('button', { name: 'This and the next are done' }).click()
  await expect(too.getByText('Write the measured value.')).toBeVisible()
  await too.getByLabel('Installed length').fill('412 – 420.1')
  await page.reload()
  await awake(page)
  await expect(too.getByLabel('Installed length')).toHaveValue('412 – 420.1')
  await too.getByRole('button', { name: 'This and the next are done' }).click()
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(/^Make its end at E2/)
  await expect(page.getByText(/^Step 3 of/)).toBeVisible()
  await page.goto(`${home()}/equipment`)
  await expect(page.getByRole('listitem').filter({ hasText: 'uplink 2' }).first()).toContainText(
    'Recorder to the rack',
  )
  await page.goto(`${home()}/pull-sheet`)
  await expect(page.getByText('R1', { exact: true }).first()).toBeVisible()
  await page.goto(`${home()}/handover`)
  const record = page
    .getByRole('article')
    .filter({ has: page.getByRole('heading', { name: /Recorder to the rack/ }) })
  await expect(record).toContainText('Marks 412 and 420.1.')
  await expect(record).toContainText('E2 Recorder, uplink 1 → E1 Rack switch, uplink 2')
  quiet()
})

test('with the server cut off a run is changed all the same; what it ends at cannot be taken out', async ({
  page,
  context,
}) => {
  await page.goto(`${home()}/equipment`)
  await awake(page)
  await page.getByRole('link', { name: 'Add a run' }).click()
  await page.getByLabel('Name').fill('Rack to the panel')
  await page.getByLabel('From').selectOption({ label: 'E1 Rack switch' })
  await page.getByLabel('To', { exact: true }).selectOption({ label: 'E3 Panel' })
  await context.setOffline(true)
  await page.getByRole('button', { name: 'Add it' }).click()
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(/^R\d+ Rack to the panel$/)
  await page.getByLabel('New or existing').selectOption({ label: 'Existing, stays' })
  await expect(page.getByText(/Was there and stays|One look first/)).toBeVisible()
  await context.setOffline(false)
  await page.goto(`${home()}/equipment`)
  await awake(page)
  await page.getByRole('link', { name: 'E3 Panel' }).click()
  await page.getByRole('button', { name: 'Take it out of the job' }).click()
  await page.getByRole('button', { name: 'Remove' }).click()
  await expect(page.getByText(/Run R\d+ Rack to the panel ends at it/)).toBeVisible()
})

test('whether a camera’s cable was there before is said on its route, and its steps follow', async ({
  page,
}) => {
  const steps = page.getByRole('navigation', { name: 'All steps' })
  const cut = page.getByText('Cut', { exact: true })
  await page.goto(`${home()}/devices/camera/route`)
  await awake(page)
  await expect(cut).toBeVisible()
  await page.getByLabel('Its cable').selectOption({ label: 'Existing, stays' })
  await expect(cut).toHaveCount(0)
  await page.goto(`${home()}/devices/camera/log`)
  await expect(steps.getByRole('link', { name: 'Look over the cable that stays' })).toBeVisible()
  await expect(steps.getByRole('link', { name: /and pull it/ })).toHaveCount(0)
})

test('what stays of a mount is said part by part: a new cable cannot be sealed behind it, an old one is', async ({
  page,
}) => {
  const device = `${home()}/devices/camera`
  const laid = async (to: string) => {
    await page.goto(`${device}/route`)
    await awake(page)
    await page.getByLabel('Its cable').selectOption({ label: to })
    await expect(page.getByLabel('Its cable').locator('option:checked')).toHaveText(to)
  }
  const stays = page.getByText('Part 1 was there before and stays')
  await laid('New, pulled for it')
  await page.goto(`${device}/device`)
  await awake(page)
  await stays.click()
  await expect(page.getByRole('checkbox', { name: /^Part 1/ })).toBeChecked()
  await page.getByRole('button', { name: 'Keep these parts' }).click()
  await expect(page.getByText('✓ Kept.')).toBeVisible()
  await page.goto(`${device}/mount`)
  await expect(page.getByText(/^Out of reach behind what stays: seal the/).first()).toBeVisible()
  await expect(page.getByText(/Take the junction box off and put it up again/).first()).toBeVisible()
  await expect(page.getByText('Drilling template at 1:1')).toHaveCount(0)
  await laid('Existing, stays')
  await page.goto(`${device}/mount`)
  await awake(page)
  await expect(
    page.getByRole('heading', { name: /as far as it is judged|Will it hold/ }).first(),
  ).toBeVisible()
  await expect(page.getByText(/^Out of reach behind what stays/)).toHaveCount(0)
  const said = page.getByRole('navigation', { name: 'All steps' })
  await page.goto(`${device}/log`)
  await expect(said.getByRole('link', { name: 'Look over what stays: junction box' })).toBeVisible()
  await expect(said.getByRole('link', { name: /^Drill/ })).toHaveCount(0)
  await page.goto(`${device}/device`)
  await awake(page)
  await stays.click()
  await expect(page.getByRole('checkbox', { name: /^Part 1/ })).not.toBeChecked()
  await page.getByRole('button', { name: 'Keep these parts' }).click()
  await expect(page.getByText('✓ Kept.')).toBeVisible()
  // Kept is kept on this device: the next test reads what the server has.
  await expect(async () => {
    const { job } = (await (await page.request.get(`/api${home()}`)).json()) as { job: Job }
    expect(job.devices[0]!.partsKept).toBe(0)
  }).toPass()
})

test('on its drawing a part is changed for another that fits; what does not fit says why', async ({
  page,
}) => {
  await page.goto(`${home()}/devices/camera/device`)
  await awake(page)
  const part = page.getByRole('button', { name: 'Junction box, 120 mm', exact: true })
  await expect(async () => {
    await part.click() // the drawing is fitted to the screen first
    await expect(part).toHaveAttribute('aria-pressed', 'true', { timeout: 1000 })
  }).toPass()
  const place = page.getByLabel('In its place')
  await page
    .getByText(/parts do not fit here, and why/)
    .first()
    .click()
  await expect(page.getByRole('list', { name: 'Parts that do not fit here' })).toContainText(
    /needs a|offers a/,
  )
  const others = await place.locator('option').allTextContents()
  const other = others.find((name) => name !== 'Junction box, 120 mm')!
  await place.selectOption({ label: other })
  await expect(page.getByRole('button', { name: other, exact: true })).toBeVisible()
  await page.reload()
  await expect(page.getByRole('button', { name: other, exact: true })).toBeVisible()
})
