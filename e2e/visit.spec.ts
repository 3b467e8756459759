import type { Page } from '@playwright/test'
import { readFileSync } from 'node:fs'
import * as pdfjs from 'pdfjs-dist/legacy/build/pdf.mjs'
import { drawn, expect, saved, signIn, test } from './app'

/** The visit of a dog today, by the day's own list. */
async function openVisit(page: Page, dog: string, part: string): Promise<string> {
  const day = await (await page.request.get('/api/day/today')).json()
  const { id } = day.visits.find((visit: { dog: string }) => visit.dog === dog)
  await page.goto(`/visits/${id}/${part}`)
  return id
}

test('a dog is checked in on the figure, valid until it is ready, set up, printed and closed', async ({ page }) => {
  test.setTimeout(300000)
  await signIn(page, 'ruben')
  const id = await openVisit(page, 'Fable', 'check-in')
  await drawn(page)
  // not ready: the table says so, and leads back here
  await expect(page.getByTestId('gate')).toContainText('No one has confirmed that this dog is ready to cut.')
  await page.goto(`/table/${id}`)
  await expect(page.getByText(/not ready to cut: No one has confirmed/)).toBeVisible()
  await page.getByRole('link', { name: 'Check the dog in' }).click()
  await page.waitForURL('**/check-in')
  // a mat at a place that is touched by keys, wider by two taps; then it is cut out
  await page.getByLabel('Place', { exact: true }).selectOption('thigh')
  await page.getByRole('button', { name: '5 mm more' }).click()
  await page.getByRole('button', { name: '5 mm more' }).click()
  await page.getByRole('button', { name: 'mat', exact: true }).click()
  await expect(page.getByTestId('findings')).toContainText('mat at the left thigh, 40 mm across')
  await expect(page.locator('[data-mark=mat]')).toHaveCount(1)
  await page.getByLabel('combed to the skin, no mat where it is cut').check()
  await page.getByLabel('dry', { exact: true }).check()
  await page.getByRole('button', { name: 'Confirm ready' }).click()
  await expect(page.getByTestId('gate')).toContainText('A mat of 40 mm is still in at the left thigh')
  await page.getByRole('button', { name: /Remove: mat at the left thigh/ }).click()
  await page.getByRole('button', { name: 'hole, a mat cut out' }).click()
  await expect(page.getByTestId('gate')).toContainText('Confirmed by Ruben Castell')
  // skin that a vet must see stops the work at its place
  await page.getByLabel('Place', { exact: true }).selectOption('ribs')
  await page.getByLabel('Side', { exact: true }).selectOption('right')
  await page.getByRole('button', { name: 'lump' }).click()
  await expect(page.getByText('A lump at the right ribs: do not cut there.')).toBeVisible()
  await page.getByRole('button', { name: 'left rear' }).click()
  // a wish that moves a length, refused first with what is allowed
  await page.getByLabel('Request').fill('Legs shorter')
  await page.getByLabel('changes the length at').selectOption('foreleg')
  await page.getByLabel('to, mm').fill('900')
  await page.getByRole('button', { name: 'Add wish' }).click()
  await expect(page.getByText('Length is 900; it must be 0.25 to 300 mm.')).toBeVisible()
  await page.getByLabel('to, mm').fill('28')
  await page.getByRole('button', { name: 'Add wish' }).click()
  await expect(page.getByRole('region', { name: 'Wishes' })).toContainText('asked for by the owner')
  await saved(page)
  // the sheet says all of it
  await page.getByRole('link', { name: 'Set-up sheet' }).click()
  await drawn(page)
  const sheet = page.getByTestId('sheet')
  await expect(sheet).toContainText('Legs shorter, asked for by the owner')
  await expect(sheet).toContainText('nothing to cut here today')
  await expect(sheet).toContainText('a hole where a mat was cut out, 40 mm across')
  // a place that is scissored takes no blade; why not, and a tool of one's own: the drawn dog changes and the choice is kept
  await page.locator('#place').selectOption('back')
  await page.locator('#why-not').selectOption({ label: 'blade 40 with the growth, leaves 0.25 mm' })
  await expect(page.getByTestId('why-not')).toContainText('This trim is scissored here.')
  await page.locator('#place').selectOption('cheek')
  await page.locator('#why-not').selectOption({ label: 'blade 10 against the growth, leaves 0.5 mm' })
  await expect(page.getByTestId('why-not')).toContainText('with the growth only')
  const before = await page.locator('canvas.dog-picture').first().screenshot()
  await page.getByRole('button', { name: 'blade 4F with the growth, leaves 9.5 mm' }).click()
  await expect(page.getByTestId('advice')).toHaveText('blade 4F with the growth, leaves 9.5 mm')
  await saved(page)
  await drawn(page)
  await expect.poll(async () => (await page.locator('canvas.dog-picture').first().screenshot()).equals(before)).toBe(false)
  await page.reload()
  await page.locator('#place').selectOption('cheek')
  await expect(page.getByTestId('advice')).toHaveText('blade 4F with the growth, leaves 9.5 mm')
  await page.getByRole('button', { name: 'Back to recommended' }).click()
  await expect(page.getByTestId('advice')).toHaveText('blade 10 with the growth, leaves 1.6 mm')
  // the trade's measures on the dog
  await page.getByRole('button', { name: 'measured on the dog' }).click()
  await expect(page.getByTestId('measured')).toContainText('Using the 2 in comb at the root: 50.8 mm bare.')
  await expect(page.locator('[data-rule=neckDepth] path')).not.toHaveCount(0)
  // on paper, read back by another program
  const [download] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: 'A4 sheet, PDF' }).click()])
  const text = await textOf((await download.path())!)
  for (const words of ['Fable: Clean face', 'A lump at the right ribs', 'Legs shorter', '28 mm', 'Tail band', 'Local animal-welfare codes'])
    expect(text, words).toContain(words)
  // closed with the sentence for the owner; nails stay owed until they are done
  await page.getByRole('link', { name: 'Closing' }).click()
  await expect(page.getByLabel('Told the owner')).toHaveValue(/Please let a vet look: lump at the right ribs\. We did not cut there\./)
  await expect(page.getByText('Nails left to do: left rear.')).toBeVisible()
  await page.getByLabel('done now').check()
  await page.getByLabel('Back in, weeks').fill('300')
  await page.getByRole('button', { name: 'Close visit' }).click()
  await expect(page.getByText('Back in is 300 weeks; it must be 1 to 104 weeks, or empty.')).toBeVisible()
  await page.getByLabel('Back in, weeks').fill('6')
  await page.getByRole('button', { name: 'Close visit' }).click()
  await expect(page.getByText('Visit closed and saved.')).toBeVisible()
  await expect(page.getByText('Nails left to do')).toHaveCount(0)
})

async function textOf(path: string): Promise<string> {
  const document = await pdfjs.getDocument({ data: new Uint8Array(readFileSync(path)), useSystemFonts: false }).promise
  const pages = await Promise.all(
    Array.from({ length: document.numPages }, async (_, i) => {
      const page = await document.getPage(i + 1)
      expect(page.view.slice(2).map(Math.round)).toEqual([595, 842])
      return (await page.getTextContent()).items.map((item) => ('str' in item ? item.str : '')).join(' ')
    })
  )
  return pages.join(' ').replace(/\s+/g, ' ')
}

test('an apprentice reads the own sheet at the table and cannot say that the dog is ready', async ({ page }) => {
  await signIn(page, 'bram')
  await openVisitOf(page)
  await expect(page.getByTestId('sheet')).toContainText('blade 7F with')
  await page.getByRole('link', { name: 'Check-in' }).click()
  await expect(page.getByTestId('gate')).toContainText('Confirmed by Ruben Castell')
  await expect(page.getByRole('button', { name: 'Confirm ready' })).toHaveCount(0)
})

async function openVisitOf(page: Page): Promise<void> {
  await page.goto('/floor')
  await page.getByTestId('table').first().click()
  await page.waitForURL('**/table/**')
  await page.getByRole('link', { name: 'Sheet' }).click()
  await page.waitForURL('**/visits/**/table')
}
