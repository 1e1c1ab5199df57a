import { ref } from '../shared/refCase.ts'
import { clientFields, voidedEntries } from '../journal/index.ts'
import { sameValue } from '../shared/index.ts'
import { checkReferences, freshState, jobJournal, replay } from './jobJournal.ts'
import { currentTrim } from '../fuel-trim/index.ts'
import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { anyJournal, asJournal, drawnKinds, foreignKinds, entryOf, gorseJob } from './journalCase.ts'
import type { NewEntry } from './model.ts'

describe('laws', () => {
  test('any prefix replays, and replay changes nothing it is given', () => {
    fc.assert(
      fc.property(anyJournal, fc.nat(), (journal, cut) => {
        const before = JSON.stringify(journal)
        expect(() => replay(gorseJob, journal.slice(0, cut % (journal.length + 1)))).not.toThrow()
        expect(replay(gorseJob, journal)).toEqual(replay(gorseJob, journal))
        expect(JSON.stringify(journal)).toBe(before)
      }),
    )
  })

  test('with the undo appended the state equals replay without that entry', () => {
    fc.assert(
      fc.property(anyJournal, fc.nat(), (journal, pick) => {
        const live = journal.filter((entry) => entry.kind !== 'undo' && !voidedEntries(journal).has(entry.id))
        fc.pre(live.length > 0)
        const target = live[pick % live.length]
        const undone = replay(gorseJob, [...journal, { kind: 'undo', id: 'u', undoes: target.id }])
        const without = replay(
          gorseJob,
          live.filter((entry) => entry.id !== target.id),
        )
        expect(undone).toEqual(without)
      }),
    )
  })

  test('undoing an undo is redo', () => {
    fc.assert(
      fc.property(anyJournal, fc.nat(), (journal, pick) => {
        const live = journal.filter((entry) => entry.kind !== 'undo' && !voidedEntries(journal).has(entry.id))
        fc.pre(live.length > 0)
        const undoes = live[pick % live.length].id
        const redone = replay(gorseJob, [
          ...journal,
          { kind: 'undo', id: 'u1', undoes },
          { kind: 'undo', id: 'u2', undoes: 'u1' },
        ])
        expect(redone).toEqual(replay(gorseJob, journal))
      }),
    )
  })

  test('every kind of entry is drawn, and names only what the job has', () => {
    expect([...drawnKinds, ...foreignKinds, 'undo'].sort()).toEqual([...jobJournal.kinds].sort())
    fc.assert(
      fc.property(anyJournal, (journal) => {
        for (const entry of journal) expect(checkReferences(gorseJob, entry, '')).toEqual([])
      }),
    )
  })

  test('every live entry, of every kind, changes the state, says what it says already, or is held and changes nothing', () => {
    const seen = new Set<string>()
    fc.assert(
      fc.property(anyJournal, (journal) => {
        const voided = voidedEntries(journal)
        const state = freshState(gorseJob)
        const before: NewEntry[] = []
        for (const entry of journal) {
          if (entry.kind === 'undo' || voided.has(entry.id)) continue
          const was = JSON.stringify(state)
          const why = jobJournal.apply(state, entry, gorseJob)
          const unchanged = JSON.stringify(state) === was
          if (why !== null) expect(unchanged, `${entry.kind}: ${why}`).toBe(true)
          else if (unchanged) expect(saysAgain(entry, before), JSON.stringify(entry)).toBe(true)
          else seen.add(entry.kind)
          before.push(entry)
        }
      }),
      // A fixed seed: what is seen below is a question of the drawing, not of the law.
      { numRuns: 300, seed: 11 },
    )
    expect([...seen].sort()).toEqual([...drawnKinds].sort())
  })
})

/** Whether an entry says only what is so already: a tick made twice, an answer that replaces itself, a photo that is packed. */
function saysAgain(entry: NewEntry, before: readonly NewEntry[]): boolean {
  if (entry.kind === 'photo-packed') return true
  if ('replaces' in entry && 'value' in entry && sameValue(entry.value, entry.replaces)) return true
  const subject = (said: NewEntry) => {
    const { id: _id, by: _by, at: _at, device: _device, ...body } = clientFields(said)
    return { ...body, wrote: '', without: '', method: '' }
  }
  return before.some(
    (other) =>
      other.kind === entry.kind &&
      (sameValue(subject(other), subject(entry)) ||
        (entry.kind === 'timer-stopped' && other.kind === 'timer-stopped' && entry.timer === other.timer)),
  )
}

test('10,000 entries replay without looking back at each', () => {
  const kinds: NewEntry[] = []
  for (let i = 0; i < 10_000; i++) {
    const turn = i % 5
    if (turn === 0) kinds.push(entryOf({ kind: 'note', text: 'x' }))
    else if (turn === 1)
      kinds.push(entryOf({ kind: 'connected', kitEnd: ref('ground'), to: { stud: ref('engine-strap') } }))
    else if (turn === 2) kinds.push(entryOf({ kind: 'tugged', kitEnd: ref('ground') }))
    else if (turn === 3) kinds.push(entryOf({ kind: 'reading', quantity: 'x', value: i, unit: 'V' }))
    else kinds.push(entryOf({ kind: 'undo', undoes: kinds[i - 2].id }))
  }
  const journal = asJournal(kinds)
  // Counted, not timed (bench holds it to 50 ms): how often a replay looks at an entry, whatever the machine does beside it.
  let looks = 0
  const watched = new Proxy(journal, {
    get(list, name, self) {
      if (typeof name === 'string' && /^\d+$/.test(name)) looks++
      return Reflect.get(list, name, self)
    },
  })
  expect(replay(gorseJob, watched)).toEqual(replay(gorseJob, journal))
  expect(looks).toBeGreaterThan(journal.length)
  expect(looks).toBeLessThan(5 * journal.length)
})

describe('connections', () => {
  const made = (...entries: NewEntry[]) => replay(gorseJob, asJournal(entries))
  const factory = () =>
    entryOf({ kind: 'connected', kitEnd: ref('crank'), to: { connector: ref('crank'), side: 'factory' } })

  test('two halves and a tug', () => {
    const state = made(
      factory(),
      entryOf({ kind: 'connected', kitEnd: ref('crank'), to: { connector: ref('crank'), side: 'device' } }),
      entryOf({ kind: 'tugged', kitEnd: ref('crank') }),
    )
    expect(state.connections.map((connection) => [connection.to, connection.tugged])).toEqual([
      [{ connector: 'crank', side: 'factory' }, true],
      [{ connector: 'crank', side: 'device' }, true],
    ])
  })

  test('the same tick twice is one connection and no dispute', () => {
    const state = made(factory(), factory())
    expect(state.connections).toHaveLength(1)
    expect(state.disputes).toEqual([])
  })

  test('two different places for one half are a dispute until it is taken off', () => {
    const wrong = entryOf({ kind: 'connected', kitEnd: ref('crank'), to: { connector: ref('fan'), side: 'factory' } })
    expect(made(factory(), wrong).disputes).toHaveLength(1)
    const off = entryOf({ kind: 'disconnected', kitEnd: ref('crank') })
    const state = made(factory(), wrong, off)
    expect([state.connections, state.disputes]).toEqual([[], []])
  })

  test('a tug on nothing is held with its reason', () => {
    const state = made(entryOf({ kind: 'tugged', kitEnd: ref('crank') }))
    expect(state.held.map((held) => held.why)).toEqual(['Nothing is connected there to tug.'])
  })

  test('a new mating has to be tugged anew', () => {
    const state = made(
      factory(),
      entryOf({ kind: 'tugged', kitEnd: ref('crank') }),
      entryOf({ kind: 'disconnected', kitEnd: ref('crank'), side: 'factory' }),
      factory(),
    )
    expect(state.connections.map((connection) => connection.tugged)).toEqual([false])
  })
})

describe('trims', () => {
  const log = 'cd'.repeat(32)
  const imported = entryOf({
    kind: 'log-imported',
    log,
    name: 'ride.csv',
    rows: 1,
    bytes: 1,
    mapping: { columns: {}, units: {}, dropUnreadable: false },
    tableInForce: null,
  })
  const accept = (old: number, next: number) =>
    entryOf({
      kind: 'trim-accepted',
      log,
      fitVersion: 1,
      options: { gain: 1, maxStepPct: 5, delaySeconds: 0 },
      cells: [{ rpm: 3500, load: 20, old, new: next }],
    })

  test('every accepted trim is a revision, the last one is in force, the log says it was used', () => {
    const [first, second] = [accept(0, 2), accept(2, 3.5)]
    const state = replay(gorseJob, asJournal([imported, first, second]))
    expect(state.trim.revisions.map((revision) => revision.pct[2][3])).toEqual([0, 2, 3.5])
    expect(currentTrim(state)[2][3]).toBe(3.5)
    expect(state.logs[0].usedBy).toBe(first.id)
  })

  test('a trim made on another table is held', () => {
    const state = replay(gorseJob, asJournal([imported, accept(1, 2)]))
    expect(state.held[0].why).toBe('The cell at 3500 rpm, 20 % was 1 when this was decided and is 0 now.')
    expect(currentTrim(state)[2][3]).toBe(0)
  })

  test('a log is in the job once', () => {
    const again = { ...imported, id: 'again' }
    expect(replay(gorseJob, asJournal([imported, again])).held).toHaveLength(1)
  })
})
