import { ref } from '../shared/refCase.ts'
import type { KitEndId } from '../dossiers/index.ts'
import { describe, expect, test } from 'vitest'
import { asJournal, gorseJob } from './journalCase.ts'
import { checkReferences, replay } from './jobJournal.ts'
import { newEntrySchema } from './jobForms.ts'
import { upcastEntry, type OlderChoice } from './upcastEntry.ts'

const older = (choice: string, value: string, replaces: string | null = null): OlderChoice => ({
  id: `${choice}-${value}`,
  at: '2026-06-01T08:00:00.000Z',
  by: 'Runa',
  kind: 'choice',
  choice,
  value,
  replaces,
})

describe('a decision as it was written up to version 2', () => {
  test.each([
    ['joining', 'solder and sleeve', { kind: 'joining-practice-chosen', value: 'solder and sleeve' }],
    ['battery', 'battery out', { kind: 'battery-practice-chosen', value: 'battery out' }],
    ['people', '2', { kind: 'people-chosen', value: 2 }],
    ['cover-order', 'tank-cover,side-right', { kind: 'cover-order-chosen', value: ['tank-cover', 'side-right'] }],
    ['cover-order', 'as proposed', { kind: 'cover-order-chosen', value: null }],
    ['also', 'connector:oxygen', { kind: 'also-reached-chosen', value: ['connector:oxygen'] }],
    ['mount-place', 'seat-box', { kind: 'mount-place-chosen', value: 'seat-box' }],
    ['mounting', 'reachable without tools', { kind: 'mounting-practice-chosen', value: 'reachable without tools' }],
    ['tying', 'each branch as it is laid', { kind: 'tying-practice-chosen', value: 'each branch as it is laid' }],
    ['power', 'lamp circuit directly', { kind: 'feeding-practice-chosen', value: 'lamp circuit directly' }],
    ['grounding', 'engine strap', { kind: 'grounding-practice-chosen', value: 'engine strap' }],
    ['place.ground', 'stud/engine-strap', { kind: 'place-chosen', kitEnd: 'ground', value: { stud: 'engine-strap' } }],
    ['place.crank', 'plug/crank', { kind: 'place-chosen', kitEnd: 'crank', value: { connector: 'crank' } }],
    [
      'place.crank',
      'plug/crank/2',
      { kind: 'place-chosen', kitEnd: 'crank', value: { connector: 'crank', cavity: 2 } },
    ],
    ['place.crank', 'cap', { kind: 'place-chosen', kitEnd: 'crank', value: { closed: 'cap' } }],
    ['place.crank', 'as proposed', { kind: 'place-chosen', kitEnd: 'crank', value: null }],
    [
      'way.connector:coil',
      'plug-coil-above',
      { kind: 'way-chosen', target: 'connector:coil', value: 'plug-coil-above' },
    ],
    ['far.sensor', 'manifold', { kind: 'far-place-chosen', use: 'sensor', value: 'manifold' }],
    ['take-in.aim', 'pulls better', { kind: 'answered', question: 'aim', value: 'pulls better' }],
    ['take-in.plate', 'SB 4711', { kind: 'answered', question: 'plate', value: 'SB 4711' }],
  ])('%s: %s', (choice, value, body) => {
    const entry = upcastEntry(older(choice, value))
    expect(entry).toEqual({
      id: `${choice}-${value}`,
      at: '2026-06-01T08:00:00.000Z',
      by: 'Runa',
      ...body,
      replaces: null,
    })
    expect(newEntrySchema.safeParse(entry).success).toBe(true)
    if (choice !== 'far.sensor') expect(checkReferences(gorseJob, entry, '')).toEqual([])
  })

  test('what it replaced is read too, so that a chain still holds', () => {
    const chain = [
      older('place.ground', 'stud/engine-strap'),
      older('place.ground', 'as proposed', 'stud/engine-strap'),
      older('place.ground', 'cap', 'as proposed'),
      older('cover-order', 'tank-cover'),
      older('cover-order', 'side-right', 'tank-cover'),
    ].map((entry, i) => ({ ...upcastEntry(entry), id: `e${i}` }))
    const state = replay(gorseJob, asJournal(chain))
    expect(state.held).toEqual([])
    expect(state.decided.places[ref<KitEndId>('ground')].value).toEqual({ closed: 'cap' })
    expect(state.decided.coverOrder?.value).toEqual(['side-right'])
  })

  test.each([
    ['colour', 'red'],
    ['place.ground', 'nonsense'],
    ['take-in.weather', 'rain'],
    ['start', 'soon'],
    ['people', '3'],
  ])('%s: %s, which is none, is kept as a note', (choice, value) => {
    expect(upcastEntry(older(choice, value))).toMatchObject({ kind: 'note', text: `Chosen, ${choice}: ${value}` })
  })

  test('every other entry is left as it is', () => {
    const note = { id: 'n', kind: 'note' as const, text: 'x' }
    expect(upcastEntry(note)).toBe(note)
  })
})
