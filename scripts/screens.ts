// Pictures of the main views from the running demo, for docs/screenshots and for looking at one's own work.
//   npx tsx scripts/screens.ts [folder] [width] [height] [light|dark] [name ...]
import { chromium, type Page } from '@playwright/test'
import { mkdirSync } from 'node:fs'

const [folder = 'docs/screenshots', width = '1280', height = '800', theme = 'light', ...only] = process.argv.slice(2)
const BASE = process.env.PEEN_URL ?? 'http://127.0.0.1:4760'
mkdirSync(folder, { recursive: true })

const browser = await chromium.launch({
  executablePath: '/usr/bin/chromium',
  args: [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync'
  ]
})
const page = await browser.newPage({ viewport: { width: Number(width), height: Number(height) }, colorScheme: theme as 'light' | 'dark' })
page.on('console', (message) => message.type() === 'error' && console.log('console:', message.text()))
page.on('pageerror', (error) => console.log('page error:', error.message))

async function drawn(target: Page): Promise<void> {
  await target.waitForFunction(
    () => [...document.querySelectorAll('canvas.dog-picture')].every((canvas) => (canvas as HTMLElement).dataset.drawn === 'full'),
    undefined,
    { timeout: 20000 }
  )
  await target.waitForTimeout(500)
}
async function shoot(name: string, act?: () => Promise<void>): Promise<void> {
  if (only.length > 0 && !only.includes(name)) return
  if (act) await act()
  // the stream of events stays open: the network is never idle
  await page.waitForTimeout(900)
  await drawn(page)
  await page.screenshot({ path: `${folder}/${name}.png` })
  console.log(name)
}
const go = (path: string) => () => page.goto(BASE + path).then(() => undefined)
const get = async (path: string) => (await page.request.get(`${BASE}/api${path}`)).json()

await page.goto(`${BASE}/sign-in`)
await page.fill('#username', 'ottilie')
await page.fill('#password', 'porcelain-7F')
await page.click('button:has-text("Sign in")')
await page.waitForURL('**/floor')
await shoot('floor')
const table = (await get('/floor')).tables.find((t: { number: number }) => t.number === 1).visitId
await shoot('table', go(`/table/${table}`))
const last = (await get('/floor')).tables.find((t: { number: number }) => t.number === 4).visitId
await shoot('table-end', go(`/table/${last}/end`))
const [people, dogs, trims, findings] = [await get('/apprentices'), await get('/dogs'), await get('/trims'), await get('/findings')]
type Named = { givenName: string; id: string; name: string; apprentice: string; status: string; gradingId: string; findingId: string }
const ids = {
  pia: people.find((one: Named) => one.givenName === 'Pia').id,
  ember: dogs.find((one: Named) => one.name === 'Ember').id,
  sedge: dogs.find((one: Named) => one.name === 'Sedge').id,
  trim: trims.find((one: Named) => one.status === 'signed' && one.apprentice.startsWith('Ines')).gradingId,
  tove: findings.find((one: Named) => one.apprentice.startsWith('Tove') && one.findingId).findingId,
  bram: findings.find((one: Named) => one.apprentice.startsWith('Bram') && one.findingId)?.findingId
}
await shoot('apprentices', go('/apprentices'))
await shoot('wall', async () => {
  await page.goto(`${BASE}/wall`)
  await page.getByRole('button', { name: /Marek Sosna, Ear leather and edge/ }).click()
})
await shoot('rules', go('/rules/clipping'))
await shoot('pass-marks', go('/pass-marks'))
await shoot('apprentice', go(`/apprentices/${ids.pia}`))
await shoot('dog', go(`/dogs/${ids.ember}`))
await shoot('coat', go(`/coat/${ids.sedge}`))
await shoot('calendar', go('/calendar/week'))
await shoot('ready', async () => {
  await page.goto(`${BASE}/ready?cohort=Autumn&certificate=bearded-pet&by=2026-06-30`)
  // the best plan takes a moment
  await page.getByTestId('asked').waitFor()
})
await shoot('adviser', async () => {
  await page.goto(`${BASE}/dogs/${ids.ember}/adviser`)
  await page.selectOption('#place', 'cheek')
})
await shoot('day', go('/day'))
const visits = (await get('/day/today')).visits as { id: string; dog: string }[]
const visitOf = (dog: string) => visits.find((visit) => visit.dog === dog)!.id
await shoot('check-in', go(`/visits/${visitOf('Flint')}/check-in`))
await shoot('set-up', go(`/visits/${visitOf('Fable')}/set-up`))
await shoot('rack', go('/rack'))
await shoot('house-rules', go('/house-rules'))
await shoot('dogs', go('/dogs'))
await shoot('trims', go('/trims'))
await shoot('plates', go('/plates'))
await shoot('library', go('/standards'))
await shoot('technique', go('/techniques/poodle-foot'))
await shoot('desk', async () => {
  await page.goto(`${BASE}/standards/companion`)
  await page.click('button:has-text("Edit as version")')
  await page.waitForURL('**/standard-drafts/**')
  await page.click('[data-criterion=companion-cheek] button')
  await page.click('button:has-text("grown out")')
})
await shoot('result', go(`/trims/${ids.trim}`))
await shoot('certify', go('/certify'))
/** The two signatures under Tove's certificate, so that there is one to show. */
async function issue(): Promise<void> {
  for (const username of ['ruben', 'ottilie']) {
    const other = await browser.newContext()
    const signedIn = await other.request.post(`${BASE}/api/sign-in`, { data: { username, password: 'porcelain-7F' } })
    const { csrf } = (await signedIn.json()) as { csrf: string }
    await other.request.post(`${BASE}/api/findings/${ids.tove}/sign`, { headers: { 'x-peen-csrf': csrf } })
    await other.close()
  }
}
await shoot('finding', async () => {
  await issue()
  await go(`/certify/${ids.tove}`)()
})
await shoot('check', async () => {
  await issue()
  const { number } = await get(`/findings/${ids.tove}`)
  const { code } = await get(`/findings/${ids.tove}/credential`)
  await go(`/check/${number}/${code}`)()
})
await shoot('finding-open', go(`/certify/${ids.bram}`))
await shoot('grade', async () => {
  await page.goto(`${BASE}/table/${table}`)
  await page.click('button:has-text("Grade")')
  await page.waitForURL('**/trims/**')
  await page.waitForSelector('[data-row]')
  const fill = async (id: string, values: string[]) => {
    if ((await page.getAttribute(`[data-row="${id}"]`, 'aria-expanded')) !== 'true') await page.click(`[data-row="${id}"]`)
    const inputs = page.locator(`[data-editor="${id}"] input[inputmode=decimal]`)
    for (const [i, value] of values.entries()) await inputs.nth(i).fill(value)
  }
  await fill('skirt-length', ['45', '46', '44', '56', '57', '57'])
  await fill('back-length', ['3.1', '3.2', '3.3', '3.4', '3.3', '3.1'])
  await page.waitForTimeout(1200)
})
await shoot('photographs', async () => {
  const trim = trims.find((one: { dog: string }) => one.dog === 'Thistle').gradingId
  await page.goto(`${BASE}/trims/${trim}/measure/head`)
  const take = page.locator('button:has-text("Take it with the table camera")')
  await take.click({ timeout: 5000 }).catch(() => undefined)
  const image = page.locator('[data-photo] image').first()
  await image.waitFor({ timeout: 40000 })
  const box = (await image.boundingBox())!
  for (const share of [0.456, 0.916]) await page.mouse.click(box.x + box.width * 0.896, box.y + box.height * share)
  const steps = page.locator('nav[aria-label="Steps of this picture"] button')
  await steps.nth(1).click()
  await page.waitForSelector('text=Outline found.', { timeout: 60000 })
  await steps.nth(2).click()
  await page.click('text=All points are right')
  await steps.nth(3).click()
  await page.waitForSelector('[data-say]', { timeout: 20000 })
  await page.click('[data-say="headPair.whole"]')
})
await browser.close()
