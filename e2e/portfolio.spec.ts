// What leaves the school in the apprentice's own hands: a portfolio by a link, and the evidence that anyone checks offline.
import { spawnSync } from 'node:child_process'
import { readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { expect, signIn, tablet, test } from './app'
import { looksSound } from './screens'

const ROOT = join(import.meta.dirname, '..')
const verify = (file: string) => spawnSync('npm', ['run', '-s', 'verify', '--', file], { cwd: ROOT, encoding: 'utf8' })

test('a certificate’s evidence is checked offline, and a portfolio is shown, seen and taken back', async ({ page, browser }, info) => {
  test.setTimeout(480000)
  await signIn(page, 'ottilie', '/certify')
  const findings = (await (await page.request.get('/api/findings')).json()) as {
    status: string
    met: number
    of: number
    findingId: string
  }[]
  const { findingId: id } = findings.find((row) => row.status === 'drafted' && row.met === row.of)!
  for (const who of ['ruben', 'ottilie']) {
    const signer = await tablet(browser, who, '/certify')
    await signer.goto(`/certify/${id}`)
    await signer.locator('aside').getByRole('button', { name: /^Sign/ }).click()
    await signer.locator('[data-ask-go]').click()
    await expect(signer.locator('[data-ask-go]')).toBeHidden()
    await signer.context().close()
  }

  // everything behind it, checked with nothing but the file
  await page.goto(`/certify/${id}`)
  const files = page.getByTestId('certificate-files')
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    files.getByRole('button', { name: 'Everything behind it (ZIP)' }).click()
  ])
  const zip = info.outputPath(download.suggestedFilename())
  await download.saveAs(zip)
  const held = verify(zip)
  expect(held.stdout).toContain('Everything that can be checked holds.')
  expect(held.stdout).toMatch(/holds {2}\d+ attempts follow from what was recorded at the table/)
  expect(held.status).toBe(0)
  const bytes = readFileSync(zip)
  bytes[Math.floor(bytes.length / 3)]! ^= 1
  const changed = info.outputPath('changed.zip')
  writeFileSync(changed, bytes)
  const found = verify(changed)
  expect(found.status).toBe(1)
  expect(found.stdout).not.toContain('Everything that can be checked holds.')

  // the apprentice chooses, with the keyboard alone
  const tove = await tablet(browser, 'tove', '/portfolio')
  await tove.getByLabel('For whom').focus()
  await tove.keyboard.type('Combe Kennels')
  const form = tove.getByRole('region', { name: 'Make a portfolio' })
  await form.getByRole('checkbox').first().focus()
  await tove.keyboard.press('Space')
  const trims = form.getByRole('group', { name: 'Graded trims' })
  await trims.getByRole('checkbox').first().focus()
  await tove.keyboard.press('Space')
  await form.getByRole('group', { name: 'Learning charts' }).getByRole('checkbox').first().focus()
  await tove.keyboard.press('Space')
  await form.getByRole('button', { name: 'Make a portfolio' }).focus()
  await tove.keyboard.press('Enter')
  await looksSound(tove, 'portfolios')
  const link = (await tove.locator('[data-link]').textContent())!.trim()
  const made = tove.getByTestId('portfolios')
  await expect(made).toContainText('Combe Kennels')
  await expect(made).toContainText('No one has opened it yet.')

  // the employer has no account
  const employer = await (await browser.newContext({ viewport: { width: 390, height: 800 } })).newPage()
  await employer.goto(link)
  await employer.getByRole('button', { name: 'Open the portfolio' }).click()
  await expect(employer.getByRole('alert')).toContainText('Your name or company is missing.')
  await employer.getByLabel('Your name or company').fill('Jo at Combe')
  await employer.keyboard.press('Enter')
  await expect(employer.getByRole('heading', { name: 'Tove Lind' })).toBeVisible()
  await expect(employer.getByRole('region', { name: 'Graded trims' })).toContainText(/Marked \d+ of 100 \(\d+ to \d+\) by /)
  await expect(employer.getByTestId('learning-chart')).toHaveCount(1)
  await looksSound(employer, 'an open portfolio')
  expect(await employer.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)

  await tove.reload()
  await expect(made).toContainText('Opened by Jo at Combe')
  await made.getByRole('button', { name: 'Take it back' }).click()
  await tove.getByRole('dialog').getByRole('button', { name: 'Take it back' }).click()
  await expect(made).toContainText('taken back')
  await employer.reload()
  await employer.getByLabel('Your name or company').fill('Jo at Combe')
  await employer.keyboard.press('Enter')
  await expect(employer.getByRole('alert')).toContainText('This link was taken back by its owner.')
})
