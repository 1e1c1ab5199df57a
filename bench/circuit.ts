// What a meter shows with the usual faults on every shipped machine, and how long it takes to know.
import { buildCircuit } from '@tidy-badger/core/circuit'
import {
  builtConnections,
  jobFindings,
  planTicks,
  replay,
  type JobDossiers,
  type NewEntry,
} from '@tidy-badger/core/jobs'
import {
  connectionPlan,
  meterCards,
  plannedConnections,
  proposeMatches,
  touchedNets,
  traceTree,
} from '@tidy-badger/core/wiring'
import { startPlanning } from '@tidy-badger/core/planning'
import { faultNames, faultTable, shownFor } from '../packages/core/src/circuit/faultTableCase.ts'
import { randomLoom } from '../packages/core/src/wiring/randomLoomCase.ts'
import { fittings } from '../packages/core/src/wiring/shippedCase.ts'

startPlanning()

/** Row by fault, column by machine; a dash where the machine or its kit has no such thing. */
console.log('What a meter shows, V (bus: Ω)\n')
console.log(`| fault | ${faultTable.map(({ machine }) => machine.model).join(' | ')} |`)
console.log(`|---|${faultTable.map(() => '---:').join('|')}|`)
for (const fault of faultNames) {
  const cells = faultTable.map(({ machine, rows }) => {
    const row = rows.find((item) => item.fault === fault)
    if (!row) return '–'
    const shown = shownFor(machine, row)
    return shown.kind === 'volts' ? shown.volts.toFixed(2) : shown.kind === 'ohms' ? shown.ohms.toFixed(1) : 'floating'
  })
  console.log(`| ${fault} | ${cells.join(' | ')} |`)
}

console.log('\nBuilding and solving, with the kit as planned, ms\n')
console.log('| fitting | nodes | p50 | p95 |')
console.log('|---|---:|---:|---:|')
const share = (sorted: readonly number[], at: number) => sorted[Math.floor(at * (sorted.length - 1))].toFixed(1)
for (const { name, machine, kit } of fittings) {
  const fitted = [{ kit, connections: plannedConnections(machine, kit, proposeMatches(machine, kit)) }]
  const took: number[] = []
  let nodes = 0
  for (let i = 0; i < 25; i++) {
    const start = performance.now()
    nodes = buildCircuit(machine, fitted, { state: 'key on' }).nodes
    took.push(performance.now() - start)
  }
  const sorted = took.slice(5).sort((a, b) => a - b)
  console.log(`| ${name} | ${nodes} | ${share(sorted, 0.5)} | ${share(sorted, 0.95)} |`)
}

// After one tick: the check of what is joined, the trace of the line that the end changes, and what the meter shows at its cards.
console.log('\nAfter one tick, without a new match: check, trace and the readings of the end, ms\n')
console.log('| fitting | ticks | check p50 | trace p50 | readings p50 | all p50 | all p95 |')
console.log('|---|---:|---:|---:|---:|---:|---:|')
const worst: number[] = []
const generated = { name: 'generated', ...randomLoom(7, 120) }
for (const { name, machine, kit } of [...fittings, generated]) {
  const dossiers: JobDossiers = { machine, kit }
  const plan = connectionPlan(dossiers)
  const took = { check: [] as number[], trace: [] as number[], readings: [] as number[], all: [] as number[] }
  // Three times over: of some dozen ticks alone, one slow one would be the share of 95.
  let entries: NewEntry[] = []
  for (const [i, end] of [...kit.ends, ...kit.ends, ...kit.ends].entries()) {
    if (i % kit.ends.length === 0) entries = []
    const state = replay(dossiers, entries)
    const match = plan.find(({ kitEnd }) => kitEnd === end.id)
    for (const tick of planTicks(dossiers, state, end, match)) {
      entries.push({ id: `t${entries.length}`, ...tick.makes })
      const start = performance.now()
      const now = replay(dossiers, entries)
      jobFindings(dossiers, now, { plan })
      const checked = performance.now()
      const own = now.connections.filter(({ kitEnd }) => kitEnd === end.id)
      const net = touchedNets(machine, kit, own).at(0)
      if (net) traceTree(machine, kit, now.connections, net)
      const traced = performance.now()
      const [card] = meterCards(machine, kit, end, match)
      const fitted = [{ kit, connections: builtConnections(now) }]
      if (card) buildCircuit(machine, fitted, { state: card.state }).reading(card.red, card.black)
      const read = performance.now()
      took.check.push(checked - start)
      took.trace.push(traced - checked)
      took.readings.push(read - traced)
      took.all.push(read - start)
    }
  }
  const at = (list: number[], part: number) =>
    share(
      [...list].sort((a, b) => a - b),
      part,
    )
  if (name !== 'generated') worst.push(Number(at(took.all, 0.95)))
  console.log(
    `| ${name} | ${took.all.length} | ${at(took.check, 0.5)} | ${at(took.trace, 0.5)} | ${at(took.readings, 0.5)} | ${at(took.all, 0.5)} | ${at(took.all, 0.95)} |`,
  )
}
console.log(`\nWorst of the shipped fittings: ${Math.max(...worst).toFixed(1)} ms at p95 (limit 16; generated 40)`)

console.log('\nA match from nothing, ms (limit 50 shipped, 150 generated)\n')
console.log('| fitting | wires | p50 | p95 |')
console.log('|---|---:|---:|---:|')
for (const { name, machine, kit } of [...fittings.filter((item) => !item.name.includes(',')), generated]) {
  const took: number[] = []
  for (let i = 0; i < 25; i++) {
    const start = performance.now()
    proposeMatches(machine, kit)
    took.push(performance.now() - start)
  }
  const sorted = took.slice(5).sort((a, b) => a - b)
  console.log(`| ${name} | ${machine.wires.length} | ${share(sorted, 0.5)} | ${share(sorted, 0.95)} |`)
}
