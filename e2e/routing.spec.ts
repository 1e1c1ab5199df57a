import type { Page } from '@playwright/test'
import { expect, expectAccessible, post, saved, test, turnTo } from './support/fixtures.ts'
import type { RunningApp } from './support/runApp.ts'

async function newJob(app: RunningApp, machine: string, kit: string): Promise<string> {
  const answer = await post(`${app.url}/api/jobs`, {
    machine: { id: machine },
    kit: { id: kit },
    title: `Loom of ${machine}`,
  })
  return (await answer.json()).id
}

async function kindsOf(app: RunningApp, job: string): Promise<{ kind: string; part?: string; passages?: string[] }[]> {
  return (await (await fetch(`${app.url}/api/jobs/${job}/journal`)).json()).entries
}

const margin = (page: Page) => page.getByRole('complementary', { name: 'About this' })
const tab = (page: Page, name: string) => page.getByRole('tab', { name }).click()

test('the loom of the quad: laid by space bar, one branch laid along the exhaust, found, and laid again', async ({
  page,
  app,
}) => {
  const id = await newJob(app, 'pellick-gorse-430', 'quernby-p1')
  await page.goto(`/job/${id}/lay-loom`)
  await expect(page.getByRole('group', { name: 'Loom on the Gorse 430 from above' })).toBeVisible()
  await expect(margin(page)).toContainText('Hold these to their plugs first')
  await page.keyboard.press('Space')
  await expect(page.getByText('Set the module on its pad').first()).toBeVisible()
  await saved(page)
  const laid = (await kindsOf(app, id)).filter((entry) => entry.kind === 'routed')
  expect(laid.map((entry) => entry.part)).toContain('trunk')
  expect(laid.length).toBeGreaterThan(5)

  await page
    .getByRole('button', { name: /Coil pair/ })
    .first()
    .click()
  await expect(margin(page)).toContainText('To spare')
  await page.getByRole('button', { name: 'It lies another way' }).click()
  await page.getByRole('checkbox', { name: 'along the left rail' }).click()
  await expect(page.getByRole('checkbox', { name: 'along the left rail' })).toBeChecked()
  await expect(margin(page)).toContainText(/a loom takes \d+ °C there/)
  await page.reload()
  await page
    .getByRole('button', { name: /Coil pair/ })
    .first()
    .click()
  await expect(margin(page)).toContainText(/a loom takes \d+ °C there/)
  await expectAccessible(page)
  await page.getByRole('button', { name: 'It lies another way' }).click()
  await page.getByRole('checkbox', { name: 'along the left rail' }).click()
  await expect(page.getByRole('checkbox', { name: 'along the left rail' })).not.toBeChecked()
  await expect(margin(page)).not.toContainText('a loom takes')
  await page.getByRole('button', { name: 'That is how it lies' }).click()
  await saved(page)
})

test('places side by side: another one moves the plan, one that is no good says why, a school turns the order', async ({
  page,
  app,
}) => {
  const id = await newJob(app, 'hallam-voss-packhorse-62', 'thistle-d5')
  await page.goto(`/job/${id}/lay-loom`)
  await tab(page, 'Places')
  await expect(page.getByRole('heading', { name: '1. Left inner wing' })).toBeVisible()
  await expect(page.getByText('Why not first.')).toBeVisible()
  await expect(page.getByText(/The D5 module is 132 × 88 × 36 mm/)).toBeVisible()
  await expectAccessible(page)
  await page.getByRole('radio', { name: /hidden from view/ }).click()
  await expect(page.getByRole('heading', { name: '1. Bulkhead' })).toBeVisible()
  // The practice moves the module by itself, as long as nobody has fixed its place.
  await expect(margin(page)).toContainText('Module: Bulkhead')
  await tab(page, 'Way')
  await expect(page.getByText(/mm short/).first()).toBeVisible()
  await saved(page)
  const wiring = await (await fetch(`${app.url}/api/jobs/${id}/wiring`)).json()
  expect(wiring.findings.map((finding: { rule: string }) => finding.rule)).toContain('lead-short')
  await turnTo(page, 'check-kit')
  await page.getByRole('tab', { name: 'Uses up' }).click()
  await expect(page.getByText(/^Wire for /).first()).toBeVisible()
})

test('the feed: four tests, one that fails stops; the ground is measured and a second place is named', async ({
  page,
  app,
}) => {
  const id = await newJob(app, 'pellick-gorse-430', 'lowlamp-dial')
  await page.goto(`/job/${id}/lay-loom`)
  await tab(page, 'Power')
  await expect(page.getByRole('heading', { name: /Relay, its coil on tail and plate lamps/ })).toBeVisible()
  await expect(margin(page)).toContainText('4.7 days')
  await page.getByText(/that will not do, and why/).click()
  await expect(page.getByText(/live only while braking: never a feed/)).toBeVisible()
  const dead = page.getByLabel('Dead after, V')
  await dead.fill('nothing')
  await dead.press('Enter')
  await expect(page.getByText('Type what the meter shows')).toBeVisible()
  await dead.fill('12,4')
  await dead.press('Enter')
  await expect(page.getByText(/Still live: this circuit would keep the module awake/)).toBeVisible()
  const drop = page.getByLabel('Drop of the ground, mV')
  await drop.fill('240')
  await drop.press('Enter')
  await expect(page.getByText(/if it stays, try frame ground cluster/)).toBeVisible()
  await expectAccessible(page)
  await saved(page)
  await turnTo(page, 'wake')
  await expect(page.getByText('A stop is open. Mend it first.')).toBeVisible()
  await turnTo(page, 'lay-loom')
  await tab(page, 'Power')
  await dead.fill('0.1')
  await dead.press('Enter')
  await expect(page.getByText(/0.1 V: passes/)).toBeVisible()
  await page.getByRole('radio', { name: /lamp circuit directly/ }).click()
  await expect(page.getByRole('heading', { name: /^Tail and plate lamps, key on advised/ })).toBeVisible()
})

test('lock to lock: swung, measured 40 mm short, a stop until it is measured again', async ({ page, app }) => {
  const id = await newJob(app, 'tarnbrook-calder-1130', 'quernby-learner')
  await page.goto(`/job/${id}/lay-loom`)
  await page
    .getByRole('button', { name: /Dial plug/ })
    .first()
    .click()
  await expect(margin(page)).toContainText('Full right lock')
  await page.getByRole('button', { name: 'Swing it' }).click()
  await expect(page.getByRole('button', { name: 'Swing it' })).toBeDisabled()
  await expect(page.getByRole('button', { name: 'Swing it' })).toBeEnabled()
  const right = page.getByLabel('Full right, mm')
  await right.fill('-40')
  await right.press('Enter')
  await expect(margin(page)).toContainText('Dial plug is 40 mm short at the right lock.')
  await saved(page)
  await turnTo(page, 'wake')
  await expect(page.getByText('A stop is open. Mend it first.')).toBeVisible()
  await turnTo(page, 'lay-loom')
  await page
    .getByRole('button', { name: /Dial plug/ })
    .first()
    .click()
  await right.fill('25')
  await right.press('Enter')
  await expect(margin(page)).not.toContainText('short at the right lock')
  await saved(page)
})

test('tied by passages; papers of the loom', async ({ page, app, copy }) => {
  const id = await copy('demo-hut-7')
  await page.goto(`/job/${id}/tie-down`)
  await margin(page).getByRole('checkbox').first().click()
  await expect(margin(page).getByRole('checkbox').first()).toBeDisabled()
  await expect(margin(page)).toContainText('The loom is not tied')
  await expectAccessible(page)
  await tab(page, 'Lengths')
  for (const name of ['Drawing, SVG', 'Way, lengths and power, PDF', 'Template 1:1 for cutting, PDF']) {
    const href = await page.getByRole('link', { name }).getAttribute('href')
    expect((await fetch(`${app.url}${href}`)).status).toBe(200)
  }
  await expectAccessible(page)
})

test('passages written down on a machine of one’s own, by keys and by pointer, over a photo', async ({ page, app }) => {
  await page.goto('/dossiers')
  await page.getByLabel('Maker').fill('Hut')
  await page.getByLabel('Model').fill(`Sled ${Date.now() % 100_000}`)
  await page.getByRole('button', { name: 'Write it down' }).click()
  await page.getByRole('tab', { name: 'Ways for the loom' }).click()
  const map = page.getByRole('group', { name: /Points of the Sled/ })
  await page.getByLabel('New point').fill('Seat front')
  await page.getByLabel('New point').press('Enter')
  const point = map.getByRole('button', { name: /^Seat front/ })
  await expect(point).toBeVisible()
  await point.focus()
  const before = await point.getAttribute('aria-label')
  await page.keyboard.press('Shift+ArrowRight')
  await expect(map.getByRole('button', { name: /^Seat front/ })).not.toHaveAttribute('aria-label', before ?? '')
  await page.getByLabel('New point').fill('Bar')
  const box = await map.boundingBox()
  if (!box) throw new Error('the map is not there')
  await map.click({ position: { x: box.width * 0.25, y: box.height * 0.12 } })
  await expect(map.getByRole('button', { name: /^Bar/ })).toBeVisible()
  await page.getByRole('button', { name: 'Join to another point' }).click()
  await point.focus()
  await page.keyboard.press('Enter')
  await expect(page.getByLabel('Passage, Bar to Seat front')).toBeVisible()
  await page.getByLabel('What it meets, Bar to Seat front').fill('hot pipe')
  await page.getByLabel('What it meets, Bar to Seat front').press('Enter')
  await expect(page.getByText(/"hot pipe" is not understood/)).toBeVisible()
  await page.getByLabel('What it meets, Bar to Seat front').fill('hot 380 40 pipe; moving 30 fork')
  await page.getByLabel('What it meets, Bar to Seat front').press('Enter')
  await expect(page.getByText(/is not understood/)).toBeHidden()
  await page.getByLabel('Length, mm, Bar to Seat front').fill('-5')
  await page.getByLabel('Length, mm, Bar to Seat front').press('Enter')
  await expect(page.getByText('A length in mm is a number above 0, or left empty.')).toBeVisible()
  await page.getByLabel('Length, mm, Bar to Seat front').fill('640')
  await page.getByLabel('Length, mm, Bar to Seat front').press('Enter')
  await page.getByLabel('Place, new place').fill('Tool box')
  await page.getByLabel('Zone, new place').fill('Machine')
  await page.getByLabel('Room, mm, new place').fill('120 80 40')
  await page.getByLabel('Room, mm, new place').press('Enter')
  await expect(page.getByLabel('Place, Tool box')).toHaveValue('Tool box')
  await page
    .getByLabel('A photo of the machine behind it')
    .setInputFiles({ name: 'sled.png', mimeType: 'image/png', buffer: onePixel })
  await expect(page.getByRole('button', { name: 'Drawing again' })).toBeVisible()
  await expect(page.getByText('saved', { exact: true })).toBeVisible()
  await expectAccessible(page)
  await page.reload()
  await page.getByRole('tab', { name: 'Ways for the loom' }).click()
  await expect(page.getByLabel('Length, mm, Bar to Seat front')).toHaveValue('640')
  await expect(page.getByRole('button', { name: 'Drawing again' })).toBeVisible()
  const drafts = await (await fetch(`${app.url}/api/drafts`)).json()
  expect(drafts.length).toBeGreaterThan(0)
})

/** The smallest picture there is. */
const onePixel = Buffer.from(
  'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
  'base64',
)

test('on a phone the way, its branches and the next tick are all within reach', async ({ page, app }) => {
  await page.setViewportSize({ width: 390, height: 844 })
  const id = await newJob(app, 'ostrel-kittiwake-640', 'quernby-p4-eight')
  await page.goto(`/job/${id}/lay-loom`)
  await expect(page.getByRole('group', { name: /Loom on the Kittiwake/ }).first()).toBeVisible()
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)
  await page.getByRole('region', { name: 'Next' }).getByRole('button', { name: /Done/ }).click()
  await saved(page)
  expect((await kindsOf(app, id)).some((entry) => entry.kind === 'routed')).toBe(true)
})
