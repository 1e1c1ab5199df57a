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

const views: View[] = [
  { name: 'yard', path: '/', sign: 'In the yard' },
  { name: 'new-job', path: '/new', sign: 'Which kit?' },
  { name: 'check-kit', path: '/job/demo-guest-house/check-kit', sign: 'Bus terminator is missing' },
  { name: 'make-safe', path: '/job/demo-guest-house/make-safe', sign: 'Make safe' },
  { name: 'hook-up', path: '/job/demo-hut-7/hook-up', sign: '3 of 7 ends connected' },
  { name: 'hook-up-night', path: '/job/demo-hut-7/hook-up', sign: '3 of 7 ends connected', dark: true },
  { name: 'hook-up-phone', path: '/job/demo-hut-7/hook-up', sign: '3 of 7 ends connected', phone: true },
  { name: 'hook-up-stop', path: '/job/demo-ropeway/hook-up', sign: 'Part the two halves' },
  {
    name: 'hook-up-four',
    path: '/job/demo-pass-rider/hook-up?end=crank',
    sign: '3 of 19 ends connected',
  },
  {
    name: 'card',
    path: '/job/demo-guide-twin/hook-up?end=neutral',
    sign: '3 of 12 ends connected',
    before: (page) => page.keyboard.press('2'),
  },
  {
    name: 'signals',
    path: '/job/demo-saloon/hook-up?end=maf-in',
    sign: '2 of 9 ends connected',
    before: (page) => page.keyboard.press('3'),
  },
  {
    name: 'meter',
    path: '/job/demo-saloon/hook-up?end=throttle',
    sign: '2 of 9 ends connected',
    before: (page) => page.keyboard.press('4'),
  },
  {
    name: 'lookalikes',
    path: '/job/demo-pass-rider/hook-up?end=crank',
    sign: '3 of 19 ends connected',
    before: async (page) => {
      await page.getByRole('button', { name: 'See both plugs side by side' }).click()
      await page.getByRole('button', { name: 'Speed sensor plug' }).click()
    },
  },
  { name: 'dossier', path: '/dossiers/machine/hallam-voss-packhorse-62', sign: '57 plugs' },
  { name: 'trim', path: '/job/demo-upper-alp/trim', sign: 'rows used' },
  {
    name: 'ride',
    path: '/job/demo-upper-alp/trim',
    sign: 'rows used',
    before: async (page) => {
      await page.getByRole('tab', { name: 'The ride' }).click()
      await page.getByText('Engine speed, rpm').waitFor()
    },
  },
  { name: 'hand-back', path: '/job/demo-lower-yard/hand-back', sign: 'Take along' },
  {
    name: 'journal',
    path: '/job/demo-hut-7/hook-up',
    sign: '3 of 7 ends connected',
    before: (page) => page.keyboard.press('j'),
  },
]

const app = await runApp({ demo: true })
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
  await page.getByText(view.sign).first().waitFor()
  await view.before?.(page)
  await page.waitForTimeout(600)
  await page.screenshot({ path: `${folder}/${view.name}.png` })
  await context.close()
  console.log(view.name)
}
await browser.close()
await app.stop()
