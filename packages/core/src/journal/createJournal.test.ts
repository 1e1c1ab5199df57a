import fc from 'fast-check'
import { z } from 'zod'
import { describe, expect, test } from 'vitest'
import { createJournal } from './createJournal.ts'
import { lastOfDevice, voidedEntries } from './replayEntries.ts'
import { sameValue } from '../shared/index.ts'
import { defineDecision, slotOf } from './defineDecision.ts'
import { defineEntry } from './defineEntry.ts'
import { answerForm, entrySchema, type EntryForms } from './forms.ts'
import { doneBy, type Decided, type Done, type EntryHead, type Held } from './model.ts'

/** A shelf with a limit: things are put on it, taken off, and the limit is decided. */
interface Shelf {
  things: Record<string, Done>
  limit?: Decided<number>
  held: Held[]
}
interface Rules {
  known: string[]
}
type Body =
  | { kind: 'put'; thing: string }
  | { kind: 'take'; thing: string }
  | { kind: 'limit'; value: number | null; replaces: number | null }
  | { kind: 'undo'; undoes: string }
type Entry = EntryHead & Body

const forms = {
  put: { thing: z.string() },
  take: { thing: z.string() },
  limit: answerForm({}, z.number()),
} satisfies EntryForms
const entry = defineEntry<Rules, Shelf, unknown, typeof forms>()
const put = entry({
  kind: 'put',
  refs: ({ known }, { thing }) =>
    known.includes(thing) ? [] : [{ code: 'unknown-reference', path: 'thing', message: `"${thing}" is nothing.` }],
  apply(state, written) {
    state.things[written.thing] ??= doneBy(written)
    return null
  },
  words: ({ thing }) => `${thing} on`,
})
const take = entry({
  kind: 'take',
  apply(state, { thing }) {
    if (!(thing in state.things)) return 'It is not there.'
    delete state.things[thing]
    return null
  },
  place: () => 'shelf',
  words: ({ thing }) => `${thing} off`,
})
const limit = defineDecision<Rules, Shelf, unknown, typeof forms>()({
  kind: 'limit',
  at: (state) => slotOf(state, 'limit'),
  about: () => 'Limit',
})
const rules: Rules = { known: ['a', 'b', 'c'] }
const journal = createJournal<Rules, Shelf, Entry>({
  entries: [put, take, limit],
  fresh: () => ({ things: {}, held: [] }),
  gates: [
    (_rules, state, written) =>
      written.kind === 'put' && Object.keys(state.things).length >= (state.limit?.value ?? 99)
        ? [{ code: 'full', message: 'The shelf is full.' }]
        : [],
  ],
})
const of = (...bodies: Body[]): Entry[] => bodies.map((body, i) => ({ id: `e${i}`, ...body }))
const plan = (stored: Entry[], ...batch: Entry[]) => journal.planAppend(rules, stored, batch)

const thing = fc.constantFrom('a', 'b', 'c')
const bodies = fc.array(
  fc.oneof(
    fc.record({ kind: fc.constant('put' as const), thing }),
    fc.record({ kind: fc.constant('take' as const), thing }),
    fc.record({
      kind: fc.constant('limit' as const),
      value: fc.option(fc.constantFrom(1, 2)),
      replaces: fc.option(fc.constantFrom(1, 2)),
    }),
    fc.record({ kind: fc.constant('undo' as const), undoes: fc.nat({ max: 9 }).map((n) => `e${n}`) }),
  ),
  { maxLength: 14 },
)

/** Replay as plainly as it can be said: which entries live, then each in turn. */
function plainly(entries: readonly Entry[]): Shelf {
  const isVoid = (id: string): boolean =>
    entries.some((other) => other.kind === 'undo' && other.undoes === id && !isVoid(other.id))
  const state: Shelf = { things: {}, held: [] }
  for (const written of entries) {
    if (written.kind === 'undo' || isVoid(written.id)) continue
    const done = { entry: written.id, by: undefined, at: undefined }
    const hold = (why: string) => state.held.push({ entry: written.id, why })
    if (written.kind === 'put') state.things[written.thing] ??= done
    else if (written.kind === 'take') {
      if (state.things[written.thing]) delete state.things[written.thing]
      else hold('It is not there.')
    } else if ((state.limit?.value ?? null) !== written.replaces)
      hold(
        `It was ${written.replaces ?? 'as proposed'} when this was chosen, and is ${state.limit?.value ?? 'as proposed'} now.`,
      )
    else if (written.value === null) delete state.limit
    else state.limit = { ...done, value: written.value }
  }
  return state
}

describe('replay', () => {
  test('agrees with a plain reference, undos of undos and all', () => {
    fc.assert(
      fc.property(bodies, (drawn) => {
        // An undo names only what stands before it, as every journal has it.
        const entries = of(...drawn).filter(
          (written, i) => written.kind !== 'undo' || Number(written.undoes.slice(1)) < i,
        )
        expect(journal.replay(rules, entries)).toEqual(plainly(entries))
      }),
      { numRuns: 500 },
    )
  })
})

describe('appending', () => {
  test('what was appended and is appended again keeps its places; a known id for something else is refused', () => {
    fc.assert(
      fc.property(bodies, (drawn) => {
        const batch = of(...drawn.filter((body) => body.kind !== 'undo'))
        const first = plan([], ...batch)
        if (first.kind !== 'append') return
        const stored = first.fresh.map((written, i) => ({ ...written, seq: i + 1, receivedAt: '', v: 1 }))
        const again = plan(stored, ...batch)
        expect(again).toEqual({ kind: 'append', fresh: [], places: stored.map(({ id, seq }) => ({ id, seq })) })
      }),
    )
    expect(plan(of({ kind: 'put', thing: 'a' }), { id: 'e0', kind: 'put', thing: 'b' })).toMatchObject({
      problems: [{ code: 'entry-id-reused' }],
    })
  })

  test('a batch is taken whole or not at all, and changes nothing it is given', () => {
    const stored = of({ kind: 'put', thing: 'a' })
    const kept = JSON.stringify(stored)
    const refused = plan(stored, { id: 'x', kind: 'put', thing: 'b' }, { id: 'y', kind: 'put', thing: 'z' })
    expect(refused).toMatchObject({ kind: 'unknown', problems: [{ path: 'entries.1.thing' }] })
    expect(JSON.stringify(stored)).toBe(kept)
  })

  test('what happened is taken and held; what replaces must find its value', () => {
    expect(plan([], { id: 'x', kind: 'take', thing: 'a' }).kind).toBe('append')
    const stale = plan(of({ kind: 'limit', value: 2, replaces: null }), {
      id: 'x',
      kind: 'limit',
      value: 1,
      replaces: null,
    })
    expect(stale).toMatchObject({
      kind: 'conflict',
      problems: [{ code: 'stale-base', message: 'It was as proposed when this was chosen, and is 2 now.' }],
    })
  })

  test('a gate bars by what the batch itself has done so far', () => {
    const answer = limit.answer({ things: {}, held: [] }, {}, 1)
    const batch = of(answer, { kind: 'put', thing: 'a' }, { kind: 'put', thing: 'b' })
    expect(plan([], ...batch)).toMatchObject({ kind: 'conflict', problems: [{ code: 'full', path: 'entries.2' }] })
    expect(plan([], ...batch.slice(0, 2)).kind).toBe('append')
  })

  test('an undo may not pull away what a live entry stands on; all in one go they may', () => {
    const stored = of({ kind: 'put', thing: 'a' }, { kind: 'take', thing: 'a' })
    const undo = (id: string, undoes: string): Entry => ({ id, kind: 'undo', undoes })
    expect(plan(stored, undo('u', 'e0'))).toMatchObject({
      problems: [{ code: 'needed-by-others', dependents: ['e1'] }],
    })
    expect(journal.undoBatch(rules, stored, 'e0')).toEqual(['e1', 'e0'])
    expect(plan(stored, undo('u', 'e1'), undo('v', 'e0')).kind).toBe('append')
    expect(plan(stored, undo('u', 'moon'))).toMatchObject({ kind: 'unknown' })
    expect(plan([...stored, undo('u', 'e1')], undo('v', 'e1'))).toMatchObject({ problems: [{ code: 'stale-base' }] })
  })
})

test('an entry has one form, one place and one line', () => {
  expect(entrySchema(forms).safeParse({ id: 'x', kind: 'put', thing: 'a', more: 1 }).success).toBe(false)
  expect(entrySchema(forms).safeParse({ id: 'x', kind: 'undo', undoes: 'y' }).success).toBe(true)
  const [on, off] = of({ kind: 'put', thing: 'a' }, { kind: 'take', thing: 'a' })
  expect([journal.words(on, rules), journal.words(off, rules)]).toEqual(['a on', 'a off'])
  expect([journal.placeOf(on, rules), journal.placeOf(off, rules)]).toEqual([null, 'shelf'])
})

test.each([
  [1, 1, true],
  [null, null, true],
  [['a', 'b'], ['a', 'b'], true],
  [['a', 'b'], ['b', 'a'], false],
  [{ stud: 'x' }, { stud: 'x' }, true],
  [{ stud: 'x', half: undefined }, { stud: 'x' }, true],
  [{ stud: 'x' }, { stud: 'y' }, false],
  [{ stud: 'x' }, ['x'], false],
  [null, {}, false],
])('%j and %j are the same: %j', (a, b, same) => {
  expect(sameValue(a, b)).toBe(same)
})

describe('what a device takes back first', () => {
  const at = (id: string, device: string | undefined, more: object = { kind: 'note' }) => ({
    id,
    kind: 'note',
    ...(device === undefined ? {} : { device }),
    ...more,
  })

  test('is its newest entry that stands; undone ones, undoings and those of others are passed over', () => {
    const entries = [
      at('a', 'here'),
      at('b', 'here'),
      at('c', 'there'),
      at('d', undefined),
      at('e', 'here', { kind: 'undo', undoes: 'b' }),
    ]
    expect(lastOfDevice(entries, voidedEntries(entries), 'here')?.id).toBe('a')
    expect(lastOfDevice(entries, voidedEntries(entries), 'there')?.id).toBe('c')
    expect(lastOfDevice(entries, voidedEntries(entries), 'nowhere')).toBeNull()
    const brought = [...entries, at('f', 'here', { kind: 'undo', undoes: 'e' })]
    expect(lastOfDevice(brought, voidedEntries(brought), 'here')?.id).toBe('b')
  })
})
