import fc from 'fast-check'
import { expect, test } from 'vitest'
import { joinKits, stations } from '../dossiers/index.ts'
import { seededRandom, type Spoken } from '../shared/index.ts'
import { plannedConnections, proposeMatches } from '../wiring/index.ts'
import { fittings, shippedKit, shippedMachine } from '../wiring/shippedCase.ts'
import { sensorWorkWords } from '../sensors/index.ts'
import { setupWorkWords } from '../setup/index.ts'
import { wakeWorkWords } from '../wake/index.ts'
import { wiringWorkWords } from '../wiring/words.ts'
import { anyJournal, asJournal, entryOf, gorseJob } from './journalCase.ts'
import { jobTasks, planTicks, replay, stationWork, wordsOf } from './index.ts'
import { connectionPlan } from '../wiring/index.ts'
import type { JobDossiers, JobState } from './state.ts'
import { barWords, stepWords, taskWords, tickWords } from './words.ts'

const lists = [
  ...[tickWords, taskWords, stepWords, barWords],
  ...[wiringWorkWords, sensorWorkWords, setupWorkWords, wakeWorkWords],
]
const sentences = new Map<string, (facts: never) => string>(lists.flatMap((list) => Object.entries(list)))

/** A thing to do is its code and its facts: sent as JSON, the same is said of it. */
function saidAnew({ code, facts, words }: Spoken): boolean {
  return sentences.get(code)?.(JSON.parse(JSON.stringify(facts)) as never) === words
}

const ticksOf = (dossiers: JobDossiers, state: JobState) => {
  const plan = connectionPlan(dossiers, state)
  return dossiers.kit.ends.flatMap((end) =>
    planTicks(
      dossiers,
      state,
      end,
      plan.find((match) => match.kitEnd === end.id),
    ),
  )
}

test('no two lists have a sentence of the same name', () => {
  expect(lists.reduce((sum, list) => sum + Object.keys(list).length, 0)).toBe(sentences.size)
})

const seen = new Set<string>()

/** Several kits on one machine: one on the relay of another, and two pairs on one plug. */
const tandem = shippedKit('quernby-learner-two')
const together = [
  {
    name: 'three kits, one relay',
    machine: shippedMachine('ostrel-kittiwake-640'),
    kit: joinKits(['quernby-p4-eight', 'quernby-learner', 'lowlamp-repeater'].map((id) => shippedKit(id))),
  },
  { name: 'two pairs in a row', machine: shippedMachine('tarnbrook-calder-1130'), kit: joinKits([tandem, tandem]) },
]

test.each([...fittings, ...together].map((fitting) => ({ ...fitting })))(
  'ticks and tasks of $name, as planned and with every end where another belongs, follow from code and facts',
  ({ machine, kit }) => {
    const dossiers = { machine, kit }
    const planned = plannedConnections(machine, kit, proposeMatches(machine, kit))
    const shift = 1 + Math.floor(seededRandom(planned.length).uniform() * (planned.length - 1))
    const shifted = planned.map(({ kitEnd }, i) =>
      entryOf({ kind: 'connected', kitEnd, to: planned[(i + shift) % planned.length].to }),
    )
    const begun = entryOf({
      kind: 'opened',
      purpose: 'stock',
      ...{ cameFrom: [], mounts: [], routes: [], settings: [] },
      connections: planned.map(({ kitEnd, to, method }) => ({ kitEnd, to, ...(method ? { method } : {}) })),
    })
    for (const journal of [[], asJournal(shifted), asJournal([begun])]) {
      const state = replay(dossiers, journal)
      const spoken = [...ticksOf(dossiers, state), ...jobTasks(dossiers, state)]
      for (const item of spoken) {
        expect([item.words, saidAnew(item)]).toEqual([item.words, true])
        seen.add(item.code)
      }
    }
  },
)

test('every tick and every task is met on some machine but what no shipped fitting wants, or only a journal makes', () => {
  const own = [...Object.keys(tickWords), ...Object.keys(taskWords)].filter((code) => !seen.has(code))
  expect(own).toEqual(['part-halves', 'pin'])
  const [end] = gorseJob.kit.ends
  const state = replay(gorseJob, asJournal([entryOf({ kind: 'connected', kitEnd: end.id, to: { kitEnd: end.id } })]))
  expect(ticksOf(gorseJob, state).map((tick) => tick.code)).toContain('part-halves')
})

test('and so it is whatever was written down', () => {
  fc.assert(
    fc.property(anyJournal, (journal) => {
      const state = replay(gorseJob, journal)
      for (const item of [...ticksOf(gorseJob, state), ...jobTasks(gorseJob, state)])
        expect([item.words, saidAnew(item)]).toEqual([item.words, true])
      for (const station of stations)
        for (const item of stationWork(gorseJob, state, station)) expect(wordsOf(item).length).toBeGreaterThan(0)
    }),
    { numRuns: 40 },
  )
})
