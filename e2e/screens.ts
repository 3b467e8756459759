// Every screen read by axe in the light and for its contrast in the dark, and measured at two narrow widths. Two files walk a half each.
import { AxeBuilder } from '@axe-core/playwright'
import type { Page, Request } from '@playwright/test'
import { expect, openTable, signIn } from './app'

const TAGS = ['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa']

export async function looksSound(page: Page, where: string, only?: string): Promise<void> {
  // there are no frames here: axe runs in the page itself and answers with what it found wrong, nothing else
  const runOnly = only ? { type: 'rule' as const, values: [only] } : { type: 'tag' as const, values: TAGS }
  const axe = new AxeBuilder({ page }).setLegacyMode().options({ runOnly, resultTypes: ['violations'] })
  const { violations } = await axe.analyze()
  const serious = violations.filter((violation) => violation.impact === 'serious' || violation.impact === 'critical')
  expect(
    serious.map((violation) => `${where}: ${violation.id}: ${violation.nodes.map((node) => node.html.slice(0, 120)).join(' | ')}`)
  ).toEqual([])
}

/** Goes on as a link does, without loading the application again. */
async function to(page: Page, path: string): Promise<void> {
  await page.evaluate((address) => {
    history.pushState(history.state, '', address)
    window.dispatchEvent(new PopStateEvent('popstate', { state: history.state }))
  }, path)
}

/** Counts what is on its way, and answers with a wait until nothing has been for a quarter of a second. */
export function watchTraffic(page: Page): () => Promise<void> {
  const open = new Set<Request>()
  let last = Date.now()
  const note = (change: (request: Request) => unknown) => (request: Request) => {
    // the stream of events stays open on purpose
    if (request.url().endsWith('/api/live')) return
    change(request)
    last = Date.now()
  }
  page.on(
    'request',
    note((request) => open.add(request))
  )
  const ended = note((request) => open.delete(request))
  page.on('requestfinished', ended)
  page.on('requestfailed', ended)
  return () => {
    last = Date.now()
    const options = { message: 'the screen has come', intervals: [60] }
    return expect.poll(() => open.size === 0 && Date.now() - last > 250, options).toBe(true)
  }
}

/** A trim under the hand, with a criterion open. */
async function openDesk(page: Page): Promise<void> {
  await to(page, '/standards/smile')
  await page.getByRole('button', { name: /^Edit as version/ }).click()
  await page.waitForURL('**/standard-drafts/**')
  await page.locator('[data-criterion=reverse-back] button').first().click()
  await page.locator('[data-criterion-form=reverse-back]').waitFor()
}

/** Every screen, as an address or a way to it. */
export async function screens(page: Page): Promise<readonly (readonly [string, () => Promise<unknown>])[]> {
  const get = async (path: string) => (await page.request.get(`/api${path}`)).json()
  const [people, dogs, trims, findings] = [await get('/apprentices'), await get('/dogs'), await get('/trims'), await get('/findings')]
  const visit = (await get('/day/today')).visits.find((one: { dog: string }) => one.dog === 'Flint').id
  const signed = trims.find((trim: { status: string }) => trim.status === 'signed').gradingId
  const dogNamed = (name: string) => dogs.find((dog: { name: string }) => dog.name === name).id
  const ungraded = trims.find((trim: { dog: string }) => trim.dog === 'Thistle').gradingId
  const finding = findings.find((row: { findingId: string | null }) => row.findingId).findingId
  return [
    ['floor', () => to(page, '/floor')],
    ['day', () => to(page, '/day')],
    ['calendar', () => to(page, '/calendar/week')],
    ['growing out', () => to(page, `/coat/${dogNamed('Biscuit')}/grow-out`)],
    ['calendar of a month', () => to(page, '/calendar/month')],
    ['ready by a date', () => to(page, '/ready')],
    ['people', () => to(page, '/people')],
    ['check-in', () => to(page, `/visits/${visit}/check-in`)],
    ['set-up', () => to(page, `/visits/${visit}/set-up`)],
    ['for the table', () => to(page, `/visits/${visit}/table`)],
    ['closing', () => to(page, `/visits/${visit}/closing`)],
    ['profile', () => to(page, `/dogs/${dogs[0].id}/profile`)],
    ['table', () => openTable(page, 'Bram')],
    ['end of a table', () => to(page, `/table/${visit}/end`)],
    ['apprentices', () => to(page, '/apprentices')],
    ['apprentice', () => to(page, `/apprentices/${people[0].id}`)],
    ['dogs', () => to(page, '/dogs')],
    ['dog', () => to(page, `/dogs/${dogs[0].id}`)],
    ['adviser', () => to(page, `/dogs/${dogs[0].id}/adviser`)],
    ['coats', () => to(page, '/coat')],
    ['coat in time', () => to(page, `/coat/${dogNamed('Sedge')}`)],
    ['back from the date', () => to(page, `/coat/${dogNamed('Sedge')}/work-back`)],
    ['what if', () => to(page, `/coat/${dogNamed('Sedge')}/what-if`)],
    ['coat book', () => to(page, `/coat/${dogNamed('Larch')}/book`)],
    ['next visit', () => to(page, `/coat/${dogNamed('Teasel')}/next-visit`)],
    ['trims', () => to(page, '/trims')],
    ['photographs', () => to(page, `/trims/${ungraded}/measure/head`)],
    ['result', () => to(page, `/trims/${signed}`)],
    ['library', () => to(page, '/standards')],
    ['standard', () => to(page, '/standards/teddy')],
    ['techniques', () => to(page, '/techniques')],
    ['technique', () => to(page, '/techniques/wrap-ear')],
    ['desk', () => openDesk(page)],
    ['plates', () => to(page, '/plates')],
    ['plate', () => to(page, '/plates/bearded-pet?view=head')],
    ['rack', () => to(page, '/rack')],
    ['house rules', () => to(page, '/house-rules')],
    ['wall', () => to(page, '/wall')],
    ['rules', () => to(page, '/rules/clipping')],
    ['two assessors', () => to(page, '/assessments')],
    ['pass marks', () => to(page, '/pass-marks')],
    ['the trail', () => to(page, '/trail')],
    ['settings', () => to(page, '/settings')],
    ['certify', () => to(page, '/certify')],
    ['finding', () => to(page, `/certify/${finding}`)],
    [
      'grade',
      async () => {
        await openTable(page, 'Dilys')
        await page.getByRole('button', { name: 'Grade' }).click()
        await page.waitForURL('**/trims/**')
        await page.locator('[data-row=back-length]').click()
        await page.locator('[data-editor=back-length]').waitFor()
      }
    ]
  ]
}

const isLong = (name: string) => ['plates', 'house rules', 'library'].includes(name)

/** Walks every second screen, from the first or the second on. */
export async function walkScreens(page: Page, from: 0 | 1): Promise<void> {
  await page.emulateMedia({ colorScheme: 'light', reducedMotion: 'reduce' })
  await page.goto('/sign-in')
  if (from === 0) await looksSound(page, 'sign-in')
  await signIn(page, 'ottilie')
  const half = (await screens(page)).filter((_, i) => i % 2 === from)
  expect(half.length).toBeGreaterThan(9)
  const settled = watchTraffic(page)
  for (const [name, go] of half) {
    await go()
    await settled()
    await looksSound(page, `${name}, light`)
    // a screen reader, and a row of tabs, tell screens apart by these
    expect(await page.locator('h1').count(), `${name}: headings of the first order`).toBe(1)
    expect(await page.title(), name).toMatch(/^(?!Page not found).{3,}, Ferrin Quay$/)
    // the dark changes colours and nothing else; long pages are made of parts that other screens show
    if (!isLong(name)) {
      await page.emulateMedia({ colorScheme: 'dark', reducedMotion: 'reduce' })
      await expect(page.locator('html')).toHaveClass(/dark/)
      await looksSound(page, `${name}, dark`, 'color-contrast')
      await page.emulateMedia({ colorScheme: 'light', reducedMotion: 'reduce' })
    }
    for (const [width, height] of [
      [820, 1180],
      // 1280 x 800 at 200 %
      [640, 400],
      [390, 844]
    ]) {
      await page.setViewportSize({ width, height })
      // the plate follows its frame a moment later
      await expect.poll(() => overTheEdge(page), `${name} at ${width} px`).toEqual([])
    }
    await page.setViewportSize({ width: 1280, height: 800 })
  }
}

export const overTheEdge = (page: Page) =>
  page.evaluate(() => {
    const wide = [...document.querySelectorAll<HTMLElement>('main *, aside *, nav *, header *')].filter(
      (element) =>
        element.getBoundingClientRect().right > window.innerWidth + 1 &&
        !element.closest('svg') &&
        getComputedStyle(element).position !== 'absolute'
    )
    return wide.slice(0, 3).map((element) => `${element.tagName} ${element.className}`)
  })
