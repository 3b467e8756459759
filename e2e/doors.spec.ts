import { emptySchool, expect, signIn, test } from './app'

test('a wrong password gets a sentence, and the right one opens the floor', async ({ page }) => {
  await page.goto('/trims')
  await expect(page).toHaveURL(/sign-in/)
  await page.getByRole('button', { name: 'Sign in' }).click()
  await expect(page.getByText('Username is missing.')).toBeVisible()
  await page.getByLabel('Username').fill('ottilie')
  await page.getByLabel('Password').fill('wrong')
  await page.getByRole('button', { name: 'Sign in' }).click()
  await expect(page.getByText('That username and password do not match.')).toBeVisible()
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
  await expect(page.getByText('Where to go next')).toHaveCount(0)
  await expect(page.getByRole('link', { name: 'Certify' })).toHaveCount(0)
  const people = await (await page.request.get('/api/apprentices')).json()
  expect(people.map((person: { givenName: string }) => person.givenName)).toEqual(['Bram'])
  await page.getByRole('link', { name: 'My record' }).click()
  await expect(page.getByText(/(yours|on its way)\./)).toBeVisible()
  await page.goto('/apprentices/00000000-0000-7000-8000-000000000000')
  await expect(page.getByText('Apprentices can read only their own records.')).toBeVisible()
})

test('an empty school asks for its first lead assessor and opens on an empty floor', async ({ page }) => {
  await page.goto(emptySchool())
  await expect(page.getByRole('heading', { name: 'Set up your school' })).toBeVisible()
  await page.getByLabel('School name').fill('Our school')
  await page.getByLabel('Your first name').fill('Ada')
  await page.getByLabel('Your last name').fill('Quist')
  await page.getByLabel('Username').fill('ada')
  await page.getByLabel(/Password/).fill('short')
  await page.getByRole('button', { name: 'Create school' }).click()
  await expect(page.getByText('Password is too short; it must have at least 10 characters.')).toBeVisible()
  await page.getByLabel(/Password/).fill('long enough 7F')
  await page.getByRole('button', { name: 'Create school' }).click()
  await expect(page.getByText('There are no tables in the room yet.')).toBeVisible()
  for (const [place, words] of [
    ['Apprentices', 'No apprentices yet.'],
    ['Dogs', 'No dogs yet.'],
    ['Trims', 'No trims graded yet.'],
    ['Certify', 'No one to certify yet.']
  ] as const) {
    await page.getByRole('link', { name: place }).click()
    await expect(page.getByText(words)).toBeVisible()
  }
})
