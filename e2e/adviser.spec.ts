import type { Page } from '@playwright/test'
import { drawn, expect, signIn, test } from './app'

async function openAdviser(page: Page, dog: RegExp): Promise<void> {
  await page.getByRole('link', { name: 'Dogs' }).click()
  await page.getByRole('link', { name: dog }).click()
  await page.getByRole('link', { name: 'Tools by place' }).click()
  await page.waitForURL('**/adviser')
  await drawn(page)
}

test('the adviser says which tool where, why, and why not; facts of the dog and the house decide', async ({ page }) => {
  await signIn(page, 'ruben')
  await openAdviser(page, /Ember/)
  const advice = page.getByTestId('advice')
  await expect(advice).toHaveText('blade 7F with the growth, leaves 3.2 mm')
  // burned on the left cheek: one blade longer there, not on the right
  await page.locator('#place').selectOption('cheek')
  await expect(advice).toHaveText('blade 5F with the growth, leaves 6.3 mm')
  await expect(page.getByText('planned 3.2 mm, aiming for 6.3 mm')).toBeVisible()
  await expect(page.getByText(/^Burned here before: longer than the blade that burned, always\./)).toBeVisible()
  await page.locator('#why-not').selectOption({ label: 'blade 7F with the growth, leaves 3.2 mm' })
  await expect(page.getByTestId('why-not')).toContainText('Not here.')
  await expect(page.getByTestId('why-not')).toContainText('Nearest: blade 5F with the growth, leaves 6.3 mm.')
  await page.getByRole('button', { name: 'right side' }).click()
  await page.locator('#place').selectOption('toes')
  await page.locator('#why-not').selectOption({ label: 'blade 10 with the growth, leaves 1.6 mm' })
  await expect(page.getByTestId('why-not')).toContainText('its wide teeth catch the web')
  // another tool moves the drawn dog at once
  await page.locator('#place').selectOption('back')
  const canvas = page.locator('canvas.dog-picture')
  const before = await canvas.getAttribute('data-count')
  await page.getByRole('button', { name: 'blade 8½ with the growth, leaves 2.8 mm' }).click()
  await expect(advice).toHaveText('blade 8½ with the growth, leaves 2.8 mm')
  await expect(canvas).not.toHaveAttribute('data-count', before!)
  await page.getByRole('button', { name: 'Back to recommended' }).click()
  await expect(advice).toHaveText('blade 7F with the growth, leaves 3.2 mm')
})

test('what an instructor knows of a dog is kept and changes the advice; an apprentice reads it', async ({ page }) => {
  await signIn(page, 'ruben')
  await openAdviser(page, /Flint/)
  await page.locator('#place').selectOption('back')
  await expect(page.getByTestId('advice')).toHaveText(/7F/)
  const kept = page.waitForResponse((answer) => answer.url().endsWith('/facts') && answer.ok())
  await page.getByLabel('skin reacts at the test between the pads').check()
  await kept
  await expect(page.getByTestId('advice')).toHaveText('blade 5F with the growth, leaves 6.3 mm')
  await page.reload()
  await drawn(page)
  await expect(page.getByLabel('skin reacts at the test between the pads')).toBeChecked()
  const again = page.waitForResponse((answer) => answer.url().endsWith('/facts') && answer.ok())
  await page.getByLabel('skin reacts at the test between the pads').uncheck()
  await again
  await page.getByRole('button', { name: 'Sign out' }).click()
  await page.waitForURL('**/sign-in**')
  await signIn(page, 'bram')
  await openAdviser(page, /Flint/)
  await expect(page.getByLabel('light coat')).toBeDisabled()
})

test('a lead assessor takes the school’s side, and the advice follows', async ({ page }) => {
  await signIn(page, 'ottilie', '/house-rules')
  const skull = page.locator('[data-rule=bearded-skull]')
  await expect(skull).toContainText('The skull is clipped toward the neck.')
  await skull.getByRole('radio', { name: /against, from the neck forward/ }).click()
  await expect(skull).toContainText('The skull is clipped against the growth, from the neck forward')
  await openAdviser(page, /Flint/)
  await page.locator('#place').selectOption('skull')
  await expect(page.getByTestId('advice')).toHaveText(/against the growth, leaves/)
  await page.goto('/house-rules')
  await skull.getByRole('radio', { name: 'toward the neck' }).click()
  await expect(skull).toContainText('The skull is clipped toward the neck.')
})
