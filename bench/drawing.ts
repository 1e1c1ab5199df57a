// Measures the drawings: what a machine's shapes take to work out, and what nearer, farther and along take on the screen.
import { chromium } from '@playwright/test'
import { bodyView, heatNear, machineScene, mostLabels, partsOf, placeLabels, views } from '@tidy-badger/core/drawing'
import { passagePoints } from '@tidy-badger/core/routing'
import { readdirSync, statSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { launchOptions } from '../e2e/support/browser.ts'
import { runApp } from '../e2e/support/runApp.ts'
import { shippedMachines } from '../packages/core/src/wiring/shippedCase.ts'

const p95 = (values: number[]) => [...values].sort((a, b) => a - b)[Math.floor(values.length * 0.95)] ?? 0

function say(what: string, figure: string, goal = ''): void {
  console.log(`${what.padEnd(64)} ${figure.padStart(26)}  ${goal}`)
}

function timed(work: () => unknown): number {
  const start = performance.now()
  work()
  return performance.now() - start
}

// Cold: a copy of the document is a machine that was never drawn.
const cold = shippedMachines.flatMap((machine) =>
  views.map((view) => {
    const runs = Array.from({ length: 7 }, () => {
      const copy = { ...machine }
      return timed(() => machineScene(copy, view))
    })
    return { name: `${machine.model}, ${view}`, ms: runs.sort((a, b) => a - b)[3] ?? 0 }
  }),
)
const worst = cold.reduce((a, b) => (b.ms > a.ms ? b : a))
say('a scene, first time, worst machine and view', `${worst.ms.toFixed(2)} ms, ${worst.name}`, 'limit 16 ms')

const shapes = shippedMachines.map(
  (machine) => machineScene(machine, 'side').length + machineScene(machine, 'top').length,
)
say('shapes of a machine, from the left and above', `${Math.min(...shapes)} to ${Math.max(...shapes)}`)
say(
  'parts by name, all machines',
  String(new Set(shippedMachines.flatMap((machine) => partsOf(machine).map(({ name }) => name))).size),
  'at least 60',
)

const hot = shippedMachines.flatMap((machine) =>
  (machine.passages ?? []).flatMap((passage) =>
    passage.hazards.flatMap((hazard) =>
      hazard.kind === 'hot' ? [{ machine, points: passagePoints(machine, passage.id), at: hazard.surfaceC }] : [],
    ),
  ),
)
const far = hot.map(({ machine, points, at }) => heatNear(machine, points, at)?.distanceM ?? Infinity)
say('hot passages with a drawn part as hot near them', `${far.filter((m) => m < 0.3).length} of ${hot.length}`, 'all')
say('how far that part is, at the most', `${(Math.max(...far) * 100).toFixed(0)} cm`)

let overlaps = 0
let asked = 0
for (const machine of shippedMachines)
  for (const view of views) {
    if (!machine.body) continue
    const paper = bodyView(machine.body, view)
    const unit = paper.width / 430
    const zones = machine.zones.flatMap((zone) =>
      zone.at ? [{ id: zone.id, at: paper.at(zone.at), wide: zone.name.length }] : [],
    )
    for (let i = 0; i + mostLabels <= zones.length; i++) {
      const placed = placeLabels(
        zones.slice(i, i + mostLabels).map(({ id, at: [x, y], wide }) => ({
          ...{ id, at: { x, y } },
          ...{ width: Math.min(wide, 26) * 7.9 * unit, height: 19 * unit },
        })),
        paper,
        5 * unit,
      )
      asked++
      for (const [n, one] of (placed ?? []).entries())
        for (const other of (placed ?? []).slice(n + 1))
          if (
            one.x < other.x + other.width &&
            other.x < one.x + one.width &&
            one.y < other.y + other.height &&
            other.y < one.y + one.height
          )
            overlaps++
    }
  }
say(`names that overlap, four zones at a time, ${asked} drawings`, String(overlaps), '0')

const assets = fileURLToPath(new URL('../packages/web/dist/assets/', import.meta.url))
const drawing =
  /^(partsOf|machineScene|MachineShapes|MachinePicture|MachineCanvas|WhereOnMachine|DrawingGestures|MachineDrawing)-.*\.js\.br$/
const kb =
  readdirSync(assets)
    .filter((file) => drawing.test(file))
    .reduce((sum, file) => sum + statSync(assets + file).size, 0) / 1000
say('script of the drawing, as sent', `${kb.toFixed(1)} kB`, 'limit 40 kB')

const app = await runApp({ demo: true })
const browser = await chromium.launch(launchOptions)
for (const [name, path] of [
  ['open up, V8 pickup', '/job/demo-long-haul/open-up'],
  ['open up, tow truck', '/job/demo-tow-truck/open-up'],
  ['lay loom, sport four', '/job/demo-pass-rider/lay-loom'],
] as const) {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
  await page.goto(app.url + path)
  const found = await page
    .locator('svg[aria-keyshortcuts]')
    .first()
    .waitFor({ timeout: 15_000 })
    .then(
      () => true,
      () => false,
    )
  if (!found) {
    say(name, 'no such job')
    await page.close()
    continue
  }
  await page.waitForTimeout(2500)
  // What a key does is worked out and drawn within its event.
  const spans = await page
    .locator('svg[aria-keyshortcuts]')
    .first()
    .evaluate(async (svg) => {
      const keys = ['+', '+', 'ArrowRight', 'ArrowDown', 'ArrowLeft', 'ArrowUp', '-', '+', 'ArrowRight', '0']
      const taken: number[] = []
      for (let round = 0; round < 12; round++)
        for (const key of keys) {
          const start = performance.now()
          svg.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true }))
          await Promise.resolve()
          taken.push(performance.now() - start)
          await new Promise((next) => requestAnimationFrame(() => setTimeout(next, 0)))
        }
      return taken
    })
  say(`nearer, farther, along: ${name}`, `p95 ${p95(spans).toFixed(1)} ms of script`, 'limit 8 ms')
  await page.close()
}
await browser.close()
await app.stop()
