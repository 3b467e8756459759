// A finished trim on three photographs, by touch, from taking them to the graded sheet.
import type { Page } from '@playwright/test'
import { randomBytes } from 'node:crypto'
import { readFile } from 'node:fs/promises'
import * as pdfjs from 'pdfjs-dist/legacy/build/pdf.mjs'
import sharp from 'sharp'
import { expect, saved, tablet, test } from './app'
import { found, openPicture, openTrim, SOON_MS, step, takeAndScale, touch } from './measured-trim'

const box = async (page: Page) => (await page.locator('[data-photo]').boundingBox())!
/** The ruler's ends as the simulated camera shows them, in shares of the picture: a person sees them. */
const RULER = { head: [0.896, 0.456, 0.916], left: [0.8365, 0.5515, 0.908], right: [0.8365, 0.5515, 0.908] } as const

test('three pictures of a dog become answers on the grade sheet, and say first what was done wrong', async ({ browser }) => {
  test.setTimeout(480000)
  const page = await openTrim(browser)
  await page.getByRole('link', { name: 'Measure it on photographs' }).click()

  await test.step('the head from the front: flat on top, the right cheek prouder', async () => {
    await takeAndScale(page, 'head', RULER.head)
    await step(page, '3 Places')
    await expect(page.getByText('Dashed points are suggestions')).toBeVisible()
    await page.getByRole('button', { name: 'All points are right' }).click()
    await step(page, '4 Found')
    const says = found(page).locator('[data-say]')
    await expect(says.first()).toBeVisible({ timeout: SOON_MS })
    const first = (await says.allInnerTexts()).slice(0, 2).join(' ')
    expect(first).toMatch(/Right cheek sticks out [4-8] mm more than the left, at (8|9) o’clock/)
    expect(first).toMatch(/The head is flat on top/)
    await page.getByRole('button', { name: 'Enter on the sheet' }).click()
    await page.waitForURL('**/measure/left')
  })

  await test.step('a profile: the skirt slopes', async () => {
    await takeAndScale(page, 'left', RULER.left)
    await step(page, '3 Places')
    await page.getByRole('button', { name: 'All points are right' }).click()
    await step(page, '4 Found')
    await expect(
      found(page).getByText(/The skirt slopes: it rises toward the tail by \d+ degrees, and \d+ degrees up were planned/)
    ).toBeVisible({
      timeout: SOON_MS
    })
    await page.getByRole('button', { name: 'Enter on the sheet' }).click()
    await page.waitForURL('**/measure/right')
  })

  await test.step('the other profile, and the sheet', async () => {
    await takeAndScale(page, 'right', RULER.right)
    await step(page, '3 Places')
    await page.getByRole('button', { name: 'All points are right' }).click()
    await step(page, '4 Found')
    await expect(found(page).locator('[data-say]').first()).toBeVisible({ timeout: SOON_MS })
    await page.getByRole('button', { name: 'Enter on the sheet' }).click()
    await page.waitForURL(/\/trims\/[^/]+$/)
    await page.getByRole('tab', { name: 'front' }).click()
    await page.locator('[data-row=flower-circle]').click()
    await expect(page.locator('[data-measured=whole]')).toContainText('On the photograph:')
  })

  await test.step('the feedback sheet is one page with the three pictures and what to put right', async () => {
    const coming = page.waitForEvent('download', { timeout: SOON_MS })
    await page.getByRole('button', { name: 'Feedback sheet, PDF' }).click()
    const download = await coming
    expect(download.suggestedFilename()).toMatch(/^feedback-thistle-\d{4}-\d\d-\d\d\.pdf$/)
    const pdf = await pdfjs.getDocument({ data: new Uint8Array(await readFile(await download.path())) }).promise
    expect(pdf.numPages).toBe(1)
    const { items } = await (await pdf.getPage(1)).getTextContent()
    const text = items.map((item) => ('str' in item ? item.str : '')).join(' ')
    for (const part of ['Head from the front', 'Left profile', 'Right profile']) expect(text).toContain(part)
    expect(text).toMatch(/Right cheek sticks out [4-8] mm more/)
    expect(text).toContain('Hair cannot be put back')
  })

  await test.step('a measure is overruled with a reason, and both are kept', async () => {
    await page.getByRole('button', { name: 'Overrule' }).click()
    await page.getByLabel('Reason for overruling the picture').fill('a lock stood up')
    await page.getByRole('button', { name: 'Overrule', exact: true }).click()
    await expect(page.locator('[data-measured=whole]')).toContainText('Overruled: a lock stood up')
    await saved(page)
    await page.reload()
    await page.getByRole('tab', { name: 'front' }).click()
    await page.locator('[data-row=flower-circle]').click()
    await expect(page.locator('[data-measured=whole]')).toContainText('Overruled: a lock stood up')
  })
})

test('an outline is put right by hand and taken back; what is no picture is refused in a sentence', async ({ browser }) => {
  test.setTimeout(480000)
  const page = await openTrim(browser)
  await page.getByRole('link', { name: 'Measure it on photographs' }).click()
  await page.getByRole('link', { name: /Right profile/ }).click()
  if (await page.locator('[data-take]').count()) {
    await page
      .getByLabel('Picture, right')
      .setInputFiles({ name: 'notes.jpg', mimeType: 'image/jpeg', buffer: Buffer.from('not a picture') })
    await expect(page.getByRole('alert')).toContainText('The picture cannot be read; it must be a JPEG, PNG or WebP.')
    const heic = Buffer.from('\0\0\0\u0018ftypheic\0\0\0\0mif1heic')
    await page.getByLabel('Picture, right').setInputFiles({ name: 'dog.heic', mimeType: 'image/heic', buffer: heic })
    await expect(page.getByRole('alert')).toContainText('The picture is a HEIC file, which Peen cannot read. Set the camera to JPEG')
    await page.getByRole('button', { name: 'Take it with the table camera' }).click()
  }
  await expect(page.locator('[data-desk=right] [data-photo]')).toBeVisible({ timeout: SOON_MS })
  await step(page, '2 Outline')
  await expect(page.getByText('Outline found.').or(page.getByText('Not sure'))).toBeVisible({ timeout: SOON_MS })
  await page.getByRole('radio', { name: 'Paint dog' }).click()
  const at = await box(page)
  await page.mouse.move(at.x + 40, at.y + 60)
  await page.mouse.down()
  await page.mouse.move(at.x + 120, at.y + 60, { steps: 5 })
  await page.mouse.up()
  await expect(page.getByText('0 backdrop touches, 1 stroke')).toBeVisible()
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByText('1 stroke')).toHaveCount(0)
  // a touch on what is backdrop already changes nothing, and says what would
  await page.getByRole('radio', { name: 'Touch the backdrop' }).click()
  await touch(page, 0.05, 0.08)
  await expect(page.getByText('1 place you touched was backdrop already, so nothing changed.')).toBeVisible({ timeout: SOON_MS })
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByText('was backdrop already')).toHaveCount(0, { timeout: SOON_MS })
})

test('a picture in which a white cupboard runs into a white dog is asked about before its outline is called found', async ({ browser }) => {
  test.setTimeout(480000)
  const page = await openTrim(browser)
  await openPicture(page, 'right')
  if (await page.locator('[data-take]').count()) await page.getByRole('button', { name: 'Take it with the table camera' }).click()
  await expect(page.locator('[data-desk=right] [data-photo]')).toBeVisible({ timeout: SOON_MS })
  const src = await page.locator('[data-photo] image').first().getAttribute('href')
  const taken = await (await page.request.get(src!)).body()
  const { width, height } = await sharp(taken).metadata()
  // from the upper border down onto the back, as white as the coat
  const input = {
    create: { width: Math.round(width! * 0.14), height: Math.round(height! * 0.58), channels: 3, background: '#dcdad4' }
  } as const
  const buffer = await sharp(taken)
    .composite([{ input, left: Math.round(width! * 0.43), top: Math.round(height! * 0.06) }])
    .jpeg()
    .toBuffer()
  await page.getByRole('button', { name: 'Another picture' }).click()
  await page.getByLabel('Picture, right').setInputFiles({ name: 'cupboard.jpg', mimeType: 'image/jpeg', buffer })
  await expect(page.getByText('Touch the top end of the ruler')).toBeVisible({ timeout: SOON_MS })
  const [x, top, bottom] = RULER.right
  await touch(page, x, top)
  await touch(page, x, bottom)
  const asked = page.locator('[data-disagreement]')
  await expect(asked.first()).toContainText(/in the ring is more dog than planned, \d+ mm across/, { timeout: SOON_MS })
  await expect(page.getByText('Outline found.')).toHaveCount(0)
  await step(page, '3 Places')
  await page.getByRole('button', { name: 'All points are right' }).click()
  await step(page, '4 Found')
  await expect(page.locator('[data-outline-unsure]')).toContainText('The outline is not sure in one place. Go back to step 2', {
    timeout: SOON_MS
  })
  await expect(page.getByRole('button', { name: 'Enter on the sheet' })).toBeDisabled()
  // a hand that paints it as dog has said what it is
  await step(page, '2 Outline')
  await page.getByRole('radio', { name: 'Paint dog' }).click()
  const picture = (await page.locator('[data-photo] image').first().boundingBox())!
  await page.mouse.move(picture.x + picture.width * 0.48, picture.y + picture.height * 0.2)
  await page.mouse.down()
  await page.mouse.move(picture.x + picture.width * 0.52, picture.y + picture.height * 0.3, { steps: 6 })
  await page.mouse.up()
  await expect(page.getByText('Outline found.')).toBeVisible({ timeout: SOON_MS })
  await step(page, '4 Found')
  await expect(page.getByRole('button', { name: 'Enter on the sheet' })).toBeEnabled({ timeout: SOON_MS })
})

test('a picture of 48 million pixels and over 15 MB is made smaller on the tablet, upright and without its place', async ({ browser }) => {
  const page = await tablet(browser, 'ruben')
  const day = (await (await page.request.get('/api/day/today')).json()) as { visits: { id: string; dog: string }[] }
  const { id } = day.visits.find(({ dog }) => dog === 'Fable')!
  await page.goto(`/visits/${id}/check-in`)
  // grain as a camera has it at dusk, lying on its side
  const grain = await sharp(randomBytes(1000 * 750 * 3), { raw: { width: 1000, height: 750, channels: 3 } })
    .png()
    .toBuffer()
  const taken = await sharp({ create: { width: 8000, height: 6000, channels: 3, background: '#888' } })
    .composite([{ input: grain, tile: true }])
    .withExif({ IFD3: { GPSLatitudeRef: 'N', GPSLatitude: '51/1 30/1 0/1' } })
    .withMetadata({ orientation: 6 })
    .jpeg({ quality: 50 })
    .toBuffer()
  expect(taken.length).toBeGreaterThan(15 * 1_048_576)
  const pictures = page.locator('input[type=file][accept*=jpeg]')
  const sent = page.waitForRequest((request) => request.method() === 'POST' && request.url().includes('/pictures/before/'), {
    timeout: SOON_MS
  })
  await pictures.first().setInputFiles({ name: 'large.jpg', mimeType: 'image/jpeg', buffer: taken })
  const body = (await sent).postDataBuffer()
  expect((await (await sent).response())!.status()).toBe(200)
  const visit = (await (await page.request.get(`/api/visits/${id}`)).json()) as {
    pictures: { moment: string; widthPx: number; heightPx: number }[]
  }
  expect(visit.pictures).toContainEqual(expect.objectContaining({ moment: 'before', widthPx: 1800, heightPx: 2400 }))
  if (body) expect(await sharp(body).metadata()).toMatchObject({ width: 3072, height: 4096 })
})
