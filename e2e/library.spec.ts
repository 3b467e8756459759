// The library of trims and the catalogue of techniques: found, read, printed, made one's own, compared, graded by.
import { lengthsOfWork, type Standard } from '@peen/core/standard'
import type { Page } from '@playwright/test'
import { readdirSync, readFileSync } from 'node:fs'
import { readFile } from 'node:fs/promises'
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs'
import { expect, signIn, test } from './app'

const FOLDER = new URL('../content/standards/', import.meta.url)
// as the application loads them: the lengths follow from the work
const standards = readdirSync(FOLDER).map((file) => {
  const { plan, ...rest } = JSON.parse(readFileSync(new URL(file, FOLDER), 'utf8')) as Standard
  return { ...rest, plan: { ...plan, lengthsMm: lengthsOfWork(plan.work!, { house: {} }) } }
})
const techniques = JSON.parse(readFileSync(new URL('../techniques.json', FOLDER), 'utf8')) as { id: string; regions: string[] }[]
const bearded = standards.find(({ id }) => id === 'bearded-pet')!

test('every trim stands in the library with what defines it, and one is printed for the wall', async ({ page }) => {
  await signIn(page, 'ottilie', '/trims')
  await page.getByRole('link', { name: 'Trim library' }).click()
  const trims = page.locator('[data-trim]')
  await expect(trims).toHaveCount(16)
  for (const { id, makes } of standards) await expect(page.locator(`[data-trim="${id}"]`)).toContainText(makes[0].say)
  await page.getByRole('link', { name: 'Bracelets on clipped legs' }).last().click()
  await expect(page.getByRole('heading', { name: 'Graded by, side by side' })).toBeVisible()
  await expect(page.getByText('a straight tube instead of a bracelet')).toBeVisible()
  // what is done at each place, and what is left alone
  const work = page.locator('[data-work-plan]')
  await expect(work.getByRole('listitem').filter({ hasText: 'Foreleg, the bracelet' })).toContainText('curved scissors')
  await expect(work.getByRole('listitem').filter({ hasText: 'Armpit' })).toContainText('left alone, combed through')
  await page.getByRole('button', { name: 'head', exact: true }).click()
  const coming = page.waitForEvent('download', { timeout: 120000 })
  await page.getByRole('button', { name: 'Wall chart, PDF' }).click()
  const download = await coming
  expect(download.suggestedFilename()).toBe('wall-chart-bracelets.pdf')
  const pdf = await getDocument({ data: new Uint8Array(await readFile(await download.path())) }).promise
  expect(pdf.numPages).toBe(1)
  const [, , wide, high] = (await pdf.getPage(1)).view
  // A3 on its side, 420 x 297 mm in points
  expect([Math.round(wide), Math.round(high)]).toEqual([1191, 842])
  const text = (await (await pdf.getPage(1)).getTextContent()).items.map((item) => ('str' in item ? item.str : '')).join(' ')
  expect(text.replace(/\s+/g, ' ')).toContain('The same bevel at the top as at the bottom')
})

test('a technique is found while typing, worded our own way, and compared', async ({ page }) => {
  await signIn(page, 'ruben', '/techniques')
  await expect(page.getByLabel('Find a technique, fault or place')).toBeVisible()
  await page.keyboard.press('l')
  await page.keyboard.type('toothless')
  await expect(page.getByRole('link', { name: /Which tool where/ })).toBeVisible()
  await page.getByLabel('Find a technique, fault or place').fill('qqzzx')
  await expect(page.getByText('Nothing found for “qqzzx”')).toBeVisible()
  await page.getByLabel('Find a technique, fault or place').fill('ear leath')
  await page.getByRole('link', { name: /^Ear leather and edge/ }).click()
  await expect(page.getByText('It bleeds hard.')).toContainText('An instructor stays until the apprentice is safe with it.')
  await page.getByRole('button', { name: 'Make our own version' }).click()
  const dialog = page.getByRole('dialog')
  await dialog.getByLabel('Usual minutes').fill('900')
  await dialog.getByRole('button', { name: 'Save our version' }).click()
  await expect(dialog.getByRole('alert')).toContainText('Usual minutes is 900; it must be 1 to 240 minutes.')
  await dialog.getByLabel('Usual minutes').fill('12')
  await dialog.getByRole('button', { name: 'Add a step' }).click()
  await dialog.getByLabel('Step 4').fill('Let the ear hang and look at both.')
  await dialog.getByRole('button', { name: 'Save our version' }).click()
  await expect(dialog).toBeHidden()
  await expect(page.getByText('Let the ear hang and look at both.')).toBeVisible()
  await page.getByRole('button', { name: 'Compare' }).click()
  await expect(page.getByRole('dialog').locator('[data-change]')).toHaveCount(2)
  await expect(page.getByRole('dialog')).toContainText('is Let the ear hang and look at both.')
})

test('a trim is changed at its desk: shown on the dog, refused where an instrument cannot decide, used, compared, retired', async ({
  page
}) => {
  test.setTimeout(300000)
  await signIn(page, 'ottilie', '/standards/teddy')
  await page.getByRole('button', { name: /^Edit as version \d/ }).click()
  await page.waitForURL('**/standard-drafts/**')
  const row = page.locator('[data-criterion=teddy-body]')
  await row.getByRole('button').first().click()
  const form = page.locator('[data-criterion-form=teddy-body]')
  await expect(form).toContainText('Full marks from 7.7 to 11.3 mm, none under 3.5 and over 15.5. Grown out at 20 mm.')
  await page.getByRole('button', { name: 'grown out, 20 mm' }).click()
  await expect(page.getByRole('img', { name: /Teddy head on a 4F body, left side/ }).first()).toBeVisible()
  // a band that the gauge cannot decide is said beside it, and the trim cannot be used
  await form.getByRole('textbox', { name: 'Full marks from' }).fill('9.4')
  await form.getByRole('textbox', { name: 'Full marks to' }).fill('9.6')
  await form.getByRole('textbox', { name: 'Full marks to' }).press('Tab')
  await expect(form.getByRole('alert')).toContainText('This instrument is too coarse: it reads to within 0.8 mm')
  await expect(row).toContainText(
    'the instrument is coat gauge, give or take 0.8 mm; it must be accurate to 0.1 mm or better for this band.'
  )
  await expect(page.getByRole('button', { name: 'Bring into use' })).toBeDisabled()
  await form.getByRole('textbox', { name: 'Weight' }).fill('heavy')
  await form.getByRole('textbox', { name: 'Weight' }).press('Tab')
  await expect(form).toContainText('Weight is “heavy”; it must be -100 to 1000.')
  for (let i = 0; i < 2; i++) await page.getByRole('button', { name: 'Undo' }).click()
  await expect(form).toContainText('Full marks from 7.7 to 11.3 mm')
  await form.getByRole('textbox', { name: 'Weight' }).fill('7')
  await form.getByRole('textbox', { name: 'Weight' }).press('Tab')
  await row.getByRole('button', { name: 'Move down' }).click()
  await page.getByRole('button', { name: 'Add a criterion' }).click()
  await expect(page.locator('[data-criterion=own-1]')).toContainText('A new criterion')
  await page.locator('[data-criterion-form=own-1]').getByLabel('Name').fill('Whiskers kept')
  await page.locator('[data-criterion-form=own-1]').getByLabel('Name').press('Tab')
  // the work and its time, and a fault that caps
  await page.getByRole('button', { name: 'Steps, in order', exact: true }).click()
  const work = page.locator('[data-steps-form]')
  const walked = await work.locator('[data-step]').count()
  await work.getByLabel('Add a step').selectOption({ label: 'Mouth' })
  await work.getByRole('button', { name: 'Add' }).click()
  await expect(work.locator('[data-step=mouth]')).toContainText(`${walked + 1}. Mouth`)
  await work.getByRole('button', { name: 'Mouth: move up' }).click()
  await expect(work.locator('[data-step=mouth]')).toContainText(`${walked}. Mouth`)
  await page.getByRole('button', { name: 'Name, pass mark, floors, caps, instruments' }).click()
  await page.getByLabel('Another critical fault').fill('Whiskers cut off')
  await page.getByLabel('Another critical fault').press('Enter')
  await expect(page.getByLabel('Whiskers cut off')).toHaveValue('50')
  await expect(page.getByRole('status').filter({ hasText: 'Ready to use.' })).toContainText(/exactly right gets (9[5-9]|100) and passes/)
  await expect(page.getByText('Everything is saved')).toBeVisible()
  await page.getByRole('button', { name: 'Bring into use' }).click()
  await page.waitForURL(/\/standards\/teddy\/\d$/)
  await expect(page.getByText('Whiskers kept')).toBeVisible()
  await page.getByRole('button', { name: 'Compare' }).click()
  await expect(page.getByRole('dialog').locator('[data-change]')).toHaveCount(6)
  await expect(page.getByRole('dialog')).toContainText('Body, 4F, weight')
  await expect(page.getByRole('dialog')).toContainText('Whiskers cut off (new)')
  await page.getByRole('button', { name: 'Close' }).click()
  await page.getByRole('button', { name: 'Stop offering it' }).click()
  await expect(page.getByText('No longer offered. Existing gradings stay.')).toBeVisible()
})

test('what is done at a place is written pass by pass: a place that is not said keeps a trim from use, a blade brings its length', async ({
  page
}) => {
  await signIn(page, 'ottilie', '/standards/companion')
  await page.getByRole('button', { name: /^Edit as version \d/ }).click()
  await page.waitForURL('**/standard-drafts/**')
  await page.getByRole('button', { name: 'What is done at each place, pass by pass' }).click()
  const back = page.locator('[data-work-form] [data-place=back]')
  await expect(back).toContainText('comb over a blade')
  await back.getByRole('button').first().click()
  await back.getByLabel('Back: what is done').selectOption({ label: 'not written yet' })
  await expect(page.locator('[data-issues]')).toContainText(/work not said/i)
  await expect(page.getByRole('button', { name: 'Bring into use' })).toBeDisabled()
  await back.getByLabel('Back: what is done').selectOption({ label: 'worked, pass by pass' })
  await back.getByLabel('Back, pass 1: work', { exact: true }).selectOption({ label: 'clip' })
  await back.getByLabel('Back, pass 1: tool', { exact: true }).selectOption('blade-5f')
  await expect(back.getByLabel(/^Leaves, mm/)).toHaveValue('6.3')
  await back.getByLabel('Back, pass 1: direction').selectOption('against')
  await expect(back.getByLabel(/^Leaves, mm/)).toHaveValue('2.8')
  await back.getByLabel('Back, pass 1: direction').selectOption('with')
  await back.getByLabel('Back, pass 1: step').selectOption('comb-clip')
  await back.getByRole('button', { name: 'Add a pass' }).click()
  await back.getByLabel('Back, pass 2: work', { exact: true }).selectOption({ label: 'thin or blend' })
  await expect(page.getByText('Everything is saved')).toBeVisible()
  // taken back, the comb is there again
  for (let i = 0; i < 9; i++) await page.getByRole('button', { name: 'Undo' }).click()
  await expect(back).toContainText('comb over a blade')
  await page.getByRole('button', { name: 'Discard' }).click()
  await page.getByRole('button', { name: 'Discard the draft' }).click()
  await page.waitForURL('**/standards')
})

test('a trim of our own begins as another is, and a broken file is refused with its place', async ({ page }) => {
  await signIn(page, 'ruben', '/standards/smile')
  await page.getByRole('button', { name: 'Make our own trim from it' }).click()
  await page.getByRole('dialog').getByLabel('Name').fill('Our short smile')
  await page.getByRole('dialog').getByRole('button', { name: 'Start' }).click()
  await page.waitForURL('**/standard-drafts/**')
  await expect(page.getByText('Only a lead assessor can bring it into use.')).toBeVisible()
  await page.getByRole('button', { name: 'Discard' }).click()
  await page.getByRole('button', { name: 'Discard the draft' }).click()
  await page.waitForURL('**/standards')
  const broken = { ...bearded, criteria: [{ ...bearded.criteria[0], station: 'below' }] }
  const file = page.locator('input[type=file]')
  await file.setInputFiles({ name: 'ours.json', mimeType: 'application/json', buffer: Buffer.from(JSON.stringify(broken)) })
  await expect(page.getByRole('alert')).toContainText('Station is below; it must be side, front')
  await file.setInputFiles({ name: 'ours.json', mimeType: 'application/json', buffer: Buffer.from('{') })
  await expect(page.getByRole('alert')).toContainText('ours.json is not a JSON file.')
  const weightless = { ...bearded, id: 'from-outside', criteria: bearded.criteria.map((one) => ({ ...one, weight: 0 })) }
  await file.setInputFiles({ name: 'ours.json', mimeType: 'application/json', buffer: Buffer.from(JSON.stringify(weightless)) })
  await page.waitForURL('**/standard-drafts/**')
  await expect(page.locator('[data-criterion=back-length]')).toContainText('Back: the weight is 0; it must be more than 0.')
})

/** The dog is said to be ready and every step of its trim is done, as the table would send it. */
async function workThrough(page: Page, visit: string): Promise<void> {
  const { id: by } = (await (await page.request.get('/api/me')).json()) as { id: string }
  const { version } = (await (await page.request.get(`/api/visits/${visit}`)).json()) as { version: number }
  await call(page, 'put', `/visits/${visit}/gate`, { version, dry: true, combed: true })
  const sentAt = new Date().toISOString()
  const steps = standards.find(({ id }) => id === 'bracelets')!.plan.steps
  const events = steps.flatMap(({ technique, toolId, direction, minutes }, i) => {
    const attemptId = crypto.randomUUID()
    const [hands, setting, side, regions] = ['apprentice', 'live', 'both', techniques.find(({ id }) => id === technique)!.regions]
    const begun = { attemptId, techniqueId: technique, regions, side, toolId, direction, hands, setting }
    const ended = { attemptId, minutes, help: 'alone', witness: 'watched' }
    const event = (kind: string, payload: object, seq: number) => {
      const at = { atDevice: sentAt, receivedAt: null }
      return { id: crypto.randomUUID(), v: 1, visitId: visit, by, deviceId: 'e2e', seq, lamport: seq, ...at, kind, payload }
    }
    return [event('attemptStarted', begun, 2 * i + 1), event('attemptEnded', ended, 2 * i + 2)]
  })
  await call(page, 'post', `/visits/${visit}/events`, { events, sentAt })
}

/** A call as the signed-in person, by the same door as the screens. */
async function call(page: Page, method: 'post' | 'put', path: string, data: object): Promise<{ id: string }> {
  const { csrf } = (await (await page.request.get('/api/me')).json()) as { csrf: string }
  const answer = await page.request[method](`/api${path}`, { data, headers: { 'x-peen-csrf': csrf } })
  expect(answer.ok(), await answer.text()).toBe(true)
  return (await answer.json()) as { id: string }
}

test('a poodle in bracelets is graded by touch in six stations; the house’s band and computed readings are on the sheet', async ({
  page
}) => {
  test.setTimeout(300000)
  await signIn(page, 'ottilie')
  await call(page, 'put', '/school/house-rules', { rules: { 'tail-band': 1 } })
  const day = (await (await page.request.get('/api/day/today')).json()) as {
    tables: { id: string }[]
    dogs: { id: string; name: string }[]
    people: { id: string; givenName: string }[]
  }
  const visit = {
    id: crypto.randomUUID(),
    apprenticeId: day.people.at(-1)!.id,
    dogId: day.dogs.find(({ name }) => name === 'Inkling')!.id,
    tableId: day.tables.at(-1)!.id,
    standardId: 'bracelets',
    weeksSince: null,
    wishes: '',
    onDate: '2026-04-20'
  }
  await call(page, 'post', '/visits', visit)
  await page.goto(`/visits/${visit.id}/set-up`)
  await expect(page.locator('[data-moved]').filter({ hasText: '2 in comb' })).toContainText(
    'Tail band by the 2 in comb: 50.8 mm on every dog.'
  )
  await workThrough(page, visit.id)
  const { id } = await call(page, 'post', `/visits/${visit.id}/gradings`, { id: crypto.randomUUID() })
  await page.goto(`/trims/${id}`)
  await page.locator('[data-moved] summary').click()
  await expect(page.locator('[data-moved]').getByText('Tail band by the 2 in comb')).toBeVisible()
  let touches = 0
  for (const [i, station] of ['Side', 'Front', 'Rear', 'Above', 'By hand', 'Handling'].entries()) {
    if (i > 0) await page.getByRole('tab', { name: station }).click()
    touches++
    if (station === 'Front') {
      // one foot is read at its four points: the height is right, the tilt is not, and is not asked for
      await page.locator('[data-row=foot-line]').click()
      const editor = page.locator('[data-editor=foot-line]')
      for (const side of ['left', 'right'])
        for (const [place, mm] of Object.entries({ 'in front': '5', 'on the inside': '0', behind: '-5', 'on the outside': '0' }))
          await editor.getByLabel(`Height of the foot line ${side} ${place}, above the ankle`).fill(mm)
      await page.locator('[data-row=foot-line]').click()
      await expect(page.locator('[data-row=foot-tilt]')).toContainText('10')
    }
    const quick = page.locator('[data-quick]')
    for (let left = await quick.count(); left > 0; left = await quick.count()) {
      await quick.first().click()
      touches++
      await expect(quick).toHaveCount(left - 1)
    }
  }
  const asked = standards.find((one) => one.id === 'bracelets')!.criteria.filter(({ how }) => how.kind !== 'difference').length - 1
  // every criterion once, the V into the croup that this house has as well, every station once; the feet were read in between
  expect(touches).toBe(asked + 6)
  await expect(page.getByText(/(\d+) of \1 answered/)).toBeVisible()
  await page.getByRole('tab', { name: 'Rear' }).click()
  await expect(page.locator('[data-row=band-width]')).toContainText('-4 to 4')
})
