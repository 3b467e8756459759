// Every screen in a language that nobody speaks (en-XA: accents, brackets, 40 % longer): what has no brackets was never put into
// wording/, what is cut off has no room for a longer language.
import * as content from '@peen/content'
import { REGIONS } from '@peen/core/regions'
import type { Page } from '@playwright/test'
import { expect, signIn, test } from './app'
import { overTheEdge, screens, watchTraffic } from './screens'

/** Where a screen speaks for itself: what a person presses, and what names a part of the screen. */
const SPEAKS = 'main button, main legend, main label, main h2, main th, header h1, nav.bench a, [role=tab]'
/** Ways to a screen that go by English words, and the list of house rules, which is content. */
const BY_ENGLISH = ['desk', 'grade', 'table', 'house rules']

const small = (text: string) => text.toLowerCase().replace(/\s+/g, ' ')

/** Words that are data: what Peen ships as content, names of places, and whatever the server answered. */
function data(page: Page): () => string {
  let known = small(JSON.stringify(content) + JSON.stringify(REGIONS))
  page.on('response', async (response) => {
    if (!response.url().includes('/api/') || !response.headers()['content-type']?.includes('json')) return
    known += small(await response.text().catch(() => ''))
  })
  return () => known
}

/** What a screen says, part by part: without the messages in brackets, and without numbers. */
const unbracketed = (page: Page) =>
  page.evaluate((where) => {
    const shown = [...document.querySelectorAll<HTMLElement>(where)].filter(
      (element) => element.checkVisibility() && !element.closest('svg, select, [data-words=data]')
    )
    const texts = shown.flatMap((element) => {
      const walker = document.createTreeWalker(element, NodeFilter.SHOW_TEXT)
      let text = ''
      while (walker.nextNode()) text += walker.currentNode.nodeValue ?? ''
      // innermost messages first: one may hold another
      for (let before = ''; before !== text;) [before, text] = [text, text.replace(/⟦[^⟦⟧]*⟧/g, '|')]
      return text.split(/[|,;:()·]+/)
    })
    return [...new Set(texts.map((text) => text.trim()).filter((text) => /[a-z]{3}/i.test(text)))]
  }, SPEAKS)

/** Buttons and headings whose text is cut off. */
const clipped = (page: Page) =>
  page.evaluate((where) => {
    const cut = [...document.querySelectorAll<HTMLElement>(where)].filter(
      (element) =>
        element.checkVisibility() &&
        ['hidden', 'clip'].includes(getComputedStyle(element).overflowX) &&
        !element.className.includes('truncate') &&
        element.scrollWidth > element.clientWidth + 1
    )
    return cut.map((element) => element.innerText.slice(0, 60))
  }, SPEAKS)

test('in a longer language every screen speaks it, cuts nothing off and runs over no edge', async ({ page }) => {
  test.setTimeout(240000)
  const known = data(page)
  await signIn(page, 'ottilie')
  const walk = (await screens(page)).filter(([name]) => !BY_ENGLISH.includes(name))
  await page.evaluate(() => localStorage.setItem('peen.language', 'en-XA'))
  await page.reload()
  await expect(page.locator('html')).toHaveAttribute('lang', 'en-XA')
  const settled = watchTraffic(page)
  const english: string[] = []
  for (const [name, go] of walk) {
    await go()
    await settled()
    const isData = (text: string) => known().includes(small(text).replace(/[.?!…]$/, ''))
    english.push(...(await unbracketed(page)).filter((text) => !isData(text)).map((text) => `${name}: ${text}`))
    expect(await clipped(page), name).toEqual([])
    for (const [width, height] of [
      [390, 844],
      [1280, 800]
    ]) {
      await page.setViewportSize({ width, height })
      await expect.poll(() => overTheEdge(page), `${name} at ${width} px`).toEqual([])
    }
  }
  expect(english).toEqual([])
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
