import AxeBuilder from '@axe-core/playwright'
import { expect, type Locator, type Page } from '@playwright/test'

/** Collects what a page complains about; `quiet` expects that it did not. */
export function watch(page: Page): { quiet: () => void } {
  const complaints: string[] = []
  page.on('console', (message) => {
    if (message.type() === 'error') complaints.push(`${message.text()} ${message.location().url}`)
  })
  page.on('pageerror', (error) => complaints.push(error.message))
  return { quiet: () => expect(complaints).toEqual([]) }
}

/** No serious violation of accessibility on the screen as it stands. */
export async function accessible(page: Page): Promise<void> {
  await clean(new AxeBuilder({ page }).withTags(['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa']))
}

/** Every word on the screen stands out by 7 : 1 (WCAG 2.2, 1.4.6; large ones by 4.5 : 1). */
export async function glareproof(page: Page): Promise<void> {
  await clean(new AxeBuilder({ page }).withRules(['color-contrast-enhanced']))
}

async function clean(looking: AxeBuilder): Promise<void> {
  const { violations } = await looking.analyze()
  const serious = violations.filter(({ impact }) => impact === 'serious' || impact === 'critical')
  expect(
    serious.map(({ id, nodes }) => `${id}: ${nodes.map(({ html }) => html.slice(0, 160)).join(' | ')}`),
  ).toEqual([])
}

/** Waits until the application runs: what was drawn before it fits itself to the screen then, and moves. */
export async function awake(page: Page): Promise<void> {
  await page.waitForFunction(
    () => window.neatBracketTap?.done && document.getElementById('last-seen') === null,
  )
}

/** What a step itself asks; what follows in the same tap is asked below, in a group of its own. */
export const asked = (page: Page, what: '[inputmode=decimal]' | '[role=radiogroup]'): Locator =>
  page.locator(`${what}:not([aria-label="Then, here too"] *)`)

/** Records the step that is shown and waits for the next one. */
export async function record(page: Page, note: string): Promise<void> {
  const title = (await page.locator('h1').first().textContent())!
  const answers = asked(page, '[role=radiogroup]')
  if (await answers.isVisible()) await answers.getByRole('radio').first().click()
  await page.getByLabel('Note').fill(note)
  await page.getByRole('button', { name: /^Record/ }).click()
  await expect(page.locator('h1').first()).not.toHaveText(title)
}
