import { readFileSync } from 'node:fs'
import { expect, test, type Page } from '@playwright/test'
import { asked, click, drag, newYard, number, see, sheet, spot } from './sheet'
import { accessible, awake, watch } from './watch'

/** Drawing the site plan, by hand and by key: laptop only. */

test('draw a wall, place and aim a camera, read the density, see the finding come and go', async ({
  page,
}) => {
  const { quiet } = watch(page)
  await newYard(page, 'Plan yard')

  // A wall by two clicks, then its exact length by its field.
  await page.getByRole('button', { name: 'Wall', exact: true }).click()
  await click(page, 0.2, 0.3)
  await click(page, 0.7, 0.3)
  await page.keyboard.press('Escape')
  await page.getByText(/^Drawn: 1/).click()
  await page.getByRole('button', { name: /^a wall/ }).click()
  const drawn = await number(page, 'Length')
  await page.getByLabel('Length', { exact: true }).fill('11.5')
  await page.getByLabel('Length', { exact: true }).blur()
  await expect(page.getByLabel('Length', { exact: true })).toHaveValue('11.50 m')
  await sheet(page).focus()
  await page.keyboard.press('Control+z')
  await expect(page.getByLabel('Length', { exact: true })).not.toHaveValue('11.50 m')
  await page.keyboard.press('Control+y')
  await expect(page.getByLabel('Length', { exact: true })).toHaveValue('11.50 m')

  // The camera goes onto the wall's face on the side of the hand, looking out.
  await page.getByText(/^Devices: /).click()
  await page.getByRole('button', { name: 'Place' }).click()
  await click(page, 0.45, 0.315)
  await expect(page.getByLabel('Looks towards', { exact: true })).toHaveValue('180.0°')
  await expect(page.getByRole('heading', { name: /^1 camera on this plan/ })).toBeVisible()

  // Asked in front of it and behind it.
  await click(page, 0.45, 0.6)
  await expect(asked(page)).toHaveText(/^Seen by 1: 01 at [\d.]+ px\/m, \w+\.$/)
  const density = Number(/at ([\d.]+) px/.exec((await asked(page).textContent())!)![1])
  await click(page, 0.45, 0.5)
  await expect
    .poll(async () => Number(/at ([\d.]+) px/.exec((await asked(page).textContent())!)?.[1]))
    .toBeGreaterThan(density)
  await click(page, 0.45, 0.1)
  await expect(asked(page)).toHaveText('Seen by nobody.')

  // A fence before its target hides it: the finding comes, and goes with the fence.
  await page.getByRole('button', { name: /01 Yard wall/ }).click()
  await page.getByRole('button', { name: 'Wall', exact: true }).click()
  await click(page, 0.25, 0.45)
  await click(page, 0.65, 0.45)
  await page.keyboard.press('Escape')
  await page.getByRole('button', { name: /01 Yard wall/ }).click()
  await expect(page.getByText('■ Stop The target is hidden')).toBeVisible()
  await click(page, 0.45, 0.62)
  await expect(asked(page)).toHaveText('Seen by nobody: 01 is blocked by a wall.')
  await page.keyboard.press('Control+z')
  await page.keyboard.press('Escape')
  await page.getByRole('button', { name: /01 Yard wall/ }).click()
  await expect(page.getByLabel('Looks towards', { exact: true })).toBeVisible()
  await expect(page.getByText('The target is hidden')).toHaveCount(0)

  // Aim by hand: the handle at the target turns it; keys turn it by a degree.
  const bearing = await number(page, 'Looks towards')
  await sheet(page).focus()
  await page.keyboard.press(']')
  await expect.poll(() => number(page, 'Looks towards')).toBe(bearing + 1)
  const at = { x: await number(page, 'Right'), y: await number(page, 'Up') }
  await page.keyboard.press('ArrowRight')
  await expect.poll(() => number(page, 'Right')).toBeCloseTo(at.x + 0.1, 2)

  // By hand: the handle stands at the target, six metres out; drawn to the right it turns the camera
  // anticlockwise.
  const box = (await sheet(page).boundingBox())!
  const perMetre = (0.5 * box.width) / drawn
  const handle = {
    x: box.x + box.width * 0.2 + 0.25 * box.width + 0.1 * perMetre,
    y: box.y + box.height * 0.3 + 6.12 * perMetre,
  }
  await page.mouse.move(handle.x, handle.y)
  await page.mouse.down()
  await page.mouse.move(handle.x + perMetre, handle.y)
  await page.mouse.move(handle.x + 3 * perMetre, handle.y)
  await page.mouse.up()
  await expect.poll(() => number(page, 'Looks towards')).toBeGreaterThan(145)
  expect(await number(page, 'Looks towards')).toBeLessThan(160)
  await sheet(page).focus()
  await page.keyboard.press('Control+z')
  await expect.poll(() => number(page, 'Looks towards')).toBe(bearing + 1)

  await page.reload()
  await expect(page.getByRole('heading', { name: /^1 camera on this plan/ })).toBeVisible()
  await accessible(page)
  quiet()
})

test('an area of interest is judged, and a position found for it', async ({ page }) => {
  const { quiet } = watch(page)
  await newYard(page, 'Area yard')
  await page.getByRole('button', { name: 'Wall', exact: true }).click()
  await click(page, 0.2, 0.25)
  await click(page, 0.75, 0.25)
  await page.keyboard.press('Escape')

  // The corners by hand; the next side by a typed length.
  await page.getByRole('button', { name: 'Area of interest', exact: true }).click()
  await click(page, 0.4, 0.55)
  await click(page, 0.55, 0.55)
  await page.keyboard.press('2')
  await expect(page.getByLabel('Length of the next side')).toBeFocused()
  await page.getByLabel('Length of the next side').fill('2.5')
  await page.getByRole('button', { name: 'Draw it' }).click()
  await page.getByRole('button', { name: 'Done' }).click()
  await expect(page.getByText('No camera stands on this plan yet.')).toBeVisible()
  await expect(page.getByText('■ Stop Area 1: not enough to recognise')).toBeVisible()

  await page.getByText('Where could a camera stand?').click()
  await page.getByRole('button', { name: 'Find positions' }).click()
  const first = page.getByRole('list', { name: 'Positions' }).getByRole('listitem').first()
  await expect(first).toContainText('100 % covered')
  await first.getByRole('button', { name: 'Put 01 there' }).click()
  await expect(page.getByRole('heading', { name: /^1 of 1 area of interest is met/ })).toBeVisible()
  quiet()
})

test('an outline that crosses itself is refused in words and stays to be mended', async ({ page }) => {
  await newYard(page, 'Crossed yard')
  await page.getByRole('button', { name: 'Premises', exact: true }).click()
  for (const [x, y] of [
    [0.3, 0.3],
    [0.6, 0.7],
    [0.6, 0.3],
    [0.3, 0.7],
  ] as const)
    await click(page, x, y)
  await page.getByRole('button', { name: 'Done' }).click()
  await expect(page.getByText('The outline crosses itself: draw it round once.')).toBeVisible()
  await sheet(page).focus()
  await page.keyboard.press('Backspace')
  await page.getByRole('button', { name: 'Done' }).click()
  await expect(page.getByText(/3 corners\.$/)).toBeVisible()
})

test('a drawing is laid under the plan, scaled by two points; a broken one is refused and nothing is lost', async ({
  page,
}) => {
  await newYard(page, 'Drawn yard')
  await page.getByText('Drawing under it').click()
  await page
    .getByTestId('drawing-input')
    .setInputFiles({ name: 'plan.pdf', mimeType: 'application/pdf', buffer: Buffer.from('%PDF-1.4 broken') })
  await expect(page.getByText('This PDF cannot be read: it is broken or cut short.')).toBeVisible()
  const svg =
    '<svg xmlns="http://www.w3.org/2000/svg" width="800" height="600">' +
    '<rect width="800" height="600" fill="#fff"/>' +
    '<path d="M100 100H700V500H100Z" fill="none" stroke="#000" stroke-width="8"/></svg>'
  await page
    .getByTestId('drawing-input')
    .setInputFiles({ name: 'yard.svg', mimeType: 'image/svg+xml', buffer: Buffer.from(svg) })
  await expect(page.getByText('Not to scale yet: scale it by two points.')).toBeVisible()
  await page.getByRole('button', { name: 'Scale by two points' }).click()
  await click(page, 0.3, 0.5)
  await click(page, 0.7, 0.5)
  await page.getByLabel('How far apart are the two points?').fill('12 m')
  await page.getByLabel('How far apart are the two points?').press('Enter')
  await expect(page.getByText('Scaled. Measure something else on it to be sure.')).toBeVisible()
  await page.reload()
  await page.getByText('Drawing under it').click()
  await expect(page.getByText('yard.svg')).toBeVisible()
})

test('a room in two clicks, framed and copied together, measured, and taken back by name', async ({
  page,
}) => {
  const { quiet } = watch(page)
  await newYard(page, 'Room yard')
  const count = (n: number) => expect(page.getByText(`Drawn: ${n}`)).toBeVisible()
  await page.keyboard.press('q')
  await click(page, 0.3, 0.35)
  await click(page, 0.5, 0.6)
  await count(4)
  await expect(page.getByRole('heading', { name: '4 selected' })).toBeVisible()
  await expect(page.getByRole('button', { name: 'Undo' })).toHaveAttribute('title', /drawing wall and 3 more/)

  // What lies wholly in the frame is selected; Shift and a click takes one out again.
  await page.keyboard.press('Escape')
  await page.keyboard.down('Shift')
  await drag(page, [0.25, 0.3], [0.55, 0.65])
  await page.keyboard.up('Shift')
  await expect(page.getByRole('heading', { name: '4 selected' })).toBeVisible()
  await page.keyboard.down('Shift')
  await click(page, 0.4, 0.35)
  await page.keyboard.up('Shift')
  await expect(page.getByRole('heading', { name: '3 selected' })).toBeVisible()

  // The menu is about what lies under the hand.
  await page.mouse.click(...(await spot(page, 0.4, 0.6)), { button: 'right' })
  await page.getByRole('menuitem', { name: /^Duplicate/ }).click()
  await count(7)
  await sheet(page).focus()
  await page.keyboard.press('Control+z')
  await count(4)

  // Several go together by one hand, and come back together.
  await page.keyboard.press('Control+a')
  const width = (await sheet(page).boundingBox())!.width
  await drag(page, [0.4, 0.6], [0.45, 0.6])
  await expect(page.getByRole('button', { name: 'Undo' })).toHaveAttribute('title', /moving wall and 3 more/)
  expect(width).toBeGreaterThan(700) // the sheet is the screen

  // Measured and nothing kept of it.
  await page.keyboard.press('m')
  await click(page, 0.2, 0.8)
  await click(page, 0.6, 0.8)
  await expect(page.getByRole('status').getByText(/^\d+\.\d\d m$/)).toBeVisible()
  await page.keyboard.press('Escape')
  await count(4)

  // Corners of what was not ended are there again for who goes on.
  await page.keyboard.press('a')
  await click(page, 0.7, 0.3)
  await click(page, 0.8, 0.3)
  await click(page, 0.8, 0.45)
  await page.keyboard.press('Escape')
  await count(4)
  await page.keyboard.press('a')
  await page.getByRole('button', { name: 'Done' }).click()
  await count(5)
  quiet()
})

test('the plan is printed to scale and written out; what was written out is taken in elsewhere', async ({
  page,
}) => {
  const { quiet } = watch(page)
  await page.goto('/jobs/kestrel-quay/plan')
  await page.getByText('Print and hand over').click()
  const got = async (format: string) => {
    const download = page.waitForEvent('download')
    await page.getByRole('button', { name: format, exact: true }).click()
    const file = await download
    return { name: file.suggestedFilename(), words: readFileSync(await file.path(), 'latin1') }
  }
  expect((await got('PDF')).words).toMatch(/^%PDF/)
  await page.getByLabel('Shows', { exact: true }).selectOption('blind')
  await page.getByLabel('Paper', { exact: true }).selectOption('a3')
  const { name, words } = await got('SVG')
  expect(name).toBe('kestrel-quay-boatyard-plan-ground-blind-spots.svg')
  expect(words).toContain('width="420mm"')
  await page.getByLabel('Scale', { exact: true }).selectOption('50')
  await page.getByRole('button', { name: 'PDF', exact: true }).click()
  await expect(
    page.getByRole('alert').getByText(/At 1 : 50 the plan does not fit on A3: 1 : 500 does/),
  ).toBeVisible()
  await page.getByLabel('Shows', { exact: true }).selectOption('density')
  const earth = await got('GeoJSON')

  await newYard(page, 'Taken in')
  await page.getByText('Take in from a file').click()
  const take = async (file: string, what: string) =>
    page
      .getByTestId('foreign-input')
      .setInputFiles({ name: file, mimeType: 'text/plain', buffer: Buffer.from(what, 'latin1') })
  await take('yard.geojson', earth.words)
  await expect(page.getByRole('alert').getByText(/where this site lies/)).toBeVisible()
  await page.getByText('Where it lies', { exact: true }).click()
  for (const [field, value] of [
    ['Latitude', '50.1'],
    ['Longitude', '-5'],
  ] as const) {
    await page.getByLabel(field).fill(value)
    await page.getByLabel(field).press('Enter')
  }
  await expect(page.getByText('The sun is reckoned for here.')).toBeVisible()
  // Kestrel Quay lies elsewhere: everything is too far, and that is said.
  await take('yard.geojson', earth.words)
  await expect(page.getByText(/^yard.geojson: nothing that can be drawn/)).toBeVisible()
  await take('points.csv', 'name,kind,x,y,height\nPost,obstacle,2,3,"4,5"\nTill,,5,1,\nHalf,,7,,\n')
  await expect(page.getByText('points.csv: 1 × obstacle, 1 × target')).toBeVisible()
  await page.getByText('Left out: 1').click()
  await expect(page.getByText('Row 4, Half: Its x and y are not both numbers.')).toBeVisible()
  await page.getByRole('button', { name: 'Take in 2' }).click()
  await expect(page.getByText('2 taken in. Undo takes them all back.')).toBeVisible()
  await expect(page.getByText('Drawn: 2')).toBeVisible()
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByText('Drawn: 0')).toBeVisible()
  quiet()
})

test('layers are kept for whoever works here; the panel folds away', async ({ page }) => {
  await page.goto('/jobs/kestrel-quay/plan')
  await awake(page)
  const wide = async () => (await sheet(page).boundingBox())!.width
  const before = await wide()
  await page.getByRole('button', { name: 'Fold the panel away' }).click()
  await expect.poll(wide).toBeGreaterThan(before + 300)
  await page.getByRole('button', { name: 'Unfold the panel' }).click()
  await see(page, 'Seen by')
  await page.getByText('Sun now').click()
  await expect(page.getByText(/^Sun now: .* from north|^The sun is down\.$/)).toBeVisible()
  await page.reload()
  await expect(page.getByRole('list', { name: 'Cameras that see it' })).toBeVisible()
  await expect(page.getByText(/^Sun now: .* from north|^The sun is down\.$/)).toBeVisible()
  await page.evaluate(() => window.localStorage.setItem('neat-bracket-author', 'Lead'))
  await page.reload()
  await expect(page.getByRole('list', { name: 'Pixel density' })).toBeVisible()
})

test('lens and tilt are set on the sheet, by the edge of the picture and its far limit', async ({ page }) => {
  await newYard(page, 'Aimed yard')
  await page.getByRole('button', { name: 'Wall', exact: true }).click()
  await click(page, 0.2, 0.25)
  await click(page, 0.7, 0.25)
  await page.keyboard.press('Escape')
  await page.getByText(/^Drawn: 1/).click()
  await page.getByRole('button', { name: /^a wall/ }).click()
  const perMetre = (0.5 * (await sheet(page).boundingBox())!.width) / (await number(page, 'Length'))
  await page.getByText(/^Devices: /).click()
  await page.getByRole('button', { name: 'Place' }).click()
  await click(page, 0.45, 0.26)
  await expect(page.getByLabel('Looks towards', { exact: true })).toHaveValue('180.0°')
  // The axis goes straight down the sheet: how far out the target is in pixels follows from a hand on it.
  const [lens, tilt] = [await number(page, 'Lens'), await number(page, 'Tilt below level')]
  const from = await spot(page, 0.45, 0.25)
  const reach = 9 * perMetre // half as far again as the target, which is proposed six metres out
  const half = (await page.getByText('Across', { exact: true }).locator('xpath=..').textContent())!
  const angle = ((Number(/([\d.]+)°/.exec(half)![1]) / 2) * Math.PI) / 180
  await page.mouse.move(from[0] + Math.sin(angle) * reach, from[1] + Math.cos(angle) * reach)
  await page.mouse.down()
  await page.mouse.move(from[0] + Math.sin(angle / 2) * reach, from[1] + Math.cos(angle / 2) * reach, {
    steps: 4,
  })
  await page.mouse.up()
  await expect.poll(() => number(page, 'Lens')).toBeGreaterThan(lens * 1.7)
  await sheet(page).focus()
  await page.keyboard.press('Control+z')
  await expect.poll(() => number(page, 'Lens')).toBe(lens)

  // Its far limit, on the axis: drawn nearer, the camera looks down more.
  const far = Math.min(await farLimit(page), 1.9 * 6)
  await page.mouse.move(from[0], from[1] + (far + 0.1) * perMetre)
  await page.mouse.down()
  await page.mouse.move(from[0], from[1] + (far - 3) * perMetre, { steps: 4 })
  await page.mouse.up()
  await expect.poll(() => number(page, 'Tilt below level')).toBeGreaterThan(tilt + 2)
})

/** The far limit as the panel has it, m; endless where the picture reaches the horizon. */
async function farLimit(page: Page): Promise<number> {
  const words = (await page.getByText('Far limit', { exact: true }).locator('xpath=..').textContent())!
  return Number(/([\d.]+) m/.exec(words)?.[1] ?? Infinity)
}

test('a pathway is drawn to the head end, and the camera’s cable takes it', async ({ page }) => {
  const { quiet } = watch(page)
  await newYard(page, 'Cabled yard')
  await page.getByText(/^Devices: /).click()
  await page.getByRole('button', { name: 'Place' }).click()
  await click(page, 0.4, 0.4)
  await expect(page.getByLabel('Looks towards', { exact: true })).toBeVisible()
  await sheet(page).focus()
  await page.keyboard.press('r')
  await click(page, 0.4, 0.38)
  await click(page, 0.4, 0.3)
  await click(page, 0.6, 0.3)
  await page.keyboard.press('Enter')
  await expect(page.getByText(/^Drawn: 1/)).toBeVisible()
  await page.keyboard.press('Escape')
  await page.getByRole('button', { name: /01 Yard wall/ }).click()
  await page.getByText('The way of its cable').click()
  await expect(page.getByText('▲ No head end is drawn within reach of a pathway.')).toBeVisible()
  await sheet(page).focus()
  await page.keyboard.press('d')
  await click(page, 0.6, 0.31)
  await page.keyboard.press('Escape')
  await page.getByRole('button', { name: /01 Yard wall/ }).click()
  await page.getByText('The way of its cable').click()
  await expect(page.getByText(/^Clipped outside: [\d.]+ m/)).toBeVisible()
  await page.getByRole('button', { name: 'Take this way' }).click()
  await expect(page.getByText('It is planned this way.')).toBeVisible()
  await accessible(page)
  await page.reload()
  await page.getByText('Ways of all cables').click()
  await expect(page.getByText(/^Cables with a way: 1 of 1; /)).toBeVisible()
  quiet()
})
