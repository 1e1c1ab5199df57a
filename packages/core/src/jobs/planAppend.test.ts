import { ref } from '../shared/refCase.ts'
import { voidedEntries } from '../journal/index.ts'
import { planAppend, replay, undoBatch } from './jobJournal.ts'
import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { anyJournal, asJournal, entryOf, gorseJob } from './journalCase.ts'
import type { NewEntry } from './model.ts'
import { jobSteps } from './jobSteps.ts'

const note = (text: string, id?: string) => entryOf({ kind: 'note', text }, id ? { id } : {})
const plan = (journal: NewEntry[], ...batch: NewEntry[]) => planAppend(gorseJob, asJournal(journal), batch)
const codes = (result: ReturnType<typeof planAppend>) =>
  result.kind === 'append' ? [] : result.problems.map((problem) => problem.code)

describe('known ids', () => {
  test('same id and content is the old entry', () => {
    const first = note('a', 'n1')
    expect(plan([first], { ...first })).toEqual({ kind: 'append', fresh: [], places: [{ id: 'n1', seq: 1 }] })
  })

  test('same id and other content is refused', () => {
    expect(codes(plan([note('a', 'n1')], note('b', 'n1')))).toEqual(['entry-id-reused'])
    expect(codes(plan([], note('a', 'n1'), note('b', 'n1')))).toEqual(['entry-id-reused'])
  })

  test('the same entry twice in one batch is written once', () => {
    const result = plan([], note('a', 'n1'), note('a', 'n1'))
    expect(result.kind === 'append' && [result.fresh.length, result.places]).toEqual([
      1,
      [
        { id: 'n1', fresh: 0 },
        { id: 'n1', fresh: 0 },
      ],
    ])
  })
})

test('what the dossiers do not have is named by path', () => {
  const result = plan(
    [],
    note('fine'),
    entryOf({ kind: 'connected', kitEnd: ref('ghost'), to: { connector: ref('phantom') } }),
  )
  expect(result.kind === 'append' ? [] : result.problems.map((problem) => [problem.path, problem.message])).toEqual([
    ['entries.1.kitEnd', '"ghost" is no end of the P1 loom.'],
    ['entries.1.to.connector', '"phantom" is no plug of the Gorse 430.'],
  ])
})

describe('what replaces a value', () => {
  const setting = (value: string, replaces: string | null) =>
    entryOf({ kind: 'setting', setting: ref('map'), value, replaces })

  test('must find the value it replaces', () => {
    expect(plan([setting('A', null)], setting('B', 'A')).kind).toBe('append')
    expect(codes(plan([setting('A', null)], setting('B', null)))).toEqual(['stale-base'])
  })

  test('must be in range, with a sentence', () => {
    expect(codes(plan([], setting('C', null)))).toEqual(['out-of-range'])
    const pulses = entryOf({ kind: 'setting', setting: ref('pulses'), value: '40', replaces: null })
    const result = plan([], pulses)
    expect(result.kind === 'append' ? '' : result.problems[0].message).toBe(
      'Crank pulses per turn is at most 36 1/rev.',
    )
  })
})

describe('undo', () => {
  const connect = entryOf({ kind: 'connected', kitEnd: ref('ground'), to: { stud: ref('engine-strap') } }, { id: 'c' })
  const tug = entryOf({ kind: 'tugged', kitEnd: ref('ground') }, { id: 't' })
  const undo = (undoes: string, id?: string) => entryOf({ kind: 'undo', undoes }, id ? { id } : {})

  test('is refused while a live entry stands on it, and names that entry', () => {
    const result = plan([connect, tug], undo('c'))
    expect(result.kind === 'conflict' && result.problems).toMatchObject([
      { code: 'needed-by-others', dependents: ['t'] },
    ])
  })

  test('all in one batch goes through', () => {
    expect(undoBatch(gorseJob, [connect, tug], 'c')).toEqual(['t', 'c'])
    expect(plan([connect, tug], undo('t'), undo('c')).kind).toBe('append')
  })

  test('of what was undone already is stale, of nothing is unknown', () => {
    expect(codes(plan([tug, undo('t')], undo('t')))).toEqual(['stale-base'])
    expect(codes(plan([], undo('ghost')))).toEqual(['unknown-reference'])
  })

  test('any live entry of any journal can be undone with its batch', () => {
    fc.assert(
      fc.property(anyJournal, fc.nat(), (journal, pick) => {
        const live = journal.filter((entry) => entry.kind !== 'undo' && !voidedEntries(journal).has(entry.id))
        fc.pre(live.length > 0)
        const target = live[pick % live.length].id
        const batch = undoBatch(gorseJob, journal, target).map((id, i) => undo(id, `undo-${i}`))
        expect(planAppend(gorseJob, journal, batch).kind).toBe('append')
      }),
      { numRuns: 60 },
    )
  })
})

test('two people working apart: ticks of the second are never refused', () => {
  fc.assert(
    fc.property(anyJournal, anyJournal, (mine, theirs) => {
      const ticks = theirs
        .filter((entry) =>
          ['note', 'reading', 'step-done', 'connected', 'disconnected', 'tugged', 'part-checked'].includes(entry.kind),
        )
        .map(({ seq: _seq, receivedAt: _receivedAt, v: _v, ...entry }): NewEntry => ({
          ...entry,
          ...(entry.kind === 'step-done' ? { without: 'not measured on this one' } : {}),
          id: `other-${entry.id}`,
        }))
      fc.pre(ticks.length > 0)
      const result = planAppend(gorseJob, mine, ticks)
      expect(result.kind === 'append' && result.fresh.length).toBe(ticks.length)
    }),
    { numRuns: 60 },
  )
})

describe('an open stop', () => {
  const bypass = entryOf({ kind: 'connected', kitEnd: ref('injector'), to: { kitEnd: ref('injector') } })
  const half = entryOf({ kind: 'connected', kitEnd: ref('coil'), to: { connector: ref('coil'), side: 'factory' } })
  const station = (name: 'wake' | 'close-up' | 'hand-back' | 'hook-up') =>
    entryOf({ kind: 'station-done', station: name })
  const lift = (finding: string, by?: string, reason = 'coil is on the bench') =>
    entryOf({ kind: 'stop-lifted', finding, reason }, by ? { by } : {})
  const asked = jobSteps(gorseJob)
    .filter((step) => step.reading ?? step.asks)
    .map((step) => entryOf({ kind: 'step-done', step: step.id, without: 'not measured on this one' }))

  test('bars wake, close-up and hand-back, not wiring and notes', () => {
    for (const name of ['wake', 'close-up', 'hand-back'] as const)
      expect(codes(plan([half, ...asked], station(name)))).toEqual(['stop-open'])
    expect(plan([half], station('hook-up'), note('still wiring')).kind).toBe('append')
    expect(plan(asked, station('wake')).kind).toBe('append')
  })

  test('is lifted by name and reason', () => {
    const key = 'pair-one-side|coil|coil||'
    expect(codes(plan([half], lift(key)))).toEqual(['name-missing'])
    expect(plan([half, ...asked], lift(key, 'Runa'), station('wake')).kind).toBe('append')
    for (const reason of ['ok', 'because', 'it is so', '... ... ...'])
      expect(codes(plan([half], lift(key, 'Runa', reason)))).toEqual(['reason-short'])
    expect(replay(gorseJob, asJournal([half, lift(key, 'Runa')])).lifted[key]).toMatchObject({ by: 'Runa' })
  })

  test('of the kind that is never lifted stays', () => {
    expect(codes(plan([bypass], lift('pair-to-itself|injector|||', 'Runa')))).toEqual(['never-lifted'])
  })

  test('that is not there cannot be lifted', () => {
    expect(codes(plan([], lift('pair-one-side|coil|coil||', 'Runa')))).toEqual(['no-such-finding'])
    expect(codes(plan([], lift('no-such-rule|x', 'Runa')))).toEqual(['unknown-reference'])
  })
})
