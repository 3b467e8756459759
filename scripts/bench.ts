// npm run bench: how fast the dog is drawn, as medians and as ratios to a named reference in the same run.
// In Node always; in the browser as well when Peen is running (PEEN_URL, by default http://127.0.0.1:4760).
import { chromium, type Browser, type Page } from '@playwright/test'
import {
  adviceRules,
  bodyById,
  coatFor,
  coats,
  colouringOf,
  cutRegionsOf,
  techniqueName,
  techniqueWaits,
  houseRules,
  rack,
  standards
} from '@peen/content'
import { bakeFigure, extentOf, newRaster, toBytes } from '@peen/core/figure'
import { sheetOf } from '@peen/core/setup'
import sharp from 'sharp'

const [W, H] = [1280, 800]
const coat = coatFor('bearded', 'bearded-pet')
const plan = coat.lengths
const body = bodyById('bearded')
const [left, bottom, right, top] = extentOf(body, 340, 'side', coat)
const scale = Math.min((W - 80) / (right - left), (H - 80) / (top - bottom))
const view = { scale, originX: W / 2 - ((left + right) / 2) * scale, originY: H - 40 }
const spec = { body, withersMm: 340, view: 'side' as const, colouring: colouringOf('pepper'), coat, pxPerMm: scale, budget: 60000 }

const median = (values: readonly number[]) => [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)]
const timed = async (work: () => unknown) => {
  const start = performance.now()
  await work()
  return performance.now() - start
}
const repeat = async (times: number, work: (i: number) => unknown) => {
  const all: number[] = []
  for (let i = 0; i < times; i++) all.push(await timed(() => work(i)))
  return all
}
const say = (name: string, ms: number, reference: number) =>
  console.log(`${name.padEnd(58)} ${String(Math.round(ms)).padStart(6)} ms   ${(ms / reference).toFixed(2)} x reference`)

console.log(`A bearded dog at ${W} x ${H}, 60,000 hairs; medians. Reference: sharp blurs one ${W} x ${H} picture, sigma 8.`)
const noise = Buffer.alloc(W * H * 4, 120)
const reference = median(
  await repeat(7, () =>
    sharp(noise, { raw: { width: W, height: H, channels: 4 } })
      .blur(8)
      .raw()
      .toBuffer()
  )
)
say('reference', reference, reference)

const benched = ['bearded-pet', 'clean-face'].map((id) => standards.find((standard) => standard.id === id)!)
// the adviser for a whole dog: every line of a set-up sheet with its rules
const advice = await repeat(200, (i) =>
  sheetOf(adviceRules, {
    standard: benched[i % 2],
    regionsOf: cutRegionsOf,
    nameOf: techniqueName,
    waits: techniqueWaits,
    coat: i % 2 === 0 ? 'wire' : 'curly',
    facts: new Set(i % 3 === 0 ? ['combed'] : ['known', 'combed', 'light', 'pink']),
    burns: [{ region: 'cheek', side: 'left' }],
    stops: [],
    mats: [],
    hurts: [],
    house: Object.fromEntries(houseRules.map(({ id, chosen }) => [id, chosen])),
    houseRules,
    rack,
    wishes: [],
    excused: [],
    chosen: {}
  })
)
console.log(`${'Node: adviser for a whole dog'.padEnd(58)} ${median(advice).toFixed(1).padStart(6)} ms   limit 5 ms`)

const firstShape = await repeat(5, () => bakeFigure(spec).paintSilhouette(newRaster(W, H), view))
say('Node: filled shape from nothing', median(firstShape), reference)
const firstFull = await repeat(5, () => {
  const raster = newRaster(W, H)
  bakeFigure(spec).paint(raster, view)
  toBytes(raster)
})
say('Node: full first drawing from nothing', median(firstFull), reference)
const figure = bakeFigure(spec)
figure.paint(newRaster(W, H), view)
const sheet = newRaster(W, H)
const change = await repeat(9, (i) => {
  const raster = sheet
  raster.px.fill(0)
  figure.dress({ lengths: { ...plan, back: 3 + i, ribs: 3 + i, skirt: 45 - i } })
  figure.paint(raster, view)
  toBytes(raster)
})
say('Node: redraw after a length change', median(change), reference)
const half = { scale: view.scale / 2, originX: view.originX / 2, originY: view.originY / 2 }
const coarse = await repeat(9, (i) => {
  const raster = newRaster(W / 2, H / 2)
  figure.dress({ lengths: { ...plan, back: 5 + i, ribs: 5 + i, skirt: 40 - i } })
  figure.paint(raster, half, 5)
  toBytes(raster)
})
say('Node: coarse redraw while a hand moves', median(coarse), reference)
const thumbnails = await repeat(3, () => {
  for (const small of coats.slice(0, 12)) thumbnail(small)
})
say('Node: twelve Floor thumbnails of twelve dogs, from nothing', median(thumbnails), reference)

function thumbnail(small: (typeof coats)[number]): void {
  const [w, h] = [150, 120]
  const type = bodyById(small.body)
  const [l, b, r, t] = extentOf(type, type.withersMm, 'side', small)
  const px = Math.min(w / (r - l), h / (t - b))
  const raster = newRaster(w, h)
  bakeFigure({
    body: type,
    withersMm: type.withersMm,
    view: 'side',
    colouring: colouringOf(small.colour),
    coat: small,
    pxPerMm: px,
    budget: 6000
  }).paint(raster, { scale: px, originX: w / 2 - ((l + r) / 2) * px, originY: h + b * px })
  toBytes(raster)
}

// as text: tsx would wrap named functions in helpers that the page does not have
const WATCH_FIRST = `new Promise((resolve) => {
  let start = 0, shape = 0
  const look = () => {
    const canvas = document.querySelector('canvas.dog-picture')
    if (canvas && !start) start = performance.now()
    if (canvas && !shape && canvas.dataset.drawn !== 'waiting') shape = performance.now() - start
    if (canvas && canvas.dataset.drawn === 'full') return resolve({ shape, full: performance.now() - start })
    requestAnimationFrame(look)
  }
  look()
})` as unknown as () => Promise<{ shape: number; full: number }>

const WATCH_TWELVE = `new Promise((resolve) => {
  let start = 0
  const look = () => {
    const all = [...document.querySelectorAll('canvas.dog-picture')]
    if (all.length > 0 && !start) start = performance.now()
    if (all.filter((canvas) => canvas.dataset.drawn === 'full').length >= 12) return resolve(performance.now() - start)
    requestAnimationFrame(look)
  }
  look()
})`

const url = process.env.PEEN_URL ?? 'http://127.0.0.1:4760'
const isOpen = await fetch(url).then(
  (answer) => answer.ok,
  () => false
)
if (isOpen) await inTheBrowser()
else console.log(`Peen is not open at ${url}: not measured in the browser.`)

async function inTheBrowser(): Promise<void> {
  const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu'] })
  const [shapes, fulls]: [number[], number[]] = [[], []]
  for (let i = 0; i < 5; i++) {
    const page = await browser.newPage({ viewport: { width: W, height: H } })
    await watchLongTasks(page)
    await page.goto(`${url}/sign-in`)
    const at = await page.evaluate(WATCH_FIRST)
    shapes.push(at.shape)
    fulls.push(at.full)
    await page.close()
  }
  say('Browser: filled shape, from the canvas on the page', median(shapes), reference)
  say('Browser: full hair, from the canvas on the page', median(fulls), reference)
  const page = await browser.newPage({ viewport: { width: W, height: H } })
  await watchLongTasks(page)
  await page.goto(`${url}/sign-in`)
  await page.fill('#username', 'ruben')
  await page.fill('#password', 'porcelain-7F')
  await page.click('button:has-text("Sign in")')
  await page.waitForURL('**/floor')
  const dogs = (await (await page.request.get(`${url}/api/dogs`)).json()) as { id: string }[]
  await page.goto(`${url}/dogs/${dogs[0].id}`)
  await page.waitForSelector('canvas[data-drawn=full]')
  await page.waitForTimeout(1500)
  await page.evaluate('window.longTasks.length = 0')
  // a hand that moves: a new length every 90 ms
  const rough: number[] = []
  for (let i = 0; i < 24; i++) {
    await page.locator('#length').fill(String(4 + (i % 12)))
    await page.waitForTimeout(90)
    rough.push(Number(await page.getAttribute('canvas.dog-picture', 'data-coarse-ms')))
  }
  await page.waitForTimeout(2000)
  const changes: number[] = []
  for (let i = 0; i < 11; i++) {
    const before = await page.getAttribute('canvas.dog-picture', 'data-count')
    await page.locator('#length').fill(String(4 + i))
    await page.waitForFunction((seen) => document.querySelector('canvas.dog-picture')!.getAttribute('data-count') !== seen, before)
    changes.push(Number(await page.getAttribute('canvas.dog-picture', 'data-ms')))
  }
  say('Browser: coarse redraw while a length moves', median(rough), reference)
  say('Browser: full redraw after a length change', median(changes), reference)
  const longest = await page.evaluate('Math.max(0, ...window.longTasks)')
  say('Browser: longest task of the page while lengths change', Number(longest), reference)
  await page.close()
  await thumbnailsInTheBrowser(browser)
  await browser.close()
}

/** The first twelve small dogs of the plates (two trims, all views), from the first canvas on; then the same page again. */
async function thumbnailsInTheBrowser(browser: Browser): Promise<void> {
  const page = await browser.newPage({ viewport: { width: W, height: H } })
  await page.goto(`${url}/sign-in`)
  await page.fill('#username', 'ruben')
  await page.fill('#password', 'porcelain-7F')
  await page.click('button:has-text("Sign in")')
  await page.waitForURL('**/floor')
  await page.goto(`${url}/trims`)
  await page.click('a[href="/plates"]')
  say('Browser: twelve small pictures of the plates, from nothing', Number(await page.evaluate(WATCH_TWELVE)), reference)
  await page.goBack()
  await page.waitForURL('**/trims')
  await page.goForward()
  say('Browser: the same twelve again', Number(await page.evaluate(WATCH_TWELVE)), reference)
  await page.close()
}

async function watchLongTasks(page: Page): Promise<void> {
  await page.addInitScript(
    'window.longTasks = []; new PerformanceObserver((list) => list.getEntries().forEach((entry) => window.longTasks.push(entry.duration))).observe({ type: "longtask", buffered: false })'
  )
}
