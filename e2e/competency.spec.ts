import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs'
import { readFileSync } from 'node:fs'
import { answersAtTarget, type Answers } from '@peen/core/grade'
import type { Standard } from '@peen/core/standard'
import { expect, signIn, signIt, tablet, test } from './app'

const TRIM = JSON.parse(readFileSync(new URL('../content/standards/bearded-pet.json', import.meta.url), 'utf8')) as Standard
const RIGHT = answersAtTarget(TRIM)
/** The same trim with a right skirt that hangs long. */
const LONG: Answers = { ...RIGHT, 'skirt-length': { ...RIGHT['skirt-length'], right: { kind: 'readings', mm: [57, 58, 59] } } }

test('the wall says who needs somebody first, why, by touch and by keys, and leads to the chart', async ({ page }) => {
  await signIn(page, 'ottilie', '/wall')
  const wall = page.getByRole('main')
  await expect(wall.getByText(/technique is on hold/)).toBeVisible()
  await page.getByRole('button', { name: /Marek Sosna, Ear leather and edge: on hold/ }).click()
  const reason = page.locator('[data-reason]')
  await expect(reason).toContainText('On hold since')
  await expect(reason).toContainText('A lead assessor can lift it, with a reason.')
  // arrow keys walk on from there
  const from = await page.locator('[data-cell][aria-pressed=true]').getAttribute('data-cell')
  await page.keyboard.press('ArrowRight')
  await expect(page.locator('[data-cell][aria-pressed=true]')).not.toHaveAttribute('data-cell', from!)
  await expect(page.locator('[data-cell][aria-pressed=true]')).toBeFocused()
  await expect(reason.getByRole('heading')).not.toHaveText('Ear leather and edge')
  // only those who slip
  await page.getByRole('radio', { name: 'Slipping' }).click()
  await expect(wall.getByRole('link', { name: 'Pia Rook' })).toBeVisible()
  await expect(wall.getByRole('link', { name: 'Marek Sosna' })).toHaveCount(0)
  await page.getByRole('button', { name: /Pia Rook, Skirt line: slipping/ }).click()
  await expect(reason).toContainText(/Was found competent on .+, but has had too many faulty attempts since/)
  await reason.getByRole('link', { name: 'Open the chart' }).click()
  await page.waitForURL('**/apprentices/**')
  await expect(page.getByRole('heading', { name: /^Skirt line, \d+ of 14/ })).toBeVisible()
  for (const [tab, words] of [
    ['Since reaching ready', /alarm at \d+/],
    ['Help', /of the last 5 alone/],
    ['Minutes', /planned time/]
  ] as const) {
    await page.getByRole('tab', { name: tab }).click()
    await expect(page.locator('[data-chart-say]')).toContainText(words)
    const chart = page.locator('main [role=img]').last()
    expect((await chart.boundingBox())!.height).toBeGreaterThan(150)
    await expect(chart.locator('svg path').nth(4)).toBeAttached()
  }
  // why not yet, in one touch
  await page.locator('[data-certificate=poodles]').getByRole('button').click()
  await expect(page.locator('[data-certificate=poodles]')).toContainText('not held: Clipping, Scissoring')
  await expect(page.locator('[data-next] li').first()).toContainText('Was found competent')
})

test('rules read as sentences, are tried on the cohort, refused where nobody could meet them, and used as a version', async ({ page }) => {
  await signIn(page, 'ottilie', '/rules/clipping')
  await expect(page.getByText('2 finished trims at 75 or more by 1 assessor each')).toBeVisible()
  await page.getByRole('button', { name: 'Change it', exact: true }).click()
  const practised = page.locator('[data-rule="1"]')
  await practised.getByLabel('Dogs').fill('9')
  await practised.getByLabel('Dogs').press('Tab')
  await expect(page.locator('[data-issues]')).toContainText(
    'the number of dogs is 9; it must be at most 5, the number of times asked for. No one could ever meet it.'
  )
  await expect(page.getByRole('button', { name: 'Use it from now on' })).toHaveCount(0)
  await practised.getByLabel('Dogs').fill('4')
  await practised.getByLabel('Dogs').press('Tab')
  // what is begun stays on this device
  await page.reload()
  await expect(practised.getByLabel('Dogs')).toHaveValue('4')
  await expect(page.getByRole('button', { name: 'Use it from now on' })).toBeDisabled()
  await page.getByRole('button', { name: 'Try it on the cohort' }).click()
  await expect(page.locator('[data-dry-run]')).toContainText(/of 12 could be certified today/)
  await page.getByRole('button', { name: 'Use it from now on' }).click()
  await expect(page.getByRole('heading', { name: 'Clipping, version 2' })).toBeVisible()
  await expect(page.getByText('on 4 dogs')).toBeVisible()
  // the school’s own risks: what they make of the chart is said at once
  const charts = page.locator('[data-chart-rules]')
  await charts.getByLabel('Attempts expected').fill('50')
  await charts.getByLabel('Attempts expected').press('Tab')
  await expect(charts).toContainText('ready is reached at 16')
  await charts.getByRole('button', { name: 'Use these for every chart' }).click()
  await expect(charts.getByRole('button', { name: 'Use these for every chart' })).toHaveCount(0)
  await page.goto('/rules/clipping')
  await expect(charts).toContainText('ready is reached at 16')
})

test('on a day of assessment two mark apart and blind, compare, and settle with both marks kept', async ({ page, browser }) => {
  test.setTimeout(300000)
  await signIn(page, 'ottilie', '/assessments')
  await page.getByRole('button', { name: 'Schedule for today' }).click()
  const day = page.locator('[data-day="2026-04-14"]')
  const row = day.locator('li').filter({ hasText: 'Pia Rook' })
  await row.getByLabel('First assessor of Pia Rook').selectOption({ label: 'Mira Dahl' })
  await row.getByLabel('Second assessor of Pia Rook').selectOption({ label: 'Mira Dahl' })
  await row.getByRole('button', { name: 'Appoint' }).click()
  await expect(page.getByRole('alert')).toContainText('The second assessor is the same as the first; choose someone else.')
  await row.getByLabel('Second assessor of Pia Rook').selectOption({ label: 'Hollis Brandt' })
  await row.getByRole('button', { name: 'Appoint' }).click()
  await expect(row).toContainText('not started')
  await row.getByRole('link', { name: 'Open' }).click()
  await page.waitForURL('**/assessments/*')
  const sheet = page.url()

  const mira = await tablet(browser, 'mira', new URL(sheet).pathname)
  const hollis = await tablet(browser, 'hollis', new URL(sheet).pathname)
  for (const [who, answers] of [
    [mira, RIGHT],
    [hollis, LONG]
  ] as const) {
    await who.getByRole('button', { name: 'Mark this trim' }).click()
    await who.waitForURL('**/trims/**')
    // the sheet is filled as from another device; how it is filled by touch has tests of its own
    const grading = `/api/gradings/${new URL(who.url()).pathname.split('/').at(-1)}`
    const { csrf } = (await (await who.request.get('/api/session')).json()).me
    const draft = { version: 1, answers, critical: [], globalRating: null }
    expect((await who.request.put(grading, { data: draft, headers: { 'x-peen-csrf': csrf } })).status()).toBe(200)
    await who.reload()
    await expect(who.getByText('46 of 46 answered')).toBeVisible()
    await who.getByRole('button', { name: 'good', exact: true }).click()
    await who.getByRole('button', { name: 'good: show the mark' }).click()
    await who.getByRole('button', { name: 'Sign this grading' }).click()
    await signIt(who)
    await expect(who.getByRole('button', { name: 'Sign this grading' })).toHaveCount(0)
    if (who === hollis) continue
    // the first has signed: neither the second nor the lead sees anything of it
    await page.goto(sheet)
    await expect(page.getByText('Both mark blind until both have signed. Still to sign: Hollis Brandt.')).toBeVisible()
    await expect(page.getByText('Signed. Shown once both have signed.')).toBeVisible()
    const path = new URL(mira.url()).pathname.replace('/trims/', '/gradings/')
    expect((await hollis.request.get(`/api${path}`)).status()).toBe(403)
    expect((await page.request.get(`/api${path}`)).status()).toBe(403)
  }

  await page.reload()
  await expect(page.getByText(/Mira Dahl gave \d+, Hollis Brandt \d+: \d+ apart/)).toBeVisible()
  await expect(page.locator('[data-differences] li').first()).toContainText('More than measuring error explains.')
  await mira.goto(sheet)
  await mira.getByRole('radio', { name: 'Not passed' }).click()
  await mira.getByLabel('Why').fill('The right skirt was read on both tables: it is long.')
  await mira.getByRole('button', { name: 'Propose it' }).click()
  await expect(mira.getByText('The other assessor then agrees or makes another proposal.')).toBeVisible()
  await hollis.goto(sheet)
  await hollis.getByRole('button', { name: 'Agree', exact: true }).click()
  await expect(hollis.locator('[data-settled]')).toContainText('Mira Dahl and Hollis Brandt agree; both marks stay on record')
  await page.reload()
  await expect(page.locator('[data-settled]')).toContainText('Not passed.')
  expect(await page.locator('[data-marker]').allInnerTexts()).toEqual([
    expect.stringMatching(/between \d+ and \d+/),
    expect.stringMatching(/between \d+ and \d+/)
  ])
  await mira.context().close()
  await hollis.context().close()
})

test('an apprentice takes the own record along, and a cohort comes in from a table', async ({ page, browser }) => {
  const tove = await tablet(browser, 'tove')
  await tove.goto('/apprentices')
  await tove.waitForURL('**/apprentices/**')
  const [book] = await Promise.all([tove.waitForEvent('download'), tove.getByRole('button', { name: 'Logbook (PDF)' }).click()])
  const pdf = await getDocument({ data: new Uint8Array(readFileSync((await book.path())!)), verbosity: 0 }).promise
  const words = (await (await pdf.getPage(1)).getTextContent()).items.map((item) => ('str' in item ? item.str : '')).join(' ')
  expect(words).toContain('Tove Lind')
  expect(words).toContain('Skirt line')
  const [file] = await Promise.all([tove.waitForEvent('download'), tove.getByRole('button', { name: 'File (JSON)' }).click()])
  const record = JSON.parse(readFileSync((await file.path())!, 'utf8')) as { person: { givenName: string }; attempts: unknown[] }
  expect(record.person.givenName).toBe('Tove')
  expect(record.attempts.length).toBeGreaterThan(100)
  await tove.context().close()

  await signIn(page, 'ottilie', '/people')
  const table = page.locator('[data-cohort-table]')
  const choose = (rows: string) =>
    table
      .locator('input[type=file]')
      .setInputFiles({ name: 'cohort.csv', mimeType: 'text/csv', buffer: Buffer.from(`givenName,familyName,email,cohort\r\n${rows}`) })
  await choose('Ada,Brook,ada@post.example,Harvest\r\nBo,,bo@post.example,Harvest\r\n')
  await expect(table).toContainText('No one can be added yet: 1 problem to fix.')
  await expect(table).toContainText('Line 3: Last name is missing')
  await choose('Ada,Brook,ada@post.example,Harvest\r\nBo,Ek,bo@post.example,Harvest\r\n')
  await expect(table).toContainText('New cohort, starting today: Harvest.')
  await table.getByRole('button', { name: 'Add 2 people and write their letters' }).click()
  await expect(page.getByText('2 added; the letters are written.')).toBeVisible()
  await expect(page.getByTestId('people')).toContainText('Ada Brook')
})
