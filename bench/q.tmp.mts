import { chromium } from '@playwright/test'
import lighthouse from 'lighthouse'
import { launchOptions } from '../e2e/support/browser.ts'
import { runApp } from '../e2e/support/runApp.ts'
const app = await runApp({ demo: true })
const b = await chromium.launch({ ...launchOptions, args: [...(launchOptions.args ?? []), '--remote-debugging-port=9399'] })
for (const p of ['/job/demo-upper-alp/hook-up']) {
  const r: any = await lighthouse(`${app.url}${p}`, { port: 9399, onlyCategories: ['performance'], logLevel: 'error' })
  const a = r.lhr.audits
  console.log(r.lhr.environment.benchmarkIndex, a['first-contentful-paint'].numericValue, a['largest-contentful-paint'].numericValue, a['speed-index'].numericValue, a['total-blocking-time'].numericValue, a['interactive']?.numericValue)
  console.log(JSON.stringify(a['largest-contentful-paint-element']?.details?.items?.[0]?.items?.[0]?.node?.snippet))
  console.log(JSON.stringify(a['bootup-time'].details.items.slice(0,8).map((i:any)=>[i.url.slice(-30), Math.round(i.total), Math.round(i.scripting), Math.round(i.scriptParseCompile)])))
  console.log(JSON.stringify(a['mainthread-work-breakdown'].details.items.map((i:any)=>[i.group, Math.round(i.duration)])))
  console.log(JSON.stringify(a['long-tasks'].details.items.map((i:any)=>[i.url.slice(-24), Math.round(i.startTime), Math.round(i.duration)])))
  console.log(a['network-requests'].details.items.map((i:any)=>[i.url.slice(-32), Math.round(i.networkRequestTime), Math.round(i.networkEndTime), i.transferSize, i.priority].join(' ')).join('\n'))
}
await b.close(); await app.stop()
