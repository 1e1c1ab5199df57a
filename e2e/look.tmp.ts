import { chromium } from '@playwright/test'
import { launchOptions } from './support/browser.ts'
import { named } from './support/fixtures.ts'
const [path, out, ...clicks] = process.argv.slice(2)
const b = await chromium.launch(launchOptions); const p = await b.newPage({viewport:{width:1280,height:800}})
p.on('console', m => { if (m.type()==='error') console.log('console', m.text()) }); p.on('pageerror', e => console.log('pageerror', e.message))
await named(p, 'Runa')
await p.goto('http://127.0.0.1:4555' + path); await p.waitForTimeout(3500)
for (const c of clicks) { if (c.startsWith('key:')) await p.keyboard.press(c.slice(4)); else { const [role, name] = c.split('='); await p.getByRole(role as any, { name: new RegExp(name) }).first().click() } await p.waitForTimeout(1200) }
await p.waitForTimeout(1500)
await p.screenshot({ path: out }); await b.close()
