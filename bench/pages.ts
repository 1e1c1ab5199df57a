// Measures how soon pages are there and how long the screen is held: Lighthouse's mobile profile, and the browser's own long tasks.
import { chromium, type Browser, type Page } from '@playwright/test'
import { stations } from '@tidy-badger/core/dossiers'
import { execFile } from 'node:child_process'
import { promisify } from 'node:util'
import { z } from 'zod'
import { launchOptions } from '../e2e/support/browser.ts'
import { runApp, type RunningApp } from '../e2e/support/runApp.ts'

const debugPort = 9377
const runs = Number(process.argv[2] ?? 5)
const median = (values: number[]) => [...values].sort((a, b) => a - b)[values.length >> 1]

function say(what: string, figure: string, goal = ''): void {
  console.log(`${what.padEnd(52)} ${figure.padStart(46)}  ${goal}`)
}

const audit = z.object({ numericValue: z.number() })
/** What is read of its report. */
const scored = z.object({
  categories: z.object({ performance: z.object({ score: z.number() }) }),
  audits: z.object({
    'largest-contentful-paint': audit,
    'total-blocking-time': audit,
    'cumulative-layout-shift': audit,
    'total-byte-weight': audit,
  }),
})

/** Lighthouse's report of a page, by its own program: it comes with `npm run bench` alone, no test installs it. */
async function lighthouse(url: string): Promise<z.infer<typeof scored>> {
  const asked = [url, `--port=${debugPort}`, '--only-categories=performance', '--output=json', '--quiet']
  const { stdout } = await promisify(execFile)('npx', ['lighthouse', ...asked], { maxBuffer: 64e6 })
  return scored.parse(JSON.parse(stdout))
}

/** Median scores of a page. */
async function score(app: RunningApp, what: string, path: string, goal: number): Promise<void> {
  const scores: number[] = []
  const paints: number[] = []
  const blocked: number[] = []
  let bytes = 0
  let moved = 0
  for (let i = 0; i < runs; i++) {
    const { audits, categories } = await lighthouse(`${app.url}${path}`)
    scores.push(Math.round(categories.performance.score * 100))
    paints.push(audits['largest-contentful-paint'].numericValue)
    blocked.push(audits['total-blocking-time'].numericValue)
    moved = Math.max(moved, audits['cumulative-layout-shift'].numericValue)
    bytes = audits['total-byte-weight'].numericValue
  }
  const figures = `${median(scores)}, LCP ${(median(paints) / 1000).toFixed(1)} s, TBT ${median(blocked).toFixed(0)} ms, CLS ${moved.toFixed(3)}, ${(bytes / 1000).toFixed(0)} kB`
  say(`lighthouse: ${what}`, figures, `goal ${goal}`)
}

interface Watched {
  held: number[]
}

/** A page that writes down every task of more than 50 ms. */
async function watched(browser: Browser, app: RunningApp): Promise<Page> {
  const context = await browser.newContext({ baseURL: app.url, serviceWorkers: 'block' })
  const page = await context.newPage()
  await page.addInitScript(() => {
    const seen: Watched = { held: [] }
    Object.assign(window, seen)
    new PerformanceObserver((list) => seen.held.push(...list.getEntries().map((entry) => entry.duration))).observe({
      type: 'longtask',
    })
    localStorage.setItem(
      'tidy-badger-preferences',
      JSON.stringify({ state: { theme: 'light', strong: false, person: 'Runa', device: 'bench' }, version: 0 }),
    )
  })
  return page
}

const heldBy = async (page: Page) => {
  await page.waitForTimeout(300)
  return page.evaluate(() => (window as unknown as Watched).held.splice(0))
}

const words = (held: number[]) => `${held.length} over 50 ms, longest ${Math.max(0, ...held).toFixed(0)} ms`

/** How long it takes until trim says what the ride earned, ms: from the click that led to it, else from the page's own start. */
async function rowsShown(page: Page): Promise<number> {
  // Looked for in the page, frame by frame: from outside it is looked for again only after half a second.
  const opened = await page.waitForFunction(
    () =>
      /of [\d,]+ rows used/.test(document.body.textContent) &&
      performance.now() - ((window as unknown as { clicked?: number }).clicked ?? 0),
    null,
    { polling: 'raf' },
  )
  return Number(await opened.jsonValue())
}

async function hands(app: RunningApp): Promise<void> {
  const browser = await chromium.launch(launchOptions)
  const page = await watched(browser, app)
  for (const job of ['demo-hut-7', 'demo-upper-alp', 'demo-guest-house']) {
    await page.goto(`/job/${job}/${stations[0]}`)
    await page.getByRole('status').first().waitFor()
    await heldBy(page)
    for (const again of [false, true]) {
      const held: number[] = []
      for (const station of stations) {
        const link = page.locator(`nav a[href$="/${station}"]`).first()
        await link.click()
        await page.waitForFunction((at) => location.pathname.endsWith(`/${at}`), station)
        held.push(...(await heldBy(page)))
      }
      say(`turning all pages of ${job}${again ? ', again' : ''}`, words(held), 'goal none')
    }
  }
  await page.goto('/job/demo-hut-7/hook-up')
  await page.getByRole('heading', { name: /ends connected/ }).waitFor()
  await heldBy(page)
  const held: number[] = []
  for (let tick = 0; tick < 6; tick++) {
    await page.keyboard.press('Space')
    held.push(...(await heldBy(page)))
  }
  say('six ticks at hook-up', words(held), 'goal none')

  // A device on which nobody has worked the ride out.
  const other = await watched(browser, app)
  for (const again of [false, true]) {
    await other.goto('/job/demo-upper-alp/hook-up')
    await other.getByRole('heading', { name: /ends connected/ }).waitFor()
    await other.waitForTimeout(1500)
    await other.evaluate(() => {
      document.addEventListener('click', () => Object.assign(window, { clicked: performance.now() }), { capture: true })
    })
    await other.locator('nav a[href$="/trim"]').first().click()
    const took = await rowsShown(other)
    const rows = await other.getByText(/of [\d,]+ rows used/).textContent()
    say(`trim opens${again ? ' again' : ' for the first time'}: ${rows}`, `${took.toFixed(0)} ms`, 'goal 400 ms')
  }
  const fresh = await watched(browser, app)
  await fresh.goto('/job/demo-upper-alp/trim')
  say('trim opens from its address, nothing worked out', `${(await rowsShown(fresh)).toFixed(0)} ms`)
  await browser.close()
}

const app = await runApp({ demo: true })
try {
  const browser = await chromium.launch({
    ...launchOptions,
    args: [...(launchOptions.args ?? []), `--remote-debugging-port=${debugPort}`],
  })
  await score(app, 'the yard', '/', 95)
  await score(app, 'hook-up', '/job/demo-hut-7/hook-up', 90)
  await score(app, 'trim', '/job/demo-upper-alp/trim', 85)
  await browser.close()
  await hands(app)
} finally {
  await app.stop()
}
