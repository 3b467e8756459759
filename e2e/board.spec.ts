// The printed measuring board: it is found by itself, gives the scale and how the camera was held, and is no part of the dog.
import { BOARDS, markerCells } from '@peen/core/measure'
import type { Page } from '@playwright/test'
import { readFile } from 'node:fs/promises'
import * as pdfjs from 'pdfjs-dist/legacy/build/pdf.mjs'
import sharp from 'sharp'
import { expect, test } from './app'
import { openPicture, openTrim, SOON_MS } from './measured-trim'

/** The ruler of 200 mm in the simulated camera's profiles, in shares of the picture. */
const RULER = { x: 0.8365, top: 0.5515, bottom: 0.908, mm: 200 }

/** A board as it is printed, without perspective; markers that are hidden have grey over them. */
function boardSvg(pxPerMm: number, hidden: readonly number[] = []): Buffer {
  const { widthMm, heightMm, markers } = BOARDS.small
  const rect = (x: number, y: number, side: number, fill: string) =>
    `<rect x="${x}" y="${y}" width="${side}" height="${side}" fill="${fill}"/>`
  const drawn = markers.flatMap(({ id, at, sideMm }) => {
    if (hidden.includes(id)) return [rect(at[0], at[1], sideMm, '#8c8a85')]
    const rows = markerCells(id)
    const cell = sideMm / rows.length
    const white = rows.flatMap((row, j) =>
      row.map((is, i) => (is ? rect(at[0] + i * cell - 0.02, at[1] + j * cell - 0.02, cell + 0.04, '#eceae4') : ''))
    )
    return [rect(at[0], at[1], sideMm, '#202124'), ...white]
  })
  return Buffer.from(
    `<svg xmlns="http://www.w3.org/2000/svg" width="${widthMm * pxPerMm}" height="${heightMm * pxPerMm}" viewBox="0 0 ${widthMm} ${heightMm}"><rect width="${widthMm}" height="${heightMm}" fill="#eceae4"/>${drawn.join('')}</svg>`
  )
}

/** The table camera's picture of Thistle with a board laid over the foot of its ruler. */
async function withBoard(page: Page, hidden: readonly number[] = []): Promise<{ readonly buffer: Buffer; readonly pxPerMm: number }> {
  const src = await page.locator('[data-photo] image').first().getAttribute('href')
  const taken = await (await page.request.get(src!)).body()
  const { width, height } = await sharp(taken).metadata()
  const pxPerMm = ((RULER.bottom - RULER.top) * height!) / RULER.mm
  const top = Math.round(RULER.bottom * height! - BOARDS.small.heightMm * pxPerMm)
  const left = Math.round(RULER.x * width! - 18 * pxPerMm)
  const buffer = await sharp(taken)
    .composite([{ input: boardSvg(pxPerMm, hidden), left, top }])
    .jpeg({ quality: 88 })
    .toBuffer()
  return { buffer, pxPerMm }
}

/** It is said to a tenth of a pixel, and known to a hundredth part. */
const AS_SAID = 0.08
const saidPxPerMm = async (page: Page) =>
  Number(
    (
      await page
        .locator('[data-scale]')
        .getByText(/pixels per millimetre/)
        .innerText()
    ).match(/([\d.]+) pixels/)![1]
  )

async function anotherPicture(page: Page, buffer: Buffer): Promise<void> {
  await page.getByRole('button', { name: 'Another picture' }).click()
  await page.getByLabel('Picture, right').setInputFiles({ name: 'board.jpg', mimeType: 'image/jpeg', buffer })
}

test('a board beside the dog is the scale without a touch, and a hidden one says what to do', async ({ browser }) => {
  test.setTimeout(480000)
  const page = await openTrim(browser)
  await openPicture(page, 'right')
  if (await page.locator('[data-take]').count()) await page.getByRole('button', { name: 'Take it with the table camera' }).click()
  await expect(page.locator('[data-desk=right] [data-photo]')).toBeVisible({ timeout: SOON_MS })
  const scale = page.locator('[data-scale]')
  // no board in the camera's own picture: a hand marks the ruler
  await expect(scale.getByText('Touch the top end of the ruler')).toBeVisible({ timeout: SOON_MS })

  const plain = await withBoard(page)
  const partly = await withBoard(page, [7, 8, 9, 10, 11])
  await anotherPicture(page, partly.buffer)
  await expect(scale.getByText('Only one marker of the measuring board shows')).toBeVisible({ timeout: SOON_MS })

  await anotherPicture(page, plain.buffer)
  await expect(page.getByText('Measuring board found: 6 of its 6 markers.')).toBeVisible({ timeout: SOON_MS })
  expect(Math.abs((await saidPxPerMm(page)) - plain.pxPerMm)).toBeLessThan(AS_SAID)
  await expect(scale.getByText('The camera was level and square to the dog.')).toBeVisible()
  // a page that a printer shrank is put right by its line
  await scale.getByLabel(/Printed line, mm/).fill('76')
  await scale.getByLabel(/Printed line, mm/).press('Tab')
  await expect(async () => {
    expect(Math.abs((await saidPxPerMm(page)) - plain.pxPerMm * (80 / 76))).toBeLessThan(AS_SAID)
  }).toPass()
  await scale.getByLabel(/Printed line, mm/).fill('80')
  await scale.getByLabel(/Printed line, mm/).press('Tab')
  await page.getByRole('button', { name: 'Next: outline' }).click()
  await expect(page.getByText('Outline found.')).toBeVisible({ timeout: SOON_MS })
  await page.getByRole('button', { name: 'Next: places' }).click()
  await page.getByRole('button', { name: 'All points are right' }).click()
  await page.getByRole('button', { name: 'Next: found' }).click()
  await expect(page.locator('[data-found] [data-say]').first()).toBeVisible({ timeout: SOON_MS })
  // it is kept, and is there again
  await page.reload()
  await page.getByRole('button', { name: '1 Scale' }).click()
  await expect(page.getByText('Measuring board found: 6 of its 6 markers.')).toBeVisible({ timeout: SOON_MS })
  await page.getByRole('button', { name: 'Mark a length by hand instead' }).click()
  await expect(scale.getByText('Touch the top end of the ruler')).toBeVisible()
})

test('the boards are printed on two pages, each with a line to check it by', async ({ browser }) => {
  const page = await openTrim(browser)
  await openPicture(page, 'head')
  const coming = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Print a measuring board' }).first().click()
  const file = await coming
  expect(file.suggestedFilename()).toBe('Measuring boards.pdf')
  const pdf = await pdfjs.getDocument({ data: new Uint8Array(await readFile(await file.path())) }).promise
  expect(pdf.numPages).toBe(2)
  const texts: string[] = []
  for (const number of [1, 2]) {
    const sheet = await pdf.getPage(number)
    expect(sheet.view.slice(2).map(Math.round)).toEqual([595, 842])
    texts.push((await sheet.getTextContent()).items.map((item) => ('str' in item ? item.str : '')).join(' '))
  }
  expect(texts[0]).toContain('This line must measure 150 mm.')
  expect(texts[1]).toContain('This line must measure 80 mm.')
})
