import { describe, expect, test } from 'vitest'
import { checkReferences } from './checkReferences.ts'
import { entryOf, gorseJob } from './journalCase.ts'

describe('choices about access', () => {
  test.each([
    ['battery', 'positive first', 'The battery may be: negative off, battery out.'],
    ['people', '3', 'One or two work on a machine.'],
    ['mount-place', 'roof', '"roof" is no mount place of the Gorse 430.'],
    ['cover-order', 'seat,wing', '"wing" is no cover of the Gorse 430.'],
    ['also', 'wing', '"wing" is no plug, stud or place of the Gorse 430.'],
    ['way.connector:crank', 'by air', '"by air" is no way to Crank sensor plug.'],
    ['start', 'soon', '"soon" is no time.'],
  ])('the choice %s may not be %s', (choice, value, message) => {
    const problems = checkReferences(gorseJob, entryOf({ kind: 'choice', choice, value, replaces: null }), 'entries.0')
    expect(problems).toMatchObject([{ path: 'entries.0.value', message }])
  })

  test.each([
    ['people', '2'],
    ['mount-place', 'seat-box'],
    ['cover-order', 'tank-cover,side-right'],
    ['also', 'connector:oxygen'],
    ['way.connector:coil', 'plug-coil-above'],
    ['take-in.aim', 'pulls better uphill'],
  ])('the choice %s may be %s', (choice, value) => {
    expect(checkReferences(gorseJob, entryOf({ kind: 'choice', choice, value, replaces: null }), '')).toEqual([])
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
