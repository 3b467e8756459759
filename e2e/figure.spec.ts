import { drawn, expect, signIn, test } from './app'

test.use({ everyHair: true })

test('the dog redraws with its numbers, answers to keyboard, and shows plan and measurement', async ({ page }) => {
  await signIn(page, 'ruben', '/dogs')
  await page.getByRole('link', { name: /Ember/ }).click()
  await drawn(page)
  const ink = () =>
    page.locator('canvas.dog-picture').evaluate((canvas: HTMLCanvasElement) => {
      const { data } = canvas.getContext('2d')!.getImageData(0, 0, canvas.width, canvas.height)
      let sum = 0
      for (let i = 3; i < data.length; i += 4) sum += data[i]
      return sum / 255
    })
  const planned = await ink()
  expect(planned).toBeGreaterThan(20000)
  // touch by keyboard: one Tab stop, arrows between places, Enter opens the place
  await page.locator('[data-region=back]').focus()
  await page.keyboard.press('ArrowDown')
  const reached = await page.evaluate(() => document.activeElement?.getAttribute('data-region'))
  expect(reached).not.toBe('back')
  await page.keyboard.press('Enter')
  await expect(page.locator(`[data-region=${reached}]`)).toHaveAttribute('aria-pressed', 'true')
  await page.locator('[data-region=skirt]').click()
  await expect(page.getByRole('heading', { name: /Skirt: 45 mm/ })).toBeVisible()
  await page.getByLabel(/Preview it longer or shorter/).fill('80')
  await expect(page.getByRole('heading', { name: /Skirt: 80 mm/ })).toBeVisible()
  await expect.poll(ink).toBeGreaterThan(planned + 300)
  await expect(page.getByText('planned 45 mm')).toBeVisible()
  await page.getByRole('button', { name: 'lengths in inches' }).click()
  await expect(page.getByText('planned 1 49/64 in')).toBeVisible()
  await page.getByRole('button', { name: 'Back to the plan' }).click()
  await expect.poll(async () => Math.abs((await ink()) - planned)).toBeLessThan(1)
  await page.getByRole('button', { name: 'as last measured' }).click()
  await expect.poll(async () => Math.abs((await ink()) - planned)).toBeGreaterThan(1)
  await expect(page.getByText(/burned before, left/i).first()).toBeVisible()
})

test('the filled shape comes first, hair after, and what was drawn comes back at once', async ({ page }) => {
  await page.goto('/sign-in')
  const seen = await page.waitForFunction(
    () => {
      const canvas = document.querySelector<HTMLElement>('canvas.dog-picture')
      const states = ((window as unknown as { states?: Set<string> }).states ??= new Set())
      if (canvas?.dataset.drawn) states.add(canvas.dataset.drawn)
      return states.has('full') && [...states]
    },
    undefined,
    { polling: 'raf' }
  )
  const states = (await seen.jsonValue()) as string[]
  expect(states).toContain('shape')
  expect(states.at(-1)).toBe('full')
})

test('a slow tablet draws plain shapes, which follow the lengths as hair does', async ({ page }) => {
  await signIn(page, 'ruben', '/plates/bearded-pet')
  await drawn(page)
  const picture = () => page.evaluate(() => document.querySelector<HTMLCanvasElement>('canvas.dog-picture')!.toDataURL())
  const hair = await picture()
  await page.keyboard.press('?')
  await page.getByRole('button', { name: 'plain shapes' }).click()
  await page.keyboard.press('Escape')
  await expect.poll(picture).not.toBe(hair)
  const plain = await picture()
  await page.getByRole('slider').first().press('End')
  await expect.poll(picture).not.toBe(plain)
  await page.reload()
  await drawn(page)
  // it stays so on this device: a flat shape has far fewer colours than hair
  await expect.poll(async () => (await picture()).length).toBeLessThan(hair.length / 2)
})
