import fc from 'fast-check'
import { expect, test } from 'vitest'
import { supplyRules, supplyWords } from '../electrical/index.ts'
import type { FindingWords } from '../findings/index.ts'
import { levelRules, levelWords } from '../levels/index.ts'
import { provingRules, provingWords } from '../proving/index.ts'
import { routeRules, routeWords } from '../routing/index.ts'
import { sensorRules, sensorWords } from '../sensors/index.ts'
import { setupRules, setupWords } from '../setup/index.ts'
import { stockRules, stockWords } from '../vehicles/index.ts'
import { wakeRules, wakeWords } from '../wake/index.ts'
import { plannedConnections, proposeMatches, wiringRules, wiringWords } from '../wiring/index.ts'
import { fittings } from '../wiring/shippedCase.ts'
import { anyJournal, asJournal, entryOf, gorseJob } from './journalCase.ts'
import { jobFindings, replay, type JobFinding } from './index.ts'
import { workRules } from './rules.ts'
import { workWords } from './words.ts'

const rooms = [
  [wiringRules, wiringWords],
  [routeRules, routeWords],
  [supplyRules, supplyWords],
  [stockRules, stockWords],
  [sensorRules, sensorWords],
  [setupRules, setupWords],
  [wakeRules, wakeWords],
  [levelRules, levelWords],
  [provingRules, provingWords],
  [workRules, workWords],
] as const

test('every rule of every room has its words, and no words are without a rule', () => {
  for (const [rules, words] of rooms) expect(Object.keys(words).sort()).toEqual(Object.keys(rules).sort())
})

const wordsOf = new Map<string, (facts: never) => FindingWords>(rooms.flatMap(([, words]) => Object.entries(words)))

/** A finding is its rule and its facts: sent as JSON, the same is said of them. */
function saidAnew({ rule, facts, reason, remedy }: JobFinding): boolean {
  const words = wordsOf.get(rule)?.(JSON.parse(JSON.stringify(facts)) as never)
  return words !== undefined && words.reason === reason && remedy.startsWith(words.remedy)
}

test('what is said follows from rule and facts alone, whatever was written down', () => {
  fc.assert(
    fc.property(anyJournal, (journal) => {
      for (const finding of jobFindings(gorseJob, replay(gorseJob, journal))) expect(saidAnew(finding)).toBe(true)
    }),
    { numRuns: 60 },
  )
})

test.each(fittings.map((fitting) => ({ ...fitting })))(
  'and on every fitting, with every end taken as far as another could go, $name',
  ({ machine, kit }) => {
    const dossiers = { machine, kit }
    const planned = plannedConnections(machine, kit, proposeMatches(machine, kit))
    const places = planned.map(({ to }) => to)
    const shifted = planned.map(({ kitEnd, method }, i) =>
      entryOf({ kind: 'connected', kitEnd, to: places[(i + 1) % places.length], ...(method ? { method } : {}) }),
    )
    const found = jobFindings(dossiers, replay(dossiers, asJournal(shifted)))
    expect(found.length).toBeGreaterThan(0)
    for (const finding of found) expect([finding.rule, saidAnew(finding)]).toEqual([finding.rule, true])
  },
)
