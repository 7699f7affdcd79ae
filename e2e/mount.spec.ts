import { expect, test } from '@playwright/test'
import { accessible, watch } from './watch'

test('a pole is measured: the band that does not go round it is refused, the picture that shakes is said', async ({
  page,
}) => {
  const { quiet } = watch(page)
  await page.goto('/jobs/new')
  await page.getByLabel('Name', { exact: true }).fill('Pole yard')
  await page.getByRole('button', { name: 'Create the job' }).click()
  await page.getByRole('link', { name: 'Add a device' }).click()
  await page.getByLabel('Name of the place').fill('Lamp pole')
  await page.getByLabel('Camera', { exact: true }).selectOption({ label: 'Bullet, 4 MP, 2.8–12 mm' })
  await page.getByLabel('Surface').selectOption({ label: 'Steel pole' })
  await page.getByText(/parts do not fit here, and why/).click()
  await expect(page.getByRole('list', { name: 'Parts that do not fit' })).toContainText(
    'Pendant rod, 500 mm wants: pipe thread. Junction box, 120 mm offers: box lid.',
  )
  await page.getByLabel('1', { exact: true }).selectOption({ label: 'Pole adapter with two bands' })
  await page.getByRole('button', { name: 'Add it and sight it' }).click()
  await page.getByLabel('Lens', { exact: true }).fill('12')
  await page.getByLabel('Lens', { exact: true }).blur()
  await page.getByLabel('Lens height', { exact: true }).fill('4.5')
  await page.getByLabel('Lens height', { exact: true }).blur()
  await page.getByRole('link', { name: /^2 Mount/ }).click()

  const findings = page.getByRole('list', { name: 'Findings' })
  await expect(findings.getByText('▲ Check The picture moves with the pole')).toBeVisible()
  await page.getByLabel('Pole across').fill('219 mm')
  await expect(findings.getByText('■ Stop The band does not go round this pole')).toBeVisible()
  await expect(findings.getByText('Take Stainless pole band, 150–320 mm.')).toBeVisible()
  await expect(findings.getByText('The picture moves with the pole')).toHaveCount(0) // stiffer by far
  await page.getByLabel('Pole across').blur()
  await page.getByLabel('Fixing', { exact: true }).selectOption({ label: 'Stainless pole band, 150–320 mm' })
  await expect(findings.getByText('The band does not go round this pole')).toHaveCount(0)
  await accessible(page)
  quiet()
})
