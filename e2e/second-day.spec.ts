// What a school finds out on its second day: guides, own settings that reach every tablet, notes, and what was entered wrongly.
import type { Page } from '@playwright/test'
import { expect, openTable, saved, signIn, tablet, test, walkRound } from './app'

type Heard = { readonly tones: number; readonly shakes: number }

/** Writes down what a tablet would be heard and felt to do; this machine has no loudspeaker. */
const LISTEN = () => {
  const heard = { tones: 0, shakes: 0 }
  Object.assign(window, { heard })
  const start = Object.getOwnPropertyDescriptor(AudioScheduledSourceNode.prototype, 'start')!.value
  AudioScheduledSourceNode.prototype.start = function (...when: number[]) {
    heard.tones++
    start.apply(this, when)
  }
  navigator.vibrate = () => (heard.shakes++, true)
}
const heard = (page: Page): Promise<Heard> => page.evaluate(() => (window as unknown as { heard: Heard }).heard)

test('a call for help sounds and shakes where its instructor wants that, and nowhere else', async ({ page, browser }) => {
  await page.addInitScript(LISTEN)
  await signIn(page, 'hollis', '/settings')
  await page.locator('[data-setting=call]').getByRole('button', { name: 'both' }).click()
  await expect(page.getByText('Saved, on every tablet you sign in to.')).toBeVisible()
  await page.goto('/floor')
  await expect(page.getByTestId('table').first()).toBeVisible()
  const quiet = await (await browser.newContext()).newPage()
  await quiet.addInitScript(LISTEN)
  await signIn(quiet, 'mira')
  await expect(quiet.getByTestId('table').first()).toBeVisible()
  const apprentice = await tablet(browser, 'bram')
  await apprentice.getByTestId('table').click()
  await apprentice.getByRole('button', { name: 'Ask for help' }).click()
  await expect(quiet.getByRole('complementary', { name: 'Where to go next' })).toContainText('Bram, table 1')
  await expect.poll(() => heard(page)).toEqual({ tones: 2, shakes: 1 })
  expect(await heard(quiet)).toEqual({ tones: 0, shakes: 0 })
})

test('a larger text is larger on the next tablet too, and everything stays in reach', async ({ page, browser }) => {
  await signIn(page, 'ines', '/settings')
  const size = async (on: Page) => (await on.getByRole('heading', { level: 1 }).boundingBox())!.height
  const usual = await size(page)
  await page.locator('[data-setting=text]').getByRole('button', { name: 'larger' }).click()
  await expect.poll(() => size(page)).toBeGreaterThan(usual * 1.25)
  const other = await tablet(browser, 'ines', '/settings')
  await expect.poll(() => size(other)).toBeGreaterThan(usual * 1.25)
  await other.getByRole('main').getByRole('button', { name: 'Sign out' }).scrollIntoViewIfNeeded()
  await expect(other.getByRole('main').getByRole('button', { name: 'Sign out' })).toBeInViewport()
})

for (const [who, words] of [
  ['ottilie', 'It always takes two people to sign.'],
  ['ruben', 'touch a table to open it'],
  ['tove', 'One tap asks for help']
])
  test(`the first screen of ${who} has a guide of their own, until it is hidden`, async ({ page }) => {
    await signIn(page, who, '/settings')
    await page.getByRole('button', { name: 'Show the guide again' }).click()
    const guide = page.getByRole('region', { name: 'Guide' })
    await expect(guide).toContainText(words)
    await guide.getByRole('button', { name: 'Hide this guide' }).click()
    await expect(guide).toHaveCount(0)
    await saved(page)
    await page.reload()
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible()
    await expect(guide).toHaveCount(0)
  })

test('a note is kept with its date, and a wrong one is struck with a reason and stays', async ({ page }) => {
  await signIn(page, 'ruben')
  const dogs = (await (await page.request.get('/api/dogs')).json()) as { id: string; name: string }[]
  await page.goto(`/dogs/${dogs.find(({ name }) => name === 'Sedge')!.id}`)
  const notes = page.locator('[data-notes]')
  await notes.getByLabel('Note', { exact: true }).fill('Leans on the left hand when the foot is held low.')
  await notes.getByRole('button', { name: 'Save note' }).click()
  const note = notes.getByRole('listitem').filter({ hasText: 'Leans on the left hand' })
  await expect(note).toContainText('Ruben Castell')
  await note.getByRole('button', { name: 'Strike it out' }).click()
  await note.getByLabel('Why strike it out').fill('it was Larch')
  await note.getByRole('button', { name: 'Strike', exact: true }).click()
  await expect(note).toContainText('Struck by Ruben Castell: it was Larch')
  await page.reload()
  await expect(note).toContainText('Leans on the left hand')
})

test('two entries of one dog are made one, with the history of both', async ({ page }) => {
  await signIn(page, 'ruben', '/dogs')
  const dogs = (await (await page.request.get('/api/dogs')).json()) as { id: string; name: string; coat: string }[]
  const [gone, kept] = ['Larch', 'Sedge'].map((name) => dogs.find((dog) => dog.name === name)!)
  const lines = async (id: string) => ((await (await page.request.get(`/api/dogs/${id}/visits`)).json()) as unknown[]).length
  const both = (await lines(gone!.id)) + (await lines(kept!.id))
  await page.goto(`/dogs/${gone!.id}/profile`)
  const part = page.getByRole('region', { name: 'Duplicate dog' })
  await part.getByRole('combobox').selectOption(kept!.id)
  await part.getByRole('button', { name: 'Merge' }).click()
  await expect(page.getByRole('dialog')).toContainText('This cannot be undone.')
  await page.locator('[data-ask-go]').click()
  await page.waitForURL(`**/dogs/${kept!.id}`)
  expect(await lines(kept!.id)).toBe(both)
  expect(both).toBeGreaterThan(0)
  await page.goto('/dogs')
  await expect(page.getByRole('main')).toContainText('Sedge')
  await expect(page.getByRole('main')).not.toContainText('Larch')
})

test('the wrong apprentice is put right while nothing is signed, and what was done goes along', async ({ page }) => {
  await signIn(page, 'ruben', '/day')
  await page.getByRole('button', { name: 'Move Otter' }).click()
  const form = page.locator('form', { hasText: 'Entered wrongly?' })
  await form.getByLabel('Apprentice').last().selectOption({ label: 'Ada' })
  await form.getByRole('button', { name: 'Correct it' }).click()
  await expect(page.getByTestId('day-table').filter({ hasText: 'Otter' })).toContainText('Ada Quill')
})

test('a table without a visit leaves the room; one that is at work stays, and it is said why', async ({ page }) => {
  await signIn(page, 'ottilie', '/room')
  const out = async (number: number) => {
    await page.getByRole('combobox', { name: 'Table' }).selectOption({ label: `Table ${number}` })
    await page.getByRole('button', { name: `Remove table ${number}` }).click()
    await page.locator('[data-ask-go]').click()
  }
  await out(5)
  await expect(page.getByRole('alert')).toContainText('Table 5 is planned for Biscuit on 14 April 2026')
  await expect(page.getByRole('button', { name: 'Remove table 5' })).toBeVisible()
  await page.goto('/day')
  await page.getByRole('button', { name: 'Add a table' }).click()
  await expect(page.getByTestId('said')).toContainText('Table 9 is in the room.')
  await page.goto('/room')
  await out(9)
  await expect(page.getByRole('main').getByRole('status')).toContainText('Table removed')
  await expect(page.getByRole('combobox', { name: 'Table' }).getByRole('option', { name: 'Table 9' })).toHaveCount(0)
})

test('signing shows that it works from the first moment, however slow the line', async ({ page }) => {
  await signIn(page, 'mira')
  await openTable(page, 'Pia')
  await page.getByRole('button', { name: 'Grade' }).click()
  await page.waitForURL('**/trims/**')
  await walkRound(page)
  await page.getByRole('button', { name: 'good', exact: true }).click()
  await page.getByRole('button', { name: 'good: show the mark' }).click()
  let answer: () => void = () => undefined
  const slow = new Promise<void>((resolve) => (answer = resolve))
  await page.route('**/sign', async (route) => {
    await slow
    await route.continue()
  })
  await page.getByRole('button', { name: 'Sign this grading' }).click()
  const asked = page.getByRole('dialog')
  // the frame after the touch, not a time: what a person sees while the line is held
  const next = await asked.getByRole('button', { name: 'Sign' }).evaluate(async (button: HTMLElement) => {
    button.click()
    await new Promise((resolve) => requestAnimationFrame(() => requestAnimationFrame(resolve)))
    return button.closest('[role=dialog]')!.textContent
  })
  expect(next).toContain('Signing …')
  answer()
  await expect(asked).toHaveCount(0)
})
