import { expect, expectAccessible, test } from './support/fixtures.ts'

test('the sheet says what is where, and every paper can be taken along', async ({ page, app, copy }) => {
  const before = (await (await fetch(`${app.url}/api/jobs`)).json()).length
  await page.goto('/job/demo-lower-yard/hand-back')
  await expect(page.getByText('Throttle sensor plug, cavity 2')).toBeVisible()
  await expect(page.getByText('grey with violet stripe')).toBeVisible()
  await expect(page.getByRole('heading', { name: 'Back to stock' })).toBeVisible()
  await expectAccessible(page)

  const take = async (name: string) => {
    const [download] = await Promise.all([page.waitForEvent('download'), page.getByRole('link', { name }).click()])
    // The bytes are asked for again: where the browser keeps a download is its own affair, and it may drop it on a busy machine.
    const answer = await page.request.get(download.url())
    expect(answer.status()).toBe(200)
    return answer.body()
  }
  expect((await take('The sheet as PDF')).subarray(0, 5).toString()).toBe('%PDF-')
  const csv = (await take('The trim table as CSV')).toString()
  expect(csv.split('\n')[0]).toBe('rpm \\ throttle %,0,5,10,20,40,60,80,100')
  const file = JSON.parse((await take('The whole job as JSON')).toString())
  expect(file.journal.length).toBeGreaterThan(60)

  await page.goto('/')
  await page
    .getByLabel('Job file')
    .setInputFiles({ name: 'job.json', mimeType: 'application/json', buffer: Buffer.from(JSON.stringify(file)) })
  await expect(page.getByText('Merged: 0 entries were new.')).toBeVisible()
  const other = { ...file, job: { ...file.job, id: 'elsewhere', origin: 'elsewhere', title: 'From elsewhere' } }
  await page.goto('/')
  await page
    .getByLabel('Job file')
    .setInputFiles({ name: 'job.json', mimeType: 'application/json', buffer: Buffer.from(JSON.stringify(other)) })
  await expect(page.getByRole('heading', { name: 'From elsewhere', exact: true })).toBeVisible()
  const jobs = await (await fetch(`${app.url}/api/jobs`)).json()
  expect(jobs).toHaveLength(before + 1)

  await page.goto(`/job/${await copy('demo-upper-alp')}/trim`)
  await page.getByRole('tab', { name: 'History' }).click()
  await page
    .getByLabel('Trim table file')
    .setInputFiles({ name: 'trim.csv', mimeType: 'text/csv', buffer: Buffer.from(csv) })
  await expect(page.getByText(/cells from trim.csv/)).toBeVisible()
  await page
    .getByLabel('Trim table file')
    .setInputFiles({ name: 'bad.csv', mimeType: 'text/csv', buffer: Buffer.from(csv.replace('1500,', '1600,')) })
  await expect(page.getByText("rpm 1600 stands where the module's table has 1500.")).toBeVisible()
})

test('what breaks in a job file is said with its path', async ({ page, cutting }) => {
  cutting.link = true
  await page.goto('/')
  const bring = (text: string) =>
    page
      .getByLabel('Job file')
      .setInputFiles({ name: 'job.json', mimeType: 'application/json', buffer: Buffer.from(text) })
  await bring('hello')
  await expect(page.getByText('job.json is not JSON.')).toBeVisible()
  await bring('{"format":"tidy-badger-job"}')
  await expect(page.getByText(/"version" must be one of 1/)).toBeVisible()
})

test('for print only the sheet is left', async ({ page }) => {
  await page.goto('/job/demo-lower-yard/hand-back')
  await expect(page.getByRole('heading', { name: 'Back to stock' })).toBeVisible()
  await page.emulateMedia({ media: 'print' })
  await expect(page.getByRole('navigation', { name: 'Stations' })).toBeHidden()
  await expect(page.getByRole('button', { name: /Print the sheet/ })).toBeHidden()
  await expect(page.getByRole('heading', { name: 'Back to stock' })).toBeVisible()
})
