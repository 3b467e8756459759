// What keeps a certificate honest, as a lead assessor sees it; and a wish that changes the work, from the door to the sheet.
import { drawn, expect, saved, signIn, test } from './app'

test('a new colleague signs nothing yet, is confirmed by another signer only, and every signer sees it', async ({ page }) => {
  await signIn(page, 'ottilie', '/people')
  const people = page.getByTestId('people')
  await expect(page.getByTestId('accounts')).toContainText('Ruben was confirmed at the server.')
  for (const [label, words] of [
    ['First name', 'Nel'],
    ['Last name', 'Aster'],
    ['Username', 'nel'],
    ['Email address', 'nel@post.example']
  ])
    await page.getByLabel(label, { exact: true }).fill(words)
  await page.getByLabel('Role').selectOption('instructor')
  await page.getByRole('button', { name: 'Write the letter' }).click()
  await expect(page.getByText('The letter is written.')).toBeVisible()
  const nel = people.getByRole('listitem').filter({ hasText: 'Nel Aster' })
  await expect(nel).toContainText('Cannot sign yet: the account is new or reset, and the person has not chosen a password yet.')
  await expect(page.getByTestId('accounts')).toContainText('Nel was added by Ottilie.')
  // who made the account opens the letter; it still waits for another signer, and offers her no button
  const key = /\/welcome\/(\S+)/.exec((await page.getByTestId('letters').textContent())!)![1]
  await page.context().clearCookies()
  const welcomed = await page.request.post('/api/welcome', { data: { token: key, password: 'three wet towels' } })
  expect(welcomed.status()).toBe(200)
  await page.context().clearCookies()
  await signIn(page, 'ottilie', '/people')
  await expect(nel).toContainText('no other signer has met the person and confirmed it')
  await expect(nel.getByRole('button', { name: /^Confirm/ })).toHaveCount(0)
  await page.context().clearCookies()
  await signIn(page, 'ruben', '/people')
  await nel.getByRole('button', { name: 'Confirm Nel' }).click()
  await page.getByRole('dialog').getByRole('button', { name: 'I have met them' }).click()
  await expect(page.getByTestId('accounts')).toContainText('Nel was met and confirmed by Ruben.')
  await expect(nel).toContainText('was confirmed less than 48 hours ago')
})

test('the trail says that nothing signed was changed, with its last entry to print', async ({ page }) => {
  await signIn(page, 'ottilie', '/certify')
  await page.getByRole('link', { name: 'Audit trail' }).click()
  await page.getByRole('button', { name: 'Check now' }).click()
  await expect(page.getByTestId('trail-says')).toHaveText('Nothing that was signed has been changed.')
  await expect(page.getByTestId('trail-head')).toHaveText(/^[0-9a-f]{64}$/)
  await page.context().clearCookies()
  await signIn(page, 'ruben', '/certify')
  await expect(page.getByRole('link', { name: 'Audit trail' })).toHaveCount(0)
})

test('a colleague’s marks say what reading them costs, and are shown once one has asked', async ({ page }) => {
  await signIn(page, 'anneke', '/trims')
  await page
    .getByRole('link', { name: /hidden so that you can still mark it blind/ })
    .first()
    .click()
  await expect(page.getByText(/has marked this trim. If you see the marks, you can no longer mark it blind/)).toBeVisible()
  await page.getByRole('button', { name: 'Show the marks' }).click()
  await expect(page.getByRole('heading', { name: 'A colleague’s marks' })).toHaveCount(0)
  await expect(page.getByText(/^\d+ to \d+/).first()).toBeVisible()
})

test('an apprentice who has left is erased after what goes and what stays is said', async ({ page }) => {
  await signIn(page, 'ottilie', '/people')
  await page.getByRole('button', { name: 'Retire Pia' }).click()
  await page.getByRole('dialog').getByRole('button', { name: 'Retire' }).click()
  await page.getByRole('button', { name: 'Erase Pia' }).click()
  const dialog = page.getByRole('dialog')
  await expect(dialog).toContainText('Name, username, email address, cohort and settings.')
  await expect(dialog).toContainText(/\d+ visits with \d+ attempts and \d+ marks?, without a name/)
  await dialog.getByRole('button', { name: 'Erase for good' }).click()
  const people = page.getByTestId('people')
  await expect(people).toContainText('Former apprentice 1')
  await expect(people).not.toContainText('Pia')
  await expect(page.getByRole('button', { name: /^Reinstate/ })).toHaveCount(0)
})

test('a wish for other work and a mat are on the sheet, each with its sentence', async ({ page }) => {
  await signIn(page, 'ruben')
  const { tables } = (await (await page.request.get('/api/floor')).json()) as {
    tables: { visitId: string; dog: { name: string } | null }[]
  }
  const id = tables.find(({ dog }) => dog?.name === 'Otter')!.visitId
  await page.goto(`/visits/${id}/check-in`)
  await drawn(page)
  await page.getByLabel('changes the work').selectOption('reset')
  await page.getByRole('button', { name: 'Add wish' }).click()
  await expect(page.getByRole('alert')).toContainText('The coat comes off only if the owner agrees')
  await page.getByLabel('changes the work').selectOption('skirtOff')
  await page.getByRole('button', { name: 'Add wish' }).click()
  await page.getByLabel('Place', { exact: true }).selectOption('ribs')
  await page.getByRole('button', { name: 'mat', exact: true }).click()
  await saved(page)
  await page.getByRole('link', { name: 'Set-up sheet' }).click()
  const sheet = page.getByTestId('sheet')
  await expect(sheet).toContainText('Skirt and chest off, legs left, asked for by the owner')
  await expect(sheet).toContainText('never with scissors, and is written down as a hole')
  await expect(sheet).not.toContainText('Skirt line')
})
