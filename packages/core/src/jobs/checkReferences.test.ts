import { ref } from '../shared/refCase.ts'
import { checkReferences } from './jobJournal.ts'
import { describe, expect, test } from 'vitest'
import { entryOf, gorseJob } from './journalCase.ts'
import type { EntryBody } from './model.ts'

describe('decisions about access', () => {
  test.each<[EntryBody, string, string]>([
    [
      { kind: 'battery-practice-chosen', value: 'both negatives off', replaces: null },
      'value',
      'The battery may be: negative off, battery out.',
    ],
    [
      { kind: 'mount-place-chosen', value: ref('roof'), replaces: null },
      'value',
      '"roof" is no mount place of the Gorse 430.',
    ],
    [
      { kind: 'cover-order-chosen', value: [ref('seat'), ref('wing')], replaces: null },
      'value',
      '"wing" is no cover of the Gorse 430.',
    ],
    [
      { kind: 'also-reached-chosen', value: ['wing'], replaces: null },
      'value',
      '"wing" is no plug, stud or place of the Gorse 430.',
    ],
    [
      { kind: 'way-chosen', target: 'connector:crank', value: ref('by air'), replaces: null },
      'value',
      '"by air" is no way to Crank sensor plug.',
    ],
    [
      { kind: 'way-chosen', target: 'connector:moon', value: null, replaces: null },
      'target',
      '"connector:moon" is no plug, stud or place of the Gorse 430.',
    ],
  ])('%j may not be', (body, field, message) => {
    expect(checkReferences(gorseJob, entryOf(body), 'entries.0')).toMatchObject([
      { path: `entries.0.${field}`, message },
    ])
  })

  test.each<EntryBody>([
    { kind: 'people-chosen', value: 2, replaces: null },
    { kind: 'mount-place-chosen', value: ref('seat-box'), replaces: null },
    { kind: 'cover-order-chosen', value: [ref('tank-cover'), ref('side-right')], replaces: null },
    { kind: 'also-reached-chosen', value: ['connector:oxygen'], replaces: null },
    { kind: 'way-chosen', target: 'connector:coil', value: ref('plug-coil-above'), replaces: null },
    { kind: 'answered', question: 'aim', value: 'pulls better uphill', replaces: null },
  ])('%j may be', (body) => {
    expect(checkReferences(gorseJob, entryOf(body), '')).toEqual([])
  })
})

describe('photos', () => {
  const photo = { kind: 'photo' as const, photo: 'a'.repeat(64), bytes: 1, widthPx: 1, heightPx: 1, handBack: false }
  test.each(['kitEnd', 'cover', 'passage', 'step'] as const)('hang on a %s that is there', (field) => {
    const known = { kitEnd: 'crank', cover: 'seat', passage: 'airbox-spine', step: 'battery-off' }
    const about = (id: string) =>
      checkReferences(gorseJob, entryOf({ ...photo, shows: 'work', about: { [field]: id } }), 'entries.0')
    expect(about(known[field])).toEqual([])
    expect(about('moon')).toMatchObject([{ code: 'unknown-reference', path: `entries.0.about.${field}` }])
  })
})
