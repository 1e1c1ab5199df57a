import { chromium } from '@playwright/test'
import { launchOptions } from './support/browser.ts'
const browser = await chromium.launch(launchOptions)
const [, , path, out, ...acts] = process.argv
const page = await browser.newPage({
  viewport: { width: Number(process.env.W ?? 1280), height: Number(process.env.H ?? 800) },
  reducedMotion: 'reduce',
})
page.on('console', (m) => m.type() === 'error' && console.log('ERR', m.text()))
page.on('pageerror', (e) => console.log('PAGEERR', e.message))
await page.addInitScript(
  (theme) =>
    localStorage.setItem(
      'tidy-badger-preferences',
      JSON.stringify({ state: { theme, strong: false, person: 'Runa', device: 'x' }, version: 0 }),
    ),
  process.env.THEME ?? 'light',
)
await page.goto('http://127.0.0.1:4390' + path)
await page.waitForTimeout(1200)
for (const act of acts) {
  const [kind, ...rest] = act.split('=')
  const v = rest.join('=')
  if (kind === 'key') await page.keyboard.press(v)
  if (kind === 'type') await page.keyboard.type(v)
  if (kind === 'click') await page.getByText(v, { exact: false }).first().click()
  if (kind === 'button') await page.getByRole('button', { name: v }).first().click()
  if (kind === 'tab') await page.getByRole('tab', { name: v }).first().click()
  if (kind === 'fill') {
    const [l, t] = v.split('::')
    await page.getByLabel(l).first().fill(t)
  }
  await page.waitForTimeout(350)
}
await page.screenshot({ path: out })
await browser.close()
