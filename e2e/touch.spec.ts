import { expect, test, type Locator } from '@playwright/test'
import { ownBoatyard } from './ownServer'
import { SCREENS } from './addresses'
import { awake } from './watch'
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

test('nothing to press is smaller than a gloved finger, and no word of a drawing too small to read', async ({
  page,
}) => {
  const found = () =>
    page.evaluate(() => {
      const shown = (element: Element) => {
        const { width, height } = element.getBoundingClientRect()
        return width > 0 && height > 0 && !element.closest('[aria-hidden=true]')
      }
      const all = (selector: string) => [...document.querySelectorAll(selector)].filter(shown)
      const named = (element: Element) => element.getAttribute('aria-label') ?? element.textContent
      const small = all('a[href], button, select, summary, textarea, [role=slider], [role=radio]').filter(
        (element) => {
          const { width, height } = element.getBoundingClientRect()
          const inline = getComputedStyle(element).display === 'inline'
          return !inline && (width < 47.5 || height < 47.5)
        },
      )
      const tiny = all('svg text').filter((element) => {
        const { a, b } = (element as SVGTextElement).getScreenCTM()!
        return parseFloat(getComputedStyle(element).fontSize) * Math.hypot(a, b) < 10.95
      })
      const squeezed = all('nav a, a.chakra-button, button').filter(
        (element) =>
          element.scrollWidth > element.clientWidth + 1 &&
          !/hidden|clip/.test(getComputedStyle(element).overflow),
      )
      return [...small, ...tiny, ...squeezed].map(named)
    })
  for (const [, path] of SCREENS) {
    await page.goto(path)
    await expect(page.locator('h1').first()).toBeVisible()
    await expect.poll(async () => [path, await found()]).toEqual([path, []])
  }
})

test('between the middles of two things to press lie a finger’s 48 px and 8 px to spare', async ({
  page,
}) => {
  test.slow()
  const crowded = () =>
    page.evaluate(() => {
      const pressed = 'a[href], button, select, summary, textarea, [role=slider], [role=radio]'
      /** What is seen of it: a list that scrolls cuts it off. */
      const seen = (element: Element) => {
        let { left, top, right, bottom } = element.getBoundingClientRect()
        for (let on = element.parentElement; on; on = on.parentElement) {
          const { overflowX, overflowY } = getComputedStyle(on)
          if (overflowX === 'visible' && overflowY === 'visible') continue
          const box = on.getBoundingClientRect()
          left = Math.max(left, box.left)
          right = Math.min(right, box.right)
          top = Math.max(top, box.top)
          bottom = Math.min(bottom, box.bottom)
        }
        return { left, top, right, bottom }
      }
      const over = (element: Element): boolean => {
        const { position } = getComputedStyle(element)
        const above = element.parentElement
        return position === 'fixed' || position === 'sticky' || (above !== null && over(above))
      }
      const all = [...document.querySelectorAll(pressed)].flatMap((element) => {
        const { left, top, right, bottom } = seen(element)
        const [wide, tall] = [right - left, bottom - top]
        const inline = getComputedStyle(element).display === 'inline'
        // Of what is cut off so far nobody presses the rest.
        if (inline || wide < 24 || tall < 24 || !element.checkVisibility()) return []
        return [{ element, left, top, right, bottom, wide, tall, over: over(element) }]
      })
      const spare = (gap: number, one: number, other: number) =>
        gap < -0.5 ? gap : gap + Math.max(0, one - 48) / 2 + Math.max(0, other - 48) / 2
      const named = (element: Element) => element.getAttribute('aria-label') ?? element.textContent.trim()
      return all.flatMap((a, i) =>
        all.slice(i + 1).flatMap((b) => {
          if (a.over !== b.over || a.element.contains(b.element) || b.element.contains(a.element)) return []
          const across = spare(Math.max(a.left - b.right, b.left - a.right), a.wide, b.wide)
          const down = spare(Math.max(a.top - b.bottom, b.top - a.bottom), a.tall, b.tall)
          return Math.max(across, down) < 7.5 ? [`${named(a.element)} | ${named(b.element)}`] : []
        }),
      )
    })
  for (const [, path] of SCREENS) {
    await page.goto(path)
    await expect(page.locator('h1').first()).toBeVisible()
    await awake(page)
    await expect.poll(async () => [path, await crowded()]).toEqual([path, []])
  }
})

test('a step is read at arm’s length and recorded without scrolling, with either hand', async ({ page }) => {
  await page.goto('/jobs/kestrel-quay/devices/device-04/log?step=aim%2Ftilt')
  await awake(page)
  const sizeOf = (words: Locator) => words.evaluate((one) => parseFloat(getComputedStyle(one).fontSize))
  const [title, record, photo] = [
    page.locator('h1').first(),
    page.getByRole('button', { name: /^Record/ }),
    page.getByRole('button', { name: /^Photo|photo/ }).first(),
  ]
  await expect(page.getByRole('button', { name: '1', exact: true })).toBeVisible() // a value is asked
  const read = page.locator('[data-read]')
  expect(await read.count()).toBeGreaterThan(0)
  for (const one of await read.all()) expect(await sizeOf(one)).toBeGreaterThanOrEqual(18)
  expect(await sizeOf(title)).toBeGreaterThanOrEqual(24)
  for (const one of [title, record, photo]) await expect(one).toBeInViewport({ ratio: 1 })
  const leftOf = async (one: Locator) => (await one.boundingBox())!.x
  expect(await leftOf(photo)).toBeLessThan(await leftOf(record))

  await page.getByRole('button', { name: /^Working as/ }).click()
  await page.getByRole('radio', { name: 'Largest' }).click()
  await page.getByRole('radio', { name: 'Left' }).click()
  await page.keyboard.press('Escape')
  await page.reload()
  await awake(page)
  await expect.poll(() => sizeOf(title)).toBeGreaterThan(30)
  expect(await leftOf(record)).toBeLessThan(await leftOf(photo))
  await expect(record).toBeInViewport({ ratio: 1 })
  expect(
    await page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth),
  ).toBeLessThanOrEqual(0)
})

test('from a cold start one tap leads back to the open step, and a second records it', async ({
  page,
  request,
}) => {
  const jobId = await ownBoatyard(request)
  await page.goto('/')
  await awake(page)
  await expect(page.getByRole('link', { name: /^Go on with/ })).toBeHidden()
  await page.goto(`/jobs/${jobId}/devices/device-03/log`)
  await expect(page.getByText(/^Step 1 of/)).toBeVisible()
  await awake(page)
  await page.goto('/')
  await page.getByRole('link', { name: /^Go on with 03 .* log · Kestrel Quay/ }).tap()
  await page.getByRole('button', { name: /^Record/ }).tap()
  await expect(page.getByText(/^Step 2 of/)).toBeVisible()
})

test('from a cold start three taps beside the digits record a measured value, and three take a photo', async ({
  page,
  request,
}) => {
  const jobId = await ownBoatyard(request)
  await page.goto(`/jobs/${jobId}/devices/device-04/log?step=aim%2Ftilt`)
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible()
  await awake(page)
  const title = (await page.getByRole('heading', { name: /^Aim: tilt/ }).textContent())!
  let taps = 0
  const tap = async (target: Locator) => {
    await target.tap()
    taps++
  }
  const goOn = page.getByRole('link', { name: /^Go on with 04 / })

  await page.goto('/')
  await tap(goOn)
  await expect(page.locator('h1').first()).toHaveText(title)
  // The shutter of the phone’s own camera is the third.
  const camera = page.waitForEvent('filechooser')
  await tap(page.getByRole('button', { name: /^Photo|photo/ }).first())
  await camera
  expect(taps).toBeLessThanOrEqual(2)

  taps = 0
  await page.goto('/')
  await tap(goOn)
  await page.getByRole('button', { name: '1', exact: true }).tap()
  await tap(page.getByRole('button', { name: /^Record/ }))
  await expect(page.locator('h1').first()).not.toHaveText(title)
  expect(taps).toBeLessThanOrEqual(3)
})
