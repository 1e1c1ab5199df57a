import type { Page } from '@playwright/test'
import { packFolder, unpackFolder } from '../packages/server/src/dossiers/folderZip.ts'
import { expect, expectAccessible, test } from './support/fixtures.ts'

async function newMachine(page: Page, model: string): Promise<void> {
  await page.goto('/dossiers')
  await page.getByLabel('Maker').fill('Hut')
  await page.getByLabel('Model').fill(model)
  await page.getByRole('button', { name: 'Write it down' }).click()
  await expect(page.getByRole('heading', { name: new RegExp(`Hut ${model}`) })).toBeVisible()
}

const colours = [
  'bk/pk',
  'rd/wh',
  'bn',
  'ye/vi',
  'GRY/VIO',
  'gn-ws',
  'schwarz',
  'rosa/schwarz',
  'azul',
  'blanc/vert',
  'aka',
  'lb',
  'or/bk',
  'wh/or',
  'vi/gy',
  'gn/rd',
  'br/bu',
  'pk',
  'lg/bk',
  'gy',
  'bu/wh',
  'ye',
  'rd/bu',
  'wh/bk',
]

/** A keyboard that counts. */
function keyboardOf(page: Page) {
  let pressed = 0
  return {
    pressed: () => pressed,
    async type(text: string) {
      pressed += text.length
      await page.keyboard.type(text)
    },
    async press(key: string) {
      pressed++
      await page.keyboard.press(key)
    },
  }
}

test('a plug of 24 cavities is entered by keyboard alone in under two minutes', async ({ page }) => {
  await newMachine(page, 'Sledge 24')
  const hand = keyboardOf(page)
  await page.getByLabel('Name').focus()
  await hand.type('ECU plug')
  await hand.press('Tab')
  await hand.type('24')
  await hand.press('Tab')
  await hand.type('2')
  await hand.press('Enter')
  await expect(page.getByLabel('Colour of cavity 24')).toBeVisible()
  // From the new plug to the first cavity: the wire grid follows in the order of the keys.
  const first = page.getByLabel('Colour of cavity 1', { exact: true })
  for (let i = 0; i < 12 && !(await first.evaluate((element) => element === document.activeElement)); i++)
    await hand.press('Tab')
  await expect(first).toBeFocused()
  for (const [i, colour] of colours.entries()) {
    await hand.type(colour)
    await hand.press('Tab')
    await hand.type(`Line ${i + 1}`)
    await hand.press('Enter')
  }
  await expect(page.getByText('24 wires in 1 plug so far.')).toBeVisible()
  await expect(page.getByText('grey with violet stripe')).toBeVisible()
  await expect(page.getByText('saved', { exact: true })).toBeVisible()
  // Two minutes at four keys a second, whatever machine this runs on.
  expect(hand.pressed()).toBeLessThan(480)
  await page.reload()
  await expect(page.getByLabel('Colour of cavity 24')).toHaveValue('white/black')
  await expectAccessible(page)
})

test('a pasted table is shown before it is taken over, and a bad line is named', async ({ page }) => {
  await newMachine(page, 'Sledge 3')
  await page.getByLabel('Name').fill('Crank plug')
  await page.getByRole('button', { name: 'Add the plug' }).click()
  await page.getByRole('button', { name: 'Paste a table' }).click()
  const sheet = page.getByRole('dialog', { name: /Pinout of Crank plug/ })
  await sheet.getByLabel('The table').fill('Pin\tFarbe\tSignal\n1\tbraun\tMasse\n2\tmud\tKurbel\n')
  await expect(sheet.getByRole('alert')).toContainText('Line 3: "mud" is no colour')
  await expect(sheet.getByRole('alert')).toContainText('The line is left out.')
  await expect(sheet.getByText('Masse', { exact: true })).toBeVisible()
  await sheet
    .getByLabel('The table')
    .fill('Pin\tFarbe\tSignal\n1\tbraun\tMasse\n2\tweiß/orange\tKurbel\n3\tgelb\tSpeisung\n')
  await expect(sheet.getByText('white with orange stripe')).toBeVisible()
  await sheet.getByRole('button', { name: 'Take it over' }).click()
  await expect(page.getByLabel('Circuit of cavity 2')).toHaveValue('Kurbel')
})

test('a half-finished machine is used with its gaps, which show in the job', async ({ page }) => {
  await newMachine(page, 'Sledge gaps')
  await page.getByLabel('Name').fill('Crank plug')
  await page.getByRole('button', { name: 'Add the plug' }).click()
  await page.getByLabel('Colour of cavity 1').fill('brown')
  await page.getByLabel('Circuit of cavity 1').fill('Sensor ground')
  await expect(page.getByRole('heading', { name: '1 gap', exact: true })).toBeVisible()
  await page.getByRole('button', { name: 'Use it with its gaps' }).click()
  await expect(page.getByRole('heading', { name: '1 plug, 1 wire' })).toBeVisible()
  await page.goto('/new')
  await page.getByRole('radio', { name: /Sledge gaps/ }).check()
  await page.getByRole('radio', { name: /Lowlamp Dial/ }).check()
  await page.getByRole('button', { name: 'Open the job' }).click()
  await page.getByRole('link', { name: /Hook up/ }).click()
  await expect(page.getByRole('heading', { name: /^0 of 6 ends connected/ })).toBeVisible()
  await expect(page.getByText('Where Sensor ground goes from here is not written down.').first()).toBeVisible()
})

test('a machine is varied: its next version says what changed, and what was typed survives a lost link', async ({
  page,
  cutting,
}) => {
  await page.goto('/dossiers/machine/pellick-rime-790')
  await page.getByRole('button', { name: 'Write the next version' }).click()
  await expect(page.getByText('version 4, being written')).toBeVisible()
  await page.getByRole('button', { name: /^Crank sensor plug/ }).click()
  cutting.link = true
  await page.context().setOffline(true)
  await page.getByLabel('Colour of cavity 1', { exact: true }).fill('white/violet')
  await expect(page.getByText('kept here')).toBeVisible()
  await page.context().setOffline(false)
  await expect(page.getByText('saved', { exact: true })).toBeVisible()
  await page.getByRole('button', { name: 'Publish version 4' }).click()
  await expect(page.getByRole('heading', { name: 'What changed since version 3' })).toBeVisible()
  await expect(page.getByText('plain white is now white with violet stripe').first()).toBeVisible()
  await expectAccessible(page)
})

test('a machine leaves as a folder, is changed in a spreadsheet, and comes back as its next version', async ({
  page,
  cutting,
}) => {
  await page.goto('/dossiers/machine/tarnbrook-calder-1130')
  const leaving = page.waitForEvent('download')
  await page.getByRole('link', { name: 'As a folder, ZIP' }).click()
  const stream = await (await leaving).createReadStream()
  const pieces: Buffer[] = []
  for await (const piece of stream) pieces.push(Buffer.from(piece as Uint8Array))
  const files = await unpackFolder(Buffer.concat(pieces))
  expect([...files.keys()]).toContain('covers.csv')
  const bring = async (from: string | RegExp, to: string) => {
    const changed = new Map(files)
    // As a German spreadsheet saves it: semicolons, and lines that end as on Windows.
    changed.set('zones.csv', (files.get('zones.csv') ?? '').replace(from, to).replaceAll('\n', '\r\n'))
    const zip = await packFolder('calder', changed, new Date('2026-05-01T08:00:00Z'))
    await page
      .getByLabel('A zipped folder')
      .setInputFiles({ name: 'calder.zip', mimeType: 'application/zip', buffer: zip })
  }
  await page.goto('/dossiers')
  cutting.refused = true
  await bring(/^(id,name,conditions)/, '$1s')
  await expect(page.getByText('"conditionss" is no column of zones.csv')).toBeVisible()
  await expect(page.getByText('zones.csv:1:3')).toBeVisible()
  await expectAccessible(page)
  const [, name = ''] =
    /^[^,\n]+,([^,\n"]+),/m.exec((files.get('zones.csv') ?? '').split('\n').slice(1).join('\n')) ?? []
  await bring(name, `${name} (seen)`)
  await expect(page.getByText(/^Otherwise than version/)).toBeVisible()
  await page.getByRole('button', { name: /^Publish as version/ }).click()
  await expect(page.getByRole('heading', { name: /^What changed since version/ })).toBeVisible()
  await expect(page.getByText(`${name} (seen)`).first()).toBeVisible()
})

test('a wire is found in all machines, and a plug in the hand by what is seen of it', async ({ page }) => {
  await page.goto('/dossiers')
  await page.getByRole('searchbox', { name: 'Look through all of them' }).fill('violett grau throttle')
  const found = page.getByRole('region', { name: 'What was found' })
  await expect(found.getByText('Pellick Gorse 430')).toBeVisible()
  await expectAccessible(page)
  await found.getByRole('link', { name: /^Throttle sensor plug, cavity 2/ }).click()
  await expect(page.getByRole('heading', { name: 'Throttle sensor plug' })).toBeVisible()
  await page.getByText('Kits that go on it').click()
  await expect(page.getByRole('link', { name: 'Quernby P1' })).toBeVisible()
  await expectAccessible(page)
  await page.goto('/dossiers')
  await page.getByText('This plug in my hand').click()
  await page.getByLabel('Cavities').fill('3')
  await page.getByLabel('Colour').selectOption('black')
  await expect(page.getByRole('list', { name: 'Plugs' }).getByRole('link').first()).toBeVisible()
  await expectAccessible(page)
})

test('all of a machine is written on screen: figures, a step, its drawing, and a variant that leaves it as it is', async ({
  page,
}) => {
  await page.goto('/dossiers/machine/corvane-tiller-14')
  await page.getByRole('button', { name: 'Write the next version' }).click()
  await expect(page.getByText('version 3, being written')).toBeVisible()
  await page.getByRole('tab', { name: 'Figures' }).click()
  await page.getByLabel('Limiter, rpm').fill('fast')
  await page.getByLabel('Limiter, rpm').press('Enter')
  await expect(page.getByText('"fast" is no figure in rpm.')).toBeVisible()
  await page.getByLabel('Limiter, rpm').fill('6400')
  await page.getByLabel('Limiter, rpm').press('Enter')
  await expectAccessible(page)
  await page.getByRole('tab', { name: 'Steps' }).click()
  await page.getByLabel('What is done, new step').fill('Drain hose of the wiper tray back on, water runs through.')
  await page.getByLabel('Station, new step').selectOption('close-up')
  await page.getByRole('button', { name: 'Add the step' }).click()
  await page.getByRole('button', { name: 'All of Drain hose of the wiper tray back on, water runs through.' }).click()
  await page.getByLabel('Why', { exact: true }).fill('Without it the ECU drowns.')
  await page.getByLabel('Why', { exact: true }).press('Enter')
  await expectAccessible(page)
  await page.getByRole('tab', { name: 'Drawing' }).click()
  const drawn = page.getByRole('application', { name: /as it is drawn, from the left/ })
  await expect(drawn).toBeVisible()
  await page.getByLabel('Part, new part').selectOption('battery')
  await page.getByLabel('To the rear, mm, new part').fill('60')
  await page.getByRole('button', { name: 'Add the part' }).click()
  const toTheRear = page.getByLabel('To the rear, mm, battery')
  await expect(toTheRear).toHaveValue('60')
  await page.getByLabel('Part in hand').selectOption('battery')
  await page.getByRole('button', { name: 'to the rear' }).click()
  await expect(toTheRear).toHaveValue('70')
  await drawn.focus()
  await page.keyboard.press('Shift+ArrowRight')
  await expect(toTheRear).toHaveValue('170')
  await page.keyboard.press('ArrowUp')
  await expect(page.getByLabel('Up, mm, battery')).toHaveValue('10')
  const box = await drawn.boundingBox()
  if (!box) throw new Error('the drawing has no place')
  await page.mouse.click(box.x + box.width * 0.5, box.y + box.height * 0.55)
  await expect(page.getByLabel('Part in hand')).not.toHaveValue('')
  const held = await page.getByLabel('Part in hand').inputValue()
  await page.mouse.move(box.x + box.width * 0.5, box.y + box.height * 0.55)
  await page.mouse.down()
  await page.mouse.move(box.x + box.width * 0.56, box.y + box.height * 0.55, { steps: 4 })
  await page.mouse.up()
  await expect(page.getByLabel(`To the rear, mm, ${held}`, { exact: true })).toHaveValue(/^\d{2,3}$/)
  await expectAccessible(page)
  await page.getByRole('tab', { name: 'Variants' }).click()
  await page.getByLabel('Variant', { exact: true }).fill('With tow bar')
  await page.getByLabel('How to tell it on the machine').fill('A socket under the bumper.')
  await page.getByRole('button', { name: 'Add the variant' }).click()
  await expect(page.getByLabel('Written on')).toHaveValue('with-tow-bar')
  await page.getByRole('tab', { name: 'Plugs' }).click()
  await page.getByRole('button', { name: /^Boost sensor plug/ }).click()
  await page.getByLabel('Colour of cavity 2', { exact: true }).fill('grey/red')
  await page.getByRole('tab', { name: 'Variants' }).click()
  await expect(page.getByRole('listitem').filter({ hasText: 'With tow bar' })).toContainText(/wires: \d/)
  await expectAccessible(page)
  await page.getByLabel('Written on').selectOption('')
  await page.getByRole('tab', { name: 'Plugs' }).click()
  await expect(page.getByLabel('Colour of cavity 2', { exact: true })).toHaveValue('grey/violet')
  await page.getByRole('button', { name: 'Publish version 3' }).click()
  await expect(page.getByRole('heading', { name: 'What changed since version 2' })).toBeVisible()
  await expect(page.getByText(/With tow bar/).first()).toBeVisible()
})
