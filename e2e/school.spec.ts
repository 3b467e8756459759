import type { Page } from '@playwright/test'
import jsqr from 'jsqr'
import sharp from 'sharp'
import { expect, signIn, test } from './app'

const row = (page: Page, number: number) => page.locator(`[data-table="${number}"]`)

/** What a telephone held over the first letter reads. */
async function readQr(page: Page): Promise<string | undefined> {
  const letter = page.getByTestId('letters').locator('li').first()
  await letter.getByRole('button', { name: 'Show it as a QR code' }).click()
  const { data, info } = await sharp(await letter.getByTestId('qr').screenshot())
    .ensureAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true })
  return jsqr(new Uint8ClampedArray(data), info.width, info.height)?.data
}

/** Draws something onto a table as a hand does: down, over in steps, up. */
async function draw(page: Page, from: ReturnType<Page['locator']>, number: number): Promise<void> {
  await from.scrollIntoViewIfNeeded()
  const a = (await from.boundingBox())!
  await page.mouse.move(a.x + a.width / 2, a.y + a.height / 2)
  await page.mouse.down()
  const b = (await row(page, number).boundingBox())!
  await page.mouse.move(b.x + 140, b.y + b.height / 2 + 6, { steps: 8 })
  await page.mouse.move(b.x + 150, b.y + b.height / 2, { steps: 4 })
  await page.mouse.up()
}

test('a day is planned by drawing a dog and an apprentice onto a table, and by keys', async ({ page }) => {
  await page.setViewportSize({ width: 1280, height: 1400 })
  await signIn(page, 'ruben', '/day/2026-04-28')
  await expect(page.getByTestId('day-table')).toHaveCount(8)
  const chip = (name: string) => page.locator('[data-palette] .chip', { hasText: name }).first()
  await draw(page, chip('Ada'), 3)
  await expect(row(page, 3)).toContainText('Ada')
  await draw(page, chip('Rook'), 3)
  await expect(row(page, 3)).toContainText('Ada Quill')
  await expect(page.getByTestId('said')).toContainText('Visit planned.')
  await expect(page.getByTestId('said')).toContainText('Rook can be worked on only with limits: two people for his nails.')
  // drawn onto another table
  await draw(page, row(page, 3).locator('.grip'), 5)
  await expect(row(page, 5)).toContainText('Ada Quill')
  await expect(page.getByTestId('said')).toContainText('Visit moved.')
  // and by keys alone
  await page.getByRole('button', { name: 'Move Rook' }).focus()
  await page.keyboard.press('Enter')
  await page.locator('form', { hasText: 'Move' }).locator('select').first().selectOption({ label: 'Table 1' })
  await page.getByRole('button', { name: 'Move', exact: true }).focus()
  await page.keyboard.press('Enter')
  await expect(row(page, 1)).toContainText('Ada Quill')
  await page.getByRole('button', { name: 'Move Rook' }).click()
  await page.getByRole('button', { name: 'Cancel visit' }).click()
  await page.locator('[data-ask-go]').click()
  await expect(page.getByTestId('said')).toContainText('Visit cancelled.')
  await page.getByRole('button', { name: 'Close this day' }).click()
  await expect(page.getByText('This day is closed. You can no longer plan visits on it.')).toBeVisible()
})

test('people are invited by a letter, retired and taken in again', async ({ page, browser }) => {
  await signIn(page, 'anneke', '/people')
  for (const [label, value] of [
    ['First name', 'Runa'],
    ['Last name', 'Skye'],
    ['Username', 'runa'],
    ['Email address', 'runa']
  ])
    await page.getByLabel(label, { exact: true }).fill(value)
  await page.locator('select[name=role]').selectOption('instructor')
  await expect(page.locator('input[name=cohort]')).toHaveCount(0)
  await page.locator('select[name=role]').selectOption('apprentice')
  await page.locator('input[name=cohort]').fill('Summer')
  await page.getByRole('button', { name: 'Write the letter' }).click()
  await expect(page.getByText('Email address is runa; it must be one such as ada@post.example.')).toBeVisible()
  await page.getByLabel('Email address').fill('runa@post.example')
  await page.getByRole('button', { name: 'Write the letter' }).click()
  await expect(page.getByTestId('people')).toContainText('invited, not joined yet')
  const letter = await page.getByTestId('letters').locator('li').first().innerText()
  const address = /https?:\/\/\S+\/welcome\/\S+/.exec(letter)![0]
  expect(await readQr(page), 'the square in the letter is the same address').toBe(address)
  // on another tablet
  const other = await browser.newPage()
  await other.goto(address)
  await other.getByLabel(/Password/).fill('a fresh password')
  await other.getByRole('button', { name: 'Start' }).click()
  await other.waitForURL('**/floor')
  await other.getByRole('button', { name: 'Sign out' }).click()
  await other.waitForURL('**/sign-in**')
  await other.goto(address)
  await other.getByLabel(/Password/).fill('a second password')
  await other.getByRole('button', { name: 'Start' }).click()
  await expect(other.getByText('This invitation has already been used.')).toBeVisible()
  await other.close()
  await page.getByRole('button', { name: 'Retire Runa' }).click()
  await page.locator('[data-ask-go]').click()
  await expect(page.getByText('Runa is retired; the record stays.')).toBeVisible()
  await page.getByRole('button', { name: 'Reinstate Runa' }).click()
  await expect(page.getByText('Runa is reinstated.')).toBeVisible()
})

test('the rack is changed, taken back, and read from a table by line', async ({ page }) => {
  await signIn(page, 'anneke', '/rack')
  await page.getByRole('button', { name: 'blade 7F', exact: true }).click()
  await page.getByLabel('Leaves with the growth, mm').fill('9')
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(page.getByRole('alert')).toContainText('1/8 in is 3.17 mm, and they may differ by 0.35 mm.')
  await page.getByLabel('Leaves with the growth, mm').fill('3.4')
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(page.getByRole('row', { name: /blade 7F/ })).toContainText('3.4 mm')
  await page.getByRole('button', { name: 'Undo: blade 7F changed' }).click()
  await expect(page.getByRole('row', { name: /blade 7F/ })).toContainText('3.2 mm')
  const table = (text: string) => ({ name: 'rack.csv', mimeType: 'text/csv', buffer: Buffer.from(text) })
  await page.getByLabel('Import the rack from a CSV file').setInputFiles(table('label,kind\n10,blade'))
  await expect(page.getByRole('alert')).toContainText('Line 1: the column lengthMm is missing')
  await expect(page.getByRole('row', { name: /blade 7F/ })).toContainText('3.2 mm')
})

test('a dog’s own proportions are kept, drawn, and refused where no dog has them; its owner is erased', async ({ page }) => {
  await signIn(page, 'ruben', '/dogs')
  await page.getByRole('link', { name: /Inkling/ }).click()
  await page.getByRole('link', { name: 'About this dog' }).click()
  await expect(page.getByLabel('Owner’s first name')).toHaveValue('Solvei')
  await page.getByLabel('Muzzle, stop to nose').fill('400')
  await page.getByRole('button', { name: 'Save', exact: true }).click()
  await expect(page.getByRole('alert')).toContainText(/muzzleMm is 400; it must be \d+ to \d+ mm/)
  await page.getByLabel('Muzzle, stop to nose').fill('62')
  await page.getByRole('button', { name: 'Save', exact: true }).click()
  await expect(page.getByText('Saved.')).toBeVisible()
  page.once('dialog', (dialog) => dialog.accept())
  await page.getByRole('button', { name: 'Erase owner' }).click()
  await expect(page.getByText('Owner erased.')).toBeVisible()
  await expect(page.getByLabel('Owner’s first name')).toHaveValue('')
  await expect(page.getByLabel('Muzzle, stop to nose')).toHaveValue('62')
})
