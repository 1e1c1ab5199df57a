import type { Locator, Page } from '@playwright/test'
import { expect, expectAccessible, saved, test, turnTo } from './support/fixtures.ts'

const dock = (page: Page) => page.getByRole('region', { name: 'Next' })

/** Picks a thing to do at a station by its words, and opens its card. */
async function openCard(page: Page, words: RegExp): Promise<Locator> {
  await page.getByRole('button', { name: words }).first().click()
  await dock(page)
    .getByRole('button', { name: /^(Prove it|Measure|Started|Looked at)/ })
    .click()
  const card = page.getByRole('dialog')
  await expect(card).toBeVisible()
  return card
}

async function fill(card: Locator, figures: Record<string, string>): Promise<void> {
  for (const [label, text] of Object.entries(figures)) await card.getByLabel(new RegExp(`^${label}`)).fill(text)
}

async function rulesOf(url: string, job: string): Promise<string[]> {
  const { findings } = await (await fetch(`${url}/api/jobs/${job}/wiring`)).json()
  return findings.map(({ rule }: { rule: string }) => rule)
}

test('a harvester woken the wrong ways: a module past by, a sensor off, a start that failed; each is told and stops', async ({
  page,
  app,
  copy,
}) => {
  const id = await copy('demo-harvester')
  await page.goto(`/job/${id}/wake`)
  // What is done now: when to switch off, what is seen, drawn, where a fail leads.
  await page
    .getByRole('button', { name: /At idle the module’s own boost/ })
    .first()
    .click()
  const now = page.getByRole('region', { name: 'Now' })
  await expect(now.getByText('Engine runs')).toBeVisible()
  await expect(now.getByText('the speed rises by itself')).toBeVisible()
  await expect(
    now.getByText(/Boost pressure of the D3 module and of an independent reading within 2 kPa/),
  ).toBeVisible()
  await expect(now.getByRole('link').first()).toBeVisible()
  await expectAccessible(page)

  const card = await openCard(page, /At idle the module’s own boost/)
  const idle = { 'Module, idle, kPa': '101', 'Independent, idle, kPa': '100.5' }
  await fill(card, { ...idle, 'Module, raised, kPa': '101', 'Independent, raised, kPa': '128' })
  await expect(card.getByRole('list', { name: 'The proof' })).toContainText('Bypassed')
  await fill(card, {
    ...{ 'Module, idle, kPa': '106', 'Module, raised, kPa': '133.5' },
    ...{ 'Independent, idle, kPa': '100.5', 'Independent, raised, kPa': '128' },
  })
  await expect(card.getByRole('list', { name: 'The proof' })).toContainText('A sensor or its scale')
  // Seen once on the stand-in, and nothing of it written down.
  await card.getByText('Practise on the stand-in').click()
  await expect(card.getByRole('list', { name: 'Of the stand-in' })).toContainText('Bypassed')
  await card.getByLabel('It plays').selectOption({ label: 'as it should be' })
  await expect(card.getByRole('list', { name: 'Of the stand-in' })).toContainText('It has a hand on it')
  await fill(card, { ...idle, 'Module, raised, kPa': '101', 'Independent, raised, kPa': '128' })
  await card.getByRole('button', { name: 'Write it down' }).click()
  await saved(page)
  await expect(dock(page)).toContainText('A stop is open')
  expect(await rulesOf(app.url, id)).toContain('proved-bypassed')

  const second = await copy('demo-harvester')
  await page.goto(`/job/${second}/wake`)
  const start = await openCard(page, /^Start, let it idle one minute/)
  const failed = start.getByRole('button', { name: 'It failed' })
  await expect(failed).toBeDisabled()
  await start.getByLabel('What was seen or heard').fill('fires twice and dies')
  await failed.click()
  await saved(page)
  await expect(dock(page)).toContainText('A stop is open')
  expect(await rulesOf(app.url, second)).toContain('start-failed')
})

test('a twin with crossed branches answers on the other side; with none at all it is bypassed', async ({
  page,
  app,
  copy,
}) => {
  const id = await copy('demo-guide-twin')
  await page.goto(`/job/${id}/wake`)
  const card = await openCard(page, /At idle let the module drop the left/)
  await fill(card, { 'Idle before, 1/min': '1200', 'Channel 1 muted': '1195', 'Channel 2 muted': '1190' })
  await expect(card.getByRole('list', { name: 'The proof' })).toContainText('Bypassed')
  await fill(card, { 'Channel 1 muted': '820', 'Channel 2 muted': '830' })
  await card.getByLabel('Cylinder that dropped with channel 1').selectOption('2')
  await card.getByLabel('Cylinder that dropped with channel 2').selectOption('1')
  await expect(card.getByRole('list', { name: 'The proof' })).toContainText('channel 1 answers on cylinder 2')
  await card.getByRole('button', { name: 'Write it down' }).click()
  await saved(page)
  expect(await rulesOf(app.url, id)).toContain('proved-crossed')
})

test('a pickup with a selector: a click that shows another level, wheels by their print, a level shown in two ways', async ({
  page,
  app,
  copy,
}) => {
  const id = await copy('demo-log-hauler')
  await page.goto(`/job/${id}/wake`)
  const card = await openCard(page, /Turn it through all positions/)
  for (let click = 1; click <= 5; click++)
    await card.getByLabel(`Shown at click ${click}`).selectOption(String(click === 3 ? 1 : click - 1))
  await card.getByLabel('Room round the knob, mm').fill('8')
  await expect(card.getByRole('list', { name: 'The selector' })).toContainText('Click 3 shows level 1')
  await expect(card.getByRole('list', { name: 'The selector' })).toContainText('12 mm')
  await card.getByRole('button', { name: 'Write it down' }).click()
  await saved(page)
  expect(await rulesOf(app.url, id)).toEqual(expect.arrayContaining(['selector-differs', 'knob-rubs']))

  await turnTo(page, 'set-up')
  await page.getByRole('button', { name: 'Wheels and speed' }).click()
  const wheels = page.getByRole('dialog')
  await wheels.getByLabel('As it came', { exact: true }).fill('0,80')
  await wheels.getByLabel('As it stands now', { exact: true }).fill('285/70 R17')
  await expect(wheels.getByRole('list', { name: 'The wheels' })).toContainText('0.831 m free, usually 0.806 m')
  await expect(wheels.getByRole('list', { name: 'The wheels' })).toContainText('too low')
  await wheels.getByRole('button', { name: 'Write it down' }).click()
  await expect(wheels).toBeHidden()
  await page.getByRole('tab', { name: 'Settings' }).click()
  await page.getByText('Agree the level with the owner').click()
  await page.getByLabel('At the module').selectOption('1')
  await saved(page)
  await page.getByLabel('At the dash').selectOption('stock')
  await expect(page.getByText('They do not show one level.')).toBeVisible()
  await saved(page)
  expect(await rulesOf(app.url, id)).toContain('level-disagrees')
  await expectAccessible(page)
})
