import { expect, expectAccessible, saved, test, turnTo } from './support/fixtures.ts'

/** A brake's lines: power to a peak at the end. */
const brake = (kw: number, unit = 'kW') =>
  `time,rpm,power (${unit})\n${Array.from({ length: 30 }, (_item, i) => `${i / 5},${1000 + 40 * i},${((kw * (i + 20)) / 49).toFixed(2)}`).join('\n')}`

test('a tow truck’s proof: three numbers, two curves, plain words; the paper and the tables say the same', async ({
  page,
  app,
}) => {
  await page.goto('/job/demo-hut-tow/prove')
  await page.getByRole('button', { name: 'Pulls and claim' }).click()
  const sheet = page.getByRole('dialog', { name: 'Pulls and claim' })
  const compared = sheet.getByRole('region', { name: 'Before and after' })
  await expect(compared.getByText('Power gained, shown')).toBeVisible()
  await expect(compared.getByRole('img', { name: /^Power over engine speed/ })).toBeVisible()
  await expect(compared.getByText(/Stock was not driven again/)).toBeVisible()
  await expect(sheet.getByText('Driven for warming: it does not count.')).toHaveCount(2)
  await expectAccessible(page)

  const proof = await (await fetch(`${app.url}/api/jobs/demo-hut-tow/proof`)).json()
  for (const { value } of proof.numbers) await expect(compared.getByText(value, { exact: true })).toBeVisible()
  const csv = await (await fetch(`${app.url}/api/jobs/demo-hut-tow/proof.csv`)).text()
  expect(csv.split('\r\n')).toHaveLength(proof.comparison.curve.length + 1)
  const pdf = Buffer.from(await (await fetch(`${app.url}/api/jobs/demo-hut-tow/proof.pdf`)).arrayBuffer())
  expect(pdf.subarray(0, 5).toString()).toBe('%PDF-')
  expect((await fetch(`${app.url}/api/jobs/demo-hut-7/proof.csv`)).status).toBe(422)
})

test('pulls the wrong way: a unit mixed up, a falling engine, no engine speed; horsepower is read as what it is', async ({
  page,
  copy,
}) => {
  const id = await copy('demo-cutter')
  await page.goto(`/job/${id}/take-in`)
  await page.getByRole('button', { name: 'Pulls and claim' }).click()
  const sheet = page.getByRole('dialog', { name: 'Pulls and claim' })
  const lines = sheet.getByLabel(/^Its lines/)
  const judged = sheet.getByRole('list', { name: 'This pull' })
  const onStock = sheet.getByRole('button', { name: 'On stock' })
  const rows = Array.from({ length: 30 }, (_item, i) => ({ rpm: 1000 + 40 * i, kw: 3 * i + 60 }))
  const nm = ({ rpm, kw }: (typeof rows)[number]) => (kw * 9549) / rpm
  await lines.fill(
    `time,rpm,power,torque\n${rows.map((row, i) => `${i},${row.rpm},${row.kw * 1.341},${nm(row)}`).join('\n')}`,
  )
  await expect(judged).toContainText('horsepower typed as kW')
  await expect(onStock).toBeDisabled()
  await lines.fill(
    `time,rpm,power\n${rows
      .toReversed()
      .map((row, i) => `${i},${row.rpm},${row.kw}`)
      .join('\n')}`,
  )
  await expect(judged).toContainText('The engine speed falls')
  await lines.fill('time,power\n1,2\n2,3')
  await expect(judged).toContainText('No column is the engine speed')
  await lines.fill(brake(150, 'hp'))
  await expect(judged).toContainText('111.9 kW')
  await onStock.click()
  await expect(sheet.getByText('pasted')).toBeVisible()
  await saved(page)
})

test('a ladder of another use begins on stock, ends where a run misses, and waits between runs', async ({
  page,
  copy,
  app,
}) => {
  const id = await copy('demo-cutter')
  await page.goto(`/job/${id}/trim`)
  await page.getByRole('button', { name: 'Ladder of levels' }).click()
  const sheet = page.getByRole('dialog', { name: 'Ladder of levels' })
  await expect(sheet.getByText(/Allowed so far: level 3. All levels are run./)).toBeVisible()
  await sheet.getByRole('combobox', { name: 'For' }).selectOption('long grade')
  await expect(sheet.getByText(/Nothing is allowed yet: stock comes first/)).toBeVisible()
  await sheet.getByLabel('Run on').selectOption('stock')
  await sheet.getByLabel(/^Exhaust before the turbine/).fill('712')
  await sheet.getByLabel(/^Held for/).fill('80')
  await sheet.getByLabel(/^Coolant/).fill('96')
  await sheet.getByLabel(/^Rail/).fill('160')
  await sheet.getByLabel(/^Boost/).fill('180')
  await sheet.getByRole('button', { name: 'Write the run down' }).click()
  await expect(sheet.getByText(/exhaust: 712, at most 700/)).toBeVisible()
  await expect(sheet.getByRole('timer')).toContainText('before the next run')
  await sheet.getByText(/^What stock does/).click()
  await expect(sheet.getByRole('img', { name: /^Map of stock/ })).toBeVisible()
  await expectAccessible(page)
  await saved(page)
  const { levels } = await (await fetch(`${app.url}/api/jobs/${id}/proof`)).json()
  expect(levels.join(' ')).toMatch(/long grade: no level is allowed yet/)
})

test('a regeneration bars pulls over the API as well; it cannot begin on stubble; running on is not for a hall', async ({
  page,
  copy,
  app,
}) => {
  const id = await copy('demo-cutter')
  const append = async (body: object) => {
    const { head } = await (await fetch(`${app.url}/api/jobs/${id}`)).json()
    const entry = {
      id: `api-${Date.now()}-${head}`,
      by: 'Runa',
      device: 'script',
      at: new Date().toISOString(),
      ...body,
    }
    const answer = await fetch(`${app.url}/api/jobs/${id}/journal`, {
      ...{ method: 'POST', headers: { 'content-type': 'application/json' } },
      body: JSON.stringify({ entries: [entry] }),
    })
    return { status: answer.status, text: await answer.text() }
  }
  const read = {
    ...{ coolantC: 82, fuelPct: 40, idleMin: 2, neutral: true, sootPct: 70, oilOverMark: false, barringCodes: 0 },
    ...{ ground: 'bare', clearM: 6, outdoors: true, blownClean: true, stays: true },
  }
  const stubble = await append({
    kind: 'regeneration',
    phase: 'started',
    text: '',
    read: { ...read, ground: 'stubble' },
  })
  expect(stubble.text).toMatch(/stubble or grass under the exhaust burns/)
  expect(stubble.status).toBeGreaterThanOrEqual(400)
  expect((await append({ kind: 'regeneration', phase: 'started', text: '', read })).status).toBeLessThan(300)
  const run = await append({ kind: 'level-run', level: 0, readings: { rail: { value: 160 } } })
  expect(run.text).toMatch(/regeneration by hand is under way/)
  await page.goto(`/job/${id}/prove`)
  await page.getByRole('button', { name: 'Regeneration and run-on' }).click()
  const sheet = page.getByRole('dialog', { name: 'Regeneration and run-on' })
  await expect(sheet.getByText(/Break it off at once/)).toBeVisible()
  await sheet.getByRole('button', { name: 'Broken off' }).click()
  await expect(sheet.getByRole('button', { name: 'It is begun' })).toBeDisabled()
  await sheet.getByLabel('It stands').selectOption('indoors')
  await expect(sheet.getByText(/^Not indoors/)).toBeVisible()
  await expectAccessible(page)
  await saved(page)
})

test('no approval is a closed course, on the take-in and on the paper', async ({ page, copy }) => {
  const id = await copy('demo-long-haul')
  await page.goto(`/job/${id}/take-in`)
  const asked = page.getByRole('region', { name: 'Approval of the Thistle D5' })
  await asked.getByLabel('Country or market').fill('the valley')
  await asked.getByLabel('Told to').fill('Joren')
  await asked.getByRole('button', { name: 'Write it down' }).click()
  await expect(asked.getByText('No approval in the valley: closed course only, told to Joren.')).toBeVisible()
  await expectAccessible(page)
  await turnTo(page, 'hand-back')
  await expect(page.getByText(/Closed course only; told to Joren/)).toBeVisible()
})
