import { expect, expectAccessible, journalOf, saved, test } from './support/fixtures.ts'

test('a new job from machine and kit to the last end, by space bar alone', async ({ page, app }) => {
  await page.goto('/')
  await page.getByRole('button', { name: 'New job' }).click()
  await page.getByRole('radio', { name: /Gorse 430/ }).check()
  await page.getByRole('radio', { name: /Quernby P1/ }).check()
  await page.getByLabel(/called in the yard/).fill('Test quad')
  await page.getByRole('button', { name: 'Open the job' }).click()
  await expect(page.getByRole('heading', { name: 'Test quad' })).toBeVisible()
  await page.getByRole('link', { name: /Hook up/ }).click()
  await expect(page.getByRole('heading', { name: '0 of 7 ends connected' })).toBeVisible()
  // One press an end: three for each pair's ticks, two for each joint, one for each closure.
  for (const done of [3, 6, 9, 11, 13, 14, 15]) {
    await page.keyboard.press('Space')
    await expect(page.getByRole('button', { name: `Journal ${done}` })).toBeVisible()
  }
  await expect(page.getByRole('heading', { name: 'Every end is connected' })).toBeVisible()
  await saved(page)
  const job = new URL(page.url()).pathname.split('/')[2]
  const entries = await journalOf(app, job)
  expect(entries).toHaveLength(15)
  expect(new Set(entries.map((entry) => entry.by))).toEqual(new Set(['Runa']))
})

test('a pair mated to itself is stopped with reason and remedy, and put right', async ({ page, copy }) => {
  await page.goto(`/job/${await copy('demo-hut-7')}/hook-up`)
  await expect(page.getByRole('heading', { name: '3 of 7 ends connected' })).toBeVisible()
  await page.keyboard.press('n')
  await page.getByRole('button', { name: 'Its two halves are mated to each other' }).click()
  const stop = page.getByRole('alert').filter({ hasText: 'Stop' })
  await expect(stop).toContainText('the module is bypassed')
  await expect(stop).toContainText('Factory plug into the loom, loom onto the device')

  await page.getByRole('link', { name: /^Wake/ }).click()
  await expect(page.getByText('A stop is open. Mend it first.')).toBeVisible()
  await page.getByRole('link', { name: /Hook up/ }).click()

  await page.getByRole('button', { name: /Taken off/ }).click()
  await expect(stop).toHaveCount(0)
  await page.getByRole('button', { name: 'Factory plug into loom end C' }).click()
  await expect(page.getByText('nothing reaches it').or(page.getByText('is dead'))).toBeVisible()
  await page.getByRole('button', { name: 'Loom end C onto the crank sensor' }).click()
  await page.getByRole('button', { name: 'Locks closed, both tugged' }).click()
  await expect(page.getByRole('heading', { name: '4 of 7 ends connected' })).toBeVisible()
})

test('the wrong wire is stopped: base and stripe swapped', async ({ page, copy }) => {
  await page.goto(`/job/${await copy('demo-hut-7')}/hook-up`)
  await page.getByRole('button', { name: /Throttle lead/ }).click()
  await expect(page.getByText('The wide colour is grey, the thin line is violet')).toBeVisible()
  await page.getByRole('button', { name: /Not like this/ }).click()
  await page.getByLabel('Find a wire').fill('violet/grey neutral switch plug')
  await page.getByRole('button', { name: /violet with grey stripe.*Neutral switch plug/ }).click()
  const stop = page.getByRole('alert').filter({ hasText: 'Stop' })
  await expect(stop).toContainText('base and stripe are swapped')
  await stop.getByRole('button', { name: 'Lift it with a reason' }).click()
  await stop.getByLabel('Why may it stay?').fill('bench trial only')
  await stop.getByRole('button', { name: /Lift it; it is printed/ }).click()
  await expect(page.getByText('Stop, lifted by Runa')).toBeVisible()
  await page.getByRole('link', { name: /Hand back/ }).click()
  await expect(page.getByText('Lifted by Runa: bench trial only')).toBeVisible()
})

test('undo names what stands on an entry, undoes all, and brings back', async ({ page, copy }) => {
  await page.goto(`/job/${await copy('demo-hut-7')}/hook-up`)
  await expect(page.getByRole('heading', { name: '3 of 7 ends connected' })).toBeVisible()
  await page.keyboard.press('j')
  const journal = page.getByRole('dialog', { name: 'Journal' })
  const ring = journal.getByRole('listitem').filter({ hasText: 'Ground ring → Engine strap stud' })
  await ring.getByRole('button', { name: /^Undo: Ground ring/ }).click()
  await page.getByRole('button', { name: 'Undo all 2' }).click()
  await expect(ring.getByRole('button', { name: /^Bring back: Ground ring/ })).toBeVisible()
  await ring.getByRole('button', { name: /^Bring back: Ground ring/ }).click()
  await expect(ring.getByRole('button', { name: /^Undo: Ground ring/ })).toBeVisible()
  await page.keyboard.press('Escape')
  await expect(page.getByRole('heading', { name: '2 of 7 ends connected' })).toBeVisible()
})

test('the stop found in the yard is shown first, and a reload loses nothing', async ({ page, copy }) => {
  const id = await copy('demo-ropeway')
  await page.goto('/')
  await expect(page.getByRole('listitem').first()).toContainText('Stop: ')
  await expect(page.getByRole('listitem').filter({ has: page.locator(`a[href="/job/${id}"]`) })).toContainText(
    'Stop: The two halves of the injector pair',
  )
  await page.locator(`a[href="/job/${id}"]`).click()
  await page.getByRole('button', { name: /Taken off/ }).click()
  await expect(page.getByRole('heading', { name: '0 of 7 ends connected' })).toBeVisible()
  await page.getByRole('button', { name: 'Factory plug into loom end A' }).click()
  await saved(page)
  await page.reload()
  await expect(page.getByRole('button', { name: 'Factory plug into loom end A' })).toBeDisabled()
})

test('plug faces turn over, and everything is reachable by keys', async ({ page, copy }) => {
  await page.goto(`/job/${await copy('demo-hut-7')}/hook-up`)
  await expect(page.getByRole('img', { name: /Crank sensor plug, mating side/ })).toBeVisible()
  await page.getByRole('button', { name: 'Turn it' }).click()
  await expect(page.getByRole('img', { name: /Crank sensor plug, wire side/ })).toBeVisible()
  await page.keyboard.press('ArrowDown')
  await expect(page.getByRole('heading', { name: /Throttle lead: throttle sensor plug, cavity 2/ })).toBeVisible()
  await page.keyboard.press('k')
  await expect(page.getByRole('combobox', { name: 'Commands' })).toBeFocused()
  await page.keyboard.type('night')
  await page.keyboard.press('Enter')
  await expect(page.locator('html')).toHaveClass(/dark/)
  await expectAccessible(page)
})
