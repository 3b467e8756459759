// A mark that an apprentice appeals: someone else marks blind, a lead decides, the other mark is set aside and stays.
import type { Browser, Page } from '@playwright/test'
import { expect, signIn, test } from './app'

async function pageOf(browser: Browser, who: string, path: string): Promise<Page> {
  const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage()
  await signIn(page, who, '/floor')
  await page.goto(path)
  return page
}

test('an apprentice appeals a mark, and a lead who gave neither decides', async ({ page: bram, browser }) => {
  await signIn(bram, 'bram', '/trims')
  // marked by Ruben alone; Bram says first how he sees it himself
  const rows = (await (await bram.request.get('/api/trims')).json()) as {
    gradingId: string
    visitId: string
    onDate: string
    assessor: string
  }[]
  const row = rows.find(({ onDate, assessor }) => onDate >= '2026-04-02' && assessor === 'Ruben Castell')!
  await bram.goto(`/table/${row.visitId}`)
  await bram.getByRole('radio', { name: 'good', exact: true }).click()
  await bram
    .getByRole('button', { name: /Rate|Keep|Save|Send/ })
    .last()
    .click()
  const path = `/trims/${row.gradingId}`
  await bram.goto(path)
  await expect(bram.getByRole('button', { name: 'Appeal this mark' })).toBeVisible()
  const first = (await (await bram.request.get(`/api/gradings/${row.gradingId}`)).json()) as { answers: object }
  await bram.getByRole('button', { name: 'Appeal this mark' }).click()
  await bram.getByLabel('What is wrong with it').fill('The skirt was measured before it was combed down.')
  await bram.getByRole('button', { name: 'Appeal', exact: true }).click()
  await expect(bram.getByTestId('corrections')).toContainText('The skirt was measured before it was combed down.')
  await expect(bram.getByRole('button', { name: 'Appeal this mark' })).toHaveCount(0)

  // someone else sees that a second mark is needed, and not the first one
  const mira = await pageOf(browser, 'mira', '/trims')
  await mira
    .getByRole('link', { name: /Bram Velde on/ })
    .filter({ hasText: 'appealed: needs a second mark' })
    .click()
  await expect(mira.getByRole('button', { name: 'Show the marks' })).toBeVisible()
  await expect(mira.locator('main')).not.toContainText('combed down')
  await mira.getByRole('button', { name: 'Mark it yourself, blind' }).click()
  await expect(mira.getByRole('tab', { name: 'Front' })).toBeVisible()
  const own = mira.url().split('/').at(-1)!
  expect(own).not.toBe(row.gradingId)
  const sheet = (await (await mira.request.get(`/api/gradings/${own}`)).json()) as { blind: boolean; version: number; answers: object }
  expect(sheet.blind).toBe(true)
  // the same answers as the first, sent as the sheet sends them
  const { csrf } = (await (await mira.request.get('/api/me')).json()) as { csrf: string }
  const headers = { 'x-peen-csrf': csrf }
  const draft = { version: sheet.version, answers: first.answers, critical: [], globalRating: 'good' }
  expect((await mira.request.put(`/api/gradings/${own}`, { data: draft, headers })).status()).toBe(200)
  expect((await mira.request.post(`/api/gradings/${own}/sign`, { data: { version: sheet.version + 1 }, headers })).status()).toBe(200)
  await mira.context().close()

  const anneke = await pageOf(browser, 'anneke', path)
  await anneke.getByRole('button', { name: 'Show the marks' }).click()
  await expect(anneke.getByTestId('corrections')).toContainText('Mira Dahl has marked it again, blind.')
  await anneke.getByRole('button', { name: 'Decide the appeal' }).click()
  await anneke.getByRole('radio', { name: 'The second mark' }).click()
  await anneke.getByLabel('Why; the apprentice reads it').fill('The second reading was taken on a combed skirt.')
  await anneke.getByRole('button', { name: 'Decide', exact: true }).click()
  await expect(anneke.getByTestId('corrections')).toContainText('It counts for nothing.')
  await anneke.context().close()
  await bram.reload()
  await expect(bram.getByTestId('corrections')).toContainText('the second mark counts')
  await expect(bram.getByTestId('corrections')).toContainText('The second reading was taken on a combed skirt.')
})
