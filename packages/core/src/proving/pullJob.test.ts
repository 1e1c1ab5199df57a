import { expect, test } from 'vitest'
import { asJournal, entryOf, gorseJob } from '../jobs/journalCase.ts'
import { replay, type EntryBody } from '../jobs/index.ts'
import { planAppend } from '../jobs/jobJournal.ts'

const pull = (more: object = {}): EntryBody => ({
  ...{ kind: 'pull-made', when: 'before', name: 'first', factor: 1, warnings: [] },
  points: [2000, 3000].map((rpm) => ({ rpm, speedKmh: null, powerKw: rpm / 100, torqueNm: 95, sePowerKw: null })),
  peakPower: { kw: 30, rpm: 3000, speedKmh: null },
  peakTorque: { nm: 95, rpm: 2000 },
  ...more,
})
const append = (body: EntryBody) => planAppend(gorseJob, [], [entryOf(body)])

test('a pull is kept with its points, and a peak that no point has is refused', () => {
  expect(append(pull()).kind).toBe('append')
  expect(append(pull({ peakPower: { kw: 80, rpm: 3000, speedKmh: null } }))).toMatchObject({
    problems: [{ code: 'proof-not-borne-out' }],
  })
  const [low, high] = [2000, 3000].map((rpm) => ({ rpm, speedKmh: null, powerKw: 30, torqueNm: 95, sePowerKw: null }))
  expect(append(pull({ points: [high, low] }))).toMatchObject({ problems: [{ code: 'no-pull' }] })
})

test('what is claimed last counts, and is taken back by an undo', () => {
  const claims = [2, 5].map((powerKw) => entryOf({ kind: 'gain-claimed', powerKw, of: 'wheel' }))
  expect(replay(gorseJob, asJournal(claims)).claimed).toMatchObject({ powerKw: 5, at: 'wheel' })
  const undone = [...claims, entryOf({ kind: 'undo', undoes: claims[1]?.id ?? '' })]
  expect(replay(gorseJob, asJournal(undone)).claimed).toMatchObject({ powerKw: 2 })
})
