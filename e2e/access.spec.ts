import { AxeBuilder } from '@axe-core/playwright'
import type { Page } from '@playwright/test'
import { drawn, expect, openTable, signIn, test } from './app'

const TAGS = ['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa']

async function looksSound(page: Page, where: string): Promise<void> {
  const { violations } = await new AxeBuilder({ page }).withTags(TAGS).analyze()
  const serious = violations.filter((violation) => violation.impact === 'serious' || violation.impact === 'critical')
  expect(
    serious.map((violation) => `${where}: ${violation.id}: ${violation.nodes.map((node) => node.html.slice(0, 120)).join(' | ')}`)
  ).toEqual([])
}

/** Every screen of the slice, as an address or a way to it. */
async function screens(page: Page): Promise<readonly (readonly [string, () => Promise<unknown>])[]> {
  const get = async (path: string) => (await page.request.get(`/api${path}`)).json()
  const [people, dogs, trims, findings] = [await get('/apprentices'), await get('/dogs'), await get('/trims'), await get('/findings')]
  const signed = trims.find((trim: { status: string }) => trim.status === 'signed').gradingId
  const finding = findings.find((row: { findingId: string | null }) => row.findingId).findingId
  return [
    ['floor', () => page.goto('/floor')],
    ['day', () => page.goto('/day')],
    ['table', () => openTable(page, 'Bram')],
    ['apprentices', () => page.goto('/apprentices')],
    ['apprentice', () => page.goto(`/apprentices/${people[0].id}`)],
    ['dogs', () => page.goto('/dogs')],
    ['dog', () => page.goto(`/dogs/${dogs[0].id}`)],
    ['adviser', () => page.goto(`/dogs/${dogs[0].id}/adviser`)],
    ['trims', () => page.goto('/trims')],
    ['result', () => page.goto(`/trims/${signed}`)],
    ['plates', () => page.goto('/plates')],
    ['plate', () => page.goto('/plates/bearded-pet?view=head')],
    ['rack', () => page.goto('/rack')],
    ['house rules', () => page.goto('/house-rules')],
    ['certify', () => page.goto('/certify')],
    ['finding', () => page.goto(`/certify/${finding}`)],
    [
      'grade',
      async () => {
        await openTable(page, 'Dilys')
        await page.getByRole('button', { name: 'Grade' }).click()
        await page.waitForURL('**/trims/**')
        await page.locator('[data-row=back-length]').click()
        await page.locator('[data-editor=back-length]').waitFor()
      }
    ]
  ]
}

const isLong = (name: string) => name === 'plates' || name === 'house rules'

// one walk through the screens: each is read in the light and in the dark
test('axe finds nothing serious on any screen, in the light and in the dark', async ({ page }) => {
  test.setTimeout(240000)
  await page.emulateMedia({ colorScheme: 'light', reducedMotion: 'reduce' })
  await page.goto('/sign-in')
  await looksSound(page, 'sign-in')
  await signIn(page, 'ottilie')
  for (const [name, go] of await screens(page)) {
    await go()
    await page.waitForLoadState('networkidle')
    // the long pages are made of parts that other screens show in the dark as well
    for (const colorScheme of isLong(name) ? (['light'] as const) : (['light', 'dark'] as const)) {
      await page.emulateMedia({ colorScheme, reducedMotion: 'reduce' })
      await expect(page.locator('html')).toHaveClass(colorScheme === 'dark' ? /dark/ : /^(?!.*dark)/)
      await looksSound(page, `${name}, ${colorScheme}`)
    }
  }
})

test('nothing runs over the edge at 390 and at 820 px', async ({ page }) => {
  test.setTimeout(180000)
  await page.setViewportSize({ width: 390, height: 844 })
  await signIn(page, 'ottilie')
  for (const [name, go] of await screens(page)) {
    await go()
    await page.waitForLoadState('networkidle')
    for (const [width, height] of [
      [390, 844],
      [820, 1180]
    ]) {
      await page.setViewportSize({ width, height })
      const over = await page.evaluate(() => {
        const wide = [...document.querySelectorAll<HTMLElement>('main *, aside *, nav *, header *')].filter(
          (element) =>
            element.getBoundingClientRect().right > window.innerWidth + 1 &&
            !element.closest('svg') &&
            getComputedStyle(element).position !== 'absolute'
        )
        return wide.slice(0, 3).map((element) => `${element.tagName} ${element.className}`)
      })
      expect(over, `${name} at ${width} px`).toEqual([])
    }
    await page.setViewportSize({ width: 390, height: 844 })
  }
})

test('the main job works by keyboard alone', async ({ page }) => {
  await page.goto('/sign-in')
  await expect(page.getByLabel('User name')).toBeFocused()
  await page.keyboard.type('ruben')
  await page.keyboard.press('Tab')
  await page.keyboard.type('porcelain-7F')
  await page.keyboard.press('Enter')
  await page.waitForURL('**/floor')
  await expect(page.getByTestId('table').first()).toBeVisible()
  await page.keyboard.press('?')
  await expect(page.getByRole('dialog')).toContainText('Table 1')
  await page.keyboard.press('Escape')
  await page.keyboard.press('5')
  await page.waitForURL('**/table/**')
  await drawn(page)
  await page.keyboard.press('2')
  await expect(page.locator('[data-key=prompt]')).toContainText('1 so far')
  await page.keyboard.press('1')
  const dialog = page.getByRole('dialog')
  await expect(dialog).toContainText('Which fault')
  const fault = dialog.getByRole('button', { name: /Leg bulges/ })
  for (let i = 0; i < 14 && !(await fault.evaluate((button) => button === document.activeElement)); i++) await page.keyboard.press('Tab')
  await page.keyboard.press('Enter')
  await expect(page.locator('[data-key=fault]')).toContainText('1 so far')
  await page.keyboard.press('g')
  await page.waitForURL('**/trims/**')
  await page.getByRole('tab', { name: 'Front' }).waitFor()
  await page.keyboard.press('ArrowRight')
  await expect(page.getByRole('tab', { name: 'Front' })).toHaveAttribute('aria-selected', 'true')
  await page.keyboard.press('ArrowDown')
  await expect(page.locator('[data-editor]')).toBeVisible()
  await page.keyboard.press('c')
  await page.waitForURL('**/certify')
})
