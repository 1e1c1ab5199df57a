import type { Station } from '@tidy-badger/core/dossiers'
import axe, { type AxeResults } from 'axe-core'
import { test as base, expect, type Page } from '@playwright/test'
import { runApp, yardFolder, type RunningApp } from './runApp.ts'

interface WorkerFixtures {
  /** One server per worker, on a copy of the demo yard. */
  app: RunningApp
}

interface Fixtures {
  /** Opens a copy of a demo job for one test alone. @returns its id */
  copy: (demo: string) => Promise<string>
  /** A page of somebody called Runa that fails its test on any error in its console. */
  page: Page
  /** Says that the link will be cut, or that what is sent will be refused: the browser's own words about it are then expected. */
  cutting: { link: boolean; refused?: boolean }
}

let copies = 0

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
  page: async ({ page, cutting }, use) => {
    const errors = watch(page, cutting)
    await named(page, 'Runa')
    await use(page)
    expect(errors).toEqual([])
  },
})

export { expect }

/** Collects what must not happen on a page. */
export function watch(page: Page, cutting: { link: boolean; refused?: boolean }): string[] {
  const errors: string[] = []
  page.on('pageerror', (error) => errors.push(`page error: ${error.message}`))
  page.on('console', (message) => {
    if (message.type() !== 'error') return
    const text = message.text()
    if (cutting.link && /Failed to load resource|ERR_INTERNET_DISCONNECTED|ERR_CONNECTION_REFUSED|WebSocket/.test(text))
      return
    if (cutting.refused && /status of 422/.test(text)) return
    errors.push(`console: ${text}`)
  })
  return errors
}

/** Lets a page's device know who works there, as if asked before. */
export async function named(page: Page, person: string, more: object = {}): Promise<void> {
  await page.addInitScript(
    ([name, rest]) => {
      const key = 'tidy-badger-preferences'
      if (localStorage.getItem(key) === null)
        localStorage.setItem(
          key,
          JSON.stringify({
            state: { theme: 'light', strong: false, person: name, device: `of-${name}`, ...(rest as object) },
            version: 0,
          }),
        )
    },
    [person, more] as const,
  )
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
  if (!(await page.evaluate(() => 'axe' in window))) await page.evaluate(axe.source)
  const { violations } = await page.evaluate(
    (only): Promise<AxeResults> =>
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
