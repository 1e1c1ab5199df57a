import { stations } from '@tidy-badger/core/dossiers'
import type { Page } from '@playwright/test'
import { expect, expectAccessible, saved, soon, test, turnTo } from './support/fixtures.ts'

/** The page as it is, then in dark and in strong colours: all of it in the first, what colours may break in the others. */
async function accessibleInEveryTheme(page: Page): Promise<void> {
  await expectAccessible(page)
  const show = (theme: string) =>
    page.evaluate((name) => {
      for (const known of ['dark', 'strong']) document.documentElement.classList.toggle(known, known === name)
    }, theme)
  for (const theme of ['dark', 'strong']) {
    await show(theme)
    await expectAccessible(page, ['color-contrast', 'link-in-text-block'])
  }
  await show('light')
}

/** The page is there, and nothing of it is still being fetched. */
async function quiet(page: Page): Promise<void> {
  await expect(page.getByRole('heading').first()).toBeVisible()
  await expect(page.getByText(/^(Opening|Getting|Looking|Reading)\b.*…$/)).toHaveCount(0)
}

test('every page of the yard is accessible in light, dark and strong', async ({ page }) => {
  for (const path of ['/', '/new', '/bench', '/pair', '/nowhere']) {
    await page.goto(path)
    await quiet(page)
    await accessibleInEveryTheme(page)
  }
})

test('the theme is kept on the device and shown from the first paint', async ({ ownPage: page }) => {
  for (const theme of ['dark', 'strong']) {
    await page.addInitScript((chosen) => {
      const state = {
        theme: chosen === 'dark' ? 'dark' : 'light',
        strong: chosen === 'strong',
        person: 'Runa',
        device: 'd',
      }
      localStorage.setItem('tidy-badger-preferences', JSON.stringify({ state, version: 0 }))
    }, theme)
    await page.goto('/')
    await expect(page.getByRole('heading', { name: 'In the yard' })).toBeVisible()
    await expect(page.locator('html')).toHaveClass(new RegExp(`\\b${theme}\\b`))
    await expectAccessible(page)
  }
})

for (const half of [stations.slice(0, 7), stations.slice(7)])
  test(`every station from ${half[0]} to ${half[half.length - 1]} is accessible in light, dark and strong`, async ({
    page,
  }) => {
    await page.goto(`/job/demo-hut-7/${half[0]}`)
    for (const station of half) {
      await turnTo(page, station)
      await expect(page.getByRole('status').first()).toContainText('saved')
      await accessibleInEveryTheme(page)
    }
    await page.keyboard.press('j')
    await expect(page.getByRole('dialog', { name: 'Journal' })).toBeVisible()
    await accessibleInEveryTheme(page)
  })

test('a phone: nothing runs off the side, the next tick is in reach', async ({ page, copy }) => {
  const id = await copy('demo-hut-7')
  await page.setViewportSize({ width: 360, height: 740 })
  const fits = async (what: string) => {
    await quiet(page)
    const over = await page.evaluate(() => document.documentElement.scrollWidth - document.documentElement.clientWidth)
    expect(over, what).toBeLessThanOrEqual(0)
  }
  for (const path of ['/', '/new', `/job/demo-hut-7/${stations[0]}`]) {
    await page.goto(path)
    await fits(path)
  }
  for (const station of stations) {
    await turnTo(page, station)
    await fits(station)
  }
  await page.goto(`/job/${id}/hook-up`)
  await page.getByRole('button', { name: /All of it/ }).click()
  await saved(page)
})

test('who is working is asked once, at the first thing written down', async ({ browser, app, copy }) => {
  const id = await copy('demo-hut-7')
  const context = await browser.newContext({ baseURL: app.url })
  const page = await context.newPage()
  await page.goto(`/job/${id}/hook-up`)
  await page.getByRole('button', { name: 'Factory plug into loom end C' }).click()
  await page.getByLabel('Name').fill('Ilse')
  await page.getByRole('button', { name: 'That is me' }).click()
  await expect(page.getByRole('button', { name: 'Factory plug into loom end C' })).toBeDisabled()
  await page.getByRole('button', { name: 'Loom end C onto the crank sensor' }).click()
  await expect(page.getByRole('button', { name: 'Loom end C onto the crank sensor' })).toBeDisabled()
  await context.close()
})

test('steps, readings out of range, missing parts', async ({ page, copy }) => {
  const id = await copy('demo-guest-house')
  await page.goto(`/job/${id}/check-kit`)
  await expect(page.getByText('Bus terminator is missing')).toBeVisible()
  await page.getByRole('group', { name: 'Bus terminator' }).getByRole('button', { name: 'present' }).click()
  await expect(page.getByText('Bus terminator is missing')).toHaveCount(0)

  await turnTo(page, 'make-safe')
  await expect(page.getByRole('heading', { name: 'Seat off' })).toBeVisible()
  await page.keyboard.press('Space')
  await expect(page.getByRole('heading', { name: /^Measure the battery at rest, key off/ })).toBeVisible()
  await page.keyboard.press('Space')
  await expect(page.getByText('Type the battery at rest in V, a plain number.')).toBeVisible()
  const rest = page.getByLabel('battery at rest, V')
  await rest.fill('11,9')
  await rest.press('Enter')
  await expect(page.getByText(/11,9 V is outside what is usual/)).toBeVisible()
  await rest.press('Enter')
  await expect(page.getByRole('heading', { name: /^Key on: read the fault codes/ })).toBeVisible()
  await expect(page.getByText('11.9 V')).toBeVisible()
})

test('a job that is not there, and the way back', async ({ page, cutting }) => {
  cutting.link = true
  await page.goto('/job/ghost')
  await expect(page.getByText('There is no job "ghost".')).toBeVisible()
  await page.getByRole('link', { name: 'Back to the yard' }).click()
  await expect(page.getByRole('heading', { name: 'In the yard' })).toBeVisible()
})

test('a job opens without a detour; its ride is worked out beside the screen, not on it', async ({ ownPage: page }) => {
  // What draws is taken up again by a message: a page that waits for nothing needs few, one that draws in vain hundreds.
  await page.addInitScript(() => {
    const post = Object.getOwnPropertyDescriptor(MessagePort.prototype, 'postMessage')
    let posts = 0
    let face = ''
    Object.assign(window, { messages: () => posts, faceFirst: () => face })
    document.addEventListener('DOMContentLoaded', () => {
      const sight = document.querySelector('#first-sight p')
      if (sight) face = getComputedStyle(sight).fontFamily
    })
    Object.defineProperty(MessagePort.prototype, 'postMessage', {
      value(this: MessagePort, ...args: unknown[]) {
        posts++
        post?.value.apply(this, args)
      },
    })
  })
  const asked: string[] = []
  page.on('request', (request) => asked.push(new URL(request.url()).pathname))
  // How long the screen is held is measured by the bench, on a quiet machine.
  const workers: string[] = []
  page.on('worker', (worker) => workers.push(worker.url()))
  await page.goto('/job/demo-upper-alp/hook-up')
  await expect(page.getByRole('heading', { name: '7 of 7 ends connected' })).toBeVisible()
  const messages = await page.evaluate((): number => Reflect.get(window, 'messages')())
  expect(messages).toBeGreaterThan(0)
  expect(messages).toBeLessThan(250)
  expect(asked.filter((path) => path === '/api/times')).toHaveLength(1)
  // What is seen first has no face that is still to come: it would be painted anew, and count as seen only then.
  expect(await page.evaluate((): string => Reflect.get(window, 'faceFirst')())).toMatch(/^"Text until then"/)
  await page.getByRole('link', { name: /^Trim/ }).click()
  await expect(page.getByRole('heading', { name: /^Accept \d+ cells/ })).toBeVisible()
  expect(workers.filter((url) => url.includes('fitWorker'))).toHaveLength(1)
})

test('the yard is looked through, ordered, and a job is put away and brought back', async ({ ownPage: page, copy }) => {
  const id = await copy('demo-trail')
  const faces: string[] = []
  page.on('request', (request) => {
    if (request.resourceType() === 'font') faces.push(request.url())
  })
  const came = await page.goto('/')
  // What stands in the yard came with the page, and so did the only faces it is written in.
  expect(await came?.text()).toContain('In the yard</p><p>Opening…</p><ul')
  const rows = page.getByRole('main').getByRole('listitem')
  await expect(page.getByLabel('Look for')).toBeVisible()
  await expect(page.getByText('Opening…')).toHaveCount(0)
  expect(faces).toHaveLength(3)
  expect(new Set(faces).size).toBe(3)
  await expect(rows.first()).toBeVisible()
  const all = await rows.count()
  await page.getByLabel('Look for').fill('trail pika')
  await soon(() => rows.count()).toBeLessThan(all)
  await expect(rows.first()).toContainText('Pika')
  const link = page.locator(`a[href="/job/${id}"]`)
  const row = rows.filter({ has: link })
  await row.getByRole('button', { name: /^Put away/ }).click()
  await expect(link).toHaveCount(0)
  await page.getByLabel('Show').selectOption('put away')
  await rows
    .filter({ has: link })
    .getByRole('button', { name: /^Bring back/ })
    .click()
  await page.getByLabel('Show').selectOption('all')
  await expect(link).toBeVisible()
  await page.getByLabel('Look for').fill('nothing like this')
  await expect(page.getByText('Nothing here fits that.')).toBeVisible()
  await expectAccessible(page)
})

test('help by ?, settings kept on the device, single keys switched off, US units', async ({ page, copy }) => {
  await page.goto('/')
  await expect(page.getByRole('heading', { name: 'In the yard' })).toBeVisible()
  await page.keyboard.press('?')
  await expect(page.getByRole('dialog', { name: 'Help' })).toContainText('back-probe')
  await expectAccessible(page)
  await page.keyboard.press('Escape')
  await page.getByRole('link', { name: 'Settings' }).click()
  await expect(page).toHaveTitle('Settings · Tidy Badger')
  await page.getByLabel('Dates').selectOption('2026-08-03')
  await page.getByLabel('Units').selectOption('US')
  await page.getByLabel('Decimals').selectOption('a comma, 12,46 V')
  await page.getByLabel(/^Single keys do things/).uncheck()
  await expectAccessible(page)
  await page.goto('/')
  await expect(page.getByText(/since 2026-\d\d-\d\d/).first()).toBeVisible()
  await page.keyboard.press('?')
  await expect(page.getByRole('dialog', { name: 'Help' })).toHaveCount(0)
  // Lengths of the loom and warmth of a place, in a list, a heading and what is read out.
  await page.goto(`/job/${await copy('demo-guide-twin')}/lay-loom`)
  await expect(page.getByText(/\d+(,\d)? °F \(\d+ °C\)/).first()).toBeVisible()
  await expect(page.getByText(/\d+,\d in \(\d+ mm\)/).first()).toBeVisible()
  await expect(page.getByText(/\d\.\d/)).toHaveCount(0)
  await expectAccessible(page)
})

test('Ctrl and Z takes back what this device wrote last, a clicker ticks, and who works is asked anew', async ({
  page,
  copy,
}) => {
  const id = await copy('demo-hut-7')
  await page.goto('/settings')
  await page.getByLabel('Does the next thing').press('PageDown')
  await page.getByLabel('Not like this').press('PageDown')
  await expect(page.getByLabel('Does the next thing')).toHaveValue('')
  await page.getByLabel('Does the next thing').press('PageDown')
  await page.getByLabel('Not like this').press('x')
  await page.getByRole('button', { name: 'No key for “not like this”' }).click()
  await expect(page.getByLabel('Not like this')).toHaveValue('')
  await page.getByLabel('Not like this').press('b')
  await expectAccessible(page)

  await page.goto(`/job/${id}/hook-up`)
  await expect(page.getByRole('heading', { name: '3 of 7 ends connected' })).toBeVisible()
  await page.keyboard.press('Control+z')
  await expect(page.getByText('Nothing was written down at this device that could be taken back.')).toBeVisible()
  await page.keyboard.press('PageDown')
  await expect(page.getByRole('heading', { name: '4 of 7 ends connected' })).toBeVisible()
  await page.keyboard.press('Control+z')
  await expect(page.getByText(/^Taken back: .+ tugged$/)).toBeVisible()
  await expect(page.getByRole('heading', { name: '3 of 7 ends connected' })).toBeVisible()
  await page.keyboard.press('b')
  await expect(page.getByRole('dialog')).toBeVisible()
  // In a field it is the field's own.
  await page.keyboard.press('Escape')
  await page.keyboard.press('j')
  await page.getByLabel('A note').fill('typed')
  await page.getByLabel('A note').press('Control+z')
  await expect(page.getByLabel('A note')).toHaveValue('')
  await page.keyboard.press('Escape')

  await page.keyboard.press('k')
  await page.getByText('Somebody else is working here (now Runa)').click()
  await page.getByRole('dialog', { name: 'Who is working at this device?' }).getByLabel('Name').fill('Ilse')
  await page.getByRole('button', { name: 'That is me' }).click()
  await page.keyboard.press('PageDown')
  await saved(page)
  await page.keyboard.press('j')
  await expect(page.getByRole('dialog', { name: 'Journal' }).getByText('Ilse').first()).toBeVisible()
})
