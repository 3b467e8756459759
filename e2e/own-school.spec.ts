import type { Page } from '@playwright/test'
import { drawn, emptySchool, expect, saved, test, walkRound } from './app'

const chosen = (page: Page, name: string, label: string | RegExp) =>
  page.locator(`select[name=${name}]`).evaluate(
    (select: HTMLSelectElement, want) => {
      const option = [...select.options].find(({ text }) => (want.exact ? text === want.text : new RegExp(want.text).test(text)))!
      select.value = option.value
      select.dispatchEvent(new Event('change', { bubbles: true }))
    },
    typeof label === 'string' ? { text: label, exact: true } : { text: label.source, exact: false }
  )

const EMPTY = emptySchool()

/** The empty school, opened by its first lead assessor, whichever test comes first. */
async function enterOwnSchool(page: Page): Promise<void> {
  await page.goto(EMPTY)
  await expect(page.getByLabel('User name')).toBeVisible()
  if (await page.getByRole('heading', { name: 'A new school' }).isVisible()) {
    await page.getByLabel('Name of the school').fill('Our school')
    await page.getByLabel('Your given name').fill('Ada')
    await page.getByLabel('Your family name').fill('Quist')
    await page.getByLabel('User name').fill('ada')
    await page.getByLabel(/Password/).fill('long enough 7F')
    await page.getByRole('button', { name: 'Open the school' }).click()
  } else {
    await page.getByLabel('User name').fill('ada')
    await page.getByLabel('Password').fill('long enough 7F')
    await page.getByRole('button', { name: 'Sign in' }).click()
  }
  await page.waitForURL('**/floor')
}

test('from an empty school to a graded trim by the interface alone', async ({ page }) => {
  test.setTimeout(180000)
  await enterOwnSchool(page)
  await page.getByRole('link', { name: 'Set up the day' }).click()
  for (const number of [1, 2]) {
    await page.getByRole('button', { name: 'Put a table into the room' }).click()
    await expect(page.getByTestId('said')).toContainText(`Table ${number} stands in the room.`)
  }
  // people, with what is wrong said beside the field first
  await page.getByRole('button', { name: 'Person' }).click()
  await page.getByRole('button', { name: 'Let this person in' }).click()
  await expect(page.getByText('Given name is missing.')).toBeVisible()
  await expect(page.getByText('Password is missing.')).toBeVisible()
  for (const [given, family, username] of [
    ['Odile', 'Tarn', 'odile'],
    ['Per', 'Holt', 'per']
  ]) {
    await page.getByLabel('Given name', { exact: true }).fill(given)
    await page.getByLabel('Family name').fill(family)
    await page.getByLabel('User name').fill(username)
    await page.getByLabel(/First password/).fill('porcelain-7F')
    await chosen(page, 'role', 'apprentice')
    await page.getByLabel('Cohort').fill('Summer')
    await page.getByRole('button', { name: 'Let this person in' }).click()
    await expect(page.getByText(`${given} ${family}`)).toBeVisible()
    await expect(page.getByTestId('said')).toContainText('The person can sign in.')
  }
  // a dog whose height is a slip of the finger, then a right one: nothing that was typed is lost
  await page.getByRole('button', { name: 'Dog', exact: true }).click()
  await page.getByLabel('Name', { exact: true }).fill('Pepperkin')
  await chosen(page, 'bodyType', /bearded/)
  await page.getByLabel(/Coat, as/).fill('wire')
  await chosen(page, 'colour', 'pepper')
  await page.getByLabel(/Height at the withers/).fill('3400')
  await page.getByLabel('Minutes it can stand').fill('30')
  await page.getByLabel('Temperament').fill('easy')
  await page.getByRole('button', { name: 'Take this dog in' }).click()
  await expect(page.getByText('Height at the withers is 3400; allowed is 150 to 900 mm.')).toBeVisible()
  await expect(page.getByLabel('Temperament')).toHaveValue('easy')
  await page.getByLabel(/Height at the withers/).fill('340')
  await page.getByRole('button', { name: 'Take this dog in' }).click()
  await expect(page.getByTestId('said')).toContainText('The dog is taken in.')
  // its page stands before its first visit, and its tools are chosen one step longer
  await page.getByRole('link', { name: 'Pepperkin' }).click()
  await page.getByRole('link', { name: 'Which tool where' }).click()
  await expect(page.getByText('First visit: everything one step longer.')).toBeVisible()
  await expect(page.getByTestId('advice')).toHaveText('blade 5F with the growth, leaves 6.3 mm')
  // a visit: the dog's minutes are said; the same dog and table again are refused in words
  await page.goto(`${EMPTY}/day`)
  const plan = async (who: string, table: string) => {
    await chosen(page, 'apprenticeId', who)
    await chosen(page, 'dogId', 'Pepperkin')
    await chosen(page, 'tableId', table)
    await chosen(page, 'standardId', /earded/)
    await page.getByRole('button', { name: 'Plan this visit' }).click()
  }
  await plan('Odile Tarn', 'Table 1')
  await expect(page.getByTestId('said')).toContainText('The visit is planned.')
  await expect(page.getByTestId('said')).toContainText(/would stand 95 minutes today and can stand 30/)
  await plan('Per Holt', 'Table 1')
  await expect(page.getByText('Pepperkin stands on another table already. Table 1 is taken. Nothing was changed.')).toBeVisible()
  // checked in and said to be ready, then at the table
  await page.getByTestId('day-table').filter({ hasText: 'Odile Tarn' }).getByRole('link').click()
  await page.waitForURL('**/visits/**')
  await page.getByLabel('dry', { exact: true }).check()
  await page.getByLabel(/combed to the skin/).check()
  await page.getByRole('button', { name: 'I say so' }).click()
  await expect(page.getByTestId('gate')).toContainText('Ada Quist says so')
  await page.getByRole('link', { name: 'For the table' }).click()
  await expect(page.getByTestId('sheet')).toContainText('blade 5F with')
  await page.getByRole('link', { name: 'To the table' }).click()
  await page.waitForURL('**/table/**')
  await drawn(page)
  await page.getByRole('button', { name: 'Grade' }).click()
  await page.waitForURL('**/trims/**')
  await expect(page.getByText('0 of 46 answered')).toBeVisible()
  await walkRound(page)
  await expect(page.getByText('46 of 46 answered')).toBeVisible()
  await saved(page)
  await page.getByRole('button', { name: 'good', exact: true }).click()
  await page.getByRole('button', { name: 'I call it good: show the mark' }).click()
  await expect(page.getByTestId('mark')).toBeVisible()
  await page.getByRole('button', { name: 'Sign this grading' }).click()
  await expect(page.getByText('Passed.')).toBeVisible()
})
