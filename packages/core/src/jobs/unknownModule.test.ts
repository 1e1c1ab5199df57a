import { expect, test } from 'vitest'
import type { ConnectorId } from '../dossiers/index.ts'
import { targetKey } from '../access/index.ts'
import { ref } from '../shared/refCase.ts'
import { shippedKit, shippedMachine } from '../wiring/shippedCase.ts'
import { asJournal, entryOf } from './journalCase.ts'
import { accessOf, jobFindings, replay, stationWork, type JobState } from './index.ts'
import { planAppend } from './jobJournal.ts'

const dossiers = { machine: shippedMachine('hallam-voss-longhaul-69'), kit: shippedKit('thistle-d5') }
const plugs: ConnectorId[] = [ref('boost'), ref('rail')]
const found = entryOf({ kind: 'found', what: 'unknown module', text: 'Black box behind the battery', plugs })
const out = (connector: string) =>
  entryOf({ kind: 'dealt-with', found: found.id, how: 'Out, factory plug back', connector: ref(connector) })
const state = (...more: ReturnType<typeof entryOf>[]) => replay(dossiers, asJournal([found, ...more]))

/** What the list at open up has for it. */
function openUpWork(job: typeof dossiers, now: JobState) {
  return stationWork(job, now, 'open-up').flatMap((item) =>
    item.kind === 'own' ? [{ words: item.spoken.words, done: item.done }] : [],
  )
}

/** The first thing said against entries; null where they fit. */
function against(journal: ReturnType<typeof entryOf>[], ...batch: ReturnType<typeof entryOf>[]): string | null {
  const result = planAppend(dossiers, asJournal(journal), batch)
  return result.kind === 'append' ? null : (result.problems[0]?.message ?? '')
}

test('it is judged by what the circuits of its plugs carry, and planned out plug by plug', () => {
  const [finding] = jobFindings(dossiers, state()).filter(({ rule }) => rule === 'unknown-module')
  expect(finding?.reason).toMatch(/black box behind the battery, sits in boost sensor plug, rail pressure plug/i)
  expect(finding?.reason).toMatch(/boost pressure.*rail pressure/i)
  expect(openUpWork(dossiers, state()).map(({ words }) => words)).toEqual([
    expect.stringMatching(/both halves out at boost sensor plug/i),
    expect.stringMatching(/both halves out at rail pressure plug/i),
  ])
})

test('what is in front of its plugs comes off by the plan', () => {
  const targets = accessOf(dossiers, state())?.targets.map(({ target }) => targetKey(target))
  expect(targets).toEqual(expect.arrayContaining(plugs.map((plug) => `connector:${plug}`)))
})

test('no pair of the kit goes onto a plug it still sits in; once out there it may', () => {
  const boost = entryOf({ kind: 'connected', kitEnd: ref('boost'), to: { connector: ref('boost') } })
  const rules = (...more: ReturnType<typeof entryOf>[]) =>
    jobFindings(dossiers, state(...more)).flatMap(({ rule, at }) => (rule === 'unknown-in-way' ? [at.kitEnd] : []))
  expect(rules(boost)).toEqual(['boost'])
  expect(rules(out('boost'), boost)).toEqual([])
})

test('out of one plug it is still in the other; out of all it is dealt with', () => {
  expect(state(out('boost')).found[0]?.dealt).toBeUndefined()
  const all = state(out('boost'), out('rail'))
  expect(all.found[0]?.dealt?.how).toBe('Out, factory plug back')
  expect(jobFindings(dossiers, all).some(({ rule }) => rule === 'unknown-module')).toBe(false)
  expect(openUpWork(dossiers, all).every(({ done }) => done)).toBe(true)
})

test('a plug it was not found in, a plug that is none, and plugs of a puncture are refused', () => {
  expect(state(out('airflow')).held.map(({ why }) => why)).toEqual(['It was not found in that plug.'])
  expect(against([], entryOf({ kind: 'found', what: 'unknown module', text: 'box', plugs: [ref('nowhere')] }))).toMatch(
    /no plug of the/,
  )
  expect(against([], entryOf({ kind: 'found', what: 'puncture', text: 'hole', plugs }))).toBe(
    'Only an unknown module sits in several plugs.',
  )
})
