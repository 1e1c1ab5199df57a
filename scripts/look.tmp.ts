import { chromium } from '@playwright/test'
import { launchOptions } from '../e2e/support/browser.ts'
const [url, ...pairs] = process.argv.slice(2)
const browser = await chromium.launch(launchOptions)
for (const pair of pairs) {
  const [name, path, w, keys] = pair.split('@')
  const context = await browser.newContext({ baseURL: url, viewport: w ? { width: Number(w), height: 844 } : { width: 1280, height: 800 }, reducedMotion: 'reduce' })
  const page = await context.newPage()
  page.on('console', (m) => m.type() === 'error' && console.log('console', m.text().slice(0, 200)))
  page.on('pageerror', (e) => console.log('pageerror', e.message.slice(0, 300)))
  await page.addInitScript(() => localStorage.setItem('tidy-badger-preferences', JSON.stringify({ state: { theme: 'light', strong: false, person: 'Runa', device: 'camera' }, version: 0 })))
  await page.goto(path)
  await page.waitForTimeout(1500)
  for (const k of (keys ?? '').split(',').filter(Boolean)) { await page.keyboard.press(k); await page.waitForTimeout(400) }
  await page.screenshot({ path: `/tmp/shots/${name}.png` })
  if (w) console.log(name, 'scrollWidth', await page.evaluate(() => document.documentElement.scrollWidth))
  await context.close()
}
await browser.close()
