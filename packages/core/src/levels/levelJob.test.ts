import { expect, test } from 'vitest'
import { asJournal, entryOf } from '../jobs/journalCase.ts'
import { jobFindings, replay, type EntryBody } from '../jobs/index.ts'
import { planAppend } from '../jobs/jobJournal.ts'
import { ref } from '../shared/refCase.ts'
import { shippedKit, shippedMachine } from '../wiring/shippedCase.ts'
import { usualLimits } from './index.ts'

const truck = { machine: shippedMachine('hallam-voss-packhorse-62'), kit: shippedKit('thistle-d5') }
const run = (level: number, railMPa = 180, seconds = 60): EntryBody => ({
  kind: 'level-run',
  level,
  readings: {
    exhaust: { value: 640, seconds, at: 'before the turbine' },
    ...{ coolant: { value: 92 }, rail: { value: railMPa }, boost: { value: 190 } },
  },
})
const set = (value: string): EntryBody => ({ kind: 'setting', setting: ref('level'), value, replaces: null })
const found = (...bodies: EntryBody[]) =>
  jobFindings(truck, replay(truck, asJournal(bodies.map((body) => entryOf(body))))).flatMap(({ rule, reason }) =>
    rule === 'level-not-earned' ? [reason] : [],
  )

test('limits are the dossier’s where it has them', () => {
  expect(usualLimits(truck.machine)).toEqual([
    { quantity: 'exhaust', max: 700, forSeconds: 60, at: 'before the turbine' },
    { quantity: 'coolant', max: 102 },
    { quantity: 'rail', max: 200 },
    { quantity: 'boost', max: 215 },
  ])
  expect(usualLimits(shippedMachine('corvane-tiller-14')).map(({ quantity }) => quantity)).not.toContain('rail')
})

test('a level that is set, or agreed, above what its runs allow is found, with what missed', () => {
  expect(found(set('2'))).toEqual([])
  expect(found(set('2'), run(0))).toEqual([expect.stringMatching(/run on 2; its runs allow stock/)])
  expect(found(set('2'), run(0), run(1), run(2))).toEqual([])
  expect(found(set('2'), run(0), run(1), run(2, 203))).toEqual([
    expect.stringMatching(/allow 1\. rail: 203, at most 200/),
  ])
  expect(found(run(0, 180, 30), set('1'))).toEqual([expect.stringMatching(/allow none yet\. exhaust: held 30 s/)])
  const agreed: EntryBody = { kind: 'level-agreed', level: 3, use: 'towing', with: 'Ansa' }
  expect(found(run(0), run(1), agreed)).toHaveLength(1)
})

test('a run at a level it has not, or of a kit without levels, is refused', () => {
  const append = (dossiers: typeof truck, body: EntryBody) => planAppend(dossiers, [], [entryOf(body)])
  expect(append(truck, run(4)).kind).toBe('append')
  expect(append(truck, run(5))).toMatchObject({ problems: [{ code: 'no-such-level' }] })
  expect(append({ ...truck, kit: shippedKit('wren-selector') }, run(0))).toMatchObject({
    problems: [{ code: 'no-such-need' }],
  })
})
