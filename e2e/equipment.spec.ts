import { expect, test } from '@playwright/test'
import { awake, watch } from './watch'

/** Equipment from the day it is added, under names of this file alone: others read the boatyard. */

const home = '/jobs/kestrel-quay'

test('equipment is added, installed step by step, and stands in the record with what replaced what', async ({
  page,
}) => {
  const { quiet } = watch(page)
  const name = `Slip microphone ${test.info().project.name}`
  await page.goto(`${home}/equipment`)
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(/pieces of equipment/)
  await awake(page)
  await page.getByRole('link', { name: 'Add equipment' }).click()
  await page.getByRole('button', { name: 'Add it' }).click()
  await expect(page.getByText('Give it a name.')).toBeVisible()
  await page.getByLabel('Name').fill(name)
  await page.getByLabel('What it is').selectOption({ label: 'Microphone, line level, IP54' })
  await page.getByLabel('Exposure').selectOption({ label: 'Open weather' })
  await page.getByLabel('Where it stands').selectOption({ label: 'Out on site' })
  await page.reload() // what was chosen survives
  await expect(page.getByLabel('Name')).toHaveValue(name)
  await awake(page)
  await page.getByRole('button', { name: 'Add it' }).click()
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(new RegExp(`^E\\d+ ${name}$`))

  // IP54 does not stand driving rain; under the soffit it does.
  const found = page.getByRole('list', { name: 'Findings' })
  await expect(found).toContainText('Not made for this place')
  await page.getByLabel('Exposure').selectOption({ label: 'Under a soffit' })
  await expect(found).toContainText('Its case is made for this place')
  await page.getByLabel('Mark').fill('01')
  await page.getByLabel('Mark').press('Enter')
  await expect(page.getByText('Workshop doors is marked 01 already.')).toBeVisible()
  await page.getByLabel('Mark').fill(`M${test.info().workerIndex}`)
  await page.getByLabel('Mark').press('Enter')
  await page.getByLabel('Serial number').fill('NB-M-1')
  await page.getByLabel('Serial number').press('Enter')

  await page.getByRole('link', { name: /^Log 0\// }).click()
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(/^Unpack and look over the microphone/)
  await page.getByRole('button', { name: 'Record, next step' }).click()
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(/^Put the microphone/)
  await page.getByRole('radio', { name: 'does not hold' }).click()
  await page.getByRole('button', { name: 'Record, next step' }).click()
  await page.goto(`${home}/punch-list`)
  await expect(page.getByText(/^M\d+ Put the microphone.*: out of limits$/)).toBeVisible()

  await page.goto(`${home}/handover`)
  const record = page
    .getByRole('article')
    .filter({ has: page.getByRole('heading', { name: new RegExp(name) }) })
  await expect(record).toContainText('NB-M-1')
  await expect(record).toContainText('does not hold; should be holds, upright.')
  const recorder = page
    .getByRole('article')
    .filter({ has: page.getByRole('heading', { name: /Office recorder/ }) })
  await expect(recorder).toContainText('E9 Old recorder')

  await page.goto(home)
  await awake(page)
  await page
    .getByRole('link', { name: new RegExp(name) })
    .first()
    .click()
  await page.getByRole('button', { name: 'Take it out of the job' }).click()
  await page.getByRole('button', { name: 'Remove' }).click()
  await expect(page.getByText('it stays in the record')).toBeVisible()
  quiet()
})

test('a camera that goes asks for no plan, and what replaces it is told what stood there', async ({
  page,
}) => {
  const { quiet } = watch(page)
  await page.goto(`${home}/devices/device-15/mount`)
  await expect(page.getByText('It was there and is taken away')).toBeVisible()
  await page.getByRole('link', { name: 'To its log' }).click()
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Label every cable and take it off')
  await page.goto(`${home}/devices/device-14/device`)
  await expect(page.getByLabel('Takes the place of')).toHaveValue('device-15')
  await awake(page)
  await page.getByLabel('New or existing').selectOption({ label: 'Existing, stays' })
  await expect(page.getByLabel('Takes the place of')).toHaveCount(0)
  quiet()
})

test('plain steps at one place are recorded in one tap, each for itself', async ({ page }) => {
  await page.goto(`${home}/devices/device-07/log?step=mount%2Fpilot`)
  await awake(page)
  const group = page.getByRole('group', { name: 'Then, here too' })
  const titles = await group.getByRole('listitem').locator('p:first-child').allTextContents()
  expect(titles.length).toBeGreaterThan(0)
  const steps = page.getByRole('navigation', { name: 'All steps' })
  const row = (title: string) => steps.getByRole('link', { name: title })
  await group.getByRole('button', { name: /^This and the next/ }).click()
  await page.reload()
  for (const title of titles) await expect(row(title).getByRole('img')).toHaveAccessibleName('Good')
  await page.goto(`${home}/devices/device-07/log?step=mount%2Fpilot`)
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible()
  await expect(group).toHaveCount(0) // it is recorded: nothing follows in the same breath
})

test('the board shows what is asked for, in the order that is asked for, and remembers', async ({ page }) => {
  await page.goto(home)
  const marks = page.locator('tbody tr td:first-child a > span:first-child')
  await awake(page)
  const told = await page.getByRole('heading', { level: 1 }).textContent()
  await page.getByLabel('Show').selectOption({ label: 'Stopped' })
  await expect(marks).toHaveCount(Number(/(\d+) (?:is|are) stopped/.exec(told ?? '')?.[1])) // others work here too
  await page.getByLabel('Show').selectOption({ label: 'Were there before' })
  await expect(marks.first()).toHaveText('15')
  await page.reload()
  await expect(marks).toHaveCount(1)
  await awake(page)
  await page.getByLabel('Show').selectOption({ label: 'All devices' })
  await page.getByLabel('Order').selectOption({ label: 'What is wrong first' })
  await expect(marks.first()).toHaveText(/^0[358]$/)
})
