// Measures what the product promises about speed and accuracy, and prints one line a figure.
import { chromium } from '@playwright/test'
import { quadEngine, rideCsv, simulateRide } from '@tidy-badger/core/engine-sim'
import { readLogBytes, requireTrimBasis, suggestTrims } from '@tidy-badger/core/fuel-trim'
import { planAccess } from '@tidy-badger/core/access'
import { daySpread, jobDay, jobTargets, replay, ruleCatalogue, type NewEntry } from '@tidy-badger/core/jobs'
import { planRoutes } from '@tidy-badger/core/routing'
import { checkWiring, plannedConnections, proposeMatches } from '@tidy-badger/core/wiring'
import { startPlanning } from '@tidy-badger/core/planning'
import { launchOptions } from '../e2e/support/browser.ts'
import { runApp } from '../e2e/support/runApp.ts'
import { proofFigures, rideCase } from '../packages/core/src/fuel-trim/rideCase.ts'
import { randomAccess } from '../packages/core/src/access/randomAccessCase.ts'
import { randomRoute } from '../packages/core/src/routing/randomRouteCase.ts'
import { gorseCase } from '../packages/core/src/wiring/gorseCase.ts'
import { ref } from '../packages/core/src/shared/refCase.ts'
import { plantMistakes } from '../packages/core/src/wiring/plantedCase.ts'
import { randomLoom } from '../packages/core/src/wiring/randomLoomCase.ts'
import { fittings } from '../packages/core/src/wiring/shippedCase.ts'

startPlanning()

const quad = gorseCase()

function times(runs: number, work: () => void): { p50: number; p95: number } {
  work()
  const taken = Array.from({ length: runs }, () => {
    const start = performance.now()
    work()
    return performance.now() - start
  }).sort((a, b) => a - b)
  return { p50: taken[runs >> 1], p95: taken[Math.floor(runs * 0.95)] }
}

function say(what: string, figure: string, limit = ''): void {
  console.log(`${what.padEnd(58)} ${figure.padStart(24)}  ${limit}`)
}

const ms = ({ p50, p95 }: { p50: number; p95: number }) => `${p50.toFixed(1)} / ${p95.toFixed(1)} ms`

function benchReplay(): void {
  const entries: NewEntry[] = Array.from({ length: 10_000 }, (_, i): NewEntry => {
    if (i % 4 === 0) return { id: `e${i}`, kind: 'connected', kitEnd: ref('ground'), to: { stud: ref('engine-strap') } }
    if (i % 4 === 1) return { id: `e${i}`, kind: 'tugged', kitEnd: ref('ground') }
    if (i % 4 === 2) return { id: `e${i}`, kind: 'reading', quantity: 'x', value: i, unit: 'V' }
    return { id: `e${i}`, kind: 'undo', undoes: `e${i - 2}` }
  })
  say('replay of 10,000 entries, p50 / p95', ms(times(40, () => replay(quad, entries))), 'limit 50 ms')
}

function benchAccess(): void {
  for (const { name, machine, kit } of fittings) {
    if (name.includes(',')) continue
    const dossiers = { machine, kit }
    const targets = jobTargets(dossiers, replay(dossiers, []))
    const plan = planAccess(machine, targets)
    say(
      `access: ${name}, ${plan.removals.length} off`,
      ms(times(20, () => planAccess(machine, targets))),
      plan.exact && plan.walkProven ? 'limit 100 ms, exact' : 'limit 100 ms, NOT exact',
    )
  }
  const quick: number[] = []
  const whole: number[] = []
  let exact = 0
  let gap = 0
  for (let seed = 1; seed <= 12; seed++) {
    const { machine, targets } = randomAccess(seed, 80, 60)
    let asked = 0
    let start = performance.now()
    const plan = planAccess(machine, targets, { enough: () => ++asked > 40 })
    if (seed > 2) quick.push(performance.now() - start)
    start = performance.now()
    const finished = planAccess(machine, targets)
    if (seed > 2) whole.push(performance.now() - start)
    if (plan.exact) exact += 1
    gap = Math.max(gap, (plan.workMinutes - finished.workMinutes) / finished.workMinutes)
  }
  const spread = (taken: number[]) => {
    const sorted = taken.toSorted((a, b) => a - b)
    return ms({ p50: sorted[sorted.length >> 1], p95: sorted[sorted.length - 1] })
  }
  say('access: 80 covers, 60 plugs, first answer, p50 / worst', spread(quick), 'limit 100 ms')
  say('  exact at once', `${exact} of 12`, `the others at most ${(gap * 100).toFixed(1)} % above`)
  say('  finished exactly, p50 / worst', spread(whole))
  const job = fittings.find((item) => item.name === 'quernby-p4-eight on ostrel-kittiwake-640') ?? fittings[0]
  const dossiers = { machine: job.machine, kit: job.kit }
  const state = replay(dossiers, [])
  say('day of the four-cylinder job', ms(times(20, () => jobDay(dossiers, state))))
  const day = { ...jobDay(dossiers, state), people: 2 as const }
  say('  its P50 and P90 for two people, in the worker', ms(times(10, () => daySpread(day))))
}

function benchRouting(): void {
  for (const { name, machine, kit } of fittings) {
    if (name.includes(',')) continue
    const matches = proposeMatches(machine, kit)
    const plan = planRoutes(machine, kit, { matches })
    if (!plan.ok) throw new Error(plan.problems[0].message)
    const [first] = plan.value.places
    say(
      `route: ${name}, ${plan.value.places.length} places, ${first.branches.length} branches`,
      ms(times(20, () => planRoutes(machine, kit, { matches }))),
      plan.value.exact ? 'exact' : 'NOT exact',
    )
  }
  const taken: number[] = []
  let exact = 0
  for (let seed = 1; seed <= 32; seed++) {
    const { machine, kit, matches } = randomRoute(seed, { points: 160, passages: 300, places: 12, branches: 10 })
    const start = performance.now()
    const plan = planRoutes(machine, kit, { matches })
    if (seed > 2) taken.push(performance.now() - start)
    if (plan.ok) exact += plan.value.places.filter((place) => place.exact).length
  }
  taken.sort((a, b) => a - b)
  say(
    'route: 12 places, 10 branches, 300 passages, p50 / worst',
    ms({ p50: taken[taken.length >> 1], p95: taken[taken.length - 1] }),
    'limit 150 ms',
  )
  say('  places planned exactly', `${exact} of ${32 * 12}`)
}

function benchWiring(): void {
  let planted = 0
  let found = 0
  let rightJobs = 0
  let falseAlarms = 0
  for (const { name, machine, kit } of fittings) {
    const plan = proposeMatches(machine, kit)
    const right = plannedConnections(machine, kit, plan)
    const check = () => checkWiring(machine, kit, right, { plan })
    rightJobs += 1
    falseAlarms += check().filter((finding) => finding.severity !== 'note').length
    for (const mistake of plantMistakes(machine, kit, plan)) {
      planted += 1
      const rules = checkWiring(machine, kit, mistake.connections, { plan }).map((finding) => finding.rule)
      if (rules.includes(mistake.rule)) found += 1
    }
    if (name.includes(',')) continue
    say(`match: ${name}`, ms(times(60, () => proposeMatches(machine, kit))))
    say('  check of the whole job', ms(times(120, check)), 'limit 16 ms')
  }
  const { machine, kit } = randomLoom(7, 120)
  const plan = proposeMatches(machine, kit)
  const right = plannedConnections(machine, kit, plan)
  say(
    `match: generated, ${machine.wires.length} wires, ${kit.ends.length} ends`,
    ms(times(5, () => proposeMatches(machine, kit))),
  )
  say(
    '  check of the whole generated job',
    ms(times(60, () => checkWiring(machine, kit, right, { plan }))),
    'limit 16 ms',
  )
  say('planted mistakes found by their own rule', `${found} of ${planted}`)
  say('stops and fixes in right jobs', `${falseAlarms} in ${rightJobs}`)
  const severities = Object.values(ruleCatalogue).map((rule) => rule.severity)
  const count = (severity: string) => severities.filter((item) => item === severity).length
  say('rules: stop, fix, note', `${count('stop')}, ${count('fix')}, ${count('note')}`)
}

function benchFit(): void {
  const { rpm, load } = requireTrimBasis(quad).trim
  const zero = rpm.map(() => load.map(() => 0))
  for (const [rows, runs] of [
    [100_000, 7],
    [1_000_000, 3],
  ] as const) {
    const ride = simulateRide(quadEngine, { seed: 1, minutes: rows / 1200, rateHz: 20 })
    const bytes = new TextEncoder().encode(rideCsv(ride))
    const reading = times(runs, () => readLogBytes(bytes, {}, 14.7))
    const log = readLogBytes(bytes, {}, 14.7)
    if (!log.ok) throw new Error(log.problems[0].message)
    const problem = {
      axes: { rpm, load },
      trimPct: zero,
      currentPct: zero,
      target: quadEngine.target,
      limits: rideCase(1, {}, { minutes: 1 }).problem.limits,
      options: rideCase(1, {}, { minutes: 1 }).problem.options,
    }
    const fitting = times(runs, () => suggestTrims(log.value.log, problem))
    const mb = (bytes.length / 1e6).toFixed(1)
    say(`${rows.toLocaleString('en')} rows (${mb} MB CSV) read, p50 / p95`, ms(reading))
    say(`${rows.toLocaleString('en')} rows fitted, delay search included, p50 / p95`, ms(fitting))
  }
}

function benchProof(): void {
  const all = Array.from({ length: 24 }, (_, i) => {
    const wholeS = 0.15 + (0.45 * i) / 23
    const ride = rideCase(500 + i, { transportS: wholeS * 0.6, sensorLagS: wholeS * 0.4 })
    return proofFigures(ride, suggestTrims(ride.log, ride.problem).cells)
  })
  const earned = all.reduce((sum, figure) => sum + figure.earned, 0)
  const pooled = (of: (figure: (typeof all)[number]) => number) =>
    Math.sqrt(all.reduce((sum, figure) => sum + of(figure) ** 2 * figure.earned, 0) / earned)
  const rms = pooled((figure) => figure.rmsPct)
  const plain = pooled((figure) => figure.plainRmsPct)
  say('fit: RMS error on earned cells, 24 rides, pooled', `${rms.toFixed(3)} % trim`, 'limit 0.4 %')
  say('fit: worst ride', `${Math.max(...all.map((figure) => figure.rmsPct)).toFixed(3)} % trim`, 'limit 0.4 %')
  say(
    'fit: plain nearest-cell mean on the same cells',
    `${plain.toFixed(3)} % (${(plain / rms).toFixed(1)} ×)`,
    'at least 3 ×',
  )
  const covered = all.reduce((sum, figure) => sum + figure.covered, 0)
  say('fit: 95 % intervals that cover the truth', `${((100 * covered) / earned).toFixed(1)} %`, '90 to 99 %')
  const busy = all.reduce((sum, figure) => sum + figure.busyCells, 0)
  const busyEarned = all.reduce((sum, figure) => sum + figure.busyEarned, 0)
  say('fit: cells with 60 usable rows that are earned', `${((100 * busyEarned) / busy).toFixed(1)} %`, 'at least 90 %')
}

async function benchBrowser(): Promise<void> {
  const app = await runApp({ demo: true })
  const browser = await chromium.launch(launchOptions)
  const context = await browser.newContext({
    baseURL: app.url,
    viewport: { width: 1280, height: 800 },
    serviceWorkers: 'block',
  })
  const page = await context.newPage()
  const load = async (path: string, sign: string) => {
    const start = performance.now()
    await page.goto(path)
    await page.getByText(sign).first().waitFor()
    return performance.now() - start
  }
  const cold = await load('/job/demo-hut-7/hook-up', '3 of 7 ends connected')
  const bytes = await page.evaluate(() =>
    performance
      .getEntriesByType('resource')
      .reduce((sum, entry) => sum + ((entry as PerformanceResourceTiming).encodedBodySize || 0), 0),
  )
  const warm = await load('/job/demo-hut-7/hook-up', '3 of 7 ends connected')
  say('first load of the hook-up, empty cache', `${cold.toFixed(0)} ms, ${(bytes / 1e6).toFixed(2)} MB`)
  say('second load', `${warm.toFixed(0)} ms`)
  await page.evaluate(() => {
    const held: number[] = []
    Object.assign(window, { held })
    new PerformanceObserver((list) => held.push(...list.getEntries().map((entry) => entry.duration))).observe({
      type: 'longtask',
    })
  })
  for (let i = 0; i < 12; i++) {
    await page.keyboard.press('Space')
    await page.waitForTimeout(150)
  }
  const ticking = await page.evaluate(() => (window as unknown as { held: number[] }).held.splice(0))
  say(
    'longest hold of the screen while ticking twelve times',
    `${Math.max(0, ...ticking).toFixed(0)} ms`,
    'limit 50 ms',
  )
  await page.goto('/job/demo-upper-alp/hook-up')
  await page.getByText('7 of 7 ends connected').first().waitFor()
  await page.evaluate(() => {
    const held: number[] = []
    Object.assign(window, { held })
    new PerformanceObserver((list) => held.push(...list.getEntries().map((entry) => entry.duration))).observe({
      type: 'longtask',
    })
  })
  const start = performance.now()
  await page.getByRole('link', { name: /^Trim/ }).click()
  await page.getByText(/of 28,800 rows used/).waitFor()
  const trim = performance.now() - start
  const held = await page.evaluate(() => (window as unknown as { held: number[] }).held)
  say('trim page opened to the suggestion, 28,800 rows', `${trim.toFixed(0)} ms`)
  say('longest hold of the screen meanwhile', `${Math.max(0, ...held).toFixed(0)} ms`, 'limit 50 ms')
  await page.goto('/job/demo-pass-rider/open-up')
  await page.getByText('From above').first().waitFor()
  await page.waitForTimeout(1500)
  await page.evaluate(() => {
    const held: number[] = []
    Object.assign(window, { held })
    new PerformanceObserver((list) => held.push(...list.getEntries().map((entry) => entry.duration))).observe({
      type: 'longtask',
    })
  })
  const longest = async () => {
    await page.waitForTimeout(600)
    const list = await page.evaluate(() => (window as unknown as { held: number[] }).held.splice(0))
    return `${Math.max(0, ...list).toFixed(0)} ms`
  }
  await page.getByRole('link', { name: /^Lay loom/ }).click()
  await page.getByText('Branch by branch').waitFor()
  say('lay loom opened, four cylinders: longest hold of the screen', await longest(), 'limit 50 ms')
  for (let i = 0; i < 8; i++) await page.keyboard.press('ArrowDown')
  say('  going through branches', await longest(), 'limit 50 ms')
  for (const tab of ['Places', 'Power', 'Lengths']) {
    await page.getByRole('tab', { name: tab }).click()
    say(`  ${tab} opened`, await longest(), 'limit 50 ms')
  }
  await browser.close()
  await app.stop()
}

benchReplay()
benchAccess()
benchRouting()
benchWiring()
benchFit()
benchProof()
await benchBrowser()
