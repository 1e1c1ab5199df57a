// Makes one picture of each main view from the demo yard, for docs/screenshots/.
import { chromium, type Page } from '@playwright/test'
import { mkdirSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { launchOptions } from '../e2e/support/browser.ts'
import { runApp } from '../e2e/support/runApp.ts'

const folder = fileURLToPath(new URL('../docs/screenshots', import.meta.url))
mkdirSync(folder, { recursive: true })

interface View {
  name: string
  path: string
  sign: string
  dark?: boolean
  phone?: boolean
  before?: (page: Page) => Promise<void>
}

async function pickTank(page: Page): Promise<void> {
  await page.getByRole('button', { name: /^Tank off/ }).click()
}

/** What the injectors live from, as a tree. */
async function showSupply(page: Page): Promise<void> {
  await page.keyboard.press('3')
  await page.getByRole('combobox').first().selectOption({ label: 'Injector and coil 12 V from the main relay' })
}

/** The card with the key on, with what the circuit gives for it. */
async function showCard(page: Page): Promise<void> {
  await page.keyboard.press('4')
  await page
    .getByRole('button', { name: /track 1 key on$/ })
    .first()
    .click()
  await page.getByText('reads the same').waitFor()
}

/** A copy of the quad as a draft, its map in sight. */
async function openCopy(page: Page): Promise<void> {
  await page.getByLabel('Maker').fill('Sill Bridge')
  await page.getByLabel('Model').fill('Gorse of the yard')
  await page.getByLabel('Start from').selectOption({ label: 'a copy of Pellick Gorse 430' })
  await page.getByRole('button', { name: 'Write it down' }).click()
  await page.getByRole('tab', { name: 'Ways for the loom' }).click()
  await page.getByRole('heading', { name: 'Where a loom can lie' }).waitFor()
}

/** A copy of a diesel module as a draft, its loom in sight. */
async function openKitCopy(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'Kit', exact: true }).click()
  await page.getByLabel('Maker').fill('Sill Bridge')
  await page.getByLabel('Model').fill('D3 of the yard')
  await page.getByLabel('Start from').selectOption({ label: 'a copy of Thistle D3' })
  await page.getByRole('button', { name: 'Write it down' }).click()
  await page.getByRole('group', { name: /^Loom of the/ }).waitFor()
}

const views: View[] = [
  { name: 'yard', path: '/', sign: 'In the yard' },
  { name: 'check-kit', path: '/job/demo-guest-house/check-kit', sign: 'Bus terminator is missing' },
  {
    name: 'vehicle',
    path: '/vehicles',
    sign: 'Lower yard quad',
    before: async (page) => {
      await page.getByRole('link', { name: /Lower yard quad/ }).click()
      await page.getByText('In it now').waitFor()
    },
  },
  { name: 'hook-up', path: '/job/demo-hut-7/hook-up', sign: '3 of 7 ends connected' },
  { name: 'take-in', path: '/job/demo-guest-house/take-in', sign: 'For this job' },
  { name: 'open-up', path: '/job/demo-guide-twin/open-up', sign: 'From above', before: pickTank },
  {
    name: 'lay-loom',
    path: '/job/demo-pass-rider/lay-loom',
    sign: 'Branch by branch',
    before: (page) =>
      page
        .getByRole('button', { name: /Crank pair/ })
        .first()
        .click(),
  },
  {
    name: 'wake',
    path: '/job/demo-harvester/wake',
    sign: 'What you should see',
    before: (page) =>
      page
        .getByRole('button', { name: /^Start, let it idle/ })
        .first()
        .click(),
  },
  {
    name: 'power-night',
    path: '/job/demo-tourer/lay-loom',
    sign: 'Branch by branch',
    dark: true,
    before: (page) => page.getByRole('tab', { name: 'Power' }).click(),
  },
  { name: 'route-editor', path: '/dossiers', sign: 'Machines', before: openCopy },
  { name: 'open-up-phone', path: '/job/demo-trail/open-up', sign: 'From above', phone: true },
  {
    name: 'day',
    path: '/job/demo-guest-house/open-up',
    sign: 'From above',
    before: async (page) => {
      await page.getByRole('tab', { name: 'Day' }).click()
      await page.getByText(/Still to do:/).waitFor()
    },
  },
  { name: 'kit-editor', path: '/dossiers', sign: 'Machines', before: openKitCopy },
  {
    name: 'signals',
    path: '/job/demo-pass-rider/hook-up?end=low-1',
    sign: '3 of 19 ends connected',
    before: showSupply,
  },
  {
    name: 'meter',
    path: '/job/demo-saloon/hook-up?end=throttle',
    sign: '2 of 9 ends connected',
    before: showCard,
  },
  {
    name: 'proof',
    path: '/job/demo-hut-tow/prove',
    sign: 'Prove',
    before: async (page) => {
      await page.getByRole('button', { name: 'Pulls and claim' }).click()
      await page.getByRole('img', { name: /^Power over engine speed/ }).waitFor()
    },
  },
  { name: 'trim', path: '/job/demo-upper-alp/trim', sign: 'rows used' },
  { name: 'hand-back', path: '/job/demo-lower-yard/hand-back', sign: 'Take along' },
]

const app = await runApp({ demo: true, host: '0.0.0.0' })
const browser = await chromium.launch(launchOptions)
for (const view of views) {
  const context = await browser.newContext({
    baseURL: app.url,
    viewport: view.phone ? { width: 390, height: 844 } : { width: 1280, height: 800 },
    reducedMotion: 'reduce',
  })
  const page = await context.newPage()
  await page.addInitScript(
    (theme) => {
      const state = { theme, strong: false, person: 'Runa', device: 'camera' }
      localStorage.setItem('tidy-badger-preferences', JSON.stringify({ state, version: 0 }))
    },
    view.dark ? 'dark' : 'light',
  )
  await page.goto(view.path)
  // What the page came with names its job before the page is there.
  await page.locator('#first-sight').waitFor({ state: 'detached' })
  await page.getByText(view.sign).first().waitFor()
  await view.before?.(page)
  // The day's figure is worked out beside the screen.
  await page.getByText('–:––').waitFor({ state: 'detached' })
  await page.waitForTimeout(600)
  await page.screenshot({ path: `${folder}/${view.name}.png` })
  await context.close()
  console.log(view.name)
}
await machineSheet()
await browser.close()
await app.stop()

/** Every machine from its left and from above, as the yard hands them out. */
async function machineSheet(): Promise<void> {
  const rows: { kind: string; id: string; version: number; name: string }[] = await (
    await fetch(`${app.url}/api/dossiers`)
  ).json()
  const seen = new Set<string>()
  const machines = rows.filter((row) => row.kind === 'machine' && !seen.has(row.id) && seen.add(row.id))
  const page = await browser.newPage({ baseURL: app.url, viewport: { width: 1280, height: 1180 } })
  await page.goto('/')
  await page.evaluate((list) => {
    document.body.innerHTML = `<main style="display:grid;grid-template-columns:repeat(3,1fr);gap:14px 26px;padding:20px;background:#f4f4ef">${list
      .map(
        ({ id, version, name }) =>
          `<figure style="margin:0">${['side', 'top']
            .map(
              (from) =>
                `<img style="display:block;width:100%;height:118px;object-fit:contain" src="/api/machines/${id}/drawing.svg?version=${version}&from=${from}&px=390">`,
            )
            .join('')}<figcaption style="font-weight:700">${name}</figcaption></figure>`,
      )
      .join('')}</main>`
  }, machines)
  await page.waitForFunction(() => [...document.images].every((image) => image.complete && image.naturalWidth > 0))
  await page.screenshot({ path: `${folder}/machines.png`, fullPage: true })
  await page.close()
  console.log('machines')
}
