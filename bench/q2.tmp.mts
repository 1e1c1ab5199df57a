import { chromium } from '@playwright/test'
import { writeFileSync } from 'node:fs'
import { launchOptions } from '../e2e/support/browser.ts'
import { runApp } from '../e2e/support/runApp.ts'
const app = await runApp({ demo: true })
const b = await chromium.launch(launchOptions)
const ctx = await b.newContext({ baseURL: app.url, serviceWorkers: 'block', viewport: { width: 412, height: 823 } })
const page = await ctx.newPage()
const c = await ctx.newCDPSession(page)
await c.send('Profiler.enable'); await c.send('Profiler.setSamplingInterval', { interval: 200 })
await c.send('Emulation.setCPUThrottlingRate', { rate: 4 })
await c.send('Profiler.start')
await page.goto(process.argv[2] ?? '/job/demo-upper-alp/hook-up')
await page.waitForTimeout(5000)
const { profile } = (await c.send('Profiler.stop')) as any
const dt = profile.timeDeltas; const self = new Map<number, number>()
profile.samples.forEach((s: number, i: number) => self.set(s, (self.get(s) ?? 0) + dt[i]))
const byId = new Map<number, any>(profile.nodes.map((n: any) => [n.id, n]))
const incl = new Map<string, number>(); const selfBy = new Map<string, number>()
const total = (n: any, stack: Set<string>): number => {
  const cf = n.callFrame; const k = `${cf.functionName || 'anon'} ${cf.url.split('/').pop().slice(0, 18)}:${cf.columnNumber}`
  let t = self.get(n.id) ?? 0
  selfBy.set(k, (selfBy.get(k) ?? 0) + t)
  const fresh = !stack.has(k); if (fresh) stack.add(k)
  for (const ch of n.children ?? []) t += total(byId.get(ch), stack)
  if (fresh) { stack.delete(k); incl.set(k, (incl.get(k) ?? 0) + t) }
  return t
}
total(profile.nodes[0], new Set())
const top = (m: Map<string, number>, n: number) => [...m].sort((a, b) => b[1] - a[1]).slice(0, n).forEach(([k, t]) => console.log((t / 1000).toFixed(0).padStart(6), k))
console.log('inclusive'); top(incl, 70); console.log('self'); top(selfBy, 30)
await b.close(); await app.stop()
