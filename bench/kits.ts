// Measures two and three kits on one machine: placing, checking, planning and judging a whole job, median of five on fresh documents.
import { joinKits, type Kit, type Machine } from '@tidy-badger/core/dossiers'
import { compilePlans, jobFindings, replay } from '@tidy-badger/core/jobs'
import { checkWiring, goTogether, plannedConnections, proposeMatches } from '@tidy-badger/core/wiring'
import { startPlanning } from '@tidy-badger/core/planning'
import { shippedKit, shippedMachine } from '../packages/core/src/wiring/shippedCase.ts'

startPlanning()

const groups: [machine: string, ...kits: string[]][] = [
  ['hallam-voss-longhaul-69', 'thistle-d5', 'wren-selector'],
  ['ostrel-kittiwake-640', 'quernby-p4-eight', 'quernby-learner', 'lowlamp-dial'],
  ['hallam-voss-wainwright-56', 'thistle-v3', 'wren-pedal', 'lowlamp-dial'],
  ['hallam-voss-packhorse-62', 'thistle-d5', 'wren-selector', 'wren-pedal'],
]

function median(work: (machine: Machine, kits: Kit[]) => void, [id, ...kits]: (typeof groups)[number]): string {
  const times = [1, 2, 3, 4, 5].map(() => {
    const machine = structuredClone(shippedMachine(id))
    const own = kits.map((kit) => structuredClone(shippedKit(kit)))
    const start = performance.now()
    work(machine, own)
    return performance.now() - start
  })
  return `${times
    .sort((a, b) => a - b)[2]
    ?.toFixed(0)
    .padStart(5)} ms`
}

for (const group of groups) {
  const [machine, ...kits] = group
  console.log(
    [
      `${kits.join(' + ')} on ${machine}`.padEnd(74),
      `match ${median((at, own) => proposeMatches(at, joinKits(own)), group)}`,
      `check ${median((at, own) => {
        const kit = joinKits(own)
        const plan = proposeMatches(at, kit)
        checkWiring(at, kit, plannedConnections(at, kit, plan), { plan })
      }, group)}`,
      `go together ${median((at, own) => goTogether(at, own), group)}`,
      `all plans ${median((at, own) => {
        const dossiers = { machine: at, kit: joinKits(own) }
        compilePlans(dossiers, replay(dossiers, []))
      }, group)}`,
      `findings ${median((at, own) => {
        const dossiers = { machine: at, kit: joinKits(own) }
        jobFindings(dossiers, replay(dossiers, []))
      }, group)}`,
    ].join('  '),
  )
}
