import { quadEngine, rideCsv, simulateRide } from '@tidy-badger/core/engine-sim'
import { expect, expectAccessible, journalOf, saved, test } from './support/fixtures.ts'

const job = '/job/demo-upper-alp/trim'
const file = (name: string, text: string | Buffer) => ({ name, mimeType: 'text/csv', buffer: Buffer.from(text) })

test('a 60-minute 20 Hz log with decimal commas earns cells; some are refused, the rest accepted', async ({
  page,
  app,
  copy,
}) => {
  const id = await copy('demo-hut-7')
  const had = (await journalOf(app, id)).length
  const ride = simulateRide(quadEngine, { seed: 77, minutes: 60, rateHz: 20 })
  const csv = rideCsv(ride, {
    separator: ';',
    decimal: ',',
    header: ['Zeit (s)', 'Drehzahl', 'Drosselklappe (%)', 'AFR', 'Kühlmittel (°C)'],
  })
  await page.goto(`/job/${id}/trim`)
  await expect(page.getByRole('heading', { name: 'No ride yet' })).toBeVisible()
  await page.getByLabel('Ride log file').setInputFiles(file('long ride.csv', csv))
  await expect(page.getByText('“Drosselklappe (%)”, in %')).toBeVisible()
  await expect(page.getByText('72,000 rows over')).toBeVisible()
  await page.getByRole('button', { name: 'Take it in' }).click()
  await expect(page.getByText(/of 72,000 rows used/)).toBeVisible()
  await expect(page.getByText('engine cold')).toBeVisible()
  await expect(page.getByText(/The sensor answers 0\.(2[5-9]|3[0-4]) s late/)).toBeVisible()

  const heading = page.getByRole('heading', { name: /^Accept \d+ cells/ })
  const offered = Number(/\d+/.exec((await heading.textContent()) ?? '')?.[0])
  expect(offered).toBeGreaterThan(15)
  await page.getByRole('button', { name: /^3500 rpm, 20 % throttle/ }).click()
  await expect(page.getByText(/Measured .* wanted .*rows near it/)).toBeVisible()
  await page.keyboard.press('Enter')
  await expect(heading).toContainText(`Accept ${offered - 1} cells`)
  await page.keyboard.press('a')
  await expect(page.getByRole('heading', { name: 'This ride has been used' })).toBeVisible()
  await saved(page)
  const entries = await journalOf(app, id)
  expect(entries.slice(had).map((entry) => entry.kind)).toEqual(['log-imported', 'trim-accepted'])

  await page.getByRole('tab', { name: 'History' }).click()
  await expect(page.getByText(`${offered - 1} cells from long ride.csv`)).toBeVisible()
  await page.getByRole('button', { name: 'Undo table 2' }).click()
  await expect(page.getByText('As shipped, all zero')).toBeVisible()
  await expect(page.getByText('cells from long ride.csv')).toHaveCount(0)
})

test('the review: used rows, reasons, the ride as a chart', async ({ page }) => {
  await page.goto(job)
  await expect(page.getByRole('heading', { name: /^Accept \d+ cells/ })).toBeVisible()
  await expectAccessible(page)
  await page.getByRole('tab', { name: 'The ride' }).click()
  await expect(page.getByRole('img', { name: 'Which stretches were used' })).toBeVisible()
  await expect(page.getByText('AFR, mean and extremes')).toBeVisible()
  await expectAccessible(page)
})

test('cancel ends the work at once and changes nothing', async ({ page, app, copy }) => {
  const id = await copy('demo-hut-7')
  const had = (await journalOf(app, id)).length
  const ride = simulateRide(quadEngine, { seed: 78, minutes: 120, rateHz: 50, startCoolantC: 80 })
  await page.goto(`/job/${id}/trim`)
  await page.getByLabel('Ride log file').setInputFiles(file('huge.csv', rideCsv(ride)))
  await page.getByRole('button', { name: 'Take it in' }).click()
  await page.getByRole('status').getByRole('button', { name: 'Cancel' }).click()
  await expect(page.getByText('Cancelled. Nothing was changed.')).toBeVisible()
  await page.getByRole('button', { name: 'Work it out again' }).click()
  await expect(page.getByText(/of 360,000 rows used/)).toBeVisible({ timeout: 120_000 })
  await saved(page)
  const entries = await journalOf(app, id)
  expect(entries.slice(had).map((entry) => entry.kind)).toEqual(['log-imported'])
})

const header = 'time,rpm,throttle,afr\n'
const wrong: [string, string | Buffer, string][] = [
  ['empty', '', 'The log is empty'],
  [
    'missing columns',
    'time,rpm,speed\n0,1,2\n',
    'No column for throttle (%) was found. The header on line 1 names: time, rpm, speed.',
  ],
  ['text in numbers', `${header}0,1500,3,14\n1,1500,abc,14\n`, 'Line 3, column 3 (throttle): "abc" is not a number.'],
  ['NaN', `${header}0,1500,3,NaN\n`, 'Line 2, column 4 (afr): "NaN" is not a number.'],
  ['time backwards', `${header}5,1500,3,14\n4,1500,3,14\n`, 'Line 3: time runs backwards, from 5 to 4.'],
  ['no rows', header, 'The log has a header but no rows.'],
  ['a picture', Buffer.from([0x89, 0x50, 0x4e, 0x47, 0, 1, 2, 3]), 'No header line with column names was found.'],
]
test('a log that is wrong is refused with a sentence and place, and nothing of it is kept', async ({ page, app }) => {
  const had = (await journalOf(app, 'demo-upper-alp')).length
  await page.goto(job)
  for (const [name, text, sentence] of wrong) {
    await page.getByLabel('Ride log file').setInputFiles(file(`${name}.csv`, text))
    const sheet = page.getByRole('dialog', { name: `${name}.csv` })
    await expect(sheet.getByText(sentence)).toBeVisible()
    await expect(sheet.getByText('Nothing was kept of this file.')).toBeVisible()
    await page.keyboard.press('Escape')
    await expect(sheet).toBeHidden()
  }
  expect(await journalOf(app, 'demo-upper-alp')).toHaveLength(had)
})

test('an unclear unit is asked, a bad row can be left out, a strange column can be named', async ({ page }) => {
  await page.goto(job)
  const rows = Array.from({ length: 200 }, (_, i) => `${i / 20},1500,${(i % 50) / 60},14.1`)
  rows[7] = '0.35,1500,abc,14'
  await page.getByLabel('Ride log file').setInputFiles(file('odd.csv', `time,rpm,opening,afr\n${rows.join('\n')}\n`))
  const sheet = page.getByRole('dialog', { name: 'odd.csv' })
  await sheet.getByLabel('Column for throttle').selectOption('opening')
  await sheet.getByRole('button', { name: 'Read it with these columns' }).click()
  await expect(sheet.getByText('"abc" is not a number')).toBeVisible()
  await sheet.getByRole('button', { name: 'Leave such rows out and go on' }).click()
  await expect(sheet.getByText(/its figures run from 0 to 0.82/)).toBeVisible()
  await sheet.getByRole('button', { name: '0 to 1' }).click()
  await expect(sheet.getByText('“opening”, in share')).toBeVisible()
  await expect(sheet.getByText('1 rows left out because they cannot be read')).toBeVisible()
})
