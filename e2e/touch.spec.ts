import { expect, test } from '@playwright/test'
import { asked, sheet } from './sheet'

/** What only fingers do: phone only. */

test('two fingers zoom the plan, one asks it', async ({ page }) => {
  await page.goto('/jobs/kestrel-quay/plan')
  await expect(sheet(page).locator('canvas').first()).toBeVisible()
  const box = (await sheet(page).boundingBox())!
  const at = (x: number, y: number) => ({ x: box.x + box.width * x, y: box.y + box.height * y })
  const tap = async () => {
    await page.touchscreen.tap(at(0.42, 0.6).x, at(0.42, 0.6).y)
    await expect(asked(page)).toHaveText(/^Seen by/)
    return asked(page).textContent()
  }
  const before = await tap()
  const client = await page.context().newCDPSession(page)
  const touch = (type: 'touchStart' | 'touchMove' | 'touchEnd', apart: number) =>
    client.send('Input.dispatchTouchEvent', {
      type,
      touchPoints:
        type === 'touchEnd'
          ? []
          : [at(0.7 - apart, 0.3), at(0.7 + apart, 0.3)].map((point, id) => ({ ...point, id })),
    })
  await touch('touchStart', 0.05)
  await touch('touchMove', 0.1)
  await touch('touchMove', 0.15)
  await touch('touchEnd', 0)
  expect(await tap()).not.toBe(before) // the same spot of the glass lies over another spot of the yard
  await expect(page.getByRole('button', { name: 'Undo' })).toBeDisabled() // nothing was moved by it
})
