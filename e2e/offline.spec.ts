import { expect, journalOf, named, post, saved, test, watch } from './support/fixtures.ts'

test.use({ serviceWorkers: 'allow' })

test('with the link cut one works on, reloads, and loses nothing; two people on one job', async ({
  ownPage: page,
  app,
  copy,
  browser,
  cutting,
}) => {
  const id = await copy('demo-hut-7')
  const had = (await journalOf(app, id)).length
  await page.goto(`/job/${id}/hook-up`)
  await expect(page.getByRole('heading', { name: '3 of 7 ends connected' })).toBeVisible()
  await page.evaluate(() => navigator.serviceWorker.ready)
  await page.reload()
  await expect(page.getByRole('heading', { name: '3 of 7 ends connected' })).toBeVisible()

  const theirs = await browser.newContext({ baseURL: app.url, viewport: { width: 1280, height: 800 } })
  const other = await theirs.newPage()
  const { errors: otherErrors } = watch(other, { link: false })
  await named(other, 'Tomas')
  await other.goto(`/job/${id}/hook-up`)

  cutting.link = true
  await page.context().setOffline(true)
  await page.getByRole('button', { name: 'Factory plug into loom end C' }).click()
  await page.getByRole('button', { name: 'Loom end C onto the crank sensor' }).click()
  await expect(page.getByText('link down, 2 not yet sent')).toBeVisible()

  await other.getByRole('button', { name: /Speed lead/ }).click()
  await other.getByRole('button', { name: /Cap on/ }).click()
  await other.keyboard.press('j')
  await other.getByLabel('A note').fill('Capped while you were away')
  await other.getByRole('button', { name: 'Write down', exact: true }).click()
  await other.keyboard.press('Escape')
  await saved(other)

  await page.reload()
  await expect(page.getByText('link down, 2 not yet sent')).toBeVisible()
  await expect(page.getByRole('button', { name: 'Loom end C onto the crank sensor' })).toBeDisabled()
  await page.keyboard.press('Space')
  await expect(page.getByRole('heading', { name: '4 of 7 ends connected' })).toBeVisible()

  await page.context().setOffline(false)
  await saved(page)
  await expect(page.getByRole('heading', { name: '5 of 7 ends connected' })).toBeVisible()
  await expect(other.getByRole('heading', { name: '5 of 7 ends connected' })).toBeVisible()

  const entries = await journalOf(app, id)
  expect(entries.slice(had).map((entry) => [entry.by, entry.kind])).toEqual([
    ['Tomas', 'connected'],
    ['Tomas', 'note'],
    ['Runa', 'connected'],
    ['Runa', 'connected'],
    ['Runa', 'tugged'],
  ])
  expect(otherErrors).toEqual([])
  await theirs.close()
})

test('a setting chosen offline that somebody else changed meanwhile is shown, not lost', async ({
  ownPage: page,
  app,
  copy,
  cutting,
}) => {
  const id = await copy('demo-hut-7')
  await page.goto(`/job/${id}/set-up`)
  await page.getByRole('tab', { name: 'Settings' }).click()
  await expect(page.getByLabel(/^Map in use(?!, as)/)).toBeVisible()
  cutting.link = true
  await page.context().setOffline(true)
  await page.getByLabel(/^Map in use(?!, as)/).selectOption('A')
  await page.getByRole('listitem').filter({ hasText: 'Map in use' }).getByRole('button', { name: 'Set' }).click()
  await expect(page.getByText('link down, 1 not yet sent')).toBeVisible()
  const answer = await post(`${app.url}/api/jobs/${id}/journal`, {
    entries: [{ id: 'other-setting', kind: 'setting', setting: 'map', value: 'B', replaces: null, by: 'Tomas' }],
  })
  expect(answer.status).toBe(200)
  await page.context().setOffline(false)
  await expect(page.getByText('Not taken: Map in use set to A')).toBeVisible()
  await expect(page.getByText('is B now')).toBeVisible()
  await expect(page.getByLabel(/^Map in use(?!, as)/)).toHaveValue('B')
  await page.getByRole('button', { name: 'Keep it as a note' }).click()
  await expect(page.getByText('Not taken')).toHaveCount(0)
  await saved(page)
  const entries = await journalOf(app, id)
  expect(entries.at(-1)?.text).toContain('Map in use set to A')
})
