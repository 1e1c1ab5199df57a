import type { Locator, Page } from '@playwright/test'
import type { Station } from '@tidy-badger/core/dossiers'
import { answerAsked } from './support/asked.ts'
import { expect, expectAccessible, post, saved, soon, test, turnTo } from './support/fixtures.ts'
import type { RunningApp } from './support/runApp.ts'

interface Entry {
  kind: string
  cover?: string
}

async function entriesOf(app: RunningApp, job: string): Promise<Entry[]> {
  return (await (await fetch(`${app.url}/api/jobs/${job}/journal`)).json()).entries
}

/** A figure in the middle of the range the dock says. */
async function expectedFigure(dock: Locator): Promise<string> {
  const words = (await dock.getByText(/^expected/).textContent()) ?? ''
  const figures = [...words.matchAll(/\d+(?:\.\d+)?/g)].map((found) => Number(found[0]))
  const [low, high] = figures.length > 1 ? figures : [0, ...figures]
  return String(Math.round(((low + high) / 2) * 100) / 100)
}

/**
 * How many entries the page shows, and whether it asks for more or for patience: looked at in the page, in one go. Who looks for a name in a
 * whole drawing from outside holds it up.
 */
const seen = (page: Page): Promise<{ entries: number; asks: boolean; waits: boolean }> =>
  page.evaluate(() => {
    const buttons = [...document.querySelectorAll('button')].map(({ textContent }) => textContent.trim())
    const dock = document.querySelector('[aria-label="Next"]')?.textContent ?? ''
    return {
      entries: Number(/\d+/.exec(buttons.find((text) => text.startsWith('Journal')) ?? '')?.[0]),
      asks: document.querySelector('[role=dialog]') !== null,
      waits: dock.includes('min to wait yet'),
    }
  })

/** Waits until more is written down. */
const writtenDown = (page: Page, before: number) => soon(async () => (await seen(page)).entries).toBeGreaterThan(before)

/** Ticks a station off from its first step to its last with the space bar; what a step asks for is typed, a wait is reasoned away. */
async function bySpaceBar(page: Page, station: Station): Promise<void> {
  await turnTo(page, station)
  const dock = page.getByRole('region', { name: 'Next' })
  await expect(dock).toBeVisible()
  for (let tick = 0; tick < 40; tick++) {
    if (await dock.getByText('is complete').isVisible()) break
    const { entries: before } = await seen(page)
    const field = dock.getByRole('textbox').first()
    if (await field.isVisible()) {
      const reading = (await field.getAttribute('inputmode')) === 'decimal'
      await field.fill(reading ? await expectedFigure(dock) : 'looked at, nothing out of the ordinary')
      await field.press('Enter')
    } else {
      await page.keyboard.press('Space')
      let said = await seen(page)
      await soon(async () => {
        said = await seen(page)
        return said.asks || said.waits || said.entries > before
      }).toBe(true)
      if (said.asks) await answerAsked(page.getByRole('dialog'))
      if (said.waits) {
        await dock.getByRole('button', { name: 'Go on without' }).click()
        await dock.getByRole('textbox').fill('stood overnight, everything cold and asleep')
        await dock.getByRole('textbox').press('Enter')
      }
    }
    await writtenDown(page, before)
  }
  await expect(dock.getByText('is complete')).toBeVisible()
  await saved(page)
}

/** One machine of each kind of drawing: a motorcycle, a quad, a truck. */
const fittings = [
  ['ostrel-kittiwake-640', 'quernby-p4-eight'],
  ['pellick-gorse-430', 'lowlamp-dial'],
  ['hallam-voss-packhorse-62', 'thistle-d5'],
] as const

for (const [machine, kit] of fittings)
  test(`${kit} on ${machine}, opened, laid, hooked up, set up, woken, tied and closed by space bar, what is asked for typed, and nothing is wrong`, async ({
    page,
    app,
  }) => {
    const answer = await post(`${app.url}/api/jobs`, {
      machine: { id: machine },
      kit: { id: kit },
      title: `All of ${machine}`,
    })
    const { id } = await answer.json()
    await page.goto(`/job/${id}/make-safe`)
    await bySpaceBar(page, 'make-safe')
    await bySpaceBar(page, 'open-up')
    const opened = await entriesOf(app, id)
    expect(opened.some((entry) => entry.kind === 'cover-off')).toBe(true)
    await bySpaceBar(page, 'lay-loom')
    for (const picture of ['Places', 'Power', 'Lengths', 'Way']) {
      await page.getByRole('tab', { name: picture }).click()
      await expect(page.getByRole('tabpanel')).toBeVisible()
    }
    await expect(page.getByText(/mm short/)).toHaveCount(0)
    await turnTo(page, 'hook-up')
    await expect(page.getByRole('heading', { name: /^0 of \d+ ends connected$/ })).toBeVisible()
    const last = page.getByRole('heading', { name: 'Every end is connected' })
    for (let press = 0; press < 40; press++) {
      const { entries: before } = await seen(page)
      await page.keyboard.press('Space')
      await writtenDown(page, before)
      if (await last.isVisible()) break
    }
    await expect(last).toBeVisible()
    for (const tab of ['Card', 'Signals', 'Meter', 'Record']) {
      await page.getByRole('tab', { name: tab }).click()
      await expect(page.getByRole('tabpanel')).toBeVisible()
    }
    await expectAccessible(page)
    await saved(page)
    const wiring = await (await fetch(`${app.url}/api/jobs/${id}/wiring`)).json()
    expect(wiring.findings.filter((finding: { severity: string }) => finding.severity !== 'note')).toEqual([])
    expect(wiring.traces.asBuilt).toEqual(wiring.traces.planned)
    await bySpaceBar(page, 'set-up')
    await bySpaceBar(page, 'wake')
    await bySpaceBar(page, 'tie-down')
    await bySpaceBar(page, 'close-up')
    await expect(page.getByRole('region', { name: 'Parts tray' })).toContainText('Empty.')
    const entries = await entriesOf(app, id)
    const off = entries.filter((entry) => entry.kind === 'cover-off').map((entry) => entry.cover)
    expect(
      entries
        .filter((entry) => entry.kind === 'cover-on')
        .map((entry) => entry.cover)
        .sort(),
    ).toEqual(off.sort())
  })
