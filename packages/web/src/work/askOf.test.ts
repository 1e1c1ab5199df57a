import { replay, stationWork } from '@tidy-badger/core/jobs'
import { stations } from '@tidy-badger/core/dossiers'
import { describe, expect, test } from 'vitest'
import { fittings } from '../../../core/src/wiring/shippedCase.ts'
import { askOf, askTitle, askWord } from './askOf.ts'

describe.each(fittings.filter(({ name }) => !name.includes(',')))('what is asked for, $name', (dossiers) => {
  test('starts and proofs are not ticked off as they stand, covers are; each has a word of its own', () => {
    const state = replay(dossiers, [])
    const items = stations.flatMap((station) => stationWork(dossiers, state, station))
    const asked = items.flatMap((item) => askOf(item) ?? [])
    for (const item of items) {
      if (item.kind === 'cover-off' || item.kind === 'cover-on') expect(askOf(item)).toBeNull()
      if (item.kind === 'step' && item.step.proof !== undefined) expect(askOf(item)).toBe(item.step.proof)
    }
    expect(asked.length).toBeGreaterThan(0)
    const titled = asked.map((ask) => `${askWord(ask)}: ${askTitle(ask) ?? ''}`)
    for (const item of items) {
      const ask = askOf(item)
      // A step says how in many words: what stands over its card is short.
      if (ask && item.kind === 'step') expect(askTitle(ask)).not.toBeNull()
    }
    if (asked.includes('start')) expect(titled).toContain('Started: Start it')
  })
})
