// A certificate from its second signature to an employer: files, the check page, the page that needs no network, revoking.
import { readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import type { Browser, Page } from '@playwright/test'
import { expect, signIn, test } from './app'

const PAGE = join(import.meta.dirname, '../web/dist/verify.html')

/** A page of a person of their own. */
async function pageOf(browser: Browser, who: string, path: string): Promise<Page> {
  const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage()
  await signIn(page, who, '/certify')
  await page.goto(path)
  return page
}
async function sign(page: Page): Promise<void> {
  await page.locator('aside').getByRole('button', { name: /^Sign/ }).click()
  await page.locator('[data-ask-go]').click()
}

test('an employer checks what a certified apprentice hands over', async ({ page, browser }, info) => {
  await signIn(page, 'ottilie', '/certify')
  const findings = (await (await page.request.get('/api/findings')).json()) as {
    status: string
    met: number
    of: number
    findingId: string
  }[]
  const { findingId: id } = findings.find((row) => row.status === 'drafted' && row.met === row.of)!
  const ruben = await pageOf(browser, 'ruben', `/certify/${id}`)
  await sign(ruben)
  await expect(ruben.locator('aside')).toContainText('Ruben Castell, instructor')
  await ruben.context().close()
  await page.goto(`/certify/${id}`)
  await sign(page)
  const files = page.getByTestId('certificate-files')
  await expect(files).toContainText(/Number 26-\d{3}, code [0-9A-Z]{5}-[0-9A-Z]{5}/)
  const fetched = async (name: string) => {
    const [download] = await Promise.all([page.waitForEvent('download'), files.getByRole('link', { name }).click()])
    const path = info.outputPath(download.suggestedFilename())
    await download.saveAs(path)
    return path
  }
  const [json, png, pdf] = [
    await fetched('Signed file (JSON)'),
    await fetched('Picture that carries it (PNG)'),
    await fetched('Certificate, A4 (PDF)')
  ]
  expect(readFileSync(pdf).subarray(0, 5).toString()).toBe('%PDF-')
  const [, number, code] = /Number (\S+), code (\S+)/.exec((await files.textContent())!)!

  // the employer has no account
  const employer = await (await browser.newContext({ viewport: { width: 390, height: 800 } })).newPage()
  await employer.goto(`/check/${number}/${code.slice(0, 11)}`)
  const verdict = employer.getByTestId('verdict')
  await expect(verdict).toContainText('Valid.')
  await expect(verdict).toContainText('Tove Lind')
  await expect(verdict).toContainText('Ottilie Marsh, lead assessor')
  const choose = employer.locator('input[type=file]')
  await choose.setInputFiles(png)
  await expect(verdict).toContainText('Valid.')
  const changed = info.outputPath('changed.json')
  writeFileSync(changed, readFileSync(json, 'utf8').replace('Tove Lind', 'Tore Lind'))
  await choose.setInputFiles(changed)
  await expect(verdict).toContainText('This file was changed after it was signed.')
  await expect(verdict).toContainText('Changed: the holder’s name.')
  await employer.getByLabel(/^Code/).fill('00000-00000')
  await employer.getByRole('button', { name: 'Check' }).click()
  await expect(verdict).toContainText('A certificate with this number and this code does not exist.')

  // and where there is no network, a page of its own
  const offline = await (await browser.newContext({ offline: true, locale: 'en-GB' })).newPage()
  await offline.goto(`file://${PAGE}`)
  await offline.locator('#files').setInputFiles(json)
  await expect(offline.locator('#verdict')).toContainText('Nothing in this file was changed since Ferrin Quay signed it.')
  await expect(offline.locator('#verdict')).toContainText('Revocation: not known.')
  await offline.locator('#files').setInputFiles(changed)
  await expect(offline.locator('#verdict')).toContainText('This file was changed after it was signed.')

  // a lead takes it back: the page says so, and the school's list says it without a network
  await page.getByRole('button', { name: 'Revoke this certificate' }).click()
  await page.getByRole('radio', { name: 'The holder asked for it' }).click()
  await page.getByLabel('Why, for the school’s own records').fill('Tove moves to another school.')
  await page.getByRole('button', { name: 'Revoke', exact: true }).click()
  await expect(page.getByTestId('revoked')).toContainText('Tove moves to another school.')
  await expect(page.getByTestId('certificate-files')).toHaveCount(0)
  await employer.goto(`/check/${number}/${code.slice(0, 11)}`)
  await expect(verdict).toContainText('Revoked on 14 April 2026.')
  await expect(verdict).toContainText('The holder asked for it.')
  const list = info.outputPath('revoked.json')
  writeFileSync(list, await (await page.request.get('/api/status/1')).text())
  const keys = info.outputPath('keys.json')
  writeFileSync(keys, await (await page.request.get('/api/issuer')).text())
  await offline.reload()
  await offline.locator('#files').setInputFiles([json, keys, list])
  await expect(offline.locator('#verdict')).toContainText('The signing key is on the school’s list of keys.')
  await expect(offline.locator('#verdict')).toContainText('Revoked, as of the school’s list of 14 April 2026.')
  await employer.context().close()
  await offline.context().close()
})
