import type { Station } from '@tidy-badger/core/dossiers'
import { readFile } from 'node:fs/promises'
import { createRequire } from 'node:module'
import type axe from 'axe-core'
import { test as base, expect, type ConsoleMessage, type Page } from '@playwright/test'
import { runApp, yardFolder, type RunningApp } from './runApp.ts'

interface WorkerFixtures {
  /** One server per worker, on a copy of the demo yard. */
  app: RunningApp
  /** The page that tests of a worker have in turn. */
  kept: { page: Page | null }
}

interface Fixtures {
  /** Opens a copy of a demo job for one test alone. @returns its id */
  copy: (demo: string) => Promise<string>
  /**
   * A page of somebody called Runa, as new, that fails its test on any error in its console. It is the same page for one test after the other:
   * what the app's scripts were compiled to stays with it.
   */
  page: Page
  /** Another such page, for this test alone: one that is prepared, or looked into, in a way that cannot be taken back. */
  ownPage: Page
  /** Says that the link will be cut, or that what is sent will be refused: the browser's own words about it are then expected. */
  cutting: { link: boolean; refused?: boolean }
}

let copies = 0
/** As it is sent to a page: without what is there for who reads it, half as long. */
const axeScript = readFile(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8')

/** Sends JSON to a server, as a script would. */
export function post(url: string, body: unknown): Promise<Response> {
  return fetch(url, { method: 'POST', headers: { 'content-type': 'application/json' }, body: JSON.stringify(body) })
}

export const test = base.extend<Fixtures, WorkerFixtures>({
  app: [
    async ({}, use) => {
      const app = await runApp({ folder: await yardFolder() })
      await use(app)
      await app.stop()
    },
    { scope: 'worker' },
  ],
  copy: async ({ app }, use) => {
    await use(async (demo) => {
      const file = await (await fetch(`${app.url}/api/jobs/${demo}/export`)).json()
      const id = `${demo}-copy-${process.pid}-${copies++}`
      const job = { ...file.job, id, origin: id, title: `${file.job.title} (${id})` }
      const answer = await post(`${app.url}/api/jobs/import`, { ...file, job })
      return (await answer.json()).id
    })
  },
  cutting: async ({}, use) => use({ link: false, refused: false }),
  baseURL: async ({ app }, use) => use(app.url),
  kept: [({}, use) => use({ page: null }), { scope: 'worker' }],
  page: async ({ kept, browser, app, cutting, viewport }, use) => {
    kept.page ??= await (await browser.newContext()).newPage()
    const page = kept.page
    await made(page, app.url)
    if (viewport) await page.setViewportSize(viewport)
    const watching = watch(page, cutting)
    await use(page)
    watching.end()
    expect(watching.errors).toEqual([])
  },
  ownPage: async ({ context, cutting }, use) => {
    const page = await context.newPage()
    await named(page, 'Runa')
    const { errors } = watch(page, cutting)
    await use(page)
    expect(errors).toEqual([])
  },
})

export { expect }

/** Makes a page as new, on Runa's device: nothing is kept from what it was used for. */
async function made(page: Page, url: string): Promise<void> {
  await page.unrouteAll({ behavior: 'ignoreErrors' })
  await page.context().setOffline(false)
  await page.context().clearCookies()
  await page.emulateMedia({ media: null })
  // A picture of the same server: what it keeps is at hand, and nothing of the app runs.
  await page.goto(`${url}/badger.svg`)
  await page.mouse.move(0, 0)
  await page.evaluate(async () => {
    localStorage.clear()
    sessionStorage.clear()
    const gone = ({ name }: IDBDatabaseInfo) =>
      new Promise((done, failed) => {
        const request = indexedDB.deleteDatabase(name ?? '')
        request.onsuccess = done
        request.onerror = failed
      })
    await Promise.all((await indexedDB.databases()).map(gone))
  })
  await page.evaluate(introduce, ['Runa', {}] as const)
}

/** Collects what must not happen on a page, until it is ended. */
export function watch(
  page: Page,
  cutting: { link: boolean; refused?: boolean },
): { errors: string[]; end: () => void } {
  const errors: string[] = []
  const failed = (error: Error) => errors.push(`page error: ${error.message}`)
  const said = (message: ConsoleMessage) => {
    if (message.type() !== 'error') return
    const text = message.text()
    if (cutting.link && /Failed to load resource|ERR_INTERNET_DISCONNECTED|ERR_CONNECTION_REFUSED|WebSocket/.test(text))
      return
    if (cutting.refused && /status of 422/.test(text)) return
    errors.push(`console: ${text}`)
  }
  page.on('pageerror', failed)
  page.on('console', said)
  return {
    errors,
    end: () => {
      page.off('pageerror', failed)
      page.off('console', said)
    },
  }
}

function introduce([name, rest]: readonly [string, object]): void {
  const key = 'tidy-badger-preferences'
  if (localStorage.getItem(key) === null)
    localStorage.setItem(
      key,
      JSON.stringify({
        state: { theme: 'light', strong: false, person: name, device: `of-${name}`, ...rest },
        version: 0,
      }),
    )
}

/** Lets a page's device know who works there, as if asked before. */
export async function named(page: Page, person: string, more: object = {}): Promise<void> {
  await page.addInitScript(introduce, [person, more] as const)
}

/** @param rules those alone; all unless said */
export async function expectAccessible(page: Page, rules?: string[]): Promise<void> {
  // What is still fading in has other colours than it will have.
  await page.evaluate(() =>
    Promise.all(
      document
        .getAnimations()
        .filter((animation) => Number.isFinite(animation.effect?.getComputedTiming().endTime))
        .map((animation) => animation.finished.catch(() => undefined)),
    ),
  )
  if (!(await page.evaluate(() => 'axe' in window))) await page.evaluate(await axeScript)
  const { violations } = await page.evaluate(
    (only): Promise<axe.AxeResults> =>
      (window as unknown as { axe: typeof axe }).axe.run(document, {
        resultTypes: ['violations'],
        ...(only ? { runOnly: only } : {}),
      }),
    rules,
  )
  expect(
    violations.map(
      (violation) => `${violation.id}: ${violation.nodes.map((node) => node.target.join(' ')).join(' | ')}`,
    ),
  ).toEqual([])
}

/** Waits until something holds, looking often: what a person would not wait for need not be waited for here. */
export function soon<T>(look: () => T | Promise<T>): PollMatchers<T> {
  return expect.poll(look, { intervals: [20, 30, 50] }) as unknown as PollMatchers<T>
}
type PollMatchers<T> = ReturnType<typeof expect.poll<T>>

/** The journal's entries as the server has them. */
export async function journalOf(
  app: RunningApp,
  job: string,
): Promise<{ id: string; kind: string; by?: string; text?: string }[]> {
  const response = await fetch(`${app.url}/api/jobs/${job}/journal`)
  return (await response.json()).entries
}

/** Turns to a station of the job that is open, and waits until it is there. */
export async function turnTo(page: Page, station: Station): Promise<void> {
  const link = page.locator(`nav a[href$="/${station}"]`).first()
  await link.click()
  await expect(link).toHaveAttribute('aria-current', 'page')
}

export async function saved(page: Page): Promise<void> {
  await expect(page.getByText('saved', { exact: true })).toBeVisible()
}
