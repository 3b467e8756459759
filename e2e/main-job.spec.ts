// The whole job once: practice logged, trim graded, record changed, certificate signed by two people.
import type { Page } from '@playwright/test'
import { drawn, expect, openTable, saved, signIn, test } from './app'

test('an instructor logs practice: what, where, tool, whose hands, fault, prompt, minutes, help', async ({ page }) => {
  await signIn(page, 'ruben')
  await openTable(page, 'Tove')
  await drawn(page)
  // end what is under way, then start the next step by touching the dog
  await page.getByRole('button', { name: 'End this step' }).click()
  await page.getByLabel('Minutes', { exact: true }).fill('11')
  await page.getByRole('dialog').getByRole('button', { name: 'End this step' }).click()
  await page.locator('[data-region=skirt]').click()
  const sheet = page.getByRole('dialog')
  await expect(sheet.getByLabel('Technique')).toHaveValue('skirt-line')
  await expect(sheet.getByText(/Hand flat between scissors and skin/)).toBeVisible()
  await sheet.getByRole('radio', { name: 'left' }).click()
  await sheet.getByLabel('Tool').selectOption('blade-7f')
  await sheet.getByRole('radio', { name: 'against' }).click()
  await expect(sheet.getByText('leaves 2 mm (5/64 in), as a 9 with the growth')).toBeVisible()
  await sheet.getByLabel('Tool').selectOption('scissors-straight')
  await sheet.getByRole('button', { name: 'Start' }).click()
  await page.locator('[data-key=fault]').click()
  await page.getByRole('radio', { name: 'right' }).click()
  await page.getByRole('button', { name: /Line not straight/ }).click()
  await page.locator('[data-key=prompt]').click()
  await expect(page.locator('[data-key=prompt]')).toContainText('1 so far')
  await page.getByTestId('undo').click()
  await expect(page.locator('[data-key=prompt]')).toContainText('0 so far')
  await expect(page.locator('[data-key=fault]')).toContainText('1 so far')
  await saved(page)
  await page.reload()
  await expect(page.locator('[data-key=fault]')).toContainText('1 so far')
  await page.getByRole('button', { name: 'End this step' }).click()
  await expect(page.getByRole('dialog').getByText('Say the minutes.')).toBeVisible()
  await page.getByLabel('Minutes', { exact: true }).fill('900')
  await expect(page.getByRole('dialog').getByText('Minutes is 900; allowed is 0 to 480. Nothing was changed.')).toBeVisible()
  await page.getByLabel('Minutes', { exact: true }).fill('9')
  await page.getByRole('dialog').getByRole('button', { name: 'End this step' }).click()
  await saved(page)
  const id = page.url().split('/').at(-1)!
  const session = await (await page.request.get(`/api/sessions/${id}`)).json()
  const started = session.events.filter((event: { kind: string }) => event.kind === 'attemptStarted').at(-1)
  expect(started).toMatchObject({
    v: 1,
    payload: { techniqueId: 'skirt-line', regions: ['skirt'], side: 'left', toolId: 'scissors-straight', hands: 'apprentice' }
  })
  for (const field of ['id', 'deviceId', 'seq', 'lamport', 'atDevice', 'receivedAt', 'by']) expect(started[field], field).toBeTruthy()
})

test('a finished dog takes taps as late, and an instructor counts them', async ({ page }) => {
  await signIn(page, 'ruben')
  await openTable(page, 'Dilys')
  await page.getByRole('button', { name: 'Finish' }).click()
  await saved(page)
  await page.locator('[data-key=prompt]').click()
  await saved(page)
  await page.reload()
  await expect(page.getByText(/Came late, after the dog was finished: a prompt/)).toBeVisible()
  await page.getByRole('button', { name: 'Count it' }).click()
  await expect(page.locator('[data-key=prompt]')).toContainText('1 so far')
})

test('the rack says what a blade leaves with and against the growth, in mm or inches', async ({ page }) => {
  await signIn(page, 'ruben')
  await page.goto('/rack')
  const row = page.getByRole('row', { name: /blade 7F/ })
  await expect(row).toContainText('3.2 mm')
  await expect(row).toContainText('2 mm')
  await page.getByRole('button', { name: 'lengths in inches' }).click()
  await expect(row).toContainText('1/8 in')
  await expect(page.getByRole('row', { name: /blade 30/ })).toContainText('under 0.25 mm: not allowed')
})

test('"I am here" releases the hold point, and the look moves on', async ({ page }) => {
  await signIn(page, 'ruben')
  await page.getByRole('button', { name: /I am here, table 3/ }).click()
  await expect(page.getByRole('button', { name: /I am here, table 3/ })).toHaveCount(0)
})

/** Walks all six stations; measured things at their targets, judged things as they should be. */
async function walkRound(page: Page, change: Record<string, string[]> = {}): Promise<void> {
  for (const [i, station] of ['Side', 'Front', 'Rear', 'Above', 'By hand', 'Handling'].entries()) {
    if (i > 0) await page.getByRole('tab', { name: station }).click()
    const rows = await page.locator('[data-row]').evaluateAll((all) => all.map((row) => row.getAttribute('data-row')!))
    expect(rows.length).toBeGreaterThan(2)
    for (const id of rows) {
      await page.locator(`[data-row="${id}"]`).click()
      const editor = page.locator(`[data-editor="${id}"]`)
      if ((await editor.count()) > 0) {
        const inputs = editor.locator('input[inputmode=decimal]')
        const n = await inputs.count()
        const target = Number(((await page.locator(`[data-row="${id}"]`).innerText()).match(/([\d.]+)\s*±/) ?? [])[1] ?? 1)
        if (n === 0) await editor.getByRole('button', { name: 'As it should be' }).click()
        for (let k = 0; k < n; k++) await inputs.nth(k).fill(change[id]?.[k] ?? String(target))
      }
      await page.locator(`[data-row="${id}"]`).click()
    }
  }
}

test('a finished trim is measured, judged, mended in words, and signed', async ({ page }) => {
  test.setTimeout(120000)
  await signIn(page, 'mira')
  await openTable(page, 'Pia')
  await page.getByRole('button', { name: 'Grade' }).click()
  await page.waitForURL('**/trims/**')
  await expect(page.getByText('0 of 45 answered')).toBeVisible()
  await expect(page.getByTestId('mark')).toHaveCount(0)
  // a length no coat has is refused with a sentence and nothing is lost
  await page.locator('[data-row=back-length]').click()
  await page.getByLabel('Back left reading 1, mm').fill('3.2')
  await page.getByLabel('Back left reading 2, mm').fill('900')
  await expect(page.getByText('900 mm is longer than a coat can be (300). Nothing was changed.')).toBeVisible()
  await page.getByLabel('Back left reading 2, mm').fill('3.2')
  await page.locator('[data-row=back-length]').click()
  await walkRound(page, { 'skirt-length': ['45', '46', '44', '57', '58', '59'], 'cheek-length': ['3.2', '3.2', '3.2', '6.8', '7', '7.2'] })
  await expect(page.getByText('45 of 45 answered')).toBeVisible()
  await expect(page.getByText('It is shown with the mark.')).toBeVisible()
  await saved(page)
  await page.reload()
  await expect(page.getByText('45 of 45 answered')).toBeVisible()
  await page.getByRole('button', { name: 'good', exact: true }).click()
  await page.getByRole('button', { name: 'I call it good: show the mark' }).click()
  await expect(page.getByTestId('mark')).toBeVisible()
  await expect(
    page.getByText(/Right skirt stands 13 mm prouder than the left behind the elbow: take it back \d+(\.\d)? mm\./)
  ).toBeVisible()
  await expect(page.getByText(/Right cheek is 3\.8 mm long at the widest part of the face: take it back 4 mm\./)).toBeVisible()
  await expect(page.getByText(/Worth/).nth(2)).toHaveCount(0)
  await page.getByRole('tab', { name: 'Side' }).click()
  await expect(page.locator('[data-row=skirt-length]')).toContainText('long, right')
  await page.getByRole('button', { name: 'Sign this grading' }).click()
  await expect(page.getByText('Passed.')).toBeVisible()
  await expect(page.getByText('Handling and safety')).toBeVisible()
  await page.getByRole('link', { name: 'What it did to the record' }).click()
  await expect(page.getByText(/Pia is/)).toBeVisible()
  await expect(page.getByTestId('learning-chart')).toHaveAttribute('aria-label', /Learning chart: \d+ of 14 after \d+ attempts/)
  expect(await page.getByTestId('learning-chart').locator('svg path').count()).toBeGreaterThan(5)
  const box = await page.getByTestId('learning-chart').boundingBox()
  expect(box!.height).toBeGreaterThan(150)
})

test('two devices on one draft: both texts are kept, and the hand chooses', async ({ page, context }) => {
  await signIn(page, 'mira')
  await openTable(page, 'Jun')
  await page.getByRole('button', { name: 'Grade' }).click()
  await page.waitForURL('**/trims/**')
  const other = await context.newPage()
  await other.goto(page.url())
  const level = (on: Page, words: RegExp) => on.locator('[data-editor=under-tail]').getByRole('button', { name: words }).click()
  for (const on of [page, other]) {
    await on.getByRole('tab', { name: 'Rear' }).click()
    await on.locator('[data-row=under-tail]').click()
  }
  await level(page, /^4/)
  await saved(page)
  await level(other, /^1/)
  await expect(other.getByText('Another device wrote this sheet')).toBeVisible()
  await other.getByRole('button', { name: 'Go on with theirs' }).click()
  await expect(other.locator('[data-row=under-tail]')).toContainText('4')
})

test('a certificate is signed by two people and never by one alone', async ({ page }) => {
  await signIn(page, 'ruben')
  await page.getByRole('link', { name: 'Certify' }).click()
  await page.getByRole('button', { name: /Tove Lind/ }).click()
  await expect(page.getByText('6 rules: all are met')).toBeVisible()
  await page.getByRole('button', { name: 'Sign as Ruben Castell' }).click()
  await expect(page.getByText(/Ruben Castell may not sign: has signed already/)).toBeVisible()
  await page.getByRole('button', { name: 'Sign out' }).click()
  await signIn(page, 'ottilie')
  await page.getByRole('link', { name: 'Certify' }).click()
  await page.getByRole('button', { name: /Tove Lind/ }).click()
  await page.getByRole('button', { name: 'Sign as Ottilie Marsh' }).click()
  await expect(page.getByText('It is issued.')).toBeVisible()
  await expect(page.getByText(/Audit chain at this decision: [0-9a-f]{64}/)).toBeVisible()
})

test('what is missing is said, and a decision can be declined with its reason', async ({ page }) => {
  await signIn(page, 'anneke')
  await page.getByRole('link', { name: 'Certify' }).click()
  await page.getByRole('button', { name: /Bram Velde/ }).click()
  await page.waitForURL('**/certify/*')
  await expect(page.getByText(/It cannot be issued today/)).toBeVisible()
  await expect(page.getByText(/Sign as Anneke Voss, when 6 are met/)).toBeVisible()
  await page.getByRole('button', { name: 'Decline, why' }).click()
  await page.getByRole('button', { name: 'Decline it' }).click()
  await expect(page.getByText(/Say why it is declined/)).toBeVisible()
  await page.getByLabel('Why').fill('Skirt line and rear leg need May.')
  await page.getByRole('button', { name: 'Decline it' }).click()
  await expect(page.getByText('It was declined.')).toBeVisible()
})
