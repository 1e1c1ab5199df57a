import { ref } from '../shared/refCase.ts'
import { expect, test } from 'vitest'
import { fittings } from '../wiring/shippedCase.ts'
import { entryWords } from './entryWords.ts'
import { replay } from './jobJournal.ts'
import { entryOf, gorseJob } from './journalCase.ts'
import { wholeJob } from './wholeJobCase.ts'

test('every line of a whole job is in words, none with a gap left in', () => {
  for (const dossiers of fittings.filter(({ name }) => !name.includes(','))) {
    const entries = wholeJob(dossiers)
    const state = replay(dossiers, entries)
    for (const entry of entries) expect(entryWords(entry, dossiers, state), entry.kind).toMatch(/^[^{}]{2,}$/)
  }
})

test('a step is told as it was on this job: where its module went', () => {
  const chosen = entryOf({ kind: 'mount-place-chosen', value: ref('seat-box'), replaces: null })
  const held = entryOf({ kind: 'step-done', step: ref('trial-mount'), without: 'the box is still at the painter' })
  const words = (...entries: Parameters<typeof replay>[1]) => entryWords(held, gorseJob, replay(gorseJob, entries))
  expect(words()).toMatch(/^Set the module on its pad under the rear rack.*· done without: the box is still/)
  expect(words(chosen)).not.toContain('rear rack')
  expect(words(chosen)).toContain('· done without: the box is still')
})
