import { chromium } from '@playwright/test'
import { launchOptions } from '../e2e/support/browser.ts'
import { runApp } from '../e2e/support/runApp.ts'
const app = await runApp({ demo: true })
const b = await chromium.launch(launchOptions)
const ctx = await b.newContext({ baseURL: app.url, serviceWorkers: 'block', viewport: { width: 412, height: 823 }, deviceScaleFactor: 1 })
const page = await ctx.newPage()
await page.addInitScript(`window.__s=[];new PerformanceObserver(l=>{for(const e of l.getEntries())window.__s.push([e.startTime|0,e.value.toFixed(4),...e.sources.map(s=>(s.node&&s.node.nodeName+'.'+String(s.node.className).slice(0,40))+' '+JSON.stringify(s.previousRect).slice(0,80)+'>'+JSON.stringify(s.currentRect).slice(0,80))])}).observe({type:'layout-shift',buffered:true})`)
await page.goto('/job/demo-upper-alp/trim')
await page.waitForTimeout(4000)
console.log(JSON.stringify(await page.evaluate('window.__s'), null, 1))
await page.screenshot({ path: '/tmp/trim-m.png' })
await b.close(); await app.stop()
