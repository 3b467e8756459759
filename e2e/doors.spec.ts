import { emptySchool, expect, signIn, test } from './app'

test('a wrong password gets a sentence, and the right one opens the floor', async ({ page }) => {
  await page.goto('/trims')
  await expect(page).toHaveURL(/sign-in/)
  await page.getByRole('button', { name: 'Sign in' }).click()
  await expect(page.getByText('User name is missing.')).toBeVisible()
  await page.getByLabel('User name').fill('ottilie')
  await page.getByLabel('Password').fill('wrong')
  await page.getByRole('button', { name: 'Sign in' }).click()
  await expect(page.getByText('User name and password do not belong together.')).toBeVisible()
  await page.getByLabel('Password').fill('porcelain-7F')
  await page.getByRole('button', { name: 'Sign in' }).click()
  await expect(page).toHaveURL(/trims/)
  await page.getByRole('button', { name: 'Sign out' }).click()
  await page.waitForURL('**/sign-in**')
  await page.goto('/floor')
  await expect(page).toHaveURL(/sign-in/)
})

test('an apprentice sees own table and own record, and nobody else’s', async ({ page }) => {
  await signIn(page, 'bram')
  await expect(page.getByTestId('table')).toHaveCount(1)
  await expect(page.getByText('Your next three looks')).toHaveCount(0)
  await expect(page.getByRole('link', { name: 'Certify' })).toHaveCount(0)
  const people = await (await page.request.get('/api/apprentices')).json()
  expect(people.map((person: { givenName: string }) => person.givenName)).toEqual(['Bram'])
  await page.getByRole('link', { name: 'My record' }).click()
  await expect(page.getByText(/(yours|on its way)\./)).toBeVisible()
  await page.goto('/apprentices/00000000-0000-7000-8000-000000000000')
  await expect(page.getByText('An apprentice reads own records only.')).toBeVisible()
})

test('an empty school asks for its first lead assessor and opens on an empty floor', async ({ page }) => {
  await page.goto(emptySchool())
  await expect(page.getByRole('heading', { name: 'A new school' })).toBeVisible()
  await page.getByLabel('Name of the school').fill('Our school')
  await page.getByLabel('Your given name').fill('Ada')
  await page.getByLabel('Your family name').fill('Quist')
  await page.getByLabel('User name').fill('ada')
  await page.getByLabel(/Password/).fill('short')
  await page.getByRole('button', { name: 'Open the school' }).click()
  await expect(page.getByText('Password is too short; at least 10 characters.')).toBeVisible()
  await page.getByLabel(/Password/).fill('long enough 7F')
  await page.getByRole('button', { name: 'Open the school' }).click()
  await expect(page.getByText('There is no table in the room yet.')).toBeVisible()
  for (const [place, words] of [
    ['Apprentices', 'No apprentice yet.'],
    ['Dogs', 'No dog yet.'],
    ['Trims', 'No trim has been graded yet.'],
    ['Certify', 'Nobody to certify yet.']
  ] as const) {
    await page.getByRole('link', { name: place }).click()
    await expect(page.getByText(words)).toBeVisible()
  }
})
