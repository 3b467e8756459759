// Every screen in the language for tests (en-XA: accents, brackets, 40 % longer): text without brackets was never put into wording/.
import type { Page } from '@playwright/test'
import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { expect, signIn, test } from './app'
import { screens, watchTraffic } from './screens'

/** Where a screen speaks for itself: what a person presses, and what names a part of the screen. */
const SPEAKS = 'main button, main legend, main label, main h2, main th, header h1, nav.bench a, [role=tab]'
/** Ways to a screen that go by English words, and the list of house rules, which is content. */
const BY_ENGLISH = ['desk', 'grade', 'table', 'house rules']

/** Days are named by Intl, which knows no language for tests. */
const WEEKDAYS = 'Mon Tue Wed Thu Fri Sat Sun'

const small = (text: string) => text.toLowerCase().replace(/\s+/g, ' ')

const CONTENT = join(import.meta.dirname, '../content')
const shipped = readdirSync(CONTENT, { recursive: true, encoding: 'utf8' })
  .filter((name) => name.endsWith('.json'))
  .map((name) => readFileSync(join(CONTENT, name), 'utf8'))
/** What core and contract say is not in wording/ yet: their sources stand for it. */
const notYet = ['../core/src', '../contract/src'].flatMap((room) => {
  const folder = join(import.meta.dirname, room)
  return readdirSync(folder, { recursive: true, encoding: 'utf8' })
    .filter((name) => name.endsWith('.ts') && !name.includes('.test.'))
    .map((name) => readFileSync(join(folder, name), 'utf8'))
})

/** Words that are data: what Peen ships as content, what core and contract say, and whatever the server answered. */
function data(page: Page): () => Promise<string> {
  let known = small([...shipped, ...notYet, 'British English American English blade adjustable at', WEEKDAYS].join(' '))
  // an answer is shown before its words have come here too: they are waited for
  const coming: Promise<void>[] = []
  page.on('response', (response) => {
    if (!response.url().includes('/api/') || !response.headers()['content-type']?.includes('json')) return
    coming.push(
      response.text().then(
        (text) => void (known += small(text)),
        () => undefined
      )
    )
  })
  return async () => {
    await Promise.all(coming.splice(0))
    return known
  }
}

/** What a screen says, text by text: without the messages in brackets, numbers and dates. */
const unbracketed = (page: Page) =>
  page.evaluate((where) => {
    const shown = [...document.querySelectorAll<HTMLElement>(where)].filter(
      (element) => element.checkVisibility() && !element.closest('svg, select')
    )
    const texts = shown.flatMap((element) => {
      const walker = document.createTreeWalker(element, NodeFilter.SHOW_TEXT)
      const found: string[] = []
      while (walker.nextNode()) {
        let text = walker.currentNode.nodeValue ?? ''
        // innermost messages first: one may hold another
        for (let before = ''; before !== text;) [before, text] = [text, text.replace(/⟦[^⟦⟧]*⟧/g, '|')]
        found.push(...text.split(/[|,;:()·]+|\d+(?: [A-Z][a-z]{2}\b)?[\d.]*/))
      }
      return found
    })
    return [...new Set(texts.map((text) => text.trim()).filter((text) => /[a-z]{3}/i.test(text)))]
  }, SPEAKS)

const WIDTHS = [1280, 820, 390]

/** What lies over the right edge of the page, or is cut off where no scrolling reaches it. */
const cut = (page: Page) =>
  page.evaluate(() => {
    const width = document.documentElement.clientWidth
    const all = [...document.querySelectorAll<HTMLElement>('body *')].filter(
      (element) => element.checkVisibility() && !element.closest('svg, .sr-only, .truncate') && element.clientWidth > 1
    )
    const over = all.filter(
      (element) =>
        element.children.length === 0 &&
        element.getBoundingClientRect().right > width + 1 &&
        !element.closest('.overflow-x-auto, .overflow-auto')
    )
    const hides = (element: HTMLElement) => ['hidden', 'clip'].includes(getComputedStyle(element).overflowX)
    const clipped = all.filter((element) => hides(element) && element.scrollWidth > element.clientWidth + 1)
    return [...over, ...clipped].map((element) => `${element.tagName} ${element.textContent?.trim().slice(0, 60)}`)
  })

test('in another language every screen speaks it: no button, label or heading is left in English, and nothing is cut off', async ({
  page
}) => {
  test.setTimeout(480000)
  const known = data(page)
  await signIn(page, 'ottilie')
  const walk = (await screens(page)).filter(([name]) => !BY_ENGLISH.includes(name))
  await page.evaluate(() => localStorage.setItem('peen.language', 'en-XA'))
  await page.reload()
  await expect(page.locator('html')).toHaveAttribute('lang', 'en-XA')
  const settled = watchTraffic(page)
  const wrong: string[] = []
  for (const [name, go] of walk) {
    await go()
    await settled()
    const shown = await unbracketed(page)
    const words = await known()
    const isData = (text: string) => words.includes(small(text).replace(/[.?!…]$/, ''))
    wrong.push(...shown.filter((text) => !isData(text)).map((text) => `${name} says in English: ${text}`))
    for (const width of WIDTHS) {
      await page.setViewportSize({ width, height: 800 })
      await settled()
      wrong.push(...(await cut(page)).map((text) => `${name} at ${width} px cuts off: ${text}`))
    }
    await page.setViewportSize({ width: 1280, height: 800 })
  }
  expect(wrong).toEqual([])
})

test('who reads American English reads it everywhere, and a lead sets what the school reads', async ({ page }) => {
  await signIn(page, 'ottilie', '/settings')
  const own = page.locator('[data-setting=language]')
  await own.getByRole('button', { name: 'American English' }).click()
  await expect(page.locator('html')).toHaveAttribute('lang', 'en-US')
  await page.goto('/room')
  await expect(page.getByRole('button', { name: /^Enroll this tablet|Change this tablet/ })).toBeVisible()
  await page.goto('/settings')
  const school = page.getByTestId('for-the-school')
  await school.getByRole('button', { name: '12 hours' }).click()
  await expect(page.getByText('Saved for the school.')).toBeVisible()
  await expect(school.getByRole('button', { name: '12 hours' })).toHaveAttribute('aria-pressed', 'true')
  await own.getByRole('button', { name: 'British English' }).click()
  await expect(page.locator('html')).toHaveAttribute('lang', 'en-GB')
})
