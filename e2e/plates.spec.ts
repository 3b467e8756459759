import type { Page } from '@playwright/test'
import { drawn, expect, signIn, test } from './app'

test.use({ everyHair: true })

/** How much of the plate's picture is dog. */
const ink = (page: Page) =>
  page.locator('canvas.dog-picture').evaluate((canvas: HTMLCanvasElement) => {
    const { data } = canvas.getContext('2d')!.getImageData(0, 0, canvas.width, canvas.height)
    let sum = 0
    for (let i = 3; i < data.length; i += 4) sum += data[i]
    return sum / 255
  })
/** The picture as a short text: the same dog gives the same. */
const print = (page: Page) =>
  page.locator('canvas.dog-picture').evaluate((canvas: HTMLCanvasElement) =>
    canvas
      .toDataURL()
      .split('')
      .reduce((h, c) => (h * 31 + c.charCodeAt(0)) | 0, 7)
  )

/** Acts, and waits until the dog was drawn again to the end. */
async function redrawn(page: Page, act: () => Promise<unknown>): Promise<void> {
  const canvas = page.locator('canvas.dog-picture')
  const before = await canvas.getAttribute('data-count')
  await act()
  await expect(canvas).not.toHaveAttribute('data-count', before!)
  await drawn(page)
}

test('the plates show every body type in every view, in two trims', async ({ page }) => {
  await signIn(page, 'ruben', '/trims')
  await page.getByRole('link', { name: /Plates/ }).click()
  await expect(page.locator('section[aria-labelledby^=plate-]')).toHaveCount(10)
  for (const section of await page.locator('section[aria-labelledby^=plate-]').all())
    expect(await section.locator('[data-plate]').count()).toBeGreaterThanOrEqual(12)
  await drawn(page)
  await page.locator('[data-plate="sporting-flat above"]').scrollIntoViewIfNeeded()
  await expect(page.locator('[data-plate="sporting-flat above"] canvas')).toHaveAttribute('data-drawn', 'full')
  await page.locator('[data-plate="sporting-flat above"]').click()
  await expect(page).toHaveURL(/plates\/sporting-flat\?view=above/)
  await drawn(page)
  await page.goto('/plates/no-such-plate')
  await expect(
    page
      .getByText(/nothing here/i)
      .or(page.getByText(/page not found/i))
      .first()
  ).toBeVisible()
})

test('a plate answers to keys and sliders: views, lengths of either side, days, shapes and faults', async ({ page }) => {
  test.setTimeout(300000)
  await signIn(page, 'ruben', '/plates/bearded-pet')
  await drawn(page)
  const planned = await ink(page)
  // a length, by keyboard alone; while it moves the picture is coarse, at rest it is full
  await page.locator('[data-region=skirt]').focus()
  await page.keyboard.press('Enter')
  await page.locator('#length').focus()
  await page.keyboard.press('End')
  await expect.poll(() => ink(page)).toBeGreaterThan(planned + 300)
  await drawn(page)
  expect(Number(await page.locator('canvas.dog-picture').getAttribute('data-coarse-ms'))).toBeGreaterThan(0)
  await page.getByRole('button', { name: 'Back to the plan' }).click()
  await expect.poll(async () => Math.abs((await ink(page)) - planned)).toBeLessThan(1)
  // days
  await page.locator('#days').focus()
  await page.keyboard.press('End')
  await expect.poll(() => ink(page)).toBeGreaterThan(planned + 1500)
  await page.getByRole('button', { name: 'Back to the plan' }).click()
  // a shape
  await page.getByText('Beard', { exact: true }).last().click()
  const beard = page.getByLabel(/length|below/).last()
  await beard.focus()
  await page.keyboard.press('Home')
  await expect.poll(() => ink(page)).toBeLessThan(planned - 100)
  await page.getByRole('button', { name: 'Back to the plan' }).click()
  await expect.poll(async () => Math.abs((await ink(page)) - planned)).toBeLessThan(1)
  // views by their keys; the right side of a front view is the dog's own
  await redrawn(page, () => page.locator('body').press('4'))
  await expect(page.getByRole('button', { name: 'front' })).toHaveAttribute('aria-pressed', 'true')
  const even = await ink(page)
  await page.locator('[data-region=foreleg][data-side=right]').click({ force: true })
  await expect(page.getByRole('heading', { name: 'Foreleg, right' })).toBeVisible()
  await page.locator('#length').fill('60')
  await expect.poll(() => ink(page)).toBeGreaterThan(even + 100)
  await redrawn(page, () => page.getByRole('button', { name: 'Back to the plan' }).click())
  // every fault that this trim can have draws another dog and is named beside it
  await redrawn(page, () => page.locator('body').press('1'))
  const clean = await print(page)
  const kinds = await page
    .locator('#fault option')
    .evaluateAll((options) => options.map((option) => (option as HTMLOptionElement).value).filter(Boolean))
  expect(kinds.length).toBeGreaterThan(8)
  for (const kind of kinds.filter((name) => !['difference', 'hollowStop', 'flatHead'].includes(name))) {
    await redrawn(page, () => page.locator('#fault').selectOption(kind))
    const name = await page.locator('#fault option:checked').innerText()
    await expect(page.locator('figure').getByText(name)).toBeVisible()
    expect(await print(page), name).not.toBe(clean)
  }
})
