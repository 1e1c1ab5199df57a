import { expect, expectAccessible, journalOf, saved, test } from './support/fixtures.ts'
import { pictureWithPlace } from './support/picture.ts'

test('a pair on the wrong cylinder is stopped, and coils that fire together may change places', async ({
  page,
  copy,
}) => {
  await page.goto(`/job/${await copy('demo-pass-rider')}/hook-up?end=low-3`)
  await expect(page.getByRole('heading', { name: /Lower injector pair 3: injector 3 plug/ })).toBeVisible()
  await page.keyboard.press('n')
  await page.getByRole('button', { name: /^Injector 4 plug, lower row/ }).click()
  const stop = page.getByRole('alert').filter({ hasText: 'Stop' })
  await expect(stop).toContainText('Lower injector pair 3 is for number 3')
  await page.keyboard.press('n')
  await page.getByRole('button', { name: /^Injector 3 plug, upper row/ }).click()
  await expect(stop).toContainText('for the lower row')
  await page.getByRole('button', { name: /Taken off/ }).click()
  await expect(stop).toHaveCount(0)

  await page.getByRole('button', { name: /Coil pair 4/ }).click()
  await expect(page.getByText('Coils 1 and 4 fire together: these two branches may change places.')).toBeVisible()
})

test('a photo of the mated plug stands for the record of its end', async ({ page, app, copy }) => {
  const id = await copy('demo-pass-rider')
  await page.goto(`/job/${id}/hook-up?end=low-3`)
  const before = (await journalOf(app, id)).length
  await page
    .getByLabel('By photo: pick or take pictures')
    .setInputFiles({ name: 'mated.jpg', mimeType: 'image/jpeg', buffer: await pictureWithPlace(page, 400, 300) })
  // What it stands for is written with it, and the next end is in hand.
  await expect(page.getByRole('heading', { name: /Lower injector pair 3: injector 3 plug/ })).toHaveCount(0)
  await saved(page)
  const written = (await journalOf(app, id)).slice(before)
  expect(written[0]).toMatchObject({ kind: 'photo', about: { kitEnd: 'low-3' } })
  expect(written.slice(1).map((entry) => entry.kind)).toEqual(['connected', 'connected', 'tugged'])
  await page.goto(`/job/${id}/hook-up?end=low-3`)
  await page.getByRole('button', { name: /^Photo, work/ }).click()
  await expect(page.getByRole('dialog', { name: 'Photo' })).toBeVisible()
})

test('lookalikes stand side by side with what tells them apart', async ({ page, copy }) => {
  await page.goto(`/job/${await copy('demo-pass-rider')}/hook-up?end=crank`)
  await page.getByRole('button', { name: 'See both plugs side by side' }).click()
  const sheet = page.getByRole('dialog', { name: 'Not this one' })
  await sheet.getByRole('button', { name: 'Speed sensor plug' }).click()
  await expect(sheet.getByRole('heading', { name: 'Yours: Crank sensor plug' })).toBeVisible()
  await expect(sheet.getByRole('heading', { name: 'Not: Speed sensor plug' })).toBeVisible()
  await expect(sheet).toContainText('the black shell, a flat key')
  await expect(sheet).toContainText('below the starter')
  await expectAccessible(page)
})

test('any wire is found by colour in another spelling, and what it is is said', async ({ page, copy }) => {
  await page.goto(`/job/${await copy('demo-guide-twin')}/hook-up`)
  await page.getByLabel('Find any wire').fill('violett/grau')
  await page
    .getByRole('list', { name: 'Wires found' })
    .getByRole('button', { name: /Gear sensor plug, cavity 3/ })
    .click()
  await expect(page.getByRole('heading', { name: /^Neutral switch/ })).toBeVisible()
  await expect(page.getByText('Not the grey with violet stripe')).toBeVisible()
  await expect(page.getByRole('heading', { name: /Neutral lead: gear sensor plug, cavity 3/ })).toBeVisible()
  await page.getByRole('button', { name: 'Back to the end' }).click()
  await expect(page.getByRole('heading', { name: 'Why here' })).toBeVisible()
})

test('a factory wire is cut only with the owner’s word, and both halves lead through the module', async ({
  page,
  copy,
  app,
}) => {
  const id = await copy('demo-saloon')
  await page.goto(`/job/${id}/hook-up?end=maf-in`)
  await page.getByRole('button', { name: 'Owner agrees that this wire is cut' }).click()
  await page.getByRole('button', { name: /Lead W joined to the other half/ }).click()
  const stop = page.getByRole('alert').filter({ hasText: 'Stop' })
  await expect(stop).toContainText('nothing gets through')
  await page.getByRole('tab', { name: 'Signals' }).click()
  await page.getByRole('radio', { name: 'as built' }).check()
  await expect(page.getByText('its other half is open')).toBeVisible()
  await expect(page.getByRole('heading', { name: 'Nothing leads here any more' })).toBeVisible()
  await page.getByRole('tab', { name: 'Loom' }).click()
  await page.getByRole('button', { name: /Airflow lead, white with black stripe/ }).click()
  await page.getByRole('button', { name: /Lead X joined to the ECU half/ }).click()
  await page.getByRole('button', { name: /Airflow lead, plain white/ }).click()
  await expect(stop).toHaveCount(0)
  await saved(page)
  const acts = (await journalOf(app, id)).filter((entry) => entry.kind === 'irreversible')
  expect(acts).toHaveLength(1)
})

test('a meter card asks only for what the battery allows, and says what a bad figure means', async ({ page, copy }) => {
  await page.goto(`/job/${await copy('demo-saloon')}/hook-up?end=throttle`)
  await page.getByRole('tab', { name: 'Meter' }).click()
  await page.getByLabel('Reading, V').fill('12.1')
  await page.getByRole('button', { name: 'Write it down' }).click()
  await expect(page.getByText('12.1 V instead of 0 to 0.1.', { exact: true })).toBeVisible()
  await expect(page.getByText('Likely: the battery is still connected')).toBeVisible()
  await page
    .getByRole('button', { name: /Throttle plate position, track 1 key on$/ })
    .first()
    .click()
  await expect(page.getByText('Not now: the battery is off.')).toBeVisible()
  await expect(page.getByLabel('Reading, V')).toHaveCount(0)
  await expect(page.getByRole('heading', { name: 'One other wire reads the same' })).toBeVisible()
  await expect(page.getByText(/^Cavity 7, plain white, airflow signal: 1\.00 V too\. .+ yours reads /)).toBeVisible()
  await expectAccessible(page)
})

test('a circuit of high voltage has no card, only the bar', async ({ page, copy }) => {
  await page.goto(`/job/${await copy('demo-pass-rider')}/hook-up?end=coil-2`)
  await page.getByRole('tab', { name: 'Meter' }).click()
  await page.getByRole('button', { name: /barred.*Coil 2 drive/ }).click()
  await expect(page.getByRole('alert')).toContainText('A coil primary swings to 300 to 400 V')
})

test('earlier work stays on the list until dealt with; a difference is taken with a reason', async ({ page, copy }) => {
  await page.goto(`/job/${await copy('demo-long-haul')}/hook-up?end=ground`)
  await expect(page.getByRole('heading', { name: /Ground ring: left wing ground/ })).toBeVisible()
  await page.keyboard.press('n')
  await page.getByRole('button', { name: /^Left battery negative/ }).click()
  await page.getByRole('tab', { name: 'Record' }).click()
  await expect(page.getByText('Left battery negative; planned Left wing ground.')).toBeVisible()
  await page.getByLabel('Why may it stay?').fill('wing is rusted through')
  await page.getByRole('button', { name: 'Take it as it is' }).click()
  await expect(page.getByText('Taken as it is by Runa: wing is rusted through')).toBeVisible()
  await page.getByLabel('How was it dealt with?').first().fill('parted, factory plug back on the sensor')
  await page.getByRole('button', { name: 'Dealt with' }).first().click()
  await expect(page.getByText('Dealt with by Runa: parted, factory plug back on the sensor')).toBeVisible()
  await expect(page.getByLabel('How was it dealt with?')).toHaveCount(1)
})

test('an error of the sheet is written down once and shown on the next job', async ({ page, copy }) => {
  await page.goto(`/job/${await copy('demo-guide-twin')}/hook-up?end=neutral`)
  await page.getByRole('tab', { name: 'Record' }).click()
  await page.getByLabel('Which end').selectOption('neutral')
  await page.getByLabel('The sheet says').fill('violet/grey')
  await page.getByLabel('What is there').fill('it is grey with a violet stripe')
  await page.getByRole('button', { name: 'Write it down for everybody' }).click()
  await expect(page.getByText('sheet says violet/grey; it is grey with a violet stripe. Runa')).toBeVisible()
  await page.goto(`/job/${await copy('demo-guide-twin')}/hook-up?end=neutral`)
  await expect(page.getByRole('heading', { name: 'The sheet is wrong' })).toBeVisible()
})

test('a place fixed by hand moves the plan, and is given back', async ({ page, copy }) => {
  await page.goto(`/job/${await copy('demo-tow-truck')}/hook-up?end=ground`)
  await expect(page.getByRole('heading', { name: /Ground ring: left wing ground/ })).toBeVisible()
  await page.keyboard.press('n')
  await page.getByLabel('Place in the plan').selectOption('stud/battery-left-neg')
  await page.getByRole('button', { name: 'Plan it there' }).click()
  await expect(page.getByRole('heading', { name: /Ground ring: left battery negative/ })).toBeVisible()
  await page.getByRole('tab', { name: 'Record' }).click()
  await page.getByRole('button', { name: 'Back to the plan' }).click()
  await expect(page.getByRole('heading', { name: /Ground ring: left wing ground/ })).toBeVisible()
})

test('a dial plug in the socket that takes it too is stopped', async ({ page, copy }) => {
  await page.goto(`/job/${await copy('demo-tourer')}/hook-up?end=dial`)
  await expect(page.getByText('Both four-pin sockets take it').first()).toBeVisible()
  await page.keyboard.press('n')
  await page.getByRole('button', { name: 'Data socket' }).click()
  await expect(page.getByRole('alert').filter({ hasText: 'Stop' })).toContainText('which takes it but is another')
})

test('a fuse its wire cannot bear is stopped, and the kit’s own put back', async ({ page, copy }) => {
  await page.goto(`/job/${await copy('demo-side-by-side')}/hook-up?end=relay-feed`)
  await expect(page.getByRole('heading', { name: /Battery ring of the relay/ })).toBeVisible()
  await page.keyboard.press('Space')
  await expect(page.getByRole('heading', { name: '2 of 16 ends connected' })).toBeVisible()
  const ring = page.getByRole('button', { name: /^Battery ring of the relay/ })
  const fuse = async (amps: string) => {
    await ring.click()
    await expect(page.getByRole('heading', { name: /Battery ring of the relay/ })).toBeVisible()
    await page.keyboard.press('n')
    await page.getByRole('combobox', { name: /^Fuse/ }).selectOption({ label: amps })
    await page.getByRole('button', { name: 'That one is in' }).click()
  }
  const stop = page.getByRole('alert').filter({ hasText: 'the wire would burn first' })
  await fuse('40 A')
  await expect(stop).toContainText('A fuse of 40 A')
  await expect(stop).toContainText("Put in the kit's own 10 A.")
  await fuse('10 A')
  await expect(stop).toHaveCount(0)
  await expectAccessible(page)
})

test('any wire is found from any station, by colours in any order and by its figures, and shown at hook-up', async ({
  page,
}) => {
  await page.goto('/job/demo-hut-7/open-up')
  await expect(page.getByRole('status').first()).toContainText('saved')
  await page.keyboard.press('f')
  const sheet = page.getByRole('dialog', { name: 'Find any wire' })
  await sheet.getByPlaceholder('gy/vi, crank 2, 5v').fill('black/pink injector')
  await expect(sheet.getByRole('option').first()).toContainText('pink with black stripe')
  await expectAccessible(page)
  await sheet.getByPlaceholder('gy/vi, crank 2, 5v').fill('0,75')
  await expect(sheet.getByRole('option').first()).toBeVisible()
  await sheet.getByPlaceholder('gy/vi, crank 2, 5v').fill('pk/bk injector plug')
  await page.keyboard.press('Enter')
  await expect(page).toHaveURL(/hook-up\?plug=injector&cavity=\d/)
  await expect(page.getByRole('heading', { name: '3 of 7 ends connected' })).toBeVisible()
  await expect(page.getByText('Injector drive').first()).toBeVisible()
})
