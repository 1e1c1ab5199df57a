import { expect, expectAccessible, journalOf, saved, test } from './support/fixtures.ts'

test('two kits in one job: opened together, hooked up by space bar, each loom laid for itself', async ({
  page,
  app,
}) => {
  await page.goto('/new')
  await page.getByRole('radio', { name: /Skua 960 S/ }).check()
  await page.getByRole('radio', { name: /Quernby Learner self-learning/ }).check()
  await page.getByRole('checkbox', { name: /Lowlamp Dial/ }).check()
  await page.getByLabel(/called in the yard/).fill('Two kits')
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Open the job' }).click()
  await expect(page.getByRole('heading', { name: /Two kits/ })).toBeVisible()
  await page.getByRole('link', { name: /Hook up/ }).click()
  await expect(page.getByRole('heading', { name: /^0 of 2\d ends connected$/ })).toBeVisible()
  await page.keyboard.press('Space')
  await expect(page.getByRole('heading', { name: /^1 of 2\d ends connected$/ })).toBeVisible()
  await page.getByRole('link', { name: /Lay loom/ }).click()
  await page.getByRole('button', { name: 'Lowlamp Dial' }).click()
  await expect(page.getByRole('button', { name: 'Lowlamp Dial' })).toHaveAttribute('aria-pressed', 'true')
  for (const name of ['Places', 'Power', 'Lengths', 'Way']) await page.getByRole('tab', { name }).click()
  await expectAccessible(page)
  // A tab keeps the focus, the kit's button gives it back: the space bar is the work's.
  await page.getByRole('button', { name: 'Lowlamp Dial' }).click()
  await page.keyboard.press('Space')
  await saved(page)
  const job = new URL(page.url()).pathname.split('/')[2] ?? ''
  const parts = (await journalOf(app, job)).flatMap((entry) =>
    entry.kind === 'routed' && 'part' in entry ? [String(entry.part)] : [],
  )
  expect(parts.length).toBeGreaterThan(0)
  expect(parts.every((part) => part.startsWith('lowlamp-dial:'))).toBe(true)
})

test('a machine on file is found, shows its life, and goes back to stock', async ({ page }) => {
  await page.goto('/')
  await page.getByRole('link', { name: 'On file' }).click()
  await expect(page.getByRole('heading', { name: 'Machines on file' })).toBeVisible()
  await page.getByLabel('Look for').fill('lower yard')
  await page.getByRole('link', { name: /Lower yard/ }).click()
  await expect(page.getByRole('heading', { name: 'In it now' })).toBeVisible()
  await expect(page.getByText('Quernby P1').first()).toBeVisible()
  await expectAccessible(page)
  await page.getByLabel('Plate or frame number').fill('SB 12')
  await page.getByRole('button', { name: 'Write it down' }).click()
  await expect(page.getByRole('heading', { name: 'SB 12' })).toBeVisible()
  await page.getByRole('button', { name: 'Back to stock' }).click()
  await expect(page.getByRole('link', { name: /^Hook up/ })).toBeVisible()
  await expect(page.getByRole('link', { name: /^Lay loom/ })).toHaveCount(0)
  await page.getByRole('link', { name: /^Hook up/ }).click()
  await expect(page.getByRole('heading', { name: /of 7 ends off$/ })).toBeVisible()
  await page.keyboard.press('Space')
  await saved(page)
  await expectAccessible(page)
})
