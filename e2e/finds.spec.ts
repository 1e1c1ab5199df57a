import { readFileSync } from 'node:fs'
import { expect, expectAccessible, test } from './support/fixtures.ts'

test('what is found at a tick goes into the draft with one key, is known as measured, and is published from there', async ({
  page,
}) => {
  await page.goto('/job/demo-saloon/hook-up')
  await expect(page.getByRole('button', { name: /Not like this/ })).toBeVisible()
  await page
    .getByRole('button', { name: /Engine speed lead/ })
    .first()
    .click()
  await page.keyboard.press('o')
  const sheet = page.getByRole('dialog', { name: 'Otherwise than the dossier says' })
  await expect(sheet.getByLabel('What it is about')).toHaveValue('0')
  await expectAccessible(page)
  await sheet.getByLabel('Colour', { exact: true }).fill('tartan')
  await sheet.getByRole('button', { name: 'Put it into the dossier' }).click()
  await expect(sheet.getByRole('alert')).toContainText('"tartan" is no colour')
  await sheet.getByLabel('Colour', { exact: true }).fill('orange / white')
  await sheet.getByLabel('Colour', { exact: true }).press('Enter')
  await expect(page.getByText('it goes into the draft of the Marlow 2.9')).toBeVisible()
  await expect(sheet).toBeHidden()
  await expect(page.getByText('saved', { exact: true })).toBeVisible()
  await page.goto('/dossiers/machine/corvane-marlow-29')
  await page.getByRole('link', { name: /Go on with its draft/ }).click()
  await expect(page.getByText('Known, where somebody said: 1 measured.')).toBeVisible()
  await page.getByRole('tab', { name: 'Covers' }).click()
  const known = page.getByLabel('How Glovebox is known')
  await known.selectOption({ label: 'a guess' })
  await page.getByLabel('How every other cover is known').selectOption({ label: 'from a sheet' })
  await expect(page.getByRole('list', { name: 'Guesses' })).toContainText('Glovebox: a guess')
  await expectAccessible(page)
  await page.getByRole('button', { name: /^Publish version/ }).click()
  await expect(page.getByText(/1 measured, \d+ from a sheet, 1 guess/)).toBeVisible()
  await expect(page.getByText(/is now orange with white stripe/).first()).toBeVisible()
  await expect(page.getByText(/How \d+ things are known/)).toBeVisible()
})

test('a reading is taken from what an instrument sends, or from its pasted log, and never written down by itself', async ({
  page,
  request,
}) => {
  await page.goto('/job/demo-saloon/hook-up')
  await page.getByRole('tab', { name: 'Meter' }).click()
  await page.getByRole('button', { name: 'From an instrument' }).click()
  const sheet = page.getByRole('dialog', { name: 'Meter, V' })
  await expect(sheet.getByLabel('Instrument')).toHaveValue('lowlamp-reader')
  await sheet.getByLabel('Or pasted').fill('Volts\n0.02\n')
  await expect(sheet.getByRole('alert')).toContainText('None of its columns is known here: it has Volts')
  await sheet.getByLabel('Or pasted').fill('t;Probe\n0;0,03\n0,5;0,02\n')
  await expect(sheet.getByRole('status')).toContainText('0.025')
  await expect(async () => {
    await request.post('/api/jobs/demo-saloon/figures', {
      headers: { 'content-type': 'text/plain' },
      data: '{"t":1,"Probe":0.04}',
    })
    await expect(sheet.getByLabel('Sent just now')).toContainText('0.04')
  }).toPass()
  await expectAccessible(page)
  await sheet.getByLabel('Sent just now').getByRole('button', { name: 'Take it' }).click()
  await expect(page.getByLabel(/^Reading, V/)).toHaveValue('0.04')
})

test('a plug’s face is tapped on a photo, a cover and the plug are pinned on one, and it stands beside the plug', async ({
  page,
}) => {
  const picture = { name: 'bay.png', mimeType: 'image/png', buffer: readFileSync('docs/screenshots/yard.png') }
  await page.goto('/dossiers/machine/hallam-voss-shieling-21')
  await page.getByRole('button', { name: 'Write the next version' }).click()
  await expect(page.getByText('being written')).toBeVisible()
  await page.getByLabel('Name', { exact: true }).fill('Pedal plug by photo')
  await page.getByRole('button', { name: 'Add the plug' }).click()
  await page.getByLabel('Face of Pedal plug by photo from a photo').setInputFiles(picture)
  const sheet = page.getByRole('dialog', { name: 'Pedal plug by photo: tap its cavities' })
  const face = sheet.getByAltText('Face of Pedal plug by photo')
  for (const [x, y] of [
    [100, 100],
    [161, 98],
    [220, 101],
    [99, 160],
    [160, 162],
    [222, 159],
    [400, 200],
  ])
    await face.click({ position: { x: x ?? 0, y: y ?? 0 } })
  await sheet.getByRole('button', { name: 'Take the last one back' }).click()
  await expectAccessible(page)
  await sheet.getByRole('button', { name: 'That is its face: 6 cavities' }).click()
  await expect(sheet).toBeHidden()
  await page.getByRole('tab', { name: 'Photos' }).click()
  await page.getByLabel('Photos of the machine: pick or take pictures').setInputFiles(picture)
  const photo = page.getByRole('region', { name: 'Photo: bay' })
  await photo.getByAltText('bay').click({ position: { x: 50, y: 50 } })
  await expect(page.getByText('Pick what it is first')).toBeVisible()
  const names = await photo.getByLabel('Tapped next').locator('optgroup[label=Covers] option').allTextContents()
  await photo.getByLabel('Tapped next').selectOption({ label: names[0] ?? '' })
  await photo.getByAltText('bay').click({ position: { x: 120, y: 80 } })
  await expect(photo.getByRole('img', { name: `1: ${names[0]}` })).toBeVisible()
  await photo.getByLabel('Tapped next').selectOption({ label: 'Pedal plug by photo' })
  await photo.getByAltText('bay').click({ position: { x: 200, y: 90 } })
  await expectAccessible(page)
  await page
    .getByRole('button', { name: /^(Use it with its gaps|Publish version)/ })
    .first()
    .click()
  await page.waitForURL('**/dossiers/machine/hallam-voss-shieling-21')
  // The editor stays on screen until the page after it is there; it names the plug too.
  await expect(page.getByRole('button', { name: 'Write the next version' })).toBeVisible()
  await page.getByRole('button', { name: /Pedal plug by photo/ }).click()
  await expect(page.getByAltText('Pedal plug by photo: bay')).toBeVisible()
})
