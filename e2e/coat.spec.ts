import type { Page } from '@playwright/test'
import { expect, openTable, signIn, test } from './app'

async function openCoat(page: Page, name: string, part = '', who = 'ottilie'): Promise<void> {
  await signIn(page, who, '/coat')
  await page
    .getByRole('link', { name: new RegExp(`^.*${name}`) })
    .first()
    .click()
  await page.waitForURL('**/coat/*')
  if (part) await page.getByRole('link', { name: part, exact: true }).click()
}

test('the terrier out of step tells its lag in days on both sides of the drawn dog, and what mends it', async ({ page }) => {
  await openCoat(page, 'Sedge')
  const plates = page.getByTestId('lag')
  await expect(plates).toHaveText(['11 days ahead', '11 days behind'])
  await expect(page.getByRole('img', { name: /^Sedge from the dog’s own left: Left back is 35 mm long, 11 days behind$/ })).toBeVisible()
  await expect(page.getByText('the sides are 11 days apart')).toBeVisible()
  await expect(page.getByTestId('mends')).toContainText(
    'A half roll instead of a light one, next time, 21 April, puts it right: both sides are in step from 21 April'
  )
  // in time: by the handle, by keys, and played forward
  const day = page.getByRole('slider', { name: 'Day' })
  await expect(day).toHaveAttribute('aria-valuetext', '14 April')
  await page.getByRole('button', { name: 'Spring show' }).click()
  await expect(day).toHaveAttribute('aria-valuetext', '30 May')
  await expect(page.getByText(/^Sedge’s left, 30 May, if rolled as planned$/)).toBeVisible()
  await day.focus()
  await page.keyboard.press('ArrowLeft')
  await expect(day).toHaveAttribute('aria-valuetext', '29 May')
  await page.getByRole('button', { name: 'Today', exact: true }).click()
  await page.getByRole('heading', { name: /^Back/ }).click()
  await page.keyboard.press(']')
  await expect(day).toHaveAttribute('aria-valuetext', '21 April')
  await page.keyboard.press('p')
  await expect(page.getByRole('button', { name: 'Pause' })).toBeVisible()
  await expect.poll(() => day.inputValue().then(Number)).toBeGreaterThan(20565)
  await page.keyboard.press('p')
  await expect(page.getByRole('button', { name: 'Play forward' })).toBeVisible()
  // another place, by touch
  await page.locator('[data-region=shoulder]').first().click()
  await expect(page.getByText('Shoulder: both sides are in step.')).toBeVisible()
  // what if, side by side
  await page.getByTestId('mends').getByRole('link', { name: 'Compare plans' }).click()
  const [plan, half] = [page.getByTestId('what-if-asPlanned'), page.getByTestId('what-if-halfNext')]
  await expect(plan).toContainText('Still 11 days apart on 30 May.')
  await expect(half).toContainText(/In step from 21 April, with \d+ mm of coat on the date\./)
  await page.getByLabel('Compare plans, 3').selectOption({ label: 'The left side only, next time' })
  await expect(page.getByTestId('what-if-leftNext')).toContainText(/Still \d\d days apart on 30 May\./)
  // back from the date, with the keyboard: what, when, and what is still possible where a last day is over
  await page.getByRole('link', { name: 'Back from the date' }).focus()
  await page.keyboard.press('Enter')
  await expect(page.getByTestId('back')).toContainText(/30 May/)
  await expect(page.getByTestId('sessions')).toContainText(/Roll lightly, both sides: /)
  await expect(page.locator('[data-place=chest]')).toContainText('9 mm')
})

test('a line is written on the figure, refused where it cannot be, counted, struck and counted again', async ({ page }) => {
  await openCoat(page, 'Sorrel', 'Coat book', 'mira')
  const book = page.getByRole('region', { name: 'Lines in the book' })
  await expect(book).toContainText('Enzo Falk’s hands; from the table')
  await page.locator('[data-region=ribs]').first().click()
  await page.locator('[data-region=loin]').first().click()
  await expect(page.getByText('At: ribs, loin')).toBeVisible()
  await page.getByRole('button', { name: 'left side', exact: true }).click()
  await page.getByRole('button', { name: 'half', exact: true }).click()
  await page.getByLabel('Whose hands').selectOption({ label: 'Ada Quill' })
  await page.getByLabel('On', { exact: true }).fill('2019-05-01')
  await page.getByRole('button', { name: 'Add to the book' }).click()
  await expect(page.getByRole('alert')).toContainText('Ribs, 1 May 2019: the dog was born on 3 Feb 2020,')
  // nothing is lost: the line stands as it was, with another day
  await page.getByLabel('On', { exact: true }).fill('2026-04-13')
  await page.getByRole('button', { name: 'Add to the book' }).click()
  const line = book.getByRole('listitem').filter({ hasText: '13 Apr' })
  await expect(line).toContainText('Ribs and loin, left: pulled, half')
  await expect(line).toContainText('Ada Quill’s hands; written by hand, Mira Dahl')
  // the sides are out of step now
  await page.getByRole('link', { name: 'Over time', exact: true }).click()
  await expect(page.getByText(/the sides are \d+ days apart/)).toBeVisible()
  await page.getByRole('link', { name: 'Coat book', exact: true }).click()
  const again = page.getByRole('region', { name: 'Lines in the book' }).getByRole('listitem').filter({ hasText: '13 Apr' })
  await again.getByRole('button', { name: 'strike' }).click()
  await again.getByLabel('Why strike it out').fill('it was another dog')
  await again.getByRole('button', { name: 'Strike it out' }).click()
  await expect(again).toContainText('Struck by Mira Dahl: it was another dog')
  await page.getByRole('link', { name: 'Over time', exact: true }).click()
  await expect(page.getByText('both sides are in step').first()).toBeVisible()
  await page.getByRole('link', { name: 'Coat book', exact: true }).click()
  await again.getByRole('button', { name: 'count it again' }).click()
  await page.getByRole('link', { name: 'Over time', exact: true }).click()
  await expect(page.getByText(/the sides are \d+ days apart/)).toBeVisible()
})

test('a clipped coat tells when it comes back, by how it is brushed, and which tool now', async ({ page }) => {
  await openCoat(page, 'Teasel', 'Next visit', 'mira')
  await expect(page.getByText(/acceptable/)).toContainText('4 weeks at its best, 5 acceptable, 7 at most: then the skull has grown out.')
  await page.getByLabel('Brushed at home').selectOption({ label: 'never, as far as we know' })
  await page.getByRole('button', { name: 'Save' }).click()
  await expect(page.getByText(/acceptable/)).toContainText('6 at most: after that it mats.')
  const back = page.getByRole('listitem').filter({ hasText: /^Back/ })
  await expect(back).toContainText(/Cut today: comb 0/)
  await page.getByLabel(/^Comes back in/).fill('9')
  await expect(back).toContainText(/Cut today: blade 3F with, 13 mm: 32 mm then/)
  await expect(page.getByText(/in 100 coats like this are matted by then/)).toBeVisible()
  await expect(back).toContainText('over its limit of 32 mm')
})

test('the end of a table lists what is undone, side by side, and what still fits into the dog’s minutes', async ({ page }) => {
  await signIn(page, 'ruben')
  await openTable(page, 'Bram')
  await page.goto(`${new URL(page.url()).pathname}/end`)
  const undone = page.getByRole('region', { name: 'What is left undone' })
  await expect(undone).toContainText(/Fits into the \d+ minutes left for Flint/)
  await expect(undone.getByTestId('fits')).toContainText('both sides')
  // a step that was done is not among them
  await expect(undone).not.toContainText('Pads, 15')
})

test('the next visit begins with what the last one left, side by side', async ({ page }) => {
  await signIn(page, 'mira', '/coat')
  const dogs = (await (await page.request.get('/api/dogs')).json()) as { id: string; name: string }[]
  const sedge = dogs.find(({ name }) => name === 'Sedge')!.id
  const { visits } = (await (await page.request.get(`/api/dogs/${sedge}`)).json()) as { visits: { visitId: string; onDate: string }[] }
  const next = visits.findLast(({ onDate }) => onDate > '2026-04-14')!
  await page.goto(`/table/${next.visitId}`)
  await expect(page.getByTestId('from-last')).toContainText(/Start with what was left on 7 Apr: .*Back, both sides/)
})

test('a lead sets what is out of step, within limits', async ({ page }) => {
  await signIn(page, 'ottilie', '/house-rules')
  const days = page.getByLabel('Sides are out of step when further apart than')
  await days.fill('90')
  await page.getByRole('button', { name: 'Save these limits' }).click()
  await expect(page.getByRole('alert')).toHaveText('Sides are out of step when further apart than is 90; it must be 0 to 30 days.')
  await days.fill('14')
  await page.getByRole('button', { name: 'Save these limits' }).click()
  await expect(page.getByText('Saved. Every coat is judged by these from now on.')).toBeVisible()
  await page.goto('/coat')
  await expect(page.getByRole('link', { name: /Sedge/ })).not.toContainText('days behind')
})

test('a trim that is clipped beside what it strips: borders before the blade; where it is late, each way is drawn', async ({ page }) => {
  await openCoat(page, 'Larch', 'Back from the date')
  await page.getByLabel('The date that counts').fill('2026-06-13')
  await page.getByLabel('Occasion').fill('Summer show')
  await page.getByRole('button', { name: 'Save', exact: true }).click()
  const sessions = page.getByTestId('sessions').getByRole('listitem')
  await expect(sessions.filter({ hasText: 'Pull the 25 mm borders before any blade, both sides: strip before the ear' })).toContainText(
    '15 May'
  )
  await expect(sessions.last()).toContainText('Clip behind the strips, both sides: cheek')
  await expect(sessions.last()).toContainText('12 Jun')
  const late = page.getByTestId('late')
  await expect(late.getByRole('figure')).toHaveCount(4)
  await expect(page.getByTestId('aim-shorter')).toContainText('Back: 6 mm instead of 34 mm')
  await page.getByLabel('The date that counts').fill('')
  await page.getByRole('button', { name: 'Save', exact: true }).click()
  await expect(page.getByTestId('sessions')).toHaveCount(0)
})
