import { chromium } from '@playwright/test'
import { launchOptions } from './support/browser.ts'
import { named } from './support/fixtures.ts'
const browser = await chromium.launch(launchOptions)
const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 }, baseURL: 'http://127.0.0.1:4555' })).newPage()
page.on('console', m => m.type()==='error' && console.log('ERR', m.text()))
await named(page, 'Runa')
const shots = process.argv.slice(2)
for (const s of shots) {
  const [name, path, act] = s.split('|')
  await page.goto(path)
  await page.waitForTimeout(1500)
  if (act) for (const a of act.split(';')) { const [k, v] = a.split('='); if (k==='tab') await page.getByRole('tab',{name:v}).click(); if (k==='head') await page.getByRole('heading',{name:v}).first().evaluate(h=>h.scrollIntoView()); if (k==='btn') await page.getByRole('button',{name:new RegExp(v)}).first().click(); await page.waitForTimeout(1200) }
  await page.screenshot({ path: `/tmp/l/${name}.png` })
}
await browser.close()
