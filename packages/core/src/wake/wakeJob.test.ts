import { describe, expect, test } from 'vitest'
import { joinKits } from '../dossiers/index.ts'
import { asJournal, entryOf } from '../jobs/journalCase.ts'
import { jobFindings, replay, type EntryBody } from '../jobs/index.ts'
import { planAppend } from '../jobs/jobJournal.ts'
import { ref } from '../shared/refCase.ts'
import { shippedKit, shippedMachine, shippedMachines } from '../wiring/shippedCase.ts'
import { codeLedger, healthList, standingTest } from './index.ts'

const v8 = {
  machine: shippedMachine('hallam-voss-longhaul-69'),
  kit: joinKits([shippedKit('thistle-d5'), shippedKit('wren-selector')]),
}
const after = (...bodies: EntryBody[]) => replay(v8, asJournal(bodies.map((body) => entryOf(body))))
const rules = (...bodies: EntryBody[]) =>
  jobFindings(v8, after(...bodies)).flatMap(({ rule, liftable, severity }) =>
    /^(proved|not-proved|start|code|not-fit)/.test(rule)
      ? [`${rule}${severity === 'stop' && !liftable ? ' never' : ''}`]
      : [],
  )
const tested = (verdict: 'pass' | 'bypassed' | 'crossed' | 'sensor' | 'unclear'): EntryBody => ({
  ...{ kind: 'authority-tested', how: 'connection', verdict, reason: 'as read' },
  kit: ref('thistle-d5'),
})
const append = (before: EntryBody[], body: EntryBody) => {
  const result = planAppend(v8, asJournal(before.map((item) => entryOf(item))), [entryOf(body)])
  return result.kind === 'append' ? null : (result.problems[0]?.message ?? '')
}

describe('a proof of authority', () => {
  test.each([
    ['bypassed', ['proved-bypassed never']],
    ['crossed', ['proved-crossed']],
    ['sensor', ['proved-sensor']],
    ['pass', []],
    ['unclear', []],
  ] as const)('%s', (verdict, found) => {
    expect(rules(tested(verdict))).toEqual(found)
  })

  test('a later valid one replaces it, an unclear one does not', () => {
    expect(rules(tested('bypassed'), tested('pass'))).toEqual([])
    expect(rules(tested('bypassed'), tested('unclear'))).toEqual(['proved-bypassed never'])
    expect(rules(tested('pass'), tested('bypassed'))).toEqual(['proved-bypassed never'])
    expect(standingTest([])).toBeNull()
  })

  test('bypassed, the engine is not called awake', () => {
    expect(append([tested('bypassed')], { kind: 'station-done', station: 'wake' })).toMatch(/is bypassed/)
    expect(append([tested('pass')], { kind: 'station-done', station: 'wake' })).not.toMatch(/bypassed/)
  })

  test('woken and never proved is to be mended; what only picks a level has nothing to prove', () => {
    expect(rules({ kind: 'station-done', station: 'wake' })).toEqual(['not-proved'])
    expect(rules({ kind: 'station-done', station: 'wake' }, tested('pass'))).toEqual([])
  })

  test('of a kit that is none of the job it is refused', () => {
    expect(append([], { ...tested('pass'), kit: ref('quernby-p1') } as EntryBody)).toMatch(/no kit of this job/)
  })
})

describe('codes', () => {
  const read = (when: 'before' | 'after' | 'after the drive', ...codes: string[]): EntryBody => ({
    kind: 'codes-read',
    when,
    codes,
  })

  test('new, old and gone against the first reading; the last reading counts', () => {
    const state = after(read('before', 'A1', 'B2'), read('after', 'a1', 'C3'), read('after the drive', 'A1'))
    expect(codeLedger(state)).toEqual({ fresh: [], old: ['A1'], gone: ['B2'], known: true })
    expect(rules(read('before', 'A1'), read('after', 'A1', 'C3'))).toEqual(['code-new'])
    expect(rules(read('after', 'C3'))).toEqual([])
  })

  test('only what this job caused is cleared', () => {
    expect(append([], { kind: 'codes-cleared', codes: ['C3'] })).toMatch(/Nobody read the codes before/)
    expect(append([read('before', 'A1')], { kind: 'codes-cleared', codes: ['C3', 'a1'] })).toMatch(
      /^a1 came with the machine/,
    )
    expect(append([read('before', 'A1')], { kind: 'codes-cleared', codes: ['C3'] })).toBeNull()
    expect(rules(read('before'), read('after', 'C3'), { kind: 'codes-cleared', codes: ['C3'] })).toEqual([])
    expect(
      rules(
        read('before'),
        read('after', 'C3'),
        { kind: 'codes-cleared', codes: ['C3'] },
        read('after the drive', 'C3'),
      ),
    ).toEqual(['code-new'])
  })
})

test('a start that failed is a stop until one is in order', () => {
  expect(rules({ kind: 'started', verdict: 'fail', text: 'stalls' })).toEqual(['start-failed'])
  expect(
    rules({ kind: 'started', verdict: 'fail', text: 'stalls' }, { kind: 'started', verdict: 'pass', text: '' }),
  ).toEqual([])
})

test('what is not well is to be mended first; every machine has a list', () => {
  expect(rules({ kind: 'health-checked', what: 'Oil', ok: false, says: 'below its mark' })).toEqual(['not-fit'])
  expect(
    rules(
      { kind: 'health-checked', what: 'Oil', ok: false, says: '' },
      { kind: 'health-checked', what: 'Oil', ok: true, says: '' },
    ),
  ).toEqual([])
  for (const machine of shippedMachines) {
    const list = healthList(machine).map(({ what }) => what)
    expect(new Set(list).size, machine.id).toBe(list.length)
    expect(list.includes('Rail pressure'), machine.id).toBe(/diesel/i.test(machine.engine.fuel))
    expect(list.includes('Coolant'), machine.id).toBe(machine.engine.cooling === 'liquid')
  }
})

test('a sign of the lamp is one of this kit', () => {
  const pedal = { machine: shippedMachine('hallam-voss-shieling-21'), kit: shippedKit('wren-pedal') }
  const seen = (pattern: string) =>
    planAppend(pedal, [], [entryOf({ kind: 'lamp-seen', pattern: ref(pattern), means: 'as said' })]).kind
  expect(seen('soft')).toBe('append')
  expect(seen('nothing')).not.toBe('append')
})
